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
            Jdbc.batch(connection, each.getKey(), each.getValue());
        }
        waiting.clear();
    }
}
