package org.jontrel.e2e.command;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import java.util.zip.ZipFile;
import org.apache.commons.io.FileUtils;
import org.jontrel.demo.Client;
import org.jontrel.e2e.Installation;
import org.jontrel.e2e.Visitor;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * Definitions go from where they are made through a repository to another installation with records of an older release; its
 * site is served without any editor, and moves as one file to a third. Records, pages and addresses are the same throughout.
 */
public class MissionTest {
    private static final String LENGTH = "      - {key: length, label: Length, kind: number, decimals: 1, unit: m}\n";
    private static final String TYPE = """
            # where boats lie
            key: mooring
            singular: Mooring
            plural: Moorings
            path: moorings
            groups:
              - title: Place
                fields:
            """ + LENGTH + "      - {key: bank, label: Bank, kind: text}\n";
    private static final String NEWER = TYPE.replace(
                    LENGTH, "      - {key: reach, was: length, label: Reach, kind: number, decimals: 1, unit: m}\n")
            + "      - {key: water, label: Drinking water, kind: yes_no}\n";
    private static final Pattern LOCATION = Pattern.compile("<loc>([^<]*)</loc>");
    private static final Path FILE = Path.of("../standalone/target/jontrel-site.jar");
    private static final int RECORDS = 60;
    private static final int KILLS = 20;

    private final HttpClient http = HttpClient.newHttpClient();
    private Installation maker;
    private Installation live;
    private Installation third;
    private Client anna;
    private Client otto;
    private Client eva;
    private Path root;
    private Path folder;
    private Terminal making;
    private Terminal running;
    private Terminal arriving;

    @BeforeClass
    public void start() throws IOException {
        maker = new Installation();
        live = new Installation();
        third = new Installation();
        anna = maker.firstArchitect("anna", "anna-password");
        otto = live.firstArchitect("otto", "otto-password");
        eva = third.firstArchitect("eva", "eva-password-1");
        anna.post("/api/workspaces", Map.of("title", "Canal"));
        otto.post("/api/workspaces", Map.of("title", "Live"));
        eva.post("/api/workspaces", Map.of("title", "Third"));
        var all = List.of("draft", "release", "plan", "run");
        making = Terminal.of(anna, maker.address(), "canal", "making", all);
        running = Terminal.of(otto, live.address(), "live", "running", all);
        arriving = Terminal.of(eva, third.address(), "third", "arriving", all);
        root = Files.createTempDirectory("mission");
        folder = Files.createDirectories(root.resolve("canal"));
    }

    @AfterClass(alwaysRun = true)
    public void stop() throws IOException {
        for (var each : List.of(maker, live, third)) {
            each.close();
        }
        FileUtils.deleteDirectory(root.toFile());
    }

    private void git(String... arguments) throws IOException, InterruptedException {
        var command =
                new java.util.ArrayList<>(List.of("git", "-c", "user.name=anna", "-c", "user.email=anna@example.org"));
        command.addAll(List.of(arguments));
        var log = root.resolve("git.log").toFile();
        var git = new ProcessBuilder(command)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .redirectOutput(log)
                .start();
        assertEquals(git.waitFor(), 0, Files.readString(log.toPath()));
    }

    /** Written, committed, checked, released where it is made, and sent to where it is to live. */
    private void deliver(String version, String type) throws Exception {
        Files.createDirectories(folder.resolve("types"));
        Files.writeString(folder.resolve("package.yaml"), "name: canal\nversion: \"" + version + "\"\ntitle: Canal\n");
        Files.writeString(folder.resolve("types/mooring.yaml"), type);
        making.run("push", folder).ended(0);
        git("add", "-A");
        git("commit", "-q", "-m", version);
        Terminal.plain("check", folder).ended(0);
        making.run("release", folder).ended(0);
        making.run("send", version, "--to", live.address(), "--to-token-file", running.token())
                .ended(0);
        otto.post("/api/workspaces/live/releases", Map.of("version", version, "notes", ""));
    }

