package org.jontrel.core.plan;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.move.MoveLosses;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.record.Conversion;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Row;

/**
 * What becomes of the values of a record by the steps of a plan. Of values that are held and come back, and of rows that are
 * made of other records, it says nothing.
 */
public final class PlannedValues {
    private final RecordType is;
    private final Map<String, Conversion> conversions = new HashMap<>();
    private final Set<String> unknown = new HashSet<>();
    private final MovedValues moved;

    /**
     * @param was as the values are now
     * @param is as they become
     * @param steps of the plan, also those of other types
     */
    public PlannedValues(RecordType was, RecordType is, List<Step> steps, NameLookup names) {
        this.is = is;
        var moves = steps.stream()
                .filter(Step.MoveValues.class::isInstance)
                .map(Step.MoveValues.class::cast)
                .filter(step -> step.recordTypeId().equals(is.id()))
                .flatMap(step -> step.moves().stream())
                .toList();
        this.moved = new MovedValues(was, is, moves, names, MoveLosses.UNTOLD);
        for (var step : steps) {
            if (step instanceof Step.CopyColumn copy && copy.recordTypeId().equals(is.id())) {
                convert(was, copy);
            }
        }
    }

    private void convert(RecordType was, Step.CopyColumn copy) {
        if (!copy.held().isEmpty()) {
            unknown.add(copy.fieldId());
            return;
        }
        is.field(copy.fieldId()).ifPresent(newer -> {
            var fill = copy.fill().isEmpty()
                    ? null
                    : Values.typed(newer, copy.fill()).value().orElse(null);
            var older = was.field(copy.fieldId()).orElse(newer);
            conversions.put(copy.fieldId(), new Conversion(older, newer, fill, copy.corrections()));
        });
    }

    /** The values as the newer definition has them. */
    public Map<String, Object> apply(Map<String, Object> values) {
        var fields = is.fields().toList();
        return merged(fields, kept(fields, flat(values)), moved.apply(values));
    }

    /** Into which group something goes, or out of which, is nothing to a value: only rows keep values apart. */
    private static Map<String, Object> flat(Map<?, ?> values) {
        var all = new HashMap<String, Object>();
        values.forEach((id, value) -> {
            if (value instanceof Map<?, ?> group) {
                all.putAll(flat(group));
            } else {
                all.put((String) id, value);
            }
        });
        return all;
    }

    /** Values of fields that stay where they are, converted. */
    private Map<String, Object> kept(List<Field> fields, Map<String, Object> values) {
        var all = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            if (!moved.concerned().contains(field.id()) && !unknown.contains(field.id())) {
                var value = kept(field, values);
                if (value != null) {
                    all.put(field.id(), value);
                }
            }
        }
        return all;
    }

    private Object kept(Field field, Map<String, Object> values) {
        if (field.kind() instanceof Kind.FieldGroup) {
            var within = kept(field.inner(), values);
            return within.isEmpty() ? null : within;
        }
        var value = values.get(field.id());
        if (field.kind() instanceof Kind.Repeater) {
            return value instanceof List<?> rows
                    ? rows.stream()
                            .map(Row.class::cast)
                            .map(row -> new Row(row.id(), kept(field.inner(), flat(row.values()))))
                            .toList()
                    : null;
        }
        var conversion = conversions.get(field.id());
        if (conversion == null || !(value instanceof List<?> several)) {
            return conversion == null ? value : conversion.apply(value);
        }
        var converted =
                several.stream().map(conversion::apply).filter(Objects::nonNull).toList();
        return converted.isEmpty() ? null : converted;
    }

    /** Those that come from elsewhere among those that stay. */
    private Map<String, Object> merged(List<Field> fields, Map<?, ?> kept, Map<?, ?> come) {
        var all = new LinkedHashMap<String, Object>();
        for (var field : fields) {
            var stays = kept.get(field.id());
            var comes = come.get(field.id());
            var value = stays == null || comes == null ? (comes == null ? stays : comes) : merged(field, stays, comes);
            if (value != null) {
                all.put(field.id(), value);
            }
        }
        return all;
    }

    private Object merged(Field field, Object stays, Object comes) {
        if (stays instanceof Map<?, ?> group && comes instanceof Map<?, ?> other) {
            return merged(field.inner(), group, other);
        }
        if (stays instanceof List<?> rows && comes instanceof List<?> others && field.kind() instanceof Kind.Repeater) {
            var byId = new HashMap<Long, Row>();
            rows.stream().map(Row.class::cast).forEach(row -> byId.put(row.id(), row));
            return others.stream()
                    .map(Row.class::cast)
                    .map(row -> byId.containsKey(row.id())
                            ? new Row(
                                    row.id(),
                                    merged(field.inner(), byId.get(row.id()).values(), row.values()))
                            : row)
                    .toList();
        }
        return comes;
    }
}
