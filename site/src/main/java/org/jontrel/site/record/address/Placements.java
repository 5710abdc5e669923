package org.jontrel.site.record.address;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Statements;

/** Where records stand: under which others, at which addresses, and at which they stood before. */
public final class Placements {
    private static final int DEEPEST = 12;
    public static final String VISIBLE =
            "((state = 'published' OR state = 'scheduled' AND publish_at <= UTC_TIMESTAMP())"
                    + " AND (retire_at IS NULL OR retire_at > UTC_TIMESTAMP()))";

    private Placements() {}

    private record Placement(String slug, Optional<Link> parent, boolean visible) {}

    private static Map<Long, Placement> spots(
            Connection connection, Binding binding, String recordTypeId, Set<Long> ids) throws SQLException {
        var table = binding.table(recordTypeId);
        var spots = new HashMap<Long, Placement>();
        if (table.isEmpty() || ids.isEmpty()) {
            return spots;
        }
        var padded = Jdbc.padded(ids);
        Jdbc.query(
                connection,
                "SELECT id, slug, parent_type, parent_id, " + VISIBLE + " FROM "
                        + PhysicalNames.quoted(table.get().name()) + " WHERE id IN (" + Jdbc.marks(padded.size()) + ")",
                row -> spots.put(
                        row.getLong(1),
                        new Placement(
                                row.getString(2),
                                row.getLong(4) == 0
                                        ? Optional.empty()
                                        : Optional.of(new Link(row.getString(3), row.getLong(4))),
                                row.getBoolean(5))),
                padded.toArray());
        return spots;
    }

    /**
     * Slugs from the outermost record down to each one, joined with slashes; only its own where its type says so. What
     * visitors see has an address without those above it that they do not see.
     */
    public static Map<Long, String> addresses(
            Connection connection, Binding binding, Binding.BoundTables table, Collection<StoredRecord> records)
            throws SQLException {
        var addresses = new LinkedHashMap<Long, String>();
        records.forEach(record -> addresses.put(record.id(), record.slug()));
        if (!table.recordType().nesting().parentsInAddress()) {
            return addresses;
        }
        var now = Instant.now();
        var open = records.stream()
                .filter(record -> record.visible(now))
                .map(StoredRecord::id)
                .collect(Collectors.toSet());
        var above = new HashMap<Long, Link>();
        records.forEach(record -> record.parent().ifPresent(parent -> above.put(record.id(), parent)));
        for (int depth = 0; depth < DEEPEST && !above.isEmpty(); depth++) {
            var byType = new HashMap<String, Set<Long>>();
            above.values()
                    .forEach(link -> byType.computeIfAbsent(link.type(), _ -> new HashSet<>())
                            .add(link.id()));
            var found = new HashMap<Link, Placement>();
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
                if (spot.visible() || !open.contains(id)) {
                    addresses.merge(id, spot.slug(), (below, slug) -> slug + "/" + below);
                }
                spot.parent().ifPresentOrElse(next -> above.put(id, next), () -> above.remove(id));
            }
        }
        return addresses;
    }

    /** The links from a record up to the outermost one; also where that is a circle, which ends it. */
    public static List<Link> above(Connection connection, Binding binding, Optional<Link> parent) throws SQLException {
        var links = new ArrayList<Link>();
        var next = parent;
        while (next.isPresent() && !links.contains(next.get()) && links.size() < DEEPEST) {
            links.add(next.get());
            var link = next.get();
            next = Optional.ofNullable(spots(connection, binding, link.type(), Set.of(link.id()))
                            .get(link.id()))
                    .flatMap(Placement::parent);
        }
        return links;
    }

    /** The old address leads to the record, until another one has it: what is there now goes before what was. */
    public static void moved(Statements statements, String recordTypeId, StoredRecord before, StoredRecord after) {
        if (before.parentId() == after.parentId() && before.slug().equals(after.slug())) {
            return;
        }
        statements.add(
                "REPLACE INTO jontrel_address (holder_id, parent_id, slug, record_id) VALUES (?, ?, ?, ?)",
                recordTypeId,
                before.parentId(),
                before.slug(),
                before.id());
    }

    /** Addresses of records that leave their type lead to them. */
    public static void left(Connection connection, String recordTypeId, Collection<StoredRecord> records)
            throws SQLException {
        Jdbc.batch(
                connection,
                "REPLACE INTO jontrel_address (holder_id, parent_id, slug, record_id) VALUES (?, ?, ?, ?)",
                records.stream()
                        .map(each -> List.of(recordTypeId, each.parentId(), each.slug(), each.id()))
                        .toList());
    }

    /** Records that once had a slug, in whatever place. */
    public static List<Long> formerly(Connection connection, String recordTypeId, String slug) throws SQLException {
        return Jdbc.query(
                connection,
                "SELECT record_id FROM jontrel_address WHERE holder_id = ? AND slug = ?",
                row -> row.getLong(1),
                recordTypeId,
                slug);
    }
}
