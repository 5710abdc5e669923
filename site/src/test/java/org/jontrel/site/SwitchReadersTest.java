package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.math.BigDecimal;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Held;
import org.jontrel.site.run.HeldValues;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Whatever is read while definitions switch is all from before, or all from behind. */
public class SwitchReadersTest {
    private static final int RECORDS = 30;
    private static final int SWITCHES = Integer.getInteger("switches", 28);
    /** Each switch holds values, and a table has room for so many. */
    private static final int PURGED = 100;

    private static final Decision SET_ASIDE =
            new Decision("frise", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
    private HikariDataSource source;
    private Site site;

    @BeforeMethod
    public void open() {
        var database = TestDatabase.shared();
        source = database.source(database.create());
        site = Site.open(source, "test", Duration.ofSeconds(2));
        start("1", texts());
        for (int i = 0; i < RECORDS; i++) {
            site.records()
                    .save(Write.fresh(
                            "tmooring",
                            RecordState.PUBLISHED,
                            Map.of("title", "M " + i, "rise", "" + i, "note", "n"),
                            "ben"));
        }
    }

    @AfterMethod
    public void close() {
        source.close();
    }

    /** With a text and a long text, whose keys the other model swaps. */
    private static Model texts() {
        return Moorings.model(Moorings.RISE, Moorings.NOTE);
    }

    private static Model numbers() {
        return Moorings.model(
                Moorings.RISE.withKind(new Kind.Numeric(0, null, null, "m")).withKey("note"),
                Moorings.NOTE.withKey("rise"),
                Moorings.LENGTH);
    }

    private void start(String version, Model model) {
        var outcome = site.runs().start(new Runs.RunTarget(version, model, List.of(SET_ASIDE)), "anna", _ -> {});
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
    }

    /** All values of records are of the kinds that the model says, and all are there. */
    private static void check(Field rise, List<StoredRecord> records) {
        assertEquals(records.size(), RECORDS);
        var wanted = rise.kind() instanceof Kind.Numeric ? BigDecimal.class : String.class;
        for (var record : records) {
            assertEquals(record.values().get("frise").getClass(), wanted, rise.key());
            assertEquals(record.values().get("fnote"), "n");
        }
    }

    private record ReadState(Field rise, List<StoredRecord> page, List<StoredRecord> all) {}

    private Void together(Site reader) {
        var read = reader.together(() -> {
            var recordType = reader.installed().table("tmooring").orElseThrow().recordType();
            var all = reader.records().all("tmooring", 100);
            return new ReadState(
                    recordType.field("frise").orElseThrow(),
                    reader.records()
                            .page("tmooring", ListQuery.ALL)
                            .orElseThrow()
                            .records(),
                    reader.records()
                            .byIds(
                                    "tmooring",
                                    all.stream().map(StoredRecord::id).toList()));
        });
        check(read.rise(), read.page());
        check(read.rise(), read.all());
        return null;
    }

    private Void alone(Site reader) {
        var kinds = classes(reader.records()
                .page("tmooring", ListQuery.ALL.sortedBy("part_title", true))
                .orElseThrow()
                .records());
        assertEquals(kinds.size(), 1, kinds.toString());
        assertEquals(classes(reader.records().all("tmooring", 100)).size(), 1);
        return null;
    }

    /** Tables that a switch changes in this moment are not taken for drift. */
    private Void planned(Site reader) {
        var plan = reader.together(() -> reader.runs().plan(new Runs.RunTarget("x", texts(), List.of(SET_ASIDE))));
        assertEquals(
                plan.findings().stream()
                        .filter(each -> each.code().name().startsWith("DRIFT"))
                        .toList(),
                List.of());
        return null;
    }

    private static Set<String> classes(List<StoredRecord> records) {
        assertEquals(records.size(), RECORDS);
        return records.stream()
                .map(record -> String.valueOf(record.values().get("frise").getClass()))
                .collect(Collectors.toSet());
    }

    @Test
    public void readersSeeOneSideOfASwitch() throws Exception {
        var over = new AtomicBoolean();
        var reads = new AtomicLong();
        var other = Site.open(source, "other", Duration.ofSeconds(2));
        try (var readers = Executors.newVirtualThreadPerTaskExecutor()) {
            var running = new ArrayList<Future<Void>>();
            List<Callable<Void>> ways = List.of(
                    () -> together(site),
                    () -> together(other),
                    () -> alone(site),
                    () -> alone(other),
                    () -> planned(other));
            for (var way : ways) {
                running.add(readers.submit(() -> {
                    while (!over.get()) {
                        way.call();
                        reads.incrementAndGet();
                    }
                    return null;
                }));
            }
            try {
                for (int i = 0; i < SWITCHES; i++) {
                    start("" + (i + 2), i % 2 == 0 ? numbers() : texts());
                    if (i % PURGED == PURGED - 1) {
                        purge();
                    }
                }
            } finally {
                over.set(true);
            }
            for (var each : running) {
                each.get();
            }
        }
        assertTrue(reads.get() > SWITCHES, reads + " reads");
    }

    private void purge() {
        var names = site.held().list().stream().map(Held::name).toList();
        assertTrue(site.held().purge(names, "anna") instanceof HeldValues.Purged.PurgeDone);
    }

    /** Stops the work of a run in the middle, as a process that ends. */
    private static final class SimulatedStop extends RuntimeException {}

    @DataProvider
    public Object[][] moments() {
        return new Object[][] {{0}, {1}, {2}, {3}};
    }

    @Test(dataProvider = "moments")
    public void readersSeeWhatWasBeforeWhileAnInterruptedSwitchWaits(int switched) throws Exception {
        var outcome = (Runs.RunOutcome.Started)
                site.runs().start(new Runs.RunTarget("2", moved(), List.of(SET_ASIDE)), "anna", run -> {
                    if (moves(run) > switched) {
                        throw new SimulatedStop();
                    }
                });
        var before =
                Site.open(source, "before", Duration.ofSeconds(2)).records().all("tmooring", 100);
        try {
            outcome.work().run();
        } catch (SimulatedStop _) {
            // as meant
        }
        var reader = Site.open(source, "reader", Duration.ofSeconds(2));
        together(site);
        together(reader);
        assertEquals(reader.records().all("tmooring", 100), before);
        assertEquals(site.installed().version(), "1");
        ((Runs.RunOutcome.Started) site.runs().resume(outcome.run().id(), _ -> {}))
                .work()
                .run();
        assertEquals(site.installed().version(), "2");
        together(site);
        together(reader);
    }

    /** How often a step of the switch has begun or ended. */
    private static int moves(RunView run) {
        int moves = 0;
        for (var step : run.steps()) {
            if (step.phase().equals("switch")) {
                moves += step.state() == RunView.StepState.DONE ? 2 : step.state() == RunView.StepState.ACTING ? 1 : 0;
            }
        }
        return moves;
    }

    private static Model moved() {
        return Moorings.model(
                "berth",
                "berths",
                List.of(
                        Moorings.RISE.withKind(new Kind.Numeric(0, null, null, "m")),
                        Moorings.NOTE.withKey("remark"),
                        Moorings.LENGTH));
    }
}
