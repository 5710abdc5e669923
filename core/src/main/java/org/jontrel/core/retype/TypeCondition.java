package org.jontrel.core.retype;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;

/**
 * Which records of a content type are meant: those with one of some values in a field, as people read them, whether letters are
 * capital or small.
 *
 * @param field id of the field; empty where all records are meant
 * @param values any of which will do; options also by their keys
 * @param not whether those with none of the values are meant
 */
public record TypeCondition(String field, List<String> values, boolean not) {
    /** All records. */
    public static final TypeCondition ALL = new TypeCondition("", List.of(), false);

    private static final Pattern FORM = Pattern.compile("([a-z][a-z0-9_]*)\\s*(!?=)\\s*(.+)", Pattern.DOTALL);

    public TypeCondition {
        values = List.copyOf(values);
    }

    /** Reads {@code kind = gate or weir}, or {@code kind != gate}; empty where it says nothing that can be decided. */
    public static Optional<TypeCondition> read(String text, RecordType recordType) {
        var form = FORM.matcher(text.strip());
        if (!form.matches()) {
            return Optional.empty();
        }
        var values = Arrays.stream(form.group(3).split("\\s+or\\s+"))
                .map(String::strip)
                .filter(each -> !each.isEmpty())
                .toList();
        return fields(recordType)
                .filter(each -> each.key().equals(form.group(1)))
                .filter(each -> values.stream().allMatch(value -> knows(each, value)))
                .map(each -> new TypeCondition(each.id(), values, form.group(2).equals("!=")))
                .filter(_ -> !values.isEmpty())
                .findFirst();
    }

    /** The fields that a condition can look at: those of records themselves that hold something with a name. */
    private static Stream<Field> fields(RecordType recordType) {
        return recordType.byId().values().stream()
                .filter(each -> recordType.home(each.id()).table().isEmpty())
                .filter(each -> FieldStorage.of(each.kind()) != FieldStorage.NOT
                        && each.inner().isEmpty());
    }

    /** Whether a field could have such a value; of terms and records only sites know it. */
    private static boolean knows(Field field, String value) {
        return switch (field.kind()) {
            case Kind.Choice choice ->
                choice.options().stream()
                        .anyMatch(each -> each.key().equalsIgnoreCase(value)
                                || each.label().equalsIgnoreCase(value));
            case Kind.YesNo words -> yesNo(words, value).isPresent();
            default -> true;
        };
    }

    private static Optional<Boolean> yesNo(Kind.YesNo words, String value) {
        if (value.equalsIgnoreCase(words.yes()) || value.equalsIgnoreCase(words.no())) {
            return Optional.of(value.equalsIgnoreCase(words.yes()));
        }
        return switch (value.toLowerCase(Locale.ROOT)) {
            case "yes", "true" -> Optional.of(true);
            case "no", "false" -> Optional.of(false);
            default -> Optional.empty();
        };
    }

    /** What says that records are of a type, where a field says it: an option or a yes of its name. */
    static Optional<String> proposed(RecordType recordType, String key, String name) {
        for (var field : fields(recordType).toList()) {
            if (field.kind() instanceof Kind.Choice choice) {
                var option = choice.options().stream()
                        .filter(each -> each.key().equals(key) || each.label().equalsIgnoreCase(name))
                        .findFirst();
                if (option.isPresent()) {
                    return Optional.of(field.key() + " = " + option.get().key());
                }
            }
            if (field.kind() instanceof Kind.YesNo && List.of(key, "is_" + key).contains(field.key())) {
                return Optional.of(field.key() + " = yes");
            }
        }
        return Optional.empty();
    }

    /** Whether all records are meant. */
    public boolean isAll() {
        return field.isEmpty();
    }

    /** Whether a record is meant. */
    public boolean holds(RecordType recordType, Map<String, Object> record, NameLookup names) {
        if (isAll()) {
            return true;
        }
        var known = recordType.field(field).orElseThrow();
        return not
                != found(record)
                        .flatMap(value -> value instanceof Collection<?> several ? several.stream() : Stream.of(value))
                        .anyMatch(value -> is(known, value, names));
    }

    private Stream<?> found(Map<?, ?> record) {
        var value = record.get(field);
        return value != null
                ? Stream.of(value)
                : record.values().stream().filter(Map.class::isInstance).flatMap(group -> found((Map<?, ?>) group));
    }

    private boolean is(Field known, Object value, NameLookup names) {
        return switch (known.kind()) {
            case Kind.Choice choice -> {
                yield choice.options().stream()
                        .filter(each -> each.key().equals(value))
                        .anyMatch(each -> says(each.key()) || says(each.label()));
            }
            case Kind.YesNo words ->
                values.stream().anyMatch(each -> yesNo(words, each).equals(Optional.of(value)));
            case Kind.Reference _ -> names.name(known, value).filter(this::says).isPresent();
            default -> says(Values.show(known.kind(), value));
        };
    }

    private boolean says(String text) {
        return values.stream().filter(Objects::nonNull).anyMatch(each -> each.equalsIgnoreCase(text.strip()));
    }

    /** As a person reads it: {@code Kind is Gate or Weir}. */
    public String sentence(RecordType recordType) {
        var known = recordType.field(field);
        var told = values.stream()
                .map(each -> known.map(of -> told(of, each)).orElse(each))
                .collect(Collectors.joining(" or "));
        return known.map(Field::label).orElse(field) + (not ? " is not " : " is ") + told;
    }

    private static String told(Field known, String value) {
        return known.kind() instanceof Kind.Choice choice
                ? choice.options().stream()
                        .filter(each -> each.key().equalsIgnoreCase(value))
                        .map(Kind.Option::label)
                        .findFirst()
                        .orElse(value)
                : value;
    }
}
