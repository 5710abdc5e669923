package org.jontrel.core.spelling;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jontrel.core.model.Kind;

/** Reads what people have written in texts as values of a kind; exactly, or not at all. */
public final class Spelling {
    private static final List<String> YES = List.of("y", "on", "x", "✓", "✔", "☑");
    private static final List<String> NO = List.of("n", "off", "✗", "✘", "☐");

    /** Of what is longer, or stands on several lines or in columns, nobody knows which part is meant. */
    private static final Pattern ONE_LINE = Pattern.compile("\\P{Cc}{0,100}");

    private Spelling() {}

    /** Empty where the text is none, where it could be either of two values, and for kinds that texts have one form of. */
    public static Optional<Object> read(Kind kind, String text) {
        if (!ONE_LINE.matcher(text).matches()) {
            return Optional.empty();
        }
        return switch (kind) {
            case Kind.Numeric number ->
                SpelledMeasure.read(text, number.unit(), number.decimals()).map(Object.class::cast);
            case Kind.Date _ -> SpelledDate.read(text).map(Object.class::cast);
            case Kind.Time _ -> SpelledTime.read(text).map(Object.class::cast);
            case Kind.DateTime _ -> SpelledTime.moment(text).map(Object.class::cast);
            case Kind.YesNo _ -> yesNo(text.strip().toLowerCase(Locale.ROOT));
            default -> Optional.empty();
        };
    }

    private static Optional<Object> yesNo(String word) {
        return YES.contains(word) ? Optional.of(true) : NO.contains(word) ? Optional.of(false) : Optional.empty();
    }

    /** Whether a text is a code rather than a number: zeros stand before it. */
    public static boolean isCode(String text) {
        return text.strip().matches("[-+]?0[0-9]+");
    }
}
