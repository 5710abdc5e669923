package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import org.jontrel.core.recordtype.RecordType;

/** Whether the tables of a site are those that its definitions ask for. */
final class InstalledTables {
    /** A switch takes a moment, and each try waits a little longer. */
    private static final int TRIES = 40;

    private static final long LONGEST_PAUSE = 100;

    private InstalledTables() {}

    /** While a table is being changed, the database may not tell what it has. */
    static boolean isWhole(Binding binding) {
        return RecordType.all(binding.model()).stream().allMatch(recordType -> {
            var table = binding.tables().get(recordType.id());
            return table != null
                    && has(table.own(), recordType, "")
                    && PhysicalNames.tables(recordType).keySet().stream()
                            .allMatch(fieldId -> table.fields().containsKey(fieldId)
                                    && has(table.fields().get(fieldId), recordType, fieldId));
        });
    }

    static boolean has(Binding.ValueTable place, RecordType recordType, String tableId) {
        return place.columns()
                .keySet()
                .containsAll(PhysicalNames.columns(recordType, tableId).keySet());
    }

    static <T> T repeated(Supplier<T> work) {
        for (int attempt = 1; ; attempt++) {
            try {
                return work.get();
            } catch (Bindings.Switched e) {
                if (attempt >= TRIES) {
                    throw e;
                }
                Database.pause(Math.min(5L * attempt, LONGEST_PAUSE));
            }
        }
    }

    static Binding read(Connection connection, Set<String> held, long generation, boolean provisional)
            throws SQLException {
        var installed = Jdbc.first(
                        connection,
                        "SELECT version, model FROM jontrel_installed WHERE id = 1",
                        row -> new Bindings.Installed(row.getString(1), ModelText.read(row.getString(2))))
                .orElseThrow();
        var marked = Schema.inUse(connection, held);
        var tables = new LinkedHashMap<String, Binding.BoundTables>();
        for (var recordType : RecordType.all(installed.model())) {
            var name = marked.get(recordType.id());
            if (name != null) {
                tables.put(recordType.id(), table(connection, recordType, name, marked, held));
            }
        }
        return new Binding(installed.version(), installed.model(), generation, provisional, tables);
    }

    static Binding.ValueTable place(Connection connection, String name, Set<String> held) throws SQLException {
        var columns = new HashMap<String, String>();
        var aside = new HashMap<String, String>();
        Schema.columns(connection, name).forEach((column, fieldId) -> {
            if (!fieldId.isEmpty() && PhysicalNames.inUse(column)) {
                columns.put(fieldId, column);
            }
            if (!fieldId.isEmpty() && PhysicalNames.isHeldBy(column, held)) {
                aside.put(fieldId, column);
            }
        });
        columns.putAll(aside);
        return new Binding.ValueTable(name, columns);
    }

    static Binding.BoundTables table(
            Connection connection, RecordType recordType, String name, Map<String, String> marked, Set<String> held)
            throws SQLException {
        var fields = new LinkedHashMap<String, Binding.ValueTable>();
        for (var fieldId : PhysicalNames.tables(recordType).keySet()) {
            var own = marked.get(PhysicalNames.mark(recordType.id(), fieldId));
            if (own != null) {
                fields.put(fieldId, place(connection, own, held));
            }
        }
        return new Binding.BoundTables(recordType, place(connection, name, held), fields);
    }

    /** While a table is being changed, the database may not tell what it has: asked again when that is over. */
    static Binding whole(Connection connection, long generation) throws SQLException {
        var found = read(connection, Set.of(), generation, false);
        if (isWhole(found)) {
            return found;
        }
        Schema.await(connection);
        return read(connection, Set.of(), generation, false);
    }
}
