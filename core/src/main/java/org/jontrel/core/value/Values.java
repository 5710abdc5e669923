package org.jontrel.core.value;

import java.util.List;
import java.util.Optional;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;

/**
 * The values of fields. In Java they are {@link String} (texts, addresses, numbers of telephones, colours; the key of an option), {@link java.math.BigDecimal},
 * {@link Boolean}, {@link java.time.LocalDate}, {@link java.time.LocalTime}, {@link java.time.LocalDateTime} (in UTC) and {@link Long} (a picture's id); an empty value is {@code null}.
 */
public final class Values {
    private Values() {}

    static KindValues of(Kind kind) {
        return switch (kind) {
            case Kind.Text text -> new TextValues(text);
            case Kind.LongText text -> new LongTextValues(text);
            case Kind.Numeric number -> new NumberValues(number);
            case Kind.YesNo yesNo -> new YesNoValues(yesNo);
            case Kind.Date date -> new DateValues(date);
            case Kind.Time time -> new TimeValues(time);
            case Kind.Email _ -> new EmailValues();
            case Kind.Phone _ -> new PhoneValues();
            case Kind.Colour _ -> new ColourValues();
            case Kind.Choice choice -> new ChoiceValues(choice);
            case Kind.Image image -> new ImageValues(image);
            case Kind.DateTime moment -> new DateTimeValues(moment);
            case Kind.Url url -> new UrlValues(url);
            case Kind.Icon _ -> new IconValues();
            case Kind.TermPick _ -> new TermValues();
            case Kind.RichText _,
                    Kind.File _,
                    Kind.Relation _,
                    Kind.FieldGroup _,
                    Kind.Repeater _,
                    Kind.Coordinates _,
                    Kind.Note _ -> new WholeValues();
        };
    }

    static KindValues.Where where(Field field) {
        return new KindValues.Where(Place.field("", field.id(), ""), field.label());
    }

    /** Whether the value breaks none of the field's limits; an empty one does not. */
    public static boolean fits(Field field, Object value) {
        return value == null || of(field.kind()).check(value, where(field)).isEmpty();
    }

    /** As a visitor reads it; an empty value is an empty text. */
    public static String show(Kind kind, Object value) {
        return value == null ? "" : of(kind).show(value);
    }

    /** As JSON carries it: text, true or false, a whole number, or {@code null}. Numbers are text. */
    public static Object wire(Kind kind, Object value) {
        return value == null ? null : of(kind).wire(value);
    }

    /** A value typed as text, such as a decision's: the value, or why it cannot be used. */
    public static Parsed parse(Field field, String text) {
        var values = of(field.kind());
        var read = values.read(text, where(field));
        if (read.value().isEmpty()) {
            return new Parsed(Optional.empty(), read.finding().stream().toList());
        }
        var findings = values.check(read.value().get(), where(field));
        return new Parsed(findings.isEmpty() ? read.value() : Optional.empty(), findings);
    }

    /** What a picture breaks of the limits of an image field. */
    public static List<Finding> checkPicture(Field field, Picture picture) {
        return field.kind() instanceof Kind.Image image
                ? new ImageValues(image).check(picture, where(field))
                : List.of();
    }

    /** A value, or why there is none. */
    public record Parsed(Optional<Object> value, List<Finding> findings) {}
}
