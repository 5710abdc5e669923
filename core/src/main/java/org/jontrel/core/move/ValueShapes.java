package org.jontrel.core.move;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import org.jontrel.core.value.Row;

/** Compares values of records, however deep. */
public final class ValueShapes {
    private ValueShapes() {}

    /** Whether both have values in the same places, whatever they say. */
    public static boolean alike(Object a, Object b) {
        return same(shape(a), shape(b));
    }

    private static Object shape(Object value) {
        return switch (value) {
            case Row row -> shape(row.values());
            case Map<?, ?> group -> {
                var shape = new HashMap<Object, Object>();
                group.forEach((key, each) -> shape.put(key, shape(each)));
                yield shape;
            }
            case List<?> list -> list.stream().map(ValueShapes::shape).toList();
            default -> "";
        };
    }

    /** Whether both say the same; the ids of rows and zeros behind a point are nothing said. */
    public static boolean same(Object a, Object b) {
        if (a instanceof BigDecimal x && b instanceof BigDecimal y) {
            return x.compareTo(y) == 0;
        }
        if (a instanceof Row(long _, Map<String, Object> x) && b instanceof Row(long _, Map<String, Object> y)) {
            return same(x, y);
        }
        if (a instanceof Map<?, ?> x && b instanceof Map<?, ?> y) {
            return x.keySet().equals(y.keySet()) && x.keySet().stream().allMatch(key -> same(x.get(key), y.get(key)));
        }
        if (a instanceof List<?> x && b instanceof List<?> y) {
            return x.size() == y.size() && IntStream.range(0, x.size()).allMatch(i -> same(x.get(i), y.get(i)));
        }
        return Objects.equals(a, b);
    }
}
