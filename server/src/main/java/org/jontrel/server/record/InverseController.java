package org.jontrel.server.record;

import static org.jontrel.server.record.RecordTypes.SORTS;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
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

/** Relations edited at their other end: what is changed is the record that holds the link, through all its checks. */
@RestController
@RequestMapping("/api/sites/{site}/" + SORTS + "/{key}/records/{id}/ends")
class InverseController {
    private static final int TRIES = 3;
    private final RecordTypes recordTypes;
    private final RecordForms opening;

    InverseController(RecordTypes recordTypes, RecordForms opening) {
        this.recordTypes = recordTypes;
        this.opening = opening;
    }

    @Schema(requiredProperties = {"recordType", "field", "record", "linked"})
    record End(
            @Schema(description = "Id of the content type that holds the relation") @NotNull
            String recordType,

            @Schema(description = "Id of the relation") @NotNull
            String field,

            @Schema(description = "The record that shall lead here, or no longer")
            long record,

            boolean linked) {}

    @PostMapping
    RecordViews.OpenRecord change(
            @PathVariable String site,
            @PathVariable String sort,
            @PathVariable String key,
            @PathVariable long id,
            @Valid @RequestBody End body,
            Principal principal) {
        var at = recordTypes.at(site, sort, key);
        var here = at.engine().records().byId(at.id(), id);
        var other = at.engine().installed().table(body.recordType()).map(table -> table.recordType());
        var field = other.flatMap(recordType -> recordType.field(body.field()))
                .filter(each -> each.kind() instanceof Kind.Relation relation
                        && relation.inverse() != null
                        && relation.to().contains(at.id()));
        if (here.isEmpty() || field.isEmpty()) {
            throw Refusal.missing("There is no such relation to this record.");
        }
        if (!other.get().home(body.field()).table().isEmpty()) {
            throw Refusal.invalid(
                    field.get().label() + " stands in rows of " + other.get().singular() + ": change it there.",
                    List.of());
        }
        for (int attempt = 0; attempt < TRIES; attempt++) {
            var before = at.engine()
                    .records()
                    .byId(body.recordType(), body.record())
                    .orElseThrow(() ->
                            Refusal.missing("There is no such " + other.get().singular() + "."));
            var raw = changed(other.get(), field.get(), before, Map.of("type", at.id(), "id", id), body.linked());
            var write = Write.change(body.recordType(), before, raw, true, principal.getName());
            var result = at.engine().records().save(write);
            if (!(result instanceof SaveResult.Conflict)) {
                SaveResponses.stored(
                        result,
                        _ -> before.title() + " was not saved: some of its values need attention.",
                        current -> Refusal.conflict(current.title() + " has changed.", null));
                return opening.open(at, here.get());
            }
            // read again, and linked again
        }
        throw Refusal.conflict("The other record is being changed by others. Try again.", null);
    }

    /** All values of the other record, with the link in its place or without it. */
    private static Map<String, Object> changed(
            RecordType other, Field field, StoredRecord before, Map<String, Object> link, boolean linked) {
        var values = new LinkedHashMap<>(Values.wire(other.fields().toList(), before.values()));
        var at = values;
        for (var group : other.home(field.id()).groups()) {
            var inner = new LinkedHashMap<String, Object>();
            if (at.get(group) instanceof Map<?, ?> map) {
                map.forEach((key, value) -> inner.put((String) key, value));
            }
            at.put(group, inner);
            at = inner;
        }
        if (!field.kind().amount().many()) {
            at.put(field.key(), linked ? link : null);
            return values;
        }
        var links = new ArrayList<Object>(at.get(field.key()) instanceof List<?> list ? list : List.of());
        links.removeIf(each -> each instanceof Map<?, ?> map
                && String.valueOf(map.get("type")).equals(link.get("type"))
                && String.valueOf(map.get("id")).equals(String.valueOf(link.get("id"))));
        if (linked) {
            links.add(link);
        }
        at.put(field.key(), links);
        return values;
    }
}
