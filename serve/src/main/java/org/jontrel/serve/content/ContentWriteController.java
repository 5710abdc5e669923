package org.jontrel.serve.content;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.serve.record.SaveResponses;
import org.jontrel.serve.web.Refusal;
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
        return saved(call, recordType, ContentBody.single(call, recordType, stored, body), 200);
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

    static String author(ContentCall call) {
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
                ContentBody.state(body.get("state"), before),
                ContentBody.time(body, "publish_at", before.flatMap(StoredRecord::publishAt)),
                ContentBody.time(body, "retire_at", before.flatMap(StoredRecord::retireAt)),
                ContentBody.text(body.get("slug"), "slug"),
                body.containsKey("parent")
                        ? ContentBody.parent(recordType, body.get("parent"))
                        : before.flatMap(StoredRecord::parent),
                body.get("position") instanceof Number number ? Optional.of(number.intValue()) : Optional.empty(),
                ContentBody.values(call, recordType, body.get("values"), whole && before.isPresent()),
                before.isEmpty(),
                author(call));
    }

    private static ResponseEntity<String> saved(ContentCall call, RecordType recordType, Write write, int status) {
        var record = SaveResponses.stored(
                call.engine().records().save(write),
                refused -> ContentBody.keptOut(recordType, refused.problems())
                        .map(field -> "Nothing was saved: " + field.label()
                                + " is required and is kept out of the API, so"
                                + " somebody has to fill it in before this can be published. Send it as a draft.")
                        .orElse(SaveResponses.NOT_SAVED),
                ContentWriteController::overtaken);
        return call.answer(call.plain(recordType, record), status);
    }
}
