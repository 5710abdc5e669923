package org.jontrel.core.propose;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.infer.KindGuess;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.naming.VisibleText;
import org.jontrel.core.propose.kind.GuessedKind;
import org.jontrel.core.propose.word.Header;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.record.Values;
import org.jontrel.core.sheet.ColumnFacts;

/** A sheet whose rows are part of the model themselves: terms, options, or the names of site values. */
final class WordSheet {
    private final Proposing making;
    private final SheetPlan plan;
    private final ColumnFacts naming;

    WordSheet(Proposing making, SheetPlan plan) {
        this.making = making;
        this.plan = plan;
        this.naming = plan.title.orElseGet(() -> plan.facts.columns().getFirst());
    }

    List<ProposedColumn> columns() {
        if (plan.facts.kept().isEmpty() && plan.facts.rows() > 0) {
            plan.notes.add(
                    "Its " + plan.facts.rows() + " rows are too many for the model, and come in with the records.");
        }
        return switch (plan.role) {
            case LIST -> list();
            case VALUES -> values();
            default -> taxonomy();
        };
    }

    private List<ProposedColumn> skippedOrNamed(String why) {
        return plan.facts.columns().stream()
                .map(each -> each == naming
                        ? ProposedColumn.plain(each, ColumnUse.TITLE, why)
                        : ProposedColumn.skipped(each, "an option has a label and nothing else"))
                .toList();
    }

    private static String cell(List<String> row, int column) {
        return column < row.size() ? row.get(column).strip() : "";
    }

    private List<ProposedColumn> list() {
        var list = making.model()
                .find(ChoiceList.class, making.definitionOf(plan.index))
                .orElseThrow();
        var known = new HashSet<>(list.options().stream()
                .map(each -> Spellings.bare(each.label()))
                .toList());
        var keys = new HashSet<>(list.options().stream().map(Kind.Option::key).toList());
        var options = new ArrayList<>(list.options());
        for (var row : plan.facts.kept()) {
            var label = VisibleText.of(cell(row, naming.index()));
            if (!label.isEmpty() && known.add(Spellings.bare(label))) {
                var key = Keys.free(Keys.fromLabel(label), keys);
                keys.add(key);
                options.add(new Kind.Option(making.ids.next('o'), key, label, false));
            }
        }
        making.put(new ChoiceList(list.id(), list.key(), list.title(), list.description(), options));
        return skippedOrNamed("each row is an option");
    }

    private List<ProposedColumn> taxonomy() {
        var taxonomy = making.model()
                .find(Taxonomy.class, making.definitionOf(plan.index))
                .orElseThrow();
        var columns = new LinkedHashMap<Integer, ProposedColumn>();
        var fields = new NewFields(making.ids, taxonomy.fields().stream());
        fields.takeKey(Taxonomy.LABEL.key());
        var byColumn = new LinkedHashMap<Integer, Field>();
        var all = new ArrayList<>(taxonomy.fields());
        Optional<ColumnFacts> parent = Optional.empty();
        for (var column : plan.facts.columns()) {
            var choice = making.choices.column(plan.index, column.index());
            if (column == naming) {
                columns.put(column.index(), ProposedColumn.plain(column, ColumnUse.TITLE, "each row is a term"));
            } else if (ColumnUse.SKIP.code().equals(choice.use()) || column.filled() == 0) {
                columns.put(
                        column.index(),
                        ProposedColumn.skipped(column, column.filled() == 0 ? "it is empty" : "chosen"));
            } else if (Roles.isParent(plan, column) || ColumnUse.PARENT.code().equals(choice.use())) {
                parent = Optional.of(column);
                columns.put(
                        column.index(),
                        ProposedColumn.plain(column, ColumnUse.PARENT, "its values are terms of the sheet"));
            } else {
                var kind = making.kinds.as(column, choice.kind(), choice.many(), choice.joins());
                var held = kind.terms() ? GuessedKind.of(Kind.Text.PLAIN, kind.why()) : kind;
                var before = Existing.field(
                        taxonomy.fields().stream(),
                        column.header(),
                        Header.of(column.title()).label());
                var field = before.orElseGet(() -> fields.field(column, held, choice));
                if (before.isEmpty()) {
                    all.add(field);
                }
                byColumn.put(column.index(), field);
                columns.put(
                        column.index(),
                        ProposedColumn.field(
                                column,
                                field,
                                held,
                                before.isEmpty() ? ProposedColumn.State.NEW : ProposedColumn.State.THERE));
            }
        }
        var rows = terms(parent, byColumn);
        making.put(new SheetTerms(making.ids).with(taxonomy.withFields(all), rows, plan.notes));
        return List.copyOf(columns.values());
    }

