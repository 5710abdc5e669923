package org.jontrel.core.spelling;

import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.Optional;
import java.util.regex.Pattern;

/** Times as people write them: {@code 9:30}, {@code 9.30 am}, {@code 5 pm}; and behind a date, {@code 12 May 2026, 9:30}. */
final class SpelledTime {
    private static final int MOST_LENGTH = 90;
    private static final int NOON = 12;
    private static final int HOURS = 24;
    private static final int MINUTES = 60;
    private static final Pattern CLOCK =
            Pattern.compile("([0-9]{1,2})(?:[:.]([0-9]{2}))?(?::([0-9]{2}))? ?(?:([aApP])[.]?[mM][.]?|h)?");
    private static final Pattern MOMENT = Pattern.compile("(.+?)(?:, ?| at | )([0-9]{1,2}(?:[:.][0-9]{2}| ?[aApP]).*)");

    private SpelledTime() {}

    /** A bare hour is a time only with morning or afternoon behind it. */
    static Optional<LocalTime> read(String written) {
        var found = CLOCK.matcher(SpelledNumber.plain(written));
        if (!found.matches() || found.group(2) == null && found.group(4) == null) {
            return Optional.empty();
        }
        int hour = number(found.group(1));
        int minute = number(found.group(2));
        int second = number(found.group(3));
        if (found.group(4) != null) {
            if (hour < 1 || hour > NOON) {
                return Optional.empty();
            }
            hour = hour % NOON + (found.group(4).equalsIgnoreCase("p") ? NOON : 0);
        }
        return hour < HOURS && minute < MINUTES && second < MINUTES
                ? Optional.of(LocalTime.of(hour, minute, second))
                : Optional.empty();
    }

    static Optional<LocalDateTime> moment(String written) {
        var found = MOMENT.matcher(SpelledNumber.plain(written));
        return written.length() <= MOST_LENGTH && found.matches()
                ? SpelledDate.read(found.group(1))
                        .flatMap(date -> read(found.group(2)).map(date::atTime))
                : Optional.empty();
    }

    private static int number(String figures) {
        return figures == null ? 0 : Integer.parseInt(figures);
    }
}
