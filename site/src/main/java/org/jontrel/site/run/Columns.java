package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Step;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.Names;
import org.jontrel.site.table.Schema;

/** Steps that change tables: what each would say to the database, and whether it has been said already. */
final class Columns {
    private final Model from;
    private final Model to;

    Columns(Model from, Model to) {
        this.from = from;
        this.to = to;
    }

    /** What has to be said for the step as things stand; nothing where it was done. */
    List<String> statements(Connection connection, Step step) throws SQLException {
        return switch (step) {
            case Step.CreateTable(String holderId) -> create(connection, type(to, holderId));
            case Step.AddColumn(String holderId, String fieldId) -> {
                var table = table(connection, holderId);
                var missing = !Schema.columns(connection, table).containsKey(Names.next(fieldId));
                yield missing ? List.of(Ddl.addColumn(table, Facts.field(to, holderId, fieldId))) : List.of();
            }
            case Step.DropBeside(String holderId, String fieldId) -> {
                var table = table(connection, holderId);
                var there = Schema.columns(connection, table).containsKey(Names.next(fieldId));
                yield there ? List.of(Ddl.dropColumn(table, Names.next(fieldId))) : List.of();
            }
            case Step.SwitchColumns(String holderId, List<Step.Turn> turns) -> switchColumns(connection, holderId, turns);
            case Step.RenameTable rename -> {
                var table = table(connection, rename.holderId());
                var wanted = Names.table(type(to, rename.holderId()));
                yield table.equals(wanted) ? List.of() : List.of(Ddl.renameTable(table, wanted));
            }
            case Step.HoldTable(String holderId, String held) -> hold(connection, holderId, held);
            case Step.RestoreTable(String holderId, String held) -> {
                var there = Schema.tables(connection).containsKey(Names.held(held));
                yield there ? List.of(Ddl.renameTable(Names.held(held), Names.table(type(to, holderId)))) : List.of();
            }
            case Step.CopyColumn _, Step.CarryBack _, Step.Redirect _, Step.CheckRecords _ -> List.of();
        };
    }

    /** Whether a step that was begun came to its end. */
    boolean happened(Connection connection, Step step) throws SQLException {
        return step instanceof Step.CreateTable(String holderId)
                ? holderId.equals(Schema.tables(connection).get(Names.table(type(to, holderId))))
                : statements(connection, step).isEmpty();
    }

    private static List<String> create(Connection connection, ContentType type) throws SQLException {
        var comment = Schema.tables(connection).get(Names.table(type));
        if (comment == null) {
            return List.of(Ddl.createTable(type));
        }
        if (!comment.equals(type.id())) {
            throw new IllegalStateException("The database already has a table " + Names.table(type)
                    + " that this site did not make. Rename it or the content type, then continue.");
        }
        return List.of();
    }

    /** A table without records holds nothing; it is dropped rather than kept. */
    private List<String> hold(Connection connection, String holderId, String held) throws SQLException {
        var table = Schema.tableOf(connection, holderId);
        if (table.isEmpty()) {
            return List.of();
        }
        return isEmpty(connection, table.get())
                ? List.of(Ddl.dropTable(table.get()))
                : List.of(Ddl.renameTable(table.get(), Names.held(held)));
    }

    private static boolean isEmpty(Connection connection, String table) throws SQLException {
        try (var statement = connection.createStatement();
                var rows = statement.executeQuery("SELECT 1 FROM " + Names.quoted(table) + " LIMIT 1")) {
            return !rows.next();
        }
    }

    private List<String> switchColumns(Connection connection, String holderId, List<Step.Turn> turns)
            throws SQLException {
        var table = table(connection, holderId);
        var columns = Schema.columns(connection, table);
        var target = to.type(holderId).or(() -> from.type(holderId)).orElseThrow();
        var renames = new ArrayList<Ddl.Rename>();
        for (var turn : turns) {
            rename(columns, target, turn).ifPresent(renames::add);
        }
        return renames.isEmpty() ? List.of() : List.of(Ddl.renameColumns(table, renames));
    }

    /** All turns of a table are one statement, so either all have happened or none. */
    private static Optional<Ddl.Rename> rename(Map<String, String> columns, ContentType target, Step.Turn turn) {
        var held = turn.held().isEmpty() ? "" : Names.held(turn.held());
        var inUse = Schema.columnOf(columns, turn.fieldId());
        return switch (turn.act()) {
            case HOLD ->
                columns.containsKey(held) || inUse.isEmpty()
                        ? Optional.empty()
                        : Optional.of(new Ddl.Rename(inUse.get(), held));
            case TAKE ->
                columns.containsKey(Names.next(turn.fieldId()))
                        ? Optional.of(new Ddl.Rename(Names.next(turn.fieldId()), name(target, turn)))
                        : Optional.empty();
            case RESTORE ->
                columns.containsKey(held) ? Optional.of(new Ddl.Rename(held, name(target, turn))) : Optional.empty();
            case RENAME ->
                inUse.filter(name -> !name.equals(name(target, turn)))
                        .map(name -> new Ddl.Rename(name, name(target, turn)));
        };
    }

    private static String name(ContentType target, Step.Turn turn) {
        var field = target.field(turn.fieldId())
                .orElseThrow(
                        () -> new IllegalStateException("No field " + turn.fieldId() + " in " + target.singular()));
        return Names.column(target, field);
    }

    private static String table(Connection connection, String holderId) throws SQLException {
        return Schema.tableOf(connection, holderId)
                .orElseThrow(() -> new IllegalStateException("The site has no table for the content type " + holderId));
    }

    private static ContentType type(Model model, String holderId) {
        return model.type(holderId).orElseThrow(() -> new IllegalStateException("No content type " + holderId));
    }
}
