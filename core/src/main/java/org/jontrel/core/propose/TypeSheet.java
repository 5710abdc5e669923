package org.jontrel.core.propose;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.propose.word.SheetNoun;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.sheet.Sign;

/** A sheet whose rows are records: each column becomes the title, a field, terms, a relation or what records have anyway. */
final class TypeSheet {
    private static final Pattern ADDRESS =
            Pattern.compile("(?i)(slug|path|permalink|url path|web path|address of (the )?page|page address)");
    private static final Pattern SLUGS = Pattern.compile("/?[a-z0-9]+([-/][a-z0-9]+)*/?");
    private static final Pattern STATE =
            Pattern.compile("(?i)(status|state|published\\??|live\\??|publication status)");
    private static final Pattern WHEN = Pattern.compile(
            "(?i)(published|publish|publication) (on|at|date|from)|publish(ed)? date|publication date|go live( on)?");
    private static final Set<String> STATES = Set.of(
            "published",
            "draft",
            "scheduled",
            "retired",
            "live",
            "unpublished",
            "hidden",
            "archived",
            "online",
            "offline");

    private final Proposing making;
    private final SheetPlan plan;
    private final TypeDraft draft;
    private final MetFields met;
    private final LinkedColumns linked;
    private final RepeatedColumns repeated;

    TypeSheet(Proposing making, SheetPlan plan, Model existing) {
        this.making = making;
        this.plan = plan;
        this.draft = new TypeDraft(making, plan, existing);
        this.met = new MetFields(draft);
        this.linked = new LinkedColumns(draft);
        this.repeated = new RepeatedColumns(draft);
    }

    List<ProposedColumn> columns() {
        var columns = plan.facts.columns();
        columns.forEach(this::records);
        repeated.places();
        repeated.repeats();
        columns.stream().filter(draft::isOpen).forEach(this::field);
        if (draft.isNew && draft.done.values().stream().noneMatch(each -> each.use() == ColumnUse.TITLE)) {
            plan.notes.add(
                    "No column names the rows. Say which one is the title, or give each record its title when it comes in.");
        }
        making.put(draft.whole());
        return List.copyOf(draft.done.values());
    }

    /** What records have without a field, and what points at other sheets. */
    private void records(ColumnFacts column) {
        if (draft.chose(column, ColumnUse.SKIP)) {
            draft.put(ProposedColumn.skipped(column, "chosen"));
        } else if (plan.isTitle(column) && (draft.choseNothing(column) || draft.chose(column, ColumnUse.TITLE))) {
            draft.put(ProposedColumn.plain(
                    column, ColumnUse.TITLE, column.isUnique() ? "no two rows have the same" : "it names the rows"));
        } else if (draft.chose(column, ColumnUse.ADDRESS) || draft.choseNothing(column) && isAddress(column)) {
            draft.put(ProposedColumn.plain(
                    column, ColumnUse.ADDRESS, "it has the form of addresses; records have one without a field"));
        } else if (draft.chose(column, ColumnUse.STATE) || draft.choseNothing(column) && isState(column)) {
            draft.put(ProposedColumn.plain(
                    column, ColumnUse.STATE, "records know whether and when they are published, without a field"));
        } else if (column.filled() == 0 && column.header().isEmpty()) {
            draft.put(ProposedColumn.skipped(column, "it has neither a name nor values"));
        } else if (draft.choseNothing(column) || draft.chose(column, ColumnUse.PARENT)) {
            linked.linked(column);
        }
    }

    private static boolean isAddress(ColumnFacts column) {
        return ADDRESS.matcher(column.header()).matches()
                && column.common().stream()
                        .allMatch(each -> SLUGS.matcher(each.text()).matches());
    }

    private static boolean isState(ColumnFacts column) {
        boolean words = STATE.matcher(column.header()).matches()
                && column.said() > 0
                && column.common().stream().allMatch(each -> STATES.contains(Spellings.bare(each.text())));
        return words
                || WHEN.matcher(column.header()).matches()
                        && (column.all(Sign.DATE) || column.all(Sign.DATE_DAY_FIRST) || column.all(Sign.MOMENT));
    }

    private void field(ColumnFacts column) {
        var choice = draft.choice(column);
        var kind = draft.chose(column, ColumnUse.TERMS) && choice.kind() == null
                ? making.kinds.as(column, Kind.TermPick.PLAIN.code(), choice.many(), choice.joins())
                : making.kinds.as(column, choice.kind(), choice.many(), choice.joins());
        var before = draft.fieldOf(column, draft.label(column));
        if (before.isPresent()) {
            met.meets(column, before.get(), kind);
        } else if (kind.terms()) {
            var taxonomy =
                    (Taxonomy) making.definition(Definition.Sort.TAXONOMY, SheetNoun.singular(draft.label(column)));
            var filled = new SheetTerms(making.ids).with(taxonomy, kind);
            making.put(filled);
            linked.terms(column, filled, kind.separator(), kind.why(), kind.words());
        } else if (isTaxonomyOfTheType(column) && choice.kind() == null) {
            linked.terms(column, taxonomyOf(column).orElseThrow(), kind.separator(), kind.why(), kind.words());
        } else {
            var field = draft.fields.field(column, kind, choice);
            draft.add(
                    column,
                    choice.label() == null || choice.label().isBlank()
                            ? field
                            : field.withLabel(choice.label().strip()));
            draft.put(ProposedColumn.field(column, field, kind, ProposedColumn.State.NEW));
        }
    }

    private Optional<Taxonomy> taxonomyOf(ColumnFacts column) {
        return Existing.of(making.model(), Definition.Sort.TAXONOMY, SheetNoun.singular(draft.label(column)))
                .map(Taxonomy.class::cast)
                .filter(each -> draft.there.taxonomies().stream()
                        .anyMatch(use -> use.taxonomy().equals(each.id())));
    }

    private boolean isTaxonomyOfTheType(ColumnFacts column) {
        return taxonomyOf(column).isPresent();
    }
}
