package org.jontrel.core.propose;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.naming.Nouns;
import org.jontrel.core.propose.word.Header;
import org.jontrel.core.sheet.ColumnFacts;

/** Columns that are one field together: places, rows, several records. */
final class RepeatedColumns {
    private final TypeDraft draft;
    private final Proposing making;
    private final SheetPlan plan;

    RepeatedColumns(TypeDraft draft) {
        this.draft = draft;
        this.making = draft.making;
        this.plan = draft.plan;
    }

    void places() {
        var open = plan.facts.columns().stream()
                .filter(draft::isOpen)
                .filter(draft::choseNothing)
                .toList();
        Places.of(open).forEach((latitude, longitude) -> {
            var found = Places.label(latitude);
            var label = found.isEmpty() ? "Place" : found;
            var before = Existing.field(draft.ownFields(), label, label)
                    .filter(each -> each.kind() instanceof Kind.Coordinates);
            var field = before.orElseGet(() -> draft.fields.field(label, "", false, Kind.Coordinates.PLAIN));
            if (before.isEmpty()) {
                draft.add(latitude, field);
            }
            draft.put(ProposedColumn.part(
                    latitude,
                    ColumnUse.PLACE,
                    field,
                    "",
                    "latitude, with the longitude of “" + longitude.title() + "”"));
            draft.put(ProposedColumn.part(
                    longitude,
                    ColumnUse.PLACE,
                    field,
                    "",
                    "longitude, with the latitude of “" + latitude.title() + "”"));
        });
    }

    void repeats() {
        var open = plan.facts.columns().stream()
                .filter(each -> draft.isOpen(each) || isLinkedNumber(each))
                .toList();
        for (var repeat : Repeats.of(
                open,
                column -> Boolean.TRUE.equals(draft.choice(column).alone())
                        || draft.choice(column).use() != null)) {
            var columns = repeat.columns();
            if (columns.stream().allMatch(draft::isOpen)) {
                rows(repeat);
            } else if (columns.stream().noneMatch(draft::isOpen)
                    && repeat.inner().size() == 1) {
                severalRelations(repeat);
            }
        }
    }

    private boolean isLinkedNumber(ColumnFacts column) {
        var made = draft.done.get(column.index());
        return made != null
                && made.field() != null
                && made.field().kind() instanceof Kind.Relation
                && made.separator().isEmpty();
    }

    /** "Keeper 1, Keeper 2", each a record of the same sheet, are one relation to several. */
    private void severalRelations(Repeats.Repeat repeat) {
        var columns = repeat.columns();
        var targets = columns.stream()
                .map(each -> plan.links.get(each.index()).toSheet())
                .distinct()
                .toList();
        var first = draft.done.get(columns.getFirst().index());
        if (targets.size() != 1 || first.state() != ProposedColumn.State.NEW) {
            return;
        }
        var kind = new Kind.Relation(
                Set.of(making.definitionOf(targets.getFirst())), new Kind.Amount(true, null, null), true, false, null);
        columns.forEach(each -> draft.byGroup
                .values()
                .forEach(group -> group.removeIf(
                        field -> field.equals(draft.done.get(each.index()).field()))));
        var label = Nouns.plural(repeat.stem());
        var before =
                Existing.field(draft.ownFields(), label, label).filter(each -> each.kind() instanceof Kind.Relation);
        var field = before.orElseGet(() -> draft.fields.field(label, "", first.required(), kind));
        if (before.isEmpty()) {
            draft.add(columns.getFirst(), field);
        }
        var why = columns.size() + " columns that point at the same sheet";
        columns.forEach(each -> draft.put(ProposedColumn.to(
                each,
                each == columns.getFirst() ? ColumnUse.FIELD : ColumnUse.ROW,
                field,
                first.target(),
                "",
                first.required(),
                why)));
    }

    private void rows(Repeats.Repeat repeat) {
        var columns = repeat.columns();
        var first = columns.getFirst();
        var label = Nouns.plural(repeat.stem());
        if (!draft.isNew && Existing.field(draft.ownFields(), label, label).isPresent()) {
            var before = Existing.field(draft.ownFields(), label, label).orElseThrow();
            columns.forEach(each ->
                    draft.put(ProposedColumn.part(each, ColumnUse.ROW, before, label, "rows that are there already")));
            return;
        }
        var inner = NewFields.ofRows(making.ids);
        var made = new ArrayList<Field>();
        if (!repeat.names().isEmpty()) {
            made.add(inner.field(
                    repeat.namedBy(),
                    "",
                    true,
                    new Kind.Choice(making.kinds.words().options(repeat.names()))));
        }
        repeat.inner()
                .forEach((name, each) -> made.add(
                        inner.field(name, Header.of(each.getFirst().title()).help(), false, common(each))));
        var rowName =
                made.size() > 1 && !repeat.names().isEmpty() ? made.getFirst().id() : "";
        var field = draft.fields.field(
                label,
                "",
                false,
                new Kind.Repeater(List.copyOf(made), null, null, rowName, Kind.Repeater.RowStyle.TABLE));
        draft.add(first, field);
        var why = repeat.names().isEmpty()
                ? columns.size() + " columns hold the same again, by number"
                : columns.size() + " columns hold the same for each " + Nouns.inSentence(repeat.namedBy());
        columns.forEach(each -> draft.put(ProposedColumn.part(each, ColumnUse.ROW, field, label, why)));
    }

    /** A kind that holds what all of them hold. */
    private Kind common(List<ColumnFacts> columns) {
        var kinds = columns.stream()
                .filter(each -> each.said() > 0)
                .map(each -> making.kinds.of(each, Map.of()).kind())
                .toList();
        if (kinds.isEmpty()) {
            return making.kinds.of(columns.getFirst(), Map.of()).kind();
        }
        boolean same = kinds.stream().allMatch(each -> Kind.same(each, kinds.getFirst()));
        if (same && kinds.getFirst() instanceof Kind.Numeric) {
            var numbers = kinds.stream().map(Kind.Numeric.class::cast).toList();
            boolean oneUnit =
                    numbers.stream().map(Kind.Numeric::unit).distinct().count() == 1;
            return new Kind.Numeric(
                    numbers.stream().mapToInt(Kind.Numeric::decimals).max().orElse(0),
                    null,
                    null,
                    oneUnit ? numbers.getFirst().unit() : "");
        }
        if (same && !(kinds.getFirst() instanceof Kind.Choice) && !(kinds.getFirst() instanceof Kind.TermPick)) {
            return kinds.getFirst();
        }
        boolean long_ = columns.stream().anyMatch(each -> each.lines() > 0 || each.longest() > Kind.Text.LONGEST);
        return long_ ? Kind.LongText.PLAIN : Kind.Text.PLAIN;
    }
}
