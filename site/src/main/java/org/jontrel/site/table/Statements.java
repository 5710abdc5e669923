package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;

/**
 * Statements that wait to be run together: those of one text as one batch, in the order in which each text first came. What
 * one record needs in a certain order therefore has a text of its own for each step.
 */
public final class Statements {
    private final SequencedMap<String, List<List<?>>> waiting = new LinkedHashMap<>();

    public void add(String sql, List<?> parameters) {
        waiting.computeIfAbsent(sql, _ -> new ArrayList<>()).add(parameters);
    }

    public void add(String sql, Object... parameters) {
        add(sql, java.util.Arrays.asList(parameters));
    }

    public void run(Connection connection) throws SQLException {
        for (var each : waiting.entrySet()) {
            run(connection, each.getKey(), each.getValue());
        }
        waiting.clear();
    }

    /** Rows that are put into one table go there together. */
    private static void run(Connection connection, String sql, List<List<?>> rows) throws SQLException {
        int columns = rows.getFirst().size();
        var one = " VALUES (" + Jdbc.marks(columns) + ")";
        boolean puts = (sql.startsWith("INSERT ") || sql.startsWith("REPLACE ")) && sql.endsWith(one);
        if (puts && columns > 0) {
            Jdbc.insertAll(connection, sql.substring(0, sql.length() - one.length()), "", rows);
        } else {
            Jdbc.batch(connection, sql, rows);
        }
    }
}
