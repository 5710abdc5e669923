package org.jontrel.server.site;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.serve.web.FindingView;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.jontrel.site.drift.SiteDrift;
import org.jontrel.site.run.RunView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What somebody did to the tables of a site past the definitions, over HTTP. */
@RestController
class DriftController {
    private final Sites sites;
    private final DriftWatch watch;
    private final TakenColumns columns;
    private final Trail trail;

    DriftController(Sites sites, DriftWatch watch, TakenColumns columns, Trail trail) {
        this.sites = sites;
        this.watch = watch;
        this.columns = columns;
        this.trail = trail;
    }

    @Schema(requiredProperties = {"differences"})
    record DriftView(
            @Schema(description = "When the tables were looked at; nothing where nobody has looked since the start")
            Instant lookedAt,

            List<DriftedPart> differences) {}

    @Schema(requiredProperties = {"finding", "mendable", "takeable"})
    record DriftedPart(
            FindingView finding,

            @Schema(description = "Whether it can be put back here")
            boolean mendable,

            @Schema(
                    description =
                            "Whether it can be taken into the draft, as the field for a column that somebody added")
            boolean takeable) {
        static DriftedPart of(Finding finding) {
            return new DriftedPart(
                    FindingView.of(finding),
                    SiteDrift.MENDABLE.contains(finding.code()),
                    finding.code() == Code.DRIFT_COLUMN_UNKNOWN);
        }
    }

    /** A difference as it was told; both ids may be empty. */
    record Mending(
            @NotBlank String code,
            @NotNull String definition,
            @NotNull String field) {}

    /** A column as it was told, by the property of its place; the field is empty but for a column of rows. */
    record ColumnTake(
            @NotBlank String definition,
            @NotNull String field,
            @NotBlank String property) {}

    @Schema(requiredProperties = {"field", "label", "drift"})
    record TakenView(
            @Schema(description = "Id of the field that the draft has now")
            String field,

            String label,
            DriftView drift) {}

    /** What was found when somebody looked last, or the schedule did. */
    @GetMapping("/api/sites/{site}/drift")
    DriftView last(@PathVariable String site) {
        return view(sites.get(site).path());
    }

    /** Looks at the tables now, which takes a while for large sites. */
    @PostMapping("/api/sites/{site}/drift/look")
    DriftView look(@PathVariable String site) {
        refuseWhileRunning(site);
        watch.look(sites.get(site).path());
        return view(site);
    }

    /** Puts a difference back; what is then still different is told. */
    @PostMapping("/api/sites/{site}/drift/mend")
    DriftView mend(@PathVariable String site, @Valid @RequestBody Mending body, Principal principal) {
        refuseWhileRunning(site);
        var code = code(body.code());
        if (!sites.engine(site).drift().mend(code, body.definition(), body.field(), principal.getName())) {
            throw Refusal.conflict(
                    "This difference is not there any more, or cannot be put back here. Look again.", null);
        }
        trail.add(TrailAction.DRIFT_MENDED, "site " + site + ": " + body.code());
        watch.look(sites.get(site).path());
        return view(site);
    }

    /**
     * Takes a column that somebody added into the draft, as a field. The site holds its values until a release brings them along with
     * the field.
     */
    @PostMapping("/api/sites/{site}/drift/take")
    TakenView take(@PathVariable String site, @Valid @RequestBody ColumnTake body, Principal principal) {
        refuseWhileRunning(site);
        var column = new TakenColumns.TakenColumn(body.definition(), body.field(), body.property());
        var field = columns.take(site, column, principal.getName());
        trail.add(TrailAction.DRIFT_TAKEN, "site " + site + ": " + body.property() + " as " + field.key());
        watch.look(sites.get(site).path());
        return new TakenView(field.id(), field.label(), view(site));
    }

    private static Code code(String word) {
        try {
            return Code.valueOf(word);
        } catch (IllegalArgumentException _) {
            throw Refusal.invalid("There is no difference called " + word + ".", List.of());
        }
    }

    private void refuseWhileRunning(String site) {
        if (sites.engine(site).runs().last().filter(RunView::isOpen).isPresent()) {
            throw Refusal.conflict("A run on this site has not ended. Look at its tables when it has.", null);
        }
    }

    private DriftView view(String path) {
        return watch.last(path)
                .map(look -> new DriftView(
                        look.at(), look.found().stream().map(DriftedPart::of).toList()))
                .orElse(new DriftView(null, List.of()));
    }
}
