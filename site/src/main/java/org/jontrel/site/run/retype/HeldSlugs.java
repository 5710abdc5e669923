package org.jontrel.site.run.retype;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jontrel.site.record.address.TakenSlugs;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.table.Binding;

/**
 * The addresses of records that come back.
 *
 * @param tables those that come back
 * @param forth whether the newer type is the one that comes back
 */
record HeldSlugs(Connection connection, Binding.BoundTables tables, boolean forth) {
    /** The address that it had, where it has the same or the one with a number that it got on the way; else the new one. */
    String of(StoredRecord record, Optional<StoredRecord> was) throws SQLException {
        var before = was.map(StoredRecord::slug).orElse("");
        var now = record.slug();
        var longer = forth ? before : now;
        var shorter = forth ? now : before;
        boolean numbered = !shorter.isEmpty()
                && !record.deleted()
                && was.filter(each -> !each.deleted()).isPresent()
                && longer.matches(Pattern.quote(shorter) + "-[0-9a-z]+");
        if (now.equals(before) || numbered) {
            return before;
        }
        var taken = new TakenSlugs(connection, tables);
        return record.deleted() || !taken.taken(record.parentId(), now, record.id())
                ? now
                : taken.free(record.parentId(), now, record.id());
    }
}
