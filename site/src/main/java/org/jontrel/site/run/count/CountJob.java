package org.jontrel.site.run.count;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.site.run.count.PlanCounts.CountKey;
import org.jontrel.site.run.count.PlanCounts.CountProgress;
import org.jontrel.site.run.count.PlanCounts.CountedFacts;
import org.jontrel.site.table.Gate;

/** Counts for one plan. It ends by itself where nobody asks for it any more. */
final class CountJob implements CountListener {
    /** What took longer is not counted again with every record that somebody saves, but after some times as long. */
    private static final Duration QUICK = Duration.ofSeconds(1);

    private static final int KEPT_FOR = 5;
    private static final Duration UNASKED = Duration.ofSeconds(20);

    private record ColumnKey(Question question, Map<String, String> corrections) {}

    private final CountKey key;
    private final Gate.GateState state;
    private final Map<ColumnKey, Answer> columns = new ConcurrentHashMap<>();
    private final Map<Question, Answer> answers = new ConcurrentHashMap<>();
    private final CountDownLatch ended = new CountDownLatch(1);
    private final long began = System.nanoTime();
    private volatile long asked = began;
    /** Whether somebody has waited for it. */
    private volatile boolean seen;

    private volatile boolean cancelled;
    private volatile int questions = 1;
    private volatile CountedFacts facts;
    private volatile long took;
    private volatile RuntimeException failure;

    /** @param state of the site before the first record is looked at */
    CountJob(CountKey key, Gate.GateState state) {
        this.key = key;
        this.state = state;
    }

    CountKey key() {
        return key;
    }

    long asked() {
        return asked;
    }

    /** Takes over what was counted between the same definitions for other answers. */
    void knowing(CountJob other) {
        columns.putAll(other.columns);
    }

    void start(Function<CountListener, CountedFacts> work) {
        Thread.ofVirtual().name("count").start(() -> {
            try {
                facts = work.apply(this);
            } catch (RuntimeException e) {
                failure = e;
            } finally {
                took = System.nanoTime() - began;
                ended.countDown();
            }
        });
    }

    void cancel() {
        cancelled = true;
    }

    @Override
    public void begins(int all) {
        if (!answers.isEmpty()) {
            // begun anew, on definitions that were switched meanwhile
            answers.clear();
            columns.clear();
        }
        questions = all;
    }

    @Override
    public void answered(Question question, Answer answer) {
        if (cancelled || System.nanoTime() - asked > UNASKED.toNanos()) {
            throw new CancellationException("Nobody waits for these counts any more.");
        }
        answers.put(question, answer);
    }

    @Override
    public Optional<Answer> known(Question question, Map<String, String> corrections) {
        return Optional.ofNullable(columns.get(new ColumnKey(question, corrections)));
    }

    @Override
    public void counted(Question question, Map<String, String> corrections, Answer answer) {
        columns.put(new ColumnKey(question, Map.copyOf(corrections)), answer);
    }

    /** Whether it must be done again, for a site that is in another state by now. */
    boolean isStale(Gate.GateState now) {
        if (ended.getCount() > 0) {
            return cancelled;
        }
        return facts == null || !isFresh(now);
    }

    /** Whether what was counted is as good as what would be counted now. */
    boolean isFresh(Gate.GateState now) {
        long past = ended.getCount() > 0 ? System.nanoTime() - began : took;
        return state.equals(now)
                || state.generation() == now.generation()
                        && past > QUICK.toNanos()
                        && System.nanoTime() - began < (KEPT_FOR + 1) * past;
    }

    CountProgress progress(Duration patience) {
        asked = System.nanoTime();
        boolean first = !seen;
        seen = true;
        try {
            // who looks again waits between
            if (first) {
                ended.await(patience.toNanos(), TimeUnit.NANOSECONDS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        if (failure != null && !(failure instanceof CancellationException)) {
            throw failure;
        }
        var all = facts;
        return all != null
                ? new CountProgress(all.answers(), all.findings(), questions, questions)
                // the last is told with everything else
                : new CountProgress(Map.copyOf(answers), List.of(), Math.min(answers.size(), questions - 1), questions);
    }
}
