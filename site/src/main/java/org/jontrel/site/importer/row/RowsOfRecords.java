package org.jontrel.site.importer.row;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Collection;
import java.util.List;
import org.jontrel.core.record.FormCheck;
import org.jontrel.site.table.Jdbc;

/** The rows of one import that belong to records: all those of one record together. */
public record RowsOfRecords(Connection connection, long id) {
    private record OwnerRows(long owner, long rows) {}

    /** All rows that belong to some records, those behind a number; of one that has too many, the first of them. */
    public List<StagedRow> after(int sheet, long record, int most) throws SQLException {
        var owners = Jdbc.query(
                connection,
                "SELECT record_id, COUNT(*) FROM jontrel_import_row WHERE import_id = ? AND sheet = ? AND record_id > ? GROUP BY"
                        + " record_id ORDER BY record_id LIMIT " + most,
                row -> new OwnerRows(row.getLong(1), row.getLong(2)),
                id,
                sheet,
                record);
        if (owners.isEmpty()) {
            return List.of();
        }
        long rows = owners.getFirst().rows();
        int taken = 1;
        while (taken < owners.size() && rows + owners.get(taken).rows() <= FormCheck.MOST) {
            rows += owners.get(taken++).rows();
        }
        return Jdbc.query(
                connection,
                StagedRows.ROW + " AND sheet = ? AND record_id BETWEEN ? AND ? ORDER BY record_id, number LIMIT "
                        + (FormCheck.MOST + 1),
                StagedRows::row,
                id,
                sheet,
                owners.getFirst().owner(),
                owners.get(taken - 1).owner());
    }

    /** The rows of a record that has too many fail with the first of them. */
    public void failRest(int sheet, long record) throws SQLException {
        Jdbc.update(
                connection,
                "UPDATE jontrel_import_row SET outcome = 'failed' WHERE import_id = ? AND sheet = ? AND record_id = ? AND outcome IS"
                        + " NULL",
                id,
                sheet,
                record);
    }

    /** All rows that belong to these records. */
    public List<StagedRow> of(int sheet, Collection<Long> records) throws SQLException {
        return new StagedRows(connection, id).having(sheet, "record_id", records, "record_id, number");
    }
}
