package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.RunView.RunKind;
import org.jontrel.site.run.RunView.RunState;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.TestRecords;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A process that is killed (SIGKILL) while it runs on a site leaves a site that reads, and goes on or back. */
public class CrashTest {
    private static final int RECORDS = 4_000;
    private static final Duration STALE = Duration.ofSeconds(1);

    private static Model after() {
        return Moorings.model(
                Moorings.RISE.withKind(new Kind.Numeric(2, null, null, "m")).withKey("rise_m"),
                Moorings.LENGTH.withKey("length_m"),
                Moorings.DEPTH,
                Moorings.STATE,
                Moorings.OPEN,
                Moorings.SINCE,
                Moorings.NOTE);
    }

    private static Runs.RunTarget target() {
        return new Runs.RunTarget(
                "2.0.0",
                after(),
                List.of(
                        new Decision("frise", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, ""),
                        new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "1.5")));
    }

    /** The process that is killed: carries out the run, or undoes the last one, and says each move. */
    public static final class Victim {
        private Victim() {}

        public static void main(String[] arguments) {
            var config = new com.zaxxer.hikari.HikariConfig();
            config.setJdbcUrl(arguments[0]);
            config.setUsername(TestDatabase.USER);
            config.setPassword(TestDatabase.PASSWORD);
            try (var source = new HikariDataSource(config)) {
                var runs = Site.open(source, "victim", STALE).runs();
                Consumer<RunView> said = _ -> {
                    System.out.println("moved");
                    System.out.flush();
                };
                var outcome = arguments[1].equals("undo")
                        ? runs.undo(runs.last().orElseThrow().id(), "anna", said)
                        : runs.start(target(), "anna", said);
                ((Runs.RunOutcome.Started) outcome).work().run();
            }
        }
    }

    @DataProvider
    public Object[][] moments() {
        var moments = new Object[5][];
        for (int i = 0; i < moments.length; i++) {
            moments[i] = new Object[] {1 + i * 8, i % 2 == 0};
        }
        return moments;
    }

    @Test(dataProvider = "moments")
    public void aKilledRunLeavesASiteThatReadsAndGoesOnOrBack(int moves, boolean goOn) throws Exception {
        var database = TestDatabase.shared();
        var name = database.create();
        try (var source = database.source(name)) {
            var site = Site.open(source, "test", STALE);
            start(site.runs().start(new Runs.RunTarget("1.0.0", Moorings.standard(), List.of()), "anna", _ -> {}));
            fill(source);
            var before = values(site, "1.0.0");
            kill(database.url(name), "run", moves);

            var seen = Site.open(source, "after", STALE);
            assertEquals(
                    TestRecords.count(seen, "mooring"), RECORDS, "the site reads although its run was interrupted");
            assertEquals(
                    TestRecords.bySlug(seen, "mooring", "m-7")
                            .orElseThrow()
                            .values()
                            .get("part_title"),
                    "Mooring 7");
            var run = seen.runs().last().orElseThrow();
            if (goOn) {
                if (run.state() != RunState.DONE) {
                    start(seen.runs().resume(run.id(), _ -> {}));
                }
                checkConverted(seen);
            } else {
                start(seen.runs().undo(run.id(), "anna", _ -> {}));
                assertEquals(values(seen, "1.0.0"), before);
            }
            var saved = TestRecords.save(
                    seen, "mooring", Optional.empty(), 0, RecordState.DRAFT, Map.of("title", "New"), "ben");
            assertTrue(saved instanceof SaveResult.Stored, "the site takes records again: " + saved);
        }
    }

    @DataProvider
    public Object[][] momentsOfUndo() {
        return new Object[][] {{1}, {8}, {18}};
    }

    @Test(dataProvider = "momentsOfUndo")
    public void aKilledUndoGoesOnToTheLastValue(int moves) throws Exception {
        var database = TestDatabase.shared();
        var name = database.create();
        try (var source = database.source(name)) {
            var site = Site.open(source, "test", STALE);
            start(site.runs().start(new Runs.RunTarget("1.0.0", Moorings.standard(), List.of()), "anna", _ -> {}));
            fill(source);
            var before = values(site, "1.0.0");
            start(site.runs().start(target(), "anna", _ -> {}));
            kill(database.url(name), "undo", moves);
            var seen = Site.open(source, "after", STALE);
            assertEquals(TestRecords.count(seen, "mooring"), RECORDS);
            var run = seen.runs().last().orElseThrow();
            assertEquals(run.kind(), RunKind.UNDO);
            if (run.state() != RunState.DONE) {
                start(seen.runs().resume(run.id(), _ -> {}));
            }
            assertEquals(values(seen, "1.0.0"), before);
            assertEquals(seen.runs().last().orElseThrow().state(), RunState.DONE);
        }
    }

    private static void start(Runs.RunOutcome outcome) {
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
    }

    private static void fill(HikariDataSource source) throws SQLException {
        try (var connection = source.getConnection();
                var statement = connection.createStatement()) {
            statement.execute(
                    "INSERT INTO mooring (id, slug, state, version, complete, created_at, updated_at, created_by,"
                            + " updated_by, title, rise, length) SELECT seq, CONCAT('m-', seq), 'published', 1, 1,"
                            + " UTC_TIMESTAMP(6) - INTERVAL 1 DAY, UTC_TIMESTAMP(6) - INTERVAL 1 DAY, 'x', 'x',"
                            + " CONCAT('Mooring ', seq), IF(seq % 10 = 0, 'about 9ft', seq / 4), seq FROM seq_1_to_"
                            + RECORDS);
        }
    }

    private static void kill(String url, String what, int moves) throws IOException, InterruptedException {
        var java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        var process = new ProcessBuilder(
                        java,
                        "-XX:TieredStopAtLevel=1",
                        "-cp",
                        System.getProperty("java.class.path"),
                        Victim.class.getName(),
                        url,
                        what)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        try (var lines = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (int i = 0; i < moves && lines.readLine() != null; i++) {}
            process.destroyForcibly();
            process.waitFor();
        }
    }

    private static Map<Long, Object> values(Site site, String version) {
        assertEquals(site.installed().version(), version);
        var values = new HashMap<Long, Object>();
        TestRecords.all(site, "mooring").forEach(record -> values.put(record.id(), record.values()));
        return values;
    }

    private static void checkConverted(Site site) {
        for (var entry : values(site, "2.0.0").entrySet()) {
            var values = (Map<?, ?>) entry.getValue();
            var rise = (BigDecimal) values.get("frise");
            long id = entry.getKey();
            if (id % 10 == 0) {
                assertEquals(rise, null);
            } else {
                assertEquals(rise.compareTo(BigDecimal.valueOf(id).divide(BigDecimal.valueOf(4))), 0);
            }
            assertEquals(((BigDecimal) values.get("flength")).longValueExact(), id);
            assertEquals(((BigDecimal) values.get("fdepth")).compareTo(new BigDecimal("1.5")), 0);
        }
    }
}
