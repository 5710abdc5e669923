package org.jontrel.bench.serve;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;

/** Connections to the database of one site. */
final class BenchPool {
    private final HikariDataSource pool;

    BenchPool(DataSourceProperties server, String site) {
        var config = new HikariConfig();
        config.setJdbcUrl(server.getUrl().replaceFirst("(?=\\?|$)", "_site_" + site));
        config.setUsername(server.getUsername());
        config.setPassword(server.getPassword());
        config.setMaximumPoolSize(64);
        config.setMinimumIdle(0);
        config.setAutoCommit(false);
        config.setTransactionIsolation("TRANSACTION_READ_COMMITTED");
        pool = new HikariDataSource(config);
    }

    /** One that was asked what the application asks too: which definitions, and whether the visitor has the page already. */
    Connection connection() throws SQLException {
        var connection = pool.getConnection();
        try (var statement = connection.createStatement()) {
            statement
                    .executeQuery("SELECT generation FROM jontrel_gate WHERE slot = 0")
                    .close();
            statement
                    .executeQuery("SELECT SUM(passed), MAX(generation) FROM jontrel_gate")
                    .close();
        }
        return connection;
    }
}
