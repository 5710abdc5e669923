package org.jontrel.server.rehearsal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.security.Principal;
import java.util.List;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Rehearsals over HTTP. */
@RestController
class RehearsalController {
    private final Rehearsals rehearsals;
    private final Trail trail;

    RehearsalController(Rehearsals rehearsals, Trail trail) {
        this.rehearsals = rehearsals;
        this.trail = trail;
    }

    record NewRehearsal(@NotBlank String version) {}

    /** The latest, newest first, without their reports. */
    @GetMapping("/api/sites/{site}/rehearsals")
    List<RehearsalView> all(@PathVariable String site) {
        return rehearsals.of(site).stream()
                .map(row -> RehearsalView.of(row, List.of()))
                .toList();
    }

    @GetMapping("/api/sites/{site}/rehearsals/{id}")
    RehearsalView one(@PathVariable String site, @PathVariable long id) {
        var row = rehearsals.get(site, id);
        return RehearsalView.of(row, rehearsals.differences(row));
    }

    /** Some records of each type as the plan to a release would change them, as far as its questions are answered. */
    @GetMapping("/api/sites/{site}/plan/samples")
    List<RehearsalReport.ChangedRecord> samples(@PathVariable String site, @RequestParam String version) {
        return rehearsals.samples(site, version);
    }

    /** Tries the plan to a release on a copy of the site; the copy of an earlier rehearsal is removed. */
    @PostMapping("/api/sites/{site}/rehearsals")
    @ResponseStatus(HttpStatus.ACCEPTED)
    RehearsalView start(@PathVariable String site, @Valid @RequestBody NewRehearsal body, Principal principal) {
        var row = rehearsals.start(site, body.version(), principal.getName());
        trail.add(TrailAction.REHEARSED, "site " + site + " to " + body.version());
        return RehearsalView.of(row, List.of());
    }

    /** Removes the copy and keeps the report; gives up what is under way. */
    @DeleteMapping("/api/sites/{site}/rehearsals/{id}/copy")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String site, @PathVariable long id) {
        rehearsals.remove(rehearsals.get(site, id));
    }
}
