package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.sql.DriverManager;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.jontrel.site.testing.TestDatabase;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Many sites in one installation share a bounded number of connections, and an address is exactly what it is. */
public class ManySitesTest {
    private static final int SITES = 200;

    private ConfigurableApplicationContext context;
    private String address;
    private String database;
    private Session anna;

    @BeforeClass
    public void start() throws Exception {
        database = TestDatabase.shared().url(TestDatabase.shared().create());
        context = new SpringApplicationBuilder(Application.class)
                .run(
                        "--server.port=0",
                        "--spring.datasource.url=" + database,
                        "--spring.datasource.username=" + TestDatabase.USER,
                        "--spring.datasource.password=" + TestDatabase.PASSWORD,
                        "--jontrel.setup-code=only-for-tests");
        address = "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
        anna = new Session(address);
        anna.ok("GET", "/api/session", null);
        anna.ok("POST", "/api/setup", Map.of("code", "only-for-tests", "name", "anna", "password", "anna-password"));
        anna.signIn("anna", "anna-password");
        anna.ok("POST", "/api/workspaces", Map.of("title", "Many"));
        for (int i = 0; i < SITES; i++) {
            anna.ok("POST", "/api/workspaces/many/sites", Map.of("name", "Site number " + i));
        }
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        context.close();
    }

    private int status(String path) throws Exception {
        var request = HttpRequest.newBuilder(URI.create(address + path)).build();
        return anna.http.send(request, HttpResponse.BodyHandlers.discarding()).statusCode();
    }

    @Test
    public void allOfThemAnswerAtOnceOverFewConnections() throws Exception {
        try (var readers = Executors.newFixedThreadPool(40)) {
            var answers = IntStream.range(0, SITES * 3)
                    .mapToObj(i -> readers.submit(() -> status("/at/site-number-" + i % SITES + "/")))
                    .toList();
            for (var answer : answers) {
                assertEquals(answer.get().intValue(), 200);
            }
        }
        assertTrue(connections() <= 90, connections() + " connections");
    }

    private int connections() throws Exception {
        try (var connection = DriverManager.getConnection(database, TestDatabase.USER, TestDatabase.PASSWORD);
                var rows = connection.createStatement().executeQuery("SHOW STATUS LIKE 'Threads_connected'")) {
            rows.next();
            return rows.getInt(2);
        }
    }

    @Test
    public void otherSpellingsOfAnAddressAreNoSite() throws Exception {
        for (var spelling :
                List.of("SITE-number-1", "s%C3%ACte-number-1", "site-number-1%E2%80%8B", "site-number-1%20")) {
            assertEquals(status("/at/" + spelling + "/"), 404, spelling);
            assertEquals(status("/at/" + spelling + "/api"), 404, spelling);
            assertEquals(anna.send("GET", "/api/sites/" + spelling, null).statusCode(), 404, spelling);
        }
        assertEquals(status("/at/site-number-1/"), 200);
    }
}
