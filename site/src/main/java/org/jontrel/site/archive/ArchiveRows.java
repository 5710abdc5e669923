package org.jontrel.site.archive;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jontrel.site.table.ExactRows;
import tools.jackson.databind.json.JsonMapper;

/** Rows of a table as lines of JSON, from it and into it: numbers as they are, places in Base64 as the database has them. */
final class ArchiveRows {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private final Connection connection;
    private final String table;
    private final ExactRows exact;
    private final ExactRows.Insertion insertion;

    ArchiveRows(Connection connection, String table) throws SQLException {
        this.connection = connection;
        this.table = table;
        this.exact = new ExactRows(connection, table);
        this.insertion = exact.into(connection);
    }

    interface LineVisitor {
        void line(byte[] json) throws SQLException;
    }

    /** All rows, by their key; what is empty is left out. */
    void each(LineVisitor visitor) throws SQLException {
        var types = exact.types();
        exact.each(connection, true, row -> {
            var line = new LinkedHashMap<String, Object>();
            for (int i = 0; i < types.size(); i++) {
                var value = exact.value(row, i);
                if (value != null) {
                    line.put(types.get(i).getKey(), value);
                }
            }
            visitor.line(JSON.writeValueAsBytes(line));
        });
    }

    /** @throws ArchiveRefused where it is no row of this table */
    void add(String json) throws SQLException {
        var line = JSON.readValue(json, Map.class);
        var values = new ArrayList<Object>();
        int known = 0;
        for (var type : exact.types()) {
            var value = line.get(type.getKey());
            known += value == null ? 0 : 1;
            values.add(stored(value, type));
        }
        if (known != line.size()) {
            throw new ArchiveRefused("The archive has values for columns that the table " + table
                    + " does not have. It may be of a newer version of Jontrel. Nothing was restored.");
        }
        insertion.add(values);
    }

    private static Object stored(Object value, Map.Entry<String, String> type) {
        return switch (value) {
            case null -> null;
            case String text when ExactRows.isPlace(type.getValue()) -> place(text);
            case String text -> text;
            case Number number when ExactRows.isNumber(type.getValue()) -> number.longValue();
            default -> throw refused(type.getKey());
        };
    }

    private static byte[] place(String text) {
        try {
            return Base64.getDecoder().decode(text);
        } catch (IllegalArgumentException _) {
            throw refused("of a place");
        }
    }

    private static ArchiveRefused refused(String column) {
        return new ArchiveRefused(
                "The archive has a value of another kind than the column " + column + " takes. Nothing was restored.");
    }

    void flush() throws SQLException {
        insertion.flush();
    }
}
