package org.jontrel.site.run.retype;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.model.Kind;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** Records that lead to others, or stand under them. */
public final class RetypedLinks {
    private RetypedLinks() {}

    /**
     * The records of a type that have to be written again: those that were saved, and those that lead to records which may have
     * become those of another type by it.
     *
     * @param ways all of the run
     * @param saved by type, ids of the records that were saved
     */
    public static Set<Long> followed(
            Connection connection,
            Binding binding,
            String recordTypeId,
            List<TypeMove> ways,
            Map<String, Set<Long>> saved)
            throws SQLException {
        var all = new HashSet<>(saved.getOrDefault(recordTypeId, Set.of()));
        var changed = new HashSet<Long>();
        for (var way : ways) {
            if (!way.when().isAll()) {
                changed.addAll(saved.getOrDefault(way.from(), Set.of()));
            }
        }
        var table = binding.table(recordTypeId);
        if (!changed.isEmpty() && table.isPresent()) {
            all.addAll(leading(connection, table.get(), changed));
        }
        return all;
    }

    private static Set<Long> leading(Connection connection, Binding.BoundTables table, Set<Long> records)
            throws SQLException {
        var all = new HashSet<Long>();
        var padded = Jdbc.padded(records).toArray();
        var in = " IN (" + Jdbc.marks(padded.length) + ")";
        for (var place : table.fields().entrySet()) {
            boolean leads = table.recordType()
                    .field(place.getKey())
                    .filter(each -> each.kind() instanceof Kind.Relation)
                    .isPresent();
            if (leads) {
                var sql = "SELECT DISTINCT record_id FROM "
                        + PhysicalNames.quoted(place.getValue().name()) + " WHERE target_id" + in;
                Jdbc.each(connection, sql, row -> all.add(row.getLong(1)), padded);
            }
        }
        var sql = "SELECT id FROM " + PhysicalNames.quoted(table.name()) + " WHERE parent_id" + in;
        Jdbc.each(connection, sql, row -> all.add(row.getLong(1)), padded);
        return all;
    }
}
