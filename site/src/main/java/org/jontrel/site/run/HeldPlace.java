package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.Field;
import org.jontrel.core.plan.Step;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.drift.FoundColumns;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.ModelText;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;

/**
 * Where values stand that a run holds, and what they were before.
 *
 * @param name short name under which they are held
 * @param runId the run that took them out of use last; 0 for a column that somebody else made or changed
 * @param recordType as it was defined then
 * @param fieldId empty where all records of the record type are held
 * @param table whose column it is; empty where whole tables are held
 * @param tables the tables that are held, by what their comments say; empty for a column
 */
record HeldPlace(
        String name, long runId, RecordType recordType, String fieldId, String table, Map<String, String> tables) {
    /** Where the journal says that something is held. */
    private record JournalOrigin(long runId, String recordTypeId, String fieldId) {}

    /** All there are, those of the newest run first. */
    static List<HeldPlace> all(Connection connection) throws SQLException {
        var columns = columns(connection);
        var tables = tables(connection);
        if (columns.isEmpty() && tables.isEmpty()) {
            return List.of();
        }
        var recordTypes = new HashMap<Long, Map<String, RecordType>>();
        var places = new ArrayList<HeldPlace>();
        for (var each : origins(connection).entrySet()) {
            var column = columns.get(each.getKey());
            var held = tables.get(each.getKey());
            if (column != null || held != null) {
                var origin = each.getValue();
                recordType(connection, origin, recordTypes)
                        .ifPresent(recordType -> places.add(new HeldPlace(
                                each.getKey(),
                                origin.runId(),
                                recordType,
                                origin.fieldId(),
                                column == null ? "" : column,
                                held == null ? Map.of() : held)));
            }
        }
        for (var each : new FoundColumns(connection).all()) {
            var column = columns.get(each.name());
            if (column != null) {
                places.add(new HeldPlace(each.name(), 0, each.recordType(), each.fieldId(), column, Map.of()));
            }
        }
        places.sort(Comparator.comparing(HeldPlace::runId).reversed().thenComparing(HeldPlace::name));
        return places;
    }

    static Optional<HeldPlace> find(Connection connection, String name) throws SQLException {
        return all(connection).stream().filter(each -> each.name().equals(name)).findFirst();
    }

    /** By short name, the table that has the column. */
    private static Map<String, String> columns(Connection connection) throws SQLException {
        var found = new HashMap<String, String>();
        var sql = "SELECT column_name, table_name FROM information_schema.columns"
                + " WHERE table_schema = DATABASE() AND column_name LIKE 'held\\_\\_%'";
        Jdbc.each(connection, sql, row -> {
            var table = row.getString(2);
            PhysicalNames.heldAs(row.getString(1)).ifPresent(name -> found.put(name, table));
        });
        return found;
    }

    /** By short name, the tables by their marks. */
    private static Map<String, Map<String, String>> tables(Connection connection) throws SQLException {
        var found = new HashMap<String, Map<String, String>>();
        Schema.tables(connection)
                .forEach((table, mark) -> PhysicalNames.heldAs(table)
                        .ifPresent(name -> found.computeIfAbsent(name, _ -> new LinkedHashMap<>())
                                .put(mark, table)));
        return found;
    }

    /** By short name, what the newest step says that holds it. */
    private static Map<String, JournalOrigin> origins(Connection connection) throws SQLException {
        var origins = new LinkedHashMap<String, JournalOrigin>();
        var sql = "SELECT run_id, step FROM jontrel_step WHERE state <> 'pending' ORDER BY run_id, seq";
        Jdbc.each(connection, sql, row -> {
            long run = row.getLong(1);
            var step = Journal.step(row.getString(2));
            names(step)
                    .forEach(
                            (name, fieldId) -> origins.put(name, new JournalOrigin(run, step.recordTypeId(), fieldId)));
        });
        return origins;
    }

    /** The short names under which a step takes values out of use, with the field each is of. */
    static Map<String, String> names(Step step) {
        var names = new LinkedHashMap<String, String>();
        switch (step) {
            case Step.SwitchColumns columns ->
                columns.turns().stream()
                        .filter(turn -> turn.act() == Step.ColumnAction.HOLD)
                        .forEach(turn -> names.put(turn.held(), turn.fieldId()));
            case Step.HoldTable hold -> names.put(hold.held(), "");
            case Step.HoldOwn hold -> names.put(hold.held(), hold.fieldId());
            case Step.CreateTable _,
                    Step.AddColumn _,
                    Step.CopyColumn _,
                    Step.AddTableBeside _,
                    Step.MoveValues _,
                    Step.MakeRecords _,
                    Step.MakeRows _,
                    Step.CarryRecords _,
                    Step.RetypeRecords _,
                    Step.CarryRetyped _,
                    Step.NoteFiles _,
                    Step.TakeTable _,
                    Step.MakeTerms _,
                    Step.WithdrawTerms _,
                    Step.DropTableBeside _,
                    Step.CarryMoved _,
                    Step.AddTable _,
                    Step.DropBeside _,
                    Step.CarryBack _,
                    Step.CarryForth _,
                    Step.RenameTable _,
                    Step.RestoreTable _,
                    Step.RestoreOwn _,
                    Step.StarterTerms _,
                    Step.IndexColumn _,
                    Step.Indexes _,
                    Step.RenewWords _,
                    Step.Redirect _,
                    Step.CheckRecords _ -> {}
        }
        return names;
    }

    /** As the model said that the run came from. */
    private static Optional<RecordType> recordType(
            Connection connection, JournalOrigin origin, Map<Long, Map<String, RecordType>> known) throws SQLException {
        var recordTypes = known.get(origin.runId());
        if (recordTypes == null) {
            recordTypes = new HashMap<>();
            var model = Jdbc.first(
                    connection,
                    "SELECT from_model FROM jontrel_run WHERE id = ?",
                    row -> ModelText.read(row.getString(1)),
                    origin.runId());
            for (var each : model.map(RecordType::all).orElse(List.of())) {
                recordTypes.put(each.id(), each);
            }
            known.put(origin.runId(), recordTypes);
        }
        return Optional.ofNullable(recordTypes.get(origin.recordTypeId()))
                .filter(recordType -> origin.fieldId().isEmpty()
                        || recordType.field(origin.fieldId()).isPresent());
    }

    /** The field as it was; empty for a whole record type. */
    Optional<Field> field() {
        return recordType.field(fieldId);
    }

    /** Id of the field whose table has the column; empty for that of the records. */
    String home() {
        return FieldStorage.of(field().orElseThrow().kind()) == FieldStorage.TABLE
                ? fieldId
                : recordType.home(fieldId).table();
    }

    boolean isColumn() {
        return !table.isEmpty();
    }

    String column() {
        return PhysicalNames.held(name);
    }

    /** The field of the record itself in which the held one stands. */
    Optional<Field> outermost() {
        return recordType
                .fields()
                .filter(each -> each.withInner().anyMatch(inner -> inner.id().equals(fieldId)))
                .findFirst();
    }

    /**
     * The tables that the values are read from, as if they were in use; empty where the records themselves are gone.
     *
     * @param records by what their comments say, all tables in use
     */
    Optional<Binding.BoundTables> binding(Connection connection, Map<String, String> records) throws SQLException {
        var fields = new LinkedHashMap<String, Binding.ValueTable>();
        var own = Optional.ofNullable(tables.getOrDefault(recordType.id(), records.get(recordType.id())));
        if (own.isEmpty()) {
            return Optional.empty();
        }
        if (!fieldId.isEmpty()) {
            for (var above = recordType.home(fieldId).table();
                    !above.isEmpty();
                    above = recordType.home(above).table()) {
                var rows = records.get(PhysicalNames.mark(recordType.id(), above));
                if (rows == null) {
                    return Optional.empty();
                }
                fields.put(above, new Binding.ValueTable(rows, Map.of()));
            }
        }
        if (isColumn()) {
            var home = home();
            var column = new Binding.ValueTable(table, Map.of(fieldId, column()));
            fields.put(home, column);
            fields.remove("");
            var main = home.isEmpty() ? column : new Binding.ValueTable(own.get(), Map.of());
            return Optional.of(new Binding.BoundTables(recordType, main, fields));
        }
        for (var each : tables.entrySet()) {
            var mark = PhysicalNames.mark(recordType.id(), "");
            if (each.getKey().startsWith(mark + "/")) {
                fields.put(
                        each.getKey().substring(mark.length() + 1),
                        new Binding.ValueTable(each.getValue(), inUse(connection, each.getValue())));
            }
        }
        var main = fieldId.isEmpty() ? inUse(connection, own.get()) : Map.<String, String>of();
        return Optional.of(new Binding.BoundTables(recordType, new Binding.ValueTable(own.get(), main), fields));
    }

    /** What has to be said so that the values are gone: an index of a column goes before it. */
    List<String> drops(Connection connection) throws SQLException {
        if (!isColumn()) {
            return List.of(Ddl.dropTables(tables.values()));
        }
        var drops = new ArrayList<String>();
        Schema.indexes(connection, table).forEach((index, columns) -> {
            if (List.of(columns.split(",")).contains(column())) {
                drops.add(Ddl.dropIndex(table, index));
            }
        });
        drops.add(Ddl.dropColumn(table, column()));
        return drops;
    }

    private static Map<String, String> inUse(Connection connection, String table) throws SQLException {
        var columns = new HashMap<String, String>();
        Schema.columns(connection, table).forEach((column, field) -> {
            if (!field.isEmpty()
                    && PhysicalNames.heldAs(column).isEmpty()
                    && !column.equals(PhysicalNames.next(field))) {
                columns.put(field, column);
            }
        });
        return columns;
    }

    /** The fields of the record itself that are read. */
    Set<String> wanted() {
        return fieldId.isEmpty()
                ? recordType.fields().map(Field::id).collect(java.util.stream.Collectors.toSet())
                : Set.of(outermost().orElseThrow().id());
    }
}
