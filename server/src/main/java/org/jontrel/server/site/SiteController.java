package org.jontrel.server.site;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.io.IOException;
import java.security.Principal;
import java.util.List;
import java.util.Objects;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.MoveRules;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.serve.web.FindingView;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.release.Releases;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.jontrel.server.workspace.Workspaces;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.Runs;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Sites, plans and runs over HTTP. */
@RestController
class SiteController {
    private static final Logger LOG = LoggerFactory.getLogger(SiteController.class);
    private static final long EVENT_PAUSE_MILLIS = 200;
    /** As many as somebody corrects by hand. */
    private static final int MOST_VALUES = 500;

    private static final String PARTLY =
            "Whether to answer after about a second with what has been counted so far; who asks again is told more";

    private final Workspaces workspaces;
    private final Releases releases;
    private final Sites sites;
    private final SiteStates states;
    private final RunTargets targets;
    private final Journeys journeys;
    private final Trail trail;
    private final PlanViews plans;

    SiteController(
            Workspaces workspaces,
            Releases releases,
            Sites sites,
            SiteStates states,
            RunTargets targets,
            Journeys journeys,
            Trail trail,
            PlanViews plans) {
        this.plans = plans;
        this.journeys = journeys;
        this.targets = targets;
        this.states = states;
        this.trail = trail;
        this.workspaces = workspaces;
        this.releases = releases;
        this.sites = sites;
    }

    record NewSite(@NotBlank String name) {}

    record NewRun(@NotBlank String version) {}

    @GetMapping("/api/workspaces/{workspace}/sites")
    List<SiteView> all(
            @PathVariable String workspace,
            @Schema(description = "Whether to count the records of each site, which takes a while for large ones")
                    @RequestParam(defaultValue = "false")
                    boolean counts) {
        return states.of(workspaces.get(workspace).id(), counts);
    }

    @PostMapping("/api/workspaces/{workspace}/sites")
    @ResponseStatus(HttpStatus.CREATED)
    SiteView create(@PathVariable String workspace, @Valid @RequestBody NewSite body) {
        var id = workspaces.get(workspace).id();
        return states.of(sites.create(id, body.name()));
    }

    @GetMapping("/api/sites/{site}/plan")
    SiteViews.PlanView plan(
            @PathVariable String site,
            @RequestParam String version,
            @Schema(description = PARTLY) @RequestParam(defaultValue = "false") boolean partly) {
        var found = sites.get(site);
        return plans.view(found, targets.stages(found, version), partly);
    }

    /** The values of a field that a release cannot take as they are, the most frequent first; those that are corrected too. */
    @GetMapping("/api/sites/{site}/plan/values")
    SiteViews.ValuesView values(
            @PathVariable String site,
            @Schema(description = "Of a release, or draft for the draft") @RequestParam String version,
            @RequestParam String field) {
        var found = sites.get(site);
        var target = version.equals(Releases.DRAFT)
                ? targets.draft(found)
                : targets.stages(found, version).getFirst();
        var goal = RecordType.all(target.model()).stream()
                .flatMap(each -> each.field(field).stream())
                .map(each -> MoveRules.heir(each).orElse(each))
                .findFirst();
        return SiteViews.values(sites.engine(site).runs().unconverted(target, field, MOST_VALUES), goal);
    }

    /** What the draft would do to a site's records, were it released as it is. */
    @GetMapping("/api/sites/{site}/impact")
    SiteViews.PlanView impact(
            @PathVariable String site,
            @Schema(description = PARTLY) @RequestParam(defaultValue = "false") boolean partly) {
        var found = sites.get(site);
        return plans.view(found, List.of(targets.draft(found)), partly);
    }

    /** What undoing a run, or an undo, would do. */
    @GetMapping("/api/sites/{site}/runs/{id}/undo-plan")
    SiteViews.PlanView undoPlan(@PathVariable String site, @PathVariable long id) {
        var found = sites.get(site);
        var engine = sites.engine(site);
        var plan = engine.runs()
                .undoPlan(id)
                .orElseThrow(() -> Refusal.missing("This run on " + found.name()
                        + " cannot be undone: a later run stands on it, or it was undone already."));
        var run = engine.runs().find(id).orElseThrow();
        return new SiteViews.PlanView(
                found.name(),
                run.toVersion(),
                run.fromVersion(),
                List.of(run.fromVersion()),
                false,
                List.of(),
                SiteViews.steps(plan, engine.runs()),
                List.of(),
                FindingView.of(plan.findings()),
                true,
                0,
                0);
    }

    @GetMapping("/api/sites/{site}/runs")
    List<RunView> runs(@PathVariable String site) {
        return sites.engine(site).runs().history();
    }

    @GetMapping("/api/sites/{site}/runs/{id}")
    RunView run(@PathVariable String site, @PathVariable long id) {
        return sites.engine(site).runs().find(id).orElseThrow(() -> Refusal.missing("There is no such run."));
    }

