package org.jontrel.site.run;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.Plan;
import org.jontrel.site.lease.Lease;
import org.jontrel.site.record.read.UnconvertedValues;
import org.jontrel.site.run.count.CountedPlan;
import org.jontrel.site.run.move.PlanSamples;
import org.jontrel.site.run.retype.RetypeSamples;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.ModelText;
import org.jontrel.site.table.RecordIds;

/** Plans, runs, continues and undoes on one site. */
public final class Runs {
    /** A chunk, or the tables of a switch, may take this long. */
    private static final Duration STOPS_WITHIN = Duration.ofSeconds(60);

    private static final long LOOKED_EVERY = 50;
    private final Database database;
    private final Bindings bindings;
    private final RecordIds ids;
    private final RunPlans plans;
    private final String owner;
    private final Duration stale;
    private final RunHistory past;

    /**
     * @param owner who runs, shown to others that must wait
     * @param stale silence after which a run counts as interrupted
     */
    public Runs(Database database, Bindings bindings, RecordIds ids, Ids shortNames, String owner, Duration stale) {
        this.database = database;
        this.bindings = bindings;
        this.ids = ids;
        this.plans = new RunPlans(bindings, shortNames);
        this.owner = owner;
        this.stale = stale;
        this.past = new RunHistory(database, stale);
        database.use(JournalMapper.class);
    }

    /** The short names under which the run that is under way, or was interrupted, puts values aside when it switches. */
    public static Set<String> heldBySwitch(Connection connection) throws SQLException {
        var held = new HashSet<String>();
        var sql = "SELECT s.step FROM jontrel_step s JOIN jontrel_run r ON r.id = s.run_id WHERE r.state = 'running'";
        Jdbc.each(
                connection,
                sql,
                row -> held.addAll(
                        HeldPlace.names(Journal.step(row.getString(1))).keySet()));
        return held;
    }

    /** Where to go: a release's version, its model, and the answers that are kept with it. */
    public record RunTarget(String version, Model model, List<Decision> decisions) {}

    /** What came of asking for a run. */
    public sealed interface RunOutcome {
        /** It is journalled and the lease is held; {@code work} carries it out and returns when it has ended. */
        record Started(RunView run, Runnable work) implements RunOutcome {}

        /** The plan has open questions or blockers. */
        record NotRunnable(Plan plan) implements RunOutcome {}

        /** Somebody else runs on this site. */
        record Busy() implements RunOutcome {}

        /** A run was interrupted and must be continued or rolled back first. */
        record Interrupted(RunView run) implements RunOutcome {}

        /** There is nothing to continue or undo, or the site has gone on since. */
        record NothingToDo() implements RunOutcome {}
    }

    /** The plan to a target, computed on the site's present records. */
    public Plan plan(RunTarget target) {
        return bindings.reading(database, (session, binding) -> plans.plan(session, binding, target));
    }

    /**
     * The plan as far as its questions are counted within the patience; the rest is counted in the background, and known to who
     * asks again.
     */
    public CountedPlan planSoon(RunTarget target, Duration patience) {
        return bindings.reading(database, (session, _) -> plans.soon(database, session, target, patience));
    }

    /**
     * What the plan would make of some records of each type that it changes, as far as it is answered.
     *
     * @param most how many records of each type
     */
    public List<PlanSamples.SampledType> samples(RunTarget target, Duration patience, int most) {
        return bindings.reading(database, (session, binding) -> {
            var steps = plans.soon(database, session, target, patience).plan().steps().stream()
                    .map(Plan.PlannedStep::step)
                    .toList();
            var connection = session.getConnection();
            var all = new ArrayList<>(new PlanSamples(connection, binding, target.model()).of(steps, most));
            all.addAll(new RetypeSamples(connection, binding, target.model(), steps).of(most));
            return all;
        });
    }

    /** The values of a field that the target cannot take as they are, the most frequent first; those that are corrected too. */
    public UnconvertedValues.CountedValues unconverted(RunTarget target, String fieldId, int most) {
        return bindings.reading(
                database,
                (session, binding) -> SiteFacts.unconverted(session.getConnection(), binding, target, fieldId, most));
    }

    /** All runs, newest first, with their steps. */
    public List<RunView> history() {
        return past.all();
    }

