package org.jontrel.core.record;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.RecordState;

/** What conditions see from one place: values beside it, then those around. */
record ConditionScope(ConditionScope outer, Map<String, Object> values, Map<String, Field> fields, Surroundings around)
        implements Conditions.Seen {
    ConditionScope within(Map<String, Object> inner) {
        return new ConditionScope(this, inner, fields, around);
    }

    @Override
    public Optional<Field> field(String fieldId) {
        return Optional.ofNullable(fields.get(fieldId));
    }

    @Override
    public Object value(String fieldId) {
        var value = values.get(fieldId);
        if (value == null) {
            return outer == null ? null : outer.value(fieldId);
        }
        var field = fields.get(fieldId);
        boolean term = field != null && field.kind() instanceof Kind.TermPick;
        return switch (value) {
            case Unread _ -> null;
            case List<?> list when term -> list.stream().map(around::term).toList();
            case List<?> list ->
                list.stream().filter(each -> !(each instanceof Unread)).toList();
            default -> term ? around.term(value) : value;
        };
    }

    @Override
    public Set<String> terms(String taxonomyId) {
        return value(taxonomyId) instanceof Collection<?> terms
                ? terms.stream().map(String::valueOf).collect(Collectors.toSet())
                : Set.of();
    }

    @Override
    public boolean under(String taxonomyId, String termId, String aboveId) {
        return around.under(taxonomyId, termId, aboveId);
    }

    @Override
    public Optional<String> parentType() {
        return around.parentType();
    }

    @Override
    public RecordState state() {
        return around.state();
    }

    @Override
    public String slug() {
        return around.slug();
    }
}
