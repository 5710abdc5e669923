package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.concurrent.ThreadLocalRandom;

/**
 * Lets writers through while definitions stand still. A writer passes one of 16 slots by a write within its own
 * transaction; closing writes all slots, and so waits for everybody who is through and keeps out all others.
 */
public final class Gate {
    private static final int SLOTS = 16;

    private Gate() {}

    /** What a writer meets. */
    public enum Passage {
        OPEN,
        /** A switch is under way, or was interrupted. */
        CLOSED,
        /** Definitions have changed since the writer looked. */
        CHANGED
    }

    public static Passage pass(Connection connection, long generation) throws SQLException {
        int slot = ThreadLocalRandom.current().nextInt(SLOTS);
        var update = "UPDATE jontrel_gate SET passed = passed + 1 WHERE slot = ? AND closed = 0 AND generation = ?";
        if (Jdbc.update(connection, update, slot, generation) == 1) {
            return Passage.OPEN;
        }
        return isClosed(connection) ? Passage.CLOSED : Passage.CHANGED;
    }

    /** Something has changed that pages show and that no writer of records passes for. */
    public static void changed(Connection connection) throws SQLException {
        var update = "UPDATE jontrel_gate SET passed = passed + 1 WHERE slot = ?";
        Jdbc.update(connection, update, ThreadLocalRandom.current().nextInt(SLOTS));
    }

    /**
     * Another with every save and every switch.
     *
     * @param passed how often something was saved
     * @param closed whether a switch is under way, or was interrupted
     */
    public record GateState(long generation, long passed, boolean closed) {}

    public static GateState state(Connection connection) throws SQLException {
        return Jdbc.first(
                        connection,
                        "SELECT MAX(generation), SUM(passed), MAX(closed) FROM jontrel_gate",
                        row -> new GateState(row.getLong(1), row.getLong(2), row.getBoolean(3)))
                .orElseThrow();
    }

    public static boolean isClosed(Connection connection) throws SQLException {
        return Jdbc.number(connection, "SELECT closed FROM jontrel_gate WHERE slot = 0") == 1;
    }

    /**
     * From now on writers note which records they save, for a run that has to follow them. It waits for those who are through
     * and may not know yet.
     */
    public static void startLogging(Connection connection) throws SQLException {
        Jdbc.update(connection, "UPDATE jontrel_gate SET logging = 1");
    }

    /** The records that a writer saved, which has passed, if a run has to follow. */
    public static void saved(Connection connection, String recordTypeId, List<Long> records) throws SQLException {
        if (!isLogging(connection)) {
            return;
        }
        Jdbc.batch(
                connection,
                "INSERT INTO jontrel_change (holder_id, record_id) VALUES (?, ?)",
                records.stream().map(record -> List.of(recordTypeId, record)).toList());
    }

    private static boolean isLogging(Connection connection) throws SQLException {
        return Jdbc.number(connection, "SELECT logging FROM jontrel_gate WHERE slot = 0") == 1;
    }

    public static void close(Connection connection) throws SQLException {
        Jdbc.update(connection, "UPDATE jontrel_gate SET closed = 1");
    }

    /** Opens again without anything having been switched. */
    public static void reopen(Connection connection) throws SQLException {
        Jdbc.update(connection, "UPDATE jontrel_gate SET closed = 0");
    }

    /** Opens for the next generation. */
    public static void open(Connection connection) throws SQLException {
        Jdbc.update(connection, "UPDATE jontrel_gate SET closed = 0, logging = 0, generation = generation + 1");
    }
}
