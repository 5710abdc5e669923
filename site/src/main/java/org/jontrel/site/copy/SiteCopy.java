package org.jontrel.site.copy;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.LongConsumer;
import javax.sql.DataSource;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.ExactRows;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.Schema;

/**
 * Copies a site's database as it was at one moment. What is read is a snapshot, so nobody who works on the site waits for it;
 * what is read is written in bundles, so memory does not grow with the site.
 */
public final class SiteCopy {
    /** How many statements make a transaction. */
    private static final int STATEMENTS = 50;

    /** Definitions changed since the snapshot, or a table that was there then is gone. */
    private static final List<Integer> SWITCHED = List.of(1412, 1146);
    /** Bytes of pictures and files: never changed once they are there, and too long to pass through here. */
    private static final String CONTENT = "jontrel_content";

    private final Connection from;
    private final Connection to;
    private final LongConsumer copied;
    private long rows;

    private SiteCopy(Connection from, Connection to, LongConsumer copied) {
        this.from = from;
        this.to = to;
        this.copied = copied;
    }

    /** The site's definitions were switched while it was copied, so that no copy came of it. */
    public static final class CopyBroken extends RuntimeException {
        private static final long serialVersionUID = 1;

        CopyBroken(Throwable cause) {
            super("The site's definitions were switched while it was copied. Try again.", cause);
        }
    }

    /** About how many rows there are to copy; the database's own estimate. */
    public static long rows(DataSource site) {
        try (var connection = site.getConnection()) {
            return Jdbc.number(
                    connection,
                    "SELECT SUM(table_rows) FROM information_schema.tables WHERE table_schema = DATABASE()"
                            + " AND table_type = 'BASE TABLE'");
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }

    /**
     * Makes the copy.
     *
     * @param to an empty database on the same server
     * @param copied told from time to time how many rows are copied; what it throws ends the copy
     * @throws CopyBroken where no copy came of it
     */
    public static void make(DataSource site, DataSource to, LongConsumer copied) {
        try (var read = site.getConnection();
                var written = to.getConnection()) {
            read.setAutoCommit(false);
            read.setTransactionIsolation(Connection.TRANSACTION_REPEATABLE_READ);
            written.setAutoCommit(false);
            try {
                new SiteCopy(read, written, copied).make();
            } finally {
                read.rollback();
                written.rollback();
            }
        } catch (SQLException e) {
            throw SWITCHED.contains(e.getErrorCode()) ? new CopyBroken(e) : new DatabaseException(e);
        }
    }

    private void make() throws SQLException {
        var source =
                Jdbc.first(from, "SELECT DATABASE()", row -> row.getString(1)).orElseThrow();
        Jdbc.execute(from, "START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY");
        var tables = Schema.tables(from).keySet();
        for (var table : tables) {
            Jdbc.execute(to, "CREATE TABLE `%s` LIKE `%s`.`%s`".formatted(table, source, table));
        }
        for (var table : tables) {
            if (table.equals(CONTENT)) {
                copyContent(source);
            } else if (!Ddl.OF_IMPORTS.contains(table)) {
                copy(table);
            }
            to.commit();
        }
        // whoever holds it works on the site, not on the copy
        Jdbc.update(to, "UPDATE jontrel_lease SET owner = ''");
        to.commit();
    }

    /** Within the database, name by name. */
    private void copyContent(String source) throws SQLException {
        for (var name :
                Jdbc.query(from, "SELECT DISTINCT name FROM " + CONTENT + " ORDER BY name", row -> row.getString(1))) {
            rows += Jdbc.update(
                    to,
                    "INSERT INTO %s SELECT * FROM `%s`.%s WHERE name = ?".formatted(CONTENT, source, CONTENT),
                    name);
            to.commit();
            copied.accept(rows);
        }
    }

    private void copy(String table) throws SQLException {
        var exact = new ExactRows(from, table);
        var insertion = exact.into(to);
        int[] statements = {0};
        exact.each(from, false, row -> {
            var values = new ArrayList<Object>();
            for (int i = 0; i < exact.types().size(); i++) {
                values.add(exact.value(row, i));
            }
            rows++;
            if (insertion.add(values)) {
                copied.accept(rows);
                if (++statements[0] % STATEMENTS == 0) {
                    to.commit();
                }
            }
        });
        insertion.flush();
        copied.accept(rows);
    }
}
