package org.jontrel.core.propose;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Section;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.naming.Nouns;
import org.jontrel.core.propose.kind.GuessedKind;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.SheetLink;

/** A sheet that says more of the records of another: pairs of records that belong together, or rows of a repeater. */
final class OwnedSheet {
    private final Proposing making;
    private final SheetPlan plan;
    private final SheetLink owner;
    private final ContentType type;

    OwnedSheet(Proposing making, SheetPlan plan) {
        this.making = making;
        this.plan = plan;
        this.owner = plan.owner(making.plans).orElseThrow();
        this.type = making.model().type(making.definitionOf(owner.toSheet())).orElseThrow();
    }

    List<ProposedColumn> columns() {
        var other = plan.links.values().stream()
                .filter(link -> link.column() != owner.column())
                .filter(link -> making.plans.get(link.toSheet()).role == SheetRole.TYPE)
                .findFirst();
        return plan.role == SheetRole.RELATION && other.isPresent() ? pairs(other.get()) : rows();
    }

    private Stream<Field> ownFields() {
        return Section.own(type.sections()).stream().flatMap(group -> group.fields().stream());
    }

    private NewFields beside() {
        var fields = new NewFields(making.ids, ownFields());
        type.taxonomies()
                .forEach(
                        use -> making.model().definition(use.taxonomy()).ifPresent(each -> fields.takeKey(each.key())));
        return fields;
    }

    private List<ProposedColumn> pairs(SheetLink other) {
        var target = making.plans.get(other.toSheet());
        var label = Nouns.plural(target.noun);
        var there = Existing.field(ownFields(), label, label);
        var field = there.orElseGet(() -> {
            var inverse = new Kind.Inverse(
                    making.ids.next('i'),
                    inverseKey(other.toSheet(), label),
                    Nouns.plural(making.plans.get(owner.toSheet()).noun),
                    true,
                    true);
            return beside().field(
                            label,
                            "",
                            false,
                            new Kind.Relation(
                                    Set.of(making.definitionOf(other.toSheet())),
                                    new Kind.Amount(true, null, null),
                                    true,
                                    false,
                                    inverse));
        });
        if (there.isEmpty()) {
            put(field);
        }
        return plan.facts.columns().stream()
                .map(each -> each.index() == owner.column()
                        ? ProposedColumn.to(
                                each,
                                ColumnUse.OWNER,
                                null,
                                type.singular(),
                                "",
                                true,
                                "which " + Nouns.inSentence(type.singular()) + " a row is of")
                        : each.index() == other.column()
                                ? ProposedColumn.to(
                                        each,
                                        ColumnUse.FIELD,
                                        field,
                                        target.noun,
                                        "",
                                        false,
                                        "one of the several that belong to it")
                                : ProposedColumn.skipped(each, "it counts the rows"))
                .toList();
    }

    private String inverseKey(int sheet, String beside) {
        var target = making.model().type(making.definitionOf(sheet)).orElseThrow();
        var taken = new java.util.HashSet<>(target.allFields().map(Field::key).toList());
        // the other sheet may be of the same type
        taken.add(Keys.fromLabel(beside));
        target.taxonomies()
                .forEach(use -> making.model().definition(use.taxonomy()).ifPresent(each -> taken.add(each.key())));
        java.util.Arrays.stream(org.jontrel.core.model.Part.values()).forEach(part -> taken.add(part.code()));
        making.model().types().stream()
                .flatMap(ContentType::allFields)
                .flatMap(Field::withInner)
                .map(Field::kind)
                .forEach(kind -> {
                    if (kind instanceof Kind.Relation relation && relation.inverse() != null) {
                        taken.add(relation.inverse().key());
                    }
                });
        return Keys.free(Keys.fromLabel(Nouns.plural(type.singular())), taken);
    }

