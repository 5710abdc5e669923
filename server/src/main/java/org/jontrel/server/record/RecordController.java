package org.jontrel.server.record;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Wording;
import org.jontrel.core.value.RecordCheck;
import org.jontrel.core.value.Values;
import org.jontrel.server.site.Sites;
import org.jontrel.server.web.FindingView;
import org.jontrel.server.web.Refusal;
import org.jontrel.site.Site;
import org.jontrel.site.record.Filter;
import org.jontrel.site.record.Saved;
import org.jontrel.site.record.State;
import org.jontrel.site.record.StoredRecord;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Records of a site over HTTP. Values go by field key; numbers are text, so that none is rounded. */
@RestController
@RequestMapping("/api/sites/{site}/types")
class RecordController {
    private static final int PAGE = 50;
    private final Sites sites;

    RecordController(Sites sites) {
        this.sites = sites;
    }

    @Schema(requiredProperties = {"definition", "wordings", "parts", "records"})
    record InstalledType(
            @Schema(ref = "#/components/schemas/ContentType")
            Map<String, Object> definition,

            SequencedMap<String, String> wordings,

            @Schema(description = "Labels of its standard parts, by key")
            SequencedMap<String, String> parts,

            long records) {}

    @Schema(
            requiredProperties = {
                "id",
                "slug",
                "state",
                "version",
                "complete",
                "createdAt",
                "updatedAt",
                "createdBy",
                "updatedBy",
                "values",
                "shown",
                "problems",
                "page"
            })
    record RecordView(
            long id,
            String slug,
            String state,
            int version,
            boolean complete,
            Instant createdAt,
            Instant updatedAt,
            String createdBy,
            String updatedBy,

            @Schema(description = "By field key; empty ones are left out")
            Map<String, Object> values,

            @Schema(description = "Values as a visitor reads them, by field key")
            Map<String, String> shown,

            @Schema(description = "Why it is incomplete") List<FindingView> problems,

            @Schema(description = "Address of its public page")
            String page) {}

    @Schema(requiredProperties = {"records", "total", "pageSize"})
    record ListView(List<RecordView> records, long total, int pageSize) {}

    record Write(
            @Schema(description = "Version the writer had seen; 0 for a new record") @NotNull
            Integer version,

            @Schema(allowableValues = {"draft", "published"}) @NotNull
            String state,

            @NotNull Map<String, Object> values) {}

    record Check(@NotNull Map<String, Object> values) {}

    @GetMapping
    List<InstalledType> types(@PathVariable String site) {
        var engine = sites.engine(site);
        return engine.installed().model().types().stream()
                .map(type -> new InstalledType(
                        PackageWriter.tree(type), wordings(type), parts(type), engine.count(type.key())))
                .toList();
    }

    private static SequencedMap<String, String> wordings(ContentType type) {
        var wordings = new LinkedHashMap<String, String>();
        Arrays.stream(Wording.values()).forEach(wording -> wordings.put(wording.code(), wording.of(type)));
        return wordings;
    }

    private static SequencedMap<String, String> parts(ContentType type) {
        var parts = new LinkedHashMap<String, String>();
        type.parts().forEach(part -> parts.put(part.code(), type.partField(part).label()));
        return parts;
    }

    @GetMapping("/{type}/records")
    ListView list(
            @PathVariable String site,
            @PathVariable String type,
            @RequestParam(defaultValue = "") String search,
            @RequestParam(defaultValue = "") String state,
            @RequestParam(defaultValue = "false") boolean incomplete,
            @RequestParam(defaultValue = "1") int page) {
        var wanted = state.isEmpty() ? Optional.<State>empty() : Optional.of(state(state));
        long offset = (Math.clamp(page, 1, 1_000_000) - 1L) * PAGE;
        var found = sites.engine(site)
                .records()
                .page(type, new Filter(wanted, search, incomplete), offset, PAGE)
                .orElseThrow(() -> missingType(site, type));
        var records = found.records().stream()
                .map(record -> view(site, found.type(), record))
                .toList();
        return new ListView(records, found.total(), PAGE);
    }

