package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/**
 * Which records belong to which, by a relation in whatever table it stands.
 *
 * @param table of the relation
 * @param there whether the records that belong hold the relation, rather than those that they belong to
 */
record RecordLinks(Connection connection, String table, boolean there) {
    /** By the ids of some records, those that belong to each, in order. */
    Map<Long, List<Long>> of(Collection<Long> ids) throws SQLException {
        var found = new LinkedHashMap<Long, List<Long>>();
        if (ids.isEmpty()) {
            return found;
        }
        var padded = Jdbc.padded(ids).toArray();
        var one = there ? "target_id" : "record_id";
        var other = there ? "record_id" : "target_id";
        Jdbc.query(
                connection,
                "SELECT " + one + ", " + other + " FROM " + PhysicalNames.quoted(table) + " WHERE " + one + " IN ("
                        + Jdbc.marks(padded.length) + ") ORDER BY " + one + ", " + (there ? "" : "position, ") + other,
                row -> found.computeIfAbsent(row.getLong(1), _ -> new ArrayList<>())
                        .add(row.getLong(2)),
                padded);
        return found;
    }

    /** The records that these belong to. */
    List<Long> around(Collection<Long> records) throws SQLException {
        return reversed().of(records).values().stream()
                .flatMap(List::stream)
                .distinct()
                .toList();
    }

    /** As seen from the other end. */
    RecordLinks reversed() {
        return new RecordLinks(connection, table, !there);
    }

    /** Of the records that belong to others, those that so many lead to, or more. */
    Set<Long> shared(Collection<Long> records, int many) throws SQLException {
        var shared = new HashSet<Long>();
        reversed().of(records).forEach((id, around) -> {
            if (around.size() >= many) {
                shared.add(id);
            }
        });
        return shared;
    }
}