    private List<SheetTerms.SheetTerm> terms(Optional<ColumnFacts> parent, Map<Integer, Field> fields) {
        var terms = new ArrayList<SheetTerms.SheetTerm>();
        var codes = codes(parent);
        for (var row : plan.facts.kept()) {
            var label = cell(row, naming.index());
            if (label.isEmpty()) {
                continue;
            }
            var above = parent.map(each -> cell(row, each.index())).orElse("");
            var values = new HashMap<String, String>();
            fields.forEach(
                    (column, field) -> value(field, cell(row, column)).ifPresent(text -> values.put(field.id(), text)));
            terms.add(new SheetTerms.SheetTerm(label, codes.getOrDefault(Spellings.bare(above), above), values));
        }
        return terms;
    }

    /** Where the parent is named by a code, the label for each code. */
    private Map<String, String> codes(Optional<ColumnFacts> parent) {
        var labels = new HashMap<String, String>();
        parent.map(each -> plan.links.get(each.index()))
                .filter(link -> link.toColumn() != naming.index())
                .ifPresent(link -> plan.facts
                        .kept()
                        .forEach(row -> labels.putIfAbsent(
                                Spellings.bare(cell(row, link.toColumn())), cell(row, naming.index()))));
        return labels;
    }

    /** What a term holds is kept in the field's own form. */
    private Optional<String> value(Field field, String text) {
        if (text.isEmpty()) {
            return Optional.empty();
        }
        if (field.kind() instanceof Kind.Choice choice) {
            return choice.options().stream()
                    .filter(each -> Spellings.bare(each.label()).equals(Spellings.bare(text)))
                    .map(Kind.Option::key)
                    .findFirst();
        }
        return Values.typed(field, text).value().map(value -> String.valueOf(Values.wire(field.kind(), value)));
    }

    private List<ProposedColumn> values() {
        var values = making.model()
                .find(SiteValues.class, making.definitionOf(plan.index))
                .orElseThrow();
        var columns = plan.facts.columns();
        var label = columns.getFirst();
        var value = columns.getLast();
        var there = Section.own(values.sections()).stream()
                .flatMap(group -> group.fields().stream())
                .toList();
        var fields = new NewFields(making.ids, there.stream());
        var made = new ArrayList<Field>();
        for (var row : plan.facts.kept()) {
            var name = cell(row, label.index());
            var text = cell(row, value.index());
            if (!name.isEmpty() && Existing.field(there.stream(), name, name).isEmpty()) {
                var guess = new KindGuess(making.ids).of(name, text.isEmpty() ? List.of() : List.of(text));
                made.add(fields.field(Header.of(guess.label()).label(), "", false, guess.kind()));
            }
        }
        var sections = new ArrayList<Section>(values.sections());
        for (int i = 0; i < sections.size(); i++) {
            if (sections.get(i) instanceof Group group) {
                sections.set(
                        i,
                        group.withFields(Stream.concat(group.fields().stream(), made.stream())
                                .toList()));
                break;
            }
        }
        making.put(new SiteValues(values.id(), values.key(), values.title(), values.description(), sections));
        return List.of(
                ProposedColumn.plain(label, ColumnUse.TITLE, "each row is a field: " + made.size() + " are new"),
                ProposedColumn.plain(value, ColumnUse.FIELD, "the kind of each is read from its value"));
    }
}
