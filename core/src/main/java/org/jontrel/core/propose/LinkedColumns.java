package org.jontrel.core.propose;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jontrel.core.model.ChoiceList;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.TaxonomyUse;
import org.jontrel.core.propose.kind.GuessedKind;
import org.jontrel.core.propose.kind.KindFit;
import org.jontrel.core.propose.word.Header;
import org.jontrel.core.propose.word.SpelledWord;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.SheetLink;

/** Columns whose values are rows of another sheet. */
final class LinkedColumns {
    private final TypeDraft draft;
    private final Proposing making;
    private final SheetPlan plan;
    private final MetFields met;

    LinkedColumns(TypeDraft draft) {
        this.draft = draft;
        this.making = draft.making;
        this.plan = draft.plan;
        this.met = new MetFields(draft);
    }

    void linked(ColumnFacts column) {
        var link = plan.links.get(column.index());
        if (link == null) {
            return;
        }
        var target = making.plans.get(link.toSheet());
        var id = making.definitionOf(link.toSheet());
        var why = why(link, target);
        switch (target.role) {
            case TYPE -> {
                if (draft.chose(column, ColumnUse.PARENT)
                        || SheetPlan.isParentWord(column.header())
                                && link.separator().isEmpty()) {
                    draft.under.add(id);
                    draft.put(ProposedColumn.to(column, ColumnUse.PARENT, null, target.noun, "", false, why));
                } else {
                    relation(column, link, target, why);
                }
            }
            case TAXONOMY ->
                terms(column, making.model().find(Taxonomy.class, id).orElseThrow(), link.separator(), why, List.of());
            case LIST -> {
                var list = making.model().find(ChoiceList.class, id).orElseThrow();
                var kind = new Kind.Choice(
                        List.of(),
                        list.id(),
                        new Kind.Amount(!link.separator().isEmpty(), null, null),
                        link.separator().isEmpty() ? Kind.Choice.ChoiceControl.MENU : Kind.Choice.ChoiceControl.TICKS);
                toField(
                        column,
                        new GuessedKind(kind, false, link.separator(), false, List.of(), null, why),
                        list.title(),
                        ColumnUse.FIELD);
            }
            case VALUES, RELATION, ROWS, SKIP -> {
                // it points at what is no record
            }
        }
    }

    private String why(SheetLink link, SheetPlan target) {
        var where = link.toSheet() == plan.index ? "other rows of this sheet" : "“" + target.facts.name() + "”";
        var missing = link.missing().isEmpty()
                ? ""
                : "; not there: "
                        + String.join(
                                ", ",
                                link.missing().stream()
                                        .limit(3)
                                        .map(each -> "“" + each.text() + "” (row " + each.row() + ")")
                                        .toList());
        return link.found() + " of its " + link.distinct() + " values are in " + where + ", column “"
                + target.column(link.toColumn()).title() + "”" + missing;
    }

    private void relation(ColumnFacts column, SheetLink link, SheetPlan target, String why) {
        var kind = new Kind.Relation(
                Set.of(making.definitionOf(link.toSheet())),
                new Kind.Amount(!link.separator().isEmpty(), null, null),
                false,
                false,
                null);
        // a record that is not there yet could not be pointed at: none is required while some are missing
        var choice = draft.choice(column);
        toField(
                column,
                new GuessedKind(kind, false, link.separator(), false, List.of(), null, why),
                target.noun,
                ColumnUse.FIELD,
                choice.required() == null && link.found() < link.distinct() ? Boolean.FALSE : choice.required());
    }

    private void toField(ColumnFacts column, GuessedKind kind, String target, ColumnUse use) {
        toField(column, kind, target, use, draft.choice(column).required());
    }

    private void toField(ColumnFacts column, GuessedKind kind, String target, ColumnUse use, Boolean required) {
        var label = draft.label(column);
        var before = draft.fieldOf(column, label);
        if (before.isPresent()) {
            met.meets(column, before.get(), kind);
            return;
        }
        boolean must = required != null
                ? required
                : NewFields.isRequired(column, Header.of(column.title()), kind.kind(), draft.choice(column));
        var field = draft.fields.field(label, Header.of(column.title()).help(), must, kind.kind());
        draft.add(column, field);
        draft.put(ProposedColumn.to(column, use, field, target, kind.separator(), must, kind.why()));
    }

    void terms(ColumnFacts column, Taxonomy taxonomy, String separator, String why, List<SpelledWord> words) {
        boolean used = Stream.concat(draft.there.taxonomies().stream(), draft.taxonomies.stream())
                .anyMatch(each -> each.taxonomy().equals(taxonomy.id()));
        boolean required =
                NewFields.isRequired(column, Header.of(column.title()), Kind.TermPick.PLAIN, draft.choice(column));
        boolean before = draft.there.taxonomies().stream()
                .anyMatch(each -> each.taxonomy().equals(taxonomy.id()));
        if (!used) {
            draft.taxonomies.add(new TaxonomyUse(taxonomy.id(), required, separator.isEmpty() ? 1 : null, true));
            draft.fields.takeKey(taxonomy.key());
        } else if (!before) {
            // twice the same taxonomy: the second is a field of its own
            var kind = new Kind.TermPick(taxonomy.id(), new Kind.Amount(!separator.isEmpty(), null, null));
            toField(
                    column,
                    new GuessedKind(kind, false, separator, false, words, null, why),
                    taxonomy.singular(),
                    ColumnUse.FIELD);
            return;
        }
        draft.put(new ProposedColumn(
                column.index(),
                ColumnUse.TERMS,
                before ? ProposedColumn.State.THERE : ProposedColumn.State.NEW,
                null,
                taxonomy.singular(),
                taxonomy.singular(),
                separator,
                null,
                required,
                "",
                why,
                words,
                KindFit.of(column)));
    }
}