    @GetMapping("/{type}/records/{id}")
    RecordView one(@PathVariable String site, @PathVariable String type, @PathVariable long id) {
        var engine = sites.engine(site);
        var record = engine.records().byId(type, id).orElseThrow(() -> Refusal.missing("There is no such record."));
        return view(site, type(engine, site, type), record);
    }

    @PostMapping("/{type}/records")
    @ResponseStatus(HttpStatus.CREATED)
    RecordView add(
            @PathVariable String site, @PathVariable String type, @Valid @RequestBody Write body, Principal principal) {
        return save(site, type, Optional.empty(), body, principal);
    }

    @PutMapping("/{type}/records/{id}")
    RecordView change(
            @PathVariable String site,
            @PathVariable String type,
            @PathVariable long id,
            @Valid @RequestBody Write body,
            Principal principal) {
        return save(site, type, Optional.of(id), body, principal);
    }

    private RecordView save(String site, String typeKey, Optional<Long> id, Write body, Principal principal) {
        var engine = sites.engine(site);
        var saved = engine.records()
                .save(typeKey, id, body.version(), state(body.state()), body.values(), principal.getName());
        return switch (saved) {
            case Saved.Stored(StoredRecord record) -> view(site, type(engine, site, typeKey), record);
            case Saved.Refused refused ->
                throw Refusal.invalid("The record was not saved: some values need attention.", refused.findings());
            case Saved.Conflict(StoredRecord current) ->
                throw Refusal.conflict(
                        current.updatedBy() + " saved this record since you opened it. Nothing of yours was stored.",
                        view(site, type(engine, site, typeKey), current));
            case Saved.Missing _ -> throw Refusal.missing("There is no such record or content type on this site.");
            case Saved.Closed _ ->
                throw Refusal.unavailable(
                        "The site's definitions are being switched. Try again in a moment; if this stays, a run was cut off and needs an architect.");
        };
    }

    /** What an editor would read about these values, stored nowhere. */
    @PostMapping("/{type}/check")
    List<FindingView> check(@PathVariable String site, @PathVariable String type, @Valid @RequestBody Check body) {
        var checked = RecordCheck.read(type(sites.engine(site), site, type), body.values());
        var problems = new ArrayList<>(checked.findings());
        problems.addAll(checked.missing());
        return FindingView.of(problems);
    }

    private static ContentType type(Site engine, String site, String key) {
        return engine.installed().model().typeByKey(key).orElseThrow(() -> missingType(site, key));
    }

    private static Refusal missingType(String site, String key) {
        return Refusal.missing("The site " + site + " has no content type " + key + ".");
    }

    private static State state(String code) {
        try {
            return State.valueOf(code.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException _) {
            throw Refusal.invalid("A record is draft or published, not " + code + ".", List.of());
        }
    }

    private static RecordView view(String site, ContentType type, StoredRecord record) {
        var values = new LinkedHashMap<String, Object>();
        var shown = new LinkedHashMap<String, String>();
        type.allFields().forEach(field -> {
            var value = record.values().get(field.id());
            if (value != null) {
                values.put(field.key(), Values.wire(field.kind(), value));
                shown.put(field.key(), Values.show(field.kind(), value));
            }
        });
        var problems = record.complete()
                ? List.<FindingView>of()
                : FindingView.of(RecordCheck.problems(type, record.values()));
        return new RecordView(
                record.id(),
                record.slug(),
                record.state().code(),
                record.version(),
                record.complete(),
                record.createdAt(),
                record.updatedAt(),
                record.createdBy(),
                record.updatedBy(),
                values,
                shown,
                problems,
                "/at/" + site + "/" + type.path() + "/" + record.slug());
    }
}
