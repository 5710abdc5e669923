package org.jontrel.site.table;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;

/**
 * Rows that a statement brings along, as a table to join with: one statement for a thousand rows is several times as fast as
 * a thousand statements.
 */
public final class RowsOfValues {
    private final List<String> columns;
    private final List<List<Object>> rows = new ArrayList<>();

    public RowsOfValues(List<String> columns) {
        this.columns = List.copyOf(columns);
    }

    /** @param values one for each column; {@code null} for nothing */
    public void add(List<Object> values) {
        rows.add(values);
    }

    public boolean isEmpty() {
        return rows.isEmpty();
    }

    /** As it stands behind JOIN, with question marks for the values. */
    public String table(String alias) {
        var first = columns.stream().map(column -> "? AS " + column).collect(Collectors.joining(", ", "SELECT ", ""));
        var other = " UNION ALL SELECT " + String.join(", ", Collections.nCopies(columns.size(), "?"));
        return "(" + first + other.repeat(rows.size() - 1) + ") AS " + alias;
    }

    /** The values for the question marks. */
    public List<Object> parameters() {
        return rows.stream().flatMap(List::stream).collect(Collectors.toCollection(ArrayList::new));
    }
}
