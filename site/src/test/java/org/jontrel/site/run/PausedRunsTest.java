package org.jontrel.site.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import org.jontrel.core.model.Kind;
import org.jontrel.core.plan.Step;
import org.jontrel.site.run.RunView.RunKind;
import org.jontrel.site.run.RunView.RunState;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A run can be paused and given up at any of its moves: it goes on to the last value, or back to the last byte. */
public class PausedRunsTest {
    /** More than two chunks. */
    private static final int RECORDS = 5_000;

    private TestSite site;

    @BeforeMethod
    public void start() throws SQLException {
        site = TestSite.open();
        site.install("1.0.0", Moorings.standard());
        try (var connection = site.source().getConnection()) {
            Jdbc.update(
                    connection,
                    "INSERT INTO mooring (id, slug, state, version, complete, created_at, updated_at, created_by, updated_by,"
                            + " title, rise) SELECT seq, CONCAT('m-', seq), 'published', 1, 1, UTC_TIMESTAMP(6), UTC_TIMESTAMP(6),"
                            + " 'x', 'x', CONCAT('Mooring ', seq), seq / 4 FROM seq_1_to_" + RECORDS);
        }
    }

    @AfterMethod(alwaysRun = true)
    public void stop() {
        site.close();
    }

    private Runs runs() {
        return site.site().runs();
    }

    /** From a text to a number, chunk by chunk. */
    private static Runs.RunTarget target() {
        return new Runs.RunTarget(
                "2.0.0",
                Moorings.with(Moorings.RISE, field -> field.withKind(new Kind.Numeric(2, null, null, "m"))),
                List.of());
    }

    /** Starts the run, which is paused at one of its moves. */
    private RunView pausedAt(int move) {
        var moves = new AtomicInteger();
        Consumer<RunView> watch = run -> {
            if (moves.incrementAndGet() == move) {
                runs().pause(run.id(), "ben");
            }
        };
        TestSite.run(runs().start(target(), "anna", watch));
        return site.last();
    }

    @DataProvider
    public Object[][] moves() {
        return new Object[][] {{1}, {2}, {4}, {6}, {9}};
    }

    @Test(dataProvider = "moves")
    public void aPausedRunGoesOn(int move) throws SQLException {
        var run = pausedAt(move);
        assertEquals(run.state(), RunState.PAUSED, "paused at move " + move);
        assertEquals(run.pausedBy(), "ben");
        assertTrue(runs().start(target(), "cleo", _ -> {}) instanceof Runs.RunOutcome.Interrupted);
        site.edit("tmooring", 1, Map.of("title", "While it was paused", "rise", "7"));
        TestSite.run(runs().resume(run.id(), _ -> {}));
        assertEquals(site.last().state(), RunState.DONE);
        var first = site.site().records().byId("tmooring", 1).orElseThrow();
        assertEquals(first.title(), "While it was paused");
        assertEquals(((BigDecimal) first.values().get("frise")).compareTo(BigDecimal.valueOf(7)), 0);
        assertEquals(site.site().count("tmooring"), RECORDS);
    }

    @Test(dataProvider = "moves")
    public void onePausedIsRolledBackToTheLastByte(int move) throws SQLException {
        var before = Dump.of(site.source());
        var run = pausedAt(move);
        assertEquals(run.state(), RunState.PAUSED);
        TestSite.run(runs().giveUp(run.id(), "ben", _ -> {}));
        assertEquals(site.last().kind(), RunKind.BACK);
        assertEquals(Dump.of(site.source()), before);
        assertEquals(site.site().installed().version(), "1.0.0");
    }

    @Test
    public void oneThatIsUnderWayIsGivenUp() throws Exception {
        var before = Dump.of(site.source());
        try (var pool = Executors.newVirtualThreadPerTaskExecutor()) {
            var outcome = (Runs.RunOutcome.Started) runs().start(target(), "anna", _ -> {});
            Future<?> work = pool.submit(outcome.work());
            var back = runs().giveUp(outcome.run().id(), "ben", _ -> {});
            work.get();
            TestSite.run(back);
        }
        assertEquals(Dump.of(site.source()), before);
        assertEquals(runs().find(runs().history().get(1).id()).orElseThrow().state(), RunState.UNDONE);
    }

    @Test
    public void whatHasEndedIsNotPausedAndNotGivenUp() {
        TestSite.run(runs().start(target(), "anna", _ -> {}));
        var run = site.last();
        assertEquals(runs().pause(run.id(), "ben"), false);
        assertTrue(runs().giveUp(run.id(), "ben", _ -> {}) instanceof Runs.RunOutcome.NothingToDo);
        assertEquals(site.last().state(), RunState.DONE);
    }

    /** There is no way back from a way back: it is left to end, and not left paused. */
    @Test
    public void anUndoIsNotGivenUp() {
        TestSite.run(runs().start(target(), "anna", _ -> {}));
        var refused = new AtomicInteger();
        TestSite.run(runs().undo(site.last().id(), "anna", run -> {
            if (runs().giveUp(run.id(), "ben", _ -> {}) instanceof Runs.RunOutcome.NothingToDo) {
                refused.incrementAndGet();
            }
        }));
        assertTrue(refused.get() > 0);
        assertEquals(site.last().state(), RunState.DONE);
        assertEquals(site.site().installed().version(), "1.0.0");
    }

    /** What is about to take as long as last time is said to. */
    @Test
    public void stepsAreEstimatedFromRunsSoFar() throws SQLException {
        var steps = runs().plan(target()).steps();
        var guessed = runs().seconds(steps).stream().mapToDouble(each -> each).sum();
        assertTrue(guessed > 0);
        TestSite.run(runs().start(target(), "anna", _ -> {}));
        try (var connection = site.source().getConnection()) {
            Jdbc.update(
                    connection,
                    "UPDATE jontrel_step SET finished_at = started_at + INTERVAL 10 SECOND WHERE rows_done >= 500");
        }
        TestSite.run(runs().undo(site.last().id(), "anna", _ -> {}));
        var seconds = runs().seconds(steps);
        var copied = IntStream.range(0, steps.size())
                .filter(i -> steps.get(i).step() instanceof Step.CopyColumn)
                .mapToObj(seconds::get)
                .toList();
        assertEquals(copied.size(), 1);
        assertEquals(copied.getFirst(), 10, 0.5);
    }
}
