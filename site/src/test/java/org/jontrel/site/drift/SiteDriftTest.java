package org.jontrel.site.drift;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.run.Runs;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestSite;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What somebody did to tables past the definitions is found and named, and what can be put back is. */
public class SiteDriftTest {
    private TestSite site;
    private StoredRecord oak;

    @BeforeMethod
    public void start() {
        site = TestSite.open();
        site.install("1.0.0", Orchard.model());
        oak = site.save(type("tree"), Orchard.tree("Oak"));
        site.save(type("tree"), Orchard.tree("Ash"));
    }

    @AfterMethod(alwaysRun = true)
    public void stop() {
        site.close();
    }

    private String type(String key) {
        return org.jontrel.site.testing.TestRecords.type(site.site(), key);
    }

    private void say(String sql) {
        try (var connection = site.source().getConnection()) {
            Jdbc.execute(connection, sql);
        } catch (SQLException e) {
            throw new AssertionError(sql, e);
        }
    }

    private List<Finding> look() {
        return site.site().drift().look();
    }

    private String table(String fieldKey) throws SQLException {
        try (var connection = site.source().getConnection()) {
            return Jdbc.query(connection, "SHOW TABLES LIKE '%" + fieldKey + "%'", row -> row.getString(1)).stream()
                    .findFirst()
                    .orElseThrow();
        }
    }

    @Test
    public void aSiteThatNobodyTouchedHasNone() {
        assertEquals(look(), List.of());
    }

    @DataProvider
    public Object[][] deeds() {
        return new Object[][] {
            {"ALTER TABLE tree DROP COLUMN height", Code.DRIFT_COLUMN_GONE},
            {"DROP TABLE tree__prunings", Code.DRIFT_TABLE_GONE},
            {
                "INSERT INTO tree__prunings (record_id, id, row_id, position) VALUES (77, 1, 0, 0)",
                Code.DRIFT_ROWS_ORPHANED
            },
            {"UPDATE terms__sort__above SET depth = depth + 1", Code.DRIFT_TREE_WRONG},
            {"ALTER TABLE tree MODIFY height DECIMAL(20,6)", Code.DRIFT_COMMENT_GONE},
            {"ALTER TABLE tree__prunings COMMENT = ''", Code.DRIFT_COMMENT_GONE},
            {"ALTER TABLE tree COMMENT = ''", Code.DRIFT_COMMENT_GONE},
        };
    }

    /** Found once, put back, and not found again; a plan and records go on. */
    @Test(dataProvider = "deeds")
    public void isFoundAndPutBack(String deed, Code code) throws SQLException {
        var before = Dump.of(site.source());
        say(deed);
        var found = look();
        assertEquals(found.stream().map(Finding::code).toList(), List.of(code), deed);
        var place = found.getFirst().place();
        assertFalse(
                site.site().drift().mend(code, place.definition(), "fother", "ben"), "only what was found is put back");
        assertTrue(site.site().drift().mend(code, place.definition(), place.field(), "ben"), found.toString());
        assertEquals(look(), List.of());
        if (code != Code.DRIFT_COLUMN_GONE && code != Code.DRIFT_TABLE_GONE) {
            assertEquals(Dump.of(site.source()), before, "to the last byte");
        }
        site.edit(type("tree"), oak.id(), Map.of("title", "Oak, still"));
        assertEquals(
                site.site().records().byId(type("tree"), oak.id()).orElseThrow().title(), "Oak, still");
    }

    /** Who holds locks is not told of tables that wait for them: they are not gone, though. */
    @Test
    public void whatIsChangedInThisMomentIsThere() throws Exception {
        String renamed = "RENAME TABLE terms__sort TO away, away TO terms__sort, tree TO away, away TO tree";
        var target = new Runs.RunTarget("1.0.0", Orchard.model(), List.of());
        var attempts = new AtomicInteger();
        try (var others = Executors.newVirtualThreadPerTaskExecutor()) {
            var changed = new AtomicReference<Future<?>>();
            var plan = site.site().together(() -> {
                site.site().records().count(type("tree"), ListQuery.ALL);
                if (attempts.getAndIncrement() == 0) {
                    changed.set(others.submit(() -> say(renamed)));
                    Waiting.until("a rename that waits for us", this::isAwaited);
                }
                return site.site().runs().plan(target);
            });
            assertEquals(plan.findings(), List.of());
            changed.get().get();
        }
        assertEquals(attempts.get(), 2, "it was in the way once");
    }

    private boolean isAwaited() throws SQLException {
        try (var connection = site.source().getConnection()) {
            return !Jdbc.query(
                            connection,
                            "SELECT id FROM information_schema.processlist"
                                    + " WHERE info LIKE 'RENAME%' AND state LIKE 'Waiting for table metadata lock%'",
                            row -> row.getLong(1))
                    .isEmpty();
        }
    }

    @Test
    public void anIndexThatIsGoneIsMadeAnew() throws SQLException {
        try (var connection = site.source().getConnection()) {
            var named = Jdbc.query(
                    connection,
                    "SELECT DISTINCT index_name FROM information_schema.statistics WHERE table_schema = DATABASE()"
                            + " AND table_name = 'tree' AND index_name NOT IN ('PRIMARY', 'slug', 'slugs', 'updated',"
                            + " 'state', 'retires')",
                    row -> row.getString(1));
            assertFalse(named.isEmpty(), "lists of trees have indexes");
            for (var name : named) {
                Jdbc.execute(connection, "ALTER TABLE tree DROP KEY `" + name + "`");
            }
        }
        assertEquals(look().getFirst().code(), Code.DRIFT_INDEX_GONE);
        assertTrue(site.site().drift().mend(Code.DRIFT_INDEX_GONE, type("tree"), "", "ben"));
        assertEquals(look(), List.of());
    }

    @Test
    public void linksToNothingAreFoundAndRemoved() throws SQLException {
        var uses = table("tree__terms");
        say("INSERT INTO `" + uses + "` (record_id, row_id, position, term_id) VALUES (" + oak.id() + ", 0, 9, 4711)");
        var found = look();
        assertEquals(found.stream().map(Finding::code).toList(), List.of(Code.DRIFT_LINKS_ASTRAY));
        var place = found.getFirst().place();
        assertTrue(site.site().drift().mend(Code.DRIFT_LINKS_ASTRAY, place.definition(), place.field(), "ben"));
        assertEquals(look(), List.of());
    }
}
