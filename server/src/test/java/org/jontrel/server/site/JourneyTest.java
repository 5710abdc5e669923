package org.jontrel.server.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

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

/** A site two releases behind is taken through both with the answers of each, and comes back from both with one undo. */
public class JourneyTest {
    private static final String NUMBER = "key: height, label: Height, kind: number, decimals: 2, min: 0, unit: m";
    private static final Map<String, String> TEXT = Map.of(NUMBER, "key: height, label: Height, kind: text");
    private static final Map<String, String> YES_NO = Map.of(NUMBER, "key: height, label: Height, kind: yes_no");
    private static final String SITE = "/api/sites/field/";
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(TEXT);
        add("Oak", "7");
        add("Ash", "high");
        server.release("2.0.0", Map.of());
        server.release("3.0.0", YES_NO);
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

    private void answer(String version, String answer) {
        server.anna.ok(
                "PUT",
                "/api/workspaces/orchard/releases/" + version + "/decisions",
                Map.of("field", "fheight", "about", "UNCONVERTED", "answer", answer, "value", ""));
    }

    private String installed() {
        return get("plan?version=3.0.0").get("from").asString();
    }

    private void quiet() throws InterruptedException {
        Waiting.until(
                "the end of all runs",
                () -> server.anna
                        .ok("GET", "/api/workspaces/orchard/sites", null)
                        .get(0)
                        .get("state")
                        .asString()
                        .equals("ready"));
    }

    @Test
    public void thePlanIsOfTheFirstReleaseOnTheWay() {
        var plan = get("plan?version=3.0.0");
        assertEquals(plan.get("to").asString(), "3.0.0");
        assertEquals(plan.get("stages").valueStream().map(JsonNode::asString).toList(), List.of("2.0.0", "3.0.0"));
        assertEquals(plan.get("runnable").asBoolean(), false);
        answer("2.0.0", "SET_ASIDE");
        assertEquals(get("plan?version=3.0.0").get("runnable").asBoolean(), true);
    }

    /** What the second one asks is found on the copy; the site has not moved. */
    @Test(dependsOnMethods = "thePlanIsOfTheFirstReleaseOnTheWay")
    public void aRehearsalTellsHowFarItCame() throws InterruptedException {
        var begun = server.anna.ok("POST", SITE + "rehearsals", Map.of("version", "3.0.0"));
        var path = "rehearsals/" + begun.get("id").asLong();
        Waiting.until("the rehearsal", () -> get(path).hasNonNull("finishedAt"));
        var rehearsal = get(path);
        assertEquals(rehearsal.get("state").asString(), "done", rehearsal.toString());
        assertTrue(rehearsal.get("message").asString().contains("reached release 2.0.0"), rehearsal.toString());
        assertEquals(rehearsal.at("/report/runs").size(), 1);
        assertEquals(installed(), "1.0.0");
        answer("3.0.0", "SET_ASIDE");
    }

    @Test(dependsOnMethods = "aRehearsalTellsHowFarItCame")
    public void oneRunLeadsOverBothAndOneUndoLeadsBack() throws InterruptedException {
        var before = get("types/tree/records?most=9").toString();
        server.anna.ok("POST", SITE + "runs", Map.of("version", "3.0.0"));
        Waiting.until("the second run", () -> installed().equals("3.0.0"));
        quiet();
        var runs = get("runs");
        assertEquals(runs.get(0).get("journey"), runs.get(1).get("journey"));
        assertEquals(runs.get(0).get("fromVersion").asString(), "2.0.0");
        server.anna.ok("POST", SITE + "runs/" + runs.get(0).get("id").asLong() + "/undo", Map.of());
        Waiting.until("the second undo", () -> installed().equals("1.0.0"));
        quiet();
        assertEquals(get("types/tree/records?most=9").toString(), before);
    }
}
