package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What an edit of a draft asks of the database: as much for a draft of many definitions as for a small one. */
public class EditCostTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String DRAFT = "/api/workspaces/orchard/draft";
    private OrchardServer server;
    private Session anna;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.start();
        anna = server.anna;
        for (int i = 0; i < 60; i++) {
            anna.ok("POST", DRAFT + "/definitions", Map.of("sort", "type", "name", "Thing number " + i));
        }
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    /** A counter of the whole server, which nobody else uses here. */
    private static long status(String name) throws SQLException {
        try (var source = TestDatabase.shared().source("information_schema");
                var connection = source.getConnection();
                var statement = connection.createStatement();
                var row = statement.executeQuery("SHOW GLOBAL STATUS LIKE '" + name + "'")) {
            row.next();
            return row.getLong(2);
        }
    }

    private JsonNode edit(JsonNode view, String label) {
        @SuppressWarnings("unchecked")
        var definition = new LinkedHashMap<String, Object>(JSON.convertValue(view.get("definition"), Map.class));
        definition.put("description", label);
        return anna.ok(
                "PUT",
                DRAFT + "/definitions/" + view.at("/definition/id").asString() + "?since="
                        + view.get("revision").asLong(),
                Map.of("sort", "type", "base", view.get("revision").asLong(), "definition", definition));
    }

    @Test
    public void anEditReadsWhatWasWrittenAndNothingElse() throws SQLException {
        var all = anna.ok("GET", DRAFT, null);
        var one = all.get("definitions")
                .valueStream()
                .filter(each -> each.get("sort").asString().equals("type"))
                .findFirst()
                .orElseThrow();
        var written = edit(one, "first").get("draft");
        one = written.get("definitions").get(0);
        long sent = status("Bytes_sent");
        long again = status("Bytes_sent");
        var after = edit(one, "second").get("draft");
        long cost = status("Bytes_sent") - again - (again - sent);
        assertEquals(after.get("definitions").size(), 1, "only what was written is told");
        assertEquals(after.get("ids").size(), all.get("ids").size());
        assertTrue(
                cost < all.toString().length() / 2,
                "an edit had the database send " + cost + " bytes, and the draft has "
                        + all.toString().length());
    }
}
