package org.jontrel.core.model;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What type of value a field holds, with the settings of that kind. A setting that is {@code null} sets no limit.
 *
 * <p>Every place that treats kinds does so in a {@code switch} without {@code default}: the compiler names what a new
 * kind still lacks.
 */
public sealed interface Kind {
    /** The word for this kind in files, the API and the interface's message catalogue. */
    default String code() {
        return switch (this) {
            case Text _ -> "text";
            case LongText _ -> "long_text";
            case Numeric _ -> "number";
            case YesNo _ -> "yes_no";
            case Date _ -> "date";
            case Time _ -> "time";
            case Email _ -> "email";
            case Phone _ -> "phone";
            case Colour _ -> "colour";
            case Choice _ -> "choice";
            case Image _ -> "image";
        };
    }

    /** One line of text, at most 255 characters. */
    record Text(Integer minLength, Integer maxLength, String pattern, String patternMessage) implements Kind {
        public static final int LONGEST = 255;
        public static final Text PLAIN = new Text(null, null, "", "");
    }

    /** Several lines of plain text. {@code rows} is the height of the form control in lines. */
    record LongText(Integer maxLength, int rows) implements Kind {
        public static final int LONGEST = 1_000_000;
        public static final LongText PLAIN = new LongText(null, 4);
    }

    /** A decimal number with at most {@link #MOST_DIGITS} digits before the point. */
    record Numeric(int decimals, BigDecimal min, BigDecimal max, String unit) implements Kind {
        public static final int MOST_DECIMALS = 6;
        public static final int MOST_DIGITS = 14;
        public static final Numeric PLAIN = new Numeric(0, null, null, "");

        /** Bounds are compared as numbers: 1.50 and 1.5 are the same setting. */
        public Numeric {
            min = plain(min);
            max = plain(max);
        }

        private static BigDecimal plain(BigDecimal bound) {
            if (bound == null) {
                return null;
            }
            var stripped = bound.stripTrailingZeros();
            return stripped.scale() < 0 && stripped.precision() - stripped.scale() <= 40
                    ? stripped.setScale(0)
                    : stripped;
        }
    }

    /** Yes or no, with the wording of both answers. */
    record YesNo(String yes, String no) implements Kind {
        public static final YesNo PLAIN = new YesNo("Yes", "No");
    }

    record Date(LocalDate earliest, LocalDate latest) implements Kind {
        public static final Date PLAIN = new Date(null, null);
    }

    /** A time of day, to the second. */
    record Time(LocalTime earliest, LocalTime latest) implements Kind {
        public static final Time PLAIN = new Time(null, null);
    }

    /** An e-mail address. */
    record Email() implements Kind {
        public static final Email PLAIN = new Email();
    }

    /** A telephone number, as people write it. */
    record Phone() implements Kind {
        public static final Phone PLAIN = new Phone();
    }

    /** A colour of the screen: red, green and blue of 256 steps each. */
    record Colour() implements Kind {
        public static final Colour PLAIN = new Colour();
    }

    /** One of the field's own options. */
    record Choice(List<Option> options) implements Kind {
        public static final Choice PLAIN = new Choice(List.of());

        public Choice {
            options = List.copyOf(options);
        }

        /** Options by their id; of two with one id (an error the checker finds) the first. */
        public Map<String, Option> byId() {
            return options.stream()
                    .collect(Collectors.toMap(
                            Option::id, Function.identity(), (a, _) -> a, java.util.LinkedHashMap::new));
        }
    }

    /** A picture. Pixels and kilobytes (1,024 bytes) of the uploaded file. */
    record Image(Integer minWidth, Integer minHeight, Integer maxKilobytes, boolean altRequired) implements Kind {
        public static final int MOST_KILOBYTES = 20_480;
        public static final Image PLAIN = new Image(null, null, null, true);
    }

    /** One option of a choice; a retired one is kept by records that have it and offered to no other. */
    record Option(String id, String key, String label, boolean retired) {
        public Option withId(String newId) {
            return new Option(newId, key, label, retired);
        }
    }

    /** Whether both are of the same kind, whatever their settings. */
    static boolean same(Kind a, Kind b) {
        return Objects.equals(a.getClass(), b.getClass());
    }
}
