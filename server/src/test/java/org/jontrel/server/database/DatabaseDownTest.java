package org.jontrel.server.database;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.sql.Connection;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import javax.sql.DataSource;
import org.awaitility.Awaitility;
import org.jontrel.server.Application;
import org.jontrel.server.Session;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.Waiting;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What is answered while the database cannot be reached, and after. */
public class DatabaseDownTest {
    /** The shortest that the pool takes. */
    private static final Duration POOL_WAIT = Duration.ofMillis(250);

    private DatabaseProxy way;
    private ConfigurableApplicationContext context;
    private Session session;

    /** The only way to the database, which can be closed and opened again. */
    private static final class DatabaseProxy {
        private final int to;
        private final int port;
        private final List<Socket> open = new ArrayList<>();
        private ServerSocket door;

        DatabaseProxy(int to) throws IOException {
            this.to = to;
            door = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
            port = door.getLocalPort();
            serve(door);
        }

        private void serve(ServerSocket at) {
            Thread.ofVirtual().start(() -> {
                while (!at.isClosed()) {
                    try {
                        var here = at.accept();
                        var there = new Socket(InetAddress.getLoopbackAddress(), to);
                        keep(here, there);
                        Thread.ofVirtual().start(() -> carry(here, there));
                        Thread.ofVirtual().start(() -> carry(there, here));
                    } catch (IOException _) {
                        // closed
                    }
                }
            });
        }

        private synchronized void keep(Socket here, Socket there) {
            open.addAll(List.of(here, there));
        }

        private static void carry(Socket from, Socket to) {
            try (from;
                    to) {
                from.getInputStream().transferTo(to.getOutputStream());
            } catch (IOException _) {
                // closed
            }
        }

        synchronized void close() throws IOException {
            door.close();
            for (var socket : open) {
                socket.close();
            }
            open.clear();
        }

        void openAgain() throws IOException {
            door = new ServerSocket(port, 50, InetAddress.getLoopbackAddress());
            serve(door);
        }
    }

    @BeforeClass
    public void start() throws IOException {
        var database = TestDatabase.shared();
        var url = database.url(database.create());
        int port = Integer.parseInt(url.replaceFirst(".*:([0-9]+)/.*", "$1"));
        way = new DatabaseProxy(port);
        context = new SpringApplicationBuilder(Application.class)
                .run(
                        "--server.port=0",
                        "--spring.datasource.url=" + url.replace(":" + port + "/", ":" + way.port + "/"),
                        "--spring.datasource.username=" + TestDatabase.USER,
                        "--spring.datasource.password=" + TestDatabase.PASSWORD,
                        "--spring.datasource.hikari.connection-timeout=" + POOL_WAIT.toMillis(),
                        "--jontrel.setup-code=only-for-tests");
        session = new Session("http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port"));
    }

    @AfterClass(alwaysRun = true)
    public void stop() throws IOException {
        context.close();
        way.close();
    }

    @Test
    public void everybodyIsToldAndServedAgainLater() throws Exception {
        assertEquals(session.send("GET", "/api/session", null).statusCode(), 200);
        way.close();
        for (int i = 0; i < 5; i++) {
            for (var path : List.of("/api/session", "/at/nowhere/", "/at/nowhere/api")) {
                var answer = session.send("GET", path, null);
                assertEquals(answer.statusCode(), 503, path + answer.body());
                assertTrue(answer.body().contains("The database cannot be reached"), answer.body());
                assertTrue(answer.headers().firstValue("Retry-After").isPresent());
            }
        }
        way.openAgain();
        Waiting.until(
                "the database", () -> session.send("GET", "/api/session", null).statusCode() != 503);
        assertEquals(session.send("GET", "/api/session", null).statusCode(), 200);
        assertEquals(session.send("GET", "/at/nowhere/", null).statusCode(), 404);
    }

    @Test
    public void whoComesWhileAllConnectionsAreInUseIsServedWhenOneIsFree() throws Exception {
        var pool = context.getBean(DataSource.class).unwrap(HikariDataSource.class);
        var taken = new ArrayList<Connection>();
        try (var reader = Executors.newVirtualThreadPerTaskExecutor()) {
            while (taken.size() < pool.getMaximumPoolSize()) {
                taken.add(pool.getConnection());
            }
            var answer = reader.submit(() -> session.send("GET", "/api/session", null));
            Awaitility.await("no answer before there is a connection")
                    .during(POOL_WAIT.multipliedBy(4))
                    .until(() -> !answer.isDone());
            taken.removeLast().close();
            assertEquals(answer.get().statusCode(), 200, answer.get().body());
        } finally {
            for (var connection : taken) {
                connection.close();
            }
        }
    }
}
