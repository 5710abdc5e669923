package org.jontrel.site.importer.chunk;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.importer.BoundColumn;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.CellProblem;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Leaves;
import org.jontrel.core.value.Link;
import org.jontrel.site.importer.name.ImportJournal;
import org.jontrel.site.importer.name.SiteNames;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.table.Jdbc;

/** What only one record may have, as rows of one import would get it, so that a trial tells those that meet. */
public record Claims(Connection connection, long importId) {
    private static final String INSERT = "INSERT INTO jontrel_import_name (import_id, by_what, text, sheet, number)";

    private static boolean exclusive(Field field) {
        return field.kind() instanceof Kind.Text text && text.unique()
                || field.kind() instanceof Kind.Relation relation
                        && relation.inverse() != null
                        && !relation.inverse().many();
    }

    private static boolean any(RecordType type) {
        return type.byId().values().stream().anyMatch(Claims::exclusive);
    }

    public void add(BoundSheet sheet, Map<Integer, ImportJournal.BroughtRecord> changes) throws SQLException {
        var type = sheet.recordType();
        if (!any(type)) {
            return;
        }
        var claims = new ArrayList<List<Object>>();
        changes.forEach((number, change) -> claims(type, change.after())
                .forEach((field, texts) -> texts.forEach(
                        text -> claims.add(List.of(importId, what(field), text, sheet.index(), number)))));
        Jdbc.insertAll(connection, INSERT, "", claims);
    }

    private static String what(String field) {
        return "claim " + field;
    }

    private static Map<String, List<String>> claims(RecordType type, StoredRecord record) {
        var claims = new LinkedHashMap<String, List<String>>();
        Leaves.of(type.fields().toList(), record.values(), (field, value) -> {
            if (exclusive(field)) {
                var text = value instanceof Link(String _, long id) ? String.valueOf(id) : String.valueOf(value);
                claims.computeIfAbsent(field.id(), _ -> new ArrayList<>()).add(SiteNames.folded(type, "title", text));
            }
        });
        return claims;
    }

    private record Claimed(int number, String text, int first) {}

    /** Those that come behind another with the same; the first one has it. */
    public Map<Integer, List<CellProblem>> met(BoundSheet sheet, RowFindings findings) throws SQLException {
        var problems = new LinkedHashMap<Integer, List<CellProblem>>();
        for (var field : sheet.recordType().byId().values().stream()
                .filter(Claims::exclusive)
                .toList()) {
            var what = what(field.id());
            var met = Jdbc.query(
                    connection,
                    "SELECT n.number, n.text, m.first FROM jontrel_import_name n JOIN (SELECT text, MIN(number) AS first FROM"
                            + " jontrel_import_name WHERE import_id = ? AND by_what = ? AND sheet = ? GROUP BY text HAVING"
                            + " COUNT(*) > 1) m ON m.text = n.text WHERE n.import_id = ? AND n.by_what = ? AND n.sheet = ?"
                            + " AND n.number > m.first LIMIT 10000",
                    row -> new Claimed(row.getInt(1), row.getString(2), row.getInt(3)),
                    importId,
                    what,
                    sheet.index(),
                    importId,
                    what,
                    sheet.index());
            int column = sheet.columns().stream()
                    .filter(each -> each.fields().contains(field))
                    .map(BoundColumn::index)
                    .findFirst()
                    .orElse(CellProblem.ROW);
            met.forEach(each -> problems.put(
                    each.number(),
                    List.of(findings.of(column, each.text(), Code.IMPORT_CLAIMED, each.text(), each.first()))));
        }
        return problems;
    }
}
