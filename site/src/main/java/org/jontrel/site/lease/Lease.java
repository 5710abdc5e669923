package org.jontrel.site.lease;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Jdbc;

/**
 * The right to run on a site, or to import into it: one row each, taken and kept by compare-and-set. Each taking raises the token;
 * whatever its holder does goes through {@link #fence}, so one that lost the lease can do no more.
 */
public final class Lease implements AutoCloseable {
    /** For runs, which change definitions. */
    public static final String RUN = "run";
    /** For imports, which bring records. */
    public static final String IMPORT = "import";

    private static final int LOCK_WAIT = 1205;

    private final Database database;
    private final String name;
    private final long token;
    private final CountDownLatch released = new CountDownLatch(1);

    private Lease(Database database, String name, long token, Duration stale) {
        this.database = database;
        this.name = name;
        this.token = token;
        Thread.ofVirtual().name("lease-" + token).start(() -> beat(stale.dividedBy(5)));
    }

    /** Somebody else took the lease; whoever sees this stops at once. */
    public static final class Lost extends RuntimeException {
        Lost() {
            super("Another process has taken over the run on this site.", null, false, false);
        }
    }

    /** Name of a lock of the database server, as an expression: of the connection that works for the holder on this site. */
    private static String lock(String name) {
        return "CONCAT('jontrel " + name + " ', MD5(DATABASE()))";
    }

    /**
     * Takes the lease; where its holder has been silent, waits until it counts as gone.
     *
     * @param name {@link #RUN} or {@link #IMPORT}
     * @param stale silence after which a holder counts as gone
     * @return empty where somebody holds it and is alive
     */
    public static Optional<Lease> take(Database database, String name, String owner, Duration stale) {
        long deadline = System.nanoTime() + stale.multipliedBy(2).toNanos();
        long seen = -1;
        while (true) {
            var held = database.transaction(session -> read(session.getConnection(), name));
            boolean free = held.owner().isEmpty() || held.silent().compareTo(stale) > 0;
            if (free && swap(database, name, owner, held)) {
                return Optional.of(new Lease(database, name, held.token() + 1, stale));
            }
            boolean alive = seen >= 0 && held.beat() != seen;
            if (alive || System.nanoTime() > deadline) {
                return Optional.empty();
            }
            seen = held.beat();
            try {
                Thread.sleep(stale.dividedBy(4));
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
                return Optional.empty();
            }
        }
    }

    /** Whether somebody holds the lease and is alive. */
    public static boolean isHeld(Connection connection, String name, Duration stale) throws SQLException {
        var held = read(connection, name);
        return !held.owner().isEmpty() && held.silent().compareTo(stale) <= 0;
    }

    private record LeaseRow(String owner, long token, long beat, Duration silent) {}

    private static LeaseRow read(Connection connection, String name) throws SQLException {
        var sql =
                "SELECT owner, token, beat, TIMESTAMPDIFF(MICROSECOND, beat_at, UTC_TIMESTAMP(3)) FROM jontrel_lease WHERE name = ?";
        return Jdbc.first(
                        connection,
                        sql,
                        row -> new LeaseRow(
                                row.getString(1),
                                row.getLong(2),
                                row.getLong(3),
                                Duration.ofNanos(row.getLong(4) * 1_000)),
                        name)
                .orElseThrow();
    }

    /** A holder that is frozen within a transaction still has the row: its connection is ended. */
    private static boolean swap(Database database, String name, String owner, LeaseRow held) {
        try {
            return swapped(database, name, owner, held);
        } catch (RuntimeException e) {
            if (Database.errorOf(e) != LOCK_WAIT) {
                throw e;
            }
            database.direct(connection -> kill(connection, name));
            return swapped(database, name, owner, held);
        }
    }

    private static void kill(Connection connection, String name) throws SQLException {
        long frozen = Jdbc.number(connection, "SELECT IS_USED_LOCK(" + lock(name) + ")");
        if (frozen > 0) {
            Jdbc.execute(connection, "KILL " + frozen);
        }
    }

    private static boolean swapped(Database database, String name, String owner, LeaseRow held) {
        return database.transaction(session -> {
            var connection = session.getConnection();
            Jdbc.execute(connection, "SET SESSION innodb_lock_wait_timeout = 1");
            var sql = "UPDATE jontrel_lease SET owner = ?, token = token + 1, beat = 0, beat_at = UTC_TIMESTAMP(3)"
                    + " WHERE name = ? AND token = ? AND beat = ?";
            try {
                return Jdbc.update(connection, sql, owner, name, held.token(), held.beat()) == 1;
            } finally {
                Jdbc.execute(connection, "SET SESSION innodb_lock_wait_timeout = DEFAULT");
            }
        });
    }

    /** Work of the holder on a connection. */
    public interface LeaseWork<T> {
        T carryOut() throws SQLException;
    }

    /**
     * Work by the right of the lease, on a connection that others can tell from its lock should this process freeze.
     *
     * @throws Lost where the lease is no longer held
     */
    public <T> T within(Connection connection, LeaseWork<T> work) throws SQLException {
        Jdbc.execute(connection, "SELECT GET_LOCK(" + lock(name) + ", 0)");
        try {
            fence(connection);
            return work.carryOut();
        } finally {
            Jdbc.execute(connection, "SELECT RELEASE_LOCK(" + lock(name) + ")");
        }
    }

    /**
     * Proves within a transaction that the lease is still held.
     *
     * @throws Lost where it is not
     */
    public void fence(Connection connection) throws SQLException {
        var sql = "UPDATE jontrel_lease SET beat = beat + 1, beat_at = UTC_TIMESTAMP(3) WHERE name = ? AND token = ?";
        if (Jdbc.update(connection, sql, name, token) != 1) {
            throw new Lost();
        }
    }

    private void beat(Duration pause) {
        try {
            while (!released.await(pause.toMillis(), TimeUnit.MILLISECONDS)) {
                database.transaction(session -> {
                    fence(session.getConnection());
                    return null;
                });
            }
        } catch (InterruptedException | Lost _) {
            // released, or taken by another: either way there is nothing left to keep alive
        } catch (RuntimeException _) {
            // the database is gone; the run itself meets the same and reports it
        }
    }

    /** Gives the lease back, so that the next run need not wait. */
    @Override
    public void close() {
        released.countDown();
        var sql = "UPDATE jontrel_lease SET owner = '' WHERE name = ? AND token = ?";
        database.transaction(session -> Jdbc.update(session.getConnection(), sql, name, token));
    }
}
