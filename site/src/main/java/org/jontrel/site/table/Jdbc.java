package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/** The one way on which statements that name a site's own tables and columns reach the database. */
public final class Jdbc {
    private static final int[] SIZES = {1, 4, 16, 64, 256, 1024};
    private static final int FETCHED = 1_000;
    private static final int ROWS_TOGETHER = 250;
    private static final long LETTERS_TOGETHER = 1_000_000;

    private Jdbc() {}

    /** A row, read. */
    public interface RowReader<T> {
        T read(ResultSet row) throws SQLException;
    }

    /** What is done with each row. */
    public interface RowVisitor {
        void visit(ResultSet row) throws SQLException;
    }

    public static <T> List<T> query(Connection connection, String sql, RowReader<T> reader, Object... parameters)
            throws SQLException {
        var read = new ArrayList<T>();
        visit(connection, sql, 0, row -> read.add(reader.read(row)), Arrays.asList(parameters));
        return read;
    }

    /** What the first row says; empty where there is none, or it says nothing. */
    public static <T> Optional<T> first(Connection connection, String sql, RowReader<T> reader, Object... parameters)
            throws SQLException {
        return query(connection, sql, reader, parameters).stream()
                .filter(Objects::nonNull)
                .findFirst();
    }

    /** The number that a query gives; 0 where it gives none. */
    public static long number(Connection connection, String sql, Object... parameters) throws SQLException {
        return query(connection, sql, row -> row.getLong(1), parameters).stream()
                .findFirst()
                .orElse(0L);
    }

    /** Visits row by row, however many there are; no more than a thousand are in memory. */
    public static void each(Connection connection, String sql, RowVisitor visitor, Object... parameters)
            throws SQLException {
        visit(connection, sql, FETCHED, visitor, Arrays.asList(parameters));
    }

    private static void visit(Connection connection, String sql, int fetched, RowVisitor visitor, List<?> parameters)
            throws SQLException {
        try (var statement = connection.prepareStatement(sql)) {
            statement.setFetchSize(fetched);
            set(statement, parameters);
            try (var rows = statement.executeQuery()) {
                while (rows.next()) {
                    visitor.visit(rows);
                }
            }
        }
    }

    /** A statement without parameters, such as those that change tables. */
    public static void execute(Connection connection, String sql) throws SQLException {
        try (var statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    /** How many rows it found. */
    public static int update(Connection connection, String sql, List<?> parameters) throws SQLException {
        try (var statement = connection.prepareStatement(sql)) {
            set(statement, parameters);
            return statement.executeUpdate();
        }
    }

    public static int update(Connection connection, String sql, Object... parameters) throws SQLException {
        return update(connection, sql, Arrays.asList(parameters));
    }

    /** One statement for each row of parameters. */
    public static void batch(Connection connection, String sql, List<? extends List<?>> rows) throws SQLException {
        if (rows.size() == 1) {
            update(connection, sql, rows.getFirst());
        }
        if (rows.size() < 2) {
            return;
        }
        try (var statement = connection.prepareStatement(sql)) {
            for (var row : rows) {
                set(statement, row);
                statement.addBatch();
            }
            statement.executeBatch();
        }
    }

    /**
     * Many rows in few statements, which the database carries out faster than one for each.
     *
     * @param into a statement up to its columns, such as {@code INSERT INTO t (a, b)}
     * @param behind what follows the rows, such as what is done with those that are there; else empty
     */
    public static void insertAll(Connection connection, String into, String behind, List<? extends List<?>> rows)
            throws SQLException {
        int from = 0;
        while (from < rows.size()) {
            int to = from;
            long letters = 0;
            var parameters = new ArrayList<Object>();
            while (to < rows.size() && to - from < ROWS_TOGETHER && letters < LETTERS_TOGETHER) {
                var row = rows.get(to++);
                parameters.addAll(row);
                letters += letters(row);
            }
            var marks = "(" + marks(rows.get(from).size()) + ")";
            update(
                    connection,
                    into + " VALUES " + String.join(", ", Collections.nCopies(to - from, marks)) + behind,
                    parameters);
            from = to;
        }
    }

    private static long letters(List<?> row) {
        return row.stream()
                .mapToLong(each -> each instanceof String text ? text.length() : 1)
                .sum();
    }

    private static void set(PreparedStatement statement, List<?> parameters) throws SQLException {
        for (int i = 0; i < parameters.size(); i++) {
            statement.setObject(i + 1, ColumnValues.toColumn(parameters.get(i)));
        }
    }

    /** Ids filled up to one of a few sizes with the last of them, so that there are few different statements. */
    public static List<Object> padded(Collection<?> ids) {
        int size = ids.size();
        for (int each : SIZES) {
            if (each >= ids.size()) {
                size = each;
                break;
            }
        }
        var padded = new ArrayList<Object>(ids);
        padded.addAll(Collections.nCopies(size - ids.size(), padded.getLast()));
        return padded;
    }

    public static String marks(int count) {
        return String.join(", ", Collections.nCopies(count, "?"));
    }
}
