package org.jontrel.server.site;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.jontrel.server.web.FindingView;
import org.jontrel.server.web.Refusal;
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
    private final Trail trail;

    DriftController(Sites sites, DriftWatch watch, Trail trail) {
        this.sites = sites;
        this.watch = watch;
        this.trail = trail;
    }

    @Schema(requiredProperties = {"differences"})
    record DriftView(
            @Schema(description = "When the tables were looked at; nothing where nobody has looked since the start")
            Instant lookedAt,

            List<DriftedPart> differences) {}

    @Schema(requiredProperties = {"finding", "mendable"})
    record DriftedPart(
            FindingView finding,

            @Schema(description = "Whether it can be put back here")
            boolean mendable) {
        static DriftedPart of(Finding finding) {
            return new DriftedPart(FindingView.of(finding), SiteDrift.MENDABLE.contains(finding.code()));
        }
    }

    /** A difference as it was told; both ids may be empty. */
    record Mending(
            @NotBlank String code,
            @NotNull String definition,
            @NotNull String field) {}

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
    DriftView mend(@PathVariable String site, @Valid @RequestBody Mending body) {
        refuseWhileRunning(site);
        var code = code(body.code());
        if (!sites.engine(site).drift().mend(code, body.definition(), body.field())) {
            throw Refusal.conflict(
                    "This difference is not there any more, or cannot be put back here. Look again.", null);
        }
        trail.add(TrailAction.DRIFT_MENDED, "site " + site + ": " + body.code());
        watch.look(sites.get(site).path());
        return view(site);
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
