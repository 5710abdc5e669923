package org.jontrel.site.run.count;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.site.table.Gate;

/**
 * Counts for the plans of a site in the background: looking through a million records takes its time, and nobody should wait for
 * the first answers until the last is there.
 */
public final class PlanCounts {
    /** At once; whoever asked longest ago gives way. */
    private static final int MOST = 3;

    private final List<CountJob> jobs = new ArrayList<>();

    /** What is counted: for a plan between these definitions, with these answers. */
    public record CountKey(Model from, Model to, List<Decision> decisions) {
        boolean isBeside(CountKey other) {
            return from.equals(other.from) && to.equals(other.to);
        }
    }

    /** All that was counted, and what was found beside the answers. */
    public record CountedFacts(Map<Question, Answer> answers, List<Finding> findings) {}

    /**
     * What is known so far.
     *
     * @param findings only when all is counted
     * @param counted how many questions are answered
     */
    public record CountProgress(Map<Question, Answer> answers, List<Finding> findings, int counted, int questions) {}

    /**
     * What is known by the end of the patience, which only the first has who asks for a plan.
     *
     * @param state of the site now
     * @param work counts, and throws what stops it
     */
    public CountProgress look(
            CountKey key, Gate.GateState state, Duration patience, Function<CountListener, CountedFacts> work) {
        return job(key, state, work).progress(patience);
    }

    /** Ends all counting: what is counted is about to change. */
    public synchronized void stop() {
        jobs.forEach(CountJob::cancel);
        jobs.clear();
    }

    private synchronized CountJob job(CountKey key, Gate.GateState state, Function<CountListener, CountedFacts> work) {
        for (var each : jobs) {
            if (each.key().equals(key) && !each.isStale(state)) {
                return each;
            }
        }
        var started = new CountJob(key, state);
        jobs.stream()
                .filter(each -> each.key().isBeside(key) && each.isFresh(state))
                .forEach(started::knowing);
        jobs.stream().filter(each -> each.key().equals(key)).forEach(CountJob::cancel);
        jobs.removeIf(each -> each.key().equals(key));
        if (jobs.size() == MOST) {
            var eldest =
                    jobs.stream().min(Comparator.comparing(CountJob::asked)).orElseThrow();
            eldest.cancel();
            jobs.remove(eldest);
        }
        jobs.add(started);
        started.start(work);
        return started;
    }
}
