package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Step;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.BesideTables;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.IndexDdl;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;

/** Steps that change tables: what each would say to the database, and whether it has been said already. */
final class TableSteps {
    private static final String MOVING = "moving";
    private final Model from;
    private final Model to;

    TableSteps(Model from, Model to) {
        this.from = from;
        this.to = to;
    }

    /** What has to be said for the step as things stand; nothing where it was done. */
    List<String> statements(Connection connection, Step step) throws SQLException {
        return switch (step) {
            case Step.CreateTable(String recordTypeId) ->
                create(connection, Ddl.createTables(recordType(to, recordTypeId)));
            case Step.AddTable(String recordTypeId, String fieldId) -> addTable(connection, recordTypeId, fieldId);
            case Step.AddColumn(String recordTypeId, String fieldId) -> {
                var table = tableOfColumn(connection, to, recordTypeId, fieldId);
                var missing = !Schema.columns(connection, table).containsKey(PhysicalNames.next(fieldId));
                yield missing ? List.of(Ddl.addColumn(table, SiteFacts.field(to, recordTypeId, fieldId))) : List.of();
            }
            case Step.DropBeside(String recordTypeId, String fieldId) -> {
                var table = tableOfColumn(connection, from, recordTypeId, fieldId);
                var there = Schema.columns(connection, table).containsKey(PhysicalNames.next(fieldId));
                yield there ? List.of(Ddl.dropColumn(table, PhysicalNames.next(fieldId))) : List.of();
            }
            case Step.SwitchColumns(String recordTypeId, String table, List<Step.ColumnSwitch> turns) ->
                switchColumns(connection, recordTypeId, table, turns);
            case Step.AddTableBeside(String recordTypeId, String fieldId) ->
                addBeside(connection, recordType(to, recordTypeId), fieldId);
            case Step.TakeTable(String recordTypeId, String fieldId) ->
                take(connection, recordType(to, recordTypeId), fieldId);
            case Step.DropTableBeside(String recordTypeId, String fieldId) ->
                dropBeside(connection, recordType(from, recordTypeId), fieldId);
            case Step.RenameTable _ -> renameTables(connection);
            case Step.HoldTable(String recordTypeId, String held) -> hold(connection, marks(recordTypeId, from), held);
            case Step.RestoreTable(String recordTypeId, String held) ->
                restore(connection, recordTypeId, held, marks(recordTypeId, to));
            case Step.HoldOwn(String recordTypeId, String fieldId, String held) ->
                hold(connection, own(recordTypeId, fieldId, from), held);
            case Step.RestoreOwn(String recordTypeId, String fieldId, String held) ->
                restore(connection, recordTypeId, held, own(recordTypeId, fieldId, to));
            case Step.Indexes(String recordTypeId) -> indexes(connection, recordTypeId);
            case Step.IndexColumn(String recordTypeId, String fieldId) ->
                indexColumn(connection, recordTypeId, fieldId);
            case Step.CopyColumn _,
                    Step.MoveValues _,
                    Step.MakeRecords _,
                    Step.MakeRows _,
                    Step.CarryRecords _,
                    Step.RetypeRecords _,
                    Step.CarryRetyped _,
                    Step.NoteFiles _,
                    Step.CarryMoved _,
                    Step.MakeTerms _,
                    Step.WithdrawTerms _,
                    Step.CarryBack _,
                    Step.CarryForth _,
                    Step.Redirect _,
                    Step.StarterTerms _,
                    Step.RenewWords _,
                    Step.CheckRecords _ -> List.of();
        };
    }

    /** Whether a step that was begun came to its end. */
    boolean happened(Connection connection, Step step) throws SQLException {
        return switch (step) {
            case Step.CreateTable(String recordTypeId) ->
                Schema.inUse(connection)
                        .keySet()
                        .containsAll(
                                Ddl.createTables(recordType(to, recordTypeId)).keySet());
            case Step.AddTable(String recordTypeId, String fieldId) ->
                Schema.tableOf(connection, recordTypeId, fieldId).isPresent();
            // some of its tables are there, and have to go
            case Step.AddTableBeside(String recordTypeId, String fieldId) ->
                !dropBeside(connection, recordType(to, recordTypeId), fieldId).isEmpty();
            case Step.StarterTerms _, Step.CheckRecords _ -> true;
            default -> statements(connection, step).isEmpty();
        };
    }

