package org.jontrel.core.propose.word;

import java.util.Map;
import java.util.regex.Pattern;
import org.jontrel.core.naming.VisibleText;

/**
 * What the header of a column says.
 *
 * @param unit that stands in brackets behind the label, else empty
 * @param help other words in brackets, else empty
 * @param required whether it is marked as such, with a star
 */
public record Header(String label, String unit, String help, boolean required) {
    private static final Pattern BRACKET = Pattern.compile("(.*\\S)\\s*[(\\[]\\s*([^()\\[\\]]{1,80})\\s*[)\\]]\\s*");
    private static final Pattern UNIT = Pattern.compile(
            "[a-zA-Zµ°]{1,3}[²³]?|m[23]|km/h|m/s|kWh|%|€|£|\\$|EUR|GBP|USD|min|days?|hours?|metres?|years?|litres?");
    private static final Pattern STAR =
            Pattern.compile("\\s*\\*\\s*|\\s*[(\\[]\\s*(?:required|mandatory)\\s*[)\\]]\\s*");
    private static final Map<String, String> SIGNS = Map.of("€", "EUR", "£", "GBP", "$", "USD");
    private static final int LONGEST = 100;

    public static Header of(String written) {
        var text = STAR.matcher(VisibleText.of(written)).replaceAll(" ").strip();
        boolean required = !text.equals(VisibleText.of(written));
        text = text.replaceFirst("\\s*[:?]$", text.endsWith("?") ? "?" : "").strip();
        var bracket = BRACKET.matcher(text);
        if (bracket.matches()) {
            var within = bracket.group(2).strip();
            boolean unit = UNIT.matcher(within).matches();
            return new Header(
                    label(bracket.group(1)),
                    unit ? SIGNS.getOrDefault(within, within) : "",
                    unit ? "" : sentence(within),
                    required);
        }
        return new Header(label(text), "", "", required);
    }

    /** Names of programs such as {@code lead_time} or {@code leadTime} as words, and a capital first. */
    public static String label(String text) {
        var words = VisibleText.of(text);
        if (!words.contains(" ") && words.matches(".*[a-z0-9][_.].*|.*[a-z][A-Z].*")) {
            words = words.replaceAll("[_.]+", " ")
                    .replaceAll("([a-z])([A-Z])", "$1 $2")
                    .strip();
            words = words.substring(0, 1) + words.substring(1).toLowerCase(java.util.Locale.ROOT);
        }
        if (words.length() > 3 && words.equals(words.toUpperCase(java.util.Locale.ROOT))) {
            words = words.toLowerCase(java.util.Locale.ROOT);
        }
        words = words.length() > LONGEST ? VisibleText.start(words, LONGEST).strip() : words;
        return words.isEmpty()
                ? words
                : words.substring(0, words.offsetByCodePoints(0, 1)).toUpperCase(java.util.Locale.ROOT)
                        + words.substring(words.offsetByCodePoints(0, 1));
    }

    private static String sentence(String words) {
        return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT)
                + words.substring(1)
                + (words.endsWith(".") ? "" : ".");
    }
}
