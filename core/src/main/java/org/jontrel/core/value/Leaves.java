package org.jontrel.core.value;

import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import org.jontrel.core.model.Field;

/** The single values of a record, however deep they stand. */
public final class Leaves {
    private Leaves() {}

    /** Calls for each value with its field; for each of several. */
    public static void of(List<Field> fields, Map<?, ?> values, BiConsumer<Field, Object> leaf) {
        for (var field : fields) {
            var value = values.get(field.id());
            if (value != null) {
                each(field, value, leaf);
            }
        }
    }

    private static void each(Field field, Object value, BiConsumer<Field, Object> leaf) {
        switch (value) {
            case Row row -> of(field.inner(), row.values(), leaf);
            case Map<?, ?> group -> of(field.inner(), group, leaf);
            case List<?> list -> list.forEach(one -> each(field, one, leaf));
            default -> leaf.accept(field, value);
        }
    }
}
