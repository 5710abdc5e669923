package org.jontrel.core.shape;

import java.util.Objects;
import java.util.function.Function;

/**
 * One property of a thing in a file.
 *
 * @param absent the value when the property is left out, or {@code null} where it has none
 * @param about what it is for, in a sentence; shown in schemas, documents and help
 */
public record Property<T, V>(
        String name, Shape<V> shape, Function<T, V> getter, V absent, boolean required, Sense sense, String about) {
    public boolean isDefault(T owner) {
        var value = getter.apply(owner);
        return Objects.equals(value, absent) || Scalars.isSamePart(absent, value);
    }

    /** As it stands in a file, or {@code null} where it has no value. */
    public Object written(T owner) {
        return written(owner, WriteContext.PLAIN);
    }

    Object written(T owner, WriteContext to) {
        var value = getter.apply(owner);
        return value == null ? null : shape.write(value, to);
    }

    /** The things within it, or nothing where it holds none with an identity. */
    public Slot<V> slot() {
        return shape instanceof Slot<V> slot ? slot : null;
    }

    /** The same property of an owner that has {@code T} within. */
    <O> Property<O, V> of(Function<O, T> owner) {
        return new Property<>(name, shape, whole -> getter.apply(owner.apply(whole)), absent, required, sense, about);
    }
}
