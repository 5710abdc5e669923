package org.jontrel.core.model;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;

/**
 * What type of value a field holds, with the settings of that kind. A setting that is {@code null} sets no limit.
 *
 * <p>Every place that treats kinds does so in a {@code switch} without {@code default}: the compiler names what a new
 * kind still lacks. Where most are treated alike, it names them by what they have in common: {@link Plain}, {@link Reference},
 * {@link Nested}.
 */
public sealed interface Kind {
    /** Kinds whose values stand for themselves. */
    sealed interface Plain extends Kind {}

    /** Kinds whose values are the ids of what a site has: files, records, terms. */
    sealed interface Reference extends Kind {}

    /** Kinds whose values hold fields. */
    sealed interface Nested extends Kind {}

    /** One of each kind, without limits, in the order people are offered them. */
    static List<Kind> all() {
        return List.of(
                Text.PLAIN,
                LongText.PLAIN,
                RichText.PLAIN,
                Numeric.PLAIN,
                YesNo.PLAIN,
                Date.PLAIN,
                Time.PLAIN,
                DateTime.PLAIN,
                Choice.PLAIN,
                Image.PLAIN,
                File.PLAIN,
                Email.PLAIN,
                Url.PLAIN,
                Phone.PLAIN,
                Colour.PLAIN,
                Icon.PLAIN,
                Coordinates.PLAIN,
                Relation.PLAIN,
                TermPick.PLAIN,
                FieldGroup.PLAIN,
                Repeater.PLAIN,
                Note.PLAIN);
    }

    /** The word for this kind in files, the API and the interface's message catalogue. */
    default String code() {
        return switch (this) {
            case Text _ -> "text";
            case LongText _ -> "long_text";
            case RichText _ -> "rich_text";
            case Numeric _ -> "number";
            case YesNo _ -> "yes_no";
            case Date _ -> "date";
            case Time _ -> "time";
            case DateTime _ -> "date_time";
            case Email _ -> "email";
            case Url _ -> "url";
            case Phone _ -> "phone";
            case Colour _ -> "colour";
            case Icon _ -> "icon";
            case Choice _ -> "choice";
            case Image _ -> "image";
            case File _ -> "file";
            case Relation _ -> "relation";
            case TermPick _ -> "term";
            case FieldGroup _ -> "group";
            case Repeater _ -> "repeater";
            case Coordinates _ -> "place";
            case Note _ -> "note";
        };
    }

    /** The fields within a value of this kind; empty for all but groups and repeaters. */
    default List<Field> inner() {
        return switch (this) {
            case FieldGroup(List<Field> fields) -> fields;
            case Repeater repeater -> repeater.fields();
            case Plain _, Reference _, Note _ -> List.of();
        };
    }

    /** How many values a field may hold; one for kinds that cannot hold several. */
    default Amount amount() {
        return switch (this) {
            case Choice choice -> choice.amount();
            case Image image -> image.amount();
            case File file -> file.amount();
            case Relation relation -> relation.amount();
            case TermPick term -> term.amount();
            case Plain _, Nested _, Note _ -> Amount.ONE;
        };
    }

    /** Whether a value can be kept at all; a note has none. */
    default boolean holdsValue() {
        return !(this instanceof Note);
    }

    /** One value, or several; limits count values and are {@code null} where there is none. */
    record Amount(boolean many, Integer min, Integer max) {
        public static final Amount ONE = new Amount(false, null, null);
    }

    /** One line of text, at most 255 characters. */
    record Text(
            Integer minLength,
            Integer maxLength,
            String pattern,
            String patternMessage,
            String prefix,
            String suffix,
            boolean unique)
            implements Plain {
        public static final int LONGEST = 255;
        public static final Text PLAIN = new Text(null, null, "", "");

        public Text(Integer minLength, Integer maxLength, String pattern, String patternMessage) {
            this(minLength, maxLength, pattern, patternMessage, "", "", false);
        }
    }

    /** Several lines of plain text. {@code rows} is the height of the form control in lines. */
    record LongText(Integer maxLength, int rows) implements Plain {
        public static final int LONGEST = 1_000_000;
        public static final LongText PLAIN = new LongText(null, 4);
    }

