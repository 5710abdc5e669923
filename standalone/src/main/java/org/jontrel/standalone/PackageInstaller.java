package org.jontrel.standalone;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.IdentifiedPackage;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.stage.Stages;
import org.jontrel.site.Site;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.Runs;
import org.jontrel.standalone.DefinitionsState.PackageState;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Brings the definitions of a package to the database of a site. Where that cannot be, everything stays as it was. Several
 * processes may do so over one database: one runs, the others wait for it.
 */
final class PackageInstaller {
    /** Under what name the history of runs has it. */
    static final String BY = "jontrel-site";

    private static final Logger LOG = LoggerFactory.getLogger(PackageInstaller.class);
    private static final Duration BETWEEN_TRIES = Duration.ofMillis(500);
    private final Site site;
    private final PackagePlace place;
    private final Ids ids = Ids.secure();
    private final Set<Long> carriedOn = ConcurrentHashMap.newKeySet();
    private volatile DefinitionsState state = new DefinitionsState(PackageState.UNDER_WAY, "", List.of());

    PackageInstaller(Site site, PackagePlace place) {
        this.site = site;
        this.place = place;
    }

    DefinitionsState state() {
        return state;
    }

    /** What would be done; nothing is. @throws PackageRefused where the package cannot be planned at all */
    PlanText plan() throws PackageRefused {
        var targets = targets(place.find());
        return text(targets, site.runs().plan(targets.getFirst()));
    }

    /** Returns when the package is served. @throws PackageRefused where it is not, and why */
    synchronized void install() throws PackageRefused {
        state = new DefinitionsState(PackageState.UNDER_WAY, state.packageVersion(), List.of());
        var version = "";
        try {
            endLeftRun();
            var found = place.find();
            version = found.version();
            state = new DefinitionsState(PackageState.UNDER_WAY, version, found.passed());
            while (!isBrought(found)) {
                Thread.sleep(BETWEEN_TRIES);
            }
            state = new DefinitionsState(PackageState.SERVED, version, found.passed());
        } catch (PackageRefused e) {
            state = new DefinitionsState(PackageState.REFUSED, version, e.problems());
            throw e;
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        } catch (RuntimeException e) {
            LOG.error("The package could not be brought to the database", e);
            var problem = "The package could not be brought to the database: " + e.getMessage();
            state = new DefinitionsState(PackageState.REFUSED, version, List.of(problem));
            throw new PackageRefused(problem);
        }
    }

    private PlanText text(List<Runs.RunTarget> targets, Plan plan) {
        return new PlanText(
                plan,
                targets.stream().map(Runs.RunTarget::version).toList(),
                targets.getFirst().model());
    }

    /**
     * The runs that lead to the package, in their order, over those versions between that lie beside it. Read anew each time:
     * ids are those of what is installed by then.
     */
    private List<Runs.RunTarget> targets(PackagePlace.FoundPackage found) throws PackageRefused {
        var target = target(found);
        var installed = site.installed();
        if (installed.version().isEmpty() || installed.version().equals(target.version())) {
            return List.of(target);
        }
        var way = new ArrayList<Stages.ReleaseOnWay>();
        var before = installed.model();
        var from = installed.version();
        for (var each : found.earlier()) {
            if (Versions.compare(each.version(), installed.version()) > 0) {
                var read = IdentifiedPackage.of(each.read(), before, ids);
                // one that was no good then is passed
                if (!Finding.blocks(ModelCheck.check(read.model()))) {
                    var answers = new ArrayList<>(read.decisionsAfter(from));
                    // those that came later, with the package that is wanted
                    answers.addAll(found.answers(read.model(), from, each.version()));
                    way.add(new Stages.ReleaseOnWay(each.version(), read.model(), answers));
                    before = read.model();
                    from = each.version();
                }
            }
        }
        var last = IdentifiedPackage.of(found.read(), before, ids);
        way.add(new Stages.ReleaseOnWay(target.version(), last.model(), last.decisionsAfter(from)));
        return Stages.of(installed.model(), way).stream()
                .map(stage -> new Runs.RunTarget(stage.version(), stage.model(), stage.decisions()))
                .toList();
    }

