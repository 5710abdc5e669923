package org.jontrel.server;

import static org.testng.Assert.assertEquals;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.site.testing.Orchard;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A past state of a record comes back into fields that are others by now. */
public class RestoreApiTest {
    private static final String NUMBER = "key: height, label: Height, kind: number, decimals: 2, min: 0, unit: m";
    private static final String TEXT = "key: height, label: Height, kind: text";
    private static final String TREES = "/api/sites/field/types/tree/records/";
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.start();
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private int version(long id) {
        return server.anna.ok("GET", TREES + id, null).at("/record/version").asInt();
    }

    private void set(long id, String height) {
        var values = new HashMap<>(Orchard.tree("A"));
        values.put("height", height);
        server.anna.ok("PUT", TREES + id, Map.of("version", version(id), "state", "published", "values", values));
    }

    private JsonNode restore(long id, int past) {
        return server.anna.ok("POST", TREES + id + "/restore", Map.of("current", version(id), "version", past));
    }

    @Test
    public void valuesAreConvertedAndWhatCannotBeIsSaid() throws InterruptedException {
        var id = server.add("tree", Orchard.tree("A"), "published");
        set(id, "5");
        server.release("2.0.0", Map.of(NUMBER, TEXT));
        server.run("2.0.0");
        var first = restore(id, 1);
        assertEquals(first.at("/opened/record/values/height").asString(), "4.5");
        assertEquals(first.get("notRestored").size(), 0);
        set(id, "as high as a house");
        int high = version(id);
        set(id, "6");
        server.release("3.0.0", Map.of());
        server.run("3.0.0");
        var kept = restore(id, high);
        assertEquals(
                kept.get("notRestored").valueStream().map(JsonNode::asString).toList(), List.of("Height"));
        assertEquals(kept.at("/opened/record/values/height").asString(), "6.00");
    }
}