    private void compiles() throws Exception {
        var code = root.resolve("code");
        Terminal.plain("generate", "java", folder, "-o", code).ended(0);
        var sources = FileUtils.listFiles(code.toFile(), new String[] {"java"}, true).stream()
                .map(File::getPath)
                .toList();
        var command = new java.util.ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "javac").toString(),
                "-Xlint:all",
                "-Werror",
                "-d",
                root.resolve("classes").toString()));
        command.addAll(sources);
        var log = root.resolve("javac.log").toFile();
        assertEquals(
                new ProcessBuilder(command)
                        .redirectErrorStream(true)
                        .redirectOutput(log)
                        .start()
                        .waitFor(),
                0,
                Files.readString(log.toPath()));
    }

    private String get(String address) throws IOException, InterruptedException {
        var answer =
                http.send(HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.ofString());
        assertEquals(answer.statusCode(), 200, address);
        return answer.body();
    }

    /** Every page that search engines are told of, the home page, and what programs read; by address, without the machine. */
    private Map<String, String> everything(String server) throws IOException, InterruptedException {
        var all = new TreeMap<String, String>();
        for (var path : List.of("/at/towpath/", "/at/towpath/api/moorings?limit=100", "/at/towpath/api/openapi.json")) {
            all.put(path, get(server + path));
        }
        for (var map : located(get(server + "/at/towpath/sitemap.xml"))) {
            for (var page : located(get(server + map))) {
                all.put(page, get(server + page));
            }
        }
        all.replaceAll((_, body) -> body.replace(server, "SERVER"));
        assertTrue(all.size() > RECORDS, all.keySet().toString());
        return all;
    }

    private static List<String> located(String map) {
        return LOCATION.matcher(map)
                .results()
                .map(found -> URI.create(found.group(1).replace("&amp;", "&")))
                .map(each -> each.getRawPath() + (each.getRawQuery() == null ? "" : "?" + each.getRawQuery()))
                .toList();
    }

    private static void assertSame(Map<String, String> found, Map<String, String> wanted) {
        assertEquals(found.keySet(), wanted.keySet());
        wanted.forEach((address, body) -> assertEquals(found.get(address), body, address));
    }

    private Map<String, String> alone(Path definitions) throws Exception {
        int port;
        try (var free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        var process = new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-Xmx256m",
                "-jar",
                FILE.toString(),
                definitions.toString(),
                "--site=towpath",
                "--name=Towpath",
                "--port=" + port);
        process.environment().put("JONTREL_DB_URL", live.siteDatabase("towpath"));
        process.environment().put("JONTREL_DB_USER", TestDatabase.USER);
        process.environment().put("JONTREL_DB_PASSWORD", TestDatabase.PASSWORD);
        var log = root.resolve("alone.log").toFile();
        var started = process.redirectErrorStream(true).redirectOutput(log).start();
        try {
            var server = "http://127.0.0.1:" + port;
            Waiting.until("the site alone", () -> {
                assertTrue(started.isAlive(), "it ended: " + read(log));
                try {
                    return get(server + "/health").contains("\"definitions\":\"served\"");
                } catch (IOException | InterruptedException _) {
                    return false;
                }
            });
            return everything(server);
        } finally {
            started.destroyForcibly().waitFor();
        }
    }

    private static String read(File file) {
        try {
            return Files.readString(file.toPath());
        } catch (IOException e) {
            return e.toString();
        }
    }

    @Test
    public void recordsPagesAndAddressesAreTheSameThroughout() throws Exception {
        git("init", "-q");
        deliver("1.0.0", TYPE);
        otto.post("/api/workspaces/live/sites", Map.of("name", "Towpath"));
        running.run("run", "towpath").ended(0);
        for (int i = 1; i <= RECORDS; i++) {
            otto.post(
                    "/api/sites/towpath/types/mooring/records",
                    Map.of(
                            "version",
                            0,
                            "state",
                            "published",
                            "values",
                            Map.of("title", "Mooring " + i, "length", i + ".5", "bank", "Bank " + i)));
        }
        var before = get(live.address() + "/at/towpath/moorings/mooring-7/");
        assertTrue(before.contains("7.5"), before);

        deliver("1.1.0", NEWER);
        compiles();
        running.run("plan", "towpath").ended(0);
        var rehearsal = otto.post("/api/sites/towpath/rehearsals", Map.of("version", "1.1.0"));
        var report = "/api/sites/towpath/rehearsals/" + rehearsal.get("id").asLong();
        Waiting.until("the rehearsal", () -> otto.get(report).hasNonNull("finishedAt"));
        assertFalse(otto.get(report).hasNonNull("message"), otto.get(report).toString());
        running.run("run", "towpath").ended(0);
        var pages = everything(live.address());
        var record = pages.get("/at/towpath/moorings/mooring-7");
        assertTrue(record.contains("Reach") && record.contains("7.5") && record.contains("Bank 7"), record);

        var definitions = Files.createDirectories(root.resolve("releases")).resolve("canal-1.1.0.zip");
        Files.write(definitions, download("/api/workspaces/live/releases/1.1.0/package"));
        assertSame(alone(definitions), pages);

        var archive = root.resolve("towpath.zip");
        running.run("copy", "towpath", "-o", archive, "--history").ended(0);
        arriving.run("copy", archive).ended(0);
        assertSame(everything(third.address()), pages);
        var back = root.resolve("back.zip");
        arriving.run("copy", "towpath", "-o", back, "--history").ended(0);
        assertEquals(checksums(back), checksums(archive), "what comes back is what left");
    }

    private byte[] download(String path) throws IOException, InterruptedException {
        var request = HttpRequest.newBuilder(URI.create(live.address() + path))
                .header(
                        "Authorization",
                        "Bearer " + Files.readString(running.token()).strip())
                .build();
        return http.send(request, HttpResponse.BodyHandlers.ofByteArray()).body();
    }

    /** Of everything but the time at which it was made. */
    private static Map<String, String> checksums(Path archive) throws IOException {
        var sums = new HashMap<String, String>();
        try (var zip = new ZipFile(archive.toFile())) {
            new String(zip.getInputStream(zip.getEntry("checksums.txt")).readAllBytes())
                    .lines()
                    .map(line -> line.split("  "))
                    .filter(parts -> !parts[1].equals("archive.json"))
                    .forEach(parts -> sums.put(parts[1], parts[0]));
        }
        return sums;
    }

    @Test(dependsOnMethods = "recordsPagesAndAddressesAreTheSameThroughout")
    public void fromThePageTheSame() throws Exception {
        var saved = root.resolve("from-page.zip");
        try (var visitor = new Visitor(live.address()).signIn("otto", "otto-password")) {
            visitor.open("/w/live/sites/towpath");
            visitor.page
                    .getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Site"))
                    .click();
            visitor.page
                    .waitForDownload(
                            () -> visitor.page.getByText("Download archive").click())
                    .saveAs(saved);
            visitor.checkAccessibility();
            assertEquals(visitor.errors(), List.of());
        }
        try (var visitor = new Visitor(third.address()).signIn("eva", "eva-password-1")) {
            visitor.open("/w/third/sites");
            visitor.button("Restore site").click();
            assertThat(visitor.page.getByText("Choose the archive first.")).isVisible();
            var file = visitor.page.locator("input[type=file]");
            file.setInputFiles(Files.writeString(root.resolve("torn.zip"), "PK"));
            visitor.button("Restore site").click();
            assertThat(visitor.page.getByText("This is no archive of a site")).isVisible();
            visitor.checkAccessibility();
            file.setInputFiles(saved);
            visitor.page.locator("#restored-name").fill("From the page");
            visitor.button("Restore site").click();
            visitor.page.waitForURL("**/w/third/sites/from-the-page");
            assertTrue(get(third.address() + "/at/from-the-page/moorings/mooring-7")
                    .contains("Bank 7"));
        }
    }

    /** Wherever the command is killed, the other side has the whole site or none, and copying it again ends well. */
    @Test(dependsOnMethods = "recordsPagesAndAddressesAreTheSameThroughout")
    public void aKilledCopyLeavesBothSidesWhole() throws Exception {
        var pages = get(live.address() + "/at/towpath/api/moorings?limit=100");
        int whole = 0;
        for (int i = 1; i <= KILLS; i++) {
            var name = "Copy " + i;
            var path = "copy-" + i;
            var process = copying(name);
            boolean ended = process.waitFor(200 + 100L * i, TimeUnit.MILLISECONDS);
            process.destroyForcibly().waitFor();
            if (ended) {
                assertEquals(process.exitValue(), 0, Files.readString(root.resolve("killed.log")));
                whole++;
            }
            // the server may still be making it of what it has got
            Waiting.until("the site " + path, () -> isThere(path) || copied(name));
            var copy = get(third.address() + "/at/" + path + "/api/moorings?limit=100");
            assertEquals(copy.replace("/at/" + path + "/", "/at/towpath/"), pages, path);
        }
        assertTrue(whole < KILLS, "no kill came before the end");
    }

    private boolean isThere(String path) {
        try {
            return http.send(
                                    HttpRequest.newBuilder(URI.create(third.address() + "/at/" + path + "/"))
                                            .build(),
                                    HttpResponse.BodyHandlers.discarding())
                            .statusCode()
                    == 200;
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private boolean copied(String name) {
        return running.run(
                                "copy",
                                "towpath",
                                "--name",
                                name,
                                "--to",
                                third.address(),
                                "--to-token-file",
                                arriving.token())
                        .code()
                == 0;
    }

    private Process copying(String name) throws IOException {
        return running.started(
                root.resolve("killed.log"),
                "copy",
                "towpath",
                "--name",
                name,
                "--to",
                third.address(),
                "--to-token-file",
                arriving.token());
    }
}
