package org.jontrel.site.importer;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.importer.CellProblem;
import org.jontrel.core.model.Kind;
import org.jontrel.site.importer.row.StagedRows;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** Takes back links to records that were to be made and were not, since somebody else took what they needed meanwhile. */
record Settling(Connection connection, Binding binding, long importId) {
    /** In place of whether a row's record is new: it was to be, and is not. */
    static final int UNMADE = 2;

    private static final int SETTLED = 3;
    private static final int TOGETHER = 500;

    /** Whether there may be more. */
    boolean some() throws SQLException {
        var unmade = Jdbc.query(
                connection,
                "SELECT record_id FROM jontrel_import_row WHERE import_id = ? AND fresh = " + UNMADE + " LIMIT "
                        + TOGETHER,
                row -> row.getLong(1),
                importId);
        if (unmade.isEmpty()) {
            return false;
        }
        for (var table : binding.tables().values()) {
            for (var place : table.fields().entrySet()) {
                var field = table.recordType().field(place.getKey());
                if (field.isPresent() && field.get().kind() instanceof Kind.Relation) {
                    release(table, PhysicalNames.quoted(place.getValue().name()), "target_id", "record_id", unmade);
                } else if (field.isPresent() && field.get().kind() instanceof Kind.TermPick) {
                    release(table, PhysicalNames.quoted(place.getValue().name()), "term_id", "record_id", unmade);
                }
            }
            release(table, PhysicalNames.quoted(table.name()), "parent_id", "id", unmade);
        }
        var parameters = new ArrayList<Object>(List.of(importId));
        parameters.addAll(Jdbc.padded(unmade));
        Jdbc.update(
                connection,
                "UPDATE jontrel_import_row SET fresh = " + SETTLED + " WHERE import_id = ? AND fresh = " + UNMADE
                        + " AND record_id IN (" + Jdbc.marks(parameters.size() - 1) + ")",
                parameters);
        return true;
    }

    /** Nobody else can lead to what never was. */
    private void release(Binding.BoundTables table, String name, String column, String holder, List<Long> unmade)
            throws SQLException {
        var padded = Jdbc.padded(unmade).toArray();
        var in = " IN (" + Jdbc.marks(padded.length) + ")";
        var holders = Jdbc.query(
                connection,
                "SELECT DISTINCT " + holder + " FROM " + name + " WHERE " + column + in,
                row -> row.getLong(1),
                padded);
        if (holders.isEmpty()) {
            return;
        }
        Jdbc.update(
                connection,
                column.equals("parent_id")
                        ? "UPDATE " + name
                                + " SET parent_id = 0, parent_type = '', slug = CONCAT(LEFT(slug, 160), '-', id)"
                                + " WHERE parent_id" + in
                        : "DELETE FROM " + name + " WHERE " + column + in,
                padded);
        Gate.saved(connection, table.recordType().id(), holders);
        tell(holders);
    }

    private record Holder(int sheet, int number) {}

    private void tell(List<Long> holders) throws SQLException {
        var parameters = new ArrayList<Object>(List.of(importId));
        parameters.addAll(Jdbc.padded(holders));
        var rows = Jdbc.query(
                connection,
                "SELECT sheet, number FROM jontrel_import_row WHERE import_id = ? AND record_id IN ("
                        + Jdbc.marks(parameters.size() - 1) + ") AND outcome IN ('new', 'changed')",
                row -> new Holder(row.getInt(1), row.getInt(2)),
                parameters.toArray());
        var bySheet = new LinkedHashMap<Integer, Map<Integer, List<CellProblem>>>();
        rows.forEach(row -> bySheet.computeIfAbsent(row.sheet(), _ -> new LinkedHashMap<>())
                .put(
                        row.number(),
                        List.of(new CellProblem(
                                CellProblem.ROW, "", Finding.of(Code.IMPORT_NAME_LOST, Place.NOWHERE)))));
        for (var each : bySheet.entrySet()) {
            new StagedRows(connection, importId).problems(each.getKey(), each.getValue());
        }
    }
}
