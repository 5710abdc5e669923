package org.jontrel.core.code;

import java.util.regex.Pattern;
import org.semver4j.Semver;

/** Ranges of semantic versions: comparisons such as {@code >=1.2 <2}, alternatives between {@code ||}. */
public final class Ranges {
    private static final String COMPARISON = "(>=|<=|>|<|=|\\^|~)? ?[0-9]+(\\.[0-9x]+){0,2}(-[0-9A-Za-z.-]+)?";
    private static final Pattern RANGE =
            Pattern.compile(COMPARISON + "( " + COMPARISON + ")*( ?\\|\\| ?" + COMPARISON + "( " + COMPARISON + ")*)*");

    private Ranges() {}

    /** The form of a range, as a regular expression. */
    static String pattern() {
        return RANGE.pattern();
    }

    public static boolean isRange(String text) {
        return text.length() <= 200 && RANGE.matcher(text).matches();
    }

    /** Whether a version lies in a range; never for what is no range. */
    public static boolean holds(String version, String range) {
        return isRange(range) && new Semver(version).satisfies(range);
    }
}
