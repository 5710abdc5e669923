package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Step;
import org.jontrel.core.value.Conversion;
import org.jontrel.core.value.RecordCheck;
import org.jontrel.site.record.RecordTable;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Cells;
import org.jontrel.site.table.Names;
import org.jontrel.site.table.Schema;

/** Steps over records, a bounded number of them within one transaction. */
final class Chunks {
    private final Model from;
    private final Model to;
    private final int size;

    Chunks(Model from, Model to, int size) {
        this.from = from;
        this.to = to;
        this.size = size;
    }

    /**
     * How far a chunk came.
     *
     * @param reached id of the last record looked at
     * @param rows records looked at; 0 where there were none left
     */
    record Progress(long reached, int rows) {}

    /** Which records: the next ones behind an id, or those saved lately. */
    sealed interface Which {
        record After(long id) implements Which {}

        /** Saved at most so many minutes before a run's step began; at a closed gate, so nobody saves any more. */
        record SavedSince(long runId, int seq, int minutesBefore) implements Which {}
    }

    Progress work(SqlSession session, Step step, Which which) throws SQLException {
        return switch (step) {
            case Step.CopyColumn copy -> copy(session.getConnection(), copy, which);
            case Step.CarryBack carry -> carry(session.getConnection(), carry, which);
            case Step.CheckRecords check when which instanceof Which.After(long id) -> check(session, check, id);
            default -> new Progress(0, 0);
        };
    }

    private Progress copy(Connection connection, Step.CopyColumn copy, Which which) throws SQLException {
        var table = table(connection, copy.holderId());
        var newer = Facts.field(to, copy.holderId(), copy.fieldId());
        var older = from.type(copy.holderId()).flatMap(type -> type.field(copy.fieldId()));
        var present = older.flatMap(_ -> Schema.columnOf(columns(connection, table), copy.fieldId()));
        var fill = Facts.Conversions.fill(newer, copy.fill());
        var conversion = new Conversion(older.orElse(newer), newer, fill);
        var rows = rows(connection, table, present.map(Names::quoted).orElse("NULL"), "NULL", which);
        var update = "UPDATE " + Names.quoted(table) + " SET " + Names.quoted(Names.next(copy.fieldId()))
                + " = ? WHERE id = ?";
        try (var statement = connection.prepareStatement(update)) {
            for (var row : rows) {
                var before = Cells.fromColumn(conversion.from().kind(), row.first());
                statement.setObject(1, Cells.toColumn(conversion.apply(before)));
                statement.setLong(2, row.id());
                statement.addBatch();
            }
            statement.executeBatch();
        }
        return progress(rows);
    }

    /** {@code from} is the model the site has, {@code to} the older one it goes back to. */
    private Progress carry(Connection connection, Step.CarryBack carry, Which which) throws SQLException {
        var table = table(connection, carry.holderId());
        var held = Names.held(carry.held());
        var columns = columns(connection, table);
        var present = Schema.columnOf(columns, carry.fieldId());
        if (present.isEmpty() || !columns.containsKey(held)) {
            return new Progress(0, 0);
        }
        Field older = Facts.field(to, carry.holderId(), carry.fieldId());
        Field newer = Facts.field(from, carry.holderId(), carry.fieldId());
        var conversion = new Conversion(older, newer, Facts.Conversions.fill(newer, carry.fill()));
        var rows = rows(connection, table, Names.quoted(held), Names.quoted(present.get()), which);
        var update = "UPDATE " + Names.quoted(table) + " SET " + Names.quoted(held) + " = ? WHERE id = ?";
        try (var statement = connection.prepareStatement(update)) {
            for (var row : rows) {
                var before = Cells.fromColumn(older.kind(), row.first());
                var now = Cells.fromColumn(newer.kind(), row.second());
                if (conversion.untouched(before, now)
                        || (now != null && !conversion.back().takes(now))) {
                    continue;
                }
                statement.setObject(1, Cells.toColumn(conversion.back().apply(now)));
                statement.setLong(2, row.id());
                statement.addBatch();
            }
            statement.executeBatch();
        }
        return progress(rows);
    }

    private Progress check(SqlSession session, Step.CheckRecords check, long afterId) throws SQLException {
        var connection = session.getConnection();
        var type = to.type(check.holderId());
        if (type.isEmpty()) {
            return new Progress(0, 0);
        }
        var name = table(connection, check.holderId());
        var columns = columns(connection, name);
        var byField = new java.util.HashMap<String, String>();
        type.get()
                .allFields()
                .forEach(field -> Schema.columnOf(columns, field.id()).ifPresent(c -> byField.put(field.id(), c)));
        var table = new RecordTable(type.get(), new Binding.Table(name, byField));
        var records = table.after(session, afterId, size);
        var update = "UPDATE " + Names.quoted(name) + " SET complete = ? WHERE id = ? AND version = ?";
        try (var statement = connection.prepareStatement(update)) {
            for (var record : records) {
                boolean complete = RecordCheck.complete(type.get(), record.values());
                if (complete != record.complete()) {
                    statement.setBoolean(1, complete);
                    statement.setLong(2, record.id());
                    statement.setInt(3, record.version());
                    statement.addBatch();
                }
            }
            statement.executeBatch();
        }
        return records.isEmpty()
                ? new Progress(afterId, 0)
                : new Progress(records.getLast().id(), records.size());
    }

    private record Row(long id, Object first, Object second) {}

    private List<Row> rows(Connection connection, String table, String first, String second, Which which)
            throws SQLException {
        var select = "SELECT id, " + first + ", " + second + " FROM " + Names.quoted(table);
        var sql =
                switch (which) {
                    case Which.After _ -> select + " WHERE id > ? ORDER BY id LIMIT " + size;
                    case Which.SavedSince since ->
                        select
                                + " WHERE updated_at >= (SELECT started_at FROM jontrel_step WHERE run_id = ? AND seq = ?)"
                                + " - INTERVAL " + since.minutesBefore() + " MINUTE";
                };
        var rows = new ArrayList<Row>();
        try (var statement = connection.prepareStatement(sql)) {
            switch (which) {
                case Which.After(long id) -> statement.setLong(1, id);
                case Which.SavedSince since -> {
                    statement.setLong(1, since.runId());
                    statement.setInt(2, since.seq());
                }
            }
            try (var found = statement.executeQuery()) {
                while (found.next()) {
                    rows.add(new Row(found.getLong(1), found.getObject(2), found.getObject(3)));
                }
            }
        }
        return rows;
    }

    private static Progress progress(List<Row> rows) {
        return rows.isEmpty() ? new Progress(0, 0) : new Progress(rows.getLast().id(), rows.size());
    }

    private static String table(Connection connection, String holderId) throws SQLException {
        return Schema.tableOf(connection, holderId).orElseThrow();
    }

    private static java.util.Map<String, String> columns(Connection connection, String table) {
        try {
            return Schema.columns(connection, table);
        } catch (SQLException e) {
            throw new org.jontrel.site.table.DatabaseException(e);
        }
    }
}
