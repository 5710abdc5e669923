package org.jontrel.site.importer;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.CellProblem;
import org.jontrel.site.importer.chunk.Claims;
import org.jontrel.site.importer.chunk.ImportPlan;
import org.jontrel.site.importer.chunk.OwnedChunk;
import org.jontrel.site.importer.chunk.RecordChunk;
import org.jontrel.site.importer.chunk.RowFindings;
import org.jontrel.site.importer.name.ImportWork;
import org.jontrel.site.importer.row.RowOutcome;
import org.jontrel.site.importer.row.RowsOfRecords;
import org.jontrel.site.importer.row.StagedRow;
import org.jontrel.site.importer.row.StagedRows;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;

/** Tries the rows of one import, from the beginning. */
final class TrialRunner {
    static final String INDEX = "index";
    private static final int MOST_ROUNDS = 50;

    private final ImportSteps steps;
    private final ImportPlan plan;
    private final long id;

    TrialRunner(ImportSteps steps, ImportPlan plan, long id) {
        this.steps = steps;
        this.plan = plan;
        this.id = id;
    }

    /** Finds out what would become of each row; nothing but that is stored. */
    void tryOut() {
        steps.own((connection, _, mapper, _) -> {
            new StagedRows(connection, id).reset();
            mapper.total(id, 2 * rows(connection));
            return null;
        });
        index();
        plan.sheets().forEach(this::check);
        plan.sheets().stream()
                .filter(each -> !ImportRunner.owned(each))
                .forEach(sheet -> steps.own((connection, _, _, _) -> {
                    claims(connection, sheet);
                    new RowLevels(connection, plan, id).tell(sheet);
                    return null;
                }));
        cascade();
    }

    private long rows(Connection connection) throws SQLException {
        long rows = 0;
        for (var sheet : plan.sheets()) {
            rows += Jdbc.number(
                    connection,
                    "SELECT COUNT(*) FROM jontrel_import_row WHERE import_id = ? AND sheet = ?",
                    id,
                    sheet.index());
        }
        return rows;
    }

    private void index() {
        steps.own((connection, binding, _, work) -> {
            new IndexPass(connection, binding, work, plan).prepare();
            return null;
        });
        for (var sheet : plan.sheets()) {
            long[] at = {0};
            while (at[0] >= 0) {
                at[0] = steps.own((connection, binding, mapper, work) -> {
                    long reached = new IndexPass(connection, binding, work, plan).some(sheet, at[0]);
                    mapper.reached(id, sheet.index(), 0, reached, reached < 0 ? 0 : IndexPass.TOGETHER);
                    return reached;
                });
            }
            if (!ImportRunner.owned(sheet)) {
                steps.own((connection, _, _, _) -> {
                    new KeyTwins(connection, plan, id).tell(sheet);
                    return null;
                });
            }
        }
    }

    private void check(BoundSheet sheet) {
        long[] at = {0};
        while (at[0] >= 0) {
            at[0] = steps.own((connection, binding, mapper, work) -> {
                var rows = new StagedRows(connection, id);
                var some = ImportRunner.owned(sheet)
                        ? new RowsOfRecords(connection, id).after(sheet.index(), at[0], ImportRunner.OWNERS_TOGETHER)
                        : rows.after(sheet.index(), at[0], ImportRunner.together(plan, sheet));
                if (some.isEmpty()) {
                    return -1L;
                }
                checked(connection, binding, work, sheet, some, true);
                if (ImportRunner.owned(sheet)) {
                    new RowsOfRecords(connection, id)
                            .failRest(sheet.index(), some.getLast().record());
                }
                long reached = ImportRunner.owned(sheet)
                        ? some.getLast().record()
                        : some.getLast().number();
                mapper.reached(id, sheet.index(), 0, reached, some.size());
                return reached;
            });
        }
    }

    /** @param first whether all is stored that was found; else only what fails now */
    private long checked(
            Connection connection,
            Binding binding,
            ImportWork work,
            BoundSheet sheet,
            List<StagedRow> some,
            boolean first)
            throws SQLException {
        var rows = new StagedRows(connection, id);
        if (ImportRunner.owned(sheet)) {
            var chunk = new OwnedChunk(connection, binding, work, plan, sheet);
            chunk.work(some, false);
            return note(rows, sheet, some, chunk.outcomes, chunk.problems, chunk.leading, first);
        }
        var chunk = new RecordChunk(connection, binding, work, plan, sheet);
        chunk.work(some, false);
        if (first) {
            new Claims(connection, id).add(sheet, chunk.changes);
        }
        return note(rows, sheet, some, chunk.outcomes, chunk.problems, chunk.leading, first);
    }

    private static long note(
            StagedRows rows,
            BoundSheet sheet,
            List<StagedRow> some,
            Map<Integer, RowOutcome> outcomes,
            Map<Integer, List<CellProblem>> problems,
            Map<Integer, Long> leading,
            boolean first)
            throws SQLException {
        var told = new LinkedHashMap<>(outcomes);
        if (!first) {
            told.values().removeIf(outcome -> outcome != RowOutcome.FAILED);
        }
        rows.outcomes(sheet.index(), some, told);
        rows.problems(sheet.index(), problems);
        if (first) {
            rows.some(sheet.index(), leading.keySet(), "leads = 1");
            rows.above(sheet.index(), leading);
        }
        return told.size();
    }

    private void claims(Connection connection, BoundSheet sheet) throws SQLException {
        var rows = new StagedRows(connection, id);
        var met = new Claims(connection, id).met(sheet, new RowFindings(plan, sheet));
        rows.problems(sheet.index(), met);
        rows.some(sheet.index(), met.keySet(), "outcome = 'failed'");
    }

    /** Rows that lead to those that cannot be brought cannot be brought either, and so on. */
    private void cascade() {
        long failed = steps.own((connection, _, _, _) -> Jdbc.number(
                connection,
                "SELECT COUNT(*) FROM (SELECT 1 FROM jontrel_import_row WHERE import_id = ? AND outcome = 'failed' LIMIT 1) any",
                id));
        for (int round = 0; failed > 0 && round < MOST_ROUNDS; round++) {
            failed = 0;
            for (var sheet : plan.sheets()) {
                failed += again(sheet);
            }
        }
    }

    private long again(BoundSheet sheet) {
        long[] at = {0};
        long[] failed = {0};
        while (at[0] >= 0) {
            at[0] = steps.own((connection, binding, _, work) -> {
                var rows = new StagedRows(connection, id);
                var some = rows.leading(sheet.index(), at[0], ImportRunner.together(plan, sheet));
                if (some.isEmpty()) {
                    return -1L;
                }
                // of rows that belong to one record, all are looked at together
                var all = ImportRunner.owned(sheet)
                        ? new RowsOfRecords(connection, id)
                                .of(
                                        sheet.index(),
                                        some.stream()
                                                .map(StagedRow::record)
                                                .distinct()
                                                .toList())
                        : some;
                failed[0] += checked(connection, binding, work, sheet, all, false);
                return (long) some.getLast().number();
            });
        }
        return failed[0];
    }
}
