package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.write.TermSeeds;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.HeldTables;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.RecordIds;
import org.jontrel.site.table.Schema;

/**
 * Terms that values name which move to a taxonomy, and that are not there yet. They get their numbers while values move beside,
 * and become terms when the run switches, so that nobody sees them before.
 *
 * @param connection of the work under way
 */
public record MadeTerms(Connection connection) {
    private static final int LONGEST = 200;
    private static final RecordIds IDS = new RecordIds(Clock.systemUTC());

    /** A term that is to be made. */
    private record NotedTerm(long id, String label) {}

    /** The number of the term with this label, whether its letters are capital or small; empty where no term can be called so. */
    Optional<Object> note(String made, String taxonomyId, String label) throws SQLException {
        var shown = label.strip();
        var folded = folded(label);
        if (shown.isEmpty() || Math.max(length(shown), length(folded)) > LONGEST || shown.contains("\n")) {
            return Optional.empty();
        }
        Jdbc.update(
                connection,
                "INSERT IGNORE INTO jontrel_made (name, taxonomy_id, label, shown, term_id) VALUES (?, ?, ?, ?, ?)",
                made,
                taxonomyId,
                folded,
                shown,
                IDS.next());
        return noted(made, taxonomyId, label);
    }

    /** The number that was noted for a label; empty where there is none. */
    Optional<Object> noted(String made, String taxonomyId, String label) throws SQLException {
        var sql = "SELECT term_id FROM jontrel_made WHERE name = ? AND taxonomy_id = ? AND label = ?";
        return Jdbc.first(connection, sql, row -> row.getLong(1), made, taxonomyId, folded(label))
                .map(Object.class::cast);
    }

    static String folded(String label) {
        return label.strip().toLowerCase(Locale.ROOT);
    }

    private static int length(String text) {
        return text.codePointCount(0, text.length());
    }

    /**
     * Makes the terms that were noted under a name, in the order of their labels, or brings them back. Where another term has got
     * the label meanwhile, as one that the definition begins with, values lead to that one.
     */
    public void make(Binding.BoundTables taxonomy, String made) throws SQLException {
        var seeds = new TermSeeds(connection, taxonomy);
        var there = labels(taxonomy);
        var mine = new LinkedHashMap<Long, String>();
        for (var term : noted(taxonomy.recordType(), made)) {
            var other = there.get(folded(term.label()));
            if (other == null || other == term.id()) {
                mine.put(term.id(), term.label());
            } else {
                lead(term.id(), other);
                Jdbc.update(connection, "DELETE FROM jontrel_made WHERE name = ? AND term_id = ?", made, term.id());
            }
        }
        seeds.make(mine);
    }

    private Map<String, Long> labels(Binding.BoundTables taxonomy) throws SQLException {
        var label = PhysicalNames.quoted(taxonomy.own().columns().get("part_title"));
        var labels = new HashMap<String, Long>();
        Jdbc.each(
                connection,
                "SELECT " + label + ", id FROM " + PhysicalNames.quoted(taxonomy.name()) + " WHERE state <> '"
                        + RecordLoader.DELETED + "'",
                row -> labels.put(folded(row.getString(1)), row.getLong(2)));
        return labels;
    }

    private void lead(long noted, long other) throws SQLException {
        for (var table : Schema.with(connection, "term_id")) {
            if (PhysicalNames.heldAs(table).isEmpty() && !table.startsWith("jontrel_")) {
                var name = PhysicalNames.quoted(table);
                Jdbc.update(connection, "UPDATE IGNORE " + name + " SET term_id = ? WHERE term_id = ?", other, noted);
                Jdbc.update(connection, "DELETE FROM " + name + " WHERE term_id = ?", noted);
            }
        }
    }

    /** Takes them away again, but for those that people have changed. */
    public void withdraw(Binding.BoundTables taxonomy, String made) throws SQLException {
        var seeds = new TermSeeds(connection, taxonomy);
        for (var term : noted(taxonomy.recordType(), made)) {
            seeds.withdraw(term.id());
        }
    }

    private List<NotedTerm> noted(RecordType taxonomy, String made) throws SQLException {
        return Jdbc.query(
                connection,
                "SELECT term_id, shown FROM jontrel_made WHERE name = ? AND taxonomy_id = ? ORDER BY label",
                row -> new NotedTerm(row.getLong(1), row.getString(2)),
                made,
                taxonomy.id());
    }

    /** The tables of the taxonomy as they are while a run switches. */
    public Binding.BoundTables tables(RecordType taxonomy) throws SQLException {
        var table = Schema.tableOf(connection, taxonomy.id(), "")
                .orElseThrow(() -> new IllegalStateException("The site has no table for " + taxonomy.plural()));
        return HeldTables.with(connection, taxonomy, table, Set.of());
    }
}
