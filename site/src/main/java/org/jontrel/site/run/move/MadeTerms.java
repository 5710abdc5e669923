package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Taxonomy;
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
 * Terms and records that values name which move to a taxonomy or become a relation, and that are not there yet. They get their
 * numbers while values move beside, and are made when the run switches, so that nobody sees them before.
 *
 * @param connection of the work under way
 */
public record MadeTerms(Connection connection) {
    private static final int LONGEST = 200;
    private static final RecordIds IDS = new RecordIds(Clock.systemUTC());

    /** A term or record that is to be made. */
    private record NotedTerm(long id, String label) {}

    /** The number of the one with this label, whether its letters are capital or small; empty where none can be called so. */
    Optional<Long> note(String made, String taxonomyId, String label) throws SQLException {
        var shown = label.strip();
        var folded = folded(label);
        if (!isName(label)) {
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
    Optional<Long> noted(String made, String taxonomyId, String label) throws SQLException {
        var sql = "SELECT term_id FROM jontrel_made WHERE name = ? AND taxonomy_id = ? AND label = ?";
        return Jdbc.first(connection, sql, row -> row.getLong(1), made, taxonomyId, folded(label));
    }

    /** Whether something can be called so. */
    static boolean isName(String label) {
        var shown = label.strip();
        return !shown.isEmpty() && Math.max(length(shown), length(folded(label))) <= LONGEST && !shown.contains("\n");
    }

    static String folded(String label) {
        return label.strip().toLowerCase(Locale.ROOT);
    }

    private static int length(String text) {
        return text.codePointCount(0, text.length());
    }

    /**
     * Makes those that were noted under a name, in the order of their labels, or brings them back. Where another has got the label
     * meanwhile, as a term that the definition begins with, values lead to that one.
     */
    public void make(Binding.BoundTables table, String made) throws SQLException {
        boolean terms = table.recordType().definition() instanceof Taxonomy;
        var mine = new LinkedHashMap<Long, String>();
        var noted = noted(table.recordType(), made);
        var there = labels(table, noted);
        for (var term : noted) {
            var other = there.get(folded(term.label()));
            if (other == null || other == term.id()) {
                mine.put(term.id(), term.label());
            } else {
                lead(terms ? "term_id" : "target_id", term.id(), other);
                Jdbc.update(connection, "DELETE FROM jontrel_made WHERE name = ? AND term_id = ?", made, term.id());
            }
        }
        if (terms) {
            new TermSeeds(connection, table).make(mine);
        } else {
            new MadeRecords(connection, table).make(mine, made);
        }
    }

    private Map<String, Long> labels(Binding.BoundTables taxonomy, List<NotedTerm> noted) throws SQLException {
        var label = PhysicalNames.quoted(taxonomy.own().columns().get("part_title"));
        var wanted = noted.stream().map(each -> folded(each.label())).collect(Collectors.toSet());
        var labels = new HashMap<String, Long>();
        Jdbc.each(
                connection,
                "SELECT " + label + ", id FROM " + PhysicalNames.quoted(taxonomy.name()) + " WHERE state <> '"
                        + RecordLoader.DELETED + "'",
                row -> {
                    var name = folded(row.getString(1));
                    if (wanted.contains(name)) {
                        labels.put(name, row.getLong(2));
                    }
                });
        return labels;
    }

    private void lead(String column, long noted, long other) throws SQLException {
        for (var table : leading(column)) {
            var name = PhysicalNames.quoted(table);
            Jdbc.update(
                    connection,
                    "UPDATE IGNORE " + name + " SET " + column + " = ? WHERE " + column + " = ?",
                    other,
                    noted);
            Jdbc.update(connection, "DELETE FROM " + name + " WHERE " + column + " = ?", noted);
        }
    }

    /** Takes them away again, but for those that people have changed, or lead to. */
    public void withdraw(Binding.BoundTables table, String made) throws SQLException {
        var seeds = new TermSeeds(connection, table);
        var used = used(table, made);
        for (var term : noted(table.recordType(), made)) {
            if (!used.contains(term.id())) {
                seeds.withdraw(term.id());
            }
        }
    }

    /** Those that something in use leads to. */
    private Set<Long> used(Binding.BoundTables table, String made) throws SQLException {
        var column = table.recordType().definition() instanceof Taxonomy ? "term_id" : "target_id";
        var tree = Optional.ofNullable(table.fields().get(PhysicalNames.ABOVE)).map(Binding.ValueTable::name);
        var used = new HashSet<Long>();
        for (var each : leading(column)) {
            if (!tree.equals(Optional.of(each))) {
                Jdbc.each(
                        connection,
                        "SELECT DISTINCT m.term_id FROM jontrel_made m JOIN " + PhysicalNames.quoted(each) + " l ON l."
                                + column + " = m.term_id WHERE m.name = ? AND m.taxonomy_id = ?",
                        row -> used.add(row.getLong(1)),
                        made,
                        table.recordType().id());
            }
        }
        return used;
    }

    /** The tables in use with a column that leads to terms or records. */
    private List<String> leading(String column) throws SQLException {
        return Schema.with(connection, column).stream()
                .filter(each -> PhysicalNames.heldAs(each).isEmpty() && !each.startsWith("jontrel_"))
                .toList();
    }

    private List<NotedTerm> noted(RecordType taxonomy, String made) throws SQLException {
        return Jdbc.query(
                connection,
                "SELECT term_id, shown FROM jontrel_made WHERE name = ? AND taxonomy_id = ? ORDER BY label",
                row -> new NotedTerm(row.getLong(1), row.getString(2)),
                made,
                taxonomy.id());
    }

    /** The tables of the record type as they are while a run switches. */
    public Binding.BoundTables tables(RecordType recordType) throws SQLException {
        var table = Schema.tableOf(connection, recordType.id(), "")
                .orElseThrow(() -> new IllegalStateException("The site has no table for " + recordType.plural()));
        return HeldTables.with(connection, recordType, table, Set.of());
    }
}
