package org.jontrel.core.record;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.spelling.Spelling;
import org.jontrel.core.value.kind.KindValues;
import org.jontrel.core.value.kind.RichTextValues;

/**
 * Takes values of a field as it was to the field as it becomes. What it cannot take it says; it never shortens or
 * rounds. Within one kind every value is kept, even one that breaks new limits.
 *
 * @param fill what records without a value get, also where theirs cannot be taken over; or {@code null}
 * @param corrections what values become that could not be taken over: texts in the form of the newer field, by values as people
 *     read them; an empty text for those that are set aside
 */
public record Conversion(Field from, Field to, Object fill, Map<String, String> corrections) {
    public Conversion {
        corrections = Map.copyOf(corrections);
    }

    /** Without corrections. */
    public Conversion(Field from, Field to, Object fill) {
        this(from, to, fill, Map.of());
    }

    private static final int MORE_ZEROS = 8;

    /** Whether values must be rewritten at all. */
    public boolean changes() {
        return fill != null
                || !Kind.same(from.kind(), to.kind())
                || from.kind() instanceof Kind.Choice before
                        && to.kind() instanceof Kind.Choice after
                        && new OptionMatch(before, after).renames();
    }

    /** Whether this value (not {@code null}) can be taken over. */
    public boolean takes(Object value) {
        return converted(value).isPresent();
    }

    /** Whether this value (not {@code null}) cannot be taken over and the architect has said that it is set aside. */
    public boolean setsAside(Object value) {
        return !corrections.isEmpty() && "".equals(corrections.get(written(value))) && !takes(value);
    }

    /**
     * A regular expression, of whole values, for texts that are surely taken over, unaltered, and within the limits of the
     * newer field: they need no closer look. Others may be so too. Empty where there is none. It is understood by Java and by
     * Perl-compatible readers alike.
     */
    public Optional<String> sure() {
        boolean text = from.kind() instanceof Kind.Text || from.kind() instanceof Kind.Phone;
        return text
                        && to.kind() instanceof Kind.Numeric number
                        && number.min() == null
                        && number.max() == null
                        && number.step() == null
                ? Optional.of("-?(0|[1-9][0-9]{0," + (Kind.Numeric.MOST_DIGITS - 1) + "})(\\.[0-9]{"
                        + Math.min(1, number.decimals()) + "," + number.decimals() + "}0{"
                        + (number.decimals() > 0 ? 0 : 1) + "," + MORE_ZEROS + "})?")
                : Optional.empty();
    }

    /** What is written as numbers are: without zeros before it, and with a point. */
    private static final Pattern NUMBER = Pattern.compile("-?(0|[1-9][0-9]*)(\\.[0-9]+)?");

    /**
     * Whether this value (not {@code null}) is taken over but could not be had back from what becomes of it: a number in another
     * spelling, formatting, links.
     */
    public boolean alters(Object value) {
        var after = converted(value);
        if (after.isEmpty() || Kind.same(from.kind(), to.kind())) {
            return false;
        }
        if (to.kind() instanceof Kind.Numeric
                && value instanceof String text
                && NUMBER.matcher(text).matches()) {
            return false;
        }
        boolean same = value instanceof String text
                && Values.show(to.kind(), after.get()).replace('\u00a0', ' ').equals(text.strip());
        return !same && !back().untouched(after.get(), value);
    }

    /** Whether a rich text (not {@code null}) has formatting that the field allowed and no longer allows. */
    public boolean unformats(Object value) {
        return from.kind() instanceof Kind.RichText before
                && to.kind() instanceof Kind.RichText after
                && !after.formats().containsAll(before.formats())
                && !RichTextValues.clean(before, (String) value).equals(RichTextValues.clean(after, (String) value));
    }

    /** The new value; the fill where there is none or it cannot be taken over. */
    public Object apply(Object value) {
        if (value == null) {
            return fill;
        }
        return converted(value).orElse(fill);
    }

    /** Whether {@code now} is what {@link #apply} makes of {@code before}, so nobody has changed it since. */
    public boolean untouched(Object before, Object now) {
        var expected = apply(before);
        if (expected instanceof java.math.BigDecimal a && now instanceof java.math.BigDecimal b) {
            return a.compareTo(b) == 0;
        }
        return Objects.equals(expected, now);
    }

    /** From the field as it becomes back to what it was; without a fill. */
    public Conversion back() {
        return new Conversion(to, from, null);
    }

    /** The new value for one that is not {@code null}; empty where it cannot be taken over. */
    public Optional<Object> converted(Object value) {
        if (from.kind() instanceof Kind.Choice before && to.kind() instanceof Kind.Choice after) {
            return new OptionMatch(before, after).key((String) value);
        }
        if (Kind.same(from.kind(), to.kind())) {
            return Optional.of(value);
        }
        return read(value).filter(read -> Storable.exactly(to.kind(), read)).or(() -> corrected(value));
    }

    private Optional<Object> corrected(Object value) {
        if (corrections.isEmpty()) {
            return Optional.empty();
        }
        var correction = corrections.get(written(value));
        return correction == null || correction.isEmpty()
                ? Optional.empty()
                : Values.typed(to, correction).value().filter(read -> Storable.exactly(to.kind(), read));
    }

    /** A value (not {@code null}) as people read it, by which it is corrected. */
    public String written(Object value) {
        return switch (from.kind()) {
            case Kind.RichText _ -> RichTextValues.lines((String) value);
            case Kind.Text _, Kind.LongText _ -> (String) value;
            default -> Values.show(from.kind(), value);
        };
    }

    private Optional<Object> read(Object value) {
        return switch (from.kind()) {
            case Kind.Image _,
                    Kind.File _,
                    Kind.Relation _,
                    Kind.TermPick _,
                    Kind.FieldGroup _,
                    Kind.Repeater _,
                    Kind.Note _ -> Optional.empty();
            case Kind.Numeric _ ->
                KindValues.of(to.kind())
                        .fromText(((java.math.BigDecimal) value)
                                .stripTrailingZeros()
                                .toPlainString());
            case Kind.Date _, Kind.Time _, Kind.DateTime _ ->
                KindValues.of(to.kind()).fromText(moment(value).toString());
            case Kind.Text _, Kind.LongText _, Kind.Email _, Kind.Phone _, Kind.Colour _, Kind.Url _, Kind.Icon _ ->
                spelled(((String) value).strip());
            case Kind.RichText _ -> spelled(RichTextValues.lines((String) value));
            case Kind.YesNo _, Kind.Choice _, Kind.Coordinates _ ->
                KindValues.of(to.kind()).fromText(KindValues.of(from.kind()).show(value));
        };
    }

    /** In the one form that the kind is written in, or in one of those in which people write it. A code is no number. */
    private Optional<Object> spelled(String text) {
        return to.kind() instanceof Kind.Numeric && Spelling.isCode(text)
                ? Optional.empty()
                : KindValues.of(to.kind()).fromText(text).or(() -> Spelling.read(to.kind(), text));
    }

    /** A day begins with its first minute, and a moment is of its day, both by the clock that people read. */
    private Object moment(Object value) {
        if (value instanceof LocalDate day && to.kind() instanceof Kind.DateTime) {
            return day.atStartOfDay();
        }
        return value instanceof LocalDateTime moment && to.kind() instanceof Kind.Date ? moment.toLocalDate() : value;
    }
}
