package org.jontrel.server.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Part;
import org.jontrel.server.OrchardServer;
import org.jontrel.server.Session;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Some trees become records of a new type: asked while the draft is made, answered, run, and found at their old addresses. */
public class MergedTypesApiTest {
    private static final String WORKSPACE = "/api/workspaces/orchard/";
    private static final String SITE = "/api/sites/field/";
    private static final ContentType ILL = new ContentType(
            "till",
            "ill",
            "Ill",
            "Ill trees",
            "",
            "",
            "ill-trees",
            Map.of(),
            List.of(Part.TITLE),
            List.of(new Group(
                    "gill", "Facts", "", List.of(new Field("filltag", "tag", "Tag", "", false, Kind.Text.PLAIN)))));
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of());
        for (var mood : List.of("fine", "ill")) {
            var values = new HashMap<String, Object>(Orchard.tree("Tree " + mood));
            values.put("mood", mood);
            server.add("tree", values, "published");
        }
        take(ILL);
    }

    private void take(ContentType type) {
        var definition = Map.of("sort", PackageWriter.word(type.sort()), "definition", PackageWriter.tree(type));
        server.anna.ok("POST", WORKSPACE + "draft/take", Map.of("definitions", List.of(definition)));
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private static Map<String, Object> answer(String field, String answer, String value) {
        return Map.of("field", field, "about", "RECORD_TYPE", "answer", answer, "value", value);
    }

    private JsonNode asked(String path) {
        return server.anna
                .ok("GET", SITE + path, null)
                .get("asks")
                .valueStream()
                .filter(each -> each.get("about").asString().equals("record_type"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void theDraftAsksAndTheReleaseKeepsTheAnswer() {
        var ask = asked("impact");
        assertEquals(ask.get("proposed").asString(), "tree where mood = ill");
        assertEquals(ask.get("label").asString(), "Ill trees");
        assertEquals(ask.get("rows").asLong(), 1);
        server.anna.ok("PUT", WORKSPACE + "draft/decisions", answer("till", "MOVE", "tree where mood = bad"));
        var impact = server.anna.ok("GET", SITE + "impact", null);
        assertTrue(
                impact.get("findings").toString().contains("\\\"tree where mood = bad\\\" cannot be done"),
                impact.toString());
        server.anna.ok("PUT", WORKSPACE + "draft/decisions", answer("till", "MOVE", "tree where mood = ill"));
        server.anna.ok("POST", WORKSPACE + "releases", Map.of("version", "2.0.0", "notes", ""));
        var files = PackageFiles.zip(server.anna.bytes(WORKSPACE + "releases/2.0.0/package"), new ArrayList<>());
        var migration = new String(files.get("migrations/2.0.0.yaml"), StandardCharsets.UTF_8);
        assertTrue(migration.contains("question: record_type"), migration);
        assertTrue(migration.contains("value: tree where mood = ill"), migration);
    }

    /** On a copy, with the records that change their type among those that are told. */
    @Test(dependsOnMethods = "theDraftAsksAndTheReleaseKeepsTheAnswer")
    public void aRehearsalTellsOfThem() throws InterruptedException {
        var told =
                server.anna.ok("GET", SITE + "plan/samples?version=2.0.0", null).toString();
        var expected = "{\"label\":\"Content type\",\"before\":\"Tree\",\"after\":\"Ill\"}";
        assertTrue(told.contains(expected), told);
        server.anna.ok("POST", SITE + "rehearsals", Map.of("version", "2.0.0"));
        Waiting.until("the rehearsal", () -> rehearsal().get("state").asString().equals("done"));
        var report = server.anna
                .ok("GET", SITE + "rehearsals/" + rehearsal().get("id").asLong(), null)
                .toString();
        assertTrue(report.contains(expected), report);
        assertTrue(report.contains("{\"name\":\"Ill trees\",\"before\":0,\"after\":1}"), report);
    }

    private JsonNode rehearsal() {
        return server.anna.ok("GET", SITE + "rehearsals", null).get(0);
    }

    @Test(dependsOnMethods = "aRehearsalTellsOfThem")
    public void oldAddressesLeadToWhereTheRecordsAre() throws InterruptedException {
        var visitor = server.session();
        assertEquals(visitor.send("GET", "/at/field/trees/tree-ill", null).statusCode(), 200);
        var plan = server.anna.ok("GET", SITE + "plan?version=2.0.0", null);
        assertTrue(plan.get("runnable").asBoolean(), plan.toString());
        run("2.0.0");
        assertMoved(visitor, "trees/tree-ill", "/at/field/ill-trees/tree-ill");
        assertEquals(visitor.send("GET", "/at/field/trees/tree-fine", null).statusCode(), 200);
        assertEquals(visitor.send("GET", "/at/field/trees/tree-never", null).statusCode(), 404);
        var list = server.anna.ok("GET", SITE + "types/ill/records?most=9", null);
        assertTrue(list.toString().contains("Tree ill"), list.toString());
        var found = server.anna.ok("GET", SITE + "types/ill/records?most=9&text=ill", null);
        assertTrue(found.toString().contains("Tree ill"), "found by its words: " + found);
    }

    /** And back: the type goes again, its records become trees, and its whole path leads there. */
    @Test(dependsOnMethods = "oldAddressesLeadToWhereTheRecordsAre")
    public void recordsOfATypeThatGoesAreAskedAbout() throws InterruptedException {
        server.anna.ok("DELETE", WORKSPACE + "draft/definitions/till", null);
        var ask = asked("impact");
        assertEquals(ask.get("proposed").asString(), "tree");
        assertEquals(ask.get("holder").asString(), "Ill trees");
        server.anna.ok("PUT", WORKSPACE + "draft/decisions", answer("till", "MOVE", "tree"));
        server.anna.ok(
                "PUT",
                WORKSPACE + "draft/decisions",
                Map.of("field", "fyield", "about", "REQUIRED_EMPTY", "answer", "LEAVE", "value", ""));
        server.anna.ok("POST", WORKSPACE + "releases", Map.of("version", "3.0.0", "notes", ""));
        var plan = server.anna.ok("GET", SITE + "plan?version=3.0.0", null);
        assertTrue(plan.get("runnable").asBoolean(), plan.toString());
        run("3.0.0");
        var visitor = server.session();
        assertMoved(visitor, "ill-trees/tree-ill", "/at/field/trees/tree-ill");
        assertMoved(visitor, "ill-trees/", "/at/field/trees/");
        var run = server.anna.ok("GET", SITE + "runs", null).get(0);
        server.anna.ok("POST", SITE + "runs/" + run.get("id").asLong() + "/undo", Map.of());
        Waiting.until(
                "the undo",
                () -> server.anna
                        .ok("GET", SITE + "plan?version=2.0.0", null)
                        .get("installed")
                        .asBoolean());
        assertMoved(visitor, "trees/tree-ill", "/at/field/ill-trees/tree-ill");
    }

    private static void assertMoved(Session visitor, String from, String to) {
        HttpResponse<String> answer = visitor.send("GET", "/at/field/" + from, null);
        assertEquals(answer.statusCode(), 301, from);
        assertEquals(answer.headers().firstValue("Location").orElseThrow().replaceAll("^https?://[^/]+", ""), to);
    }

    private void run(String version) throws InterruptedException {
        var id = server.anna
                .ok("POST", SITE + "runs", Map.of("version", version))
                .get("id")
                .asLong();
        Waiting.until(
                "the run",
                () -> server.anna
                        .ok("GET", SITE + "runs/" + id, null)
                        .get("state")
                        .asString()
                        .equals("done"));
    }
}
