package org.jontrel.core.sheet;

import java.math.BigDecimal;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jontrel.core.model.Kind;
import org.jontrel.core.spelling.Reading;
import org.jontrel.core.spelling.Spelling;
import org.jontrel.core.value.kind.KindValues;

/** Says what a text can be read as; each by the rules by which such texts become values. */
final class Signs {
    static final long ALL = -1;
    private static final long NUMBERS =
            Sign.NUMBER.bit() | Sign.NUMBER_WITH_COMMA.bit() | Sign.NUMBER_WITH_THOUSANDS.bit() | Sign.MEASURE.bit();
    private static final long DAYS = Sign.DATE.bit()
            | Sign.DATE_DAY_FIRST.bit()
            | Sign.DATE_MONTH_FIRST.bit()
            | Sign.MOMENT.bit()
            | Sign.MOMENT_DAY_FIRST.bit()
            | Sign.MOMENT_MONTH_FIRST.bit();
    private static final long FIGURES =
            NUMBERS | DAYS | Sign.WHOLE.bit() | Sign.CODE.bit() | Sign.TIME.bit() | Sign.PHONE.bit() | Sign.PLACE.bit();
    private static final long FORMS = Sign.EMAIL.bit()
            | Sign.WEB_ADDRESS.bit()
            | Sign.COLOUR.bit()
            | Sign.PICTURE_NAME.bit()
            | Sign.FILE_NAME.bit()
            | Sign.FORMATTED.bit();
    private static final int LONGEST = 200;
    private static final int LONGEST_DATE = 60;
    private static final int FEWEST_FIGURES_OF_PHONE = 6;
    private static final Kind.Numeric EXACT = new Kind.Numeric(Kind.Numeric.MOST_DECIMALS, null, null, "");
    private static final Set<String> NOTHING = Set.of(
            "n/a",
            "n.a.",
            "na",
            "-",
            "--",
            "–",
            "—",
            "none",
            "nil",
            "null",
            "unknown",
            "not known",
            "tbc",
            "tbd",
            "?",
            "??",
            "#n/a",
            ".",
            "…",
            "...",
            "n.k.",
            "nothing");
    private static final Pattern BEFORE = Pattern.compile("[-+]? ?([€£$¥]|[A-Z]{3}) ?[-+]?[0-9].*");
    private static final Pattern BEHIND = Pattern.compile(
            "[-+]?[0-9][0-9 .,'\u00a0\u202f]*?[ \u00a0\u202f]?([^0-9.,' \u00a0\u202f][^0-9]{0,14}?[23]?)");
    private static final Set<String> PICTURES = Set.of("jpg", "jpeg", "png", "gif", "webp");
    private static final Set<String> FILES = Set.of(
            "pdf", "doc", "docx", "xls", "xlsx", "ppt", "pptx", "odt", "ods", "odp", "csv", "txt", "rtf", "zip", "gpx",
            "kml", "mp3", "mp4", "svg", "tif", "tiff");
    private static final Pattern NO_FILE = Pattern.compile("[\\n<>:\"|?*]");
    private static final Pattern SLASHED =
            Pattern.compile("([0-9]{1,2})[-/] ?([0-9]{1,2})[-/] ?[0-9]{4}.*", Pattern.DOTALL);
    private static final Pattern ISO = Pattern.compile("[0-9]{4}-[0-9]{1,2}-[0-9]{1,2}([T ].*)?", Pattern.DOTALL);
    private static final Pattern YEAR = Pattern.compile("[0-9]{4}");
    private static final Pattern MARKUP =
            Pattern.compile("(?is).*<(p|b|i|em|strong|a|ul|ol|li|br|h[1-6])(\\s[^>]*)?/?>.*");
    private static final Pattern PHONE = Pattern.compile("[+0(][0-9()/ .-]{5,24}|[0-9]{2,5}[-/ ][0-9()/ .-]{4,20}");

    private Signs() {}

    /** One bit for each {@link Sign}. */
    static long of(String text) {
        return of(text, ALL);
    }

    /**
     * One bit for each {@link Sign} that is asked for; others are perhaps not looked for.
     *
     * @param asked one bit for each
     */
    static long of(String text, long asked) {
        if (text.length() > LONGEST) {
            return MARKUP.matcher(text).matches() ? Sign.FORMATTED.bit() : 0;
        }
        long signs = 0;
        if ((asked & FIGURES) != 0 && hasFigure(text) && couldBeFigures(text)) {
            signs = ofFigures(text, asked);
        }
        if (text.length() <= 12) {
            signs |= ofWord(text);
        }
        return (asked & FORMS) == 0 ? signs : signs | ofForm(text);
    }

