package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/** Which tables and columns there are, straight from the database. */
public final class Schema {
    private static final int NO_SUCH_TABLE = 1146;

    private Schema() {}

    /**
     * Waits for what changes a table in this moment, and holds off what would. Without it, a transaction that holds locks is
     * answered as though the table had no columns and no indexes, for the database will not let it wait there.
     */
    public static void await(Connection connection, String table) throws SQLException {
        try {
            Jdbc.execute(connection, "SELECT 1 FROM " + PhysicalNames.quoted(table) + " LIMIT 0");
        } catch (SQLException e) {
            if (e.getErrorCode() != NO_SUCH_TABLE) {
                throw e;
            }
        }
    }

    /** As {@link #await(Connection, String)}, for all tables of records, in use or held. */
    public static void await(Connection connection) throws SQLException {
        var names = Jdbc.query(
                connection,
                "SELECT table_name FROM information_schema.tables"
                        + " WHERE table_schema = DATABASE() AND table_name NOT LIKE 'jontrel\\_%'",
                row -> row.getString(1));
        for (var name : names) {
            await(connection, name);
        }
    }

    /** Comments of all columns of a table by their names; empty where there is no such table. */
    public static Map<String, String> columns(Connection connection, String table) throws SQLException {
        return pairs(
                connection,
                new LinkedHashMap<>(),
                "SELECT column_name, column_comment FROM information_schema.columns"
                        + " WHERE table_schema = DATABASE() AND table_name = ? ORDER BY ordinal_position",
                table);
    }

    /** The tables that have a column of this name, in use or held. */
    public static List<String> with(Connection connection, String column) throws SQLException {
        return Jdbc.query(
                connection,
                "SELECT table_name FROM information_schema.columns WHERE table_schema = DATABASE() AND column_name = ?",
                row -> row.getString(1),
                column);
    }

    /** The tables of records, in use or held, that have no index of this name. */
    public static List<String> without(Connection connection, String index) throws SQLException {
        return Jdbc.query(
                connection,
                "SELECT table_name FROM information_schema.tables t WHERE table_schema = DATABASE()"
                        + " AND table_comment NOT IN ('', 'VIEW') AND table_comment NOT LIKE '%/%' AND NOT EXISTS"
                        + " (SELECT 1 FROM information_schema.statistics s WHERE s.table_schema = DATABASE()"
                        + " AND s.table_name = t.table_name AND s.index_name = ?)",
                row -> row.getString(1),
                index);
    }

    /** The type of each column, as the database names it. */
    public static Map<String, String> types(Connection connection, String table) throws SQLException {
        return pairs(
                connection,
                new TreeMap<>(),
                "SELECT column_name, column_type FROM information_schema.columns"
                        + " WHERE table_schema = DATABASE() AND table_name = ?",
                table);
    }

    /** The columns of each index by its name, as {@code a,b}. */
    public static Map<String, String> indexes(Connection connection, String table) throws SQLException {
        return pairs(
                connection,
                new TreeMap<>(),
                "SELECT index_name, GROUP_CONCAT(column_name ORDER BY seq_in_index) FROM information_schema.statistics"
                        + " WHERE table_schema = DATABASE() AND table_name = ? GROUP BY index_name",
                table);
    }

    /** Comments of all tables by their names. */
    public static Map<String, String> tables(Connection connection) throws SQLException {
        return pairs(
                connection,
                new TreeMap<>(),
                "SELECT table_name, table_comment FROM information_schema.tables"
                        + " WHERE table_schema = DATABASE() AND table_type = 'BASE TABLE'");
    }

    private static Map<String, String> pairs(
            Connection connection, Map<String, String> found, String sql, Object... parameters) throws SQLException {
        Jdbc.query(connection, sql, row -> found.put(row.getString(1), row.getString(2)), parameters);
        return found;
    }

    /** Tables in use by what their comments say. */
    public static Map<String, String> inUse(Connection connection) throws SQLException {
        return inUse(connection, Set.of());
    }

    /** With those held under one of these short names in place of the ones in use. */
    static Map<String, String> inUse(Connection connection, Set<String> held) throws SQLException {
        var byMark = new TreeMap<String, String>();
        var aside = new TreeMap<String, String>();
        tables(connection).forEach((name, mark) -> {
            if (!mark.isEmpty() && PhysicalNames.inUse(name)) {
                byMark.putIfAbsent(mark, name);
            }
            if (!mark.isEmpty() && PhysicalNames.isHeldBy(name, held)) {
                aside.put(mark, name);
            }
        });
        byMark.putAll(aside);
        return byMark;
    }

    /** The table in use of a record type, or of one of its fields, by the ids in its comment; an empty field for the record type's. */
    public static Optional<String> tableOf(Connection connection, String recordTypeId, String fieldId)
            throws SQLException {
        return Optional.ofNullable(inUse(connection).get(PhysicalNames.mark(recordTypeId, fieldId)));
    }

    /** The column in use of a field, by the id in its comment. */
    public static Optional<String> columnOf(Map<String, String> columns, String fieldId) {
        return columns.entrySet().stream()
                .filter(column -> column.getValue().equals(fieldId) && PhysicalNames.inUse(column.getKey()))
                .map(Map.Entry::getKey)
                .findFirst();
    }
}
