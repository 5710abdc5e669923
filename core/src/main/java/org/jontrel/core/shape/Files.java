package org.jontrel.core.shape;

import java.util.List;
import java.util.function.Function;

/** Shapes that other files of a package are made of. */
public final class Files {
    private Files() {}

    public static Shape<String> text() {
        return Scalars.TEXT;
    }

    public static Shape<Integer> whole() {
        return Scalars.WHOLE_NUMBER;
    }

    public static <E extends Enum<E>> Shape<E> word(Class<E> constants, Function<E, String> code) {
        return Scalars.word(constants, code);
    }

    public static <T> Shape<List<T>> list(Shape<T> item) {
        return Composites.list(item);
    }
}
