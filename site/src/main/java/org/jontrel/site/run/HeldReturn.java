package org.jontrel.site.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.CarriedValues;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Row;
import org.jontrel.site.record.RecordStore;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.table.Binding;

/** Held values on their way back to the records of today, some records at a time. */
public final class HeldReturn {
    private final RecordStore records;
    private final String fieldId;
    private final boolean replace;
    private final String by;
    private final List<NotReturned> refused = new ArrayList<>();
    private final Map<Long, String> elsewhere = new HashMap<>();
    private long brought;
    private long kept;
    private long drafts;

    HeldReturn(RecordStore records, String fieldId, boolean replace, String by) {
        this.records = records;
        this.fieldId = fieldId;
        this.replace = replace;
        this.by = by;
    }

    /** A record whose held values did not come back, and why. */
    public record NotReturned(long id, String title, String reason) {}

    Held.ReturnOutcome back(HeldValues.HeldSlice page, Supplier<Binding> installed) {
        var recordTypeId = page.recordType().id();
        var table = installed.get().table(recordTypeId);
        if (table.isEmpty()) {
            return new Held.ReturnOutcome.NotPossible(Held.ReturnWay.NO_DEFINITION);
        }
        var today = table.get().recordType();
        var ids = page.records().stream().map(StoredRecord::id).toList();
        var present =
                records.byIds(recordTypeId, ids).stream().collect(Collectors.toMap(StoredRecord::id, record -> record));
        if (fieldId.isEmpty() && today.definition() instanceof ContentType) {
            findElsewhere(installed.get(), recordTypeId, ids);
        }
        for (var held : page.records()) {
            var now = Optional.ofNullable(present.get(held.id()));
            boolean open =
                    fieldId.isEmpty() ? whole(page.recordType(), today, held, now) : field(page, today, held, now);
            if (!open) {
                return new Held.ReturnOutcome.DefinitionsSwitching();
            }
        }
        return new Held.ReturnOutcome.Returned(
                page.records().size(), brought, drafts, kept, List.copyOf(refused), page.next());
    }

    /** Records that have become those of another type are not brought back beside themselves. */
    private void findElsewhere(Binding binding, String recordTypeId, List<Long> ids) {
        elsewhere.clear();
        binding.tables().values().stream()
                .map(Binding.BoundTables::recordType)
                .filter(each ->
                        each.definition() instanceof ContentType && !each.id().equals(recordTypeId))
                .forEach(each ->
                        records.byIds(each.id(), ids).forEach(record -> elsewhere.put(record.id(), each.singular())));
    }

    /** Whether the gate was open. */
    private boolean whole(RecordType then, RecordType today, StoredRecord held, Optional<StoredRecord> now) {
        if (now.isPresent() || held.deleted()) {
            kept += now.isPresent() ? 1 : 0;
            return true;
        }
        if (elsewhere.containsKey(held.id())) {
            return refuse(held.id(), held.title(), "It is a record of " + elsewhere.get(held.id()) + " now.");
        }
        var values = new LinkedHashMap<String, Object>();
        var before = then.fields().collect(Collectors.toMap(Field::id, field -> field));
        var fields = today.fields().toList();
        for (var field : fields) {
            var was = before.get(field.id());
            if (was != null) {
                var value = CarriedValues.of(was, field, held.values().get(field.id()))
                        .value();
                if (value != null) {
                    values.put(field.id(), value);
                }
            }
        }
        var write = new Write(
                today.id(),
                Optional.of(held.id()),
                0,
                stateNow(held),
                held.publishAt(),
                held.retireAt(),
                held.slug(),
                held.parent(),
                Optional.of(held.position()),
                Values.wire(fields, values),
                true,
                held.updatedBy());
        var saved = records.revive(write, held);
        if (saved instanceof SaveResult.Refused && held.state() != RecordState.DRAFT) {
            saved = records.revive(write.withState(RecordState.DRAFT), held);
            drafts += saved instanceof SaveResult.Stored ? 1 : 0;
        }
        return told(saved, held.id(), held.title());
    }

