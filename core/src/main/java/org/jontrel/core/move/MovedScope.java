package org.jontrel.core.move;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Row;

/**
 * The values of a record as it was, seen from the record itself or from one of its rows.
 *
 * @param table id of the repeater whose row it is; empty for the record
 * @param values by field id, without groups between
 * @param outer the row or record that the row stands in; {@code null} for the record
 * @param shallow whether what is in rows within does not count
 */
record MovedScope(RecordType recordType, String table, Map<String, Object> values, MovedScope outer, boolean shallow) {
    static MovedScope of(RecordType recordType, Map<String, Object> values) {
        return new MovedScope(recordType, "", flat(recordType.fields().toList(), values), null, false);
    }

    MovedScope within(Field repeater, Row row) {
        return new MovedScope(recordType, repeater.id(), flat(repeater.inner(), row.values()), this, false);
    }

    /** Without what is in rows within. */
    MovedScope alone() {
        return new MovedScope(recordType, table, values, outer, true);
    }

    private static Map<String, Object> flat(List<Field> fields, Map<?, ?> values) {
        var flat = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value = values.get(field.id());
            if (value instanceof Map<?, ?> group) {
                flat.putAll(flat(field.inner(), group));
            } else if (value != null) {
                flat.put(field.id(), value);
            }
        }
        return flat;
    }

    /** All values of a field, in order: those of this row or of a row around it, or of all rows within the nearest of these. */
    List<FoundValue> values(Field field) {
        var home = recordType.home(field.id()).table();
        var path = path(home);
        var from = this;
        while (!path.contains(from.table)) {
            from = from.outer;
        }
        if (shallow && !home.equals(from.table)) {
            return List.of();
        }
        return from.below(field, path.subList(path.indexOf(from.table) + 1, path.size()))
                .toList();
    }

    /**
     * A value, and where it stood.
     *
     * @param at the record or row that holds it
     */
    record FoundValue(Object value, MovedScope at) {}

    private Stream<FoundValue> below(Field field, List<String> tables) {
        if (tables.isEmpty()) {
            return switch (values.get(field.id())) {
                case null -> Stream.empty();
                case List<?> several -> several.stream().map(each -> new FoundValue(each, this));
                case Object one -> Stream.of(new FoundValue(one, this));
            };
        }
        var repeater = recordType.field(tables.getFirst()).orElseThrow();
        return rows(repeater).flatMap(row -> row.below(field, tables.subList(1, tables.size())));
    }

    /** The rows of a repeater that stands here. */
    private Stream<MovedScope> rows(Field repeater) {
        return values.get(repeater.id()) instanceof List<?> rows
                ? rows.stream().filter(Row.class::isInstance).map(row -> within(repeater, (Row) row))
                : Stream.empty();
    }

    /** Ids of the repeaters that a table stands in, the outermost first; the record's own table is the empty one. */
    private List<String> path(String table) {
        var path = new ArrayList<String>();
        for (var each = table; !each.isEmpty(); each = recordType.home(each).table()) {
            path.addFirst(each);
        }
        path.addFirst("");
        return path;
    }

    static boolean isRows(Field field) {
        return field.kind() instanceof Kind.Repeater;
    }
}