    private static List<String> create(Connection connection, Map<String, String> wanted) throws SQLException {
        var there = Schema.inUse(connection);
        var names = Schema.tables(connection);
        var statements = new ArrayList<String>();
        wanted.forEach((mark, sql) -> {
            if (!there.containsKey(mark)) {
                var name = sql.substring(sql.indexOf('`') + 1, sql.indexOf('`', sql.indexOf('`') + 1));
                if (names.containsKey(name)) {
                    throw new IllegalStateException("The database already has a table " + name
                            + " that this site did not make. Rename it or the definition, then continue.");
                }
                statements.add(sql);
            }
        });
        return statements;
    }

    private List<String> addTable(Connection connection, String recordTypeId, String fieldId) throws SQLException {
        var recordType = recordType(to, recordTypeId);
        var all = Ddl.createTables(recordType);
        var wanted = new LinkedHashMap<String, String>();
        for (var each : BesideTables.within(recordType, fieldId)) {
            var mark = PhysicalNames.mark(recordTypeId, each);
            wanted.put(mark, all.get(mark));
        }
        return create(connection, wanted);
    }

    private static List<String> addBeside(Connection connection, RecordType recordType, String fieldId)
            throws SQLException {
        var names = Schema.tables(connection).keySet();
        var statements = new ArrayList<String>();
        int number = 0;
        for (var each : BesideTables.within(recordType, fieldId)) {
            if (BesideTables.find(connection, recordType, each).isEmpty()) {
                while (names.contains(BesideTables.name(number))) {
                    number++;
                }
                statements.add(BesideTables.create(recordType, each, BesideTables.name(number++)));
            }
        }
        return statements;
    }

    /** All of them in one statement. */
    private static List<String> take(Connection connection, RecordType recordType, String fieldId) throws SQLException {
        var renames = new LinkedHashMap<String, String>();
        var names = PhysicalNames.tables(recordType);
        for (var each : BesideTables.within(recordType, fieldId)) {
            BesideTables.find(connection, recordType, each)
                    .ifPresent(beside ->
                            renames.put(beside, each.isEmpty() ? PhysicalNames.table(recordType) : names.get(each)));
        }
        return renames.isEmpty() ? List.of() : List.of(Ddl.renameTables(renames));
    }

    private static List<String> dropBeside(Connection connection, RecordType recordType, String fieldId)
            throws SQLException {
        var tables = new ArrayList<String>();
        for (var each : BesideTables.within(recordType, fieldId)) {
            BesideTables.find(connection, recordType, each).ifPresent(tables::add);
        }
        return tables.isEmpty() ? List.of() : List.of(Ddl.dropTables(tables));
    }

    private static List<String> marks(String recordTypeId, Model model) {
        var recordType = recordType(model, recordTypeId);
        var marks = new ArrayList<>(List.of(recordTypeId));
        PhysicalNames.tables(recordType)
                .keySet()
                .forEach(fieldId -> marks.add(PhysicalNames.mark(recordTypeId, fieldId)));
        return marks;
    }

    private static List<String> own(String recordTypeId, String fieldId, Model model) {
        return BesideTables.within(recordType(model, recordTypeId), fieldId).stream()
                .map(each -> PhysicalNames.mark(recordTypeId, each))
                .toList();
    }

    /** All tables at once, also those without rows: an undo brings back what was there. */
    private static List<String> hold(Connection connection, List<String> marks, String held) throws SQLException {
        var there = Schema.inUse(connection);
        var tables = marks.stream().filter(there::containsKey).map(there::get).toList();
        if (tables.isEmpty()) {
            return List.of();
        }
        var renames = new LinkedHashMap<String, String>();
        for (int i = 0; i < tables.size(); i++) {
            renames.put(tables.get(i), PhysicalNames.held(held, i));
        }
        return List.of(Ddl.renameTables(renames));
    }

