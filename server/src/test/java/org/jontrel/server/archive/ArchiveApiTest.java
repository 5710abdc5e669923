package org.jontrel.server.archive;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jontrel.server.OrchardServer;
import org.jontrel.server.Session;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Whole sites out of an installation and in. */
public class ArchiveApiTest {
    private static final String RESTORE = "/api/workspaces/orchard/sites/archive";
    private static final String ZIP = "application/zip";
    private static final List<String> PAGES =
            List.of("", "trees/", "trees/old-pear/", "sorts/", "api/trees", "api/openapi.json");
    private OrchardServer server;
    private Session anna;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of());
        anna = server.anna;
        server.add("tree", Orchard.tree("Old pear"), "published");
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private Map<String, String> pages(String site) {
        var pages = new TreeMap<String, String>();
        for (var page : PAGES) {
            var answer = anna.send("GET", "/at/" + site + "/" + page, null);
            assertEquals(answer.statusCode(), 200, page);
            pages.put(
                    page,
                    answer.body().replace("/at/" + site + "/", "/at/SITE/").replaceAll("look.css\\?v=\\w+", ""));
        }
        return pages;
    }

    @Test
    public void aSiteIsRestoredBesideItself() throws Exception {
        var archive = anna.bytes("/api/sites/field/archive?history=true");
        var taken = anna.sendBytes(RESTORE, ZIP, archive);
        assertEquals(taken.statusCode(), 409, taken.body());
        assertTrue(taken.body().contains("already a site at the address field"), taken.body());
        var made = anna.sendBytes(RESTORE + "?name=Second%20field", ZIP, archive);
        assertEquals(made.statusCode(), 201, made.body());
        assertTrue(made.body().contains("\"path\":\"second-field\""), made.body());
        var expected = pages("field");
        expected.replaceAll((_, page) -> page.replace("Field", "Second field"));
        assertEquals(pages("second-field"), expected);
        // it is one of the workspace's, and lives its own life
        assertTrue(
                anna.ok("GET", "/api/workspaces/orchard/sites", null).toString().contains("second-field"));
        anna.ok(
                "POST",
                "/api/sites/second-field/types/tree/records",
                Map.of("version", 0, "values", Orchard.tree("New plum"), "state", "published"));
        assertEquals(anna.send("GET", "/at/field/trees/new-plum/", null).statusCode(), 404);
        var trail = anna.ok("GET", "/api/trail", null).toString();
        assertTrue(trail.contains("site_archived") && trail.contains("site_restored"), trail);
    }

    @Test
    public void whatIsNotWholeLeavesNothing() throws Exception {
        var archive = anna.bytes("/api/sites/field/archive");
        var before = databases();
        for (var broken : List.of(
                new byte[0],
                "PK".getBytes(java.nio.charset.StandardCharsets.UTF_8),
                java.util.Arrays.copyOf(archive, archive.length - 40))) {
            var refused = anna.sendBytes(RESTORE + "?name=Broken", ZIP, broken);
            assertEquals(refused.statusCode(), 422, refused.body());
            assertTrue(refused.body().contains("cut off"), refused.body());
        }
        assertEquals(databases(), before);
        assertEquals(
                anna.sendBytes(RESTORE + "?name=" + "x".repeat(101), ZIP, archive)
                        .statusCode(),
                422);
        assertEquals(anna.sendBytes(RESTORE, "application/json", archive).statusCode(), 415);
        assertEquals(anna.send("GET", "/api/sites/none/archive", null).statusCode(), 404);
        assertEquals(databases(), before);
    }

    /** What a process that was killed has left goes; what another is filling, and whatever is a site's, stays. */
    @Test(dependsOnMethods = "aSiteIsRestoredBesideItself")
    public void leftOversGo() throws Exception {
        var left = server.database() + "_site__arrived_aleftover1";
        var filled = server.database() + "_site__arrived_afilling01";
        try (var connection = DriverManager.getConnection(
                        TestDatabase.shared().url(""), TestDatabase.USER, TestDatabase.PASSWORD);
                var statement = connection.createStatement()) {
            statement.execute("CREATE DATABASE " + left);
            statement.execute("CREATE DATABASE " + filled);
            statement.execute("SELECT GET_LOCK('" + filled + "', 0)");
            var made = anna.sendBytes(RESTORE + "?name=Third%20field", ZIP, anna.bytes("/api/sites/field/archive"));
            assertEquals(made.statusCode(), 201, made.body());
            assertFalse(databases().contains(left));
            assertTrue(databases().contains(filled));
            assertEquals(
                    anna.send("GET", "/at/second-field/trees/old-pear/", null).statusCode(), 200);
        }
    }

    private List<String> databases() throws SQLException {
        try (var connection = DriverManager.getConnection(
                        TestDatabase.shared().url(""), TestDatabase.USER, TestDatabase.PASSWORD);
                var statement = connection.createStatement();
                var rows = statement.executeQuery("SHOW DATABASES LIKE '" + server.database() + "%'")) {
            var names = new ArrayList<String>();
            while (rows.next()) {
                names.add(rows.getString(1));
            }
            return names;
        }
    }

    @Test(dependsOnMethods = "leftOversGo")
    public void aSiteInARunWaits() throws Exception {
        try (var source = TestDatabase.shared().source(server.database() + "_site_field");
                var connection = source.getConnection();
                var statement = connection.createStatement()) {
            statement.execute("UPDATE jontrel_run SET state = 'running'");
            try {
                var refused = anna.send("GET", "/api/sites/field/archive", null);
                assertEquals(refused.statusCode(), 409, refused.body());
            } finally {
                statement.execute("UPDATE jontrel_run SET state = 'done'");
            }
        }
    }
}
