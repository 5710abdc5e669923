package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.move.AlikeRows;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.record.GroupedValues;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.PlacedValues;
import org.jontrel.site.record.write.WholeRecords;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/**
 * Records beside that stand for all rows which say the same. Such a record is as visible as the most visible of those that lead to
 * it.
 *
 * @param goal what the rows are in, as it will be
 * @param around the table of the records whose rows they are
 * @param beside of the records
 * @param links the relation beside
 */
record UnitedRecords(
        Connection connection,
        RecordMove rule,
        RecordType goal,
        String around,
        Binding.BoundTables beside,
        RecordLinks links) {
    /** What visitors see first. */
    private static final List<String> STATES =
            List.of("published", "scheduled", "draft", "retired", RecordLoader.DELETED);

    /** A row as the record that it becomes, except for its id. */
    record UnitedRow(StoredRecord around, Map<String, Object> values) {}

    /**
     * Writes the records that these rows become, and what leads to them.
     *
     * @param rows of all records that are written, by their order
     * @param again ids of records around whose rows may be there already
     */
    void write(List<UnitedRow> rows, List<Long> again, PlacedValues link) throws SQLException {
        var before = new HashSet<Long>();
        links.of(again).values().forEach(before::addAll);
        var ids = new AlikeNotes(connection, new AlikeRows(beside.recordType(), rule))
                .numbers(rows.stream().map(UnitedRow::values).toList());
        var there = states(ids);
        var made = new LinkedHashMap<Long, StoredRecord>();
        var better = new HashMap<Long, StoredRecord>();
        var linked = new LinkedHashMap<Long, Set<Link>>();
        again.forEach(id -> linked.put(id, new LinkedHashSet<>()));
        for (int at = 0; at < rows.size(); at++) {
            var row = rows.get(at);
            long id = ids.get(at);
            linked.computeIfAbsent(row.around().id(), _ -> new LinkedHashSet<>())
                    .add(new Link(rule.records(), id));
            if (!there.containsKey(id)) {
                made.put(id, RecordMaker.made(beside.recordType(), row.around(), id, row.values(), rule));
                there.put(id, state(row.around()));
            } else if (STATES.indexOf(state(row.around())) < STATES.indexOf(there.get(id))) {
                better.put(id, row.around());
                there.put(id, state(row.around()));
            }
        }
        var writer = new WholeRecords(connection, beside);
        writer.addFound(List.copyOf(made.values()));
        link.write(connection, values(linked));
        for (var each : better.entrySet()) {
            show(each.getKey(), each.getValue().id());
        }
        if (!again.isEmpty()) {
            var led = links.shared(before, 1);
            var gone = new HashSet<>(before);
            gone.removeAll(led);
            writer.removeFound(gone);
            led.addAll(ids);
            for (long id : led) {
                show(id);
            }
        }
    }

    private Map<Long, Map<String, Object>> values(Map<Long, Set<Link>> linked) {
        var values = new LinkedHashMap<Long, Map<String, Object>>();
        linked.forEach((record, mine) -> values.put(
                record,
                mine.isEmpty() ? Map.of() : GroupedValues.with(goal, Map.of(), rule.link(), new ArrayList<>(mine))));
        return values;
    }

    private static String state(StoredRecord record) {
        return record.deleted() ? RecordLoader.DELETED : record.state().code();
    }

    private Map<Long, String> states(Collection<Long> ids) throws SQLException {
        var states = new HashMap<Long, String>();
        if (!ids.isEmpty()) {
            var padded = Jdbc.padded(new LinkedHashSet<>(ids)).toArray();
            Jdbc.each(
                    connection,
                    "SELECT id, state FROM " + PhysicalNames.quoted(beside.name()) + " WHERE id IN ("
                            + Jdbc.marks(padded.length) + ")",
                    row -> states.put(row.getLong(1), row.getString(2)),
                    padded);
        }
        return states;
    }

    /** As visible as this one. */
    private void show(long id, long like) throws SQLException {
        Jdbc.update(
                connection,
                "UPDATE " + PhysicalNames.quoted(beside.name()) + " b JOIN " + PhysicalNames.quoted(around)
                        + " a ON a.id = ? SET b.state = a.state, b.publish_at = a.publish_at, b.retire_at = a.retire_at"
                        + " WHERE b.id = ?",
                like,
                id);
    }

    /** As visible as the most visible of those that lead to it now. */
    private void show(long id) throws SQLException {
        var order = STATES.stream().map(each -> "'" + each + "'").collect(Collectors.joining(", "));
        var most = Jdbc.first(
                connection,
                "SELECT a.id FROM " + PhysicalNames.quoted(links.table()) + " l JOIN " + PhysicalNames.quoted(around)
                        + " a ON a.id = l.record_id WHERE l.target_id = ? ORDER BY FIELD(a.state, " + order
                        + "), a.id LIMIT 1",
                row -> row.getLong(1),
                id);
        if (most.isPresent()) {
            show(id, most.get());
        }
    }
}
