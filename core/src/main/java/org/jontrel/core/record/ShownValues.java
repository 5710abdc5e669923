package org.jontrel.core.record;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Row;

/** The values of a record without those of fields and groups that their conditions hide. */
public final class ShownValues {
    private ShownValues() {}

    public static Map<String, Object> of(RecordType recordType, Map<String, Object> values, Surroundings around) {
        var scope = scope(recordType.fields().toList(), values, around);
        var shown = of(recordType.first(), values, scope);
        recordType.groups().stream()
                .filter(group -> Conditions.holds(group.showWhen(), scope))
                .forEach(group -> shown.putAll(of(group.fields(), values, scope)));
        return shown;
    }

    /** What conditions see of values. */
    public static Conditions.Seen seen(List<Field> fields, Map<String, Object> values, Surroundings around) {
        return scope(fields, values, around);
    }

    private static ConditionScope scope(List<Field> fields, Map<String, Object> values, Surroundings around) {
        var byId = new HashMap<String, Field>();
        fields.forEach(field -> field.withInner().forEach(each -> byId.putIfAbsent(each.id(), each)));
        return new ConditionScope(null, values, byId, around);
    }

    private static Map<String, Object> of(List<Field> fields, Map<?, ?> values, ConditionScope scope) {
        var shown = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var value = values.get(field.id());
            boolean here = value != null
                    && (field.showWhen().equals(Condition.ALWAYS) || Conditions.holds(field.showWhen(), scope));
            if (here) {
                shown.put(field.id(), inner(field, value, scope));
            }
        }
        return shown;
    }

    private static Object inner(Field field, Object value, ConditionScope scope) {
        return switch (value) {
            case List<?> list
            when !field.inner().isEmpty() ->
                list.stream().map(each -> inner(field, each, scope)).toList();
            case Row row -> new Row(row.id(), of(field.inner(), row.values(), scope.within(row.values())));
            case Map<?, ?> group -> of(field.inner(), group, scope.within(group(group)));
            default -> value;
        };
    }

    @SuppressWarnings("unchecked") // groups are maps by field id
    private static Map<String, Object> group(Map<?, ?> group) {
        return (Map<String, Object>) group;
    }
}
