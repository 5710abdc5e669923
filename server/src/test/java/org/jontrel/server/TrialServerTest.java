package org.jontrel.server;

import java.util.Map;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.Waiting;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import tools.jackson.databind.json.JsonMapper;

/** A server with an architect, an editor and a viewer, and one site of moorings. */
abstract class TrialServerTest {
    static final JsonMapper JSON = JsonMapper.shared();
    static final String CODE = "only-for-tests";
    static final String TYPE = "tmooring";
    ConfigurableApplicationContext context;
    Session anna;
    Session ben;
    Session cleo;

    String address() {
        return "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
    }

    @BeforeClass
    public void start() throws InterruptedException {
        var database = TestDatabase.shared();
        context = new SpringApplicationBuilder(Application.class)
                .run(
                        "--server.port=0",
                        "--spring.datasource.url=" + database.url(database.create()),
                        "--spring.datasource.username=" + TestDatabase.USER,
                        "--spring.datasource.password=" + TestDatabase.PASSWORD,
                        "--jontrel.setup-code=" + CODE,
                        "--jontrel.run-stale-seconds=2");
        var first = new Session(address());
        first.ok("GET", "/api/session", null);
        first.ok("POST", "/api/setup", Map.of("code", CODE, "name", "anna", "password", "anna-password"));
        anna = new Session(address()).signIn("anna", "anna-password");
        anna.ok("POST", "/api/accounts", Map.of("name", "ben", "role", "editor", "password", "ben-password"));
        anna.ok("POST", "/api/accounts", Map.of("name", "cleo", "role", "viewer", "password", "cleo-password"));
        ben = new Session(address()).signIn("ben", "ben-password");
        cleo = new Session(address()).signIn("cleo", "cleo-password");
        anna.ok("POST", "/api/workspaces", Map.of("title", "Tessel"));
        var type = Moorings.standard().types().getFirst();
        anna.ok(
                "PUT",
                "/api/workspaces/tessel/draft/definitions/" + TYPE,
                Map.of("sort", "type", "base", 0, "definition", PackageWriter.tree(type)));
        anna.ok("POST", "/api/workspaces/tessel/releases", Map.of("version", "1.0.0", "notes", ""));
        anna.ok("POST", "/api/workspaces/tessel/sites", Map.of("name", "Trial"));
        var run = anna.ok("POST", "/api/sites/trial/runs", Map.of("version", "1.0.0"));
        Waiting.until(
                "the run",
                () -> anna.ok("GET", "/api/sites/trial/runs/" + run.get("id").asLong(), null)
                        .get("state")
                        .asString()
                        .equals("done"));
        anna.ok("POST", "/api/sites/trial/types/mooring/records", record("First"));
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        context.close();
    }

    static Map<String, Object> record(String title) {
        return Map.of("version", 0, "state", "published", "values", Map.of("title", title));
    }
}
