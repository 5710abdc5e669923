package org.jontrel.core.generate.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Keeps what a new release has no place for, as text. */
final class HeldInserts {
    private final SqlDialect dialect;
    private final String table;
    private final String release;
    private final List<String> notes = new ArrayList<>();

    HeldInserts(SqlDialect dialect, String table, String release) {
        this.dialect = dialect;
        this.table = table;
        this.release = release;
    }

    /**
     * @param of the table as it was
     * @param nowTable what that table is called now
     * @param column as it was
     * @param nowColumn what that column is called now
     * @param where which values; all where empty
     */
    String keep(SqlTable of, String nowTable, SqlColumn column, String nowColumn, String where) {
        var key = of.key().isEmpty()
                ? dialect.literal("")
                : "CONCAT_WS('.', " + of.key().stream().map(dialect::quoted).collect(Collectors.joining(", ")) + ")";
        var what = where.isEmpty() ? "All values of " : "Values of ";
        notes.add(what + of.name() + "." + column.name() + (where.isEmpty() ? "" : " that have no place any more")
                + " are held in " + table + ".");
        var name = dialect.quoted(nowColumn);
        return "INSERT INTO %s SELECT %s, %s, %s, %s, %s FROM %s WHERE %s IS NOT NULL%s"
                .formatted(
                        dialect.quoted(table),
                        dialect.literal(release),
                        dialect.literal(of.name()),
                        dialect.literal(column.name()),
                        key,
                        dialect.asText(name),
                        dialect.quoted(nowTable),
                        name,
                        where.isEmpty() ? "" : " AND " + where);
    }

    List<String> notes() {
        return notes.stream().distinct().toList();
    }
}
