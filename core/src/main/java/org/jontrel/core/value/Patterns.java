package org.jontrel.core.value;

import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;
import java.util.ArrayDeque;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Patterns of texts, as regular expressions that are matched in a time that grows with the text alone. What repeats in
 * what repeats grows with the product: a pattern whose machine would have more than some thousand parts is refused before
 * it is made.
 */
public final class Patterns {
    /** Characters of a pattern at most. */
    public static final int LONGEST = 1_000;

    private static final long MOST_PARTS = 5_000;
    private static final int MOST_KNOWN = 500;
    private static final Map<String, Pattern> KNOWN = new ConcurrentHashMap<>();

    private Patterns() {}

    /**
     * The pattern, made once.
     *
     * @throws PatternSyntaxException where it is none, or too large
     */
    public static Pattern of(String text) {
        var known = KNOWN.get(text);
        if (known != null) {
            return known;
        }
        if (text.length() > LONGEST || new PatternSize(text).parts() > MOST_PARTS) {
            throw new PatternSyntaxException("it is too large", shortened(text));
        }
        var made = Pattern.compile(text);
        if (KNOWN.size() >= MOST_KNOWN) {
            KNOWN.clear();
        }
        KNOWN.put(text, made);
        return made;
    }

    /** Whether a text is of the form; everything is of a form that is none. */
    public static boolean matches(String pattern, String text) {
        try {
            return of(pattern).matches(text);
        } catch (PatternSyntaxException _) {
            return true;
        }
    }

    private static String shortened(String text) {
        return text.length() > 50 ? text.substring(0, 50) + "…" : text;
    }

    /** Counts the parts of the machine that a pattern becomes, at least as many as there will be. */
    private static final class PatternSize {
        private final String text;
        private final ArrayDeque<Long> around = new ArrayDeque<>();
        private int at;
        private long sum;
        private long last;

        PatternSize(String text) {
            this.text = text;
        }

        long parts() {
            while (at < text.length()) {
                step(text.charAt(at));
            }
            long all = sum + last;
            for (var each : around) {
                all += each;
            }
            return all;
        }

        private void step(char sign) {
            switch (sign) {
                case '(' -> {
                    around.push(sum + last);
                    sum = 0;
                    last = 0;
                    at++;
                }
                case ')' -> {
                    long group = sum + last + 1;
                    sum = around.isEmpty() ? 0 : around.pop();
                    last = group;
                    at++;
                }
                case '{' -> repeated();
                case '[' -> {
                    single();
                    skipClass();
                }
                case '\\' -> {
                    single();
                    at = Math.min(text.length(), at + 2);
                }
                default -> {
                    if ("*+?|^$".indexOf(sign) < 0) {
                        single();
                    }
                    at++;
                }
            }
        }

        private void single() {
            sum += last;
            last = 1;
        }

        private void skipClass() {
            at++;
            if (at < text.length() && text.charAt(at) == '^') {
                at++;
            }
            if (at < text.length() && text.charAt(at) == ']') {
                at++;
            }
            while (at < text.length() && text.charAt(at) != ']') {
                at += text.charAt(at) == '\\' ? 2 : 1;
            }
            at = Math.min(text.length(), at + 1);
        }

        /** Of {@code {2,5}} the larger number counts. */
        private void repeated() {
            int end = text.indexOf('}', at);
            var numbers = end < 0 ? "" : text.substring(at + 1, end);
            if (numbers.matches("[0-9]{1,4}(,[0-9]{0,4})?")) {
                long times = 1;
                for (var number : numbers.split(",")) {
                    times = Math.max(times, Long.parseLong(number));
                }
                last = Math.min(MOST_PARTS + 1, Math.max(1, last) * times);
                at = end + 1;
            } else {
                single();
                at++;
            }
        }
    }
}
