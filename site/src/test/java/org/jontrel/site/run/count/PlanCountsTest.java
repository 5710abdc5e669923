package org.jontrel.site.run.count;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.site.run.Runs.RunTarget;
import org.jontrel.site.run.count.PlanCounts.CountKey;
import org.jontrel.site.run.count.PlanCounts.CountProgress;
import org.jontrel.site.run.count.PlanCounts.CountedFacts;
import org.jontrel.site.table.Gate;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestRecords;
import org.jontrel.site.testing.TestSite;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.Test;

/** Counting tells what is known while it goes on, and does nothing twice. */
public class PlanCountsTest {
    private static final Question LENGTH = new Question("tmooring", "flength");
    private static final Question RISE = new Question("tmooring", "frise");
    private static final Gate.GateState STILL = new Gate.GateState(1, 10, false);
    private static final Gate.GateState SAVED = new Gate.GateState(1, 11, false);

    private final PlanCounts counts = new PlanCounts();
    private final AtomicInteger begun = new AtomicInteger();

    private static CountKey key(String... answers) {
        return new CountKey(
                Model.EMPTY,
                Model.EMPTY,
                List.of(answers).stream()
                        .map(each -> new Decision("frise", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, each))
                        .toList());
    }

    private static Answer of(long records) {
        return new Answer(records, 0, 0, 0, List.of(), List.of());
    }

    /** Counts two columns, and stands still before the second until it may go on. */
    private Function<CountListener, CountedFacts> work(CountDownLatch mayGoOn) {
        return listener -> {
            begun.incrementAndGet();
            listener.begins(2);
            listener.answered(LENGTH, column(listener, LENGTH, 7));
            await(mayGoOn);
            listener.answered(RISE, column(listener, RISE, 8));
            return new CountedFacts(Map.of(LENGTH, of(7), RISE, of(8)), List.of());
        };
    }

    private final AtomicInteger columns = new AtomicInteger();

    private Answer column(CountListener listener, Question question, long records) {
        return listener.known(question, Map.of()).orElseGet(() -> {
            columns.incrementAndGet();
            listener.counted(question, Map.of(), of(records));
            return of(records);
        });
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private CountProgress look(CountKey key, Gate.GateState state, CountDownLatch mayGoOn) {
        return counts.look(key, state, Duration.ZERO, work(mayGoOn));
    }

    @Test
    public void whatIsKnownIsToldBeforeTheRest() {
        var mayGoOn = new CountDownLatch(1);
        Waiting.until("the first answer", () -> look(key(), STILL, mayGoOn).counted() == 1);
        var partly = look(key(), STILL, mayGoOn);
        assertEquals(partly.answers(), Map.of(LENGTH, of(7)));
        assertEquals(partly.questions(), 2);
        mayGoOn.countDown();
        Waiting.until("all answers", () -> look(key(), STILL, mayGoOn).counted() == 2);
        assertEquals(look(key(), STILL, mayGoOn).answers(), Map.of(LENGTH, of(7), RISE, of(8)));
        assertEquals(begun.get(), 1, "however often somebody asks");
    }

    @Test(dependsOnMethods = "whatIsKnownIsToldBeforeTheRest")
    public void whatTookNoTimeIsCountedAgainAfterASave() {
        var all = counts.look(key(), SAVED, Duration.ofMinutes(1), work(new CountDownLatch(0)));
        assertEquals(all.counted(), 2);
        assertEquals(begun.get(), 2);
        assertEquals(columns.get(), 4);
    }

    @Test(dependsOnMethods = "whatTookNoTimeIsCountedAgainAfterASave")
    public void anAnswerCountsOnlyWhatItChanges() {
        var all = counts.look(key("2"), SAVED, Duration.ofMinutes(1), work(new CountDownLatch(0)));
        assertEquals(all.counted(), 2);
        assertEquals(begun.get(), 3, "for other answers");
        assertEquals(columns.get(), 4, "with the columns that are known");
    }

    @Test(dependsOnMethods = "anAnswerCountsOnlyWhatItChanges")
    public void whatStoppedItIsToldAndTriedAgain() {
        Function<CountListener, CountedFacts> failing = _ -> {
            throw new IllegalStateException("no database");
        };
        assertThrows(IllegalStateException.class, () -> counts.look(key("3"), SAVED, Duration.ofMinutes(1), failing));
        var all = counts.look(key("3"), SAVED, Duration.ofMinutes(1), work(new CountDownLatch(0)));
        assertEquals(all.counted(), 2);
    }

    /** The one that nobody has asked for longest gives way, and begins again when it is asked for. */
    @Test(dependsOnMethods = "whatStoppedItIsToldAndTriedAgain")
    public void aFewAreCountedAtOnce() {
        var mayGoOn = new CountDownLatch(1);
        int before = begun.get();
        for (var each : List.of("4", "5", "6", "7")) {
            look(key(each), SAVED, mayGoOn);
        }
        look(key("7"), SAVED, mayGoOn);
        Waiting.until("four of them", () -> begun.get() == before + 4);
        look(key("4"), SAVED, mayGoOn);
        Waiting.until("the first again", () -> begun.get() == before + 5);
        mayGoOn.countDown();
        Waiting.until("its answers", () -> look(key("4"), SAVED, mayGoOn).counted() == 2);
        counts.stop();
        Waiting.until(
                "answers counted anew", () -> look(key("4"), SAVED, mayGoOn).counted() == 2);
        assertEquals(begun.get(), before + 6);
    }

    /** Without the names under which values are held, which are drawn. */
    private static List<String> told(Plan plan) {
        return plan.steps().stream()
                .map(each -> each.sentence() + " " + each.rows())
                .toList();
    }

    @Test
    public void aPlanIsTheSameAsOneThatWasWaitedFor() {
        try (var site = TestSite.open()) {
            site.install("1.0.0", Orchard.model());
            site.save(TestRecords.type(site.site(), "tree"), Orchard.tree("Oak"));
            var to = Orchard.edited(
                    Map.of("label: Height, kind: number, decimals: 2, min: 0, unit: m", "label: Height, kind: text"));
            var target = new RunTarget("2.0.0", to, List.of());
            var soon = site.site().runs().planSoon(target, Duration.ofMinutes(1));
            assertTrue(soon.isWhole());
            assertEquals(told(soon.plan()), told(site.site().runs().plan(target)));
            assertFalse(soon.plan().steps().isEmpty());
        }
    }
}
