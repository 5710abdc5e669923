package org.jontrel.site.importer;

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
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.jontrel.core.sheet.WrittenSheet;
import org.jontrel.site.Site;
import org.jontrel.site.importer.row.RowOutcome;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.TestSite;
import org.jontrel.site.testing.WholeDump;
import org.testng.annotations.Test;

/**
 * A process that is killed (SIGKILL) at a random moment while it brings rows, or takes them back: no record stands there twice, none is
 * missing, and what is wrong with the others is still known. {@code -Dcrash.imports=N} kills more often.
 */
public class ImportCrashTest {
    private static final int KILLS = Integer.getInteger("crash.imports", 3);
    private static final int TREES = 1_200;
    private static final int PEOPLE = 100;
    private static final int WRONG = 7;
    private static final Duration STALE = Duration.ofSeconds(1);

    /** The process that is killed. */
    public static final class Bringer {
        private Bringer() {}

        public static void main(String[] arguments) {
            var config = new HikariConfig();
            config.setJdbcUrl(arguments[0]);
            config.setUsername(TestDatabase.USER);
            config.setPassword(TestDatabase.PASSWORD);
            try (var source = new HikariDataSource(config)) {
                var imports = Site.open(source, "victim", STALE).imports();
                long id = Long.parseLong(arguments[2]);
                var outcome = arguments[1].equals("undo") ? imports.undo(id) : imports.run(id);
                System.out.println("begun");
                System.out.flush();
                ((ImportOutcome.ImportStarted) outcome).work().run();
                System.out.println("ended");
            }
        }
    }

    private static WrittenSheet people() {
        var lines = new ArrayList<>(List.of("Name"));
        for (int i = 0; i < PEOPLE; i++) {
            lines.add("Person " + i);
        }
        return WrittenSheet.rows("People", lines.toArray(String[]::new));
    }

    /** Each stands near the next one, the last near the first; some cannot be brought. */
    private static WrittenSheet trees() {
        var lines = new ArrayList<>(List.of("Title | Tag | Height | Grafted from | Sort | Label"));
        for (int i = 0; i < TREES; i++) {
            var height = i % (TREES / WRONG) == 1 ? "tall" : String.valueOf(i % 40);
            var from = i % (TREES / WRONG) == 0 || i % (TREES / WRONG) == 1 ? "" : "Tree " + (i + 1) % TREES;
            lines.add("Tree " + i + " | T-" + i + " | " + height + " | " + (from.contains("Tree") ? from : "")
                    + " | Apple > Kind " + i % 30 + " | label " + i % 20);
        }
        return WrittenSheet.rows("Trees", lines.toArray(String[]::new));
    }

    @Test
    public void killedImportsAndUndosEndAsIfNobodyHadKilledThem() throws Exception {
        var random = new Random(20261202);
        var database = TestDatabase.own();
        var name = database.create();
        try (var source = database.source(name)) {
            var site = new TestSite(source, Site.open(source, "test", STALE));
            site.install("1.0.0", Orchard.model());
            var imports = site.site().imports();
            var empty = records(source);
            long id = imports.create("trees", List.of(trees(), people()), null, List::of, "anna");
            long begun = System.nanoTime();
            ImportingTest.work(imports.run(id));
            long millis = Duration.ofNanos(System.nanoTime() - begun).toMillis();
            var outcomes = imports.open(id).orElseThrow().outcomes();
            var problems = problems(imports, id);
            long brought = TREES - outcomes.get(0).get(RowOutcome.FAILED);
            check(source, brought);
            ImportingTest.work(imports.undo(id));
            assertEquals(records(source), empty);
            int within = 0;
            for (int kill = 0; kill < KILLS; kill += 2) {
                kill(database.url(name), "run", id, random.nextLong(millis));
                within += goOn(imports, id, ImportState.DONE);
                check(source, brought);
                assertEquals(imports.open(id).orElseThrow().outcomes(), outcomes);
                assertEquals(problems(imports, id), problems);
                kill(database.url(name), "undo", id, random.nextLong(millis / 2 + 1));
                within += goOn(imports, id, ImportState.UNDONE);
                assertEquals(records(source), empty);
            }
            System.out.printf("%d kills of imports, %d of them in the middle; nothing was lost%n", KILLS, within);
            assertTrue(within > 0, "no kill met an import");
        } finally {
            database.kill();
        }
    }

    /** As the server does with what was interrupted; what had not begun is begun anew. Whether it was killed in the middle. */
    private static int goOn(Imports imports, long id, ImportState wanted) {
        boolean within = imports.find(id).orElseThrow().state().working();
        if (within) {
            ImportingTest.work(imports.resume(id));
        }
        var state = imports.find(id).orElseThrow().state();
        if (state != wanted) {
            // it was killed before it had begun, or while it was tried first
            ImportingTest.work(wanted == ImportState.DONE ? imports.run(id) : imports.undo(id));
        }
        assertEquals(imports.find(id).orElseThrow().state(), wanted);
        return within ? 1 : 0;
    }

    private static List<String> problems(Imports imports, long id) {
        return imports.rows(id, 0, RowOutcome.FAILED, 0, 500).stream()
                .map(row -> row.number() + " " + row.problems())
                .toList();
    }

    private static void check(HikariDataSource source, long brought) throws SQLException {
        try (var connection = source.getConnection()) {
            assertEquals(Jdbc.number(connection, "SELECT COUNT(*) FROM tree"), brought);
            assertEquals(Jdbc.number(connection, "SELECT COUNT(DISTINCT tag) FROM tree"), brought);
            assertEquals(Jdbc.number(connection, "SELECT COUNT(*) FROM person"), PEOPLE);
            // nobody leads to what is not there
            assertEquals(
                    Jdbc.number(
                            connection,
                            "SELECT COUNT(*) FROM tree__parents p LEFT JOIN tree t ON t.id = p.target_id WHERE t.id IS NULL"),
                    0);
            assertTrue(Jdbc.number(connection, "SELECT COUNT(*) FROM tree__parents") > 0);
            assertEquals(
                    Jdbc.number(connection, "SELECT COUNT(*) FROM jontrel_text WHERE holder_id = 'ttree'"), brought);
        }
    }

    /** All rows but those that imports have for themselves, and counters of saves. */
    private static Map<String, List<String>> records(HikariDataSource source) throws SQLException {
        var all = new TreeMap<String, List<String>>(WholeDump.of(source));
        all.keySet().removeIf(each -> each.startsWith("jontrel_import") || each.matches("jontrel_(gate|guard|lease)"));
        return all;
    }

    private static void kill(String url, String what, long id, long millis) throws IOException, InterruptedException {
        var java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        var process = new ProcessBuilder(
                        java,
                        "-XX:TieredStopAtLevel=1",
                        "-cp",
                        System.getProperty("java.class.path"),
                        Bringer.class.getName(),
                        url,
                        what,
                        String.valueOf(id))
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        try (var lines = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            assertEquals(lines.readLine(), "begun");
            Thread.sleep(millis);
            process.destroyForcibly();
            process.waitFor();
        }
    }
}
