package org.jontrel.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.regex.Pattern;

/** What stands between the levels of names such as {@code Wood > Oak}. */
final class LevelSeparator {
    /** Those that are hardly ever part of a name come first. */
    private static final List<String> KNOWN =
            List.of(">", "»", "→", "|", "\\", "::", " / ", "/", " – ", " — ", " - ", ": ");

    private LevelSeparator() {}

    /** The one that stands between words in most of some names, as an answer says it; empty where none does. */
    static String of(List<String> names) {
        return KNOWN.stream()
                .filter(each -> count(names, each) > 0)
                .max(Comparator.comparingLong((String each) -> count(names, each))
                        .thenComparing(each -> -KNOWN.indexOf(each)))
                .orElse("");
    }

    private static long count(List<String> names, String separator) {
        return names.stream()
                .map(name -> name.split(Pattern.quote(separator), -1))
                .filter(parts -> parts.length > 1)
                .filter(parts -> List.of(parts).stream().noneMatch(String::isBlank))
                .count();
    }
}
