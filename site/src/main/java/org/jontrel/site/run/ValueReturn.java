package org.jontrel.site.run;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Row;

/** Puts values where they belong. */
final class ValueReturn {
    private final String fieldId;
    private final boolean replace;
    private final Map<Long, Object> values;
    private int met;
    private int filled;

    /** @param values by the row they belong to; 0 for the record itself */
    ValueReturn(String fieldId, boolean replace, Map<Long, Object> values) {
        this.fieldId = fieldId;
        this.replace = replace;
        this.values = values;
    }

    /** How many values found their place. */
    int met() {
        return met;
    }

    /** How many of them were put there. */
    int filled() {
        return filled;
    }

    Map<String, Object> fill(List<Field> fields, Map<?, ?> present, long row) {
        var filledIn = new LinkedHashMap<String, Object>();
        present.forEach((id, value) -> filledIn.put((String) id, value));
        for (var field : fields) {
            var value = present.get(field.id());
            if (field.id().equals(fieldId)) {
                var back = values.get(row);
                met += back == null ? 0 : 1;
                if (back != null && (value == null || replace && !value.equals(back))) {
                    filledIn.put(field.id(), back);
                    filled++;
                }
            } else if (field.kind() instanceof Kind.FieldGroup) {
                var inner = fill(field.inner(), value == null ? Map.of() : (Map<?, ?>) value, row);
                if (!inner.isEmpty()) {
                    filledIn.put(field.id(), inner);
                }
            } else if (field.kind() instanceof Kind.Repeater && value != null) {
                filledIn.put(
                        field.id(),
                        ((List<?>) value)
                                .stream()
                                        .map(each -> (Row) each)
                                        .map(each -> new Row(each.id(), fill(field.inner(), each.values(), each.id())))
                                        .toList());
            }
        }
        return filledIn;
    }
}
