package org.jontrel.server.site;

import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.jontrel.core.naming.Ids;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Jdbc;
import org.springframework.stereotype.Service;

/**
 * Databases for sites that are being restored. Each has a name of its own, and a lock while somebody fills it; what a process
 * that was killed has left behind has none, and is removed before the next.
 */
@Service
public class ArrivalDatabases {
    private static final String MARK = "_site__arrived_";
    private final Ids unguessed = Ids.secure();
    private final SiteMapper mapper;
    private final Sites sites;
    private final DataSource server;

    ArrivalDatabases(SiteMapper mapper, Sites sites, DataSource server) {
        this.mapper = mapper;
        this.sites = sites;
        this.server = server;
    }

    /** A database that is being filled; removed when it is closed and has not become a site's. */
    public final class ArrivalDatabase implements AutoCloseable {
        private final String name;
        private final Connection lock;

        private ArrivalDatabase(String name, Connection lock) {
            this.name = name;
            this.lock = lock;
        }

        /** What its site will be registered with. */
        public String name() {
            return name;
        }

        public DataSource source() {
            return sites.database(name);
        }

        @Override
        public void close() {
            try (lock) {
                removeUnused(lock, name);
            } catch (SQLException e) {
                throw new DatabaseException(e);
            }
        }
    }

    /** A new one, empty. */
    public ArrivalDatabase open() {
        var base = mapper.database() + MARK;
        removeLeftOvers(base);
        var name = base + unguessed.next('a');
        try {
            var lock = server.getConnection();
            if (!isLocked(lock, name)) {
                lock.close();
                throw new IllegalStateException("Somebody else has the lock " + name);
            }
            mapper.createDatabase(name);
            return new ArrivalDatabase(name, lock);
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }

    private void removeLeftOvers(String base) {
        try (var connection = server.getConnection()) {
            for (var name : mapper.databases(base.replace("_", "\\_") + "%")) {
                if (isLocked(connection, name)) {
                    removeUnused(connection, name);
                }
            }
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }

    /** Only who has the lock knows that it is nobody's: it may have become a site's a moment before. */
    private void removeUnused(Connection locked, String name) throws SQLException {
        try {
            if (mapper.sitesOf(name) == 0) {
                mapper.dropDatabase(name);
            }
        } finally {
            Jdbc.number(locked, "SELECT RELEASE_LOCK(?)", name);
        }
    }

    /** The database ends it with the connection that has it. */
    private static boolean isLocked(Connection connection, String name) throws SQLException {
        return Jdbc.number(connection, "SELECT GET_LOCK(?, 0)", name) == 1;
    }
}
