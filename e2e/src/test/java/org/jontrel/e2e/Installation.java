package org.jontrel.e2e;

import org.jontrel.server.Application;
import org.jontrel.site.testing.TestDatabase;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** The whole application on a free port with an empty database of its own. */
final class Installation implements AutoCloseable {
    static final String SETUP_CODE = "only-for-tests";
    private final ConfigurableApplicationContext context;

    Installation() {
        var database = TestDatabase.shared();
        context = new SpringApplicationBuilder(Application.class)
                .run(
                        "--server.port=0",
                        "--spring.datasource.url=" + database.url(database.create()),
                        "--spring.datasource.username=" + TestDatabase.USER,
                        "--spring.datasource.password=" + TestDatabase.PASSWORD,
                        "--jontrel.setup-code=" + SETUP_CODE,
                        "--jontrel.run-stale-seconds=2");
    }

    String address() {
        return "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
    }

    @Override
    public void close() {
        context.close();
    }
}
