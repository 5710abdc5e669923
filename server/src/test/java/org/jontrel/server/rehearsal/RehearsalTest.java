package org.jontrel.server.rehearsal;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.server.OrchardServer;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A plan is tried on a copy: the site stays as it is, the report says what came of it, and the copy can be looked at. */
public class RehearsalTest {
    private static final String NUMBER = "key: height, label: Height, kind: number, decimals: 2, min: 0, unit: m";
    private static final Map<String, String> TEXT = Map.of(NUMBER, "key: height, label: Height, kind: text");
    private static final String SITE = "/api/sites/field/";
    private OrchardServer server;
    private JsonNode rehearsal;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(TEXT, "--jontrel.rehearsals-every=PT0.2S");
        add("Oak", "4,50 m");
        add("Ash", "as high as a house");
        server.release("2.0.0", Map.of());
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private void add(String name, String height) {
        var values = new HashMap<String, Object>(Orchard.tree(name));
        values.put("height", height);
        server.add("tree", values, "published");
    }

    private JsonNode get(String path) {
        return server.anna.ok("GET", SITE + path, null);
    }

    private JsonNode begin() {
        return server.anna.ok("POST", SITE + "rehearsals", Map.of("version", "2.0.0"));
    }

    private JsonNode ended(JsonNode begun) throws InterruptedException {
        var path = "rehearsals/" + begun.get("id").asLong();
        Waiting.until("the rehearsal", () -> get(path).hasNonNull("finishedAt"));
        return get(path);
    }

    private List<String> copies() {
        return server.anna
                .ok("GET", "/api/workspaces/orchard/sites", null)
                .valueStream()
                .filter(site -> site.hasNonNull("copyOf"))
                .map(site -> site.get("path").asString())
                .toList();
    }

    @Test
    public void aPlanWithOpenQuestionsIsNotRehearsed() {
        var refused = server.anna.send("POST", SITE + "rehearsals", Map.of("version", "2.0.0"));
        assertEquals(refused.statusCode(), 409);
        assertTrue(refused.body().contains("not answered"), refused.body());
        assertEquals(get("rehearsals").size(), 0);
    }

    @Test(dependsOnMethods = "aPlanWithOpenQuestionsIsNotRehearsed")
    public void theReportSaysWhatBecameOfRecords() throws InterruptedException {
        server.anna.ok(
                "PUT",
                "/api/workspaces/orchard/releases/2.0.0/decisions",
                Map.of("field", "fheight", "about", "UNCONVERTED", "answer", "SET_ASIDE", "value", ""));
        rehearsal = ended(begin());
        assertEquals(rehearsal.get("state").asString(), "done", rehearsal.toString());
        var report = rehearsal.get("report");
        assertEquals(report.at("/runs/0/state").asString(), "done");
        assertTrue(report.at("/runs/0/steps").size() > 0);
        assertTrue(report.get("samples").toString().contains("\"before\":\"as high as a house\",\"after\":\"\""));
        assertTrue(report.get("samples").toString().contains("\"before\":\"4,50 m\",\"after\":\"4.50"));
        assertEquals(rehearsal.get("differences").size(), 0);
    }

    @Test(dependsOnMethods = "theReportSaysWhatBecameOfRecords")
    public void theSiteIsAsItWasAndTheCopyCanBeLookedAt() {
        assertEquals(get("plan?version=2.0.0").get("from").asString(), "1.0.0");
        var copy = rehearsal.get("copy").asString();
        assertEquals(copies(), List.of(copy));
        assertEquals(
                server.anna
                        .ok("GET", "/api/sites/" + copy + "/runs", null)
                        .get(0)
                        .get("toVersion")
                        .asString(),
                "2.0.0");
        var page = server.session().send("GET", "/at/" + copy + "/trees/oak", null);
        assertEquals(page.statusCode(), 200);
        assertTrue(page.body().contains("4.5"), page.body());
        assertTrue(page.body().contains("noindex"), "search engines leave it out");
        var nested = server.anna.send("POST", "/api/sites/" + copy + "/rehearsals", Map.of("version", "2.0.0"));
        assertEquals(nested.statusCode(), 409);
    }

