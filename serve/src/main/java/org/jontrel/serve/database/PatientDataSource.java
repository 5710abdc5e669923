package org.jontrel.serve.database;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.time.Duration;
import java.util.function.BooleanSupplier;
import javax.sql.DataSource;
import org.springframework.jdbc.datasource.DelegatingDataSource;

/**
 * A pool that says soon that it has no connection, asked again for as long as the database can be reached: then all
 * connections are in use, and one will be free. A database that is gone is known after the pool's own time.
 */
public final class PatientDataSource extends DelegatingDataSource {
    private static final Duration LONGEST = Duration.ofSeconds(10);

    private final BooleanSupplier reachable;

    public PatientDataSource(DataSource pool, BooleanSupplier reachable) {
        super(pool);
        this.reachable = reachable;
    }

    /** @throws SQLTransientConnectionException after ten seconds, or as soon as the database cannot be reached */
    @Override
    public Connection getConnection() throws SQLException {
        long since = System.nanoTime();
        while (true) {
            try {
                return super.getConnection();
            } catch (SQLTransientConnectionException e) {
                if (System.nanoTime() - since >= LONGEST.toNanos() || !reachable.getAsBoolean()) {
                    throw e;
                }
            }
        }
    }
}
