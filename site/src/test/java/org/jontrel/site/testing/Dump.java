package org.jontrel.site.testing;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javax.sql.DataSource;

/** What a site's tables hold, to the last byte. */
public final class Dump {
    private Dump() {}

    /** All columns in use of all tables in use, as text, by table. */
    public static Map<String, List<Map<String, String>>> of(DataSource source) throws SQLException {
        var all = new TreeMap<String, List<Map<String, String>>>();
        try (var connection = source.getConnection();
                var statement = connection.createStatement()) {
            var names = new ArrayList<String>();
            try (var tables = statement.executeQuery("SELECT table_name FROM information_schema.tables WHERE"
                    + " table_schema = DATABASE() AND table_comment <> '' AND table_name NOT LIKE 'held%'")) {
                while (tables.next()) {
                    names.add(tables.getString(1));
                }
            }
            for (var name : names) {
                var rows = new ArrayList<Map<String, String>>();
                try (var found = statement.executeQuery("SELECT * FROM `" + name + "` ORDER BY 1, 2")) {
                    while (found.next()) {
                        var row = new TreeMap<String, String>();
                        for (int i = 1; i <= found.getMetaData().getColumnCount(); i++) {
                            var column = found.getMetaData().getColumnName(i);
                            if (!column.startsWith("held") && !column.startsWith("next")) {
                                row.put(column, found.getString(i));
                            }
                        }
                        rows.add(row);
                    }
                }
                all.put(name, rows);
            }
        }
        return all;
    }
}
