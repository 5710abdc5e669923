package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Rows of a table as they are, to be put elsewhere without a difference. */
public final class ExactRows {
    /** Of one statement. */
    private static final int BUNDLED = 200;

    private static final int NO_SUCH_TABLE = 1146;
    private final String table;
    private final List<Map.Entry<String, String>> types;

    /** @throws SQLException also where the table is gone */
    public ExactRows(Connection connection, String table) throws SQLException {
        this.table = table;
        this.types = List.copyOf(Schema.types(connection, table).entrySet());
        if (types.isEmpty()) {
            throw new SQLException("The table " + table + " is gone", "42S02", NO_SUCH_TABLE);
        }
    }

    /** The types of its columns by their names, in the order in which values stand. */
    public List<Map.Entry<String, String>> types() {
        return types;
    }

    /** Times as the database writes them: its driver drops the first zeros of some fractions. */
    private static String selected(Map.Entry<String, String> column) {
        var quoted = "`" + column.getKey() + "`";
        return column.getValue().startsWith("datetime") || column.getValue().startsWith("time")
                ? "CAST(" + quoted + " AS CHAR)"
                : quoted;
    }

    /** Visits all rows. @param ordered whether by their primary key */
    public void each(Connection connection, boolean ordered, Jdbc.RowVisitor visitor) throws SQLException {
        var key = ordered ? Schema.indexes(connection, table).getOrDefault("PRIMARY", "") : "";
        var order = key.isEmpty() ? "" : " ORDER BY `" + key.replace(",", "`, `") + "`";
        var columns = types.stream().map(ExactRows::selected).collect(Collectors.joining(", "));
        Jdbc.each(connection, "SELECT " + columns + " FROM `" + table + "`" + order, visitor);
    }

    /** A value: a number, the bytes of a place, or a text, which no calendar or zone touches; {@code null} for none. */
    public Object value(ResultSet row, int column) throws SQLException {
        var type = types.get(column).getValue();
        if (isPlace(type)) {
            return row.getBytes(column + 1);
        }
        if (isNumber(type)) {
            long number = row.getLong(column + 1);
            return row.wasNull() ? null : (Object) number;
        }
        return row.getString(column + 1);
    }

    public static boolean isPlace(String type) {
        return type.startsWith("point");
    }

    public static boolean isNumber(String type) {
        return type.startsWith("tinyint") || type.startsWith("int") || type.startsWith("bigint");
    }

    /** Puts rows into the table of the same name. */
    public Insertion into(Connection connection) {
        return new Insertion(connection);
    }

    /** Rows that are put into a table, many with one statement. */
    public final class Insertion {
        private final Connection connection;
        private final List<Object> bundle = new ArrayList<>();

        private Insertion(Connection connection) {
            this.connection = connection;
        }

        /** @param values in the order of the columns; whether a statement was sent */
        public boolean add(List<Object> values) throws SQLException {
            bundle.addAll(values);
            if (bundle.size() < BUNDLED * types.size()) {
                return false;
            }
            flush();
            return true;
        }

        /** Sends what is left. */
        public void flush() throws SQLException {
            if (bundle.isEmpty()) {
                return;
            }
            int rows = bundle.size() / types.size();
            var columns = types.stream().map(each -> "`" + each.getKey() + "`").collect(Collectors.joining(", "));
            var row = "(" + Jdbc.marks(types.size()) + ")";
            Jdbc.update(
                    connection,
                    "INSERT INTO `%s` (%s) VALUES %s"
                            .formatted(table, columns, String.join(", ", Collections.nCopies(rows, row))),
                    bundle);
            bundle.clear();
        }
    }
}
