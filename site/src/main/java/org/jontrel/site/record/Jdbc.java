package org.jontrel.site.record;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import org.jontrel.site.table.Cells;

/** Statements whose text is made once for a table and run many times. */
final class Jdbc {
    private static final int[] SIZES = {1, 4, 16, 64, 256, 1024};

    private Jdbc() {}

    /** A row, read. */
    interface Reader<T> {
        T read(ResultSet row) throws SQLException;
    }

    static <T> List<T> query(Connection connection, String sql, Reader<T> reader, Object... parameters)
            throws SQLException {
        try (var statement = connection.prepareStatement(sql)) {
            set(statement, List.of(parameters));
            try (var rows = statement.executeQuery()) {
                var read = new ArrayList<T>();
                while (rows.next()) {
                    read.add(reader.read(rows));
                }
                return read;
            }
        }
    }

    static int update(Connection connection, String sql, List<?> parameters) throws SQLException {
        try (var statement = connection.prepareStatement(sql)) {
            set(statement, parameters);
            return statement.executeUpdate();
        }
    }

    static int update(Connection connection, String sql, Object... parameters) throws SQLException {
        return update(connection, sql, java.util.Arrays.asList(parameters));
    }

    static void batch(Connection connection, String sql, List<? extends List<?>> rows) throws SQLException {
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

    private static void set(PreparedStatement statement, List<?> parameters) throws SQLException {
        for (int i = 0; i < parameters.size(); i++) {
            statement.setObject(i + 1, Cells.toColumn(parameters.get(i)));
        }
    }

    /** Ids filled up to one of a few sizes with the last of them, so that there are few different statements. */
    static List<Object> padded(Collection<?> ids) {
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

    static String marks(int count) {
        return String.join(", ", Collections.nCopies(count, "?"));
    }
}
