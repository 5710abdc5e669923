package org.jontrel.core.propose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jontrel.core.edit.NewDefinitions;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.propose.kind.ColumnKinds;
import org.jontrel.core.sheet.SheetLink;
import org.jontrel.core.sheet.WorkbookFacts;

/**
 * Makes a model for what sheets were seen to hold. Against a model that is there it proposes only what is new, and says what differs.
 * The same facts and choices give the same model, but for the ids of what is new.
 */
public final class Proposing {
    final Choices choices;
    final Ids ids;
    final ColumnKinds kinds;
    final List<SheetPlan> plans;
    private final String[] definitions;
    private Model model;

    private Proposing(WorkbookFacts facts, Choices choices, Model existing, Ids ids) {
        this.choices = choices;
        this.ids = ids;
        this.kinds = new ColumnKinds(ids);
        this.model = existing;
        this.plans = IntStream.range(0, facts.sheets().size())
                .mapToObj(each -> new SheetPlan(each, facts.sheets().get(each), choices))
                .toList();
        this.definitions = new String[plans.size()];
        SheetPlan.link(plans, facts.links(), choices);
        Roles.decide(plans, choices);
    }

    /** @param existing the model that the workbook's comes to; {@link Model#EMPTY} where there is none yet */
    public static ProposedModel of(WorkbookFacts facts, Choices choices, Model existing, Ids ids) {
        return new Proposing(facts, choices, existing, ids).propose(existing);
    }

    private ProposedModel propose(Model existing) {
        plans.forEach(this::begin);
        var sheets = new ArrayList<ProposedSheet>();
        // what is chosen from comes before what chooses, and records before their rows
        plans.stream()
                .sorted(Comparator.comparing(plan -> switch (plan.role) {
                    case TAXONOMY, LIST, VALUES -> 0;
                    case TYPE -> 1;
                    case RELATION, ROWS -> 2;
                    case SKIP -> 3;
                }))
                .forEach(plan -> sheets.add(sheet(plan, existing)));
        sheets.sort(Comparator.comparing(ProposedSheet::sheet));
        var changed = model.definitions().stream()
                .map(Definition.class::cast)
                .filter(each -> !existing.definition(each.id()).equals(Optional.of(each)))
                .toList();
        return new ProposedModel(sheets, changed);
    }

    /** Makes the definition that a sheet becomes, or finds it. */
    private void begin(SheetPlan plan) {
        var sort =
                switch (plan.role) {
                    case TYPE -> Definition.Sort.TYPE;
                    case TAXONOMY -> Definition.Sort.TAXONOMY;
                    case LIST -> Definition.Sort.LIST;
                    case VALUES -> Definition.Sort.VALUES;
                    case RELATION, ROWS, SKIP -> null;
                };
        if (sort != null) {
            definitions[plan.index] = definition(sort, plan.name()).id();
        }
    }

    Definition definition(Definition.Sort sort, String noun) {
        var there = Existing.of(model, sort, noun);
        if (there.isPresent()) {
            return there.get();
        }
        var made = new NewDefinitions(model, ids).definition(sort, noun, "");
        model = model.with(made);
        return made;
    }

    private ProposedSheet sheet(SheetPlan plan, Model existing) {
        var columns =
                switch (plan.role) {
                    case TYPE -> new TypeSheet(this, plan, existing).columns();
                    case TAXONOMY, LIST, VALUES -> new WordSheet(this, plan).columns();
                    case RELATION, ROWS -> new OwnedSheet(this, plan).columns();
                    case SKIP ->
                        plan.facts.columns().stream()
                                .map(each -> ProposedColumn.skipped(each, "its sheet is left out"))
                                .toList();
                };
        if (plan.facts.leftOut() > 0) {
            plan.notes.add("Only the first " + (plan.facts.columns().getLast().index() + 1) + " columns are looked at; "
                    + plan.facts.leftOut() + " more are left out.");
        }
        if (plan.facts.header() == 0 && plan.role != SheetRole.SKIP && plan.role != SheetRole.VALUES) {
            plan.notes.add("No row names the columns. Name them here, or in the file above the first row.");
        }
        if (plan.facts.above() > 0) {
            plan.notes.add(
                    plan.facts.above() == 1
                            ? "One row above the header is left out."
                            : plan.facts.above() + " rows above the header are left out.");
        }
        plan.facts.columns().stream()
                .filter(each -> each.errors() > 0)
                .forEach(each -> plan.notes.add(
                        "“" + each.title() + "” has " + each.errors() + (each.errors() == 1 ? " cell" : " cells")
                                + " with an error in place of a value, the first in row " + each.firstError()
                                + "; they count as empty."));
        var id = plan.role == SheetRole.RELATION || plan.role == SheetRole.ROWS
                ? owner(plan).map(this::definitionOf).orElse("")
                : definitionOf(plan.index);
        boolean there = !id.isEmpty() && existing.definition(id).isPresent();
        return new ProposedSheet(plan.index, plan.role, plan.name(), id, there, plan.why, columns, plan.notes);
    }

    /** The sheet of the records that the rows of another belong to. */
    Optional<Integer> owner(SheetPlan plan) {
        return plan.owner(plans).map(SheetLink::toSheet);
    }

    String definitionOf(int sheet) {
        return definitions[sheet] == null ? "" : definitions[sheet];
    }

    Model model() {
        return model;
    }

    void put(Definition definition) {
        model = model.with(definition);
    }
}
