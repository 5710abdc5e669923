package org.jontrel.core.importer;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.propose.Choices;
import org.jontrel.core.propose.ProposedModel;
import org.jontrel.core.propose.ProposedSheet;
import org.jontrel.core.propose.Proposing;
import org.jontrel.core.propose.SheetRole;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.sheet.SheetFacts;
import org.jontrel.core.sheet.WorkbookFacts;

/** Where the rows of a workbook would go in a model that is installed, by the names of sheets and columns and by what they hold. */
public final class MappingProposal {
    private final WorkbookFacts facts;
    private final Model model;
    private final ProposedModel proposed;

    private MappingProposal(WorkbookFacts facts, Model model, Ids ids) {
        this.facts = facts;
        this.model = model;
        this.proposed = Proposing.of(facts, Choices.NONE, model, ids);
    }

    public static ImportMapping of(WorkbookFacts facts, Model model, Ids ids) {
        var proposal = new MappingProposal(facts, model, ids);
        return new ImportMapping(IntStream.range(0, facts.sheets().size())
                .mapToObj(proposal::sheet)
                .toList());
    }

    /** The mapping of one sheet, where somebody has said what its rows are. */
    public static SheetMapping of(
            WorkbookFacts facts, int sheet, SheetMapping.SheetUse use, RecordType to, Model model, Ids ids) {
        var proposal = new MappingProposal(facts, model, ids);
        return switch (use) {
            case SKIP -> SheetMapping.skipped(facts.sheets().get(sheet).name());
            case RECORDS -> proposal.records(sheet, to);
            case ROWS -> proposal.rows(sheet, to);
        };
    }

    private SheetMapping sheet(int sheet) {
        var seen = facts.sheets().get(sheet);
        var role = proposed.sheets().get(sheet);
        if (seen.rows() == 0) {
            return SheetMapping.skipped(seen.name());
        }
        var called = types().filter(each -> isCalled(seen, each)).findFirst();
        if (called.isPresent()) {
            return records(sheet, called.get());
        }
        var owner = rowsOf(seen)
                .or(() -> role.role() == SheetRole.ROWS || role.role() == SheetRole.RELATION
                        ? owner(sheet)
                        : Optional.empty());
        return owner.map(each -> rows(sheet, each))
                .filter(each -> each.use() != SheetMapping.SheetUse.SKIP)
                .or(() -> type(seen, role).map(to -> records(sheet, to)))
                .orElseGet(() -> SheetMapping.skipped(seen.name()));
    }

    private Stream<RecordType> types() {
        return RecordType.all(model).stream().filter(each -> !each.single());
    }

    private static boolean isCalled(SheetFacts seen, RecordType type) {
        var name = Spellings.bare(seen.name());
        return Stream.of(type.key(), type.singular(), type.plural())
                .anyMatch(each -> Spellings.bare(each).equals(name));
    }

    /** The type that has rows of the name of the sheet. */
    private Optional<RecordType> rowsOf(SheetFacts seen) {
        var name = Spellings.bare(seen.name());
        return types().filter(each -> each.fields()
                        .filter(field -> field.kind() instanceof Kind.Repeater)
                        .anyMatch(field -> Spellings.bare(field.label()).equals(name)
                                || Spellings.bare(field.key()).equals(name)))
                .findFirst();
    }

    /** The type that the sheet becomes; else the one that has most of its columns. */
    private Optional<RecordType> type(SheetFacts seen, ProposedSheet role) {
        if (role.there()) {
            var called = BoundSheet.recordType(model, role.definition());
            if (called.isPresent()) {
                return called;
            }
        }
        return types().max(Comparator.comparing((RecordType each) -> met(seen, each)))
                .filter(each -> met(seen, each) * 2 >= seen.columns().size() && met(seen, each) >= 2);
    }

    private static long met(SheetFacts seen, RecordType type) {
        return ColumnProposals.found(seen, type);
    }

    /** The type of the sheet that names the records which the rows belong to. */
    private Optional<RecordType> owner(int sheet) {
        return facts.links().stream()
                .filter(link -> link.sheet() == sheet && link.toSheet() != sheet)
                .filter(link -> proposed.sheets().get(link.toSheet()).role() == SheetRole.TYPE)
                .min(Comparator.comparing(link -> link.column()))
                .flatMap(link -> type(
                        facts.sheets().get(link.toSheet()), proposed.sheets().get(link.toSheet())));
    }

    private SheetMapping records(int sheet, RecordType to) {
        var seen = facts.sheets().get(sheet);
        var columns = new ColumnProposals(facts, sheet, proposed.sheets().get(sheet), model).of(to);
        var exported = columns.stream()
                .filter(each -> each.goal() == ColumnMapping.Goal.NUMBER)
                .findFirst();
        var state = to.definition().sort() == Definition.Sort.TAXONOMY ? RecordState.PUBLISHED : RecordState.DRAFT;
        return new SheetMapping(
                seen.name(),
                SheetMapping.SheetUse.RECORDS,
                to.id(),
                exported.map(ColumnMapping::column).orElseGet(() -> ColumnProposals.key(seen, to, columns)),
                SheetMapping.Mode.ALL,
                state,
                exported.isPresent(),
                columns);
    }

    private SheetMapping rows(int sheet, RecordType owner) {
        var seen = facts.sheets().get(sheet);
        var columns = new ArrayList<>(
                new ColumnProposals(facts, sheet, proposed.sheets().get(sheet), model).rows(owner));
        boolean any = columns.stream().anyMatch(each -> each.goal() == ColumnMapping.Goal.FIELD);
        return any
                ? new SheetMapping(
                        seen.name(),
                        SheetMapping.SheetUse.ROWS,
                        owner.id(),
                        "",
                        SheetMapping.Mode.ALL,
                        RecordState.DRAFT,
                        false,
                        List.copyOf(columns))
                : SheetMapping.skipped(seen.name());
    }
}
