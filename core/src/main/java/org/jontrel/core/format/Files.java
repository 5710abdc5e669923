package org.jontrel.core.format;

import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;
import org.jontrel.core.finding.Code;
import org.jontrel.core.shape.Composites;
import org.jontrel.core.shape.Scalars;
import org.jontrel.core.shape.Shape;

/** Shapes that other files of a package are made of. */
public final class Files {
    private Files() {}

    public static Shape<String> text() {
        return Scalars.TEXT;
    }

    /**
     * Text of a form that the reader and the schema check alike.
     *
     * @param pattern the same form as a regular expression of JSON Schema
     * @param code of the finding where the text is not of the form; gets the text, then what {@code hint} makes of it
     */
    public static Shape<String> text(
            Predicate<String> valid, String pattern, Code code, Function<String, String> hint) {
        return new Scalars.Formed(valid, pattern, code, hint);
    }

    /** A whole number; its limits are those of the schema, and whoever reads it says why it breaks them. */
    public static Shape<Integer> whole(int least, int most) {
        return Scalars.whole(least, most);
    }

    public static <E extends Enum<E>> Shape<E> word(Class<E> constants, Function<E, String> code) {
        return Scalars.word(constants, code);
    }

    public static <T> Shape<List<T>> list(Shape<T> item) {
        return Composites.list(item);
    }
}
