package org.jontrel.server.record;

import static org.jontrel.server.record.RecordTypes.SORTS;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.CarriedValues;
import org.jontrel.core.record.RecordChanges;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.record.Surroundings;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.serve.record.RecordProblem;
import org.jontrel.serve.record.ReferenceNames;
import org.jontrel.serve.record.SaveResponses;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/**
 * Records, terms and site values of a site over HTTP. Values go by field key; numbers are text, so that none is rounded;
 * site values are the one record 1.
 */
@RestController
@RequestMapping("/api/sites/{site}/" + SORTS + "/{key}")
class RecordController {
    private final RecordTypes recordTypes;
    private final RecordForms forms;

    RecordController(RecordTypes recordTypes, RecordForms forms) {
        this.recordTypes = recordTypes;
        this.forms = forms;
    }

    record WriteBody(
            @Schema(description = "Version the writer had seen; 0 for a new record") @NotNull
            Integer version,

            @Schema(description = "draft, published, scheduled or retired") @NotNull
            String state,

            @Schema(description = "By field key") @NotNull Map<String, Object> values,

            @Schema(description = "When a scheduled record appears, in UTC")
            Instant publishAt,

            @Schema(description = "When a public record retires by itself, in UTC")
            Instant retireAt,

            @Schema(description = "Address segment; absent to keep it, or to have one made from the title")
            String slug,

            RecordViews.ParentView parent,

            @Schema(description = "Among those under one record; absent to keep it, or to put it last")
            Integer position,

            @Schema(description = "Whether values that are not sent stay as they are")
            Boolean part) {}

    record Check(@NotNull Map<String, Object> values, RecordViews.ParentView parent, String state) {}

    @Schema(requiredProperties = {"problems", "hidden"})
    record CheckView(
            List<RecordProblem> problems,

            @Schema(description = "Paths of fields, and ids of groups, that conditions hide")
            List<String> hidden) {}

    @GetMapping("/records/{id}")
    RecordViews.OpenRecord one(
            @PathVariable String site, @PathVariable String sort, @PathVariable String key, @PathVariable long id) {
        var at = recordTypes.at(site, sort, key);
        return forms.open(at, find(at, id));
    }

    private static StoredRecord find(RecordTypes.BoundSite at, long id) {
        return at.engine().records().byId(at.id(), id).orElseThrow(() -> Refusal.missing("There is no such record."));
    }

    @PostMapping("/records")
    @ResponseStatus(HttpStatus.CREATED)
    RecordViews.OpenRecord add(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @Valid @RequestBody WriteBody body,
            Principal principal) {
        var at = recordTypes.at(site, sort, key);
        if (at.table().recordType().single()) {
            throw Refusal.missing("Site values exist once: change record 1.");
        }
        return save(at, Optional.empty(), body, principal);
    }

    @ApiResponse(responseCode = "200", description = "Stored", useReturnTypeSchema = true)
    @ApiResponse(
            responseCode = "409",
            description = "Somebody else saved it since",
            content = @Content(schema = @Schema(implementation = RecordViews.ConflictProblem.class)))
    @ApiResponse(
            responseCode = "422",
            description = "Values need attention",
            content = @Content(schema = @Schema(implementation = RecordViews.RefusedProblem.class)))
    @PutMapping("/records/{id}")
    RecordViews.OpenRecord change(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @PathVariable long id,
            @Valid @RequestBody WriteBody body,
            Principal principal) {
        return save(recordTypes.at(site, sort, key), Optional.of(id), body, principal);
    }

    private RecordViews.OpenRecord save(
            RecordTypes.BoundSite at, Optional<Long> id, WriteBody body, Principal principal) {
        var write = new Write(
                at.id(),
                id,
                body.version(),
                state(body.state()),
                Optional.ofNullable(body.publishAt()),
                Optional.ofNullable(body.retireAt()),
                Optional.ofNullable(body.slug()).orElse(""),
                Optional.ofNullable(body.parent()).map(RecordViews.ParentView::link),
                Optional.ofNullable(body.position()),
                body.values(),
                !Boolean.TRUE.equals(body.part()),
                principal.getName());
        return forms.open(at, stored(at, write, at.engine().records().save(write)));
    }

    /** The record that was stored, or why not, in words. */
    private StoredRecord stored(RecordTypes.BoundSite at, Write write, SaveResult saved) {
        return SaveResponses.stored(
                saved,
                _ -> SaveResponses.NOT_SAVED,
                current -> Refusal.conflict(
                        current.updatedBy() + " saved this since you opened it. Nothing of yours was stored.",
                        conflict(at, write, current)));
    }

    private RecordViews.ConflictView conflict(RecordTypes.BoundSite at, Write write, StoredRecord current) {
        var recordType = at.table().recordType();
        var base = at.engine().records().history(at.id(), current.id()).stream()
                .filter(past -> past.version() == write.version())
                .map(past -> past.values())
                .findFirst()
                .orElse(current.values());
        var mine = RecordCheck.read(recordType, write.raw(), Surroundings.NONE).values();
        var known = ReferenceNames.of(at.engine(), recordType, List.of(base, mine, current.values()));
        var merged = RecordChanges.merge(recordType, base, mine, current.values(), known::show);
        return new RecordViews.ConflictView(
                forms.open(at, current),
                RecordViews.DifferenceView.of(
                        RecordChanges.between(recordType, base, recordType, current.values(), known::show)),
                Values.wire(recordType.fields().toList(), merged.values()),
                RecordViews.ClashView.of(merged.clashes()));
    }

