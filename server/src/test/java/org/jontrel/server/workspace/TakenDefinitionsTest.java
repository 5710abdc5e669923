package org.jontrel.server.workspace;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import java.util.List;
import java.util.Map;
import org.jontrel.server.OrchardServer;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Definitions that programs take into a draft, with ids of their own or without. */
public class TakenDefinitionsTest {
    private static final String ORCHARD = "/api/workspaces/orchard/";
    private OrchardServer server;

    @BeforeClass
    public void start() {
        server = OrchardServer.empty();
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private static Map<String, Object> type(String id, String key, String label) {
        var field = Map.of("key", "size", "label", label, "kind", "number");
        var groups = List.of(Map.of("title", "Facts", "fields", List.of(field)));
        return Map.of(
                "sort",
                "type",
                "definition",
                Map.of("id", id, "key", key, "singular", key, "plural", key + "s", "path", key, "groups", groups));
    }

    @Test
    public void whatCameWithoutAnIdGetsOneThatNothingElseHas() {
        var definitions = List.of(type("tsieve001", "sieve", "Mesh"), type("tkettle01", "kettle", "Litres"));
        server.anna.ok("POST", ORCHARD + "draft/take", Map.of("definitions", definitions));
        var draft = server.anna.ok("GET", ORCHARD + "draft", null);
        assertFalse(draft.toString().contains("\"id\":\"?"), draft.toString());
        var release = server.anna.send("POST", ORCHARD + "releases", Map.of("version", "1.0.0", "notes", ""));
        assertEquals(release.statusCode(), 201, release.body());
    }
}
