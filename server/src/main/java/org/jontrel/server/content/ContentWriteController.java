package org.jontrel.server.content;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.RecordState;
import org.jontrel.core.record.FormCheck;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.server.record.SaveResponses;
import org.jontrel.server.web.Refusal;
import org.jontrel.site.record.RecordStore;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Write;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/**
 * What programs with a token write: through the same checks as the forms. A change names the state it was made from in
 * {@code If-Match}; fields that are kept out of the API can neither be read nor written, and keep their values.
 */
@RestController
@RequestMapping("/at/{site}/api")
class ContentWriteController {
    private static final Set<String> PROPERTIES =
            Set.of("values", "state", "slug", "publish_at", "retire_at", "parent", "position");
    private final Callers callers;

    ContentWriteController(Callers callers) {
        this.callers = callers;
    }

    @PostMapping("/{path}")
    ResponseEntity<String> add(
            @PathVariable String site,
            @PathVariable String path,
            @RequestBody Map<String, Object> body,
            HttpServletRequest request) {
        return add(callers.writing(site, request), path, body);
    }

    @PostMapping("/taxonomies/{key}")
    ResponseEntity<String> addTerm(
            @PathVariable String site,
            @PathVariable String key,
            @RequestBody Map<String, Object> body,
            HttpServletRequest request) {
        return add(callers.writing(site, request), "taxonomies/" + key, body);
    }

    private static ResponseEntity<String> add(ContentCall call, String segment, Map<String, Object> body) {
        var recordType = call.recordType(segment);
        var write = write(call, recordType, Optional.empty(), body, true);
        return saved(call, recordType, write, 201);
    }

    /** All values of the API; those that are not sent are emptied. */
    @PutMapping("/{path}/{id}")
    ResponseEntity<String> put(
            @PathVariable String site,
            @PathVariable String path,
            @PathVariable String id,
            @RequestBody Map<String, Object> body,
            HttpServletRequest request) {
        return change(callers.writing(site, request), path, id, body, true);
    }

    /** Only the values that are sent; {@code null} empties one. */
    @PatchMapping("/{path}/{id}")
    ResponseEntity<String> patch(
            @PathVariable String site,
            @PathVariable String path,
            @PathVariable String id,
            @RequestBody Map<String, Object> body,
            HttpServletRequest request) {
        return change(callers.writing(site, request), path, id, body, false);
    }

    @PatchMapping("/taxonomies/{key}/{id}")
    ResponseEntity<String> patchTerm(
            @PathVariable String site,
            @PathVariable String key,
            @PathVariable String id,
            @RequestBody Map<String, Object> body,
            HttpServletRequest request) {
        return change(callers.writing(site, request), "taxonomies/" + key, id, body, false);
    }

    @PatchMapping("/values/{key}")
    ResponseEntity<String> patchValues(
            @PathVariable String site,
            @PathVariable String key,
            @RequestBody Map<String, Object> body,
            HttpServletRequest request) {
        var call = callers.writing(site, request);
        var recordType = call.recordType("values/" + key);
        var stored = call.engine().records().single(recordType.id());
        call.seen(stored.<Object>map(record -> call.plain(recordType, record)).orElse(Map.of()));
        return saved(call, recordType, single(call, recordType, stored, body), 200);
    }

    private static ResponseEntity<String> change(
            ContentCall call, String segment, String id, Map<String, Object> body, boolean whole) {
        var recordType = call.recordType(segment);
        var before = call.record(recordType, id);
        call.seen(call.plain(recordType, before));
        return saved(call, recordType, write(call, recordType, Optional.of(before), body, whole), 200);
    }

    @DeleteMapping("/{path}/{id}")
    ResponseEntity<Void> remove(
            @PathVariable String site, @PathVariable String path, @PathVariable String id, HttpServletRequest request) {
        return remove(callers.writing(site, request), path, id);
    }

    @DeleteMapping("/taxonomies/{key}/{id}")
    ResponseEntity<Void> removeTerm(
            @PathVariable String site, @PathVariable String key, @PathVariable String id, HttpServletRequest request) {
        return remove(callers.writing(site, request), "taxonomies/" + key, id);
    }

