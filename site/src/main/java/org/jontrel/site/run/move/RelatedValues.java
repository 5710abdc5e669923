package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.move.RelatedFields;
import org.jontrel.core.move.RelatedFields.RelatedField;
import org.jontrel.core.plan.Step;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.record.GroupedValues;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Histories;
import org.jontrel.site.table.Binding;

/** Values of the records that records lead to, or that lead to them, beside their own. */
public final class RelatedValues {
    private static final int CHUNK = 2_000;
    private final Binding binding;
    private final List<RelatedField> fields;

    /** @param ids of fields, of which some may be such */
    public RelatedValues(Binding binding, RecordType recordType, Collection<String> ids) {
        this.binding = binding;
        this.fields = RelatedFields.of(recordType, binding.model(), ids);
    }

    /** The records with what the others have, under the ids that {@link RelatedFields} gives it. */
    public List<StoredRecord> with(Connection connection, List<StoredRecord> records) throws SQLException {
        if (fields.isEmpty() || records.isEmpty()) {
            return records;
        }
        var more = new HashMap<Long, Map<String, Object>>();
        for (var field : fields) {
            add(connection, field, records, more);
        }
        return records.stream()
                .map(record -> {
                    var values = new LinkedHashMap<>(record.values());
                    values.putAll(more.getOrDefault(record.id(), Map.of()));
                    return record.with(record.parent(), values);
                })
                .toList();
    }

    private void add(
            Connection connection, RelatedField field, List<StoredRecord> records, Map<Long, Map<String, Object>> more)
            throws SQLException {
        var links = links(connection, binding, field)
                .of(records.stream().map(StoredRecord::id).toList());
        var other = binding.table(field.other().id()).orElseThrow();
        var ids = links.values().stream().flatMap(List::stream).collect(Collectors.toSet());
        var found = new RecordLoader(other, outermost(field))
                .byIds(connection, ids).stream()
                        .filter(each -> !each.deleted())
                        .collect(Collectors.toMap(StoredRecord::id, each -> each));
        links.forEach((id, theirs) -> {
            var values = theirs.stream()
                    .filter(found::containsKey)
                    .flatMap(each ->
                            GroupedValues.get(
                                    other.recordType(),
                                    found.get(each).values(),
                                    field.field().id())
                                    .stream())
                    .flatMap(value -> value instanceof List<?> several ? several.stream() : Stream.of(value))
                    .toList();
            if (!values.isEmpty()) {
                more.computeIfAbsent(id, _ -> new HashMap<>()).put(field.id(), values);
            }
        });
    }

    private static Set<String> outermost(RelatedField field) {
        return field.other()
                .fields()
                .filter(each -> each.withInner()
                        .anyMatch(inner -> inner.id().equals(field.field().id())))
                .map(each -> each.id())
                .collect(Collectors.toSet());
    }

    private static RecordLinks links(Connection connection, Binding binding, RelatedField field) {
        var table = binding.table(field.holder())
                .orElseThrow()
                .fields()
                .get(field.relation().id())
                .name();
        return new RecordLinks(connection, table, field.back());
    }

    /** How many records have such a value. */
    public static Answer answer(Connection connection, Binding binding, Binding.BoundTables table, String fieldId)
            throws SQLException {
        var related = new RelatedValues(binding, table.recordType(), List.of(fieldId));
        var loader = new RecordLoader(table, Set.of());
        long records = 0;
        long filled = 0;
        for (long after = 0; ; ) {
            var some = related.with(connection, loader.after(connection, after, CHUNK));
            if (some.isEmpty()) {
                return new Answer(records, records - filled, 0, 0, List.of(), List.of());
            }
            records += some.size();
            filled += some.stream()
                    .filter(each -> each.values().containsKey(fieldId))
                    .count();
            after = some.getLast().id();
        }
    }

    /**
     * The records that have values of others which were saved: those that lead to them now or that they lead to, and those that they led
     * to before.
     *
     * @param saved by type, ids of the records that were saved
     */
    public static Set<Long> leading(
            Connection connection, Binding binding, Step.MoveValues step, Map<String, Set<Long>> saved)
            throws SQLException {
        var all = new HashSet<Long>();
        var sources =
                step.moves().stream().flatMap(move -> move.sources().stream()).toList();
        var table = binding.table(step.recordTypeId());
        if (table.isEmpty()) {
            return all;
        }
        for (var field : RelatedFields.of(table.get().recordType(), binding.model(), sources)) {
            var others = saved.getOrDefault(field.other().id(), Set.of());
            if (!others.isEmpty()) {
                all.addAll(links(connection, binding, field).around(others));
                if (field.back()) {
                    all.addAll(before(connection, binding, field, others));
                }
            }
        }
        return all;
    }

    private static List<Long> before(Connection connection, Binding binding, RelatedField field, Set<Long> others)
            throws SQLException {
        var all = new ArrayList<Long>();
        for (long id : others) {
            for (var past : Histories.of(connection, binding, field.other().id(), id)) {
                GroupedValues.get(field.other(), past.values(), field.relation().id()).stream()
                        .flatMap(value -> value instanceof List<?> several ? several.stream() : Stream.of(value))
                        .forEach(each -> all.add(((Link) each).id()));
            }
        }
        return all;
    }
}
