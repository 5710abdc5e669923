package org.jontrel.server.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.Map;
import org.jontrel.server.OrchardServer;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What somebody did to a site's tables is found by the schedule, told at its tile, and put back on request. */
public class DriftTest {
    private static final String SITE = "/api/sites/field/";
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of(), "--jontrel.drift-first=PT0.2S", "--jontrel.drift-every=PT0.2S");
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private int told() {
        return server.anna
                .ok("GET", "/api/workspaces/orchard/sites", null)
                .get(0)
                .get("drift")
                .asInt();
    }

    private JsonNode drift() {
        return server.anna.ok("GET", SITE + "drift", null);
    }

    @Test
    public void theScheduleFindsItAndItIsPutBack() throws InterruptedException, SQLException {
        Waiting.until("the first look", () -> drift().hasNonNull("lookedAt"));
        assertEquals(drift().get("differences").size(), 0);
        assertEquals(told(), 0);
        try (var source = server.site();
                var connection = source.getConnection();
                var statement = connection.createStatement()) {
            statement.execute("ALTER TABLE tree DROP COLUMN height");
        }
        // a look that began before may see half of it
        Waiting.until("the next look", () -> told() > 0 && drift().toString().contains("DRIFT_COLUMN_GONE"));
        var found = drift().get("differences").get(0);
        assertEquals(found.at("/finding/code").asString(), "DRIFT_COLUMN_GONE");
        assertEquals(found.get("mendable").asBoolean(), true);
        var plan = server.anna.send("GET", SITE + "plan?version=1.0.0", null);
        assertTrue(plan.body().contains("DRIFT_COLUMN_GONE"), plan.body());
        var left = server.anna.ok(
                "POST",
                SITE + "drift/mend",
                Map.of(
                        "code",
                        "DRIFT_COLUMN_GONE",
                        "definition",
                        found.at("/finding/definition").asString(),
                        "field",
                        found.at("/finding/field").asString()));
        assertEquals(left.get("differences").size(), 0, left.toString());
        assertEquals(told(), 0);
        assertEquals(
                server.anna
                        .ok("POST", SITE + "drift/look", null)
                        .get("differences")
                        .size(),
                0);
    }

    /** From the column to a field of a release that has its values. */
    @Test(dependsOnMethods = "theScheduleFindsItAndItIsPutBack")
    public void aColumnThatSomebodyAddedIsTakenIntoTheDraft() throws SQLException {
        try (var source = server.site();
                var connection = source.getConnection();
                var statement = connection.createStatement()) {
            statement.execute("ALTER TABLE tree ADD COLUMN girth_cm INT");
        }
        var found = server.anna
                .ok("POST", SITE + "drift/look", null)
                .get("differences")
                .get(0);
        assertEquals(found.at("/finding/property").asString(), "girth_cm");
        assertTrue(found.get("takeable").asBoolean());
        assertFalse(found.get("mendable").asBoolean());
        var taking = Map.of("definition", "ttree", "field", "", "property", "girth_cm");
        var taken = server.anna.ok("POST", SITE + "drift/take", taking);
        assertEquals(taken.get("label").asString(), "Girth cm");
        assertEquals(taken.at("/drift/differences").size(), 0, taken.toString());
        var draft = server.anna.ok("GET", "/api/workspaces/orchard/draft", null).toString();
        assertTrue(draft.contains(taken.get("field").asString()) && draft.contains("\"girth_cm\""), draft);
        var held = server.anna.ok("GET", SITE + "held", null).toString();
        assertTrue(held.contains("Girth cm"), held);
        assertEquals(server.anna.send("POST", SITE + "drift/take", taking).statusCode(), 409, "it is not there twice");
    }

    @Test(dependsOnMethods = "theScheduleFindsItAndItIsPutBack")
    public void whatIsNotThereIsNotPutBack() {
        var mending = Map.of("code", "DRIFT_COLUMN_GONE", "definition", "ttree", "field", "fheight");
        assertEquals(server.anna.send("POST", SITE + "drift/mend", mending).statusCode(), 409);
        var odd = Map.of("code", "DRIFT_MOON", "definition", "", "field", "");
        assertEquals(server.anna.send("POST", SITE + "drift/mend", odd).statusCode(), 422);
    }
}
