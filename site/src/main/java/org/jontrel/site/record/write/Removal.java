package org.jontrel.site.record.write;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Link;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.record.address.Placements;
import org.jontrel.site.record.address.Slugs;
import org.jontrel.site.record.address.TakenSlugs;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.SearchWords;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.read.TermTree;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Statements;

/** Records taken away and brought back, and terms merged. What is taken away stays in its tables, out of sight. */
public final class Removal {
    private final Connection connection;
    private final Binding binding;
    private final Binding.BoundTables table;
    private final MediaStore media;

    public Removal(Connection connection, Binding binding, Binding.BoundTables table, MediaStore media) {
        this.connection = connection;
        this.binding = binding;
        this.table = table;
        this.media = media;
    }

    private Optional<StoredRecord> find(long id) throws SQLException {
        return new RecordLoader(table).byIds(connection, List.of(id)).stream().findFirst();
    }

    public RemoveResult remove(long id, int version, String author) throws SQLException {
        var found = find(id).filter(record -> !record.deleted());
        if (found.isEmpty()) {
            return new SaveResult.Missing();
        }
        if (found.get().version() != version) {
            return new SaveResult.Conflict(found.get());
        }
        long below = 0;
        for (var other : binding.tables().values()) {
            below += Jdbc.query(
                            connection,
                            "SELECT COUNT(*) FROM " + PhysicalNames.quoted(other.name())
                                    + " WHERE parent_id = ? AND parent_type = ? AND state <> ?",
                            row -> row.getLong(1),
                            id,
                            table.recordType().id(),
                            RecordLoader.DELETED)
                    .getFirst();
        }
        if (below > 0) {
            return new RemoveResult.HasChildren(below);
        }
        hide(found.get(), author);
        return new RemoveResult.RemovedRecord(found.get());
    }

    private void hide(StoredRecord record, String author) throws SQLException {
        var statements = new Statements();
        Histories.keep(statements, binding, table.recordType(), record);
        int changed = Jdbc.update(
                connection,
                "UPDATE " + PhysicalNames.quoted(table.name())
                        + " SET state = ?, slug = CONCAT('~', id), version = version + 1,"
                        + " updated_at = UTC_TIMESTAMP(6), updated_by = ? WHERE id = ? AND version = ?",
                RecordLoader.DELETED,
                author,
                record.id(),
                record.version());
        if (changed == 0) {
            throw new SaveTransaction.Overtaken();
        }
        SearchWords.remove(statements, table.recordType().id(), record.id());
        statements.add(
                "DELETE FROM jontrel_media_use WHERE holder_id = ? AND record_id = ?",
                table.recordType().id(),
                record.id());
        statements.run(connection);
    }

    public SaveResult bringBack(long id, String author, boolean crowded) throws SQLException {
        var found = find(id).filter(StoredRecord::deleted);
        var last = Histories.of(connection, binding, table.recordType().id(), id).stream()
                .findFirst();
        if (found.isEmpty() || last.isEmpty()) {
            return new SaveResult.Missing();
        }
        var record = found.get();
        var wanted = last.get().slug();
        var addresses = new TakenSlugs(connection, table);
        var slug = !addresses.taken(record.parentId(), wanted, id)
                ? wanted
                : crowded ? Slugs.certain(record.title(), id) : addresses.free(record.parentId(), record.title(), id);
        Jdbc.update(
                connection,
                "UPDATE " + PhysicalNames.quoted(table.name()) + " SET state = ?, slug = ?, version = version + 1,"
                        + " updated_at = UTC_TIMESTAMP(6), updated_by = ? WHERE id = ? AND version = ?",
                last.get().state().code(),
                slug,
                author,
                id,
                record.version());
        var recordTypeId = table.recordType().id();
        var statements = new Statements();
        SearchWords.store(statements, table.recordType(), id, record.values());
        new References(connection, binding, table, media)
                .files(RecordRows.of(table.recordType(), record.values()))
                .forEach(file -> References.used(statements, file, recordTypeId, id));
        statements.run(connection);
        return find(id).<SaveResult>map(SaveResult.Stored::new).orElseGet(SaveResult.Missing::new);
    }

    /** Empty where one of the terms is not there, or the other stands under it. */
    public Optional<Long> merge(long from, long into, String author) throws SQLException {
        var was = find(from).filter(record -> !record.deleted());
        var is = find(into).filter(record -> !record.deleted());
        var id = table.recordType().id();
        if (was.isEmpty()
                || is.isEmpty()
                || from == into
                || Placements.above(connection, binding, is.get().parent()).contains(new Link(id, from))) {
            return Optional.empty();
        }
        long moved = 0;
        for (var other : binding.tables().values()) {
            for (var place : other.fields().entrySet()) {
                var field = other.recordType().field(place.getKey());
                if (field.isPresent()
                        && field.get().kind() instanceof Kind.TermPick pick
                        && pick.taxonomy().equals(id)) {
                    moved += move(place.getValue(), from, into);
                }
            }
        }
        var below = Jdbc.query(
                connection,
                "SELECT id FROM " + PhysicalNames.quoted(table.name()) + " WHERE parent_id = ?",
                row -> row.getLong(1),
                from);
        Jdbc.update(
                connection,
                "UPDATE " + PhysicalNames.quoted(table.name())
                        + " SET parent_id = ? WHERE parent_id = ? AND state <> ?",
                into,
                from,
                RecordLoader.DELETED);
        var tree = new TermTree(connection, table);
        for (var each : below) {
            tree.placed(each, into);
        }
        hide(was.get(), author);
        Jdbc.update(
                connection,
                "REPLACE INTO jontrel_address (holder_id, parent_id, slug, record_id) VALUES (?, ?, ?, ?)",
                id,
                was.get().parentId(),
                was.get().slug(),
                into);
        return Optional.of(moved);
    }

    private long move(Binding.ValueTable place, long from, long into) throws SQLException {
        var name = PhysicalNames.quoted(place.name());
        long uses = Jdbc.query(
                        connection,
                        "SELECT COUNT(DISTINCT record_id) FROM " + name + " WHERE term_id = ?",
                        row -> row.getLong(1),
                        from)
                .getFirst();
        Jdbc.update(connection, "UPDATE IGNORE " + name + " SET term_id = ? WHERE term_id = ?", into, from);
        Jdbc.update(connection, "DELETE FROM " + name + " WHERE term_id = ?", from);
        return uses;
    }
}
