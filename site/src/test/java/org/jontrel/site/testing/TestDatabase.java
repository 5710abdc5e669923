package org.jontrel.site.testing;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;

/** A private MariaDB server on loopback for the tests of one process: Debian's package, a folder that goes away. */
public final class TestDatabase {
    public static final String USER = "jontrel";
    public static final String PASSWORD = "only-for-tests";
    private static final AtomicInteger COUNT = new AtomicInteger();
    private static TestDatabase running;
    private final int port;
    private final Path root;
    private final List<String> command;
    private Process server;

    private TestDatabase(int port, Path root, List<String> command) {
        this.port = port;
        this.root = root;
        this.command = command;
    }

    /** A server of one's own, which may be killed. */
    public static TestDatabase own() {
        return start();
    }

    /** As a power cut would end it. */
    public void kill() {
        server.destroyForcibly();
        try {
            server.waitFor();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Starts it, also after {@link #kill}. */
    public void launch() {
        try {
            server = new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(root.resolve("log").toFile())
                    .start();
            await(port, server, root);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static synchronized TestDatabase shared() {
        if (running == null) {
            running = start();
        }
        return running;
    }

    /** Where it listens, on loopback. */
    public int port() {
        return port;
    }

    /** JDBC address of the server with a database named, or of the server alone. */
    public String url(String name) {
        return "jdbc:mariadb://127.0.0.1:" + port + "/" + name
                + "?sslMode=disable&connectionCollation=utf8mb4_uca1400_ai_ci";
    }

    /** A new, empty database. */
    public String create() {
        var name = "jontrel_t" + COUNT.incrementAndGet() + "_" + Long.toString(System.nanoTime(), 36);
        try (var connection = DriverManager.getConnection(url(""), USER, PASSWORD);
                var statement = connection.createStatement()) {
            statement.execute("CREATE DATABASE " + name);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
        return name;
    }

    public HikariDataSource source(String name) {
        var config = new HikariConfig();
        config.setJdbcUrl(url(name));
        config.setUsername(USER);
        config.setPassword(PASSWORD);
        config.setMaximumPoolSize(12);
        config.setMinimumIdle(0);
        return new HikariDataSource(config);
    }

    private static TestDatabase start() {
        try {
            var root = Files.createTempDirectory("jontrel-db-");
            var data = root.resolve("data");
            run(
                    root,
                    List.of(
                            "mariadb-install-db",
                            "--no-defaults",
                            "--datadir=" + data,
                            "--auth-root-authentication-method=socket",
                            "--skip-test-db",
                            "--skip-name-resolve"));
            var init = Files.writeString(
                    root.resolve("init.sql"),
                    "CREATE USER IF NOT EXISTS '" + USER + "'@'127.0.0.1' IDENTIFIED BY '" + PASSWORD + "';\n"
                            + "GRANT ALL ON *.* TO '" + USER + "'@'127.0.0.1';\n");
            var spill = Files.createDirectory(root.resolve("tmp"));
            int port = freePort();
            var command = new ArrayList<>(List.of(
                    "mariadbd",
                    "--no-defaults",
                    "--datadir=" + data,
                    "--socket=" + root.resolve("s"),
                    "--pid-file=" + root.resolve("pid"),
                    "--tmpdir=" + spill,
                    "--bind-address=127.0.0.1",
                    "--port=" + port,
                    "--skip-name-resolve",
                    "--init-file=" + init,
                    "--character-set-server=utf8mb4",
                    "--collation-server=utf8mb4_uca1400_ai_ci",
                    "--innodb-buffer-pool-size=128M",
                    "--innodb-log-file-size=16M",
                    // what a killed server wrote is with the operating system; only a power cut would need more
                    "--innodb-flush-log-at-trx-commit=2",
                    "--innodb-flush-method=nosync",
                    "--skip-innodb-doublewrite",
                    "--skip-sync-frm",
                    "--max-allowed-packet=64M"));
            if ("root".equals(System.getProperty("user.name"))) {
                command.add("--user=root");
            }
            var database = new TestDatabase(port, root, command);
            Runtime.getRuntime().addShutdownHook(new Thread(() -> stop(database.server, root)));
            database.launch();
            return database;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void run(Path folder, List<String> command) throws IOException {
        var log = folder.resolve("install.log").toFile();
        try {
            var builder = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(log);
            // several tests may make a database at the same time, and its temporary tables have simple names
            builder.environment().put("TMPDIR", folder.toString());
            var process = builder.start();
            if (process.waitFor() != 0) {
                throw new IllegalStateException("mariadb-install-db failed: " + Files.readString(log.toPath()));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private static void await(int port, Process server, Path root) throws IOException {
        Waiting.untilAnswered("the database", () -> !server.isAlive() || accepts(port));
        if (!server.isAlive()) {
            throw new IllegalStateException(
                    "The test database did not start: " + Files.readString(root.resolve("log")));
        }
    }

    private static boolean accepts(int port) throws SQLException {
        try (var _ =
                DriverManager.getConnection("jdbc:mariadb://127.0.0.1:" + port + "/?sslMode=disable", USER, PASSWORD)) {
            return true;
        }
    }

    private static int freePort() throws IOException {
        try (var socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    private static void stop(Process server, Path root) {
        server.destroy();
        try {
            if (!server.waitFor(10, TimeUnit.SECONDS)) {
                server.destroyForcibly().waitFor();
            }
            try (var files = Files.walk(root)) {
                files.sorted(java.util.Comparator.reverseOrder())
                        .forEach(path -> path.toFile().delete());
            }
        } catch (InterruptedException | IOException _) {
            // the process is ending; the folder is in the temporary folder anyway
        }
    }
}
