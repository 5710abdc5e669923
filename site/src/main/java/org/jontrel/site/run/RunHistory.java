package org.jontrel.site.run;

import java.time.Duration;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.plan.Plan;
import org.jontrel.site.lease.Lease;
import org.jontrel.site.table.Database;

/** The runs of one site as its journal has them. */
final class RunHistory {
    /** Rows in a second, for steps that this site has not seen yet. */
    private static final double USUAL_PACE = 8_000;

    /** What any step takes, in seconds. */
    private static final double INSTANT = 0.06;

    private final Database database;
    private final Duration stale;

    /** @param stale silence after which a run counts as interrupted */
    RunHistory(Database database, Duration stale) {
        this.database = database;
        this.stale = stale;
    }

    /** All runs, newest first, with their steps. */
    List<RunView> all() {
        return database.transaction(session -> {
            var journal = session.getMapper(JournalMapper.class);
            boolean held = Lease.isHeld(session.getConnection(), Lease.RUN, stale);
            var undoable = undoable(session);
            return journal.runs().stream()
                    .map(run -> Journal.view(run, journal.steps(run.id()), held, undoable.contains(run.id())))
                    .toList();
        });
    }

    Optional<RunView> find(long id) {
        return database.transaction(session -> {
            var journal = session.getMapper(JournalMapper.class);
            boolean held = Lease.isHeld(session.getConnection(), Lease.RUN, stale);
            return Optional.ofNullable(journal.brief(id)).map(run -> {
                boolean canUndo = run.state() == RunView.RunState.DONE
                        && undoable(session).contains(id);
                return Journal.view(run, journal.steps(id), held, canUndo);
            });
        });
    }

    Optional<RunView> last() {
        return database.transaction(session -> Optional.ofNullable(
                        session.getMapper(JournalMapper.class).lastBrief()))
                .flatMap(run -> find(run.id()));
    }

    /** About how many seconds each of some steps takes: by the pace of such steps so far, or else by a cautious guess. */
    List<Double> seconds(List<Plan.PlannedStep> steps) {
        var paces = database
                .transaction(session -> session.getMapper(JournalMapper.class).paces())
                .stream()
                .collect(Collectors.toMap(JournalMapper.PaceRow::code, JournalMapper.PaceRow::rows));
        return steps.stream()
                .map(step -> INSTANT
                        + (step.step().instant()
                                ? 0
                                : step.rows() / paces.getOrDefault(Journal.code(step.step()), USUAL_PACE)))
                .toList();
    }

    /**
     * The runs that nothing later stands on: the last one forward that is not undone, and undos after it that led to what is
     * installed. None while a run is under way or was interrupted, and none whose held values somebody purged.
     */
    static Set<Long> undoable(SqlSession session) {
        var journal = session.getMapper(JournalMapper.class);
        var installed = journal.installedVersion();
        var undoable = new LinkedHashSet<Long>();
        for (var run : journal.runs()) {
            if (run.state() == RunView.RunState.RUNNING) {
                return Set.of();
            }
            boolean stands =
                    run.state() == RunView.RunState.DONE && run.toVersion().equals(installed);
            if (stands && (run.kind() == RunView.RunKind.FORWARD || run.kind() == RunView.RunKind.UNDO)) {
                undoable.add(run.id());
            }
            if (run.state() == RunView.RunState.DONE && run.kind() == RunView.RunKind.FORWARD) {
                break;
            }
        }
        var purged =
                journal.purged().stream().map(HeldValues.PurgedValues::name).collect(Collectors.toSet());
        undoable.removeIf(run -> journal.steps(run).stream()
                .flatMap(row -> HeldPlace.names(Journal.step(row.step())).keySet().stream())
                .anyMatch(purged::contains));
        return undoable;
    }
}
