package org.jontrel.site.record.write;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.address.Slugs;
import org.jontrel.site.record.address.TakenSlugs;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.read.WholeWords;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Statements;

/** Writes whole records into tables that nobody reads, made beside or held, or that nobody saves to while a run switches. */
public final class WholeRecords {
    private final Connection connection;
    private final Binding.BoundTables tables;

    public WholeRecords(Connection connection, Binding.BoundTables tables) {
        this.connection = connection;
        this.tables = tables;
    }

    /** New records; those without a slug get one of their title. */
    public void add(List<StoredRecord> records) throws SQLException {
        var addresses = new TakenSlugs(connection, tables);
        addresses.look(records.stream()
                .filter(each -> each.slug().isEmpty())
                .map(each -> Slugs.base(each.title()))
                .toList());
        var statements = new Statements();
        var writer = new RecordTableWriter(tables, statements);
        for (var each : records) {
            var slug = each.slug().isEmpty() ? addresses.free(each.parentId(), each.title(), each.id()) : each.slug();
            addresses.take(each.parentId(), slug);
            writer.insertBare(each.withSlug(slug), RecordRows.of(tables.recordType(), each.values()));
        }
        statements.run(connection);
        retract(records.stream()
                .filter(StoredRecord::deleted)
                .map(StoredRecord::id)
                .toList());
    }

    /** Notes which files these records use. */
    public static void noteFiles(Connection connection, Binding.BoundTables tables, List<StoredRecord> records)
            throws SQLException {
        var statements = new Statements();
        for (var record : records) {
            References.files(tables.recordType(), RecordRows.of(tables.recordType(), record.values()))
                    .forEach(file -> References.used(
                            statements, file, tables.recordType().id(), record.id()));
        }
        statements.run(connection);
    }

    /** As if somebody had removed them. */
    public void retract(Collection<Long> ids) throws SQLException {
        for (long id : ids) {
            Jdbc.update(
                    connection,
                    "UPDATE " + PhysicalNames.quoted(tables.name()) + " SET state = '" + RecordLoader.DELETED
                            + "' WHERE id = ?",
                    id);
        }
    }

    /** As {@link #remove}, with their words. */
    public void removeFound(Collection<Long> ids) throws SQLException {
        remove(ids);
        WholeWords.remove(connection, tables.recordType().id(), ids);
    }

    /** With all that a site knows of them: words, earlier states, addresses, the files that they use, and what stood above them. */
    public void removeWhole(Collection<Long> ids) throws SQLException {
        removeFound(ids);
        var padded = new ArrayList<Object>(List.of(tables.recordType().id()));
        padded.addAll(Jdbc.padded(ids));
        var which = " WHERE holder_id = ? AND record_id IN (" + Jdbc.marks(padded.size() - 1) + ")";
        for (var table : List.of("jontrel_history", "jontrel_address", "jontrel_media_use", "jontrel_set_aside")) {
            Jdbc.update(connection, "DELETE FROM " + table + which, padded);
        }
    }

    /** The same with their words, for tables that are in use or are about to be: searching finds them. */
    public void addFound(List<StoredRecord> records) throws SQLException {
        add(records);
        WholeWords.write(connection, tables.recordType(), records);
    }

    /** As if they had never been there. */
    public void remove(Collection<Long> ids) throws SQLException {
        if (ids.isEmpty()) {
            return;
        }
        var padded = Jdbc.padded(ids).toArray();
        var in = " IN (" + Jdbc.marks(padded.length) + ")";
        Jdbc.update(connection, "DELETE FROM " + PhysicalNames.quoted(tables.name()) + " WHERE id" + in, padded);
        for (var place : tables.fields().entrySet()) {
            if (place.getKey().equals(PhysicalNames.ABOVE)) {
                Jdbc.update(
                        connection,
                        "DELETE FROM " + PhysicalNames.quoted(place.getValue().name()) + " WHERE term_id" + in,
                        padded);
            } else {
                removeEntries(connection, tables.recordType(), place.getKey(), place.getValue(), padded);
            }
        }
    }

    /** What records have in the table of a field; links that lead both ways also from the other end. */
    static void removeEntries(
            Connection connection, RecordType recordType, String fieldId, Binding.ValueTable place, Object... ids)
            throws SQLException {
        var delete = "DELETE FROM " + PhysicalNames.quoted(place.name()) + " WHERE ";
        var in = " IN (" + Jdbc.marks(ids.length) + ")";
        Jdbc.update(connection, delete + "record_id" + in, ids);
        boolean symmetric = recordType
                .field(fieldId)
                .filter(each -> each.kind() instanceof Kind.Relation relation && relation.symmetric())
                .isPresent();
        if (symmetric) {
            Jdbc.update(connection, delete + "target_id" + in, ids);
        }
    }
}
