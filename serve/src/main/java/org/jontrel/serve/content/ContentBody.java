package org.jontrel.serve.content;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.FormCheck;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.record.RecordStore;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Write;

/** The body of a request that stores a record. */
final class ContentBody {
    private ContentBody() {}

    /** By its number, where records of one type only can be above; else with its type. */
    static Optional<Link> parent(RecordType recordType, Object sent) {
        return switch (sent) {
            case null -> Optional.empty();
            case Number number
            when recordType.nesting().under().size() == 1 ->
                Optional.of(new Link(recordType.nesting().under().iterator().next(), number.longValue()));
            case Map<?, ?> link
            when link.get("id") instanceof Number number ->
                Optional.of(new Link(String.valueOf(link.get("type")), number.longValue()));
            default -> throw Refusal.invalid("parent is the number of a record, or {type, id}.", List.of());
        };
    }

    /** Values as forms send them, without fields that the API does not know. */
    static Map<String, Object> values(ContentCall call, RecordType recordType, Object sent, boolean whole) {
        if (sent != null && !(sent instanceof Map<?, ?>)) {
            throw Refusal.invalid("values is an object with keys of fields.", List.of());
        }
        var fields = recordType.fields().filter(Field::api).toList();
        var values = new LinkedHashMap<String, Object>();
        if (whole) {
            fields.stream().filter(field -> field.kind().holdsValue()).forEach(field -> values.put(field.key(), null));
        }
        if (sent instanceof Map<?, ?> map) {
            map.forEach((key, value) -> {
                var field =
                        fields.stream().filter(each -> each.key().equals(key)).findFirst();
                if (field.isEmpty()) {
                    throw Refusal.invalid("There is no field " + key + " in " + recordType.singular() + ".", List.of());
                }
                values.put((String) key, new SubmittedValues(call.engine()).value(field.get(), value));
            });
        }
        return values;
    }

    /** A field that must be filled in and that programs cannot fill in. */
    static Optional<Field> keptOut(RecordType recordType, List<FormCheck.Problem> problems) {
        return problems.stream()
                .filter(FormCheck.Problem::required)
                .flatMap(problem ->
                        keptOut(recordType.fields().toList(), problem.path().split("[.]"), 0).stream())
                .findFirst();
    }

    static Optional<Field> keptOut(List<Field> fields, String[] path, int at) {
        if (at >= path.length) {
            return Optional.empty();
        }
        if (path[at].matches("[0-9]+")) {
            return keptOut(fields, path, at + 1);
        }
        return fields.stream()
                .filter(field -> field.key().equals(path[at]))
                .findFirst()
                .flatMap(field -> field.api() ? keptOut(field.inner(), path, at + 1) : Optional.of(field));
    }

    static String text(Object sent, String name) {
        if (sent != null && !(sent instanceof String)) {
            throw Refusal.invalid(name + " is a text.", List.of());
        }
        return sent == null ? "" : (String) sent;
    }

    static Optional<Instant> time(Map<String, Object> body, String name, Optional<Instant> before) {
        if (!body.containsKey(name)) {
            return before;
        }
        try {
            return Optional.ofNullable(body.get(name)).map(text -> Instant.parse(String.valueOf(text)));
        } catch (DateTimeParseException _) {
            throw Refusal.invalid(name + " is a time in UTC, as 2026-05-01T09:00:00Z.", List.of());
        }
    }

    static RecordState state(Object sent, Optional<StoredRecord> before) {
        if (sent == null) {
            return before.map(StoredRecord::state).orElse(RecordState.DRAFT);
        }
        for (var state : RecordState.values()) {
            if (state.code().equals(sent)) {
                return state;
            }
        }
        throw Refusal.invalid("The state of a record must be draft, published, scheduled or retired.", List.of());
    }

    static Write single(
            ContentCall call, RecordType recordType, Optional<StoredRecord> before, Map<String, Object> body) {
        if (!Set.of("values").containsAll(body.keySet())) {
            throw Refusal.invalid("Site values have values only.", List.of());
        }
        return new Write(
                recordType.id(),
                Optional.of(RecordStore.SINGLE),
                before.map(StoredRecord::version).orElse(0),
                RecordState.PUBLISHED,
                Optional.empty(),
                Optional.empty(),
                "",
                Optional.empty(),
                Optional.empty(),
                values(call, recordType, body.get("values"), false),
                false,
                ContentWriteController.author(call));
    }
}
