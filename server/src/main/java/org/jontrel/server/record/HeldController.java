package org.jontrel.server.record;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.value.Link;
import org.jontrel.serve.record.ReferenceNames;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.run.Held;
import org.jontrel.site.run.HeldValues;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** What runs took out of use on a site and keep. */
@RestController
@RequestMapping("/api/sites/{site}/held")
class HeldController {
    /** Records whose values are brought back in one request; who asks goes on from {@code next}. */
    private static final int TOGETHER = 200;

    private final RecordTypes recordTypes;
    private final Trail trail;

    HeldController(RecordTypes recordTypes, Trail trail) {
        this.recordTypes = recordTypes;
        this.trail = trail;
    }

    @GetMapping
    HeldViews.HeldList all(@PathVariable String site) {
        var held = recordTypes.engine(site).held();
        return new HeldViews.HeldList(
                held.list().stream().map(HeldViews.HeldView::of).toList(),
                held.purged().stream().map(HeldViews.PurgedView::of).toList());
    }

    /** Some of what is held under a name. */
    @GetMapping("/{name}")
    HeldViews.HeldPage look(
            @PathVariable String site,
            @PathVariable String name,
            @RequestParam(defaultValue = "0") long after,
            @RequestParam(defaultValue = "50") int most,
            @Schema(description = "Only where the field of today has no value, as where it could not take this one")
                    @RequestParam(defaultValue = "false")
                    boolean lacking) {
        var engine = recordTypes.engine(site);
        var page = engine.held()
                .look(name, after, Math.clamp(most, 1, 200), lacking)
                .orElseThrow(() -> nothing(name));
        var fields = page.fields().stream()
                .filter(field -> field.kind().holdsValue())
                .toList();
        var known = ReferenceNames.of(
                engine,
                page.recordType(),
                page.records().stream().map(StoredRecord::values).toList());
        return new HeldViews.HeldPage(
                fields.stream().map(Field::label).toList(),
                page.records().stream()
                        .map(record -> view(page, record, fields, known))
                        .toList(),
                page.next().orElse(null));
    }

    private static HeldViews.HeldRecordView view(
            HeldValues.HeldSlice page, StoredRecord record, List<Field> fields, ReferenceNames known) {
        var today = page.named().get(new Link(page.recordType().id(), record.id()));
        return new HeldViews.HeldRecordView(
                record.id(),
                today == null ? record.title() : today.title(),
                today == null ? "" : today.state(),
                fields.stream()
                        .map(field -> {
                            var value = record.values().get(field.id());
                            return value == null ? "" : known.show(field, value);
                        })
                        .toList());
    }

    private static Refusal nothing(String name) {
        return Refusal.missing("Nothing is held under " + name + " on this site. It may have been brought back by an"
                + " undo, or purged. Look at the list of held values again.");
    }

    @GetMapping("/{name}/export.{format:csv|xlsx|jsonl}")
    ResponseEntity<StreamingResponseBody> export(
            @PathVariable String site, @PathVariable String name, @PathVariable String format) {
        var source = ExportFile.ExportSource.held(site, recordTypes.engine(site), name)
                .orElseThrow(() -> nothing(name));
        var file = ExportFile.of(format);
        return ExportController.download(
                file,
                site + "-held-" + source.recordType().key() + "-" + name + "." + format,
                out -> file.write(source, out));
    }

    @Schema(requiredProperties = {"replace", "after"})
    record BringBack(
            @Schema(description = "Whether values of today give way; else only empty places are filled") @NotNull
            Boolean replace,

            @Schema(description = "Where to go on: next of the answer before; 0 at the beginning") @NotNull
            Long after) {}