    /** What was to retire meanwhile is retired. */
    private static RecordState stateNow(StoredRecord held) {
        boolean isPast =
                held.retireAt().filter(at -> !at.isAfter(Instant.now())).isPresent();
        return isPast && (held.state() == RecordState.PUBLISHED || held.state() == RecordState.SCHEDULED)
                ? RecordState.RETIRED
                : held.state();
    }

    private boolean field(HeldValues.HeldSlice page, RecordType today, StoredRecord held, Optional<StoredRecord> now) {
        if (now.isEmpty()) {
            return refuse(held.id(), "", "The record no longer exists.");
        }
        var goal = today.field(fieldId);
        if (goal.isEmpty()) {
            return refuse(held.id(), now.get().title(), "The field no longer exists.");
        }
        var values = new HashMap<Long, Object>();
        collect(page.fields(), held.values(), 0, values);
        var then = page.recordType().field(fieldId).orElseThrow();
        var first = values.values().stream().findFirst();
        values.replaceAll(
                (_, value) -> CarriedValues.of(then, goal.get(), value).value());
        values.values().removeIf(java.util.Objects::isNull);
        if (values.isEmpty()) {
            return refuse(
                    held.id(),
                    now.get().title(),
                    first.filter(value -> !(value instanceof List) && !(value instanceof Map))
                                    .map(value -> "\"" + Values.show(then.kind(), value) + "\"")
                                    .orElse("The value")
                            + " cannot be read as "
                            + goal.get().kind().code().replace('_', ' ') + ".");
        }
        var filling = new ValueReturn(fieldId, replace, values);
        var fields = today.fields()
                .filter(each -> each.withInner().anyMatch(inner -> inner.id().equals(fieldId)))
                .toList();
        var filled = filling.fill(fields, now.get().values(), 0);
        if (filling.filled() == 0) {
            if (filling.met() == 0) {
                return refuse(held.id(), now.get().title(), "The rows it belongs to no longer exist.");
            }
            kept++;
            return true;
        }
        var only = new LinkedHashMap<String, Object>();
        fields.forEach(each -> only.put(each.id(), filled.get(each.id())));
        var write = Write.change(today.id(), now.get(), Values.wire(fields, only), false, by);
        return told(records.save(write), held.id(), now.get().title());
    }

    /** The held values of the field, by the row they stand in; 0 for the record itself. */
    private void collect(List<Field> fields, Map<?, ?> values, long row, Map<Long, Object> found) {
        for (var field : fields) {
            var value = values.get(field.id());
            if (value == null) {
                continue;
            }
            if (field.id().equals(fieldId)) {
                found.put(row, value);
            } else if (field.kind() instanceof Kind.FieldGroup) {
                collect(field.inner(), (Map<?, ?>) value, row, found);
            } else if (field.kind() instanceof Kind.Repeater) {
                for (var each : (List<?>) value) {
                    collect(field.inner(), ((Row) each).values(), ((Row) each).id(), found);
                }
            }
        }
    }

    private boolean told(SaveResult saved, long id, String title) {
        switch (saved) {
            case SaveResult.Stored _ -> brought++;
            case SaveResult.Refused no ->
                refuse(
                        id,
                        title,
                        no.problems().stream()
                                .map(problem -> problem.finding().sentence())
                                .distinct()
                                .collect(Collectors.joining(" ")));
            case SaveResult.Conflict _ -> refuse(id, title, "Somebody saved it at the same moment. Try again.");
            case SaveResult.Missing _ -> refuse(id, title, "The record no longer exists.");
            case SaveResult.Closed _ -> {
                return false;
            }
        }
        return true;
    }

    private boolean refuse(long id, String title, String reason) {
        refused.add(new NotReturned(id, title, reason));
        return true;
    }
}
