package org.jontrel.site.importer;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** Marks what stays of an import when it is undone: what somebody has changed since, and what others lead to by now. */
record UndoMarks(Connection connection, Binding binding, long importId) {
    private static final String OF_IMPORT = " j.import_id = ? AND j.holder_id = ?";

    List<String> types() throws SQLException {
        return Jdbc.query(
                connection,
                "SELECT DISTINCT holder_id FROM jontrel_import_record WHERE import_id = ? ORDER BY holder_id",
                row -> row.getString(1),
                importId);
    }

    /** Marks what stays, and why: {@code changed}, {@code led}, or {@code gone} where it is not there any more. */
    void mark() throws SQLException {
        for (var type : types()) {
            var table = binding.table(type);
            if (table.isEmpty()) {
                Jdbc.update(
                        connection,
                        "UPDATE jontrel_import_record j SET kept = 'gone' WHERE" + OF_IMPORT + " AND kept IS NULL",
                        importId,
                        type);
                continue;
            }
            var name = PhysicalNames.quoted(table.get().name());
            Jdbc.update(
                    connection,
                    "UPDATE jontrel_import_record j LEFT JOIN " + name
                            + " t ON t.id = j.record_id SET j.kept = CASE WHEN"
                            + " t.id IS NULL THEN 'gone' ELSE 'changed' END WHERE" + OF_IMPORT
                            + " AND j.kept IS NULL AND (t.id IS NULL OR t.version <> j.version)",
                    importId,
                    type);
        }
        led();
    }

    /** What is led to by what stays, stays too. */
    void led() throws SQLException {
        int more = 1;
        while (more > 0) {
            more = 0;
            for (var table : binding.tables().values()) {
                for (var type : types()) {
                    more += led(table, type);
                }
            }
        }
    }

    private int led(Binding.BoundTables from, String type) throws SQLException {
        int led = led(from, type, PhysicalNames.quoted(from.name()), "parent_id", "id", "f.parent_type = j.holder_id");
        for (var place : from.fields().entrySet()) {
            var field = from.recordType().field(place.getKey()).map(Field::kind);
            var name = PhysicalNames.quoted(place.getValue().name());
            if (field.isPresent() && field.get() instanceof Kind.Relation relation) {
                // a link that leads both ways is kept once, from either end
                if (relation.to().contains(type) && !relation.symmetric()) {
                    led += led(from, type, name, "target_id", "record_id", "f.target_type = j.holder_id");
                }
            } else if (field.isPresent()
                    && field.get() instanceof Kind.TermPick term
                    && term.taxonomy().equals(type)) {
                led += led(from, type, name, "term_id", "record_id", "1 = 1");
            }
        }
        return led;
    }

    private int led(Binding.BoundTables from, String type, String name, String target, String holder, String which)
            throws SQLException {
        return Jdbc.update(
                connection,
                "UPDATE jontrel_import_record j JOIN " + name + " f ON f." + target + " = j.record_id AND " + which
                        + " LEFT JOIN jontrel_import_record o ON o.import_id = j.import_id AND o.holder_id = ? AND"
                        + " o.record_id = f." + holder + " AND o.kept IS NULL SET j.kept = 'led' WHERE" + OF_IMPORT
                        + " AND j.was IS NULL AND j.kept IS NULL AND o.record_id IS NULL",
                from.recordType().id(),
                importId,
                type);
    }

    /** How many go, become what they were, and stay, as it was marked. */
    UndoCounts counts() throws SQLException {
        var counts = new HashMap<String, Long>();
        Jdbc.each(
                connection,
                "SELECT CASE WHEN kept IS NOT NULL THEN kept WHEN was IS NULL THEN 'removed' ELSE 'restored' END AS what,"
                        + " COUNT(*) FROM jontrel_import_record WHERE import_id = ? GROUP BY what",
                row -> counts.put(row.getString(1), row.getLong(2)),
                importId);
        return new UndoCounts(
                counts.getOrDefault("removed", 0L),
                counts.getOrDefault("restored", 0L),
                counts.getOrDefault("changed", 0L),
                counts.getOrDefault("led", 0L));
    }
}
