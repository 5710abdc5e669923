package org.jontrel.core.record;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;

/** Values of fields that may stand in groups, and in groups within them: there they are found under the ids of the groups. */
public final class GroupedValues {
    private GroupedValues() {}

    /** These values and one more, in the groups that its field stands in. */
    public static Map<String, Object> with(
            RecordType recordType, Map<String, Object> values, String fieldId, Object value) {
        return with(recordType.fields().toList(), values, fieldId, value);
    }

    private static Map<String, Object> with(List<Field> fields, Map<?, ?> values, String fieldId, Object value) {
        var all = copy(values);
        holding(fields, fieldId)
                .ifPresent(field -> all.put(
                        field.id(),
                        field.id().equals(fieldId)
                                ? value
                                : with(field.inner(), group(values, field), fieldId, value)));
        return all;
    }

    /** These values but one; a group that has no others is left out with it. */
    public static Map<String, Object> without(RecordType recordType, Map<String, Object> values, String fieldId) {
        return without(recordType.fields().toList(), values, fieldId);
    }

    private static Map<String, Object> without(List<Field> fields, Map<?, ?> values, String fieldId) {
        var all = copy(values);
        holding(fields, fieldId).ifPresent(field -> {
            var left = field.id().equals(fieldId)
                    ? Map.<String, Object>of()
                    : without(field.inner(), group(values, field), fieldId);
            if (left.isEmpty()) {
                all.remove(field.id());
            } else {
                all.put(field.id(), left);
            }
        });
        return all;
    }

    /** The value of a field; empty where it has none. */
    public static Optional<Object> get(RecordType recordType, Map<String, Object> values, String fieldId) {
        return get(recordType.fields().toList(), values, fieldId);
    }

    private static Optional<Object> get(List<Field> fields, Map<?, ?> values, String fieldId) {
        return holding(fields, fieldId)
                .flatMap(field -> field.id().equals(fieldId)
                        ? Optional.ofNullable(values.get(fieldId))
                        : get(field.inner(), group(values, field), fieldId));
    }

    /** The field itself, or the group that it stands in. */
    private static Optional<Field> holding(List<Field> fields, String fieldId) {
        return fields.stream()
                .filter(each -> each.withInner().anyMatch(inner -> inner.id().equals(fieldId)))
                .findFirst();
    }

    private static Map<?, ?> group(Map<?, ?> values, Field field) {
        return values.get(field.id()) instanceof Map<?, ?> group ? group : Map.of();
    }

    private static Map<String, Object> copy(Map<?, ?> values) {
        var all = new HashMap<String, Object>();
        values.forEach((id, value) -> all.put((String) id, value));
        return all;
    }
}
