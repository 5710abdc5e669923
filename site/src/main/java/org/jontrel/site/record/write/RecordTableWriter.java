package org.jontrel.site.record.write;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.SearchWords;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Statements;

/**
 * Puts records into their tables. Rows that were there are changed in place, so that what runs hold beside them stays with
 * them. Everything but the change of a record's own row waits in the statements until they are run.
 */
final class RecordTableWriter {
    private static final List<String> OWN = List.of(
            "slug",
            "parent_type",
            "parent_id",
            "position",
            "state",
            "publish_at",
            "retire_at",
            "origin",
            "version",
            "complete",
            "created_at",
            "updated_at",
            "created_by",
            "updated_by");

    private static final int SYMMETRIC_COLUMNS = 5;
    private final Binding.BoundTables table;
    private final RecordType recordType;
    private final Statements statements;
    private final List<Field> columns;
    private final List<String> names;
    private final Set<WrittenLink> written = new HashSet<>();

    RecordTableWriter(Binding.BoundTables table, Statements statements) {
        this.table = table;
        this.recordType = table.recordType();
        this.statements = statements;
        this.columns = recordType.columns("").stream()
                .filter(field -> table.own().columns().containsKey(field.id()))
                .toList();
        this.names = Stream.concat(
                        OWN.stream(),
                        columns.stream()
                                .map(field -> PhysicalNames.quoted(
                                        table.own().columns().get(field.id()))))
                .toList();
    }

    /** A new record, with its words and its place. */
    void insert(StoredRecord record, RecordRows flat) {
        insertBare(record, flat);
        SearchWords.store(statements, recordType, record.id(), record.values());
    }

    /** A new record that nobody is to find. */
    void insertBare(StoredRecord record, RecordRows flat) {
        var cells = cells(record, flat);
        cells.add(record.id());
        statements.add(
                "INSERT INTO " + PhysicalNames.quoted(table.name()) + " (" + String.join(", ", names) + ", id) VALUES ("
                        + Jdbc.marks(names.size() + 1) + ")",
                cells);
        entries(record.id(), RecordRows.EMPTY, flat);
    }

    /** A changed record; nothing changes and {@code false} is returned where its version is another by now. */
    boolean update(Connection connection, StoredRecord before, StoredRecord after, RecordRows was, RecordRows is)
            throws SQLException {
        var cells = cells(after, is);
        cells.add(after.id());
        cells.add(before.version());
        int changed = Jdbc.update(
                connection,
                "UPDATE " + PhysicalNames.quoted(table.name()) + " SET " + String.join(" = ?, ", names)
                        + " = ? WHERE id = ? AND version = ?",
                cells);
        if (changed == 0) {
            return false;
        }
        entries(after.id(), was, is);
        SearchWords.changed(statements, recordType, before, after);
        return true;
    }

    private List<Object> cells(StoredRecord record, RecordRows flat) {
        var cells = new ArrayList<Object>();
        cells.add(record.slug());
        cells.add(record.parent().map(Link::type).orElse(""));
        cells.add(record.parentId());
        cells.add(record.position());
        cells.add(record.state().code());
        cells.add(record.publishAt().map(RecordTableWriter::timestamp).orElse(null));
        cells.add(record.retireAt().map(RecordTableWriter::timestamp).orElse(null));
        cells.add(record.origin().isEmpty() ? null : record.origin());
        cells.add(record.version());
        cells.add(record.complete());
        cells.add(timestamp(record.createdAt()));
        cells.add(timestamp(record.updatedAt()));
        cells.add(record.createdBy());
        cells.add(record.updatedBy());
        columns.forEach(field -> cells.add(flat.columns().get(field.id())));
        return cells;
    }

    static LocalDateTime timestamp(Instant instant) {
        return instant.atOffset(ZoneOffset.UTC).toLocalDateTime();
    }

    /** What changed between two states of the fields' own tables. */
    void entries(long record, RecordRows before, RecordRows after) {
        for (var place : table.fields().entrySet()) {
            var field = recordType.field(place.getKey());
            if (field.isEmpty()) {
                continue;
            }
            var change = new TableChange(
                    record,
                    field.get(),
                    place.getValue(),
                    before.entries().getOrDefault(place.getKey(), List.of()),
                    after.entries().getOrDefault(place.getKey(), List.of()));
            if (change.was().equals(change.is())) {
                continue;
            }
            switch (field.get().kind()) {
                case Kind.Repeater _ -> rows(change);
                case Kind.Relation relation -> links(change, relation.symmetric());
                case Kind.TermPick _ -> terms(change);
                case Kind.Plain _, Kind.Image _, Kind.File _, Kind.FieldGroup _, Kind.Note _ -> several(change);
            }
        }
    }

    private record TableChange(
            long record,
            Field field,
            Binding.ValueTable place,
            List<RecordRows.FieldRow> was,
            List<RecordRows.FieldRow> is) {
        String name() {
            return PhysicalNames.quoted(place.name());
        }
    }

