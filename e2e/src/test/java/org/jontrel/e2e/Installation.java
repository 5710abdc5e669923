package org.jontrel.e2e;

import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Map;
import org.jontrel.demo.Client;
import org.jontrel.server.Application;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.Waiting;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** The whole application on a free port with an empty database of its own. */
public final class Installation implements AutoCloseable {
    static final String SETUP_CODE = "only-for-tests";
    private final String database;
    private ConfigurableApplicationContext context;

    public Installation() {
        database = TestDatabase.shared().create();
        context = started("0");
    }

    private ConfigurableApplicationContext started(String port) {
        return new SpringApplicationBuilder(Application.class)
                .run(
                        "--server.port=" + port,
                        "--spring.datasource.url=" + TestDatabase.shared().url(database),
                        "--spring.datasource.username=" + TestDatabase.USER,
                        "--spring.datasource.password=" + TestDatabase.PASSWORD,
                        "--jontrel.setup-code=" + SETUP_CODE,
                        "--jontrel.run-stale-seconds=2");
    }

    private String port() {
        return context.getEnvironment().getProperty("local.server.port");
    }

    public String address() {
        return "http://127.0.0.1:" + port();
    }

    /** Makes the first account, of an architect; the client is signed in as this one. */
    public Client firstArchitect(String name, String password) {
        var client = new Client(address());
        client.get("/api/session");
        client.post("/api/setup", Map.of("code", SETUP_CODE, "name", name, "password", password));
        client.signIn(name, password);
        return client;
    }

    /** Where the database of a site is. */
    public String siteDatabase(String site) {
        return TestDatabase.shared().url(database + "_site_" + site);
    }

    /** Says something to the database of a site, past the application. */
    public void say(String site, String sql) {
        try (var connection = DriverManager.getConnection(
                        TestDatabase.shared().url(database + "_site_" + site),
                        TestDatabase.USER,
                        TestDatabase.PASSWORD);
                var statement = connection.createStatement()) {
            statement.execute(sql);
        } catch (SQLException e) {
            throw new AssertionError(sql, e);
        }
    }

    /** Installs a release on a site, and waits until it is; the number of the run. */
    public static long install(Client client, String site, String version) {
        var runs = "/api/sites/" + site + "/runs";
        var run = client.post(runs, Map.of("version", version)).get("id").asLong();
        Waiting.until(
                "the run",
                () -> client.get(runs + "/" + run).get("state").asString().equals("done"));
        return run;
    }

    /** Stops the server, does something while it is away, and starts it again where it was. */
    void restart(Runnable meanwhile) {
        var port = port();
        context.close();
        meanwhile.run();
        context = started(port);
    }

    @Override
    public void close() {
        context.close();
    }
}
