package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/** Which tables and columns there are, straight from the database. */
public final class Schema {
    private Schema() {}

    /** Comments of all columns of a table by their names; empty where there is no such table. */
    public static Map<String, String> columns(Connection connection, String table) throws SQLException {
        var columns = new LinkedHashMap<String, String>();
        var sql = "SELECT column_name, column_comment FROM information_schema.columns"
                + " WHERE table_schema = DATABASE() AND table_name = ? ORDER BY ordinal_position";
        try (var statement = connection.prepareStatement(sql)) {
            statement.setString(1, table);
            try (var rows = statement.executeQuery()) {
                while (rows.next()) {
                    columns.put(rows.getString(1), rows.getString(2));
                }
            }
        }
        return columns;
    }

    /** The tables that have a column of this name, in use or held. */
    public static List<String> with(Connection connection, String column) throws SQLException {
        var tables = new ArrayList<String>();
        var sql =
                "SELECT table_name FROM information_schema.columns WHERE table_schema = DATABASE() AND column_name = ?";
        try (var statement = connection.prepareStatement(sql)) {
            statement.setString(1, column);
            try (var rows = statement.executeQuery()) {
                while (rows.next()) {
                    tables.add(rows.getString(1));
                }
            }
        }
        return tables;
    }

    /** The type of each column, as the database names it. */
    public static Map<String, String> types(Connection connection, String table) throws SQLException {
        var types = new TreeMap<String, String>();
        var sql = "SELECT column_name, column_type FROM information_schema.columns"
                + " WHERE table_schema = DATABASE() AND table_name = ?";
        try (var statement = connection.prepareStatement(sql)) {
            statement.setString(1, table);
            try (var rows = statement.executeQuery()) {
                while (rows.next()) {
                    types.put(rows.getString(1), rows.getString(2));
                }
            }
        }
        return types;
    }

    /** The columns of each index by its name, as {@code a,b}. */
    public static Map<String, String> indexes(Connection connection, String table) throws SQLException {
        var indexes = new TreeMap<String, String>();
        var sql =
                "SELECT index_name, GROUP_CONCAT(column_name ORDER BY seq_in_index) FROM information_schema.statistics"
                        + " WHERE table_schema = DATABASE() AND table_name = ? GROUP BY index_name";
        try (var statement = connection.prepareStatement(sql)) {
            statement.setString(1, table);
            try (var rows = statement.executeQuery()) {
                while (rows.next()) {
                    indexes.put(rows.getString(1), rows.getString(2));
                }
            }
        }
        return indexes;
    }

    /** Comments of all tables by their names. */
    public static Map<String, String> tables(Connection connection) throws SQLException {
        var tables = new TreeMap<String, String>();
        var sql = "SELECT table_name, table_comment FROM information_schema.tables"
                + " WHERE table_schema = DATABASE() AND table_type = 'BASE TABLE'";
        try (var statement = connection.prepareStatement(sql);
                var rows = statement.executeQuery()) {
            while (rows.next()) {
                tables.put(rows.getString(1), rows.getString(2));
            }
        }
        return tables;
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
            if (!mark.isEmpty() && Names.inUse(name)) {
                byMark.putIfAbsent(mark, name);
            }
            if (!mark.isEmpty() && Names.isHeldBy(name, held)) {
                aside.put(mark, name);
            }
        });
        byMark.putAll(aside);
        return byMark;
    }

    /** The table in use of a holder, or of one of its fields, by the ids in its comment; an empty field for the holder's. */
    public static Optional<String> tableOf(Connection connection, String holderId, String fieldId) throws SQLException {
        return Optional.ofNullable(inUse(connection).get(Names.mark(holderId, fieldId)));
    }

    /** The column in use of a field, by the id in its comment. */
    public static Optional<String> columnOf(Map<String, String> columns, String fieldId) {
        return columns.entrySet().stream()
                .filter(column -> column.getValue().equals(fieldId) && Names.inUse(column.getKey()))
                .map(Map.Entry::getKey)
                .findFirst();
    }
}
