package org.jontrel.site.run.retype;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.site.record.address.TakenSlugs;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/**
 * Gives records that come to a table made beside their addresses. Those that stay keep theirs; those that come get a number behind
 * it where it is taken. People go on to save: what stands in the table may be out of date, and makes room until it is written again.
 */
final class FreeSlugs {
    private final Connection connection;
    private final Binding binding;
    private final Binding.BoundTables beside;
    private final List<TypeMove> ways;
    private final TakenSlugs taken;
    private final Map<String, Map<Long, Long>> held = new HashMap<>();

    /**
     * @param binding the tables in use
     * @param ways all that lead to the table
     */
    FreeSlugs(Connection connection, Binding binding, Binding.BoundTables beside, List<TypeMove> ways) {
        this.connection = connection;
        this.binding = binding;
        this.beside = beside;
        this.ways = ways;
        this.taken = new TakenSlugs(connection, beside);
    }

    /** Asks for many at once. */
    void look(List<StoredRecord> records) throws SQLException {
        taken.look(records.stream().map(StoredRecord::slug).toList());
        var padded = Jdbc.padded(records.stream().map(StoredRecord::slug).toList());
        records.forEach(each -> held.putIfAbsent(each.slug(), new HashMap<>()));
        Jdbc.each(
                connection,
                "SELECT slug, parent_id, id FROM " + PhysicalNames.quoted(beside.name()) + " WHERE slug IN ("
                        + Jdbc.marks(padded.size()) + ")",
                row -> held.get(row.getString(1)).put(row.getLong(2), row.getLong(3)),
                padded.toArray());
    }

    /** The record with an address that is free. */
    StoredRecord free(StoredRecord record, TypeMove way) throws SQLException {
        var there = held.getOrDefault(record.slug(), Map.of()).get(record.parentId());
        var slug = record.slug();
        if (there != null && there != record.id()) {
            var other = source(there);
            if (other == null || !isStill(other, there, record)) {
                rename(there, "~" + Long.toString(there, Character.MAX_RADIX) + "~");
            } else if (way.stays()) {
                rename(there, taken.free(record.parentId(), slug, there));
            } else {
                slug = taken.free(record.parentId(), slug, record.id());
            }
        } else if (!way.stays() && !record.deleted() && taken.taken(record.parentId(), slug, record.id())) {
            slug = taken.free(record.parentId(), slug, record.id());
        }
        taken.take(record.parentId(), slug);
        held.computeIfAbsent(slug, _ -> new HashMap<>()).put(record.parentId(), record.id());
        return record.withSlug(slug);
    }

    private void rename(long id, String slug) throws SQLException {
        Jdbc.update(
                connection, "UPDATE " + PhysicalNames.quoted(beside.name()) + " SET slug = ? WHERE id = ?", slug, id);
    }

    /** Where a record beside comes from; {@code null} where it is gone by now. */
    private Binding.BoundTables source(long id) throws SQLException {
        for (var way : ways) {
            var table = binding.table(way.from());
            if (table.isPresent()
                    && !new RecordLoader(table.get())
                            .own(connection, "WHERE id = ?", id)
                            .isEmpty()) {
                return table.get();
            }
        }
        return null;
    }

    /** Whether it has the address of the other one still, where it comes from. */
    private boolean isStill(Binding.BoundTables source, long id, StoredRecord other) throws SQLException {
        return new RecordLoader(source)
                .own(connection, "WHERE id = ?", id).stream()
                        .anyMatch(each -> each.slug().equals(other.slug()) && each.parentId() == other.parentId());
    }
}
