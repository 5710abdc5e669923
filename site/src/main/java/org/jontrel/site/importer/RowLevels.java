package org.jontrel.site.importer;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.CellProblem;
import org.jontrel.core.importer.CellReader;
import org.jontrel.core.importer.ColumnMapping;
import org.jontrel.site.importer.chunk.ImportPlan;
import org.jontrel.site.importer.chunk.RowFindings;
import org.jontrel.site.importer.row.StagedRows;
import org.jontrel.site.table.Jdbc;

/** Which rows of one import stand under which, so that none comes before what it stands under. */
record RowLevels(Connection connection, ImportPlan plan, long importId) {
    private static final int DEEPEST = 200;

    /** How deep each row stands under others; those that stand under themselves cannot be brought. */
    void tell(BoundSheet sheet) throws SQLException {
        var parent = sheet.column(ColumnMapping.Goal.PARENT);
        if (parent.isEmpty()
                || !parent.get().targets().contains(sheet.recordType().id())) {
            return;
        }
        Jdbc.update(
                connection,
                "UPDATE jontrel_import_row SET level = -1 WHERE import_id = ? AND sheet = ? AND above <> 0",
                importId,
                sheet.index());
        var next =
                "UPDATE jontrel_import_row r JOIN jontrel_import_row p ON p.import_id = r.import_id AND p.record_id = r.above"
                        + " AND p.level = ? SET r.level = ? WHERE r.import_id = ? AND r.sheet = ? AND r.level = -1";
        int level = 0;
        while (level < DEEPEST && Jdbc.update(connection, next, level, level + 1, importId, sheet.index()) > 0) {
            level++;
        }
        var rows = new StagedRows(connection, importId);
        var findings = new RowFindings(plan, sheet);
        var problems = new LinkedHashMap<Integer, List<CellProblem>>();
        for (var row : rows.unplaced(sheet.index())) {
            var text = CellReader.text(parent.get(), row.cells());
            problems.put(
                    row.number(), List.of(findings.of(parent.get().index(), text, Code.IMPORT_PARENT_CIRCLE, text)));
        }
        rows.problems(sheet.index(), problems);
        rows.some(sheet.index(), problems.keySet(), "outcome = 'failed'");
    }
}
