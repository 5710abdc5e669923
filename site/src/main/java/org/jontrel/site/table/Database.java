package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Properties;
import java.util.Set;
import javax.sql.DataSource;
import org.apache.ibatis.mapping.Environment;
import org.apache.ibatis.session.Configuration;
import org.apache.ibatis.session.LocalCacheScope;
import org.apache.ibatis.session.SqlSession;
import org.apache.ibatis.session.SqlSessionFactory;
import org.apache.ibatis.session.SqlSessionFactoryBuilder;
import org.apache.ibatis.session.TransactionIsolationLevel;
import org.apache.ibatis.transaction.jdbc.JdbcTransactionFactory;
import org.apache.ibatis.type.JdbcType;
import org.mybatis.dynamic.sql.util.mybatis3.CommonCountMapper;
import org.mybatis.dynamic.sql.util.mybatis3.CommonInsertMapper;
import org.mybatis.dynamic.sql.util.mybatis3.CommonSelectMapper;
import org.mybatis.dynamic.sql.util.mybatis3.CommonUpdateMapper;

/** Sessions on one site's database: whole transactions, at READ COMMITTED, tried again where the database asks for it. */
public final class Database {
    /** Deadlock, lock wait, changed row, not ready, statement against changed definitions. */
    private static final Set<Integer> TRANSIENT = Set.of(1213, 1205, 1020, 1047);

    private static final int TRIES = 6;
    private final SqlSessionFactory sessions;
    /** The session of what reads together, in its thread. */
    private final ThreadLocal<SqlSession> joined = new ThreadLocal<>();

    /** Work within one transaction. */
    public interface TransactionWork<T> {
        T with(SqlSession session) throws SQLException;
    }

    public Database(DataSource source) {
        var transactions = new JdbcTransactionFactory();
        var properties = new Properties();
        properties.setProperty("skipSetAutoCommitOnClose", "true");
        transactions.setProperties(properties);
        var configuration = new Configuration(new Environment("site", transactions, source));
        configuration.setLocalCacheScope(LocalCacheScope.STATEMENT);
        configuration.setCallSettersOnNulls(true);
        configuration.setJdbcTypeForNull(JdbcType.NULL);
        configuration.setArgNameBasedConstructorAutoMapping(true);
        configuration.setMapUnderscoreToCamelCase(true);
        configuration.setDefaultEnumTypeHandler(LowerCaseEnumHandler.class);
        configuration.addMapper(CommonSelectMapper.class);
        configuration.addMapper(CommonCountMapper.class);
        configuration.addMapper(CommonInsertMapper.class);
        configuration.addMapper(CommonUpdateMapper.class);
        sessions = new SqlSessionFactoryBuilder().build(configuration);
    }

    /** Makes a mapper interface known; once for each. */
    public void use(Class<?> mapper) {
        if (!sessions.getConfiguration().hasMapper(mapper)) {
            sessions.getConfiguration().addMapper(mapper);
        }
    }

    /** One transaction, committed where the work returns and undone where it throws; repeated on transient errors. */
    public <T> T transaction(TransactionWork<T> work) {
        var shared = joined.get();
        if (shared != null) {
            try {
                return work.with(shared);
            } catch (SQLException e) {
                throw new DatabaseException(e);
            }
        }
        for (int attempt = 1; ; attempt++) {
            try (var session = sessions.openSession(TransactionIsolationLevel.READ_COMMITTED)) {
                return committed(session, work);
            } catch (SQLException | RuntimeException e) {
                if (attempt >= TRIES || !isTransient(e)) {
                    throw e instanceof RuntimeException runtime ? runtime : new DatabaseException((SQLException) e);
                }
                pause(20L * attempt * attempt);
            }
        }
    }

    /** Reads in one transaction what would else be one for each: transactions within join it. For reading only. */
    public <T> T together(TransactionWork<T> work) {
        return joined.get() != null
                ? transaction(work)
                : transaction(session -> {
                    joined.set(session);
                    try {
                        return work.with(session);
                    } finally {
                        joined.remove();
                    }
                });
    }

    /** Undoes by itself: closing a connection whose statements the session did not see would commit them. */
    private static <T> T committed(SqlSession session, TransactionWork<T> work) throws SQLException {
        boolean done = false;
        try {
            var result = work.with(session);
            session.commit(true);
            done = true;
            return result;
        } finally {
            if (!done) {
                session.rollback(true);
            }
        }
    }

    /** Statements outside a transaction, such as those that change tables. */
    public void direct(DirectWork work) {
        try (var session = sessions.openSession(true)) {
            work.with(session.getConnection());
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }

    /** Work on a connection that commits each statement. */
    public interface DirectWork {
        void with(Connection connection) throws SQLException;
    }

    /** The database's error number, or 0. */
    public static int errorOf(Throwable thrown) {
        for (var cause = thrown; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql && sql.getErrorCode() > 0) {
                return sql.getErrorCode();
            }
        }
        return 0;
    }

    private static boolean isTransient(Throwable thrown) {
        for (var cause = thrown; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql
                    && (TRANSIENT.contains(sql.getErrorCode())
                            || "40001".equals(sql.getSQLState())
                            || "25S03".equals(sql.getSQLState()))) {
                return true;
            }
        }
        return false;
    }

    /** @throws IllegalStateException where the thread is to end */
    public static void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Interrupted while waiting for the database", e);
        }
    }
}