    private void rows(TableChange change) {
        var inner = recordType.columns(change.field().id()).stream()
                .filter(each -> change.place().columns().containsKey(each.id()))
                .toList();
        var known = new HashMap<Long, RecordRows.FieldRow>();
        change.was().forEach(entry -> known.put(entry.id(), entry));
        var inserts = new ArrayList<List<Object>>();
        var updates = new ArrayList<List<Object>>();
        for (var entry : change.is()) {
            var before = known.remove(entry.id());
            var cells = new ArrayList<Object>(List.of(entry.row(), entry.position()));
            inner.forEach(each -> cells.add(entry.columns().get(each.id())));
            cells.add(change.record());
            cells.add(entry.id());
            if (before == null) {
                inserts.add(cells);
            } else if (!before.equals(entry)) {
                updates.add(cells);
            }
        }
        var all = Stream.concat(
                        Stream.of("row_id", "position"),
                        inner.stream()
                                .map(each -> PhysicalNames.quoted(
                                        change.place().columns().get(each.id()))))
                .toList();
        var where = " WHERE record_id = ? AND id = ?";
        known.keySet().forEach(id -> statements.add("DELETE FROM " + change.name() + where, change.record(), id));
        var update = "UPDATE " + change.name() + " SET "
                + all.stream().map(each -> each + " = ?").collect(Collectors.joining(", ")) + where;
        updates.forEach(cells -> statements.add(update, cells));
        var insert = "INSERT INTO " + change.name() + " (" + String.join(", ", all) + ", record_id, id) VALUES ("
                + Jdbc.marks(all.size() + 2) + ")";
        inserts.forEach(cells -> statements.add(insert, cells));
    }

    /** A link that leads both ways is kept once, from whichever end it was made. */
    private void links(TableChange change, boolean symmetric) {
        RowId target = entry -> ((Link) entry.payload()).id();
        take(change, "record_id", "target_id", target);
        if (symmetric) {
            take(change, "target_id", "record_id", target);
        }
        var known = change.was().stream().map(target::of).collect(Collectors.toSet());
        if (symmetric && change.was().isEmpty()) {
            bothWays(change);
            return;
        }
        put(
                change,
                "target_id, target_type",
                "position",
                entry -> symmetric && known.contains(target.of(entry))
                        ? List.of()
                        : List.of(target.of(entry), ((Link) entry.payload()).type(), entry.position()));
    }

    /** Where many records are written, the other end may have been written before. */
    private void bothWays(TableChange change) {
        var delete = "DELETE FROM " + change.name() + " WHERE record_id = ? AND row_id = ? AND target_id = ?";
        var insert = "INSERT INTO " + change.name() + " (record_id, row_id, target_id, target_type, position) VALUES ("
                + Jdbc.marks(SYMMETRIC_COLUMNS) + ")";
        for (var entry : change.is()) {
            var link = (Link) entry.payload();
            if (!written.contains(new WrittenLink(change.field().id(), link.id(), change.record()))) {
                written.add(new WrittenLink(change.field().id(), change.record(), link.id()));
                statements.add(delete, link.id(), entry.row(), change.record());
                statements.add(insert, change.record(), entry.row(), link.id(), link.type(), entry.position());
            }
        }
    }

    private record WrittenLink(String fieldId, long from, long to) {}

    private void terms(TableChange change) {
        take(change, "record_id", "term_id", entry -> (Long) entry.payload());
        put(change, "term_id", "position", entry -> List.of(entry.payload(), entry.position()));
    }

    private void several(TableChange change) {
        take(change, "record_id", "position", RecordRows.FieldRow::position);
        var value =
                PhysicalNames.quoted(change.place().columns().get(change.field().id()));
        put(change, "position", value, entry -> List.of(entry.position(), entry.payload()));
    }

    private interface RowValues {
        /** Of the key's columns and the last one; none where the entry needs no row. */
        List<Object> of(RecordRows.FieldRow entry);
    }

    /** Where there was nothing, rows are plainly new, and the driver can send them all at once. */
    private void put(TableChange change, String key, String last, RowValues cells) {
        int count = key.split(",").length + 1;
        var sql = "INSERT INTO " + change.name() + " (record_id, row_id, " + key + ", " + last + ") VALUES ("
                + Jdbc.marks(count + 2) + ")"
                + (change.was().isEmpty() ? "" : " ON DUPLICATE KEY UPDATE " + last + " = VALUES(" + last + ")");
        for (var entry : change.is()) {
            var own = cells.of(entry);
            if (!own.isEmpty()) {
                var all = new ArrayList<Object>(List.of(change.record(), entry.row()));
                all.addAll(own);
                statements.add(sql, all);
            }
        }
    }

    private interface RowId {
        long of(RecordRows.FieldRow entry);
    }

    /** Takes away the entries that are there no more. */
    private void take(TableChange change, String recordColumn, String keyColumn, RowId key) {
        var kept = change.is().stream()
                .map(entry -> List.of(entry.row(), key.of(entry)))
                .collect(Collectors.toSet());
        change.was().stream()
                .filter(entry -> !kept.contains(List.of(entry.row(), key.of(entry))))
                .forEach(entry -> statements.add(
                        "DELETE FROM " + change.name() + " WHERE " + recordColumn + " = ? AND row_id = ? AND "
                                + keyColumn + " = ?",
                        change.record(),
                        entry.row(),
                        key.of(entry)));
    }
}
