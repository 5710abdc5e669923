package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;
import org.jontrel.core.code.Decision;
import org.jontrel.core.generated.Models;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Drawn;
import org.jontrel.site.testing.DrawnChange;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.SameBytes;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.Test;

/**
 * Whatever is killed in the middle of a run or an undo, the application or the database, at any moment: the site reads, the
 * run goes on or back, and every byte is what it would have been. {@code -Dcrash.kills=N} kills more often.
 */
public class CrashLawTest {
    private static final int KILLS = Integer.getInteger("crash.kills", 4);
    private static final int FROM = Integer.getInteger("crash.from", 1);
    private static final Duration STALE = Duration.ofSeconds(1);
    /** So that a run has something to do. */
    private static final int FILLS = 3;

    private static TestDatabase database;

    /** The process that is killed: draws the same as the test, carries out the run or undoes the last one, says each move. */
    public static final class LawVictim {
        private LawVictim() {}

        public static void main(String[] arguments) {
            var config = new HikariConfig();
            config.setJdbcUrl(arguments[0]);
            config.setUsername(TestDatabase.USER);
            config.setPassword(TestDatabase.PASSWORD);
            try (var source = new HikariDataSource(config)) {
                var site = Site.open(source, "victim", STALE);
                Consumer<RunView> said = _ -> {
                    System.out.println("moved");
                    System.out.flush();
                };
                var outcome = arguments[1].equals("undo")
                        ? site.runs().undo(site.runs().last().orElseThrow().id(), "anna", said)
                        : site.runs().start(target(site, drawn(Integer.parseInt(arguments[2]))), "anna", said);
                ((Runs.RunOutcome.Started) outcome).work().run();
            }
        }
    }

    /** Sorts of edits by turns. */
    private static DrawnChange drawn(int seed) {
        var sorts = DrawnChange.EditSort.values();
        return DrawnChange.of(new Models(seed), sorts[seed % sorts.length]);
    }

    private static Runs.RunTarget target(Site site, DrawnChange drawing) {
        return new Drawn(site).answered(drawing.after(), Decision.Action.LEAVE);
    }

    private int byApplication;
    private int byDatabase;
    private int inside;

    @Test
    public void whateverIsKilledNothingIsLost() throws Exception {
        database = TestDatabase.own();
        int killed = 0;
        for (int seed = FROM; killed < KILLS; seed++) {
            try {
                killed += holds(seed) ? 1 : 0;
            } catch (RuntimeException | SQLException | AssertionError e) {
                throw new AssertionError("seed " + seed + ": " + e.getMessage(), e);
            }
        }
        System.out.printf(
                "%d of %d kills: %d of the application, %d of the database, %d in the middle of a run; nothing was lost%n",
                killed, KILLS, byApplication, byDatabase, inside);
        database.kill();
    }

    /** Whether somebody was killed; some edits no plan carries. */
    private boolean holds(int seed) throws Exception {
        var drawing = drawn(seed);
        var chance = new Random(seed);
        var name = database.create();
        Map<String, List<Map<String, String>>> bytes;
        Map<String, List<Map<String, String>>> newer = null;
        boolean undo = chance.nextInt(3) == 0;
        try (var source = database.source(name)) {
            var site = Site.open(source, "law", STALE);
            run(site.runs().start(new Runs.RunTarget("1", drawing.before(), List.of()), "anna", _ -> {}));
            for (int i = 0; i < FILLS; i++) {
                new Drawn(site).fill(drawing.before());
            }
            bytes = Dump.of(source);
            var target = target(site, drawing);
            if (!site.runs().plan(target).runnable()) {
                return false;
            }
            if (undo) {
                run(site.runs().start(target, "anna", _ -> {}));
                newer = Dump.of(source);
            }
        }
        kill(name, undo ? "undo" : "run", seed, chance);
        try (var source = database.source(name)) {
            var site = Site.open(source, "after", STALE);
            new Drawn(site).read(false);
            var last = site.runs().last().orElseThrow();
            boolean interrupted = last.state() != RunView.RunState.DONE && last.state() != RunView.RunState.UNDONE;
            inside += interrupted ? 1 : 0;
            boolean back = interrupted && last.kind() == RunView.RunKind.FORWARD && chance.nextBoolean();
            if (back) {
                run(site.runs().undo(last.id(), "anna", _ -> {}));
            } else if (interrupted) {
                run(site.runs().resume(last.id(), _ -> {}));
            }
            new Drawn(site).read();
            settled(site, source, drawing, bytes, newer);
        }
        return true;
    }

    /** The site has one of the two models, and with each of them just its bytes. */
    private static void settled(
            Site site,
            HikariDataSource source,
            DrawnChange drawing,
            Map<String, List<Map<String, String>>> bytes,
            Map<String, List<Map<String, String>>> newer)
            throws SQLException {
        if (site.installed().model().equals(drawing.after()) && !drawing.after().equals(drawing.before())) {
            if (newer != null) {
                SameBytes.assertSame(Dump.of(source), newer, "as the run had left it", Set.of(), Set.of());
            }
            run(site.runs().undo(undoable(site), "anna", _ -> {}));
        }
        assertEquals(site.installed().model(), drawing.before());
        SameBytes.assertSame(Dump.of(source), bytes, "after the undo", Set.of(), Set.of());
    }

    private static long undoable(Site site) {
        return site.runs().history().stream()
                .filter(each -> each.kind() == RunView.RunKind.FORWARD && each.canUndo())
                .findFirst()
                .orElseThrow()
                .id();
    }

    private static void run(Runs.RunOutcome outcome) {
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
    }

    private void kill(String name, String what, int seed, Random chance) throws IOException, InterruptedException {
        var java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        var process = new ProcessBuilder(
                        java,
                        "-XX:TieredStopAtLevel=1",
                        "-cp",
                        System.getProperty("java.class.path"),
                        LawVictim.class.getName(),
                        database.url(name),
                        what,
                        String.valueOf(seed))
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        boolean power = chance.nextInt(3) == 0;
        int moves = 1 + chance.nextInt(24);
        try (var lines = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (int i = 0; i < moves && lines.readLine() != null; i++) {}
            Thread.sleep(chance.nextInt(12));
            if (power) {
                byDatabase++;
                database.kill();
            } else {
                byApplication++;
            }
            process.destroyForcibly();
            process.waitFor();
        } finally {
            if (power) {
                database.launch();
            }
        }
    }
}
