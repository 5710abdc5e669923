package org.jontrel.bench.record;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.jontrel.site.Site;

/** The three databases on the server that the environment names, as {@code ./jontrel bench records} starts it. */
public final class Databases {
    static final String ENGINE = "jontrel_bench_engine";
    static final String HAND = "jontrel_bench_hand";
    static final String VALUES = "jontrel_bench_values";
    private static final List<String> FILES = List.of(
            "package.yaml",
            "types/survey.yaml",
            "types/person.yaml",
            "types/round.yaml",
            "taxonomies/waterway.yaml",
            "layouts/water_page.yaml");

    private Databases() {}

    static HikariDataSource source(String name) {
        var config = new HikariConfig();
        config.setJdbcUrl(System.getenv("JONTREL_DB_URL").replaceFirst("^(jdbc:mariadb://[^/]+/)[^?]*", "$1" + name));
        config.setUsername(System.getenv("JONTREL_DB_USER"));
        config.setPassword(System.getenv("JONTREL_DB_PASSWORD"));
        config.setMaximumPoolSize(4);
        config.setAutoCommit(false);
        config.setTransactionIsolation("TRANSACTION_READ_COMMITTED");
        return new HikariDataSource(config);
    }

    /** A database of this name with nothing in it. */
    public static HikariDataSource fresh(String name) throws SQLException {
        try (var source = source("");
                var connection = source.getConnection()) {
            say(
                    connection,
                    "DROP DATABASE IF EXISTS " + name,
                    "CREATE DATABASE " + name + " CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci");
        }
        return source(name);
    }

    static Site site(HikariDataSource source) {
        return Site.open(source, "bench", Duration.ofMinutes(1));
    }

    static void say(Connection connection, String... statements) throws SQLException {
        try (var statement = connection.createStatement()) {
            for (var sql : statements) {
                statement.execute(sql);
            }
        }
        connection.commit();
    }

    /** Fifteen fields, rows, terms and relations, and a page of waters, from this module's resources. */
    public static SortedMap<String, byte[]> files() {
        var files = new TreeMap<String, byte[]>();
        FILES.forEach(file -> files.put(file, resource(file)));
        return files;
    }

    static Model model() {
        var findings = new ArrayList<Finding>();
        var read = PackageReader.read(files(), findings);
        if (Finding.blocks(read.findings())) {
            throw new IllegalStateException(
                    read.findings().stream().map(Finding::sentence).toList().toString());
        }
        return read.content().orElseThrow().model();
    }

    private static byte[] resource(String file) {
        try (var in = Databases.class.getResourceAsStream("/survey/" + file)) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A number that the load noted, such as how many records there are. */
    static long noted(Path folder, String name) {
        try {
            return Long.parseLong(Files.readString(folder.resolve(name), StandardCharsets.UTF_8)
                    .strip());
        } catch (IOException _) {
            return 0;
        }
    }
}
