package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.TestRecords;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** People go on writing and reading while a run converts their records: nothing that was acknowledged is lost. */
public class BusyRunTest {
    private static final int RECORDS = 12_000;
    private static final int WRITERS = 4;

    private static Model newer() {
        return Moorings.with(
                Moorings.RISE,
                field -> field.withKind(new Kind.Numeric(2, null, null, "m")).withKey("rise_m"));
    }

    @Test
    public void whatIsWrittenDuringARunAndDuringItsUndoIsKept() throws Exception {
        var database = TestDatabase.shared();
        try (var source = database.source(database.create())) {
            var site = Site.open(source, "test", Duration.ofSeconds(5));
            work(site.runs().start(new Runs.RunTarget("1.0.0", Moorings.standard(), List.of()), "anna", _ -> {}));
            fill(source);
            var written = new ConcurrentHashMap<Long, BigDecimal>();
            var aside = new Decision("frise", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
            var newer = new Runs.RunTarget("2.0.0", newer(), List.of(aside));
            busily(site, written, () -> work(site.runs().start(newer, "anna", _ -> {})));
            assertEquals(site.installed().version(), "2.0.0");
            check(site, written);
            var run = site.runs().last().orElseThrow();
            busily(site, written, () -> work(site.runs().undo(run.id(), "anna", _ -> {})));
            assertEquals(site.installed().version(), "1.0.0");
            check(site, written);
        }
    }

    private static Void work(Runs.RunOutcome outcome) {
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
        return null;
    }

    private static void fill(HikariDataSource source) throws SQLException {
        try (var connection = source.getConnection();
                var statement = connection.createStatement()) {
            statement.execute(
                    "INSERT INTO mooring (id, slug, state, version, complete, created_at, updated_at, created_by,"
                            + " updated_by, title, rise) SELECT seq, CONCAT('m-', seq), 'published', 1, 1,"
                            + " UTC_TIMESTAMP(6) - INTERVAL 1 DAY, UTC_TIMESTAMP(6) - INTERVAL 1 DAY, 'x', 'x',"
                            + " CONCAT('Mooring ', seq), seq / 4 FROM seq_1_to_" + RECORDS);
        }
    }

    /** Runs the work while writers change records of their own and a reader reads. */
    private static void busily(Site site, Map<Long, BigDecimal> written, Callable<Void> run) throws Exception {
        var over = new AtomicBoolean();
        var saved = new AtomicInteger();
        try (var pool = Executors.newFixedThreadPool(WRITERS + 1)) {
            var writers = new java.util.ArrayList<java.util.concurrent.Future<?>>();
            for (int w = 0; w < WRITERS; w++) {
                int mine = w;
                writers.add(pool.submit(() -> {
                    for (int round = 0; !over.get(); round++) {
                        saved.addAndGet(write(site, written, 1 + mine + (long) WRITERS * (round * 37 % 2_500), round));
                    }
                }));
            }
            writers.add(pool.submit(() -> {
                while (!over.get()) {
                    assertTrue(TestRecords.bySlug(site, "mooring", "m-7").isPresent(), "readers are never turned away");
                }
            }));
            Waiting.until("the writers", () -> saved.get() > 0);
            run.call();
            over.set(true);
            for (var writer : writers) {
                writer.get();
            }
        }
        assertTrue(saved.get() > 20, "the writers did write: " + saved.get());
    }

    private static int write(Site site, Map<Long, BigDecimal> written, long id, int round) {
        var now = TestRecords.byId(site, "mooring", id).orElseThrow();
        var type = site.installed().model().types().getFirst();
        var value = BigDecimal.valueOf(round % 1_000).add(new BigDecimal("0.25"));
        var key = type.field("frise").orElseThrow().key();
        var raw = new HashMap<String, Object>(
                Map.of("title", now.values().get("part_title"), key, value.toPlainString()));
        var outcome =
                TestRecords.save(site, "mooring", Optional.of(id), now.version(), RecordState.PUBLISHED, raw, "ben");
        if (outcome instanceof SaveResult.Stored) {
            written.put(id, value);
            return 1;
        }
        boolean overtaken = outcome instanceof SaveResult.Conflict || outcome instanceof SaveResult.Refused;
        assertTrue(overtaken, "writers are never turned away: " + outcome);
        return 0;
    }

    /** With a type more, whose table is switched behind that of the other. */
    private static Model two(Model moorings, String key) {
        var walk = new ContentType(
                "twalk",
                "walk",
                "Walk",
                "Walks",
                "",
                "",
                "walks",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("gwalk", "Walk", "", List.of(Moorings.NOTE.withKey(key)))));
        return new Model(List.of(moorings.types().getFirst(), walk));
    }

