package org.jontrel.site.copy;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.TimeZone;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.Site;
import org.jontrel.site.run.Runs;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.testing.Drawn;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.TestRecords;
import org.jontrel.site.testing.TestSite;
import org.jontrel.site.testing.WholeDump;
import org.testng.annotations.Test;

/** A copy has what the site had at one moment, to the last byte, and lives a life of its own. */
public class SiteCopyTest {
    private static final int CASES = Integer.getInteger("copy.cases", 6);
    private static final List<String> ZONES = List.of("UTC", "America/St_Johns", "Asia/Kathmandu");
    private static final int RECORDS = 3_000;

    /** For any model and its records. */
    @Test
    public void aCopyHasEveryByte() throws SQLException {
        var zone = TimeZone.getDefault();
        try {
            for (int seed = 1; seed <= CASES; seed++) {
                TimeZone.setDefault(TimeZone.getTimeZone(ZONES.get(seed % ZONES.size())));
                isCopied(seed);
            }
        } finally {
            TimeZone.setDefault(zone);
        }
    }

    private static void isCopied(int seed) throws SQLException {
        var database = TestDatabase.shared();
        try (var site = TestSite.open();
                var target = database.source(database.create())) {
            var model = new Models(seed).model();
            site.install("1", model);
            new Drawn(site.site()).fill(model);
            keep(site, "bytes of a picture");
            var rows = new AtomicLong();
            SiteCopy.make(site.source(), target, rows::set);
            var bytes = Dump.of(site.source());
            WholeDump.assertSame(target, site.source(), "seed " + seed);
            assertTrue(rows.get() > 0);
            var copy = Site.open(target, "copy", Duration.ofSeconds(2));
            new Drawn(copy).read();
            var read = new Runs.RunTarget("2", model, List.of());
            TestSite.run(copy.runs().start(read, "anna", _ -> {}));
            assertEquals(site.site().installed().version(), "1");
            assertEquals(Dump.of(site.source()), bytes, "what is done to the copy is not done to the site");
            assertEquals(kept(target), "bytes of a picture");
        }
    }

    private static void keep(TestSite site, String bytes) throws SQLException {
        try (var connection = site.source().getConnection()) {
            Jdbc.update(connection, "INSERT INTO jontrel_content VALUES ('picture', 0, ?)", bytes);
        }
    }

    private static String kept(javax.sql.DataSource source) throws SQLException {
        try (var connection = source.getConnection()) {
            return Jdbc.first(connection, "SELECT content FROM jontrel_content", row -> row.getString(1))
                    .orElseThrow();
        }
    }

    /** Each save raises a record's version and adds a line to its history, in two tables that are not copied at once. */
    @Test
    public void itIsOfOneMomentWhileSomebodyWrites() throws Exception {
        var database = TestDatabase.shared();
        try (var site = TestSite.open();
                var target = database.source(database.create());
                var pool = Executors.newVirtualThreadPerTaskExecutor()) {
            site.install("1.0.0", Moorings.standard());
            fill(site);
            var over = new AtomicBoolean();
            var writer = pool.submit(() -> {
                for (long round = 0; !over.get(); round++) {
                    edit(site, 1 + round % RECORDS, "Written " + round);
                }
                return null;
            });
            SiteCopy.make(site.source(), target, _ -> {});
            over.set(true);
            writer.get();
            try (var connection = target.getConnection()) {
                long saves = Jdbc.number(connection, "SELECT SUM(version - 1) FROM mooring");
                assertTrue(saves > 0, "somebody wrote before the copy began");
                assertEquals(Jdbc.number(connection, "SELECT COUNT(*) FROM jontrel_history"), saves);
            }
        }
    }

    private static void fill(TestSite site) throws SQLException {
        try (var connection = site.source().getConnection()) {
            Jdbc.update(
                    connection,
                    "INSERT INTO mooring (id, slug, state, version, complete, created_at, updated_at, created_by, updated_by,"
                            + " title) SELECT seq, CONCAT('m-', seq), 'published', 1, 1, UTC_TIMESTAMP(6), UTC_TIMESTAMP(6),"
                            + " 'x', 'x', CONCAT('Mooring ', seq) FROM seq_1_to_" + RECORDS);
        }
        edit(site, 1, "Written first");
    }

    private static void edit(TestSite site, long id, String title) {
        var now = TestRecords.byId(site.site(), "mooring", id).orElseThrow();
        TestSite.stored(TestRecords.save(
                site.site(),
                "mooring",
                java.util.Optional.of(id),
                now.version(),
                RecordState.PUBLISHED,
                Map.of("title", title),
                "ben"));
    }

    @Test
    public void whoGivesUpIsHeeded() {
        var database = TestDatabase.shared();
        try (var site = TestSite.open();
                var target = database.source(database.create())) {
            site.install("1.0.0", Moorings.standard());
            assertThrows(
                    CancellationException.class,
                    () -> SiteCopy.make(site.source(), target, _ -> {
                        throw new CancellationException();
                    }));
            assertEquals(site.site().count("tmooring"), 0);
        }
    }
}
