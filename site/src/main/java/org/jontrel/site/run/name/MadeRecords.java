package org.jontrel.site.run.name;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.record.Surroundings;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.WholeRecords;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;

/**
 * Makes the records that are noted for names while a run switches. A record is published where a published one leads to it, so
 * that pages go on to say the name; what only drafts name stays a draft.
 */
record MadeRecords(Connection connection, Binding.BoundTables table) {
    private static final int MOST = 1_000;

    /**
     * @param titles by the numbers that they were given
     * @param made name under which they were noted
     */
    void make(Map<Long, String> titles, String made) throws SQLException {
        var shown = shown(made);
        var ids = new ArrayList<>(titles.keySet());
        for (int at = 0; at < ids.size(); at += MOST) {
            make(ids.subList(at, Math.min(at + MOST, ids.size())), titles, shown);
        }
    }

    private void make(List<Long> some, Map<Long, String> titles, Set<Long> shown) throws SQLException {
        var name = PhysicalNames.quoted(table.name());
        var padded = Jdbc.padded(some).toArray();
        var there = new HashSet<>(Jdbc.query(
                connection,
                "SELECT id FROM " + name + " WHERE id IN (" + Jdbc.marks(padded.length) + ")",
                row -> row.getLong(1),
                padded));
        var sql = "UPDATE " + name + " SET state = ? WHERE id = ? AND state = '" + RecordLoader.DELETED + "'";
        Jdbc.batch(
                connection,
                sql,
                there.stream().map(id -> List.of(state(id, shown).code(), id)).toList());
        var fresh = new ArrayList<StoredRecord>();
        for (long id : some) {
            if (!there.contains(id)) {
                fresh.add(record(id, titles.get(id), state(id, shown)));
            }
        }
        new WholeRecords(connection, table).addFound(fresh);
    }

    private static RecordState state(long id, Set<Long> shown) {
        return shown.contains(id) ? RecordState.PUBLISHED : RecordState.DRAFT;
    }

    private StoredRecord record(long id, String title, RecordState state) {
        var values = Map.<String, Object>of("part_title", title);
        var now = Instant.now().truncatedTo(ChronoUnit.MICROS);
        return new StoredRecord(
                id,
                "",
                Optional.empty(),
                0,
                state,
                false,
                Optional.empty(),
                Optional.empty(),
                "",
                1,
                RecordCheck.check(table.recordType(), values, Surroundings.NONE).complete(),
                now,
                now,
                "definitions",
                "definitions",
                values);
    }

    /** Those that a published record leads to. */
    private Set<Long> shown(String made) throws SQLException {
        var shown = new HashSet<Long>();
        var inUse = Schema.inUse(connection);
        var links = new HashSet<>(Schema.with(connection, "target_id"));
        for (var each : inUse.entrySet()) {
            var holder = inUse.get(PhysicalNames.holder(each.getKey()));
            if (links.contains(each.getValue()) && holder != null) {
                Jdbc.each(
                        connection,
                        "SELECT DISTINCT m.term_id FROM jontrel_made m JOIN " + PhysicalNames.quoted(each.getValue())
                                + " l ON l.target_id = m.term_id JOIN " + PhysicalNames.quoted(holder)
                                + " r ON r.id = l.record_id WHERE m.name = ? AND m.taxonomy_id = ? AND r.state = '"
                                + RecordState.PUBLISHED.code() + "'",
                        row -> shown.add(row.getLong(1)),
                        made,
                        table.recordType().id());
            }
        }
        return shown;
    }
}
