package org.jontrel.site.importer;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.SheetMapping;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.site.importer.chunk.ImportPlan;
import org.jontrel.site.importer.chunk.OwnedChunk;
import org.jontrel.site.importer.chunk.RecordChunk;
import org.jontrel.site.importer.name.ImportWork;
import org.jontrel.site.importer.row.RowsOfRecords;
import org.jontrel.site.importer.row.StagedRow;
import org.jontrel.site.importer.row.StagedRows;
import org.jontrel.site.table.Binding;

/** Brings the rows of one import, from wherever it was left. */
final class ImportRunner {
    static final String WRITE = "write";
    static final String SETTLE = "settle";
    private static final int MOST_TOGETHER = 500;
    static final int OWNERS_TOGETHER = 200;
    private static final long LETTERS_TOGETHER = 8_000_000;

    private final ImportSteps steps;
    private final ImportPlan plan;
    private final long id;

    ImportRunner(ImportSteps steps, ImportPlan plan, long id) {
        this.steps = steps;
        this.plan = plan;
        this.id = id;
    }

    /** Bounded by what a row of the sheet can hold. */
    static int together(ImportPlan plan, BoundSheet sheet) {
        long longest = plan.facts().sheets().get(sheet.index()).columns().stream()
                .mapToLong(ColumnFacts::longest)
                .sum();
        return Math.clamp(LETTERS_TOGETHER / Math.max(1, longest), 1, MOST_TOGETHER);
    }

    static boolean owned(BoundSheet sheet) {
        return sheet.mapping().use() == SheetMapping.SheetUse.ROWS;
    }

    /** Brings the rows that can be brought, from where it was left. */
    void bring(ImportMapper.ImportRow from) {
        boolean settling = from.phase().equals(SETTLE);
        int first = 0;
        if (!settling) {
            for (int i = 0; i < plan.sheets().size(); i++) {
                if (plan.sheets().get(i).index() == from.sheet() && from.reached() != 0) {
                    first = i;
                }
            }
            for (int i = first; i < plan.sheets().size(); i++) {
                boolean goesOn = i == first && from.reached() != 0;
                bring(plan.sheets().get(i), goesOn ? from.level() : 0, goesOn ? from.reached() : 0);
            }
            steps.own((_, _, mapper, _) -> {
                mapper.phase(id, SETTLE);
                return null;
            });
        }
        settle();
    }

    private record ReachedRow(int level, long number) {}

    private void bring(BoundSheet sheet, int level, long reached) {
        var at = new ReachedRow(level, reached);
        while (at != null) {
            var from = at;
            at = steps.writing((connection, binding, mapper, work) -> {
                var rows = new StagedRows(connection, id);
                var some = owned(sheet)
                        ? new RowsOfRecords(connection, id).after(sheet.index(), from.number(), OWNERS_TOGETHER)
                        : rows.placed(sheet.index(), from.level(), from.number(), together(plan, sheet));
                if (some.isEmpty()) {
                    return null;
                }
                brought(connection, binding, work, sheet, some);
                var last = some.getLast();
                var next =
                        owned(sheet) ? new ReachedRow(0, last.record()) : new ReachedRow(last.level(), last.number());
                mapper.reached(id, sheet.index(), next.level(), next.number(), some.size());
                return next;
            });
        }
    }

    private void brought(
            Connection connection, Binding binding, ImportWork work, BoundSheet sheet, List<StagedRow> some)
            throws SQLException {
        var rows = new StagedRows(connection, id);
        if (owned(sheet)) {
            var chunk = new OwnedChunk(connection, binding, work, plan, sheet);
            chunk.work(some, true);
            rows.outcomes(sheet.index(), some, chunk.outcomes);
            rows.problems(sheet.index(), chunk.problems);
            return;
        }
        var chunk = new RecordChunk(connection, binding, work, plan, sheet);
        chunk.work(some, true);
        rows.outcomes(sheet.index(), some, chunk.outcomes);
        rows.problems(sheet.index(), chunk.problems);
        rows.some(sheet.index(), chunk.unmade(some), "fresh = " + Settling.UNMADE);
    }

    private void settle() {
        boolean more = true;
        while (more) {
            more = steps.writing((connection, binding, _, _) -> new Settling(connection, binding, id).some());
        }
    }
}
