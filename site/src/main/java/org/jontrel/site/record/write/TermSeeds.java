package org.jontrel.site.record.write;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.record.Surroundings;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.address.Slugs;
import org.jontrel.site.record.address.TakenSlugs;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.SearchWords;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.read.TermTree;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.RecordIds;
import org.jontrel.site.table.Schema;
import org.jontrel.site.table.Statements;

/** Terms as definitions bring them. */
public final class TermSeeds {
    private final Connection connection;
    private final Binding.BoundTables table;
    private final RecordIds ids = new RecordIds(Clock.systemUTC());

    public TermSeeds(Connection connection, Binding.BoundTables table) {
        this.connection = connection;
        this.table = table;
    }

    /**
     * Makes the term, or gives it its new label where it still has the one before; its number.
     *
     * @param before label that definitions gave it before, or {@code null}
     */
    public long put(
            String origin,
            String key,
            String label,
            String before,
            long parent,
            int position,
            Map<String, Object> values)
            throws SQLException {
        var name = PhysicalNames.quoted(table.name());
        var column = PhysicalNames.quoted(table.own().columns().get("part_title"));
        var there =
                Jdbc.query(connection, "SELECT id FROM " + name + " WHERE origin = ?", row -> row.getLong(1), origin);
        if (!there.isEmpty()) {
            if (before != null && !before.equals(label)) {
                int renamed = Jdbc.update(
                        connection,
                        "UPDATE " + name + " SET " + column + " = ?, version = version + 1 WHERE id = ? AND " + column
                                + " = ?",
                        label,
                        there.getFirst(),
                        before);
                if (renamed > 0) {
                    SearchWords.renew(connection, table, there);
                }
            }
            return there.getFirst();
        }
        long id = ids.next();
        var statements = new Statements();
        var addresses = new TakenSlugs(connection, table);
        insert(statements, addresses, id, origin, key, label, new TermPlaces.SeedPlace(parent, position), values);
        statements.run(connection);
        new TermTree(connection, table).placed(id, parent);
        return id;
    }

    /** A term by its label. @param above number of the term that it stands under; 0 for none */
    public record NamedTerm(String label, long above) {}

    /**
     * Makes terms under numbers that were given to them before, or brings back those that were taken away.
     *
     * @param terms none before what it stands under
     */
    public void make(Map<Long, NamedTerm> terms) throws SQLException {
        if (terms.isEmpty()) {
            return;
        }
        var name = PhysicalNames.quoted(table.name());
        var padded = Jdbc.padded(terms.keySet()).toArray();
        var in = " WHERE id IN (" + Jdbc.marks(padded.length) + ")";
        var there = new HashSet<>(Jdbc.query(connection, "SELECT id FROM " + name + in, row -> row.getLong(1), padded));
        Jdbc.update(
                connection,
                "UPDATE " + name + " SET state = 'published'" + in + " AND state = '" + RecordLoader.DELETED + "'",
                padded);
        var places = new TermPlaces(connection, name);
        var addresses = new TakenSlugs(connection, table);
        addresses.look(
                terms.values().stream().map(NamedTerm::label).map(Slugs::base).toList());
        var statements = new Statements();
        for (var each : terms.entrySet()) {
            if (!there.contains(each.getKey())) {
                var label = each.getValue().label();
                var place = places.next(each.getKey(), each.getValue().above());
                insert(statements, addresses, each.getKey(), "", Slugs.base(label), label, place, Map.of());
            }
        }
        statements.run(connection);
        var tree = new TermTree(connection, table);
        for (var each : terms.entrySet()) {
            if (!there.contains(each.getKey())) {
                tree.placed(each.getKey(), places.above(each.getValue().above()));
            }
        }
    }

    /**
     * Takes a term away that nobody has changed since it was made, and under which nothing stands; values that lead to it are held
     * by then.
     */
    public void withdraw(long id) throws SQLException {
        var name = PhysicalNames.quoted(table.name());
        var below = "SELECT COUNT(*) FROM " + name + " WHERE parent_id = ? AND state <> '" + RecordLoader.DELETED + "'";
        if (Jdbc.number(connection, below, id) == 0) {
            Jdbc.update(
                    connection,
                    "UPDATE " + name + " SET state = '" + RecordLoader.DELETED + "' WHERE id = ? AND version = 1",
                    id);
        }
    }

    private void insert(
            Statements statements,
            TakenSlugs addresses,
            long id,
            String origin,
            String key,
            String label,
            TermPlaces.SeedPlace place,
            Map<String, Object> values)
            throws SQLException {
        var all = new LinkedHashMap<String, Object>();
        all.put("part_title", label);
        all.putAll(values);
        var wanted = key.replace('_', '-');
        var slug = addresses.taken(place.parent(), wanted, id) ? Slugs.certain(key, id) : wanted;
        addresses.take(place.parent(), slug);
        var now = Instant.now().truncatedTo(ChronoUnit.MICROS);
        var record = new StoredRecord(
                id,
                slug,
                place.parent() == 0
                        ? Optional.empty()
                        : Optional.of(new Link(table.recordType().id(), place.parent())),
                place.position(),
                RecordState.PUBLISHED,
                false,
                Optional.empty(),
                Optional.empty(),
                origin,
                1,
                RecordCheck.check(table.recordType(), all, Surroundings.NONE).complete(),
                now,
                now,
                "definitions",
                "definitions",
                all);
        new RecordTableWriter(table, statements).insert(record, RecordRows.of(table.recordType(), all));
    }

    /** Removes the term of this origin, unless somebody has changed it, put something under it or uses it, also in held values. */
    public void retire(String origin) throws SQLException {
        var name = PhysicalNames.quoted(table.name());
        var found = Jdbc.query(
                connection,
                "SELECT id FROM " + name + " t WHERE origin = ? AND version = 1 AND NOT EXISTS (SELECT 1 FROM " + name
                        + " below WHERE below.parent_id = t.id)",
                row -> row.getLong(1),
                origin);
        if (found.isEmpty() || isUsed(found.getFirst())) {
            return;
        }
        long id = found.getFirst();
        Jdbc.update(connection, "DELETE FROM " + name + " WHERE id = ?", id);
        for (var place : table.fields().entrySet()) {
            var column = place.getKey().equals(PhysicalNames.ABOVE) ? "term_id" : "record_id";
            Jdbc.update(
                    connection,
                    "DELETE FROM " + PhysicalNames.quoted(place.getValue().name()) + " WHERE " + column + " = ?",
                    id);
        }
        var statements = new Statements();
        SearchWords.remove(statements, table.recordType().id(), id);
        statements.run(connection);
    }

    private boolean isUsed(long id) throws SQLException {
        var tree = table.fields().get(PhysicalNames.ABOVE);
        for (var other : Schema.with(connection, "term_id")) {
            boolean own = tree != null && tree.name().equals(other);
            var use = "SELECT 1 FROM " + PhysicalNames.quoted(other) + " WHERE term_id = ? LIMIT 1";
            if (!own && !Jdbc.query(connection, use, row -> row.getInt(1), id).isEmpty()) {
                return true;
            }
        }
        return false;
    }
}
