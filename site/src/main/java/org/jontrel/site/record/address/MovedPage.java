package org.jontrel.site.record.address;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.table.Binding;

/**
 * A record whose page was once at an address of another content type.
 *
 * @param type what it is of now
 * @param address below the type's path
 */
public record MovedPage(RecordType type, StoredRecord record, String address) {
    /**
     * @param former ids of the types that had their pages there
     * @param below what follows the path of the type in the address
     */
    public static Optional<MovedPage> find(Connection connection, Binding binding, List<String> former, String below)
            throws SQLException {
        var slug = below.substring(below.lastIndexOf('/') + 1);
        for (var type : former) {
            var ids = Placements.formerly(connection, type, slug);
            for (var table : ids.isEmpty()
                    ? List.<Binding.BoundTables>of()
                    : List.copyOf(binding.tables().values())) {
                boolean other = !table.recordType().id().equals(type)
                        && !table.recordType().path().isEmpty();
                var found = other ? new RecordLoader(table).byIds(connection, ids) : List.<StoredRecord>of();
                for (var record : found) {
                    if (!record.deleted()) {
                        var address = Placements.addresses(connection, binding, table, List.of(record));
                        return Optional.of(new MovedPage(table.recordType(), record, address.get(record.id())));
                    }
                }
            }
        }
        return Optional.empty();
    }
}
