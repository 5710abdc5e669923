package org.jontrel.serve.database;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.jdbc.datasource.AbstractDataSource;

/**
 * The connections to the databases of all sites: one bounded pool, however many sites there are. A connection is switched to
 * the database of the site that asks for it, which costs nothing where it was the last to use it.
 */
public final class SiteConnections implements AutoCloseable {
    /** MariaDB allows 151 in all unless it is told otherwise; the server's own and other programs need some. */
    private static final int CONNECTIONS = 64;

    /** A database that cannot be reached is said to be so soon. */
    private static final int WAIT_MILLIS = 1_500;

    private final HikariDataSource pool;
    private final DataSource connections;

    public SiteConnections(DataSourceProperties server, DatabaseProbe probe) {
        var config = new HikariConfig();
        config.setJdbcUrl(server.getUrl());
        config.setUsername(server.getUsername());
        config.setPassword(server.getPassword());
        config.setPoolName("sites");
        config.setMaximumPoolSize(CONNECTIONS);
        config.setMinimumIdle(0);
        config.setConnectionTimeout(WAIT_MILLIS);
        // as the engine wants them: set once for a connection, not for each transaction
        config.setAutoCommit(false);
        config.setTransactionIsolation("TRANSACTION_READ_COMMITTED");
        pool = new HikariDataSource(config);
        connections = new PatientDataSource(pool, probe::isReachable);
    }

    /** Connections to the database that the server's address names. */
    public DataSource here() {
        return connections;
    }

    /** Connections to one database. */
    public DataSource to(String database) {
        return new AbstractDataSource() {
            @Override
            public Connection getConnection() throws SQLException {
                return switched(connections.getConnection(), database);
            }

            @Override
            public Connection getConnection(String name, String password) throws SQLException {
                throw new SQLException("The pool has its own account");
            }
        };
    }

    /** Past the pool, which would switch back each time a connection is returned. */
    private static Connection switched(Connection connection, String database) throws SQLException {
        try {
            connection.unwrap(org.mariadb.jdbc.Connection.class).setCatalog(database);
            return connection;
        } catch (SQLException e) {
            connection.close();
            throw e;
        }
    }

    @Override
    public void close() {
        pool.close();
    }
}
