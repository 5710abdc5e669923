package org.jontrel.standalone;

import static org.awaitility.Awaitility.await;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.jontrel.core.code.IdentifiedPackage;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.naming.Ids;
import org.jontrel.site.Site;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A site that is served from a package and a database. */
public class StandaloneTest {
    private static final String SERVED = "\"definitions\":\"served\"";
    private static final String REFUSED = "\"definitions\":\"refused\"";

    private static String database() {
        return TestDatabase.shared().create();
    }

    /** A published tree, entered past the server. */
    private static void plant(String database, String title, String key, String value) {
        try (var source = TestDatabase.shared().source(database)) {
            var site = Site.open(source, "test", java.time.Duration.ofSeconds(6));
            var raw = new java.util.HashMap<>(Orchard.tree(title));
            raw.put(key, value);
            var saved = site.records().save(Write.fresh("ttree", RecordState.PUBLISHED, raw, "test"));
            assertTrue(saved instanceof SaveResult.Stored, saved.toString());
        }
    }

    @Test
    public void anEmptyDatabaseGetsItsDefinitionsBeforeAnybodyIsLetIn() throws Exception {
        var database = database();
        try (var alone = Alone.start(database, OrchardFolder.fresh().path())) {
            assertEquals(alone.code, ServeCommand.SERVING, alone.said());
            assertTrue(alone.said().contains("/at/orchard/"), alone.said());
            assertEquals(alone.get("/").headers().firstValue("Location"), Optional.of("/at/orchard/"));
            plant(database, "Old pear", "height", "7.25");
            var page = alone.get("/at/orchard/trees/old-pear/");
            assertEquals(page.statusCode(), 200);
            assertTrue(page.body().contains("7.25"), page.body());
            assertTrue(page.headers()
                    .firstValue("Content-Security-Policy")
                    .orElse("")
                    .startsWith("default-src 'none'"));
            assertTrue(alone.get("/at/orchard/api/trees").body().contains("Old pear"));
            assertEquals(alone.get("/public/site.css").statusCode(), 200);
            assertEquals(alone.get("/at/orchard/no-such-thing/").statusCode(), 404);
            assertEquals(alone.get("/at/other/").statusCode(), 404);
            assertEquals(alone.get("/at/orchard/media/1").statusCode(), 404);
            assertTrue(alone.get("/robots.txt").body().contains("Allow: /at/"));
            assertTrue(alone.health().contains(SERVED), alone.health());
        }
    }

    @Test
    public void nothingOfTheEditorIsThere() throws Exception {
        try (var alone = Alone.start(database(), OrchardFolder.fresh().path())) {
            for (var path :
                    List.of("/api/session", "/api/workspaces", "/api/sites", "/v3/api-docs", "/actuator/health")) {
                assertEquals(alone.get(path).statusCode(), 404, path);
            }
            var upload = alone.send("POST", "/at/orchard/api/trees", "x", "Content-Type", "multipart/form-data");
            assertEquals(upload.statusCode(), 415);
            var long1 = alone.send(
                    "POST", "/at/orchard/api/trees", "x".repeat(2 << 20), "Content-Type", "application/json");
            assertEquals(long1.statusCode(), 413);
        }
    }

    @Test
    public void aBrokenPackageLeavesWhatWasServed() throws Exception {
        var database = database();
        var folder = OrchardFolder.fresh();
        try (var alone = Alone.start(database, folder.path())) {
            plant(database, "Old pear", "height", "7.25");
            folder.version("1.1.0").file("types/tree.yaml", "id: ttree\nkey: [");
            alone.reload();
            assertTrue(alone.health().contains(REFUSED), alone.health());
            assertTrue(alone.health().contains("types/tree.yaml"), alone.health());
            assertEquals(alone.get("/at/orchard/trees/old-pear/").statusCode(), 200);
            // why not is nobody else's to know
            var told = alone.get("/health", "X-Forwarded-For", "203.0.113.7").body();
            assertTrue(told.contains(REFUSED) && !told.contains("tree.yaml"), told);
        }
        try (var nameless = Alone.start(database, folder.path())) {
            assertEquals(nameless.code, ServeCommand.WRONG_USE);
            assertTrue(nameless.said().contains("give --site and --name"), nameless.said());
        }
        try (var again = Alone.start(database, folder.path(), "--site=orchard", "--name=Orchard")) {
            assertEquals(again.code, ServeCommand.SERVING, again.said());
            assertEquals(again.get("/at/orchard/trees/old-pear/").statusCode(), 200);
            again.settle();
            assertTrue(again.health().contains(REFUSED), again.health());
        }
    }

