package org.jontrel.site.archive;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.Schema;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.TestSite;
import org.jontrel.site.testing.WholeDump;
import org.testng.annotations.Test;

/** Wherever a restore is killed, its database is a whole site or none, and the archive makes one again. */
public class KilledRestoreTest {
    private static final int KILLS = Integer.getInteger("archive.kills", 4);
    private static final int RECORDS = 20_000;

    /** Restores as a server does. @param arguments the archive and the name of the database, with the port of its server */
    public static void main(String[] arguments) throws Exception {
        var config = new com.zaxxer.hikari.HikariConfig();
        config.setJdbcUrl(arguments[1]);
        config.setUsername(TestDatabase.USER);
        config.setPassword(TestDatabase.PASSWORD);
        try (var source = new com.zaxxer.hikari.HikariDataSource(config);
                var archive = ArchiveFile.open(Path.of(arguments[0]))) {
            SiteRestore.fill(archive, source, Optional.empty(), _ -> {});
        }
        System.exit(0);
    }

    @Test
    public void itIsAWholeSiteOrNone() throws Exception {
        var file = Files.createTempFile("archive", ".zip");
        try (var site = TestSite.open()) {
            site.install("1.0.0", Moorings.standard());
            try (var connection = site.source().getConnection()) {
                Jdbc.update(
                        connection,
                        "INSERT INTO mooring (id, slug, state, version, complete, created_at, updated_at, created_by,"
                                + " updated_by, title) SELECT seq, CONCAT('m-', seq), 'published', 1, 1, UTC_TIMESTAMP(6),"
                                + " UTC_TIMESTAMP(6), 'x', 'x', CONCAT('Mooring ', seq) FROM seq_1_to_" + RECORDS);
            }
            try (var archive = new SiteArchive(
                            site.source(),
                            Optional.empty(),
                            new ArchiveManifest.ArchivedSite("m", "Moorings", "", "", false),
                            true);
                    var out = Files.newOutputStream(file)) {
                archive.writeTo(out, _ -> {});
            }
            var random = new Random(KILLS);
            int half = 0;
            for (int kill = 0; kill < KILLS; kill++) {
                half += isKilled(file, site.source(), 500 + random.nextInt(2_500)) ? 1 : 0;
            }
            assertTrue(half > 0, "a kill came in the middle");
            try (var target = TestDatabase.shared().source(TestDatabase.shared().create());
                    var archive = ArchiveFile.open(file)) {
                SiteRestore.fill(archive, target, Optional.empty(), _ -> {});
                WholeDump.assertSame(target, site.source(), "after all kills");
            }
        }
    }

    /** Whether it was half done. */
    private static boolean isKilled(Path file, DataSource whole, int millis) throws Exception {
        var name = TestDatabase.shared().create();
        var process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-XX:+UseSerialGC",
                        "-cp",
                        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                        KilledRestoreTest.class.getName(),
                        file.toString(),
                        TestDatabase.shared().url(name))
                .redirectErrorStream(true)
                .redirectOutput(Path.of("target/killed-restore.log").toFile())
                .start();
        boolean ended = process.waitFor(millis, TimeUnit.MILLISECONDS);
        process.destroyForcibly().waitFor();
        if (ended) {
            assertEquals(process.exitValue(), 0, Files.readString(Path.of("target/killed-restore.log")));
        }
        try (var target = TestDatabase.shared().source(name)) {
            if (isSite(target)) {
                WholeDump.assertSame(target, whole, "killed after " + millis + " ms");
                return false;
            }
            return !ended;
        }
    }

    private static boolean isSite(DataSource source) throws SQLException {
        try (var connection = source.getConnection()) {
            return Schema.tables(connection).containsKey("jontrel_installed")
                    && Jdbc.number(connection, "SELECT COUNT(*) FROM jontrel_installed WHERE version <> ''") > 0;
        }
    }
}
