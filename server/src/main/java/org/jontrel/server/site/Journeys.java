package org.jontrel.server.site;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.Runs;
import org.jontrel.site.table.RecordIds;
import org.springframework.stereotype.Component;

/**
 * Runs that lead a site over several releases, one behind the other, and are undone together. Where one of them asks something
 * new, or somebody pauses it, the site stays at the release that it has reached, and its plan goes on from there.
 */
@Component
public class Journeys {
    private final RecordIds ids;

    Journeys(RecordIds ids) {
        this.ids = ids;
    }

    /** Starts the first run; its work carries out the others too. */
    public Runs.RunOutcome start(Runs runs, List<Runs.RunTarget> stages, String by, Consumer<RunView> progress) {
        var journey = stages.size() > 1 ? ids.next() : null;
        var first = runs.start(stages.getFirst(), by, journey, progress);
        return first instanceof Runs.RunOutcome.Started(RunView run, Runnable work)
                ? new Runs.RunOutcome.Started(run, () -> {
                    work.run();
                    goOn(runs, run.id(), stages.subList(1, stages.size()), by, journey, progress);
                })
                : first;
    }

    private static void goOn(
            Runs runs, long before, List<Runs.RunTarget> stages, String by, Long journey, Consumer<RunView> progress) {
        if (stages.isEmpty() || !isDone(runs, before)) {
            return;
        }
        if (runs.start(stages.getFirst(), by, journey, progress)
                instanceof Runs.RunOutcome.Started(RunView run, Runnable work)) {
            work.run();
            goOn(runs, run.id(), stages.subList(1, stages.size()), by, journey, progress);
        }
    }

    private static boolean isDone(Runs runs, long id) {
        return runs.find(id).filter(run -> run.state() == RunView.RunState.DONE).isPresent();
    }

    /** Undoes a run, then those before it on the same journey. */
    Runs.RunOutcome undo(Runs runs, long id, String by) {
        var journey = runs.find(id).map(RunView::journey);
        return undo(runs, id, by, journey);
    }

    private Runs.RunOutcome undo(Runs runs, long id, String by, Optional<Long> journey) {
        var outcome = runs.undo(id, by, _ -> {});
        return outcome instanceof Runs.RunOutcome.Started(RunView run, Runnable work)
                        && run.kind() == RunView.RunKind.UNDO
                        && journey.isPresent()
                ? new Runs.RunOutcome.Started(run, () -> {
                    work.run();
                    earlier(runs, journey.get())
                            .filter(_ -> isDone(runs, run.id()))
                            .map(each -> undo(runs, each, by, journey))
                            .ifPresent(next -> {
                                if (next instanceof Runs.RunOutcome.Started started) {
                                    started.work().run();
                                }
                            });
                })
                : outcome;
    }

    /** The last run of the journey that still stands. */
    private static Optional<Long> earlier(Runs runs, long journey) {
        return runs.history().stream()
                .filter(run -> run.journey() != null
                        && run.journey() == journey
                        && run.kind() == RunView.RunKind.FORWARD
                        && run.canUndo())
                .map(RunView::id)
                .findFirst();
    }
}
