package org.jontrel.e2e;

import org.jontrel.server.Application;
import org.jontrel.site.testing.TestDatabase;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** The whole application on a free port with an empty database of its own. */
final class Installation implements AutoCloseable {
    static final String SETUP_CODE = "only-for-tests";
    private final String database;
    private ConfigurableApplicationContext context;

    Installation() {
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

    String address() {
        return "http://127.0.0.1:" + port();
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
