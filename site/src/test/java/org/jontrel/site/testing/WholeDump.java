package org.jontrel.site.testing;

import static org.testng.Assert.assertEquals;

import java.sql.SQLException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.Schema;

/** Every row of every table of a site, also of those that runs keep aside and those that sites have by themselves. */
public final class WholeDump {
    /** Who works on the site. */
    private static final String LEASE = "jontrel_lease";

    private WholeDump() {}

    public static void assertSame(DataSource found, DataSource wanted, String where) throws SQLException {
        var rows = of(found);
        var all = of(wanted);
        assertEquals(rows.keySet(), all.keySet(), "tables, " + where);
        all.forEach((table, each) -> assertEquals(rows.get(table), each, where + ", " + table));
    }

    /** Rows by table, the structure of the table before them. */
    public static SortedMap<String, List<String>> of(DataSource source) throws SQLException {
        var all = new TreeMap<String, List<String>>();
        try (var connection = source.getConnection()) {
            for (var table : Schema.tables(connection).entrySet()) {
                var name = table.getKey();
                if (name.equals(LEASE)) {
                    continue;
                }
                var columns = Schema.columns(connection, name);
                var types = Schema.types(connection, name);
                // as the database writes them: its driver does not write every time as it is
                var texts = columns.keySet().stream()
                        .map(column -> types.get(column).startsWith("point")
                                ? "HEX(`" + column + "`)"
                                : "CAST(`" + column + "` AS CHAR)")
                        .collect(Collectors.joining(", "));
                var rows = Jdbc.query(connection, "SELECT " + texts + " FROM `" + name + "`", row -> {
                    var values = new String[columns.size()];
                    for (int i = 0; i < values.length; i++) {
                        var bytes = row.getBytes(i + 1);
                        values[i] = bytes == null ? null : readable(bytes);
                    }
                    return Arrays.toString(values);
                });
                rows.sort(null);
                rows.addFirst(table.getValue() + columns + types + Schema.indexes(connection, name));
                all.put(name, rows);
            }
        }
        return all;
    }

    private static String readable(byte[] bytes) {
        for (byte each : bytes) {
            if (each < ' ') {
                return HexFormat.of().formatHex(bytes);
            }
        }
        return new String(bytes, java.nio.charset.StandardCharsets.US_ASCII);
    }
}
