package org.jontrel.site.run;

import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import org.apache.ibatis.session.SqlSession;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.plan.Planner;
import org.jontrel.core.plan.Step;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.plan.undo.UndoPlanner;
import org.jontrel.site.drift.TableDrift;
import org.jontrel.site.record.read.TextLossReader;
import org.jontrel.site.run.count.CountListener;
import org.jontrel.site.run.count.CountedPlan;
import org.jontrel.site.run.count.PlanCounts;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Bindings;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Gate;
import org.jontrel.site.table.ModelText;

/** What runs and their undoing would do on one site, counted on its present records. */
final class RunPlans {
    private final Bindings bindings;
    private final Ids shortNames;
    private final AtomicReference<Answered> answered = new AtomicReference<>();
    private final PlanCounts counts = new PlanCounts();

    RunPlans(Bindings bindings, Ids shortNames) {
        this.bindings = bindings;
        this.shortNames = shortNames;
    }

    Plan plan(SqlSession session, Binding binding, Runs.RunTarget target) throws SQLException {
        // found anew: somebody may have changed tables since
        var drift = TableDrift.blocking(session.getConnection(), bindings.fresh(session), target.model());
        if (!drift.isEmpty()) {
            return new Plan(List.of(), List.of(), drift);
        }
        var planner = new Planner(shortNames);
        var answers = answers(session, binding, target, planner);
        var plan = planner.plan(binding.model(), target.model(), answers, target.decisions());
        var more = new ArrayList<>(new TableRoom(session.getConnection(), target.model()).lacking(plan.steps()));
        more.addAll(new TextLossReader(session.getConnection(), binding).findings(target.model()));
        return more.isEmpty() ? plan : plan.with(more);
    }

    /** What a site answered, and the state it was in then: nothing was saved since where it is the same. */
    private record Answered(
            Gate.GateState state, Model model, List<Decision> decisions, Map<Question, Answer> answers) {}

    /** Looking through a million records takes its time: a plan that is run is not asked for again. */
    private Map<Question, Answer> answers(SqlSession session, Binding binding, Runs.RunTarget target, Planner planner)
            throws SQLException {
        var to = target.model();
        var state = Gate.state(session.getConnection());
        var before = answered.get();
        if (before != null
                && !state.closed()
                && before.state().equals(state)
                && before.model().equals(to)
                && before.decisions().equals(target.decisions())) {
            return before.answers();
        }
        return counted(session, binding, target, planner, CountListener.NONE);
    }

    private Map<Question, Answer> counted(
            SqlSession session, Binding binding, Runs.RunTarget target, Planner planner, CountListener listener)
            throws SQLException {
        var to = target.model();
        var state = Gate.state(session.getConnection());
        var answers = new SiteFacts(session.getConnection(), binding, target.decisions())
                .answers(planner.questions(binding.model(), to, target.decisions()), to, listener);
        answered.set(new Answered(state, to, target.decisions(), answers));
        return answers;
    }

    /** Ends what is counted in the background: it would stand in the way of tables that are changed. */
    void stopCounting() {
        counts.stop();
    }

    /** As far as it is counted when patience ends; what is not is counted in the background, while others ask again. */
    CountedPlan soon(Database database, SqlSession session, Runs.RunTarget target, Duration patience)
            throws SQLException {
        var binding = bindings.current(session);
        var connection = session.getConnection();
        var drift = TableDrift.blocking(connection, bindings.fresh(session), target.model());
        if (!drift.isEmpty()) {
            return new CountedPlan(new Plan(List.of(), List.of(), drift), 0, 0);
        }
        var planner = new Planner(shortNames);
        var key = new PlanCounts.CountKey(binding.model(), target.model(), target.decisions());
        var progress = counts.look(
                key,
                Gate.state(connection),
                patience,
                listener -> bindings.reading(database, (own, now) -> {
                    var all = counted(own, now, target, planner, listener);
                    var texts = new TextLossReader(own.getConnection(), now).findings(target.model());
                    return new PlanCounts.CountedFacts(all, texts);
                }));
        var answers = new HashMap<Question, Answer>();
        planner.questions(binding.model(), target.model(), target.decisions())
                .forEach(each -> answers.put(each, Answer.NONE));
        answers.putAll(progress.answers());
        var plan = planner.plan(binding.model(), target.model(), answers, target.decisions());
        var more = new ArrayList<>(new TableRoom(connection, target.model()).lacking(plan.steps()));
        more.addAll(progress.findings());
        return new CountedPlan(more.isEmpty() ? plan : plan.with(more), progress.counted(), progress.questions());
    }

    record Undo(Model older, Plan plan) {}

    Undo undo(SqlSession session, JournalMapper.RunRow run) throws SQLException {
        var newer = ModelText.read(run.toModel());
        var older = ModelText.read(run.fromModel());
        var done = done(session, run, new TableSteps(older, newer));
        var planner = new UndoPlanner(shortNames);
        var steps = planner.steps(newer, older, done);
        var binding = bindings.current(session);
        var since = run.state() == RunView.RunState.DONE
                ? new SiteFacts(session.getConnection(), binding).since(steps, done, older)
                : Map.<Question, UndoPlanner.Since>of();
        return new Undo(older, planner.plan(newer, older, steps, since));
    }

    /** Steps that happened: journalled as done, or begun and found to be done in the database. */
    private static List<Step> done(SqlSession session, JournalMapper.RunRow run, TableSteps columns)
            throws SQLException {
        var done = new ArrayList<Step>();
        for (var row : session.getMapper(JournalMapper.class).steps(run.id())) {
            var step = Journal.step(row.step());
            boolean begun = row.state() == RunView.StepState.ACTING;
            if (row.state() == RunView.StepState.DONE || begun && columns.happened(session.getConnection(), step)) {
                done.add(step);
            }
        }
        return done;
    }
}
