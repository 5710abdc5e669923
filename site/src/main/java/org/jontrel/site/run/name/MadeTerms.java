package org.jontrel.site.run.name;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
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
import org.jontrel.site.table.Schema;

/**
 * Terms and records that values name which move to a taxonomy or become a relation, and that are not there yet. They get their
 * numbers while values move beside, and are made when the run switches, so that nobody sees them before.
 *
 * @param connection of the work under way
 */
public record MadeTerms(Connection connection) {
    /** Where a term is to be, with its label in small letters. @param above number of the term that it stands under; 0 for none */
    private record TermSpot(long above, String label) {
        static TermSpot of(NotedTerms.NotedTerm term, Map<Long, Long> others) {
            return new TermSpot(others.getOrDefault(term.above(), term.above()), NotedTerms.folded(term.label()));
        }
    }

    /**
     * Makes those that were noted under a name, in the order of their labels and none before what it stands under, or brings them
     * back. Where another has got the place and label meanwhile, as a term that the definition begins with, values lead to that one.
     */
    public void make(Binding.BoundTables table, String made) throws SQLException {
        boolean terms = table.recordType().definition() instanceof Taxonomy;
        var notes = new NotedTerms(connection);
        var noted = notes.of(table.recordType(), made);
        var there = there(table, noted);
        var others = new HashMap<Long, Long>();
        var mine = new LinkedHashMap<Long, NotedTerms.NotedTerm>();
        for (var term : noted) {
            var place = TermSpot.of(term, others);
            var other = there.get(place);
            if (other == null || other == term.id()) {
                there.put(place, term.id());
                mine.put(term.id(), new NotedTerms.NotedTerm(term.id(), place.above(), term.label()));
            } else {
                others.put(term.id(), other);
                lead(terms ? "term_id" : "target_id", term.id(), other);
                notes.forget(made, term.id());
            }
        }
        if (terms) {
            notes.moved(made, noted, mine);
            var seeds = new LinkedHashMap<Long, TermSeeds.NamedTerm>();
            mine.forEach((id, term) -> seeds.put(id, new TermSeeds.NamedTerm(term.label(), term.above())));
            new TermSeeds(connection, table).make(seeds);
        } else {
            var titles = new LinkedHashMap<Long, String>();
            mine.forEach((id, term) -> titles.put(id, term.label()));
            new MadeRecords(connection, table).make(titles, made);
        }
    }

    /**
     * Those that have the wanted labels, by their places. A name that is no path means whatever is called so, wherever that
     * stands.
     */
    private Map<TermSpot, Long> there(Binding.BoundTables table, List<NotedTerms.NotedTerm> noted) throws SQLException {
        var label = PhysicalNames.quoted(table.own().columns().get("part_title"));
        var wanted = noted.stream().map(each -> NotedTerms.folded(each.label())).collect(Collectors.toSet());
        var heads = noted.stream().map(NotedTerms.NotedTerm::above).collect(Collectors.toSet());
        var alone = noted.stream()
                .filter(each -> each.above() == 0 && !heads.contains(each.id()))
                .map(each -> NotedTerms.folded(each.label()))
                .collect(Collectors.toSet());
        var there = new HashMap<TermSpot, Long>();
        var elsewhere = new HashMap<TermSpot, Long>();
        Jdbc.each(
                connection,
                "SELECT " + label + ", id, parent_id FROM " + PhysicalNames.quoted(table.name()) + " WHERE state <> '"
                        + RecordLoader.DELETED + "'",
                row -> {
                    var name = NotedTerms.folded(row.getString(1));
                    if (wanted.contains(name)) {
                        there.put(new TermSpot(row.getLong(3), name), row.getLong(2));
                    }
                    if (alone.contains(name)) {
                        elsewhere.put(new TermSpot(0, name), row.getLong(2));
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
        for (var term : new NotedTerms(connection).of(table.recordType(), made).reversed()) {
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

    /** The tables of the record type as they are while a run switches. */
    public Binding.BoundTables tables(RecordType recordType) throws SQLException {
        var table = Schema.tableOf(connection, recordType.id(), "")
                .orElseThrow(() -> new IllegalStateException("The site has no table for " + recordType.plural()));
        return HeldTables.with(connection, recordType, table, Set.of());
    }
}