    private static ResponseEntity<Void> remove(ContentCall call, String segment, String id) {
        var recordType = call.recordType(segment);
        var before = call.record(recordType, id);
        call.seen(call.plain(recordType, before));
        SaveResponses.removed(
                call.engine().records().remove(recordType.id(), before.id(), before.version(), author(call)),
                ContentWriteController::overtaken);
        return ResponseEntity.noContent().build();
    }

    private static Refusal overtaken(StoredRecord current) {
        return Refusal.overtaken("This has changed since you read it. Read it again.");
    }

    private static String author(ContentCall call) {
        return "token " + call.token().orElseThrow().name();
    }

    private static Write write(
            ContentCall call,
            RecordType recordType,
            Optional<StoredRecord> before,
            Map<String, Object> body,
            boolean whole) {
        body.keySet().stream()
                .filter(key -> !PROPERTIES.contains(key))
                .findFirst()
                .ifPresent(key -> {
                    throw Refusal.invalid(
                            "There is no property " + key + ". Possible are: "
                                    + String.join(
                                            ", ", PROPERTIES.stream().sorted().toList())
                                    + "; values of fields go into values.",
                            List.of());
                });
        return new Write(
                recordType.id(),
                before.map(StoredRecord::id),
                before.map(StoredRecord::version).orElse(0),
                state(body.get("state"), before),
                time(body, "publish_at", before.flatMap(StoredRecord::publishAt)),
                time(body, "retire_at", before.flatMap(StoredRecord::retireAt)),
                text(body.get("slug"), "slug"),
                body.containsKey("parent")
                        ? parent(recordType, body.get("parent"))
                        : before.flatMap(StoredRecord::parent),
                body.get("position") instanceof Number number ? Optional.of(number.intValue()) : Optional.empty(),
                values(call, recordType, body.get("values"), whole && before.isPresent()),
                before.isEmpty(),
                author(call));
    }

    private static Write single(
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
                author(call));
    }

    private static RecordState state(Object sent, Optional<StoredRecord> before) {
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

    private static Optional<Instant> time(Map<String, Object> body, String name, Optional<Instant> before) {
        if (!body.containsKey(name)) {
            return before;
        }
        try {
            return Optional.ofNullable(body.get(name)).map(text -> Instant.parse(String.valueOf(text)));
        } catch (DateTimeParseException _) {
            throw Refusal.invalid(name + " is a time in UTC, as 2026-05-01T09:00:00Z.", List.of());
        }
    }

    private static String text(Object sent, String name) {
        if (sent != null && !(sent instanceof String)) {
            throw Refusal.invalid(name + " is a text.", List.of());
        }
        return sent == null ? "" : (String) sent;
    }

    /** By its number, where records of one type only can be above; else with its type. */
    private static Optional<Link> parent(RecordType recordType, Object sent) {
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
    private static Map<String, Object> values(ContentCall call, RecordType recordType, Object sent, boolean whole) {
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
    private static Optional<Field> keptOut(RecordType recordType, List<FormCheck.Problem> problems) {
        return problems.stream()
                .filter(FormCheck.Problem::required)
                .flatMap(problem ->
                        keptOut(recordType.fields().toList(), problem.path().split("[.]"), 0).stream())
                .findFirst();
    }

    private static Optional<Field> keptOut(List<Field> fields, String[] path, int at) {
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

    private static ResponseEntity<String> saved(ContentCall call, RecordType recordType, Write write, int status) {
        var record = SaveResponses.stored(
                call.engine().records().save(write),
                refused -> keptOut(recordType, refused.problems())
                        .map(field -> "Nothing was saved: " + field.label()
                                + " is required and is kept out of the API, so"
                                + " somebody has to fill it in before this can be published. Send it as a draft.")
                        .orElse(SaveResponses.NOT_SAVED),
                ContentWriteController::overtaken);
        return call.answer(call.plain(recordType, record), status);
    }
}
