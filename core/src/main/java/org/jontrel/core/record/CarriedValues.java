package org.jontrel.core.record;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.value.Row;

/**
 * A value of a field as it was, carried over to the field of the same id as it is: single values by their {@link Conversion},
 * groups and rows field by field.
 *
 * @param value in the form of the field as it is; {@code null} where nothing could be carried
 * @param lost labels of the fields of which something has no place there
 */
public record CarriedValues(Object value, List<String> lost) {
    private static final CarriedValues NOTHING = new CarriedValues(null, List.of());

    public CarriedValues {
        lost = List.copyOf(lost);
    }

    public static CarriedValues of(Field from, Field to, Object value) {
        if (value == null) {
            return NOTHING;
        }
        return switch (to.kind()) {
            case Kind.FieldGroup _
            when from.kind() instanceof Kind.FieldGroup -> {
                var inner = inner(from, to, (Map<?, ?>) value);
                yield new CarriedValues(inner.values().isEmpty() ? null : inner.values(), inner.lost());
            }
            case Kind.Repeater _ when from.kind() instanceof Kind.Repeater -> rows(from, to, (List<?>) value);
            case Kind.Nested _, Kind.Note _ -> lost(from);
            case Kind.Plain _, Kind.Reference _ -> several(from, to, value);
        };
    }

    private static CarriedValues lost(Field field) {
        return new CarriedValues(null, List.of(field.label()));
    }

    private record Inner(Map<String, Object> values, List<String> lost) {}

    private static Inner inner(Field from, Field to, Map<?, ?> values) {
        var after = to.inner().stream().collect(Collectors.toMap(Field::id, field -> field));
        var carried = new LinkedHashMap<String, Object>();
        var lost = new ArrayList<String>();
        for (var field : from.inner()) {
            var value = values.get(field.id());
            var goal = after.get(field.id());
            if (value != null && goal == null) {
                lost.add(field.label());
            } else if (value != null) {
                var one = of(field, goal, value);
                lost.addAll(one.lost());
                if (one.value() != null) {
                    carried.put(field.id(), one.value());
                }
            }
        }
        return new Inner(carried, lost);
    }

    private static CarriedValues rows(Field from, Field to, List<?> rows) {
        var carried = new ArrayList<Row>();
        var lost = new ArrayList<String>();
        for (var each : rows) {
            var row = (Row) each;
            var inner = inner(from, to, row.values());
            lost.addAll(inner.lost());
            if (!inner.values().isEmpty()) {
                carried.add(new Row(row.id(), inner.values()));
            }
        }
        return new CarriedValues(
                carried.isEmpty() ? null : List.copyOf(carried),
                lost.stream().distinct().toList());
    }

    /** One becomes the only one of several; of several one alone can become one. */
    private static CarriedValues several(Field from, Field to, Object value) {
        if (FieldStorage.of(from.kind()) == FieldStorage.NOT || from.kind() instanceof Kind.Repeater) {
            return lost(from);
        }
        var all = value instanceof List<?> list ? list : List.of(value);
        var taken = all.stream()
                .map(each -> single(from, to, each))
                .filter(Objects::nonNull)
                .toList();
        boolean many = to.kind().amount().many();
        if (taken.isEmpty() || !many && taken.size() > 1) {
            return lost(from);
        }
        return new CarriedValues(
                many ? taken : taken.getFirst(), taken.size() < all.size() ? List.of(from.label()) : List.of());
    }

    /** {@code null} where it cannot be taken over. */
    private static Object single(Field from, Field to, Object value) {
        if (to.kind() instanceof Kind.Relation) {
            return from.kind() instanceof Kind.Relation ? value : null;
        }
        if (to.kind() instanceof Kind.TermPick after) {
            boolean same = from.kind() instanceof Kind.TermPick before
                    && before.taxonomy().equals(after.taxonomy());
            return same ? value : null;
        }
        var conversion = new Conversion(from, to, null);
        return conversion.takes(value) ? conversion.apply(value) : null;
    }
}