    /** Tables without rows were once dropped instead of held: those are made anew. */
    private List<String> restore(Connection connection, String recordTypeId, String held, List<String> marks)
            throws SQLException {
        var recordType = recordType(to, recordTypeId);
        var names = PhysicalNames.tables(recordType);
        var renames = new LinkedHashMap<String, String>();
        Schema.tables(connection).forEach((name, mark) -> {
            if (name.startsWith(PhysicalNames.held(held) + "__")) {
                var fieldId = mark.contains("/") ? mark.substring(mark.indexOf('/') + 1) : "";
                renames.put(name, fieldId.isEmpty() ? PhysicalNames.table(recordType) : names.get(fieldId));
            }
        });
        if (!renames.isEmpty()) {
            return List.of(Ddl.renameTables(renames));
        }
        var wanted = new LinkedHashMap<>(Ddl.createTables(recordType));
        wanted.keySet().retainAll(marks);
        return create(connection, wanted);
    }

    /** Tables that a switch changes, all under names that nobody knows: whoever uses one of them is through by then. */
    static List<String> gather(Connection connection, Set<String> recordTypeIds) throws SQLException {
        var renames = new LinkedHashMap<String, String>();
        var there = Schema.tables(connection).keySet();
        int number = 0;
        for (var each : Schema.inUse(connection).entrySet()) {
            boolean concerned = recordTypeIds.contains(each.getKey().split("/", 2)[0]);
            if (concerned && !PhysicalNames.isMoving(each.getValue())) {
                while (there.contains(PhysicalNames.moving(number))) {
                    number++;
                }
                renames.put(each.getValue(), PhysicalNames.moving(number++));
            }
        }
        return renames.isEmpty() ? List.of() : List.of(Ddl.renameTables(renames));
    }

    /**
     * All tables in use that have another name than their keys give them, in one statement: names may go round in a ring, also
     * between definitions.
     */
    List<String> renameTables(Connection connection) throws SQLException {
        var there = Schema.inUse(connection);
        var wanted = new LinkedHashMap<String, String>();
        for (var recordType : RecordType.all(to)) {
            wanted.put(recordType.id(), PhysicalNames.table(recordType));
            PhysicalNames.tables(recordType)
                    .forEach((fieldId, name) -> wanted.put(PhysicalNames.mark(recordType.id(), fieldId), name));
        }
        var aside = new LinkedHashMap<String, String>();
        var home = new LinkedHashMap<String, String>();
        int number = 0;
        for (var each : wanted.entrySet()) {
            var name = there.get(each.getKey());
            if (name != null && !name.equals(each.getValue())) {
                var between = PhysicalNames.held(MOVING, number++);
                aside.put(name, between);
                home.put(between, each.getValue());
            }
        }
        aside.putAll(home);
        return aside.isEmpty() ? List.of() : List.of(Ddl.renameTables(aside));
    }

    private List<String> indexes(Connection connection, String recordTypeId) throws SQLException {
        var recordType = recordType(to, recordTypeId);
        var table = table(connection, recordTypeId, "");
        var there = Schema.indexes(connection, table).values();
        return IndexDdl.wantedIndexes(recordType).stream()
                .filter(columns -> !there.contains(String.join(",", columns)))
                .map(columns -> IndexDdl.addIndex(table, columns))
                .toList();
    }

    /** The indexes that name the field's column, on the one beside: they go along when it is renamed. */
    private List<String> indexColumn(Connection connection, String recordTypeId, String fieldId) throws SQLException {
        var recordType = recordType(to, recordTypeId);
        var table = table(connection, recordTypeId, "");
        var name = PhysicalNames.columns(recordType, "").get(fieldId);
        var next = PhysicalNames.next(fieldId);
        if (name == null || !Schema.columns(connection, table).containsKey(next)) {
            return List.of();
        }
        var there = Schema.indexes(connection, table).values();
        return IndexDdl.wantedIndexes(recordType).stream()
                .filter(columns -> columns.contains(name))
                .map(columns -> columns.stream()
                        .map(column -> column.equals(name) ? next : column)
                        .toList())
                .filter(columns -> !there.contains(String.join(",", columns)))
                .map(columns -> IndexDdl.addIndex(table, columns))
                .toList();
    }

