package org.jontrel.core.value;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;

/**
 * What editors read on a form that is being filled in, whatever is nested in what: values as forms send them, by key; rows
 * as lists of such values. What a condition hides is neither checked nor required.
 */
public final class FormCheck {
    private final List<Problem> problems = new ArrayList<>();
    private final Set<String> hidden = new LinkedHashSet<>();
    private final Map<String, Field> fields = new HashMap<>();

    private FormCheck() {}

    /**
     * @param path keys and row numbers (from 0) to the value, as {@code tests.0.begun}
     * @param required whether only something required is missing: a draft may lack it
     */
    public record Problem(String path, boolean required, Finding finding) {}

    /**
     * @param hidden paths of fields, and ids of groups, that their conditions hide
     */
    public record Checked(List<Problem> problems, Set<String> hidden) {}

    /**
     * Checks a form.
     *
     * @param first fields before all groups, such as standard parts
     * @param groups with everything in place ({@code core.edit.Resolved})
     */
    public static Checked check(List<Field> first, List<Group> groups, Map<String, ?> raw) {
        var check = new FormCheck();
        check.know(first);
        groups.forEach(group -> check.know(group.fields()));
        var scope = new Scope(null, new HashMap<>(), check.fields);
        first.forEach(field -> scope.put(field, raw.get(field.key())));
        groups.forEach(group -> group.fields().forEach(field -> scope.put(field, raw.get(field.key()))));
        check.fields(first, raw, "", scope);
        for (var group : groups) {
            if (Conditions.holds(group.showWhen(), scope)) {
                check.fields(group.fields(), raw, "", scope);
            } else {
                check.hidden.add(group.id());
            }
        }
        return new Checked(List.copyOf(check.problems), check.hidden);
    }

    private void know(List<Field> some) {
        some.forEach(field -> field.withInner().forEach(each -> fields.putIfAbsent(each.id(), each)));
    }

    private void fields(List<Field> some, Map<String, ?> raw, String before, Scope scope) {
        for (var field : some) {
            var path = before + field.key();
            if (!field.showWhen().equals(Condition.ALWAYS) && !Conditions.holds(field.showWhen(), scope)) {
                hidden.add(path);
                continue;
            }
            field(field, raw.get(field.key()), path, scope);
        }
    }

    private void field(Field field, Object sent, String path, Scope scope) {
        var value = sent instanceof String text && text.isBlank() ? null : sent;
        switch (field.kind()) {
            case Kind.Note _ -> {}
            case Kind.FieldGroup(List<Field> inner) -> {
                var row = map(value);
                fields(inner, row, path + ".", scope.within(inner, row));
            }
            case Kind.Repeater rows -> rows(field, rows, list(value), path, scope);
            case Kind.Coordinates _ -> place(field, value, path);
            default -> {
                if (field.kind().amount().many()) {
                    several(field, list(value), path);
                } else if (value == null) {
                    missing(field, path);
                } else {
                    one(field, value, path);
                }
            }
        }
    }

    private void add(String path, Field field, Code code, Object... arguments) {
        problems.add(new Problem(path, false, Values.where(field).finding(code, arguments)));
    }

    private void missing(Field field, String path) {
        if (field.required()) {
            problems.add(new Problem(path, true, Values.where(field).finding(Code.VALUE_REQUIRED)));
        }
    }

    private void one(Field field, Object value, String path) {
        if (Scope.isReference(field.kind())) {
            return;
        }
        var read = Values.of(field.kind()).read(value, Values.where(field));
        read.finding().ifPresent(finding -> problems.add(new Problem(path, false, finding)));
        read.value()
                .ifPresent(known -> Values.of(field.kind())
                        .check(known, Values.where(field))
                        .forEach(finding -> problems.add(new Problem(path, false, finding))));
    }

    private void several(Field field, List<?> values, String path) {
        if (values.isEmpty()) {
            missing(field, path);
            return;
        }
        count(
                field,
                values.size(),
                field.kind().amount().min(),
                field.kind().amount().max(),
                path);
        values.forEach(value -> one(field, value, path));
    }

    private void count(Field field, int has, Integer min, Integer max, String path) {
        if (min != null && has < min) {
            add(path, field, Code.VALUES_TOO_FEW, has, min);
        }
        if (max != null && has > max) {
            add(path, field, Code.VALUES_TOO_MANY, has, max);
        }
    }

    private void rows(Field field, Kind.Repeater kind, List<?> rows, String path, Scope scope) {
        if (rows.isEmpty()) {
            missing(field, path);
        } else {
            count(field, rows.size(), kind.minRows(), kind.maxRows(), path);
        }
        for (int i = 0; i < rows.size(); i++) {
            var row = map(rows.get(i));
            fields(kind.fields(), row, path + "." + i + ".", scope.within(kind.fields(), row));
        }
    }

    private void place(Field field, Object value, String path) {
        if (value == null
                || map(value).values().stream()
                        .allMatch(each -> String.valueOf(each).isBlank())) {
            missing(field, path);
            return;
        }
        if (!within(map(value).get("latitude"), 90) || !within(map(value).get("longitude"), 180)) {
            add(path, field, Code.VALUE_NOT_PLACE);
        }
    }

    private static boolean within(Object degrees, int most) {
        try {
            return Math.abs(Double.parseDouble(String.valueOf(degrees))) <= most;
        } catch (NumberFormatException _) {
            return false;
        }
    }

    private static Map<String, ?> map(Object value) {
        if (!(value instanceof Map<?, ?> map)) {
            return Map.of();
        }
        var row = new HashMap<String, Object>();
        map.forEach((key, each) -> row.put(String.valueOf(key), each));
        return row;
    }

    private static List<?> list(Object value) {
        return value instanceof Collection<?> several
                ? List.copyOf(several.stream().filter(each -> each != null).toList())
                : List.of();
    }

    /** What conditions see from one place: values beside it, then those around. */
    private record Scope(Scope outer, Map<String, Object> values, Map<String, Field> fields)
            implements Conditions.Seen {
        void put(Field field, Object sent) {
            var value = sent instanceof String text && text.isBlank() ? null : sent;
            values.put(field.id(), value == null ? null : known(field, value));
        }

        static boolean isReference(Kind kind) {
            return kind instanceof Kind.Relation || kind instanceof Kind.File || kind instanceof Kind.RichText;
        }

        /** As conditions compare it: values of the kind, one or several; {@code null} for what cannot be read. */
        private static Object known(Field field, Object value) {
            if (value instanceof Collection<?> several && field.kind().amount().many()) {
                return several.stream()
                        .flatMap(each -> one(field.kind(), each).stream())
                        .toList();
            }
            return one(field.kind(), value).orElse(null);
        }

        private static Optional<Object> one(Kind kind, Object value) {
            if (isReference(kind)
                    || kind instanceof Kind.Repeater
                    || kind instanceof Kind.FieldGroup
                    || kind instanceof Kind.Coordinates) {
                return Optional.of(value);
            }
            return Values.of(kind)
                    .read(value, new KindValues.Where(org.jontrel.core.finding.Place.NOWHERE, ""))
                    .value();
        }

        Scope within(List<Field> inner, Map<String, ?> row) {
            var scope = new Scope(this, new HashMap<>(), fields);
            inner.forEach(field -> scope.put(field, row.get(field.key())));
            return scope;
        }

        @Override
        public Optional<Field> field(String fieldId) {
            return Optional.ofNullable(fields.get(fieldId));
        }

        @Override
        public Object value(String fieldId) {
            return values.containsKey(fieldId) || outer == null ? values.get(fieldId) : outer.value(fieldId);
        }
    }
}
