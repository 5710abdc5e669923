package org.jontrel.site.testing;

import java.sql.SQLException;
import javax.sql.DataSource;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;

/** Somebody who began to read every table of a site and does not end for a while. */
public final class OldTransaction {
    private OldTransaction() {}

    /** @param millis how long */
    public static Void hold(DataSource source, long millis) throws SQLException {
        try (var connection = source.getConnection();
                var statement = connection.createStatement()) {
            connection.setAutoCommit(false);
            for (var table : Schema.inUse(connection).values()) {
                statement
                        .executeQuery("SELECT * FROM " + PhysicalNames.quoted(table) + " LIMIT 1")
                        .close();
            }
            Database.pause(millis);
            connection.rollback();
        }
        return null;
    }
}
