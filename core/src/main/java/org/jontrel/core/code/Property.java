package org.jontrel.core.code;

import java.util.Objects;
import java.util.function.Function;

/**
 * One property of a thing in a file.
 *
 * @param absent the value when the property is left out, or {@code null} where it has none
 * @param about what it is for, in a sentence; shown in schemas and help
 */
record Property<T, V>(
        String name, Shape<V> shape, Function<T, V> getter, V absent, boolean required, Sense sense, String about) {
    boolean isDefault(T owner) {
        return Objects.equals(getter.apply(owner), absent);
    }

    Object written(T owner) {
        var value = getter.apply(owner);
        return value == null ? null : shape.write(value);
    }
}
