package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.util.ArrayList;
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
    private static final int DEEPEST = 12;
    private static final RecordIds IDS = new RecordIds(Clock.systemUTC());

    /** A term or record that is to be made. */
    private record NotedTerm(long id, long above, String label) {
        Place at(Map<Long, Long> others) {
            return new Place(others.getOrDefault(above, above), folded(label));
        }
    }

    /** @param above number of the term that it stands under; 0 for none */
    private record Place(long above, String label) {}

    /**
     * The number of the one with this label, whether its letters are capital or small; empty where none can be called so.
     *
     * @param above number of the term that it stands under; 0 for none
     */
    Optional<Long> note(String made, String taxonomyId, long above, String label) throws SQLException {
        var shown = label.strip();
        var folded = folded(label);
        if (!isName(label)) {
            return Optional.empty();
        }
        Jdbc.update(
                connection,
                "INSERT IGNORE INTO jontrel_made (name, taxonomy_id, above_id, label, shown, term_id) VALUES (?, ?, ?, ?, ?, ?)",
                made,
                taxonomyId,
                above,
                folded,
                shown,
                IDS.next());
        return noted(made, taxonomyId, above, label);
    }

    /** The number that was noted for a label; empty where there is none. */
    Optional<Long> noted(String made, String taxonomyId, long above, String label) throws SQLException {
        var sql = "SELECT term_id FROM jontrel_made WHERE name = ? AND taxonomy_id = ? AND above_id = ?"
                + " AND label = ?";
        return Jdbc.first(connection, sql, row -> row.getLong(1), made, taxonomyId, above, folded(label));
    }

    /** Whether something can be called so. */
    static boolean isName(String label) {
        var shown = label.strip();
        return !shown.isEmpty() && Math.max(length(shown), length(folded(label))) <= LONGEST && !shown.contains("\n");
    }

    /** Whether a term can be called so that stands under those before it, all by their labels. */
    static boolean isPath(List<String> path) {
        return !path.isEmpty() && path.size() <= DEEPEST && path.stream().allMatch(MadeTerms::isName);
    }

    static String folded(String label) {
        return label.strip().toLowerCase(Locale.ROOT);
    }

    private static int length(String text) {
        return text.codePointCount(0, text.length());
    }

    /**
     * Makes those that were noted under a name, in the order of their labels and none before what it stands under, or brings them
     * back. Where another has got the place and label meanwhile, as a term that the definition begins with, values lead to that one.
     */
    public void make(Binding.BoundTables table, String made) throws SQLException {
        boolean terms = table.recordType().definition() instanceof Taxonomy;
        var noted = noted(table.recordType(), made);
        var there = there(table, noted);
        var others = new HashMap<Long, Long>();
        var mine = new LinkedHashMap<Long, NotedTerm>();
        for (var term : noted) {
            var place = term.at(others);
            var other = there.get(place);
            if (other == null || other == term.id()) {
                there.put(place, term.id());
                mine.put(term.id(), new NotedTerm(term.id(), place.above(), term.label()));
            } else {
                others.put(term.id(), other);
                lead(terms ? "term_id" : "target_id", term.id(), other);
                Jdbc.update(connection, "DELETE FROM jontrel_made WHERE name = ? AND term_id = ?", made, term.id());
            }
        }
        if (terms) {
            moved(made, noted, mine);
            var seeds = new LinkedHashMap<Long, TermSeeds.NamedTerm>();
            mine.forEach((id, term) -> seeds.put(id, new TermSeeds.NamedTerm(term.label(), term.above())));
            new TermSeeds(connection, table).make(seeds);
        } else {
            var titles = new LinkedHashMap<Long, String>();
            mine.forEach((id, term) -> titles.put(id, term.label()));
            new MadeRecords(connection, table).make(titles, made);
        }
    }

    /** Keeps in mind what those stand under that were noted under a term which another stands for. */
    private void moved(String made, List<NotedTerm> noted, Map<Long, NotedTerm> mine) throws SQLException {
        for (var term : noted) {
            var now = mine.getOrDefault(term.id(), term);
            if (now.above() != term.above()) {
                Jdbc.update(
                        connection,
                        "UPDATE jontrel_made SET above_id = ? WHERE name = ? AND term_id = ?",
                        now.above(),
                        made,
                        term.id());
            }
        }
    }

    /**
     * Those that have the wanted labels, by their places. A name that is no path means whatever is called so, wherever that
     * stands.
     */
    private Map<Place, Long> there(Binding.BoundTables table, List<NotedTerm> noted) throws SQLException {
        var label = PhysicalNames.quoted(table.own().columns().get("part_title"));
        var wanted = noted.stream().map(each -> folded(each.label())).collect(Collectors.toSet());
        var heads = noted.stream().map(NotedTerm::above).collect(Collectors.toSet());
        var alone = noted.stream()
                .filter(each -> each.above() == 0 && !heads.contains(each.id()))
                .map(each -> folded(each.label()))
                .collect(Collectors.toSet());
        var there = new HashMap<Place, Long>();
        var elsewhere = new HashMap<Place, Long>();
        Jdbc.each(
                connection,
                "SELECT " + label + ", id, parent_id FROM " + PhysicalNames.quoted(table.name()) + " WHERE state <> '"
                        + RecordLoader.DELETED + "'",
                row -> {
                    var name = folded(row.getString(1));
                    if (wanted.contains(name)) {
                        there.put(new Place(row.getLong(3), name), row.getLong(2));
                    }
                    if (alone.contains(name)) {
                        elsewhere.put(new Place(0, name), row.getLong(2));
                    }
                });
        elsewhere.forEach(there::putIfAbsent);
        return there;
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

    /** Takes them away again, but for those that people have changed or lead to, and what those and their own terms stand under. */
    public void withdraw(Binding.BoundTables table, String made) throws SQLException {
        var seeds = new TermSeeds(connection, table);
        var used = used(table, made);
        // those under others come behind them
        for (var term : noted(table.recordType(), made).reversed()) {
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

    /** In the order of their labels, none before what it stands under. */
    private List<NotedTerm> noted(RecordType taxonomy, String made) throws SQLException {
        var all = Jdbc.query(
                connection,
                "SELECT term_id, above_id, shown FROM jontrel_made WHERE name = ? AND taxonomy_id = ? ORDER BY label",
                row -> new NotedTerm(row.getLong(1), row.getLong(2), row.getString(3)),
                made,
                taxonomy.id());
        var below =
                all.stream().collect(Collectors.groupingBy(NotedTerm::above, LinkedHashMap::new, Collectors.toList()));
        var ids = all.stream().map(NotedTerm::id).collect(Collectors.toSet());
        var ordered = new ArrayList<NotedTerm>();
        all.stream().filter(each -> !ids.contains(each.above())).forEach(ordered::add);
        for (int at = 0; at < ordered.size(); at++) {
            ordered.addAll(below.getOrDefault(ordered.get(at).id(), List.of()));
        }
        return ordered;
    }

    /** The tables of the record type as they are while a run switches. */
    public Binding.BoundTables tables(RecordType recordType) throws SQLException {
        var table = Schema.tableOf(connection, recordType.id(), "")
                .orElseThrow(() -> new IllegalStateException("The site has no table for " + recordType.plural()));
        return HeldTables.with(connection, recordType, table, Set.of());
    }
}
