package org.jontrel.core.record;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Row;
import org.jontrel.core.value.kind.KindValues;
import org.jontrel.core.value.kind.Numbered;

/** Reads what a form or the API sent, by key, whatever is nested in what; empty values are left out. */
final class FormReader {
    /** The property of a row that carries its id; no field has such a key. */
    static final String ROW = "_row";

    private final boolean trial;

    /** @param trial whether texts stand for records and files that there are none of, as in a form under construction */
    FormReader(boolean trial) {
        this.trial = trial;
    }

    /** Values by field id; an {@link Unread} stands where one cannot be read. */
    Map<String, Object> read(List<Field> fields, Map<String, ?> raw) {
        var values = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value = value(field, raw.get(field.key()));
            if (value != null) {
                values.put(field.id(), value);
            }
        }
        return values;
    }

    private Object value(Field field, Object sent) {
        if (empty(sent)) {
            return null;
        }
        return switch (field.kind()) {
            case Kind.Note _ -> null;
            case Kind.FieldGroup(List<Field> inner) ->
                sent instanceof Map<?, ?> ? orNull(read(inner, map(sent))) : unread(field);
            case Kind.Repeater rows -> sent instanceof Collection<?> list ? rows(rows, list) : unread(field);
            case Kind.Plain _, Kind.Reference _ ->
                field.kind().amount().many() ? several(field, sent) : one(field, sent);
        };
    }

    private static boolean empty(Object sent) {
        return sent == null
                || sent instanceof String text && text.isBlank()
                || sent instanceof Map<?, ?> map && map.values().stream().allMatch(FormReader::empty);
    }

    private static Unread unread(Field field) {
        return new Unread(Values.where(field).finding(Code.VALUE_NOT_SINGLE));
    }

    private static <T> Map<String, T> orNull(Map<String, T> values) {
        return values.isEmpty() ? null : values;
    }

    private List<Row> rows(Kind.Repeater kind, Collection<?> sent) {
        var rows = new ArrayList<Row>();
        for (var each : sent) {
            var row = map(each);
            var id = String.valueOf(row.get(ROW));
            rows.add(new Row(Numbered.of(id).orElse(0L), read(kind.fields(), row)));
        }
        return rows.isEmpty() ? null : rows;
    }

    private Object several(Field field, Object sent) {
        var values = new ArrayList<Object>();
        for (var each : sent instanceof Collection<?> list ? list : List.of(sent)) {
            if (!empty(each)) {
                var value = one(field, each);
                if (value != null && !values.contains(value)) {
                    values.add(value);
                }
            }
        }
        return values.isEmpty() ? null : values;
    }

    private Object one(Field field, Object sent) {
        if (trial && (field.kind() instanceof Kind.Relation || field.kind() instanceof Kind.File)) {
            return sent;
        }
        var read = KindValues.of(field.kind()).read(sent, Values.where(field));
        var value = read.value().orElse(null);
        return read.finding().<Object>map(Unread::new).orElse("".equals(value) ? null : value);
    }

    static Map<String, ?> map(Object value) {
        if (!(value instanceof Map<?, ?> map)) {
            return Map.of();
        }
        var row = new LinkedHashMap<String, Object>();
        map.forEach((key, each) -> row.put(String.valueOf(key), each));
        return row;
    }

    /** The values without what could not be read. */
    static Map<String, Object> readable(Map<String, Object> values) {
        var readable = new LinkedHashMap<String, Object>();
        values.forEach((id, value) -> {
            var kept = readable(value);
            if (kept != null) {
                readable.put(id, kept);
            }
        });
        return readable;
    }

    @SuppressWarnings("unchecked") // groups are maps by field id
    private static Object readable(Object value) {
        return switch (value) {
            case Unread _ -> null;
            case Map<?, ?> group -> orNull(readable((Map<String, Object>) group));
            case Row(long id, Map<String, Object> values) -> new Row(id, readable(values));
            case List<?> list -> {
                var kept = list.stream()
                        .map(FormReader::readable)
                        .filter(each -> each != null)
                        .toList();
                yield kept.isEmpty() ? null : kept;
            }
            default -> value;
        };
    }
}
