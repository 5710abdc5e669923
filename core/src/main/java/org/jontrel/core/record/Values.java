package org.jontrel.core.record;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.spelling.Spelling;
import org.jontrel.core.value.GeoPoint;
import org.jontrel.core.value.ImageFacts;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;
import org.jontrel.core.value.kind.FileValues;
import org.jontrel.core.value.kind.ImageValues;
import org.jontrel.core.value.kind.KindValues;

/**
 * The values of fields. In Java they are {@link String} (texts, addresses, numbers of telephones, colours; the key of an option), {@link java.math.BigDecimal},
 * {@link Boolean}, {@link java.time.LocalDate}, {@link java.time.LocalTime}, {@link java.time.LocalDateTime} (in UTC), {@link Long} (a
 * picture, file or term), {@link Link} and {@link GeoPoint}; several are a list, a group is a map by field id, rows are a list of
 * {@link Row}; an empty value is {@code null}.
 */
public final class Values {
    private Values() {}

    static KindValues.Where where(Field field) {
        return new KindValues.Where(Place.field("", field.id(), ""), field.label());
    }

    /** Whether the value breaks none of the field's limits; an empty one does not. */
    public static boolean fits(Field field, Object value) {
        return value == null
                || KindValues.of(field.kind()).check(value, where(field)).isEmpty();
    }

    /** As a visitor reads it, several with commas between, rows as lines; an empty value is an empty text. */
    public static String show(Kind kind, Object value) {
        return switch (value) {
            case null -> "";
            case Row row -> line(kind.inner(), row.values());
            case Map<?, ?> group -> line(kind.inner(), group);
            case List<?> list ->
                list.stream()
                        .map(each -> show(kind, each))
                        .collect(Collectors.joining(kind instanceof Kind.Repeater ? "\n" : ", "));
            default -> KindValues.of(kind).show(value);
        };
    }

    private static String line(List<Field> fields, Map<?, ?> values) {
        return fields.stream()
                .filter(field -> values.get(field.id()) != null)
                .map(field -> field.label() + " " + show(field.kind(), values.get(field.id())))
                .collect(Collectors.joining(", "));
    }

    /**
     * As JSON carries it: text, true or false, a whole number, or {@code null}. Numbers are text. Groups and rows are objects by
     * field key; rows carry their id as {@code _row}.
     */
    public static Object wire(Kind kind, Object value) {
        return switch (value) {
            case null -> null;
            case Row(long id, Map<String, Object> values) -> {
                var wire = wire(kind.inner(), values);
                if (id > 0) {
                    wire.put(FormReader.ROW, id);
                }
                yield wire;
            }
            case Map<?, ?> group -> wire(kind.inner(), group);
            case List<?> list -> list.stream().map(each -> wire(kind, each)).toList();
            default -> KindValues.of(kind).wire(value);
        };
    }

    /** Values by field key, as JSON carries them; empty ones are left out. */
    public static LinkedHashMap<String, Object> wire(List<Field> fields, Map<?, ?> values) {
        var wire = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value = values.get(field.id());
            if (value != null) {
                wire.put(field.key(), wire(field.kind(), value));
            }
        }
        return wire;
    }

    /** A value typed as text, such as a decision's: the value, or why it cannot be used. */
    public static Parsed parse(Field field, String text) {
        var values = KindValues.of(field.kind());
        var read = values.read(text, where(field));
        if (read.value().isEmpty()) {
            return new Parsed(Optional.empty(), read.finding().stream().toList());
        }
        var findings = values.check(read.value().get(), where(field));
        return new Parsed(findings.isEmpty() ? read.value() : Optional.empty(), findings);
    }

    /**
     * A value that a person typed in an answer: in the field's own form, or as people write such values (an option by its label,
     * {@code 2,75}, {@code 12 May 2026}); or why it cannot be used.
     */
    public static Parsed typed(Field field, String text) {
        var parsed = parse(field, text);
        var kind = field.kind();
        var spelled = parsed.value().isPresent() || kind instanceof Kind.Numeric && Spelling.isCode(text)
                ? Optional.empty()
                : KindValues.of(kind).fromText(text.strip()).or(() -> Spelling.read(kind, text.strip()));
        if (spelled.isEmpty()) {
            return parsed;
        }
        var findings = KindValues.of(kind).check(spelled.get(), where(field));
        return new Parsed(findings.isEmpty() ? Optional.of(spelled.get()) : Optional.empty(), findings);
    }

    /**
     * What a file breaks of the limits of a file field.
     *
     * @param ending that of what the file really is, such as {@code pdf}
     */
    public static List<Finding> checkFile(Field field, String name, String ending, long bytes) {
        return field.kind() instanceof Kind.File file
                ? new FileValues(file).checkFile(name, ending, bytes, where(field))
                : List.of();
    }

    /** What a picture breaks of the limits of an image field. */
    public static List<Finding> checkPicture(Field field, ImageFacts picture) {
        return field.kind() instanceof Kind.Image image
                ? new ImageValues(image).checkFacts(picture, where(field))
                : List.of();
    }

    /** A value, or why there is none. */
    public record Parsed(Optional<Object> value, List<Finding> findings) {}
}
