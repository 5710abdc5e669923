package org.jontrel.site.importer;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.CellProblem;
import org.jontrel.site.importer.chunk.ImportPlan;
import org.jontrel.site.importer.chunk.RowFindings;
import org.jontrel.site.importer.name.SiteNames;
import org.jontrel.site.importer.row.StagedRows;
import org.jontrel.site.table.Jdbc;

/** Rows of one import that would be the same record. */
record KeyTwins(Connection connection, ImportPlan plan, long importId) {
    private record Twice(int sheet, int number, String text, long first, long last) {}

    /** Rows of the same type that have the same key. */
    void tell(BoundSheet sheet) throws SQLException {
        if (sheet.keyBy().isEmpty()) {
            return;
        }
        var what = SiteNames.what(sheet.recordType().id(), sheet.keyBy().get());
        var place = "(CAST(sheet AS UNSIGNED) << 32 | number)";
        var findings = new RowFindings(plan, sheet);
        long after = 0;
        while (true) {
            var some = Jdbc.query(
                    connection,
                    "SELECT n.sheet, n.number, n.text, m.first, m.last FROM jontrel_import_name n JOIN (SELECT text, MIN("
                            + place + ") AS first, MAX(" + place
                            + ") AS last FROM jontrel_import_name WHERE import_id = ?"
                            + " AND by_what = ? GROUP BY text HAVING COUNT(*) > 1) m ON m.text = n.text WHERE n.import_id ="
                            + " ? AND n.by_what = ? AND n.sheet = ? AND n.number > ? ORDER BY n.number LIMIT 5000",
                    row -> new Twice(row.getInt(1), row.getInt(2), row.getString(3), row.getLong(4), row.getLong(5)),
                    importId,
                    what,
                    importId,
                    what,
                    sheet.index(),
                    after);
            if (some.isEmpty()) {
                return;
            }
            var problems = new LinkedHashMap<Integer, List<CellProblem>>();
            for (var each : some) {
                long own = ((long) each.sheet() << 32) | each.number();
                int other = (int) (own == each.first() ? each.last() : each.first());
                problems.put(
                        each.number(),
                        List.of(findings.of(
                                sheet.key().orElseThrow().index(),
                                each.text(),
                                Code.IMPORT_KEY_TWICE,
                                each.text(),
                                other)));
            }
            new StagedRows(connection, importId).problems(sheet.index(), problems);
            new StagedRows(connection, importId).some(sheet.index(), problems.keySet(), "outcome = 'failed'");
            after = some.getLast().number();
        }
    }
}
