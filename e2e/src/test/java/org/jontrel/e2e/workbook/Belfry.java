package org.jontrel.e2e.workbook;

import java.util.List;
import java.util.Map;
import org.jontrel.demo.Client;
import org.jontrel.e2e.Installation;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** A site with bells and the towers where they hang. */
final class Belfry implements AutoCloseable {
    private static final String MODEL = """
            {"definitions": [
              {"sort": "type", "definition": {"id": "ttower001", "key": "tower", "singular": "Tower", "plural": "Towers", "path": "towers", "parts": ["title"],
                "groups": [{"id": "g00000008", "title": "Tower", "fields": [{"id": "f00000001", "key": "steps", "label": "Steps", "kind": "number"}]}]}},
              {"sort": "type", "definition": {"id": "tbell0001", "key": "bell", "singular": "Bell", "plural": "Bells", "path": "bells", "parts": ["title"],
                "groups": [{"id": "g00000009", "title": "Bell", "fields": [
                  {"id": "f00000002", "key": "weight", "label": "Weight", "kind": "number", "unit": "kg"},
                  {"id": "f00000003", "key": "cast_on", "label": "Cast on", "kind": "date"},
                  {"id": "f00000004", "key": "condition", "label": "Condition", "kind": "choice", "options": [
                    {"id": "f00000005", "key": "sound", "label": "Sound"}, {"id": "f00000006", "key": "poor", "label": "Poor"}]},
                  {"id": "f00000007", "key": "tower", "label": "Tower", "kind": "relation", "to": ["ttower001"]}]}]}}]}
            """;
    private static final String RECORDS = "/api/sites/belfry/types/bell/records";
    final Installation installation = new Installation();
    final Client api = installation.firstArchitect("anna", "anna-password");

    Belfry() throws InterruptedException {
        api.post("/api/workspaces", Map.of("title", "Belfries"));
        api.post("/api/workspaces/belfries/draft/take", new ObjectMapper().readValue(MODEL, Map.class));
        api.post("/api/workspaces/belfries/releases", Map.of("version", "1.0.0", "notes", ""));
        api.post("/api/workspaces/belfries/sites", Map.of("name", "Belfry"));
        Installation.install(api, "belfry", "1.0.0");
    }

    /** Makes a bell, or changes the one of this version. */
    void bell(String title, int version, String weight) {
        var body = Map.of("version", version, "state", "published", "values", Map.of("title", title, "weight", weight));
        if (version == 0) {
            api.post(RECORDS, body);
        } else {
            api.put(RECORDS + "/" + found(title).path("id").asLong(), body);
        }
    }

    private List<JsonNode> bells() {
        return api.get(RECORDS).path("records").valueStream().toList();
    }

    JsonNode found(String title) {
        return bells().stream()
                .filter(each -> each.path("title").asString().equals(title))
                .findFirst()
                .orElseThrow();
    }

    List<String> titles() {
        return bells().stream()
                .map(each -> each.path("title").asString())
                .sorted()
                .toList();
    }

    @Override
    public void close() {
        installation.close();
    }
}
