package org.jontrel.standalone;

import static org.awaitility.Awaitility.await;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.Site;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.Test;

/** A site served by a process of its own: what signals do, and what is left when it is killed. */
public class StandaloneProcessTest {
    private static final Path LOG = Path.of("target/standalone.log");
    private static final int TREES = 120;
    private static final int KILLS = Integer.getInteger("standalone.kills", 1);
    private static final Duration LONGEST = Duration.ofMinutes(1);
    private static final String TEXT = "kind: text, unique: true, max_length: 20";
    private static final String NUMBER = "kind: number, decimals: 0";
    private static final HttpClient CLIENT = HttpClient.newHttpClient();
    private final String database = TestDatabase.shared().create();
    private int port;

    private Process start(OrchardFolder folder) throws IOException {
        return start(folder, "--default-signal=HUP");
    }

    private Process start(OrchardFolder folder, String signal) throws IOException {
        try (var free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        // the tests may have been started with the signal ignored
        var process = new ProcessBuilder(
                "env",
                signal,
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx256m",
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-cp",
                System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                StandaloneMain.class.getName(),
                folder.path().toString(),
                "--port=" + port);
        process.environment().put("JONTREL_DB_URL", TestDatabase.shared().url(database));
        process.environment().put("JONTREL_DB_USER", TestDatabase.USER);
        process.environment().put("JONTREL_DB_PASSWORD", TestDatabase.PASSWORD);
        return process.redirectErrorStream(true).redirectOutput(LOG.toFile()).start();
    }

    private void awaitServed(String version) {
        await().atMost(LONGEST)
                .pollInterval(Duration.ofMillis(50))
                .until(() -> get("/health")
                        .contains("\"version\":\"" + version + "\",\"definitions\":\"served\",\"packageVersion\":\""
                                + version + "\""));
    }

    private String get(String path) throws InterruptedException {
        try {
            var request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path));
            return CLIENT.send(request.build(), HttpResponse.BodyHandlers.ofString())
                    .body();
        } catch (IOException _) {
            return "";
        }
    }

    private void plant() {
        try (var source = TestDatabase.shared().source(database)) {
            var site = Site.open(source, "test", Duration.ofSeconds(6));
            for (int i = 1; i <= TREES; i++) {
                var raw = Orchard.tree("Tree " + i);
                raw.put("tag", String.valueOf(i));
                site.records().save(Write.fresh("ttree", RecordState.PUBLISHED, raw, "test"));
            }
        }
    }

    @Test
    public void aSignalHasThePackageReadAgain() throws Exception {
        var folder = OrchardFolder.fresh();
        var process = start(folder);
        try {
            awaitServed("1.0.0");
            plant();
            var page = get("/at/orchard/trees/tree-7/");
            assertTrue(page.contains("Height"), page);
            folder.version("1.1.0").edit("types/tree.yaml", "label: Height", "label: Tallness");
            new ProcessBuilder("kill", "-HUP", String.valueOf(process.pid()))
                    .start()
                    .waitFor();
            awaitServed("1.1.0");
            assertTrue(get("/at/orchard/trees/tree-7/").contains("Tallness"));
            assertFalse(Files.readString(LOG).contains("nohup"));
            process.destroy();
            assertTrue(process.waitFor(30, TimeUnit.SECONDS), "It ends when it is told to");
        } finally {
            process.destroyForcibly();
        }
    }

    @Test(dependsOnMethods = "aSignalHasThePackageReadAgain")
    public void aSignalThatWillNotComeIsTold() throws Exception {
        var process = start(OrchardFolder.fresh().version("1.2.0"), "--ignore-signal=HUP");
        try {
            awaitServed("1.2.0");
            assertTrue(Files.readString(LOG).contains("as under nohup"), Files.readString(LOG));
        } finally {
            process.destroyForcibly();
        }
    }

    @Test(dependsOnMethods = "aSignalHasThePackageReadAgain")
    public void whatWasKilledInARunIsCarriedOn() throws Exception {
        var folder = OrchardFolder.fresh().version("2.0.0");
        var random = new Random(17);
        for (int kill = 1; kill <= KILLS; kill++) {
            var version = 2 + kill + ".0.0";
            folder.version(version)
                    .edit("types/tree.yaml", kill % 2 == 1 ? TEXT : NUMBER, kill % 2 == 1 ? NUMBER : TEXT);
            var process = start(folder);
            await().atMost(LONGEST)
                    .pollInterval(Duration.ofMillis(5))
                    .until(() -> !get("/health").isEmpty());
            Thread.sleep(random.nextInt(900));
            process.destroyForcibly().waitFor();
            process = start(folder);
            awaitServed(version);
            process.destroyForcibly().waitFor();
            assertEquals(tags(), TREES, "trees with their tags after " + kill);
        }
        assertTrue(Files.readString(LOG).contains("served"));
    }

    /** How many trees have the tag that they were planted with. */
    private long tags() {
        try (var source = TestDatabase.shared().source(database)) {
            var site = Site.open(source, "test", Duration.ofSeconds(6));
            return site.records().all("ttree", 2 * TREES).stream()
                    .filter(tree -> tree.title()
                            .equals("Tree "
                                    + String.valueOf(tree.values().get("ftag")).replaceAll("\\.0*$", "")))
                    .count();
        }
    }
}