    private List<String> switchColumns(
            Connection connection, String recordTypeId, String tableId, List<Step.ColumnSwitch> turns)
            throws SQLException {
        var table = table(connection, recordTypeId, tableId);
        var columns = Schema.columns(connection, table);
        var target = to.definition(recordTypeId)
                .flatMap(each -> RecordType.of(to, each))
                .orElseGet(() -> recordType(from, recordTypeId));
        var names = PhysicalNames.columns(target, tableId);
        var renames = new ArrayList<Ddl.ColumnRename>();
        for (var turn : turns) {
            rename(columns, names, turn).ifPresent(renames::add);
        }
        renames.addAll(others(columns, names, turns));
        return renames.isEmpty() ? List.of() : List.of(Ddl.renameColumns(table, renames));
    }

    /** Columns that no turn is about and that have another name by now, as where two fields of one key became one. */
    private static List<Ddl.ColumnRename> others(
            Map<String, String> columns, Map<String, String> names, List<Step.ColumnSwitch> turns) {
        var turned = turns.stream().map(Step.ColumnSwitch::fieldId).collect(Collectors.toSet());
        var others = new ArrayList<Ddl.ColumnRename>();
        names.forEach((fieldId, name) -> {
            if (!turned.contains(fieldId)) {
                Schema.columnOf(columns, fieldId)
                        .filter(present -> !present.equals(name))
                        .ifPresent(present -> others.add(new Ddl.ColumnRename(present, name)));
            }
        });
        return others;
    }

    /** All turns of a table are one statement, so either all have happened or none. */
    private static Optional<Ddl.ColumnRename> rename(
            Map<String, String> columns, Map<String, String> names, Step.ColumnSwitch turn) {
        var held = turn.held().isEmpty() ? "" : PhysicalNames.held(turn.held());
        var inUse = Schema.columnOf(columns, turn.fieldId());
        return switch (turn.act()) {
            case HOLD ->
                columns.containsKey(held) || inUse.isEmpty()
                        ? Optional.empty()
                        : Optional.of(new Ddl.ColumnRename(inUse.get(), held));
            case TAKE ->
                columns.containsKey(PhysicalNames.next(turn.fieldId()))
                        ? Optional.of(new Ddl.ColumnRename(PhysicalNames.next(turn.fieldId()), name(names, turn)))
                        : Optional.empty();
            case RESTORE ->
                columns.containsKey(held)
                        ? Optional.of(new Ddl.ColumnRename(held, name(names, turn)))
                        : Optional.empty();
            case RENAME ->
                inUse.filter(name -> !name.equals(name(names, turn)))
                        .map(name -> new Ddl.ColumnRename(name, name(names, turn)));
        };
    }

    private static String name(Map<String, String> names, Step.ColumnSwitch turn) {
        return Optional.ofNullable(names.get(turn.fieldId()))
                .orElseThrow(() -> new IllegalStateException("No column for the field " + turn.fieldId()));
    }

    private static String tableOfColumn(Connection connection, Model model, String recordTypeId, String fieldId)
            throws SQLException {
        return table(connection, recordTypeId, SiteFacts.tableId(recordType(model, recordTypeId), fieldId));
    }

    private static String table(Connection connection, String recordTypeId, String fieldId) throws SQLException {
        return Schema.tableOf(connection, recordTypeId, fieldId)
                .orElseThrow(() -> new IllegalStateException(
                        "The site has no table for " + PhysicalNames.mark(recordTypeId, fieldId)));
    }

    private static RecordType recordType(Model model, String recordTypeId) {
        return SiteFacts.recordType(model, recordTypeId);
    }
}