    /** Text with formatting, a safe subset of HTML. Lengths count the characters a reader sees. */
    record RichText(Integer maxLength, Set<Format> formats) implements Plain {
        public static final RichText PLAIN =
                new RichText(null, Set.of(Format.BOLD, Format.ITALIC, Format.LINKS, Format.LISTS));

        public RichText {
            formats = java.util.Collections.unmodifiableSet(new TreeSet<>(formats));
        }
    }

    /** What a rich text may have: formatting, and what editors put into it. */
    enum Format {
        HEADINGS,
        BOLD,
        ITALIC,
        LINKS,
        LISTS,
        QUOTES,
        TABLES,
        CODE,
        /** Values of the record, of what it leads to, and of the site. */
        VALUES,
        LISTINGS;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** A decimal number with at most {@link #MOST_DIGITS} digits before the point. */
    record Numeric(int decimals, BigDecimal min, BigDecimal max, BigDecimal step, String unit, NumberControl shown)
            implements Plain {
        public static final int MOST_DECIMALS = 6;
        public static final int MOST_DIGITS = 14;
        public static final Numeric PLAIN = new Numeric(0, null, null, "");

        /** Bounds are compared as numbers: 1.50 and 1.5 are the same setting. */
        public Numeric {
            min = plain(min);
            max = plain(max);
            step = plain(step);
        }

        public Numeric(int decimals, BigDecimal min, BigDecimal max, String unit) {
            this(decimals, min, max, null, unit, NumberControl.BOX);
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

        /** The control a number is entered with. */
        public enum NumberControl {
            BOX,
            SLIDER,
            /** As a rating: so many marks of the greatest value. */
            MARKS;

            public String code() {
                return name().toLowerCase(Locale.ROOT);
            }
        }
    }

    /** Yes or no, with the wording of both answers. */
    record YesNo(String yes, String no) implements Plain {
        public static final YesNo PLAIN = new YesNo("Yes", "No");
    }

    record Date(LocalDate earliest, LocalDate latest) implements Plain {
        public static final Date PLAIN = new Date(null, null);
    }

    /** A time of day, to the second. */
    record Time(LocalTime earliest, LocalTime latest) implements Plain {
        public static final Time PLAIN = new Time(null, null);
    }

    /** A moment, stored in UTC and shown in the site's zone; the limits are in UTC. */
    record DateTime(LocalDateTime earliest, LocalDateTime latest) implements Plain {
        public static final DateTime PLAIN = new DateTime(null, null);
    }

    /** An e-mail address. */
    record Email() implements Plain {
        public static final Email PLAIN = new Email();
    }

    /** A web address. */
    record Url(Set<String> schemes) implements Plain {
        public static final Url PLAIN = new Url(Set.of("http", "https"));

        public Url {
            schemes = java.util.Collections.unmodifiableSet(new TreeSet<>(schemes));
        }
    }

    /** A telephone number, as people write it. */
    record Phone() implements Plain {
        public static final Phone PLAIN = new Phone();
    }

    /** A colour of the screen: red, green and blue of 256 steps each. */
    record Colour() implements Plain {
        public static final Colour PLAIN = new Colour();
    }

    /** The name of an icon. */
    record Icon() implements Plain {
        public static final Icon PLAIN = new Icon();
    }

    /**
     * One or several of the field's own options, or of a choice list's.
     *
     * @param list id of the {@link ChoiceList}; empty where the options are the field's own
     */
    record Choice(List<Option> options, String list, Amount amount, ChoiceControl shown) implements Plain {
        public static final Choice PLAIN = new Choice(List.of());

        public Choice {
            options = List.copyOf(options);
        }

        public Choice(List<Option> options) {
            this(options, "", Amount.ONE, ChoiceControl.MENU);
        }

        /** Options by their id; of two with one id (an error the checker finds) the first. */
        public Map<String, Option> byId() {
            var byId = new LinkedHashMap<String, Option>();
            options.forEach(option -> byId.putIfAbsent(option.id(), option));
            return byId;
        }

        /** The control options are chosen with. */
        public enum ChoiceControl {
            MENU,
            BUTTONS,
            TICKS;

            public String code() {
                return name().toLowerCase(Locale.ROOT);
            }
        }
    }

    /**
     * One or several pictures. Pixels and kilobytes (1,024 bytes) of the uploaded file.
     *
     * @param formats what may be uploaded; all that the site can read where empty
     * @param widths widths in pixels of the smaller pictures to derive
     */
    record Image(
            Integer minWidth,
            Integer minHeight,
            Integer maxWidth,
            Integer maxHeight,
            Integer maxKilobytes,
            boolean altRequired,
            Set<String> formats,
            List<Integer> widths,
            Amount amount)
            implements Reference {
        public static final int MOST_KILOBYTES = 20_480;
        public static final List<String> FORMATS = List.of("jpeg", "png", "gif", "webp");
        public static final Image PLAIN = new Image(null, null, null, true);

        public Image {
            formats = java.util.Collections.unmodifiableSet(new TreeSet<>(formats));
            widths = List.copyOf(widths);
        }

        public Image(Integer minWidth, Integer minHeight, Integer maxKilobytes, boolean altRequired) {
            this(minWidth, minHeight, null, null, maxKilobytes, altRequired, Set.of(), List.of(), Amount.ONE);
        }
    }

    /** One or several documents; {@code formats} are endings of names such as {@code pdf}, all where empty. */
    record File(Set<String> formats, Integer maxKilobytes, Amount amount) implements Reference {
        public static final int MOST_KILOBYTES = 102_400;
        public static final File PLAIN = new File(Set.of(), null, Amount.ONE);

        public File {
            formats = java.util.Collections.unmodifiableSet(new TreeSet<>(formats));
        }
    }

    /**
     * Points at records.
     *
     * @param to ids of the content types it may point at
     * @param ordered whether the order of several is the editor's
     * @param symmetric whether the other record has the same relation back; only to the field's own type
     * @param inverse the link as named from the other end, or {@code null}
     */
    record Relation(Set<String> to, Amount amount, boolean ordered, boolean symmetric, Inverse inverse)
            implements Reference {
        public static final Relation PLAIN = new Relation(Set.of(), Amount.ONE, false, false, null);

        public Relation {
            to = java.util.Collections.unmodifiableSet(new TreeSet<>(to));
        }
    }

    /**
     * A relation as seen and named from the other end.
     *
     * @param many whether several records may point at one
     * @param shown whether forms and pages of the other end show it
     */
    record Inverse(String id, String key, String label, boolean many, boolean shown) {}

    /** Terms of a taxonomy, where a row or a term needs them; records use the taxonomies of their type. */
    record TermPick(String taxonomy, Amount amount) implements Reference {
        public static final TermPick PLAIN = new TermPick("", Amount.ONE);
    }

    /** Fields that belong together, filled in once. */
    record FieldGroup(List<Field> fields) implements Nested {
        public static final FieldGroup PLAIN = new FieldGroup(List.of());

        public FieldGroup {
            fields = List.copyOf(fields);
        }
    }

    /**
     * Rows with the same inner fields.
     *
     * @param rowName id of the inner field that names a row, or empty
     */
    record Repeater(List<Field> fields, Integer minRows, Integer maxRows, String rowName, RowStyle shown)
            implements Nested {
        public static final int DEEPEST = 4;
        public static final Repeater PLAIN = new Repeater(List.of(), null, null, "", RowStyle.CARDS);

        public Repeater {
            fields = List.copyOf(fields);
        }

        /** How rows look on the form. */
        public enum RowStyle {
            TABLE,
            CARDS;

            public String code() {
                return name().toLowerCase(Locale.ROOT);
            }
        }
    }

    /** A place on earth: latitude and longitude in degrees (WGS 84). */
    record Coordinates() implements Plain {
        public static final Coordinates PLAIN = new Coordinates();
    }

    /** A text shown to the editor; holds no value. */
    record Note(String text) implements Kind {
        public static final Note PLAIN = new Note("");
    }

    /** One option of a choice; a retired one is kept by records that have it and offered to no other. */
    record Option(String id, String key, String label, boolean retired) {}

    /** Whether both are of the same kind, whatever their settings. */
    static boolean same(Kind a, Kind b) {
        return Objects.equals(a.getClass(), b.getClass());
    }
}