    @Test
    public void aBrokenPackageIsNoBeginning() throws Exception {
        var folder = OrchardFolder.fresh().edit("types/tree.yaml", "to: [person]", "to: [nobody]");
        try (var alone = Alone.start(database(), folder.path())) {
            assertEquals(alone.code, ServeCommand.REFUSED);
            assertTrue(alone.said().contains("nothing to serve"), alone.said());
        }
    }

    @Test
    public void whatThePlanAsksIsAnsweredInMigrations() throws Exception {
        var database = database();
        var folder = OrchardFolder.fresh();
        try (var alone = Alone.start(database, folder.path())) {
            plant(database, "Old pear", "tag", "17");
            plant(database, "Young plum", "tag", "A-17");
            folder.version("1.1.0")
                    .edit("types/tree.yaml", "kind: text, unique: true, max_length: 20", "kind: number, decimals: 0");
            var planned = Alone.start(database, folder.path(), "--plan");
            assertEquals(planned.code, ServeCommand.ASKS, planned.said());
            assertTrue(planned.said().contains("migrations/1.1.0.yaml"), planned.said());
            alone.reload();
            assertTrue(alone.health().contains("open."), alone.health());
            assertTrue(alone.get("/at/orchard/trees/young-plum/").body().contains("A-17"));
            // the file of answers that was proposed is one that is understood
            var proposed = planned.said().replaceAll("(?s).*(version: \"1.1.0\"\ndecisions:.*)", "$1");
            folder.file("migrations/1.1.0.yaml", proposed.replaceAll("answer: \\w+", "answer: set_aside"));
            alone.reload();
            assertTrue(alone.health().contains(SERVED), alone.health());
            assertTrue(alone.health().contains("\"version\":\"1.1.0\""), alone.health());
            assertFalse(alone.get("/at/orchard/trees/young-plum/").body().contains("A-17"));
            assertEquals(Alone.start(database, folder.path(), "--plan").code, 0);
        }
    }

    @Test
    public void aNewVersionBesideTheOldIsTaken() throws Exception {
        var database = database();
        var folder = Files.createTempDirectory("releases");
        var first = OrchardFolder.fresh().zipped(folder, "orchard-1.0.0.zip");
        try (var alone = Alone.start(database, first)) {
            assertTrue(alone.health().contains("\"version\":\"1.0.0\""), alone.said());
            OrchardFolder.fresh().version("1.10.0").zipped(folder, "b.zip");
            OrchardFolder.fresh().version("1.9.0").zipped(folder, "c.zip");
            Files.write(folder.resolve("torn.zip"), OrchardFolder.torn(first));
            alone.reload();
            assertTrue(alone.health().contains("\"version\":\"1.10.0\""), alone.health());
            assertTrue(alone.health().contains("torn.zip cannot be read: "), alone.health());
        }
        try (var whole = Alone.start(database, folder)) {
            assertTrue(whole.health().contains("\"version\":\"1.10.0\""), whole.said());
        }
        try (var older = Alone.start(database, OrchardFolder.fresh().path())) {
            older.settle();
            assertTrue(older.health().contains("1.10.0 already"), older.health());
        }
    }

    /** Whether a version between has its answers itself, or only the last has them. */
    @DataProvider
    public Object[][] answers() {
        return new Object[][] {{true}, {false}};
    }

