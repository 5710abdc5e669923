package org.jontrel.site.record;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import org.jontrel.site.table.Jdbc;

/**
 * Statements that wait to be run together: those of one text as one batch, in the order in which each text first came. What
 * one record needs in a certain order therefore has a text of its own for each step.
 */
final class Statements {
    private final SequencedMap<String, List<List<?>>> waiting = new LinkedHashMap<>();

    void add(String sql, List<?> parameters) {
        waiting.computeIfAbsent(sql, _ -> new ArrayList<>()).add(parameters);
    }

    void add(String sql, Object... parameters) {
        add(sql, java.util.Arrays.asList(parameters));
    }

    void run(Connection connection) throws SQLException {
        for (var each : waiting.entrySet()) {
            Jdbc.batch(connection, each.getKey(), each.getValue());
        }
        waiting.clear();
    }
}
