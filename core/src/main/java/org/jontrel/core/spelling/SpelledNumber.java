package org.jontrel.core.spelling;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Numbers as people write them: {@code 12,5}, {@code 1 234,50}, {@code 1.234.567}, {@code 2½}, {@code 3/4}. Each is read exactly or
 * not at all: {@code 1,234} may be either of two numbers, a third has no end as a decimal, and {@code 007} is a code.
 */
final class SpelledNumber {
    private static final int MOST_LENGTH = 60;
    private static final Pattern SPACES = Pattern.compile("[\\s\u00a0\u2007\u2009\u202f]+");
    private static final Pattern HYPHENS = Pattern.compile("[\u2010-\u2015\u2212]");
    private static final Pattern APOSTROPHES = Pattern.compile("[\u2018\u2019\u02bc]");
    private static final Pattern FRACTION = Pattern.compile("(?:([0-9]{1,9})[ -])?([0-9]{1,4})/([0-9]{1,4})");
    private static final Pattern SIGNS = Pattern.compile("([0-9]{1,9})? ?([\u00bc-\u00be\u2150-\u215e])");
    /** Groups of three behind the first, by one and the same sign; then perhaps a part behind a point or comma. */
    private static final Pattern GROUPED =
            Pattern.compile("([1-9][0-9]{0,2})(?:([ '.,])([0-9]{3}))(?:\\2[0-9]{3})*(?:([.,])([0-9]+))?");

    private static final Pattern BARE = Pattern.compile("([0-9]+)(?:([.,])([0-9]+))?");
    private static final Pattern CODE = Pattern.compile("0[0-9].*");

    private SpelledNumber() {}

    /** Without a unit; a sign before it is read. */
    static Optional<BigDecimal> read(String written) {
        if (written.length() > MOST_LENGTH) {
            return Optional.empty();
        }
        var text = plain(written);
        boolean negative = text.startsWith("-");
        var digits = negative || text.startsWith("+") ? text.substring(1).strip() : text;
        return unsigned(digits).map(number -> negative ? number.negate() : number);
    }

    /** With usual spaces, hyphens and apostrophes in the place of those that typesetters use. */
    static String plain(String written) {
        if (isPlain(written)) {
            return written.strip();
        }
        var spaced = SPACES.matcher(written).replaceAll(" ");
        var hyphened = HYPHENS.matcher(spaced).replaceAll("-");
        return APOSTROPHES.matcher(hyphened).replaceAll("'").strip();
    }

    /** Most texts have none of them. */
    private static boolean isPlain(String written) {
        for (int i = 0; i < written.length(); i++) {
            char each = written.charAt(i);
            boolean spaces = each == ' ' && i > 0 && written.charAt(i - 1) == ' ';
            if (each < ' ' || each > '~' || spaces) {
                return false;
            }
        }
        return true;
    }

    private static Optional<BigDecimal> unsigned(String text) {
        if (CODE.matcher(text).matches()) {
            return Optional.empty();
        }
        var fraction = FRACTION.matcher(text);
        if (fraction.matches()) {
            return exact(fraction.group(1), new BigDecimal(fraction.group(2)), new BigDecimal(fraction.group(3)));
        }
        var signs = SIGNS.matcher(text);
        if (signs.matches()) {
            var parts = java.text.Normalizer.normalize(signs.group(2), java.text.Normalizer.Form.NFKD)
                    .split("\u2044");
            return parts.length == 2
                    ? exact(signs.group(1), new BigDecimal(parts[0]), new BigDecimal(parts[1]))
                    : Optional.empty();
        }
        var bare = BARE.matcher(text);
        if (bare.matches()) {
            return bare(bare);
        }
        var grouped = GROUPED.matcher(text);
        return grouped.matches() ? grouped(text, grouped) : Optional.empty();
    }

    /** A comma before three figures may stand before thousands or before decimals; a point is how programs write decimals. */
    private static Optional<BigDecimal> bare(Matcher found) {
        var whole = found.group(1);
        var part = found.group(3);
        boolean either = ",".equals(found.group(2)) && part.length() == 3 && whole.length() <= 3 && !whole.equals("0");
        return either ? Optional.empty() : Optional.of(new BigDecimal(part == null ? whole : whole + "." + part));
    }

    private static Optional<BigDecimal> grouped(String text, Matcher found) {
        var grouping = found.group(2);
        var point = found.group(4);
        if (grouping.equals(point)) {
            return Optional.empty();
        }
        var whole = point == null ? text : text.substring(0, text.lastIndexOf(point));
        var figures = whole.replace(grouping, "");
        return Optional.of(new BigDecimal(point == null ? figures : figures + "." + found.group(5)));
    }

    private static Optional<BigDecimal> exact(String whole, BigDecimal above, BigDecimal below) {
        return Exact.divided(above, below).map(part -> whole == null ? part : part.add(new BigDecimal(whole)));
    }
}
