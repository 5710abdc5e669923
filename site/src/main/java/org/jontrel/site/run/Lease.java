package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Jdbc;

/**
 * The right to run on a site: one row, taken and kept by compare-and-set. Each taking raises the token; whatever a run
 * does goes through {@link #fence}, so one that lost the lease can do no more.
 */
final class Lease implements AutoCloseable {
    private static final String NAME = "run";
    private static final int LOCK_WAIT = 1205;
    /** Name of a lock of the database server, as an expression: of the connection that works for a run of this site. */
    private static final String LOCK = "CONCAT('jontrel run ', MD5(DATABASE()))";

    private final Database database;
    private final long token;
    private final CountDownLatch released = new CountDownLatch(1);

    private Lease(Database database, long token, Duration stale) {
        this.database = database;
        this.token = token;
        Thread.ofVirtual().name("lease-" + token).start(() -> beat(stale.dividedBy(5)));
    }

    /** Somebody else took the lease; whoever sees this stops at once. */
    static final class Lost extends RuntimeException {
        Lost() {
            super("Another process has taken over the run on this site.", null, false, false);
        }
    }

    /**
     * Takes the lease; where its record type has been silent, waits until it counts as gone.
     *
     * @param stale silence after which a record type counts as gone
     * @return empty where somebody holds it and is alive
     */
    static Optional<Lease> take(Database database, String owner, Duration stale) {
        long deadline = System.nanoTime() + stale.multipliedBy(2).toNanos();
        long seen = -1;
        while (true) {
            var held = database.transaction(session -> read(session.getConnection()));
            boolean free = held.owner().isEmpty() || held.silent().compareTo(stale) > 0;
            if (free && swap(database, owner, held)) {
                return Optional.of(new Lease(database, held.token() + 1, stale));
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
    static boolean isHeld(Connection connection, Duration stale) throws SQLException {
        var held = read(connection);
        return !held.owner().isEmpty() && held.silent().compareTo(stale) <= 0;
    }

    private record LeaseRow(String owner, long token, long beat, Duration silent) {}

    private static LeaseRow read(Connection connection) throws SQLException {
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
                        NAME)
                .orElseThrow();
    }

    /** A record type that is frozen within a transaction still has the row: its connection is ended. */
    private static boolean swap(Database database, String owner, LeaseRow held) {
        try {
            return swapped(database, owner, held);
        } catch (RuntimeException e) {
            if (Database.errorOf(e) != LOCK_WAIT) {
                throw e;
            }
            database.direct(Lease::kill);
            return swapped(database, owner, held);
        }
    }

    private static void kill(Connection connection) throws SQLException {
        long frozen = Jdbc.number(connection, "SELECT IS_USED_LOCK(" + LOCK + ")");
        if (frozen > 0) {
            Jdbc.execute(connection, "KILL " + frozen);
        }
    }

    private static boolean swapped(Database database, String owner, LeaseRow held) {
        return database.transaction(session -> {
            var connection = session.getConnection();
            Jdbc.execute(connection, "SET SESSION innodb_lock_wait_timeout = 1");
            var sql = "UPDATE jontrel_lease SET owner = ?, token = token + 1, beat = 0, beat_at = UTC_TIMESTAMP(3)"
                    + " WHERE name = ? AND token = ? AND beat = ?";
            try {
                return Jdbc.update(connection, sql, owner, NAME, held.token(), held.beat()) == 1;
            } finally {
                Jdbc.execute(connection, "SET SESSION innodb_lock_wait_timeout = DEFAULT");
            }
        });
    }

    /** Work of the record type on a connection. */
    interface LeaseWork<T> {
        T carryOut() throws SQLException;
    }

    /**
     * Work by the right of the lease, on a connection that others can tell from its lock should this process freeze.
     *
     * @throws Lost where the lease is no longer held
     */
    <T> T within(Connection connection, LeaseWork<T> work) throws SQLException {
        Jdbc.execute(connection, "SELECT GET_LOCK(" + LOCK + ", 0)");
        try {
            fence(connection);
            return work.carryOut();
        } finally {
            Jdbc.execute(connection, "SELECT RELEASE_LOCK(" + LOCK + ")");
        }
    }

    /**
     * Proves within a transaction that the lease is still held.
     *
     * @throws Lost where it is not
     */
    void fence(Connection connection) throws SQLException {
        var sql = "UPDATE jontrel_lease SET beat = beat + 1, beat_at = UTC_TIMESTAMP(3) WHERE name = ? AND token = ?";
        if (Jdbc.update(connection, sql, NAME, token) != 1) {
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
        database.transaction(session -> Jdbc.update(session.getConnection(), sql, NAME, token));
    }
}