    /** What an editor would read about these values, stored nowhere. */
    @PostMapping("/check")
    CheckView check(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @Valid @RequestBody Check body) {
        var at = recordTypes.at(site, sort, key);
        var state = body.state() == null ? RecordState.DRAFT : state(body.state());
        var write = Write.fresh(at.id(), state, body.values(), "");
        var checked = at.engine()
                .records()
                .check(body.parent() == null ? write : write.under(body.parent().link()))
                .orElseThrow();
        return new CheckView(RecordProblem.of(checked.problems()), List.copyOf(checked.hidden()));
    }

    /** Removes a record; it can be brought back. */
    @DeleteMapping("/records/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @PathVariable long id,
            @RequestParam int version,
            Principal principal) {
        var at = recordTypes.at(site, sort, key);
        SaveResponses.removed(
                at.engine().records().remove(at.id(), id, version, principal.getName()),
                current -> Refusal.conflict(
                        current.updatedBy() + " saved this since you opened it. It was not deleted.",
                        forms.open(at, current)));
    }

    @PostMapping("/records/{id}/back")
    RecordViews.OpenRecord bringBack(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @PathVariable long id,
            Principal principal) {
        var at = recordTypes.at(site, sort, key);
        if (at.engine().records().bringBack(at.id(), id, principal.getName())
                instanceof SaveResult.Stored(StoredRecord record)) {
            return forms.open(at, record);
        }
        throw Refusal.missing("There is no deleted record with this number.");
    }

    /** How a record came to be what it is, newest first. */
    @GetMapping("/records/{id}/history")
    List<RecordViews.PastView> history(
            @PathVariable String site, @PathVariable String sort, @PathVariable String key, @PathVariable long id) {
        var at = recordTypes.at(site, sort, key);
        var record = find(at, id);
        var past = at.engine().records().history(at.id(), id);
        var all = new ArrayList<Map<String, Object>>();
        all.add(record.values());
        past.forEach(each -> all.add(each.values()));
        var known = ReferenceNames.of(at.engine(), at.table().recordType(), all);
        var views = new ArrayList<RecordViews.PastView>();
        RecordType recordType = at.table().recordType();
        var values = record.values();
        var head = new RecordViews.PastView(
                record.version(), record.state().code(), record.updatedAt(), record.updatedBy(), List.of(), true);
        for (var before : past) {
            var changes = RecordChanges.between(before.recordType(), before.values(), recordType, values, known::show);
            views.add(new RecordViews.PastView(
                    head.version(),
                    head.state(),
                    head.at(),
                    head.by(),
                    RecordViews.DifferenceView.of(changes),
                    views.isEmpty()));
            head = new RecordViews.PastView(
                    before.version(), before.state().code(), before.at(), before.by(), List.of(), false);
            recordType = before.recordType();
            values = before.values();
        }
        views.add(new RecordViews.PastView(
                head.version(), head.state(), head.at(), head.by(), List.of(), views.isEmpty()));
        return views;
    }

    @Schema(requiredProperties = {"current", "version"})
    record Restore(
            @Schema(description = "Version the writer had seen")
            int current,

            @Schema(description = "The state to bring back") int version) {}

    @Schema(requiredProperties = {"opened", "notRestored"})
    record Restored(
            RecordViews.OpenRecord opened,

            @Schema(description = "Labels of fields whose past value the field of today cannot take, or not all of it")
            List<String> notRestored) {}

    /**
     * Stores a past state as a new one, through all checks. Values go to the fields as they are today; where one cannot, the
     * present one stays and the answer says so.
     */
    @PostMapping("/records/{id}/restore")
    Restored restore(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @PathVariable long id,
            @Valid @RequestBody Restore body,
            Principal principal) {
        var at = recordTypes.at(site, sort, key);
        var record = find(at, id);
        var past = at.engine().records().history(at.id(), id).stream()
                .filter(each -> each.version() == body.version())
                .findFirst()
                .orElseThrow(() -> Refusal.missing("There is no such state of this record."));
        var before = past.recordType().fields().collect(Collectors.toMap(Field::id, field -> field));
        var fields = at.table().recordType().fields().toList();
        var values = new HashMap<String, Object>();
        var notRestored = new LinkedHashSet<String>();
        for (var field : fields) {
            var was = before.get(field.id());
            var carried = was == null
                    ? new CarriedValues(null, List.of())
                    : CarriedValues.of(was, field, past.values().get(field.id()));
            boolean stays =
                    was == null || carried.value() == null && !carried.lost().isEmpty();
            var value = stays ? record.values().get(field.id()) : carried.value();
            if (value != null) {
                values.put(field.id(), value);
            }
            notRestored.addAll(carried.lost());
        }
        before.values().stream()
                .filter(was -> past.values().containsKey(was.id())
                        && at.table().recordType().field(was.id()).isEmpty())
                .forEach(was -> notRestored.add(was.label()));
        var write = Write.change(at.id(), record, Values.wire(fields, values), true, principal.getName())
                .withVersion(body.current());
        var opened = forms.open(at, stored(at, write, at.engine().records().save(write)));
        return new Restored(opened, List.copyOf(notRestored));
    }

    static RecordState state(String code) {
        for (var state : RecordState.values()) {
            if (state.code().equals(code)) {
                return state;
            }
        }
        throw Refusal.invalid(
                "The state of a record must be draft, published, scheduled or retired, not " + code + ".", List.of());
    }
}