    private static boolean hasFigure(String text) {
        for (int i = 0; i < text.length(); i++) {
            char each = text.charAt(i);
            boolean fraction = each > 127 && Character.getType(each) == Character.OTHER_NUMBER;
            if (each >= '0' && each <= '9' || fraction) {
                return true;
            }
        }
        return false;
    }

    /** What begins with a word is at most a date, or a sum in a currency. */
    private static boolean couldBeFigures(String text) {
        char first = text.charAt(0);
        if (!Character.isLetter(first)) {
            return true;
        }
        boolean currency = text.length() > 3
                && Character.isUpperCase(first)
                && Character.isUpperCase(text.charAt(2))
                && !Character.isLetter(text.charAt(3));
        return currency
                || text.length() <= LONGEST_DATE
                        && text.indexOf(' ') > 2
                        && YEAR.matcher(text).find();
    }

    private static long ofWord(String text) {
        var word = text.toLowerCase(Locale.ROOT);
        if (NOTHING.contains(word)) {
            return Sign.NOTHING.bit();
        }
        return reads(Kind.YesNo.PLAIN, text) && !word.equals("0") && !word.equals("1") ? Sign.YES_NO.bit() : 0;
    }

    private static long ofForm(String text) {
        long signs = 0;
        if (text.indexOf('@') > 0 && reads(Kind.Email.PLAIN, text)) {
            signs |= Sign.EMAIL.bit();
        }
        if (text.contains("://") && reads(Kind.Url.PLAIN, text)) {
            signs |= Sign.WEB_ADDRESS.bit();
        }
        if (text.startsWith("#") && reads(Kind.Colour.PLAIN, text)) {
            signs |= Sign.COLOUR.bit();
        }
        int point = text.lastIndexOf('.');
        if (point > 0 && text.length() - point <= 5 && !NO_FILE.matcher(text).find()) {
            var ending = text.substring(point + 1).toLowerCase(Locale.ROOT);
            signs |= PICTURES.contains(ending) ? Sign.PICTURE_NAME.bit() : 0;
            signs |= FILES.contains(ending) ? Sign.FILE_NAME.bit() : 0;
        }
        if (text.indexOf('<') >= 0 && MARKUP.matcher(text).matches()) {
            signs |= Sign.FORMATTED.bit();
        }
        return signs;
    }

    private static long ofFigures(String text, long asked) {
        if (isPlainNumber(text)) {
            boolean whole = text.indexOf('.') < 0;
            return Sign.NUMBER.bit()
                    | Sign.NUMBER_WITH_THOUSANDS.bit()
                    | (whole ? Sign.NUMBER_WITH_COMMA.bit() | Sign.WHOLE.bit() : 0);
        }
        boolean day = (asked & DAYS) != 0;
        var iso = ISO.matcher(text);
        if (day
                && iso.matches()
                && (iso.group(1) == null ? reads(Kind.Date.PLAIN, text) : reads(Kind.DateTime.PLAIN, text))) {
            return iso.group(1) == null
                    ? Sign.DATE.bit() | Sign.DATE_DAY_FIRST.bit() | Sign.DATE_MONTH_FIRST.bit()
                    : Sign.MOMENT.bit() | Sign.MOMENT_DAY_FIRST.bit() | Sign.MOMENT_MONTH_FIRST.bit();
        }
        if (isCode(text)) {
            return Sign.CODE.bit() | (isPhone(text) ? Sign.PHONE.bit() : 0);
        }
        boolean number = (asked & NUMBERS) != 0 && text.indexOf(':') < 0 && text.indexOf('-', 1) < 0;
        long signs = number ? ofNumber(text) : 0;
        if (day
                && text.length() >= FEWEST_FIGURES_OF_PHONE
                && text.length() <= LONGEST_DATE
                && YEAR.matcher(text).find()) {
            signs |= ofDay(text, Kind.Date.PLAIN, Sign.DATE, Sign.DATE_DAY_FIRST, Sign.DATE_MONTH_FIRST);
            if (signs == 0 && text.length() > 10) {
                signs |= ofDay(text, Kind.DateTime.PLAIN, Sign.MOMENT, Sign.MOMENT_DAY_FIRST, Sign.MOMENT_MONTH_FIRST);
            }
        }
        if (Sign.TIME.in(asked) && ((signs & ~Sign.NUMBER_WITH_COMMA.bit()) == 0 || text.indexOf(':') > 0)) {
            signs |= reads(Kind.Time.PLAIN, text) ? Sign.TIME.bit() : 0;
        }
        if (Sign.PHONE.in(asked) && isPhone(text)) {
            signs |= Sign.PHONE.bit();
        }
        if (Sign.PLACE.in(asked) && text.indexOf(',') > 0 && reads(Kind.Coordinates.PLAIN, text)) {
            signs |= Sign.PLACE.bit();
        }
        return signs;
    }

