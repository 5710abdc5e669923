package org.jontrel.core.value;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongSupplier;

/** Ids of rows within the values of a record. */
public final class RowIds {
    private RowIds() {}

    /** Ids of all rows, however deep. */
    public static Set<Long> ids(Map<String, Object> values) {
        var ids = new HashSet<Long>();
        values.values().forEach(value -> collect(value, ids));
        return ids;
    }

    private static void collect(Object value, Set<Long> ids) {
        switch (value) {
            case Row(long id, Map<String, Object> inner) -> {
                ids.add(id);
                inner.values().forEach(each -> collect(each, ids));
            }
            case List<?> list -> list.forEach(each -> collect(each, ids));
            case Map<?, ?> group -> group.values().forEach(each -> collect(each, ids));
            default -> {}
        }
    }

    /** The values with a fresh id for each row that has none, one that is not known, or one that another row has too. */
    public static Map<String, Object> settled(Map<String, Object> values, Set<Long> known, LongSupplier fresh) {
        return map(values, new HashSet<>(known), fresh);
    }

    private static Map<String, Object> map(Map<?, ?> values, Set<Long> free, LongSupplier fresh) {
        var settled = new LinkedHashMap<String, Object>();
        values.forEach((id, value) -> settled.put((String) id, settled(value, free, fresh)));
        return settled;
    }

    private static Object settled(Object value, Set<Long> free, LongSupplier fresh) {
        return switch (value) {
            case Row(long id, Map<String, Object> inner) ->
                new Row(free.remove(id) ? id : fresh.getAsLong(), map(inner, free, fresh));
            case List<?> list ->
                list.stream().map(each -> settled(each, free, fresh)).toList();
            case Map<?, ?> group -> map(group, free, fresh);
            default -> value;
        };
    }
}