    /** One that is several behind gets the answers of each, which need not hold for all at once. */
    @Test(dataProvider = "answers")
    public void aSiteIsTakenThroughTheVersionsBetween(boolean early) throws Exception {
        var database = database();
        var folder = Files.createTempDirectory("releases");
        var package1 = OrchardFolder.fresh();
        package1.zipped(folder, "1.zip");
        try (var alone = Alone.start(database, folder)) {
            plant(database, "Old pear", "tag", "A-17");
            var asNumber = "kind: number, decimals: 0";
            package1.version("2.0.0").edit("types/tree.yaml", "kind: text, unique: true, max_length: 20", asNumber);
            package1.zipped(folder, "2.zip");
            package1.file("migrations/2.0.0.yaml", """
                    version: "2.0.0"
                    decisions:
                      - {element: tree.tag, question: unconverted, answer: correct, corrections: [{from: A-17, to: "17"}]}
                    """);
            if (early) {
                package1.zipped(folder, "2.zip");
            }
            package1.version("3.0.0")
                    .edit("types/tree.yaml", asNumber, "kind: text")
                    .zipped(folder, "3.zip");
            var planned = Alone.start(database, folder, "--plan");
            assertTrue(planned.said().contains("over 2.0.0, 3.0.0"), planned.said());
            alone.reload();
            assertTrue(alone.health().contains("\"version\":\"3.0.0\""), alone.health());
            assertTrue(alone.get("/at/orchard/api/trees").body().contains("\"tag\":\"17\""));
        }
    }

    @Test
    public void aChangeNeedsAVersion() throws Exception {
        var database = database();
        var folder = OrchardFolder.fresh();
        try (var alone = Alone.start(database, folder.path())) {
            folder.edit("types/tree.yaml", "label: Height", "label: Tallness");
            alone.reload();
            assertTrue(alone.health().contains("Give it a higher version"), alone.health());
            folder.version("1.0.1");
            alone.reload();
            assertTrue(alone.health().contains(SERVED), alone.health());
        }
    }

    @Test
    public void severalServeOneDatabase() throws Exception {
        var database = database();
        var folder = OrchardFolder.fresh();
        var other = CompletableFuture.supplyAsync(() -> started(database, folder));
        try (var one = started(database, folder);
                var two = other.join()) {
            assertEquals(one.code, ServeCommand.SERVING, one.said());
            assertEquals(two.code, ServeCommand.SERVING, two.said());
            plant(database, "Old pear", "height", "7.25");
            folder.version("1.1.0").edit("types/tree.yaml", "path: trees", "path: tall-trees");
            var meanwhile = CompletableFuture.runAsync(() -> reloaded(two));
            reloaded(one);
            meanwhile.join();
            for (var each : List.of(one, two)) {
                assertTrue(
                        each.health().contains("\"version\":\"1.1.0\"")
                                && each.health().contains(SERVED),
                        each.health());
                assertEquals(each.get("/at/orchard/tall-trees/old-pear/").statusCode(), 200);
                assertEquals(each.get("/at/orchard/trees/old-pear/").statusCode(), 301);
            }
        }
    }

