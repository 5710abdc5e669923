package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.demo.Client;
import org.jontrel.server.Application;
import org.jontrel.site.table.Database;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The application is killed (SIGKILL) in the middle of a run; the next start reads, and one button goes on or back. */
public class KillTest {
    private static final int RECORDS = 6_000;
    /** In milliseconds: the gate is held before the run could end. */
    private static final long LOOKED_EVERY = 5;
    /** The application continues the run by itself. */
    private static final String NOBODY = "nobody";

    private static final String PASSWORD = "anna-password";

    @DataProvider
    public Object[][] ways() {
        return new Object[][] {{"Continue", "2.0.0"}, {"Go back", "1.0.0"}, {NOBODY, "2.0.0"}};
    }

    @Test(dataProvider = "ways")
    public void aKilledApplicationLeavesASiteThatReadsAndTheRunEnds(String button, String version) throws Exception {
        var database = TestDatabase.shared().create();
        var killed = start(database, "PT1H");
        var address = killed.address();
        var client = new Client(address);
        prepare(client, database);
        long run;
        run = client.post("/api/sites/trial/runs", Map.of("version", "2.0.0"))
                .get("id")
                .asLong();
        await(client, run, "/steps/0/state", "done");
        try (var gate = holdGate(database + "_site_trial")) {
            while (client.get("/api/sites/trial/runs/" + run)
                            .at("/steps/1/rowsDone")
                            .asLong()
                    == 0) {
                Database.pause(LOOKED_EVERY);
            }
            killed.process().destroyForcibly().waitFor();
            gate.rollback();
        }

        var next = start(database, button.equals(NOBODY) ? "PT1S" : "PT1H");
        try (var visitor = new Visitor(next.address())) {
            visitor.open("/at/trial/moorings/m-7");
            assertThat(visitor.heading("Mooring 7")).isVisible();
            visitor.signIn("anna", PASSWORD);
            visitor.open("/w/tessel/sites/trial/runs/" + run);
            if (!button.equals(NOBODY)) {
                assertThat(visitor.page.getByText("This run was interrupted."))
                        .isVisible(new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions()
                                .setTimeout(20_000));
                visitor.checkAccessibility();
                visitor.button(button).click();
            }
            assertThat(visitor.page.getByRole(AriaRole.STATUS).getByText("Done"))
                    .isVisible(new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions()
                            .setTimeout(60_000));
            check(new Client(next.address()), version);
            assertEquals(visitor.errors(), List.of());
        } finally {
            next.process().destroyForcibly().waitFor();
        }
    }

    private static void await(Client client, long run, String what, String wanted) {
        while (!client.get("/api/sites/trial/runs/" + run).at(what).asString().equals(wanted)) {
            Database.pause(LOOKED_EVERY);
        }
    }

    /** As a writer that is slow to end: no run comes to its switch meanwhile, however fast it is. */
    private static Connection holdGate(String database) throws SQLException {
        var connection = DriverManager.getConnection(
                TestDatabase.shared().url(database), TestDatabase.USER, TestDatabase.PASSWORD);
        connection.setAutoCommit(false);
        try (var statement = connection.createStatement()) {
            statement.executeUpdate("UPDATE jontrel_gate SET passed = passed + 1 WHERE slot = 0");
        }
        return connection;
    }

    private record RunningServer(Process process, String address) {}

    private static RunningServer start(String database, String continueEvery) throws IOException, InterruptedException {
        int port = freePort();
        var process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-XX:+UseSerialGC",
                        "-cp",
                        System.getProperty("java.class.path"),
                        Application.class.getName(),
                        "--server.port=" + port,
                        "--spring.datasource.url=" + TestDatabase.shared().url(database),
                        "--spring.datasource.username=" + TestDatabase.USER,
                        "--spring.datasource.password=" + TestDatabase.PASSWORD,
                        "--jontrel.setup-code=" + Installation.SETUP_CODE,
                        "--jontrel.continue-every=" + continueEvery,
                        "--jontrel.run-stale-seconds=2")
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        var running = new RunningServer(process, "http://127.0.0.1:" + port);
        Waiting.untilAnswered("the application", () -> {
            new Client(running.address()).get("/actuator/health");
            return true;
        });
        return running;
    }

    private static int freePort() throws IOException {
        try (var socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    private static void prepare(Client client, String database) throws SQLException, InterruptedException {
        client.get("/api/session");
        client.post("/api/setup", Map.of("code", Installation.SETUP_CODE, "name", "anna", "password", PASSWORD));
        client.signIn("anna", PASSWORD);
        client.post("/api/workspaces", Map.of("title", "Tessel"));
        release(client, Moorings.standard(), "1.0.0");
        client.post("/api/workspaces/tessel/sites", Map.of("name", "Trial"));
        Installation.install(client, "trial", "1.0.0");
        fill(database + "_site_trial");
        release(
                client,
                Moorings.with(
                        Moorings.RISE,
                        f -> f.withKind(new Kind.Numeric(2, null, null, "m")).withKey("rise_m")),
                "2.0.0");
        client.put(
                "/api/workspaces/tessel/releases/2.0.0/decisions",
                Map.of("field", "frise", "about", "UNCONVERTED", "answer", "SET_ASIDE", "value", ""));
    }

    private static void release(Client client, Model model, String version) {
        var type = model.types().getFirst();
        long base = 0;
        for (var drafted : client.get("/api/workspaces/tessel/draft").get("definitions")) {
            base = drafted.get("revision").asLong();
        }
        client.put(
                "/api/workspaces/tessel/draft/definitions/" + type.id(),
                Map.of("sort", "type", "base", base, "definition", PackageWriter.tree(type)));
        client.post("/api/workspaces/tessel/releases", Map.of("version", version, "notes", ""));
    }

    private static void fill(String database) throws SQLException {
        try (var connection = DriverManager.getConnection(
                        TestDatabase.shared().url(database), TestDatabase.USER, TestDatabase.PASSWORD);
                var statement = connection.createStatement()) {
            statement.execute(
                    "INSERT INTO mooring (id, slug, state, version, complete, created_at, updated_at, created_by,"
                            + " updated_by, title, rise) SELECT seq, CONCAT('m-', seq), 'published', 1, 1, UTC_TIMESTAMP(6),"
                            + " UTC_TIMESTAMP(6) - INTERVAL 1 DAY, 'x', 'x', CONCAT('Mooring ', seq), IF(seq % 10 = 0,"
                            + " 'about 9ft', seq / 4) FROM seq_1_to_" + RECORDS);
        }
    }

    private static void check(Client client, String version) {
        client.signIn("anna", PASSWORD);
        var site = client.get("/api/workspaces/tessel/sites?counts=true").get(0);
        assertEquals(site.get("version").asString(), version);
        assertEquals(site.get("records").asLong(), RECORDS);
        for (long id : new long[] {1, 10, RECORDS / 2, RECORDS - 1}) {
            var values =
                    client.get("/api/sites/trial/types/mooring/records/" + id).at("/record/values");
            boolean text = id % 10 == 0;
            if (version.equals("1.0.0")) {
                assertEquals(values.get("rise").asString(), text ? "about 9ft" : "%.4f".formatted(id / 4.0));
            } else {
                assertEquals(values.has("rise_m"), !text);
                assertTrue(
                        text || Math.abs(Double.parseDouble(values.get("rise_m").asString()) - id / 4.0) < 1e-9);
            }
        }
        client.post(
                "/api/sites/trial/types/mooring/records",
                Map.of("version", 0, "state", "draft", "values", Map.of("title", "New")));
    }
}
