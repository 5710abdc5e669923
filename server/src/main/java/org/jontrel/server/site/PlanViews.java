package org.jontrel.server.site;

import java.time.Duration;
import java.util.List;
import org.jontrel.core.compare.Comparison;
import org.jontrel.serve.web.FindingView;
import org.jontrel.server.release.ChangeView;
import org.jontrel.site.run.Runs;
import org.jontrel.site.run.count.CountedPlan;
import org.springframework.stereotype.Component;

/** Makes plans for sites, as they are shown. */
@Component
class PlanViews {
    /** What is asked of a small site is known by then. */
    private static final Duration PATIENCE = Duration.ofSeconds(1);

    private final Sites sites;

    PlanViews(Sites sites) {
        this.sites = sites;
    }

    /**
     * The plan of the first of some runs, with what all of them change.
     *
     * @param partly whether to answer after about a second with what has been counted so far
     */
    SiteViews.PlanView view(Sites.Registered site, List<Runs.RunTarget> stages, boolean partly) {
        var engine = sites.engine(site.path());
        var installed = engine.installed();
        var counted = partly
                ? engine.runs().planSoon(stages.getFirst(), PATIENCE)
                : new CountedPlan(engine.runs().plan(stages.getFirst()), 0, 0);
        var plan = counted.plan();
        var asks = plan.asks().stream()
                .map(ask -> SiteViews.ask(ask, stages.getFirst().model()))
                .toList();
        return new SiteViews.PlanView(
                site.name(),
                installed.version(),
                stages.getLast().version(),
                stages.stream().map(Runs.RunTarget::version).toList(),
                installed.version().equals(stages.getLast().version()),
                ChangeView.of(Comparison.of(installed.model(), stages.getLast().model())),
                SiteViews.steps(plan, engine.runs()),
                asks,
                FindingView.of(plan.findings()),
                plan.runnable() && counted.isWhole(),
                counted.counted(),
                counted.questions());
    }
}
