package org.jontrel.core.spelling;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import org.jontrel.core.model.Kind;

/** A way to read a text that could be either of two values: {@code 3/4/2026} as a date, {@code 1,234} as a number. */
public enum Reading {
    DAY_FIRST(date("$1.$2.$3")),
    MONTH_FIRST(date("$2.$1.$3")),
    DECIMAL_COMMA(number("$1.$2")),
    THOUSANDS_COMMA(number("$1$2"));

    private final UnaryOperator<String> plain;

    Reading(UnaryOperator<String> plain) {
        this.plain = plain;
    }

    /** With points, which stand between day, month and year in this order only. */
    private static UnaryOperator<String> date(String points) {
        var figures = Pattern.compile("([0-9]{1,2})[-/] ?([0-9]{1,2})[-/] ?([0-9]{4})");
        return text -> figures.matcher(text).replaceFirst(points);
    }

    private static UnaryOperator<String> number(String meant) {
        var comma = Pattern.compile("([1-9][0-9]{0,2}),([0-9]{3})(?![0-9.,])");
        return text -> comma.matcher(text).replaceFirst(meant);
    }

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** What a text can be read as; empty where it is read in one way, or in none. */
    public static Map<Reading, Object> of(Kind kind, String text) {
        var readings = new EnumMap<Reading, Object>(Reading.class);
        if (Spelling.read(kind, text).isEmpty()) {
            for (var each : values()) {
                var meant = each.plain.apply(text);
                if (!meant.equals(text)) {
                    Spelling.read(kind, meant).ifPresent(value -> readings.put(each, value));
                }
            }
        }
        return readings;
    }
}
