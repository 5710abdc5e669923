package org.jontrel.site.record.read;

import java.sql.Connection;
import java.sql.SQLException;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** The terms above each term of a taxonomy, itself among them, so that what is under one is found at once. */
public final class TermTree {
    /** A tree that goes round is cut here. */
    private static final int DEEPEST = 200;

    private final Connection connection;
    private final String name;

    public TermTree(Connection connection, Binding.BoundTables table) {
        this.connection = connection;
        this.name = name(table);
    }

    /** All pairs as they follow from what each term stands under, named {@code up}. */
    private static String derived(Binding.BoundTables table) {
        var terms = PhysicalNames.quoted(table.name());
        return "WITH RECURSIVE up (term_id, above_id, depth) AS (SELECT id, id, 0 FROM " + terms
                + " UNION ALL SELECT up.term_id, t.parent_id, up.depth + 1 FROM up JOIN " + terms
                + " t ON t.id = up.above_id WHERE t.parent_id <> 0 AND up.depth < " + DEEPEST + ")";
    }

    /** Whether the pairs that are stored are others than those that follow from what each term stands under. */
    public static boolean isWrong(Connection connection, Binding.BoundTables table) throws SQLException {
        long stored = Jdbc.number(connection, "SELECT COUNT(*) FROM " + name(table));
        var sql = derived(table) + " SELECT COUNT(*), COALESCE(SUM(a.term_id IS NULL), 0) FROM up LEFT JOIN "
                + name(table) + " a ON a.term_id = up.term_id AND a.above_id = up.above_id AND a.depth = up.depth";
        return Jdbc.first(connection, sql, row -> row.getLong(1) != stored || row.getLong(2) > 0)
                .orElse(false);
    }

    /** Makes all of it anew. */
    public static void renew(Connection connection, Binding.BoundTables table) throws SQLException {
        Jdbc.update(connection, "DELETE FROM " + name(table));
        Jdbc.update(
                connection,
                "INSERT IGNORE INTO " + name(table) + " (term_id, above_id, depth) " + derived(table)
                        + " SELECT term_id, above_id, depth FROM up");
    }

    private static String name(Binding.BoundTables table) {
        return PhysicalNames.quoted(table.fields().get(PhysicalNames.ABOVE).name());
    }

    /** A term stands now under another, with all that is under it; 0 for under none. */
    public void placed(long term, long parent) throws SQLException {
        Jdbc.update(
                connection, "INSERT IGNORE INTO " + name + " (term_id, above_id, depth) VALUES (?, ?, 0)", term, term);
        Jdbc.update(
                connection,
                "DELETE a FROM " + name + " a JOIN " + name + " d ON d.term_id = a.term_id AND d.above_id = ?"
                        + " LEFT JOIN " + name + " i ON i.term_id = a.above_id AND i.above_id = ?"
                        + " WHERE i.term_id IS NULL",
                term,
                term);
        if (parent != 0) {
            Jdbc.update(
                    connection,
                    "INSERT IGNORE INTO " + name + " (term_id, above_id, depth) SELECT d.term_id, a.above_id, d.depth +"
                            + " a.depth + 1 FROM " + name + " d JOIN " + name
                            + " a ON a.term_id = ? WHERE d.above_id = ?",
                    parent,
                    term);
        }
    }
}
