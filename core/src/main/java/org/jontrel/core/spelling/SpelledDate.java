package org.jontrel.core.spelling;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.format.TextStyle;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Dates as people write them: {@code 12 May 2026}, {@code May 12th, 2026}, {@code 12.5.2026}, {@code 2026/5/12}. One that could be
 * read with the day first or the month first ({@code 3/4/2026}) is not read, nor is one with a year of two figures.
 */
final class SpelledDate {
    private static final int MOST_LENGTH = 60;
    private static final int MONTHS = 12;
    private static final int ABBREVIATED = 3;
    private static final String WEEKDAY = "(?:(\\p{L}{3,9})[.,]? )?";
    private static final Pattern YEAR_FIRST = Pattern.compile("([0-9]{4})([-/.])([0-9]{1,2})\\2([0-9]{1,2})");
    private static final Pattern YEAR_LAST = Pattern.compile("([0-9]{1,2})([-/.]) ?([0-9]{1,2})\\2 ?([0-9]{4})");
    private static final Pattern DAY_MONTH =
            Pattern.compile(WEEKDAY + "([0-9]{1,2})(?:st|nd|rd|th|[.])? ?(?:of )?-?(\\p{L}{3,9})[.,]? ?-?([0-9]{4})");
    private static final Pattern MONTH_DAY =
            Pattern.compile(WEEKDAY + "(\\p{L}{3,9})[.]? ([0-9]{1,2})(?:st|nd|rd|th)?,? ([0-9]{4})");

    private SpelledDate() {}

    static Optional<LocalDate> read(String written) {
        if (written.length() > MOST_LENGTH) {
            return Optional.empty();
        }
        var text = SpelledNumber.plain(written);
        try {
            return figures(text).or(() -> words(text));
        } catch (DateTimeException _) {
            // the thirtieth of February
            return Optional.empty();
        }
    }

    private static Optional<LocalDate> figures(String text) {
        var yearFirst = YEAR_FIRST.matcher(text);
        if (yearFirst.matches()) {
            return Optional.of(
                    LocalDate.of(number(yearFirst.group(1)), number(yearFirst.group(3)), number(yearFirst.group(4))));
        }
        var yearLast = YEAR_LAST.matcher(text);
        if (!yearLast.matches()) {
            return Optional.empty();
        }
        int first = number(yearLast.group(1));
        int second = number(yearLast.group(3));
        int year = number(yearLast.group(4));
        // points stand between day, month and year in this order only
        if (yearLast.group(2).equals(".") || first > MONTHS || first == second) {
            return Optional.of(LocalDate.of(year, second, first));
        }
        return second > MONTHS ? Optional.of(LocalDate.of(year, first, second)) : Optional.empty();
    }

    private static Optional<LocalDate> words(String text) {
        var dayMonth = DAY_MONTH.matcher(text);
        if (dayMonth.matches()) {
            return date(dayMonth.group(4), dayMonth.group(3), dayMonth.group(2), dayMonth.group(1));
        }
        var monthDay = MONTH_DAY.matcher(text);
        return monthDay.matches()
                ? date(monthDay.group(4), monthDay.group(2), monthDay.group(3), monthDay.group(1))
                : Optional.empty();
    }

    /** Where a day of the week is said, it must be that day. */
    private static Optional<LocalDate> date(String year, String month, String day, String weekday) {
        return Arrays.stream(Month.values())
                .filter(each -> isName(month, each.getDisplayName(TextStyle.FULL, Locale.ENGLISH)))
                .findFirst()
                .map(each -> LocalDate.of(number(year), each, number(day)))
                .filter(date -> weekday == null || isDay(weekday, date.getDayOfWeek()));
    }

    private static boolean isDay(String word, DayOfWeek day) {
        return isName(word, day.getDisplayName(TextStyle.FULL, Locale.ENGLISH));
    }

    /** Names may be shortened: Sep, Sept and September. */
    private static boolean isName(String word, String name) {
        return word.length() >= ABBREVIATED && name.toLowerCase(Locale.ROOT).startsWith(word.toLowerCase(Locale.ROOT));
    }

    private static int number(String figures) {
        return Integer.parseInt(figures);
    }
}
