package org.jontrel.core.move;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Row;

/**
 * Fields and their values under the ids of those that they are matched with, and back.
 *
 * @param matched those ids, by the fields' own
 */
record MatchedFields(Map<String, String> matched) {
    private String id(Field field) {
        return matched.getOrDefault(field.id(), field.id());
    }

    /** A field, and those within it, under the ids of their matches. */
    Field seen(Field field) {
        var own = field.withId(id(field));
        var inner = field.inner().stream().map(this::seen).toList();
        return switch (field.kind()) {
            case Kind.FieldGroup _ -> own.withKind(new Kind.FieldGroup(inner));
            case Kind.Repeater rows ->
                own.withKind(new Kind.Repeater(inner, rows.minRows(), rows.maxRows(), "", rows.shown()));
            case Kind.Plain _, Kind.Reference _, Kind.Note _ -> own;
        };
    }

    /** Whether some field that is matched has a value. */
    boolean says(List<Field> fields, Map<?, ?> values) {
        return fields.stream().anyMatch(field -> switch (values.get(field.id())) {
            case null -> false;
            case Map<?, ?> group -> says(field.inner(), group);
            default -> matched.containsKey(field.id());
        });
    }

    Map<String, Object> seen(List<Field> fields, Map<?, ?> values) {
        var seen = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value = values.get(field.id());
            if (value != null) {
                seen.put(id(field), inner(field, value, this::seen));
            }
        }
        return seen;
    }

    /** The other way round. */
    Map<String, Object> own(List<Field> fields, Map<?, ?> seen) {
        var values = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value = seen.get(id(field));
            if (value != null) {
                values.put(field.id(), inner(field, value, this::own));
            }
        }
        return values;
    }

    private interface IdChange {
        Map<String, Object> of(List<Field> fields, Map<?, ?> values);
    }

    private static Object inner(Field field, Object value, IdChange change) {
        return switch (value) {
            case Map<?, ?> group -> change.of(field.inner(), group);
            case List<?> list
            when MovedScope.isRows(field) ->
                list.stream()
                        .map(Row.class::cast)
                        .map(row -> new Row(row.id(), change.of(field.inner(), row.values())))
                        .toList();
            default -> value;
        };
    }
}
