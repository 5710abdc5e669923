package org.jontrel.core.record;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.value.Row;
import org.jontrel.core.value.kind.KindValues;

/**
 * What editors read on a form that is being filled in, whatever is nested in what: values as forms send them, by key; rows
 * as lists of such values. What a condition hides is neither checked nor required.
 */
public final class FormCheck {
    /** Rows, or values of one field, at most; definitions may allow fewer. */
    public static final int MOST = 2_000;

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
    public record CheckedForm(List<Problem> problems, Set<String> hidden) {}

    /**
     * Checks a form.
     *
     * @param first fields before all groups, such as standard parts
     * @param groups with everything in place ({@code core.edit.Resolved})
     */
    public static CheckedForm check(List<Field> first, List<Group> groups, Map<String, ?> raw) {
        var all = new ArrayList<>(first);
        groups.forEach(group -> all.addAll(group.fields()));
        return values(first, groups, new FormReader(true).read(all, raw), Surroundings.NONE);
    }

    /** Checks values as {@link FormReader} reads them. */
    static CheckedForm values(List<Field> first, List<Group> groups, Map<String, Object> values, Surroundings around) {
        var check = new FormCheck();
        check.know(first);
        groups.forEach(group -> check.know(group.fields()));
        var scope = new ConditionScope(null, values, check.fields, around);
        check.fields(first, "", scope);
        for (var group : groups) {
            if (Conditions.holds(group.showWhen(), scope)) {
                check.fields(group.fields(), "", scope);
            } else {
                check.hidden.add(group.id());
                group.fields().forEach(field -> check.hidden.add(field.key()));
            }
        }
        return new CheckedForm(List.copyOf(check.problems), check.hidden);
    }

    private void know(List<Field> some) {
        some.forEach(field -> field.withInner().forEach(each -> fields.putIfAbsent(each.id(), each)));
    }

    private void fields(List<Field> some, String before, ConditionScope scope) {
        for (var field : some) {
            var path = before + field.key();
            if (!field.showWhen().equals(Condition.ALWAYS) && !Conditions.holds(field.showWhen(), scope)) {
                hidden.add(path);
                continue;
            }
            field(field, scope.values().get(field.id()), path, scope);
        }
    }

    private void field(Field field, Object value, String path, ConditionScope scope) {
        switch (value) {
            case null -> empty(field, path, scope);
            case Unread(Finding finding) -> problems.add(new Problem(path, false, finding));
            case Map<?, ?> group -> fields(field.inner(), path + ".", scope.within(inner(group)));
            case List<?> list when field.kind() instanceof Kind.Repeater rows -> rows(field, rows, list, path, scope);
            case List<?> list -> several(field, list, path);
            default -> one(field, value, path);
        }
    }

    /** A group without any value is still one in which something may be missing. */
    private void empty(Field field, String path, ConditionScope scope) {
        if (field.kind() instanceof Kind.FieldGroup(List<Field> inner)) {
            fields(inner, path + ".", scope.within(Map.of()));
        } else if (field.required() && field.kind().holdsValue()) {
            problems.add(new Problem(path, true, Values.where(field).finding(Code.VALUE_REQUIRED)));
        }
    }

    @SuppressWarnings("unchecked") // groups are maps by field id
    private static Map<String, Object> inner(Map<?, ?> group) {
        return (Map<String, Object>) group;
    }

    private void one(Field field, Object value, String path) {
        if (value instanceof Unread(Finding finding)) {
            problems.add(new Problem(path, false, finding));
        } else {
            KindValues.of(field.kind())
                    .check(value, Values.where(field))
                    .forEach(finding -> problems.add(new Problem(path, false, finding)));
        }
    }

    private void several(Field field, List<?> values, String path) {
        var amount = field.kind().amount();
        count(field, values.size(), amount.min(), amount.max(), path);
        values.forEach(value -> one(field, value, path));
    }

    private void count(Field field, int has, Integer min, Integer max, String path) {
        int most = max == null ? MOST : Math.min(max, MOST);
        if (min != null && has < min) {
            problems.add(new Problem(path, false, Values.where(field).finding(Code.VALUES_TOO_FEW, has, min)));
        }
        if (has > most) {
            problems.add(new Problem(path, false, Values.where(field).finding(Code.VALUES_TOO_MANY, has, most)));
        }
    }

    private void rows(Field field, Kind.Repeater kind, List<?> rows, String path, ConditionScope scope) {
        count(field, rows.size(), kind.minRows(), kind.maxRows(), path);
        for (int i = 0; i < rows.size(); i++) {
            fields(kind.fields(), path + "." + i + ".", scope.within(((Row) rows.get(i)).values()));
        }
    }
}