    @Test(dependsOnMethods = "theSiteIsAsItWasAndTheCopyCanBeLookedAt")
    public void whatChangedSinceIsTold() {
        add("Elm", "higher than that");
        var differences = get("rehearsals/" + rehearsal.get("id").asLong()).get("differences");
        assertEquals(differences.size(), 1, differences.toString());
        assertTrue(differences.get(0).asString().contains("Height"), differences.toString());
    }

    @Test(dependsOnMethods = "whatChangedSinceIsTold")
    public void theNextRehearsalTakesTheCopysPlace() throws InterruptedException {
        var before = rehearsal.get("copy").asString();
        var next = ended(begin());
        assertEquals(copies(), List.of(next.get("copy").asString()));
        assertEquals(
                server.anna.send("GET", "/api/sites/" + before + "/runs", null).statusCode(), 404);
        assertEquals(next.get("differences").size(), 0);
        server.anna.ok("DELETE", SITE + "rehearsals/" + next.get("id").asLong() + "/copy", null);
        assertEquals(copies(), List.of());
        var left = get("rehearsals/" + next.get("id").asLong());
        assertTrue(left.at("/report/samples").size() > 0, "the report stays");
        assertFalse(left.hasNonNull("copy"));
        assertEquals(databases(), 0);
    }

    @Test(dependsOnMethods = "theNextRehearsalTakesTheCopysPlace")
    public void oneThatIsGivenUpLeavesNothing() throws InterruptedException {
        var begun = begin();
        var again = server.anna.send("POST", SITE + "rehearsals", Map.of("version", "2.0.0"));
        assertEquals(again.statusCode(), 409, again.body());
        server.anna.ok("DELETE", SITE + "rehearsals/" + begun.get("id").asLong() + "/copy", null);
        assertEquals(ended(begun).get("state").asString(), "given_up");
        Waiting.until("the copy's end", () -> databases() == 0);
        assertEquals(get("rehearsals").size(), 3);
    }

    /** As where the application was killed: nobody is at it any more. */
    @Test(dependsOnMethods = "oneThatIsGivenUpLeavesNothing")
    public void oneThatNobodyIsAtFailsAndLeavesNothing() throws InterruptedException {
        var own = server.database();
        execute("CREATE DATABASE " + own + "_site__copy_c00000000");
        execute("INSERT INTO " + own
                + ".rehearsal (id, site_path, version, state, by_whom, copy_path, started_at, beat_at)"
                + " VALUES (7, 'field', '2.0.0', 'copying', 'anna', 'field-copy-c00000000', UTC_TIMESTAMP(3),"
                + " UTC_TIMESTAMP(3) - INTERVAL 1 HOUR)");
        Waiting.until(
                "its end", () -> get("rehearsals/7").get("state").asString().equals("failed"));
        assertTrue(get("rehearsals/7").get("message").asString().contains("Rehearse again"));
        Waiting.until("the copy's end", () -> databases() == 0);
    }

    private void execute(String sql) {
        try (var source = server.site();
                var connection = source.getConnection();
                var statement = connection.createStatement()) {
            statement.execute(sql);
        } catch (SQLException e) {
            throw new AssertionError(e);
        }
    }

    /** How many databases of copies there are. */
    private int databases() {
        try (var source = server.site();
                var connection = source.getConnection();
                var statement = connection.createStatement();
                var found =
                        statement.executeQuery("SHOW DATABASES LIKE '" + server.database() + "\\_site\\_\\_copy%'")) {
            int count = 0;
            while (found.next()) {
                count++;
            }
            return count;
        } catch (SQLException e) {
            throw new AssertionError(e);
        }
    }
}
