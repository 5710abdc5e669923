package org.jontrel.site.record.write;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.table.Jdbc;

/** The last places under the terms of a taxonomy, as terms take them. */
record TermPlaces(Connection connection, String table, Map<Long, Integer> last, Set<Long> made) {
    TermPlaces(Connection connection, String table) {
        this(connection, table, new HashMap<>(), new HashSet<>());
    }

    SeedPlace next(long id, long above) throws SQLException {
        long parent = above(above);
        made.add(id);
        if (!last.containsKey(parent)) {
            var sql = "SELECT COALESCE(MAX(position), -1) FROM " + table + " WHERE parent_id = ?";
            last.put(parent, (int) Jdbc.number(connection, sql, parent));
        }
        return new SeedPlace(parent, last.merge(parent, 1, Integer::sum));
    }

    /** What stands under a term that has gone meanwhile stands under none. */
    long above(long id) throws SQLException {
        var sql = "SELECT COUNT(*) FROM " + table + " WHERE id = ? AND state <> '" + RecordLoader.DELETED + "'";
        return id == 0 || made.contains(id) || Jdbc.number(connection, sql, id) > 0 ? id : 0;
    }

    /** @param parent 0 for none */
    record SeedPlace(long parent, int position) {}
}
