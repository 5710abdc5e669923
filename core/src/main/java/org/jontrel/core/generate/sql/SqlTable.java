package org.jontrel.core.generate.sql;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * @param mark what it is for, for life: the id of a definition, with that of a field where the table is that field's
 * @param above mark of the table whose rows its rows are parts of; empty for records, terms and site values
 * @param key names of the columns by which a row is known; none where nobody asks for single rows
 * @param keyName what the database calls that
 */
record SqlTable(
        String mark,
        String above,
        String name,
        String comment,
        List<SqlColumn> columns,
        List<String> key,
        String keyName,
        List<SqlConstraint> constraints) {
    SqlTable {
        columns = List.copyOf(columns);
        key = List.copyOf(key);
        constraints = List.copyOf(constraints);
    }

    Optional<SqlColumn> column(String columnMark) {
        return columns.stream().filter(each -> each.mark().equals(columnMark)).findFirst();
    }

    /** What it has beside its key. */
    Stream<SqlColumn> values() {
        return columns.stream().filter(each -> !key.contains(each.name()));
    }

    <C extends SqlConstraint> Stream<C> constraints(Class<C> sort) {
        return constraints.stream().filter(sort::isInstance).map(sort::cast);
    }

    /** Whether each of its rows is a value of a field with several: a choice, a file, a term or where a relation leads. */
    boolean holdsValuesOfField() {
        return !above.isEmpty() && values().anyMatch(each -> mark.endsWith("/" + each.of()));
    }
}