    private static long ofNumber(String text) {
        long signs = 0;
        if (Spelling.read(EXACT, text).isPresent()) {
            signs |= Sign.NUMBER.bit();
            boolean comma = text.lastIndexOf(',') > text.lastIndexOf('.');
            boolean point = text.lastIndexOf('.') > text.lastIndexOf(',');
            signs |= point ? 0 : Sign.NUMBER_WITH_COMMA.bit();
            signs |= comma && !isGrouped(text) ? 0 : Sign.NUMBER_WITH_THOUSANDS.bit();
        } else if (text.indexOf(',') > 0) {
            var readings = Reading.of(EXACT, text);
            signs |= readings.containsKey(Reading.DECIMAL_COMMA) ? Sign.NUMBER_WITH_COMMA.bit() : 0;
            signs |= readings.containsKey(Reading.THOUSANDS_COMMA) ? Sign.NUMBER_WITH_THOUSANDS.bit() : 0;
        }
        return signs == 0 && unit(text).isPresent() ? Sign.MEASURE.bit() : signs;
    }

    private static boolean isGrouped(String text) {
        return text.indexOf(',') != text.lastIndexOf(',');
    }

    private static long ofDay(String text, Kind kind, Sign any, Sign dayFirst, Sign monthFirst) {
        if (reads(kind, text)) {
            // one that begins with a day above 12 is read with the day first only
            var slashed = SLASHED.matcher(text);
            int first = slashed.matches() ? Integer.parseInt(slashed.group(1)) : 0;
            int second = slashed.matches() ? Integer.parseInt(slashed.group(2)) : 0;
            return any.bit() | (second > 12 ? 0 : dayFirst.bit()) | (first > 12 ? 0 : monthFirst.bit());
        }
        if (!SLASHED.matcher(text).matches()) {
            return 0;
        }
        var readings = Reading.of(kind, text);
        return (readings.containsKey(Reading.DAY_FIRST) ? dayFirst.bit() : 0)
                | (readings.containsKey(Reading.MONTH_FIRST) ? monthFirst.bit() : 0);
    }

    private static boolean isCode(String text) {
        char first = text.charAt(0);
        return (first == '0' || first == '-' || first == '+') && Spelling.isCode(text);
    }

    private static boolean isPhone(String text) {
        return PHONE.matcher(text).matches()
                && text.chars().filter(Character::isDigit).count() >= FEWEST_FIGURES_OF_PHONE
                && !ISO.matcher(text).matches()
                && reads(Kind.Phone.PLAIN, text);
    }

    /** As programs write numbers. */
    static boolean isPlainNumber(String text) {
        int at = text.startsWith("-") ? 1 : 0;
        int figures = 0;
        int point = -1;
        for (int i = at; i < text.length(); i++) {
            char each = text.charAt(i);
            if (each == '.' && point < 0 && i > at) {
                point = i;
            } else if (each >= '0' && each <= '9') {
                figures++;
            } else {
                return false;
            }
        }
        boolean code = text.length() > at + 1 && text.charAt(at) == '0' && text.charAt(at + 1) != '.';
        return figures > 0 && figures <= 18 && point != text.length() - 1 && !code;
    }

    private static boolean reads(Kind kind, String text) {
        return KindValues.of(kind).fromText(text).isPresent()
                || Spelling.read(kind, text).isPresent();
    }

    /** The unit that stands before or behind a number. */
    static Optional<String> unit(String text) {
        var before = BEFORE.matcher(text);
        var unit = before.matches() ? before.group(1) : "";
        if (unit.isEmpty()) {
            var behind = BEHIND.matcher(text);
            unit = behind.matches() ? behind.group(1).strip() : "";
        }
        return unit.isEmpty() || number(text, unit).isEmpty() ? Optional.empty() : Optional.of(unit);
    }

    /** A text as a number, in the unit; empty where it is none. */
    static Optional<BigDecimal> number(String text, String unit) {
        return isPlainNumber(text)
                ? Optional.of(new BigDecimal(text))
                : Spelling.read(new Kind.Numeric(Kind.Numeric.MOST_DECIMALS, null, null, unit), text)
                        .map(BigDecimal.class::cast);
    }
}
