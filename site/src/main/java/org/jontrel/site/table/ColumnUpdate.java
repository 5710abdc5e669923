package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.model.Kind;

/** Values on their way into a column: many in one statement, or one each where they cannot stand in a table to join with. */
public final class ColumnUpdate {
    private static final int TOGETHER = 2_000;
    private final String table;
    private final String column;
    private final List<String> key;
    private final boolean together;
    private final List<List<Object>> values = new ArrayList<>();

    /** @param key the columns that name a row */
    public ColumnUpdate(String table, String column, List<String> key, Kind kind) {
        this.table = PhysicalNames.quoted(table);
        this.column = PhysicalNames.quoted(column);
        this.key = List.copyOf(key);
        this.together = !(kind instanceof Kind.Coordinates);
    }

    /** @param value {@code null} for none */
    public void set(List<?> row, Object value) {
        var all = new ArrayList<Object>(row);
        all.add(value);
        values.add(all);
    }

    public void execute(Connection connection) throws SQLException {
        if (!together) {
            var sql = "UPDATE " + table + " SET " + column + " = ? WHERE " + String.join(" = ? AND ", key) + " = ?";
            values.forEach(row -> row.addFirst(row.removeLast()));
            Jdbc.batch(connection, sql, values);
            return;
        }
        for (int from = 0; from < values.size(); from += TOGETHER) {
            join(connection, values.subList(from, Math.min(from + TOGETHER, values.size())));
        }
    }

    private void join(Connection connection, List<List<Object>> some) throws SQLException {
        var columns = new ArrayList<>(key);
        columns.add("value");
        var rows = new RowsOfValues(columns);
        some.forEach(rows::add);
        var on = key.stream().map(each -> "t." + each + " = v." + each).collect(Collectors.joining(" AND "));
        Jdbc.update(
                connection,
                "UPDATE " + table + " AS t JOIN " + rows.table("v") + " ON " + on + " SET t." + column + " = v.value",
                rows.parameters());
    }
}