    public Optional<RunView> find(long id) {
        return past.find(id);
    }

    public Optional<RunView> last() {
        return past.last();
    }

    /** What was saved in a field while a run was under way, and is held because the run could not take it over. */
    public record SetAside(String fieldId, long runId) {}

    /** Values of a record that a run set aside unasked, because they were saved while it was under way. */
    public List<SetAside> setAside(String recordTypeId, long recordId) {
        return database
                .transaction(session -> session.getMapper(JournalMapper.class).setAsideOf(recordTypeId, recordId))
                .stream()
                .map(each -> new SetAside(each.fieldId(), each.runId()))
                .toList();
    }

    /** Starts a run to the target. {@code progress} is called after each journalled move. */
    public RunOutcome start(RunTarget target, String by, Consumer<RunView> progress) {
        return start(target, by, null, progress);
    }

    /** @param journey that the run is part of, or {@code null} */
    public RunOutcome start(RunTarget target, String by, Long journey, Consumer<RunView> progress) {
        return withLease(lease -> {
            var interrupted = interrupted();
            if (interrupted.isPresent()) {
                return new RunOutcome.Interrupted(interrupted.get());
            }
            var binding = database.transaction(bindings::current);
            if (binding.version().equals(target.version()) && binding.model().equals(target.model())) {
                return new RunOutcome.NothingToDo();
            }
            var plan = plan(target);
            if (!plan.runnable()) {
                return new RunOutcome.NotRunnable(plan);
            }
            var row = row(
                    RunView.RunKind.FORWARD,
                    binding.version(),
                    target.version(),
                    binding.model(),
                    target.model(),
                    by,
                    null,
                    plan.notes(),
                    journey);
            insert(row, plan.steps());
            return started(lease, row, progress);
        });
    }

    /** What undoing a finished run, or an undo, would do; empty where something stands on it. */
    public Optional<Plan> undoPlan(long runId) {
        return database.transaction(session -> RunHistory.undoable(session).contains(runId)
                ? Optional.of(plans.undo(
                                session, session.getMapper(JournalMapper.class).run(runId))
                        .plan())
                : Optional.empty());
    }

    /** Work that no run may go on beside. */
    HeldValues.Purged alone(Supplier<HeldValues.Purged> work) {
        var lease = Lease.take(database, Lease.RUN, owner, stale);
        if (lease.isEmpty()) {
            return new HeldValues.Purged.RunUnderWay();
        }
        try (var _ = lease.get()) {
            return interrupted().isPresent() ? new HeldValues.Purged.RunUnderWay() : work.get();
        }
    }

    /** Undoes a finished run or an undo that nothing stands on, or rolls back a run that was interrupted. */
    public RunOutcome undo(long runId, String by, Consumer<RunView> progress) {
        return withLease(lease -> {
            var run = database.transaction(
                    session -> session.getMapper(JournalMapper.class).run(runId));
            var last = database.transaction(
                    session -> session.getMapper(JournalMapper.class).lastBrief());
            boolean interrupted = run != null
                    && last.id() == runId
                    && run.state() == RunView.RunState.RUNNING
                    && run.kind() == RunView.RunKind.FORWARD;
            if (run == null
                    || !(interrupted
                            || database.transaction(RunHistory::undoable).contains(runId))) {
                return new RunOutcome.NothingToDo();
            }
            var undo = database.transaction(session -> plans.undo(session, run));
            var row = row(
                    interrupted
                            ? RunView.RunKind.BACK
                            : run.kind() == RunView.RunKind.UNDO ? RunView.RunKind.REDO : RunView.RunKind.UNDO,
                    run.toVersion(),
                    run.fromVersion(),
                    ModelText.read(run.toModel()),
                    undo.older(),
                    by,
                    runId,
                    undo.plan().findings().stream().map(Finding::sentence).toList(),
                    run.journey());
            insert(row, undo.plan().steps());
            return started(lease, row, progress);
        });
    }

    /** Goes on with the run that was interrupted. */
    public RunOutcome resume(long runId, Consumer<RunView> progress) {
        return withLease(lease -> {
            var last = database.transaction(
                    session -> session.getMapper(JournalMapper.class).lastRun());
            if (last == null || last.id() != runId || last.state() != RunView.RunState.RUNNING) {
                return new RunOutcome.NothingToDo();
            }
            database.transaction(session -> {
                session.getMapper(JournalMapper.class).reopen(runId);
                return null;
            });
            return started(lease, last, progress);
        });
    }

