package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Step;
import org.jontrel.core.record.Conversion;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.SearchWords;
import org.jontrel.site.record.read.SiteSurroundings;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.RowsOfValues;
import org.jontrel.site.table.Schema;
import org.jontrel.site.table.SureValues;

/** Steps over records, a bounded number of them within one transaction. */
final class RecordSteps {
    private final Model from;
    private final Model to;
    private final int size;
    private final Bindings bindings;
    private final Optional<Long> since;
    private final Map<String, Optional<Field>> heldFields = new HashMap<>();

    private final long runId;

    /** @param since the generation of definitions that the run brought which is undone; empty where nobody knows */
    RecordSteps(long runId, Model from, Model to, int size, Bindings bindings, Optional<Long> since) {
        this.runId = runId;
        this.since = since;
        this.from = from;
        this.to = to;
        this.size = size;
        this.bindings = bindings;
    }

    /**
     * How far a chunk came.
     *
     * @param reached id of the last record looked at
     * @param rows rows looked at; 0 where there were no records left
     */
    record Progress(long reached, int rows) {}

    /** Which records: the next ones behind an id, or some that were saved meanwhile. */
    sealed interface Which {
        record After(long id) implements Which {}

        /** Those with these ids. */
        record Those(List<Long> ids) implements Which {}
    }

    Progress work(SqlSession session, Step step, Which which) throws SQLException {
        return switch (step) {
            case Step.CopyColumn copy -> copy(session, copy, which);
            case Step.CarryBack carry -> carry(session.getConnection(), ReturnCarry.back(from, to, carry), which);
            case Step.CarryForth carry -> carry(session.getConnection(), ReturnCarry.forth(from, to, carry), which);
            case Step.RenewWords words when which instanceof Which.After(long id) -> renew(session, words, id);
            case Step.CheckRecords check when which instanceof Which.After(long id) -> check(session, check, id);
            default -> new Progress(0, 0);
        };
    }

    private Progress copy(SqlSession session, Step.CopyColumn copy, Which which) throws SQLException {
        var connection = session.getConnection();
        var table = new ChunkRows(connection, SiteFacts.recordType(to, copy.recordTypeId()), copy.fieldId());
        var newer = SiteFacts.field(to, copy.recordTypeId(), copy.fieldId());
        var older = (copy.held().isEmpty()
                        ? from.definition(copy.recordTypeId())
                                .flatMap(each -> RecordType.of(from, each))
                                .flatMap(each -> each.field(copy.fieldId()))
                        : held(connection, copy.held()))
                .filter(each -> FieldStorage.of(each.kind()) != FieldStorage.NOT);
        var fill = SiteFacts.Conversions.fill(newer, copy.fill());
        var conversion = new Conversion(older.orElse(newer), newer, fill, copy.corrections());
        var present = older.flatMap(_ -> copy.held().isEmpty()
                ? Schema.columnOf(table.columns, copy.fieldId())
                : Optional.of(PhysicalNames.held(copy.held())).filter(table.columns::containsKey));
        var kind = conversion.from().kind();
        var value = present.map(PhysicalNames::quoted);
        long sure = 0;
        var doubtful = "";
        var condition = value.flatMap(column -> SureValues.condition(column, conversion));
        if (condition.isPresent() && which instanceof Which.After(long id)) {
            sure = table.convertSure(PhysicalNames.next(copy.fieldId()), value.get(), condition.get(), id);
            doubtful = " AND " + condition.get() + " IS NOT TRUE";
        }
        var rows = table.rows(value.orElse("NULL"), kind, "NULL", kind, which, doubtful);
        var update = table.update(PhysicalNames.next(copy.fieldId()), newer.kind());
        if (which instanceof Which.Those && copy.held().isEmpty()) {
            note(session.getMapper(JournalMapper.class), copy, rows, conversion);
        }
        for (var row : rows) {
            update.set(ColumnValues.toColumn(conversion.apply(row.first())), row);
        }
        update.execute();
        return table.progress(which, rows, sure);
    }

