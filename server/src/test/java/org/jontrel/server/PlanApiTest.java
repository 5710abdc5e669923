package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.site.testing.Orchard;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What a draft would do to a site, what a release would do, and what undoing a run would do: as it then comes. */
public class PlanApiTest {
    private static final Map<String, String> TEXT = Map.of(
            "key: height, label: Height, kind: number, decimals: 2, min: 0, unit: m",
            "key: height, label: Height, kind: text");
    private static final String SITE = "/api/sites/field/";
    private static final String TREES = SITE + "types/tree/records/";
    private OrchardServer server;
    private long oak;
    private long ash;
    private long run;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of());
        oak = server.add("tree", Orchard.tree("Oak"), "published");
        ash = server.add("tree", Orchard.tree("Ash"), "published");
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private JsonNode get(String path) {
        return server.anna.ok("GET", SITE + path, null);
    }

    private String height(long id) {
        return get("types/tree/records/" + id).at("/record/values/height").asString();
    }

    private void setHeight(long id, String name, String height) {
        var values = new HashMap<>(Orchard.tree(name));
        values.put("height", height);
        int version = get("types/tree/records/" + id).at("/record/version").asInt();
        server.anna.ok("PUT", TREES + id, Map.of("version", version, "state", "published", "values", values));
    }

    private static List<String> codes(JsonNode plan) {
        return plan.get("findings")
                .valueStream()
                .map(finding -> finding.get("code").asString())
                .sorted()
                .toList();
    }

    @Test
    public void aDraftThatIsInstalledHasNoImpact() {
        var impact = get("impact");
        assertEquals(impact.get("from").asString(), "1.0.0");
        assertEquals(impact.get("to").asString(), "draft");
        assertEquals(impact.get("changes").size() + impact.get("steps").size(), 0, impact.toString());
    }

    @Test(dependsOnMethods = "aDraftThatIsInstalledHasNoImpact")
    public void theImpactOfADraftIsCountedInRecordsAndChangesNone() {
        server.draft(TEXT);
        var impact = get("impact");
        assertEquals(impact.get("changes").size(), 1, impact.toString());
        assertTrue(impact.get("changes").toString().contains("Height"), impact.toString());
        assertTrue(
                impact.get("steps")
                        .valueStream()
                        .anyMatch(step -> step.get("rows").asInt() == 2),
                impact.toString());
        assertEquals(height(oak), "4.50");
        assertEquals(get("plan?version=1.0.0").get("installed").asBoolean(), true);
    }

    @Test(dependsOnMethods = "theImpactOfADraftIsCountedInRecordsAndChangesNone")
    public void undoingAtOnceLosesNothing() throws InterruptedException {
        server.release("2.0.0", TEXT);
        assertEquals(get("plan?version=2.0.0").get("steps"), get("impact").get("steps"));
        run = server.run("2.0.0").get("id").asLong();
        var plan = get("runs/" + run + "/undo-plan");
        assertEquals(List.of(plan.get("from").asString(), plan.get("to").asString()), List.of("2.0.0", "1.0.0"));
        assertEquals(codes(plan), List.of());
        assertTrue(plan.get("steps").size() > 0);
    }

    @Test(dependsOnMethods = "undoingAtOnceLosesNothing")
    public void undoingTellsWhatIsCarriedAndWhatIsHeldAndDoesSo() throws InterruptedException {
        setHeight(oak, "Oak", "as high as a house");
        setHeight(ash, "Ash", "6");
        var plan = get("runs/" + run + "/undo-plan");
        assertEquals(codes(plan), List.of("UNDO_VALUES_CARRIED", "UNDO_VALUES_NOT_CARRIED"), plan.toString());
        var undone = server.ended(server.anna.ok("POST", SITE + "runs/" + run + "/undo", Map.of()));
        assertEquals(undone.get("kind").asString(), "undo");
        assertEquals(height(oak), "4.50");
        assertEquals(height(ash), "6.00");
        var again = server.anna.send("GET", SITE + "runs/" + run + "/undo-plan", null);
        assertEquals(again.statusCode(), 404);
        assertTrue(again.body().contains("was undone already"), again.body());
        run = undone.get("id").asLong();
    }

    @Test(dependsOnMethods = "undoingTellsWhatIsCarriedAndWhatIsHeldAndDoesSo")
    public void anUndoIsUndoneToo() throws InterruptedException {
        var plan = get("runs/" + run + "/undo-plan");
        assertEquals(List.of(plan.get("from").asString(), plan.get("to").asString()), List.of("1.0.0", "2.0.0"));
        var redone = server.ended(server.anna.ok("POST", SITE + "runs/" + run + "/undo", Map.of()));
        assertEquals(redone.get("kind").asString(), "redo");
        assertEquals(height(oak), "as high as a house");
        assertEquals(height(ash), "6");
    }

    @Test(dependsOnMethods = "anUndoIsUndoneToo")
    public void whatHasEndedIsNeitherPausedNorGivenUp() {
        for (var act : List.of("pause", "give-up")) {
            var refused = server.anna.send("POST", SITE + "runs/" + run + "/" + act, Map.of());
            assertEquals(refused.statusCode(), 409, act + ": " + refused.body());
        }
    }
}
