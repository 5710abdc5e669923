package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
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

    /** The table in use of a type, by the id in its comment. */
    public static Optional<String> tableOf(Connection connection, String typeId) throws SQLException {
        return tables(connection).entrySet().stream()
                .filter(table -> table.getValue().equals(typeId) && Names.inUse(table.getKey()))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** The column in use of a field, by the id in its comment. */
    public static Optional<String> columnOf(Map<String, String> columns, String fieldId) {
        return columns.entrySet().stream()
                .filter(column -> column.getValue().equals(fieldId) && Names.inUse(column.getKey()))
                .map(Map.Entry::getKey)
                .findFirst();
    }
}
