package org.jontrel.server.record;

import static org.jontrel.server.record.RecordTypes.SORTS;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.Values;
import org.jontrel.serve.record.SaveResponses;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** One change to many records: each is stored or refused by itself, and what was refused is named. */
@RestController
@RequestMapping("/api/sites/{site}/" + SORTS + "/{key}")
class BulkController {
    private final RecordTypes recordTypes;

    BulkController(RecordTypes recordTypes) {
        this.recordTypes = recordTypes;
    }

    /** What to do with each record. */
    enum BulkAction {
        PUBLISH,
        DRAFT,
        RETIRE,
        /** Gives a field a value. */
        SET,
        /** Adds a value to a field that holds several, such as a term. */
        ADD,
        REMOVE,
        BRING_BACK
    }

    record Bulk(
            @NotNull @Size(min = 1, max = 500) List<Long> ids,

            @Schema(description = "publish, draft, retire, set, add, remove or bring_back") @NotNull
            String act,

            @Schema(description = "Key of the field to set or add to")
            String field,

            @Schema(description = "As a form sends it; absent to empty the field")
            Object value) {}

    @Schema(requiredProperties = {"done", "refused"})
    record BulkOutcome(
            @Schema(description = "Records that were changed")
            List<Long> done,

            List<RefusedView> refused) {}

    @Schema(requiredProperties = {"id", "title", "sentence"})
    record RefusedView(long id, String title, String sentence) {}

    @PostMapping("/bulk")
    BulkOutcome change(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @Valid @RequestBody Bulk body,
            Principal principal) {
        var at = recordTypes.at(site, sort, key);
        var act = act(body.act());
        var field = act == BulkAction.SET || act == BulkAction.ADD ? field(at, body.field(), act) : null;
        var done = new ArrayList<Long>();
        var refused = new ArrayList<RefusedView>();
        if (act == BulkAction.BRING_BACK) {
            for (long id : body.ids()) {
                if (at.engine().records().bringBack(at.id(), id, principal.getName()) instanceof SaveResult.Stored) {
                    done.add(id);
                } else {
                    refused.add(new RefusedView(id, "", "There is no deleted record with this number."));
                }
            }
            return new BulkOutcome(done, refused);
        }
        for (var record : at.engine().records().byIds(at.id(), body.ids())) {
            var why = act == BulkAction.REMOVE
                    ? remove(at, record, principal.getName())
                    : save(at, write(at, record, act, field, body.value(), principal.getName()));
            if (why.isEmpty()) {
                done.add(record.id());
            } else {
                refused.add(
                        new RefusedView(record.id(), record.title().isEmpty() ? record.slug() : record.title(), why));
            }
        }
        return new BulkOutcome(done, refused);
    }

    private static BulkAction act(String word) {
        for (var act : BulkAction.values()) {
            if (act.name().toLowerCase(Locale.ROOT).equals(word)) {
                return act;
            }
        }
        throw Refusal.invalid(
                "Records can be published, made drafts, retired, set, added to, removed or brought back.", List.of());
    }

    private static Field field(RecordTypes.BoundSite at, String key, BulkAction act) {
        var field = at.table()
                .recordType()
                .fields()
                .filter(each -> each.key().equals(key))
                .findFirst()
                .orElseThrow(() -> Refusal.invalid("There is no field " + key + " to change.", List.of()));
        if (act == BulkAction.ADD && !field.kind().amount().many() || field.kind() instanceof Kind.Repeater) {
            throw Refusal.invalid(field.label() + " cannot be changed in this way for many records.", List.of());
        }
        return field;
    }

    private static Write write(
            RecordTypes.BoundSite at, StoredRecord record, BulkAction act, Field field, Object value, String author) {
        var raw = new LinkedHashMap<String, Object>();
        if (act == BulkAction.SET) {
            raw.put(field.key(), value);
        } else if (act == BulkAction.ADD) {
            var all = new LinkedHashSet<Object>();
            if (Values.wire(field.kind(), record.values().get(field.id())) instanceof List<?> list) {
                all.addAll(list);
            }
            if (value instanceof List<?> more) {
                all.addAll(more);
            } else {
                all.add(value);
            }
            raw.put(field.key(), List.copyOf(all));
        }
        var write = Write.change(at.id(), record, raw, false, author);
        return switch (act) {
            case PUBLISH -> write.withState(RecordState.PUBLISHED);
            case DRAFT -> write.withState(RecordState.DRAFT);
            case RETIRE -> write.withState(RecordState.RETIRED);
            default -> write;
        };
    }

    /** Why not, or empty. */
    private static String save(RecordTypes.BoundSite at, Write write) {
        return SaveResponses.reason(at.engine().records().save(write));
    }

    private static String remove(RecordTypes.BoundSite at, StoredRecord record, String author) {
        return SaveResponses.reason(at.engine().records().remove(at.id(), record.id(), record.version(), author));
    }

    @Schema(requiredProperties = {"from", "into"})
    record MergeTerms(long from, long into) {}

    @Schema(requiredProperties = {"records"})
    record MergedTerms(
            @Schema(description = "Records whose term was replaced")
            long records) {}

    /** Moves all uses of one term, and what stands under it, to another, and removes it. */
    @PostMapping("/merge")
    MergedTerms merge(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @Valid @RequestBody MergeTerms body,
            Principal principal) {
        var at = recordTypes.at(site, sort, key);
        if (!sort.equals("taxonomies")) {
            throw Refusal.invalid("Only terms can be merged.", List.of());
        }
        return at.engine()
                .records()
                .mergeTerms(at.id(), body.from(), body.into(), principal.getName())
                .map(MergedTerms::new)
                .orElseThrow(() -> Refusal.invalid(
                        "These terms cannot be merged: one does not exist, or is below the other.", List.of()));
    }
}
