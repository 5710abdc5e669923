package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Map;
import org.jontrel.site.testing.Orchard;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Held values over HTTP: what is there, as a file, back again, gone. */
public class HeldApiTest {
    private static final String HEIGHT =
            "      - {id: fheight, key: height, label: Height, kind: number, decimals: 2," + " min: 0, unit: m}\n";
    private static final String HELD = "/api/sites/field/held";
    private OrchardServer server;
    private long first;

    @BeforeMethod
    public void start() throws InterruptedException {
        server = OrchardServer.start();
        first = server.add("tree", Orchard.tree("=A"), "published");
        server.add("tree", Orchard.tree("B"), "published");
        release("2.0.0", Map.of(HEIGHT, "", "columns: [fplanted, fheight]", "columns: [fplanted]"));
    }

    @AfterMethod(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private void release(String version, Map<String, String> edits) throws InterruptedException {
        server.release(version, edits);
        server.run(version);
    }

    private JsonNode held() {
        var held = server.anna.ok("GET", HELD, null).get("held");
        assertEquals(held.size(), 1, held.toString());
        return held.get(0);
    }

    private String name() {
        return held().get("name").asString();
    }

    @Test
    public void valuesAreListedReadAndExported() {
        var held = held();
        assertEquals(held.get("definitionName").asString(), "Trees");
        assertEquals(held.get("fieldName").asString(), "Height");
        assertEquals(held.get("values").asLong(), 2);
        assertEquals(held.get("way").asString(), "no_field");
        assertTrue(held.get("undoNeeds").asBoolean());
        var page = server.anna.ok("GET", HELD + "/" + name() + "?most=1", null);
        assertEquals(page.at("/fields/0").asString(), "Height");
        assertEquals(page.at("/records/0/values/0").asString(), "4.50\u00a0m");
        assertEquals(page.at("/records/0/title").asString(), "=A");
        assertEquals(page.get("next").asLong(), first);
        var rest = server.anna.ok("GET", HELD + "/" + name() + "?most=1&after=" + first, null);
        assertEquals(rest.at("/records/0/title").asString(), "B");
        assertFalse(rest.has("next") && !rest.get("next").isNull());
        var csv = server.anna
                .send("GET", HELD + "/" + name() + "/export.csv", null)
                .body();
        assertEquals(csv.lines().toList().getFirst(), "Number,State,Address,Height");
        assertTrue(csv.contains(first + ",published,a,4.50"), csv);
        assertEquals(csv.lines().count(), 3);
        var unknown = server.anna.send("GET", HELD + "/nothing", null);
        assertEquals(unknown.statusCode(), 404);
        assertTrue(unknown.body().contains("Nothing is held under nothing"), unknown.body());
    }

    @Test
    public void valuesComeBackWhereTheirFieldIs() throws InterruptedException {
        var body = Map.of("replace", false, "after", 0);
        var refused = server.anna.send("POST", HELD + "/" + name() + "/bring-back", body);
        assertEquals(refused.statusCode(), 409);
        assertTrue(refused.body().contains("Add it again under its id"), refused.body());
        release("3.0.0", Map.of());
        var back = server.anna.ok("POST", HELD + "/" + name() + "/bring-back", body);
        assertEquals(back.get("brought").asLong(), 2, back.toString());
        var record = server.anna.ok("GET", "/api/sites/field/types/tree/records/" + first, null);
        assertEquals(record.at("/record/values/height").asString(), "4.50");
        assertEquals(record.at("/record/updatedBy").asString(), "anna");
        var again = server.anna.ok("POST", HELD + "/" + name() + "/bring-back", body);
        assertEquals(again.get("kept").asLong(), 2, again.toString());
        var bad = server.anna.send("POST", HELD + "/" + name() + "/bring-back", Map.of("after", 0));
        assertEquals(bad.statusCode(), 400, bad.body());
    }

    @Test
    public void purgingIsSaidExactlyAndTold() {
        assertEquals(server.anna.send("DELETE", HELD, null).statusCode(), 422);
        assertEquals(server.anna.send("DELETE", HELD + "?name=a&run=1", null).statusCode(), 422);
        assertEquals(server.anna.send("DELETE", HELD + "?definition=none", null).statusCode(), 404);
        var run = held().get("runId").asLong();
        var gone = server.anna.ok("DELETE", HELD + "?run=" + run, null);
        assertEquals(gone.get("values").asLong(), 2);
        var now = server.anna.ok("GET", HELD, null);
        assertEquals(now.get("held").size(), 0);
        assertEquals(now.at("/purged/0/values").asLong(), 2);
        assertEquals(now.at("/purged/0/by").asString(), "anna");
        assertTrue(server.anna.ok("GET", "/api/trail", null).toString().contains("Trees Height: 2"));
        var undo = server.anna.send("POST", "/api/sites/field/runs/" + run + "/undo", Map.of());
        assertEquals(undo.statusCode(), 409, undo.body());
    }
}