    private static Alone started(String database, OrchardFolder folder) {
        try {
            return Alone.start(database, folder.path());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void reloaded(Alone alone) {
        try {
            alone.reload();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Without anybody's word, and whatever is the matter with the package. */
    @Test
    public void aRunThatAnotherProcessLeftIsCarriedOn() throws Exception {
        var database = database();
        var folder = OrchardFolder.fresh();
        try (var alone = Alone.start(database, folder.path())) {
            plant(database, "Old pear", "height", "7.25");
            folder.version("1.1.0").edit("types/tree.yaml", "label: Height", "label: Tallness");
            try (var source = TestDatabase.shared().source(database)) {
                var gone = Site.open(source, "another process", java.time.Duration.ofSeconds(6));
                var read = new PackagePlace(folder.path()).find().read();
                var sent = IdentifiedPackage.of(read, gone.installed().model(), Ids.secure());
                var left = gone.runs().start(new Runs.RunTarget("1.1.0", sent.model(), List.of()), "gone", _ -> {});
                assertTrue(left instanceof Runs.RunOutcome.Started, left.toString());
            }
            folder.file("types/tree.yaml", "key: [");
            await().atMost(java.time.Duration.ofMinutes(1))
                    .until(() -> alone.health().contains("\"version\":\"1.1.0\""));
            assertTrue(alone.get("/at/orchard/trees/old-pear/").body().contains("Tallness"));
        }
    }

    /** Who has the page is told that it is another, though nobody has saved anything. */
    @Test
    public void recordsAppearWhenTheirMomentHasCome() throws Exception {
        var database = database();
        try (var alone = Alone.start(database, OrchardFolder.fresh().path());
                var source = TestDatabase.shared().source(database)) {
            plant(database, "Old pear", "height", "7.25");
            var page = alone.get("/at/orchard/trees/");
            try (var connection = source.getConnection();
                    var statement = connection.createStatement()) {
                statement.execute(
                        "INSERT INTO tree (id, slug, state, version, complete, created_at, updated_at, created_by,"
                                + " updated_by, title, publish_at) SELECT 7, 'young-plum', 'scheduled', 1, 1, created_at, updated_at,"
                                + " 'x', 'x', 'Young plum', UTC_TIMESTAMP() - INTERVAL 1 SECOND FROM tree LIMIT 1");
            }
            var tag = page.headers().firstValue("ETag").orElseThrow();
            await().atMost(java.time.Duration.ofMinutes(1))
                    .until(() -> alone.get("/at/orchard/trees/", "If-None-Match", tag)
                            .body()
                            .contains("Young plum"));
        }
    }

    @Test
    public void programsComeWithTokensOfAFile() throws Exception {
        var file = Files.createTempDirectory("tokens").resolve("tokens");
        var secret = token("Weather station", file, "--write");
        var reader = token("Reader", file);
        var database = database();
        try (var alone = Alone.start(database, OrchardFolder.fresh().path(), "--tokens=" + file)) {
            var body = "{\"values\":{\"title\":\"By program\"},\"state\":\"draft\"}";
            var json = "application/json";
            assertEquals(
                    alone.send("POST", "/at/orchard/api/trees", body, "Content-Type", json)
                            .statusCode(),
                    401);
            assertEquals(
                    alone.send(
                                    "POST",
                                    "/at/orchard/api/trees",
                                    body,
                                    "Content-Type",
                                    json,
                                    "Authorization",
                                    "Bearer " + reader)
                            .statusCode(),
                    403);
            var made = alone.send(
                    "POST", "/at/orchard/api/trees", body, "Content-Type", json, "Authorization", "Bearer " + secret);
            assertEquals(made.statusCode(), 201, made.body());
            assertTrue(alone.get("/at/orchard/api/trees", "Authorization", "Bearer " + reader)
                    .body()
                    .contains("By program"));
            Files.writeString(file, "# none any more\n");
            alone.reload();
            assertEquals(
                    alone.get("/at/orchard/api/trees", "Authorization", "Bearer " + reader)
                            .statusCode(),
                    401);
        }
    }

    private static String token(String name, java.nio.file.Path file, String... more) {
        var out = new java.io.StringWriter();
        var all = new java.util.ArrayList<>(List.of("token", name, "--to", file.toString()));
        all.addAll(List.of(more));
        int code = StandaloneMain.run(
                new java.io.PrintWriter(out, true),
                new java.io.PrintWriter(new java.io.StringWriter()),
                all.toArray(String[]::new));
        assertEquals(code, 0);
        return out.toString().strip();
    }

    @Test
    public void aFileOfTokensSaysWhereItIsWrong() throws Exception {
        var file = Files.writeString(Files.createTempFile("tokens", ""), "# ours\nsecret write App\n");
        try (var alone = Alone.start(database(), OrchardFolder.fresh().path(), "--tokens=" + file)) {
            assertEquals(alone.code, ServeCommand.WRONG_USE);
            assertTrue(alone.said().contains(file + ", line 2: "), alone.said());
            assertFalse(alone.said().contains("secret write"), "What was meant to be secret is not repeated");
        }
    }

    @Test
    public void whatIsWrongIsSaid() throws Exception {
        var folder = OrchardFolder.fresh();
        var none = Alone.start("jontrel_no_such", folder.path());
        assertEquals(none.code, ServeCommand.WRONG_USE);
        assertTrue(none.said().contains("jontrel_no_such"), none.said());
        assertEquals(Alone.start(database(), folder.path().resolve("gone")).code, ServeCommand.REFUSED);
        var badPath = Alone.start(database(), folder.path(), "--site=../x");
        assertEquals(badPath.code, ServeCommand.WRONG_USE, badPath.said());
        var database = database();
        try (var first = Alone.start(database, folder.path())) {
            var second = Alone.start(database, folder.path(), "--port=" + first.port);
            assertEquals(second.code, ServeCommand.WRONG_USE, second.said());
            assertTrue(second.said().contains("is taken"), second.said());
        }
    }
}
