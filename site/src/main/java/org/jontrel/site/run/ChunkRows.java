package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.ColumnUpdate;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;
import org.jontrel.site.table.SureValues;

/** The rows of the table that holds a field's column: of records by their id, of rows and values by their record. */
final class ChunkRows {
    private final int size;
    private final Connection connection;
    private final String name;
    private final String main;
    private final Map<String, String> columns;
    private final List<String> key;
    private final boolean own;
    private final String record;
    /** By the id behind which to look. */
    private final Map<Long, Optional<Long>> last = new HashMap<>();

    /** @param size how many records are taken at once */
    ChunkRows(Connection connection, RecordType recordType, String fieldId, int size) throws SQLException {
        this.size = size;
        this.connection = connection;
        var tableId = SiteFacts.tableId(recordType, fieldId);
        own = tableId.isEmpty();
        record = own ? "id" : "record_id";
        name = Schema.tableOf(connection, recordType.id(), tableId).orElseThrow();
        main = PhysicalNames.quoted(
                Schema.tableOf(connection, recordType.id(), "").orElseThrow());
        columns = Schema.columns(connection, name);
        key = own
                ? List.of("id")
                : columns.containsKey("id") ? List.of("record_id", "id") : List.of("record_id", "row_id", "position");
    }

    Map<String, String> columns() {
        return columns;
    }

    /** Converts those of the next records' values that need no look; how many there were. */
    long convertSure(String goal, String column, String condition, long after) throws SQLException {
        var last = last(after);
        if (last.isEmpty()) {
            return 0;
        }
        var sql = "UPDATE " + PhysicalNames.quoted(name) + " SET " + PhysicalNames.quoted(goal) + " = "
                + SureValues.converted(column) + " WHERE " + record + " > ? AND " + record + " <= ? AND "
                + condition;
        return Jdbc.update(connection, sql, after, last.get());
    }

    /** @param doubtful a further condition on the next ones; empty for none */
    List<ChunkRow> rows(
            String first, Kind firstKind, String second, Kind secondKind, RecordSteps.Which which, String doubtful)
            throws SQLException {
        var select = "SELECT " + String.join(", ", key) + ", " + first + ", " + second + " FROM "
                + PhysicalNames.quoted(name) + " WHERE ";
        var sql =
                switch (which) {
                    case RecordSteps.Which.After _ ->
                        select + record + " > ? AND " + record + " <= ?" + doubtful + " ORDER BY " + record;
                    case RecordSteps.Which.Those(List<Long> ids) ->
                        select + record + " IN (" + String.join(", ", Collections.nCopies(ids.size(), "?")) + ")";
                };
        var parameters =
                switch (which) {
                    case RecordSteps.Which.After(long id) -> List.of(id, last(id).orElse(id));
                    case RecordSteps.Which.Those(List<Long> ids) -> ids;
                };
        return Jdbc.query(
                connection,
                sql,
                row -> {
                    var named = new ArrayList<Object>();
                    for (int i = 1; i <= key.size(); i++) {
                        named.add(row.getLong(i));
                    }
                    return new ChunkRow(
                            named,
                            ColumnValues.read(row, key.size() + 1, firstKind),
                            ColumnValues.read(row, key.size() + 2, secondKind));
                },
                parameters.toArray());
    }

    /** The last of the next records that have rows; empty where there are none. */
    private Optional<Long> last(long after) throws SQLException {
        if (last.containsKey(after)) {
            return last.get(after);
        }
        var sql = "SELECT MAX(r) FROM (SELECT DISTINCT " + record + " AS r FROM " + PhysicalNames.quoted(name)
                + " WHERE " + record + " > ? ORDER BY " + record + " LIMIT " + size + ") AS some";
        // ids are greater than 0, and there is none where the query gives nothing
        long reached = Jdbc.number(connection, sql, after);
        last.put(after, reached == 0 ? Optional.empty() : Optional.of(reached));
        return last.get(after);
    }

    /** Values on their way into a column of these rows. */
    ColumnUpdate update(String column, Kind kind) {
        return new ColumnUpdate(name, column, key, kind);
    }

    /** @param sure values that were converted beside these rows */
    RecordSteps.Progress progress(RecordSteps.Which which, List<ChunkRow> rows, long sure) throws SQLException {
        int done = rows.size() + (int) sure;
        return switch (which) {
            case RecordSteps.Which.After(long id) -> new RecordSteps.Progress(last(id).orElse(id), done);
            case RecordSteps.Which.Those _ -> new RecordSteps.Progress(0, done);
        };
    }

    /**
     * A row of a table.
     *
     * @param key values of the columns that name it, that of the record first
     */
    record ChunkRow(List<Object> key, Object first, Object second) {
        long record() {
            return (Long) key.getFirst();
        }
    }
}