    /** Brings values back to some records, up to 200; go on with {@code after} = {@code next}. */
    @PostMapping("/{name}/bring-back")
    HeldViews.BroughtView bringBack(
            @PathVariable String site,
            @PathVariable String name,
            @Valid @RequestBody BringBack body,
            Principal principal) {
        var outcome = recordTypes
                .engine(site)
                .held()
                .bringBack(name, body.replace(), body.after(), TOGETHER, principal.getName());
        return switch (outcome) {
            case Held.ReturnOutcome.Returned done -> {
                if (body.after() == 0) {
                    trail.add(TrailAction.VALUES_BROUGHT_BACK, "site " + site + ", " + name);
                }
                yield new HeldViews.BroughtView(
                        done.looked(),
                        done.brought(),
                        done.drafts(),
                        done.kept(),
                        done.refused().stream()
                                .map(each -> new HeldViews.NotBroughtView(each.id(), each.title(), each.reason()))
                                .toList(),
                        done.next().orElse(null));
            }
            case Held.ReturnOutcome.NothingHeld _ -> throw nothing(name);
            case Held.ReturnOutcome.NotPossible(Held.ReturnWay why) -> throw Refusal.conflict(sentence(why), null);
            case Held.ReturnOutcome.DefinitionsSwitching _ ->
                throw Refusal.unavailable("The definitions of this site are being switched. Try again in a moment.");
        };
    }

    private static String sentence(Held.ReturnWay why) {
        return switch (why) {
            case NO_DEFINITION ->
                "The definition these values belong to is not installed on this site. Add it again under its id (by undoing"
                        + " in the history, or from an earlier release), and run that release.";
            case NO_FIELD ->
                "The field these values belong to is not installed on this site. Add it again under its id (by undoing in"
                        + " the history, or from an earlier release), and run that release.";
            case NO_RECORDS -> "The records these values belong to are held themselves. Bring those back first.";
            case OPEN -> "These values can be brought back.";
        };
    }

    /** Deletes held values for good: those under a name, all of a run, or all of a definition. */
    @DeleteMapping
    HeldViews.PurgeView purge(
            @PathVariable String site,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "0") long run,
            @RequestParam(defaultValue = "") String definition,
            Principal principal) {
        int said = (name.isEmpty() ? 0 : 1) + (run == 0 ? 0 : 1) + (definition.isEmpty() ? 0 : 1);
        if (said != 1) {
            throw Refusal.invalid(
                    "Name the held values to purge by exactly one of name, run and definition.", List.of());
        }
        var engine = recordTypes.engine(site);
        var names = names(engine, name, run, definition);
        if (names.isEmpty()) {
            throw nothing(name.isEmpty() ? definition.isEmpty() ? "run " + run : definition : name);
        }
        return switch (engine.held().purge(names, principal.getName())) {
            case HeldValues.Purged.PurgeDone(List<Held> gone) -> told(site, gone);
            case HeldValues.Purged.RunUnderWay _ ->
                throw Refusal.conflict(
                        "A run is under way on this site, or was interrupted. Wait until it has ended, or continue it.",
                        null);
            case HeldValues.Purged.TableInUse(List<Held> gone) -> {
                told(site, gone);
                throw Refusal.conflict(
                        "Somebody else's transaction (a backup, for example) uses the table. " + gone.size() + " of "
                                + names.size() + " were purged; try again when it has ended.",
                        null);
            }
        };
    }

    private HeldViews.PurgeView told(String site, List<Held> gone) {
        if (!gone.isEmpty()) {
            trail.add(
                    TrailAction.VALUES_PURGED,
                    "site " + site + ", "
                            + gone.stream()
                                    .map(held -> held.recordType()
                                            + (held.field().isEmpty() ? "" : " " + held.field()) + ": " + held.values())
                                    .collect(Collectors.joining("; ")));
        }
        return new HeldViews.PurgeView(
                gone.size(), gone.stream().mapToLong(Held::values).sum());
    }

    private static Set<String> names(Site engine, String name, long run, String definition) {
        return engine.held().list().stream()
                .filter(held -> held.name().equals(name)
                        || held.runId() == run
                        || held.recordTypeId().equals(definition))
                .map(Held::name)
                .collect(Collectors.toSet());
    }
}