    private Runs.RunTarget target(PackagePlace.FoundPackage found) throws PackageRefused {
        var installed = site.installed();
        var read = IdentifiedPackage.of(found.read(), installed.model(), ids);
        var problems = ModelCheck.check(read.model());
        if (Finding.blocks(problems)) {
            var all = new ArrayList<>(List.of("The definitions of " + found.path() + " have problems."));
            all.addAll(PackageRefused.told(problems));
            throw new PackageRefused(all);
        }
        var version = found.version();
        var order = Versions.compare(version, installed.version());
        if (order < 0) {
            throw new PackageRefused("The package is version " + version + "; the database has " + installed.version()
                    + " already. It is not brought back: give the package a higher version.");
        }
        if (order == 0 && !read.model().equals(installed.model())) {
            throw new PackageRefused("The package differs from what the database has, and has the same version, "
                    + version + ". Give it a higher version in package.yaml.");
        }
        return new Runs.RunTarget(version, read.model(), read.decisionsAfter(installed.version()));
    }

    /** Whether it is served by now; tried again where not. */
    private boolean isBrought(PackagePlace.FoundPackage found) throws PackageRefused {
        var targets = targets(found);
        var target = targets.getFirst();
        return switch (site.runs().start(target, BY, _ -> {})) {
            case Runs.RunOutcome.NothingToDo _ -> targets.size() == 1;
            case Runs.RunOutcome.Busy _ -> false;
            case Runs.RunOutcome.NotRunnable(var plan) -> {
                var text = text(targets, plan);
                throw new PackageRefused(text.problems(), text.asks());
            }
            case Runs.RunOutcome.Interrupted(RunView run) -> {
                end(run);
                yield false;
            }
            case Runs.RunOutcome.Started(RunView run, Runnable work) -> {
                LOG.info("Run to version {} has begun", target.version());
                carryOut(run, work);
                LOG.info("Run to version {} is done", target.version());
                yield false;
            }
        };
    }

    /** Whether somebody has left a run in the middle that was not tried here yet. */
    boolean hasLeftRun() {
        return site.runs()
                .last()
                .filter(run -> run.state() == RunView.RunState.INTERRUPTED && !carriedOn.contains(run.id()))
                .isPresent();
    }

    /** Whatever the package is like: records cannot be saved in the middle of a switch. */
    private void endLeftRun() throws PackageRefused {
        var left = site.runs().last().filter(run -> run.state() == RunView.RunState.INTERRUPTED);
        if (left.isPresent()) {
            end(left.get());
        }
    }

    /** One that a process left behind is carried on, once; where that fails it is taken back. */
    private void end(RunView run) throws PackageRefused {
        if (run.state() == RunView.RunState.PAUSED) {
            throw new PackageRefused("A run to " + run.toVersion() + " was paused by " + run.pausedBy()
                    + ". Continue it there, or take it back.");
        }
        if (!carriedOn.add(run.id())) {
            throw new PackageRefused("The run to " + run.toVersion()
                    + " was interrupted, and could be neither carried on nor taken back. Its reason is in the log.");
        }
        switch (site.runs().resume(run.id(), _ -> {})) {
            case Runs.RunOutcome.Started(RunView resumed, Runnable work) -> {
                LOG.warn("The run to version {} was interrupted, and is continued", run.toVersion());
                carryOut(resumed, work);
            }
            // somebody was quicker; it is looked at again
            case Runs.RunOutcome.Busy _ -> carriedOn.remove(run.id());
            case Runs.RunOutcome.NotRunnable _, Runs.RunOutcome.Interrupted _, Runs.RunOutcome.NothingToDo _ -> {}
        }
    }

    private void carryOut(RunView run, Runnable work) throws PackageRefused {
        try {
            work.run();
        } catch (RuntimeException e) {
            LOG.error("The run to version {} stopped", run.toVersion(), e);
            boolean back = run.kind() != RunView.RunKind.FORWARD || isBack(run);
            throw new PackageRefused("The run to version " + run.toVersion() + " stopped: " + e.getMessage()
                    + (back ? ". It was taken back, and nothing has changed." : ". It could not be taken back."));
        }
    }

    private boolean isBack(RunView run) {
        if (site.runs().undo(run.id(), BY, _ -> {}) instanceof Runs.RunOutcome.Started started) {
            started.work().run();
            return true;
        }
        return false;
    }
}