    private List<ProposedColumn> rows() {
        var label = Nouns.plural(plan.noun);
        var there = Existing.field(ownFields(), label, plan.noun);
        if (there.isPresent()) {
            return plan.facts.columns().stream()
                    .map(each -> each.index() == owner.column()
                            ? ownerColumn(each)
                            : ProposedColumn.part(
                                    each, ColumnUse.ROW, there.get(), label, "rows that are there already"))
                    .toList();
        }
        var inner = NewFields.ofRows(making.ids);
        var made = new ArrayList<Field>();
        var kinds = new ArrayList<Map.Entry<ColumnFacts, GuessedKind>>();
        for (var column : plan.facts.columns()) {
            var choice = making.choices.column(plan.index, column.index());
            boolean skipped = ColumnUse.SKIP.code().equals(choice.use())
                    || column.filled() == 0 && column.header().isEmpty();
            if (column.index() != owner.column() && !skipped) {
                var kind = kind(column, choice);
                kinds.add(Map.entry(column, kind));
                made.add(inner.field(column, kind, choice));
            }
        }
        var field =
                beside().field(label, "", false, new Kind.Repeater(made, null, null, "", Kind.Repeater.RowStyle.TABLE));
        put(field);
        var columns = new ArrayList<ProposedColumn>();
        for (var column : plan.facts.columns()) {
            int at = kinds.stream().map(Map.Entry::getKey).toList().indexOf(column);
            columns.add(
                    column.index() == owner.column()
                            ? ownerColumn(column)
                            : at < 0
                                    ? ProposedColumn.skipped(column, "chosen")
                                    : row(column, made.get(at), kinds.get(at).getValue(), label));
        }
        return columns;
    }

    private ProposedColumn ownerColumn(ColumnFacts column) {
        return ProposedColumn.to(
                column,
                ColumnUse.OWNER,
                null,
                type.singular(),
                "",
                true,
                "which " + Nouns.inSentence(type.singular()) + " a row belongs to");
    }

    private static ProposedColumn row(ColumnFacts column, Field field, GuessedKind kind, String rowsOf) {
        var plain = ProposedColumn.field(column, field, kind, ProposedColumn.State.NEW);
        return new ProposedColumn(
                plain.column(),
                ColumnUse.ROW,
                plain.state(),
                field,
                plain.label(),
                plain.target(),
                plain.separator(),
                plain.reading(),
                plain.required(),
                rowsOf,
                plain.why(),
                plain.words(),
                plain.fits());
    }

    /** Rows have no taxonomies of their own: their terms are fields. */
    private GuessedKind kind(ColumnFacts column, Choices.ColumnChoice choice) {
        var link = plan.links.get(column.index());
        if (link != null && choice.kind() == null) {
            var id = making.definitionOf(link.toSheet());
            var amount = new Kind.Amount(!link.separator().isEmpty(), null, null);
            var why = link.found() + " of its " + link.distinct() + " values are in “"
                    + making.plans.get(link.toSheet()).facts.name() + "”";
            var kind =
                    switch (making.plans.get(link.toSheet()).role) {
                        case TYPE -> new Kind.Relation(Set.of(id), amount, false, false, null);
                        case TAXONOMY -> new Kind.TermPick(id, amount);
                        case LIST -> new Kind.Choice(List.of(), id, amount, Kind.Choice.ChoiceControl.MENU);
                        default -> null;
                    };
            if (kind != null) {
                return new GuessedKind(kind, false, link.separator(), false, List.of(), null, why);
            }
        }
        var kind = making.kinds.as(column, choice.kind(), choice.many(), choice.joins());
        return kind.terms() ? making.kinds.words().options(column, kind.separator(), choice.joins(), kind.why()) : kind;
    }

    /** Into the first group of the type. */
    private void put(Field field) {
        var sections = new ArrayList<Section>(type.sections());
        int first = 0;
        while (first < sections.size() && !(sections.get(first) instanceof Group)) {
            first++;
        }
        if (first == sections.size()) {
            sections.add(new Group(making.ids.next('g'), "Details", "", List.of(field)));
        } else {
            var group = (Group) sections.get(first);
            sections.set(
                    first,
                    group.withFields(Stream.concat(group.fields().stream(), Stream.of(field))
                            .toList()));
        }
        making.put(type.withSections(sections));
    }
}