    /** Keys of the content types that a run brings to the site, in the order of the model. */
    @GetMapping("/api/sites/{site}/runs/{id}/new-types")
    List<String> newTypes(@PathVariable String site, @PathVariable long id) {
        var workspace = sites.get(site).workspaceId();
        var run = run(site, id);
        var before = released(workspace, run.fromVersion());
        return released(workspace, run.toVersion()).types().stream()
                .filter(type -> before.definition(type.id()).isEmpty())
                .map(ContentType::key)
                .toList();
    }

    private Model released(long workspace, String version) {
        return version.isEmpty()
                ? Model.EMPTY
                : releases.get(workspace, version).model();
    }

    @PostMapping("/api/sites/{site}/runs")
    @ResponseStatus(HttpStatus.ACCEPTED)
    RunView start(@PathVariable String site, @Valid @RequestBody NewRun body, Principal principal) {
        var found = sites.get(site);
        var stages = targets.stages(found, body.version());
        var started = begin(journeys.start(sites.engine(site).runs(), stages, principal.getName(), _ -> {}));
        trail.add(TrailAction.RUN_STARTED, "site " + site + " to " + body.version());
        return started;
    }

    /** Goes on with a run that was interrupted. */
    @PostMapping("/api/sites/{site}/runs/{id}/continue")
    @ResponseStatus(HttpStatus.ACCEPTED)
    RunView resume(@PathVariable String site, @PathVariable long id) {
        return begin(sites.engine(site).runs().resume(id, _ -> {}));
    }

    /** Stops a run where it can go on or back, until somebody continues it or gives it up. */
    @PostMapping("/api/sites/{site}/runs/{id}/pause")
    @ResponseStatus(HttpStatus.ACCEPTED)
    RunView pause(@PathVariable String site, @PathVariable long id, Principal principal) {
        if (!sites.engine(site).runs().pause(id, principal.getName())) {
            throw Refusal.conflict("This run has ended already.", null);
        }
        return run(site, id);
    }

    /** Stops a run and rolls it back. */
    @PostMapping("/api/sites/{site}/runs/{id}/give-up")
    @ResponseStatus(HttpStatus.ACCEPTED)
    RunView giveUp(@PathVariable String site, @PathVariable long id, Principal principal) {
        var begun = begin(sites.engine(site).runs().giveUp(id, principal.getName(), _ -> {}));
        trail.add(TrailAction.RUN_UNDONE, "site " + site + ", run " + id + ", given up");
        return begun;
    }

    /** Undoes a run or an undo that nothing later stands on, or rolls back a run that was interrupted. */
    @PostMapping("/api/sites/{site}/runs/{id}/undo")
    @ResponseStatus(HttpStatus.ACCEPTED)
    RunView undo(@PathVariable String site, @PathVariable long id, Principal principal) {
        var started = begin(journeys.undo(sites.engine(site).runs(), id, principal.getName()));
        trail.add(TrailAction.RUN_UNDONE, "site " + site + ", run " + id);
        return started;
    }

    private static RunView begin(Runs.RunOutcome outcome) {
        return switch (outcome) {
            case Runs.RunOutcome.Started started -> {
                Thread.ofVirtual().name("run-" + started.run().id()).start(() -> {
                    try {
                        started.work().run();
                    } catch (RuntimeException e) {
                        LOG.error("Run {} stopped", started.run().id(), e);
                    }
                });
                yield started.run();
            }
            case Runs.RunOutcome.NotRunnable _ ->
                throw Refusal.conflict(
                        "The plan has questions that are not answered. Open the plan and answer them.", null);
            case Runs.RunOutcome.Busy _ ->
                throw Refusal.conflict("Another run is under way on this site. Wait until it has ended.", null);
            case Runs.RunOutcome.Interrupted _ ->
                throw Refusal.conflict("A run on this site was interrupted. Continue it or roll it back first.", null);
            case Runs.RunOutcome.NothingToDo _ ->
                throw Refusal.conflict(
                        "There is nothing to do: the site already has this release, or a later one."
                                + " Look at its runs again.",
                        null);
        };
    }

    /** The run's state whenever it changes, until it is no longer running. */
    @GetMapping(path = "/api/sites/{site}/runs/{id}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(@PathVariable String site, @PathVariable long id) {
        var runs = sites.engine(site).runs();
        var emitter = new SseEmitter(0L);
        Thread.ofVirtual().name("events-" + id).start(() -> {
            try {
                RunView sent = null;
                while (true) {
                    var now = runs.find(id).orElse(null);
                    if (now == null) {
                        break;
                    }
                    if (!Objects.equals(now, sent)) {
                        emitter.send(now, MediaType.APPLICATION_JSON);
                        sent = now;
                    }
                    if (now.state() != RunView.RunState.RUNNING) {
                        break;
                    }
                    Thread.sleep(EVENT_PAUSE_MILLIS);
                }
                emitter.complete();
            } catch (IOException | IllegalStateException _) {
                // the reader has gone
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            } catch (RuntimeException e) {
                emitter.completeWithError(e);
            }
        });
        return emitter;
    }
}