    /** The field whose values are held under a name, as it was then. */
    private Optional<Field> held(Connection connection, String name) throws SQLException {
        if (!heldFields.containsKey(name)) {
            heldFields.put(name, HeldPlace.find(connection, name).flatMap(HeldPlace::field));
        }
        return heldFields.get(name);
    }

    /** Nobody was asked about what was saved meanwhile and cannot be taken over: the report tells it. */
    private void note(JournalMapper journal, Step.CopyColumn copy, List<ChunkRow> rows, Conversion conversion) {
        var records = rows.stream().map(ChunkRow::record).collect(Collectors.toSet());
        records.forEach(record -> journal.takenOver(runId, copy.recordTypeId(), copy.fieldId(), record));
        rows.stream()
                .filter(row -> row.first() != null && !conversion.takes(row.first()))
                .forEach(row -> journal.setAside(runId, copy.recordTypeId(), copy.fieldId(), row.record()));
    }

    /** What was saved while the run was under way and set aside, in sentences. */
    List<String> setAside(JournalMapper journal) {
        return journal.setAsideBy(runId).stream()
                .map(each -> "Records saved while the run was under way whose value of "
                        + SiteFacts.field(to, each.recordTypeId(), each.fieldId())
                                .label() + " could not be taken over: "
                        + each.records() + ". These values are held.")
                .toList();
    }

    private Progress carry(Connection connection, ReturnCarry carry, Which which) throws SQLException {
        var table = new ChunkRows(connection, SiteFacts.recordType(to, carry.recordTypeId()), carry.fieldId());
        var held = PhysicalNames.held(carry.held());
        var present = Schema.columnOf(table.columns, carry.fieldId());
        if (present.isEmpty() || !table.columns.containsKey(held)) {
            return new Progress(0, 0);
        }
        var rows = table.rows(
                PhysicalNames.quoted(held),
                carry.goal().kind(),
                PhysicalNames.quoted(present.get()),
                carry.source().kind(),
                which,
                "");
        var saved = savedSince(
                connection,
                carry.recordTypeId(),
                rows.stream().map(ChunkRow::record).toList());
        var update = table.update(held, carry.goal().kind());
        for (var row : rows) {
            boolean known = row.first() == null || saved.contains(row.record());
            if (known && carry.carries(row.first(), row.second())) {
                update.set(ColumnValues.toColumn(carry.carried(row.second())), row);
            }
        }
        update.execute();
        return table.progress(which, rows, 0);
    }

    /** The records among these that people have saved since the run that is undone; all where nobody knows. */
    private Set<Long> savedSince(Connection connection, String recordTypeId, List<Long> records) throws SQLException {
        if (since.isEmpty() || records.isEmpty()) {
            return Set.copyOf(records);
        }
        var saved = new HashSet<Long>();
        var sql = "SELECT DISTINCT record_id FROM jontrel_history WHERE holder_id = ? AND generation >= ?"
                + " AND record_id BETWEEN ? AND ?";
        Jdbc.each(
                connection,
                sql,
                row -> saved.add(row.getLong(1)),
                recordTypeId,
                since.get(),
                Collections.min(records),
                Collections.max(records));
        return saved;
    }

    private Progress renew(SqlSession session, Step.RenewWords words, long after) throws SQLException {
        var table = bindings.current(session).table(words.recordTypeId());
        if (table.isEmpty()) {
            return new Progress(after, 0);
        }
        var renewed = SearchWords.renew(session.getConnection(), table.get(), after);
        return new Progress(renewed.reached(), renewed.records());
    }

    private Progress check(SqlSession session, Step.CheckRecords check, long afterId) throws SQLException {
        var binding = bindings.current(session);
        var table = binding.table(check.recordTypeId());
        if (table.isEmpty()) {
            return new Progress(0, 0);
        }
        var connection = session.getConnection();
        var loader = new RecordLoader(table.get());
        var records =
                switch (check.among()) {
                    case ALL -> loader.after(connection, afterId, size);
                    case INCOMPLETE -> loader.incompleteAfter(connection, afterId, size);
                };
        var update =
                "UPDATE " + PhysicalNames.quoted(table.get().name()) + " SET complete = ? WHERE id = ? AND version = ?";
        var changes = new ArrayList<List<?>>();
        for (var record : records) {
            var around = new SiteSurroundings(connection, binding, record.state(), record.parent());
            boolean complete = RecordCheck.check(table.get().recordType(), record.values(), around)
                    .complete();
            if (complete != record.complete()) {
                changes.add(List.of(complete, record.id(), record.version()));
            }
        }
        Jdbc.batch(connection, update, changes);
        return records.isEmpty()
                ? new Progress(afterId, 0)
                : new Progress(records.getLast().id(), records.size());
    }

