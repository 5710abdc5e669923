package org.jontrel.core.page;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import org.jontrel.core.model.block.Presentation;

/** Days as visitors read them. */
final class PageDates {
    private static final DateTimeFormatter USUAL = DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.UK);
    private static final DateTimeFormatter LONG = DateTimeFormatter.ofPattern("EEEE d MMMM uuuu", Locale.UK);
    private static final DateTimeFormatter SHORT = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.UK);
    private static final int WEEKS_FROM = 14;
    private static final int MONTHS_FROM = 60;
    private static final int YEARS_FROM = 730;

    private PageDates() {}

    static String show(LocalDate day, Presentation as, LocalDate today) {
        return switch (as) {
            case LONG -> LONG.format(day);
            case SHORT -> SHORT.format(day);
            case RELATIVE -> relative(ChronoUnit.DAYS.between(today, day));
            default -> USUAL.format(day);
        };
    }

    private static String relative(long days) {
        if (days == 0) {
            return "today";
        }
        if (Math.abs(days) == 1) {
            return days > 0 ? "tomorrow" : "yesterday";
        }
        var amount = amount(Math.abs(days));
        return days > 0 ? "in " + amount : amount + " ago";
    }

    private static String amount(long days) {
        if (days < WEEKS_FROM) {
            return days + " days";
        }
        if (days < MONTHS_FROM) {
            return days / 7 + " weeks";
        }
        return days < YEARS_FROM ? days / 30 + " months" : days / 365 + " years";
    }
}
