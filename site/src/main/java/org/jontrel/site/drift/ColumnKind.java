package org.jontrel.site.drift;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jontrel.core.model.Kind;
import org.jontrel.site.table.Jdbc;

/**
 * The kind of field that takes all values of a column, whatever its type; looked up from the type and from what is there. No value
 * would be rounded or cut.
 *
 * @param table its name as a statement has it
 * @param column its name as a statement has it
 */
record ColumnKind(Connection connection, String table, String column) {
    /** @param type as the database names it */
    private record ColumnType(String type, int decimals, boolean computed) {}

    /** Empty where there is no such column, where it is computed from others, or holds what no field can. */
    static Optional<Kind> of(Connection connection, String table, String column) throws SQLException {
        var sql = "SELECT column_type, data_type, COALESCE(numeric_scale, 0), COALESCE(generation_expression, '') <> ''"
                + " OR extra LIKE '%auto_increment%' FROM information_schema.columns WHERE table_schema = DATABASE()"
                + " AND table_name = ? AND column_name = ?";
        var type = Jdbc.first(
                connection,
                sql,
                row -> new ColumnType(
                        row.getString(1).toLowerCase(Locale.ROOT).startsWith("tinyint(1)") ? "flag" : row.getString(2),
                        row.getInt(3),
                        row.getBoolean(4)),
                table,
                column);
        if (type.isEmpty() || type.get().computed()) {
            return Optional.empty();
        }
        return new ColumnKind(connection, quoted(table), quoted(column)).kind(type.get());
    }

    /** Whatever somebody called it. */
    static String quoted(String name) {
        return "`" + name.replace("`", "``") + "`";
    }

    private Optional<Kind> kind(ColumnType type) throws SQLException {
        return switch (type.type().toLowerCase(Locale.ROOT)) {
            case "flag" -> Optional.of(all(column + " IN (0, 1)") ? Kind.YesNo.PLAIN : Kind.Numeric.PLAIN);
            case "tinyint", "smallint", "mediumint", "int", "year" -> Optional.of(Kind.Numeric.PLAIN);
            case "bigint" -> all("ABS(CAST(" + column + " AS DECIMAL(30))) < 1e14") ? number(0) : text();
            case "decimal" ->
                all("ABS(" + column + ") < 1e14") && type.decimals() <= Kind.Numeric.MOST_DECIMALS
                        ? number(type.decimals())
                        : text();
            case "float", "double" ->
                all(column + " BETWEEN -1e13 AND 1e13 AND CAST(" + column + " AS DECIMAL(20,6)) = " + column)
                        ? number(Kind.Numeric.MOST_DECIMALS)
                        : text();
            case "date" -> all(column + " > '0001-01-01'") ? Optional.of(Kind.Date.PLAIN) : text();
            case "time" ->
                all(column + " BETWEEN '00:00:00' AND '23:59:59' AND MICROSECOND(" + column + ") = 0")
                        ? Optional.of(Kind.Time.PLAIN)
                        : text();
            case "datetime", "timestamp" ->
                all(column + " > '0001-01-01' AND MICROSECOND(" + column + ") = 0")
                        ? Optional.of(Kind.DateTime.PLAIN)
                        : text();
            case "char",
                    "varchar",
                    "tinytext",
                    "text",
                    "mediumtext",
                    "longtext",
                    "enum",
                    "set",
                    "uuid",
                    "inet4",
                    "inet6" -> text();
            default -> Optional.empty();
        };
    }

    private static Optional<Kind> number(int decimals) {
        return Optional.of(new Kind.Numeric(decimals, null, null, ""));
    }

    private Optional<Kind> text() throws SQLException {
        if (all("CHAR_LENGTH(" + column + ") <= " + Kind.Text.LONGEST + " AND " + column
                + " NOT REGEXP '[[:cntrl:]]'")) {
            return Optional.of(Kind.Text.PLAIN);
        }
        return all("CHAR_LENGTH(" + column + ") <= " + Kind.LongText.LONGEST)
                ? Optional.of(Kind.LongText.PLAIN)
                : Optional.empty();
    }

    /** Whether this is so of all values. */
    private boolean all(String condition) throws SQLException {
        var sql = "SELECT 1 FROM " + table + " WHERE " + column + " IS NOT NULL AND NOT (" + condition + ") LIMIT 1";
        return Jdbc.query(connection, sql, row -> row.getInt(1)).equals(List.of());
    }
}
