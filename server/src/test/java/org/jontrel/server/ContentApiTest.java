package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Records, terms and site values over HTTP, with everything the language has; and what programs read of them. */
public class ContentApiTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private OrchardServer server;
    private Session anna;
    private Session visitor;
    private long tree;
    private long parent;
    private long apple;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.start();
        anna = server.anna;
        visitor = server.session();
        apple = anna.ok("GET", "/api/sites/field/taxonomies/sort/records?search=Cider", null)
                .at("/records/0/parent/id")
                .asLong();
        var cider = anna.ok("GET", "/api/sites/field/taxonomies/sort/records?search=Cider", null)
                .at("/records/0/id")
                .asLong();
        var person = add("person", Map.of("title", "Ada"), "published");
        parent = add("tree", Map.of("title", "Mother", "height", "7.25"), "published");
        var hidden = add("tree", Map.of("title", "Hidden"), "draft");
        var raw = new HashMap<>(Orchard.tree("Old Gold"));
        raw.put("parents", List.of(parent, hidden));
        raw.put("keeper", person);
        raw.put("sort", List.of(cider));
        tree = add("tree", raw, "published");
        for (int i = 0; i < 5; i++) {
            add("tree", Map.of("title", "Young " + i, "height", String.valueOf(i)), "published");
        }
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private long add(String type, Map<String, Object> values, String state) {
        return server.add(type, values, state);
    }

    private JsonNode read(String path) {
        var answer = visitor.send("GET", "/at/field/api" + path, null);
        assertEquals(answer.statusCode(), 200, answer.body());
        return JSON.readTree(answer.body());
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    @Test
    public void aRecordIsGivenWithNumbersAsNumbersAndWithoutWhatIsKeptOut() {
        var answer = read("/trees/" + tree);
        assertEquals(answer.get("title").asString(), "Old Gold");
        assertEquals(answer.at("/height").decimalValue().doubleValue(), 4.5);
        assertEquals(answer.at("/spot/latitude").decimalValue().toPlainString(), "52.3456789");
        assertEquals(answer.at("/prunings/0/cuts/1/branch").asString(), "High");
        assertEquals(answer.at("/bark/texture").asString(), "Rough");
        assertEquals(answer.at("/sort/0/label").asString(), "Cider apple");
        assertFalse(answer.has("tag"), "kept out by the field");
        assertFalse(answer.has("keeper"), "its type is kept out");
        assertEquals(answer.get("parents").size(), 1, "drafts are not told");
        assertFalse(answer.at("/prunings/0").has("_row"));
        assertEquals(read("/trees/old-gold").get("id").asLong(), tree);
        var included = read("/trees/" + tree + "?include=parents&fields=title,parents");
        assertEquals(included.at("/parents/0/height").decimalValue().doubleValue(), 7.25);
        assertFalse(included.has("height"));
    }

    @Test
    public void listsAreFilteredSortedAndPagedByKeys() {
        var all = read("/trees?sort=-height&limit=3");
        assertEquals(all.get("total").asInt(), 7);
        assertTrue(all.get("total_exact").asBoolean());
        assertEquals(all.at("/items/0/title").asString(), "Mother");
        var next = read(
                "/trees?sort=-height&limit=3&after=" + encoded(all.get("next").asString()));
        assertEquals(next.at("/items/0/title").asString(), "Young 3");
        var tall = read("/trees?filter=" + encoded("{\"field\": \"height\", \"at_least\": 3}"));
        assertEquals(tall.get("total").asInt(), 4);
        var under = read("/trees?filter=" + encoded("{\"taxonomy\": \"sort\", \"under\": [\"" + apple + "\"]}"));
        assertEquals(under.at("/items/0/id").asLong(), tree);
        assertEquals(read("/trees?search=young").get("total").asInt(), 5);
        assertEquals(read("/trees?search=the").get("total").asInt(), 1, "too common to be kept, looked for in titles");
        assertEquals(read("/taxonomies/sort").get("total").asInt(), 3);
        assertEquals(read("/taxonomies/sort/" + apple).get("tint").asString(), "#aa2211");
        anna.ok(
                "PUT",
                "/api/sites/field/values/office/records/1",
                Map.of("version", 0, "state", "published", "values", Map.of("opens", "09:00")));
        assertEquals(read("/values/office").get("opens").asString(), "09:00");
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {
            {"/people", 404},
            {"/nothing", 404},
            {"/trees/4711", 404},
            {"/trees/hidden", 404},
            {"/trees?colour=red", 422},
            {"/trees?sort=tag", 422},
            {"/trees?fields=tag", 422},
            {"/trees?limit=0", 422},
            {"/trees?limit=101", 422},
            {"/trees?after=x", 422},
            // of the form of a cursor, with a word where a number was, half a sign, and a moment that is none
            {"/trees?sort=-height&after=K1lXSmogNQ", 422},
            {"/trees?sort=-height&after=K0EgNQ", 422},
            {"/trees?sort=updated_at&after=K2MyOXZiZyA1", 422},
            {"/trees?filter=%7B", 422},
            {"/trees?filter=" + encoded("{\"field\": \"tag\", \"is\": \"x\"}"), 422},
            {"/trees?filter=" + encoded("{\"state\": \"draft\"}"), 422},
            {"/trees?filter=" + encoded("{\"field\": \"height\", \"is\": \"1; DROP TABLE tree\"}"), 422},
            {"/trees/" + 1 + "?include=x&nonsense=1", 422},
            {"/values/nothing", 404},
        };
    }

    @Test(dataProvider = "nonsense")
    public void nonsenseGetsProblemDetails(String path, int status) {
        var answer = visitor.send("GET", "/at/field/api" + path, null);
        assertEquals(answer.statusCode(), status, answer.body());
        assertFalse(JSON.readTree(answer.body()).get("detail").asString().isBlank());
        assertTrue(answer.headers().firstValue("Content-Type").orElse("").startsWith("application/problem+json"));
    }

    @Test
    public void theDescriptionNamesEverythingThatIsGivenAndNothingElse() {
        var description = read("/openapi.json");
        assertEquals(description.get("openapi").asString(), "3.1.0");
        assertTrue(description.get("paths").has("/trees"));
        assertTrue(description.get("paths").has("/taxonomies/sort/{id}"));
        assertTrue(description.get("paths").has("/values/office"));
        assertFalse(description.get("paths").has("/people"));
        var properties = description.at("/components/schemas/type_tree/properties");
        assertFalse(properties.has("tag"));
        read("/trees/" + tree).propertyNames().forEach(name -> assertTrue(properties.has(name), name));
        assertEquals(read("").at("/links/trees").asString(), "/at/field/api/trees");
    }

    /** As text: in another order at each start, it would have another tag at each start. The interface's tests check its style. */
    @Test
    public void theDescriptionIsTheRecordedOneToTheByte() throws IOException {
        var recorded = Path.of("../web/content-openapi.json");
        var now = JSON.writerWithDefaultPrettyPrinter().writeValueAsString(read("/openapi.json")) + "\n";
        if (System.getenv("JONTREL_RECORD_API") != null) {
            Files.writeString(recorded, now);
        }
        assertEquals(now, Files.readString(recorded), "web/content-openapi.json is not what the server says");
    }

    @Test
    public void whoHasTheSameAlreadyGetsOnlyThat() throws Exception {
        var first = visitor.send("GET", "/at/field/api/trees/" + parent, null);
        var tag = first.headers().firstValue("ETag").orElseThrow();
        assertEquals(visitor.conditional("/at/field/api/trees/" + parent, tag).statusCode(), 304);
        assertEquals(
                visitor.conditional("/at/field/api/trees/" + parent, "\"other\"")
                        .statusCode(),
                200);
    }

    /** A plot with a moment that comes soon; the address of its record. */
    private String plot(String state, String moment, String title) {
        var soon = java.time.Instant.now().plusSeconds(2).toString();
        var body = Map.of("version", 0, "state", state, moment, soon, "values", Map.of("title", title));
        var made = anna.ok("POST", "/api/sites/field/types/plot/records", body);
        assertEquals(made.at("/record/state").asString(), state);
        assertFalse(made.at("/record/" + moment).asString().isEmpty());
        return "/api/sites/field/types/plot/records/" + made.at("/record/id").asLong();
    }

    private JsonNode becomes(String path, String state) {
        Waiting.until(
                "its moment",
                () -> anna.ok("GET", path, null).at("/record/state").asString().equals(state));
        return anna.ok("GET", path, null).get("record");
    }

    @Test
    public void scheduledRecordsArePublishedWhenTheirMomentComes() {
        becomes(plot("scheduled", "publishAt", "Plot to come"), "published");
        assertEquals(read("/plots?search=come").get("total").asInt(), 1);
    }

    @Test
    public void recordsRetireWhenTheirMomentComes() {
        var retired = becomes(plot("published", "retireAt", "Plot for two seconds"), "retired");
        assertEquals(read("/plots?search=seconds").get("total").asInt(), 0);
        assertEquals(
                visitor.send("GET", retired.get("address").asString(), null).statusCode(), 404);
        var own = anna.ok("GET", "/api/record-parts", null);
        assertTrue(own.toString().contains("own_retire_at"), "lists can be filtered and sorted by it");
    }

    @Test
    public void listsInTheInterfaceExportAndChangeSeveral() {
        var where = encoded("{\"field\": \"fheight\", \"filled\": true}");
        var csv = anna.send("GET", "/api/sites/field/types/tree/export.csv?fields=fheight&where=" + where, null);
        assertTrue(csv.body().startsWith("Number,State,Address,Title,Height\r\n"), csv.body());
        assertTrue(csv.body().contains(",published,mother,Mother,7.25\r\n"), csv.body());
        var dangerous = add("tree", Map.of("title", "=HYPERLINK(1)"), "draft");
        var escaped = anna.send("GET", "/api/sites/field/types/tree/export.csv?search=hyperlink", null);
        assertTrue(escaped.body().contains("'=HYPERLINK(1)"), escaped.body());
        var lines = anna.send("GET", "/api/sites/field/types/tree/export.jsonl", null)
                .body();
        assertEquals(lines.lines().count(), 9);
        assertEquals(
                anna.send("GET", "/api/sites/field/types/tree/export.xlsx", null)
                        .statusCode(),
                200);
        var bulk = anna.ok(
                "POST",
                "/api/sites/field/types/tree/bulk",
                Map.of("ids", List.of(dangerous), "act", "add", "field", "uses", "value", "juice"));
        assertEquals(bulk.get("done").size(), 1);
        var refused = anna.ok(
                "POST",
                "/api/sites/field/types/tree/bulk",
                Map.of("ids", List.of(dangerous), "act", "set", "field", "height", "value", "tall"));
        assertTrue(refused.at("/refused/0/sentence").asString().contains("must be a number"));
        anna.ok("POST", "/api/sites/field/types/tree/bulk", Map.of("ids", List.of(dangerous), "act", "remove"));
        var history = anna.ok("GET", "/api/sites/field/types/tree/records/" + tree + "/history", null);
        assertTrue(history.get(0).get("current").asBoolean());
    }

    /** A page is made again only where something on the site has changed since the visitor has it. */
    @Test
    public void pagesAreMadeAgainOnlyWhereSomethingChanged() throws Exception {
        var path = "/at/field/trees/";
        var first = visitor.send("GET", path, null);
        assertEquals(first.statusCode(), 200);
        var tag = first.headers().firstValue("ETag").orElseThrow();
        assertTrue(first.headers().firstValue("Cache-Control").orElse("").contains("must-revalidate"));
        var again = visitor.conditional(path, tag);
        assertEquals(again.statusCode(), 304);
        assertEquals(again.body(), "");
        add("tree", Map.of("title", "Just planted"), "published");
        var changed = visitor.conditional(path, tag);
        assertEquals(changed.statusCode(), 200);
        assertTrue(changed.body().contains("Just planted"));
        var missing = visitor.send("GET", "/at/field/nothing/", null);
        assertEquals(missing.statusCode(), 404);
        assertTrue(missing.headers().firstValue("ETag").isEmpty());
    }

    @Test
    public void nothingOnPagesIsTakenForMarkup() {
        add("tree", Map.of("title", "<b>Bold</b> & \"co\"", "summary", "</p><script>alert(1)</script>"), "published");
        var list = visitor.send("GET", "/at/field/trees/", null).body();
        assertFalse(list.contains("<b>Bold") || list.contains("<script"), list);
        assertTrue(list.contains("&lt;b&gt;Bold&lt;/b&gt; &amp; \"co\""), list);
    }
}
