package org.jontrel.site.importer;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.record.Surroundings;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.importer.name.ImportWork;
import org.jontrel.site.importer.row.MappingText;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Histories;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.SaveTransaction;
import org.jontrel.site.record.write.WholeRecords;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/**
 * Takes back what an import did: what it made goes as if it had never been, what it changed becomes what it was. What somebody has
 * changed since, and what others lead to by now, stays as it is.
 */
record ImportUndo(Connection connection, Binding binding, ImportWork work) {
    static final String MARK = "mark";
    static final String RESTORE = "restore";
    static final String REMOVE = "remove";
    static final Set<String> PHASES = Set.of(MARK, RESTORE, REMOVE);
    static final int TOGETHER = 500;

    UndoMarks marks() {
        return new UndoMarks(connection, binding, work.id());
    }

    private record Journalled(long record, int version, long generation, String was) {}

    private List<Journalled> some(String type, boolean changed, long after) throws SQLException {
        return Jdbc.query(
                connection,
                "SELECT record_id, version, generation, was FROM jontrel_import_record WHERE import_id = ? AND holder_id = ? AND"
                        + " kept IS NULL AND record_id > ? AND was IS " + (changed ? "NOT NULL" : "NULL")
                        + " ORDER BY record_id LIMIT " + TOGETHER,
                row -> new Journalled(row.getLong(1), row.getInt(2), row.getLong(3), row.getString(4)),
                work.id(),
                type,
                after);
    }

    /** Some changed records of a type, behind one, become what they were; the last of them, or -1 where there are none left. */
    long restore(String type, long after) throws SQLException {
        var some = some(type, true, after);
        if (!some.isEmpty()) {
            restore(type, some);
        }
        return some.isEmpty() ? -1 : some.getLast().record();
    }

    private void restore(String type, List<Journalled> some) throws SQLException {
        var now = binding.table(type).orElseThrow().recordType();
        var incoming = new ArrayList<SaveTransaction.Incoming>();
        for (var each : some) {
            var then = Histories.recordType(connection, binding, each.generation(), type);
            incoming.add(new SaveTransaction.Incoming(
                    each.record(),
                    record -> record.filter(it -> it.version() == each.version())
                            .map(it -> was(then.orElse(now), now, each, it))
                            .orElse(null)));
        }
        var results = work.saving(connection, binding, type, Set.of()).bring(incoming);
        var restored = new ArrayList<Long>();
        var left = new ArrayList<Long>();
        for (int i = 0; i < some.size(); i++) {
            (results.get(i) instanceof SaveResult.Stored ? restored : left)
                    .add(some.get(i).record());
        }
        keep(type, restored, "restored");
        keep(type, left, "changed");
    }

    private void keep(String type, List<Long> records, String kept) throws SQLException {
        if (records.isEmpty()) {
            return;
        }
        var parameters = new ArrayList<Object>(List.of(kept, work.id(), type));
        parameters.addAll(Jdbc.padded(records));
        Jdbc.update(
                connection,
                "UPDATE jontrel_import_record SET kept = ? WHERE import_id = ? AND holder_id = ? AND record_id IN ("
                        + Jdbc.marks(parameters.size() - 3) + ")",
                parameters);
    }

    private Write was(RecordType then, RecordType now, Journalled journalled, StoredRecord record) {
        var was = MappingText.raw(journalled.was());
        @SuppressWarnings("unchecked") // as the journal wrote it
        var wire = (Map<String, Object>) was.get("values");
        // by the ids of fields, so that what was renamed since finds its place
        var values = RecordCheck.read(then, wire, Surroundings.NONE).values();
        var raw = new LinkedHashMap<>(Values.wire(now.fields().toList(), values));
        var parent = was.get("parent") instanceof List<?> link
                ? Optional.of(new Link(String.valueOf(link.getFirst()), ((Number) link.getLast()).longValue()))
                : Optional.<Link>empty();
        var slug = String.valueOf(was.get("slug"));
        return new Write(
                now.id(),
                Optional.of(record.id()),
                record.version(),
                RecordState.valueOf(String.valueOf(was.get("state")).toUpperCase(Locale.ROOT)),
                moment(was.get("publish_at")),
                moment(was.get("retire_at")),
                slug.equals(record.slug()) ? "" : slug,
                parent,
                Optional.of(((Number) was.get("position")).intValue()),
                raw,
                true,
                work.author());
    }

    private static Optional<Instant> moment(Object text) {
        return Optional.ofNullable(text).map(each -> Instant.parse(each.toString()));
    }

    /** Some records of a type that were made, behind one, go; the last of them, or -1 where there are none left. */
    long remove(String type, long after) throws SQLException {
        var some = some(type, false, after);
        if (!some.isEmpty()) {
            remove(binding.table(type).orElseThrow(), some);
        }
        return some.isEmpty() ? -1 : some.getLast().record();
    }

    private void remove(Binding.BoundTables table, List<Journalled> some) throws SQLException {
        var versions = new HashMap<Long, Integer>();
        var ids = some.stream().map(Journalled::record).toList();
        var padded = Jdbc.padded(ids).toArray();
        Jdbc.query(
                connection,
                "SELECT id, version FROM " + PhysicalNames.quoted(table.name()) + " WHERE id IN ("
                        + Jdbc.marks(padded.length) + ") FOR UPDATE",
                row -> versions.put(row.getLong(1), row.getInt(2)),
                padded);
        var going = some.stream()
                .filter(each -> versions.getOrDefault(each.record(), -1) == each.version())
                .map(Journalled::record)
                .toList();
        if (!going.isEmpty()) {
            new WholeRecords(connection, table).removeWhole(going);
            Gate.saved(connection, table.recordType().id(), going);
        }
        keep(table.recordType().id(), going, "removed");
        keep(
                table.recordType().id(),
                ids.stream().filter(each -> !going.contains(each)).toList(),
                "changed");
    }
}
