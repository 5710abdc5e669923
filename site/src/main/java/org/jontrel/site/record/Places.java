package org.jontrel.site.record;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.value.Link;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Names;

/** Where records stand: under which others, at which addresses, and at which they stood before. */
final class Places {
    private static final int DEEPEST = 12;

    private Places() {}

    private record Spot(String slug, Optional<Link> parent) {}

    private static Map<Long, Spot> spots(Connection connection, Binding binding, String holderId, Set<Long> ids)
            throws SQLException {
        var table = binding.table(holderId);
        var spots = new HashMap<Long, Spot>();
        if (table.isEmpty() || ids.isEmpty()) {
            return spots;
        }
        var padded = Jdbc.padded(ids);
        Jdbc.query(
                connection,
                "SELECT id, slug, parent_type, parent_id FROM "
                        + Names.quoted(table.get().name()) + " WHERE id IN (" + Jdbc.marks(padded.size()) + ")",
                row -> spots.put(
                        row.getLong(1),
                        new Spot(
                                row.getString(2),
                                row.getLong(4) == 0
                                        ? Optional.empty()
                                        : Optional.of(new Link(row.getString(3), row.getLong(4))))),
                padded.toArray());
        return spots;
    }

    /** Slugs from the outermost record down to each one, joined with slashes; only its own where its type says so. */
    static Map<Long, String> addresses(
            Connection connection, Binding binding, Binding.Table table, Collection<StoredRecord> records)
            throws SQLException {
        var addresses = new LinkedHashMap<Long, String>();
        records.forEach(record -> addresses.put(record.id(), record.slug()));
        if (!table.holder().nesting().parentsInAddress()) {
            return addresses;
        }
        var above = new HashMap<Long, Link>();
        records.forEach(record -> record.parent().ifPresent(parent -> above.put(record.id(), parent)));
        for (int depth = 0; depth < DEEPEST && !above.isEmpty(); depth++) {
            var byType = new HashMap<String, Set<Long>>();
            above.values()
                    .forEach(link -> byType.computeIfAbsent(link.type(), _ -> new HashSet<>())
                            .add(link.id()));
            var found = new HashMap<Link, Spot>();
            for (var each : byType.entrySet()) {
                spots(connection, binding, each.getKey(), each.getValue())
                        .forEach((id, spot) -> found.put(new Link(each.getKey(), id), spot));
            }
            for (var id : List.copyOf(above.keySet())) {
                var spot = found.get(above.get(id));
                if (spot == null) {
                    above.remove(id);
                    continue;
                }
                addresses.merge(id, spot.slug(), (below, slug) -> slug + "/" + below);
                spot.parent().ifPresentOrElse(next -> above.put(id, next), () -> above.remove(id));
            }
        }
        return addresses;
    }

    /** The links from a record up to the outermost one; also where that is a circle, which ends it. */
    static List<Link> above(Connection connection, Binding binding, Optional<Link> parent) throws SQLException {
        var links = new ArrayList<Link>();
        var next = parent;
        while (next.isPresent() && !links.contains(next.get()) && links.size() < DEEPEST) {
            links.add(next.get());
            var link = next.get();
            next = Optional.ofNullable(spots(connection, binding, link.type(), Set.of(link.id()))
                            .get(link.id()))
                    .flatMap(Spot::parent);
        }
        return links;
    }

    /** Whether a slug is taken in a place by another record than this one. */
    static boolean taken(Connection connection, Binding.Table table, long parent, String slug, long record)
            throws SQLException {
        boolean anywhere = !table.holder().nesting().parentsInAddress();
        var sql = "SELECT id FROM " + Names.quoted(table.name()) + " WHERE slug = ? AND id <> ?"
                + (anywhere ? "" : " AND parent_id = ?") + " LIMIT 1";
        var found = anywhere
                ? Jdbc.query(connection, sql, row -> row.getLong(1), slug, record)
                : Jdbc.query(connection, sql, row -> row.getLong(1), slug, record, parent);
        return !found.isEmpty();
    }

    /** The old address leads to the record; what once led to another record from its new one does not any more. */
    static void moved(Connection connection, String holderId, StoredRecord before, long parent, String slug)
            throws SQLException {
        if (before.parentId() == parent && before.slug().equals(slug)) {
            return;
        }
        Jdbc.update(
                connection,
                "REPLACE INTO jontrel_address (holder_id, parent_id, slug, record_id) VALUES (?, ?, ?, ?)",
                holderId,
                before.parentId(),
                before.slug(),
                before.id());
        settled(connection, holderId, parent, slug);
    }

    static void settled(Connection connection, String holderId, long parent, String slug) throws SQLException {
        Jdbc.update(
                connection,
                "DELETE FROM jontrel_address WHERE holder_id = ? AND parent_id = ? AND slug = ?",
                holderId,
                parent,
                slug);
    }

    /** Records that once had a slug, in whatever place. */
    static List<Long> formerly(Connection connection, String holderId, String slug) throws SQLException {
        return Jdbc.query(
                connection,
                "SELECT record_id FROM jontrel_address WHERE holder_id = ? AND slug = ?",
                row -> row.getLong(1),
                holderId,
                slug);
    }
}
