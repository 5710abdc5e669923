package org.jontrel.core.record;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Row;

/** Values as a visitor reads them, with everything in them. */
public final class ValueTexts {
    private ValueTexts() {}

    /** What people call what a value leads to: a record, a term, a picture or file; empty where it is gone. */
    public interface Naming {
        String name(Field field, Object reference);
    }

    public static String text(Field field, Object value, Naming naming) {
        return switch (value) {
            case List<?> list
            when !(field.kind() instanceof Kind.Repeater) ->
                list.stream()
                        .map(each -> text(field, each, naming))
                        .filter(text -> !text.isEmpty())
                        .collect(Collectors.joining(", "));
            case List<?> list ->
                list.stream().map(each -> text(field, each, naming)).collect(Collectors.joining("\n"));
            case Row row -> line(field.inner(), row.values(), naming);
            case Map<?, ?> group -> line(field.inner(), group, naming);
            default ->
                field.kind() instanceof Kind.Reference ? naming.name(field, value) : Values.show(field.kind(), value);
        };
    }

    private static String line(List<Field> fields, Map<?, ?> values, Naming naming) {
        return fields.stream()
                .filter(field -> Objects.nonNull(values.get(field.id())))
                .map(field -> field.label() + " " + text(field, values.get(field.id()), naming))
                .collect(Collectors.joining(", "));
    }
}