    @DataProvider
    public Object[][] switches() {
        // adding a column needs the table for a moment too: these runs only rename
        var before = Moorings.standard();
        var after = Moorings.with(Moorings.RISE, field -> field.withKey("rise_m"));
        return new Object[][] {
            {before, after, "mooring"}, {two(before, "note"), two(after, "remark"), "walk"},
        };
    }

    @Test(dataProvider = "switches")
    public void aTransactionOfSomebodyElseHoldsUpTheSwitchAndNobodyElse(Model before, Model to, String table)
            throws Exception {
        var database = TestDatabase.shared();
        var name = database.create();
        try (var source = database.source(name);
                var other = database.source(name);
                var backup = other.getConnection();
                var pool = Executors.newVirtualThreadPerTaskExecutor()) {
            var site = Site.open(source, "test", Duration.ofSeconds(5));
            work(site.runs().start(new Runs.RunTarget("1.0.0", before, List.of()), "anna", _ -> {}));
            var id = ((SaveResult.Stored) add(site, "A")).record().id();
            backup.setAutoCommit(false);
            try (var statement = backup.createStatement()) {
                statement.executeQuery("SELECT * FROM " + table).close();
            }
            var begun = new java.util.concurrent.CountDownLatch(1);
            var outcome = (Runs.RunOutcome.Started)
                    site.runs().start(new Runs.RunTarget("2.0.0", to, List.of()), "anna", run -> {
                        begun.countDown();
                    });
            var run = pool.submit(outcome.work());
            begun.await();
            for (int i = 0; i < 3; i++) {
                while (!(add(site, "Meanwhile " + i) instanceof SaveResult.Stored)) {
                    assertFalse(run.isDone(), "the run waits, and lets writers through");
                }
                assertTrue(TestRecords.byId(site, "mooring", id).isPresent());
            }
            assertEquals(site.installed().version(), "1.0.0", "the transaction is still open");
            backup.rollback();
            run.get();
            assertEquals(site.installed().version(), "2.0.0");
            assertEquals(TestRecords.count(site, "mooring"), 4);
        }
    }

    @Test
    public void aFrozenProcessLosesItsConnectionAndTheSiteIsFree() throws Exception {
        var database = TestDatabase.shared();
        var name = database.create();
        try (var source = database.source(name);
                var other = database.source(name)) {
            // closed with its pool: by then its connection has been ended
            var frozen = other.getConnection();
            var statement = frozen.createStatement();
            var site = Site.open(source, "test", Duration.ofSeconds(1));
            statement.execute("UPDATE jontrel_lease SET owner = 'frozen', token = token + 1, beat = 7,"
                    + " beat_at = UTC_TIMESTAMP(3) - INTERVAL 1 HOUR");
            frozen.setAutoCommit(false);
            statement.execute("SELECT GET_LOCK(CONCAT('jontrel run ', MD5(DATABASE())), 0)");
            statement.execute("UPDATE jontrel_lease SET beat = beat + 1");
            work(site.runs().start(new Runs.RunTarget("1.0.0", Moorings.standard(), List.of()), "anna", _ -> {}));
            assertEquals(site.installed().version(), "1.0.0");
            assertThrows(SQLException.class, () -> statement.execute("SELECT 1"));
        }
    }

    private static SaveResult add(Site site, String title) {
        return TestRecords.save(
                site, "mooring", Optional.empty(), 0, RecordState.PUBLISHED, Map.of("title", title), "ben");
    }

    private static void check(Site site, Map<Long, BigDecimal> written) {
        for (long id = 1; id <= RECORDS; id += 11) {
            compare(site, id, written.getOrDefault(id, BigDecimal.valueOf(id).divide(BigDecimal.valueOf(4))));
        }
        written.forEach((id, value) -> compare(site, id, value));
    }

    private static void compare(Site site, long id, BigDecimal expected) {
        var value = TestRecords.byId(site, "mooring", id).orElseThrow().values().get("frise");
        assertEquals(
                new BigDecimal(String.valueOf(value)).compareTo(expected), 0, id + ": " + value + ", not " + expected);
    }
}