    /**
     * A row of a table.
     *
     * @param key values of the columns that name it, that of the record first
     */
    private record ChunkRow(List<Object> key, Object first, Object second) {
        long record() {
            return (Long) key.getFirst();
        }
    }

    /** The rows of the table that holds a field's column: of records by their id, of rows and values by their record. */
    private final class ChunkRows {
        private final Connection connection;
        private final String name;
        private final String main;
        private final java.util.Map<String, String> columns;
        private final List<String> key;
        private final boolean own;
        private final String record;
        /** By the id behind which to look. */
        private final Map<Long, Optional<Long>> last = new HashMap<>();

        ChunkRows(Connection connection, RecordType recordType, String fieldId) throws SQLException {
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
                    : columns.containsKey("id")
                            ? List.of("record_id", "id")
                            : List.of("record_id", "row_id", "position");
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
        List<ChunkRow> rows(String first, Kind firstKind, String second, Kind secondKind, Which which, String doubtful)
                throws SQLException {
            var select = "SELECT " + String.join(", ", key) + ", " + first + ", " + second + " FROM "
                    + PhysicalNames.quoted(name) + " WHERE ";
            var sql =
                    switch (which) {
                        case Which.After _ ->
                            select + record + " > ? AND " + record + " <= ?" + doubtful + " ORDER BY " + record;
                        case Which.Those(List<Long> ids) ->
                            select + record + " IN (" + String.join(", ", Collections.nCopies(ids.size(), "?")) + ")";
                    };
            var parameters =
                    switch (which) {
                        case Which.After(long id) -> List.of(id, last(id).orElse(id));
                        case Which.Those(List<Long> ids) -> ids;
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

        /** Values on their way into a column: all in one statement, or a place each where they cannot stand in a table. */
        Update update(String column, Kind kind) {
            return new Update(column, !(kind instanceof Kind.Coordinates));
        }

        final class Update {
            private final String column;
            private final boolean together;
            private final List<List<Object>> values = new ArrayList<>();

            Update(String column, boolean together) {
                this.column = column;
                this.together = together;
            }

            void set(Object value, ChunkRow row) {
                var all = new ArrayList<Object>(row.key());
                all.add(value);
                values.add(all);
            }

            void execute() throws SQLException {
                if (values.isEmpty()) {
                    return;
                }
                if (together) {
                    join();
                    return;
                }
                var sql = "UPDATE " + PhysicalNames.quoted(name) + " SET " + PhysicalNames.quoted(column)
                        + " = ? WHERE " + String.join(" = ? AND ", key) + " = ?";
                values.forEach(row -> row.addFirst(row.removeLast()));
                Jdbc.batch(connection, sql, values);
            }

            private void join() throws SQLException {
                var columns = new ArrayList<>(key);
                columns.add("value");
                var rows = new RowsOfValues(columns);
                values.forEach(rows::add);
                var on = key.stream().map(each -> "t." + each + " = v." + each).collect(Collectors.joining(" AND "));
                Jdbc.update(
                        connection,
                        "UPDATE " + PhysicalNames.quoted(name) + " AS t JOIN " + rows.table("v") + " ON " + on
                                + " SET t." + PhysicalNames.quoted(column) + " = v.value",
                        rows.parameters());
            }
        }

        /** @param sure values that were converted beside these rows */
        Progress progress(Which which, List<ChunkRow> rows, long sure) throws SQLException {
            int done = rows.size() + (int) sure;
            return switch (which) {
                case Which.After(long id) -> new Progress(last(id).orElse(id), done);
                case Which.Those _ -> new Progress(0, done);
            };
        }
    }
}
