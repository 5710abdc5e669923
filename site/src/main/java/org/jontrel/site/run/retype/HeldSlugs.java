package org.jontrel.site.run.retype;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Optional;
import org.jontrel.site.record.address.Placements;
import org.jontrel.site.record.address.TakenSlugs;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.table.Binding;

/**
 * The addresses of records that come back.
 *
 * @param present id of the type that they are of now
 * @param tables those that come back
 * @param forth whether the newer type is the one that comes back
 */
record HeldSlugs(Connection connection, String present, Binding.BoundTables tables, boolean forth) {
    /** The address that it had, where it has the same or the one with a number that the run gave it; else what people gave it. */
    String of(StoredRecord record, Optional<StoredRecord> was) throws SQLException {
        var now = record.slug();
        if (was.isPresent() && (was.get().slug().equals(now) || isByRun(record, was.get()))) {
            return was.get().slug();
        }
        var taken = new TakenSlugs(connection, tables);
        return record.deleted() || !taken.taken(record.parentId(), now, record.id())
                ? now
                : taken.free(record.parentId(), now, record.id());
    }

    /** An address that somebody has changed leads there still. */
    private boolean isByRun(StoredRecord record, StoredRecord was) throws SQLException {
        var given = forth ? was.slug() : record.slug();
        var base = forth ? record.slug() : was.slug();
        return !record.deleted()
                && !was.deleted()
                && TakenSlugs.isNumbered(given, base, record.id())
                && !Placements.formerly(connection, present, was.slug()).contains(record.id());
    }
}
