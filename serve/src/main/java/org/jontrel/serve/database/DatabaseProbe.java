package org.jontrel.serve.database;

import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import java.util.Properties;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.stereotype.Component;

/** Asks whether the database server can be reached, past all pools, over a connection of its own. */
@Component
public class DatabaseProbe {
    /** How long an answer holds, so that many who ask at once cost one connection. */
    private static final Duration FRESH = Duration.ofMillis(250);

    private static final int CONNECT_MILLIS = 1_000;

    /** A server that answers late is busy; one that does not answer is gone. */
    private static final int ANSWER_MILLIS = 5_000;

    private final DataSourceProperties server;
    private long askedAt = System.nanoTime() - FRESH.toNanos();
    private boolean reachable;

    public DatabaseProbe(DataSourceProperties server) {
        this.server = server;
    }

    /** At most six seconds; the answer may be a quarter of a second old. */
    public synchronized boolean isReachable() {
        if (System.nanoTime() - askedAt >= FRESH.toNanos()) {
            reachable = connects();
            askedAt = System.nanoTime();
        }
        return reachable;
    }

    private boolean connects() {
        var properties = new Properties();
        properties.setProperty("user", server.getUsername());
        properties.setProperty("password", server.getPassword());
        properties.setProperty("connectTimeout", Integer.toString(CONNECT_MILLIS));
        properties.setProperty("socketTimeout", Integer.toString(ANSWER_MILLIS));
        try (var connection = DriverManager.getConnection(server.getUrl(), properties)) {
            return connection.isValid(ANSWER_MILLIS / 1_000);
        } catch (SQLException _) {
            return false;
        }
    }
}