    /** Stops a run at the next place from where it can go on or back, until it is continued; whether it had not ended yet. */
    public boolean pause(long runId, String by) {
        return database.transaction(
                        session -> session.getMapper(JournalMapper.class).pause(runId, by))
                > 0;
    }

    /** Pauses a run that is under way, waits until it has stopped, and rolls it back; an undo is not given up. */
    public RunOutcome giveUp(long runId, String by, Consumer<RunView> progress) {
        boolean forward =
                find(runId).filter(run -> run.kind() == RunView.RunKind.FORWARD).isPresent();
        if (!forward || !pause(runId, by)) {
            return new RunOutcome.NothingToDo();
        }
        long deadline = System.nanoTime() + STOPS_WITHIN.toNanos();
        while (find(runId)
                .filter(run -> run.state() == RunView.RunState.RUNNING)
                .isPresent()) {
            if (System.nanoTime() > deadline) {
                return new RunOutcome.Busy();
            }
            Database.pause(LOOKED_EVERY);
        }
        return find(runId).filter(RunView::isOpen).isPresent()
                ? undo(runId, by, progress)
                : new RunOutcome.NothingToDo();
    }

    /** About how many seconds each of some steps takes, as the runs of this site went so far. */
    public List<Double> seconds(List<Plan.PlannedStep> steps) {
        return past.seconds(steps);
    }

    private Optional<RunView> interrupted() {
        return last().filter(RunView::isOpen);
    }

    private interface Leased {
        RunOutcome with(Lease lease);
    }

    /** The lease stays taken where a run was started; its work gives it back. */
    private RunOutcome withLease(Leased work) {
        var lease = Lease.take(database, Lease.RUN, owner, stale);
        if (lease.isEmpty()) {
            return new RunOutcome.Busy();
        }
        RunOutcome outcome = null;
        try {
            outcome = work.with(lease.get());
            return outcome;
        } finally {
            if (!(outcome instanceof RunOutcome.Started)) {
                lease.get().close();
            }
        }
    }

    private RunOutcome started(Lease lease, JournalMapper.RunRow row, Consumer<RunView> progress) {
        plans.stopCounting();
        Runnable progressed = () -> find(row.id()).ifPresent(progress);
        Runnable work = () -> {
            try (lease) {
                new Executor(database, bindings, lease, row, ids::next, progressed).execute();
            } catch (Lease.Lost e) {
                throw e;
            } catch (Executor.Paused _) {
                // it goes on when somebody says so
            } catch (RuntimeException e) {
                note(row.id(), e);
                throw e;
            } finally {
                progressed.run();
            }
        };
        return new RunOutcome.Started(find(row.id()).orElseThrow(), work);
    }

    /** A run that failed stays as it is, with the reason; it can be continued or rolled back. */
    private void note(long runId, RuntimeException e) {
        database.transaction(session -> {
            session.getMapper(JournalMapper.class).stopped(runId, String.valueOf(e.getMessage()));
            return null;
        });
    }

    private JournalMapper.RunRow row(
            RunView.RunKind kind,
            String fromVersion,
            String toVersion,
            Model from,
            Model to,
            String by,
            Long undoes,
            List<String> findings,
            Long journey) {
        return new JournalMapper.RunRow(
                ids.next(),
                kind,
                RunView.RunState.RUNNING,
                fromVersion,
                toVersion,
                ModelText.write(from),
                ModelText.write(to),
                by,
                undoes,
                null,
                Journal.texts(findings),
                null,
                null,
                null,
                journey);
    }

    private void insert(JournalMapper.RunRow row, List<Plan.PlannedStep> steps) {
        database.transaction(session -> {
            var journal = session.getMapper(JournalMapper.class);
            journal.insertRun(row);
            for (int seq = 0; seq < steps.size(); seq++) {
                var step = steps.get(seq);
                journal.insertStep(new JournalMapper.StepRow(
                        row.id(),
                        seq,
                        Journal.text(step.step()),
                        step.sentence(),
                        RunView.StepState.PENDING,
                        step.rows(),
                        0,
                        0,
                        null,
                        null));
            }
            return null;
        });
    }
}
