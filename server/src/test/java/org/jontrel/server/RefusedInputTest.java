package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Part;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is refused over HTTP, and how it says so. */
public class RefusedInputTest extends TrialServerTest {
    @DataProvider
    public Object[][] hostileTexts() {
        return List.of(
                        "Robert'); DROP TABLE mooring;--",
                        "${7*7} #{title} `x`",
                        "<script>alert(1)</script>",
                        "😀 مرحبا \u202e",
                        "SELECT",
                        "../../etc/passwd",
                        "x".repeat(200))
                .stream()
                .map(text -> new Object[] {text})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "hostileTexts")
    public void textIsTextEverywhere(String text) {
        var stored = ben.ok("POST", "/api/sites/trial/types/mooring/records", record(text));
        assertEquals(stored.at("/record/values/title").asString(), text);
        var page =
                new Session(address()).send("GET", stored.at("/record/address").asString(), null);
        assertEquals(page.statusCode(), 200);
        assertFalse(page.body().contains("<script>alert"), page.body());
        var found = cleo.ok(
                "GET",
                "/api/sites/trial/types/mooring/records?search="
                        + java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8),
                null);
        assertTrue(found.get("records").size() >= 1, text);
        anna.ok("POST", "/api/workspaces/tessel/draft/definitions", Map.of("sort", "type", "name", text));
    }

    @DataProvider
    public Object[][] badRecords() {
        return new Object[][] {
            {Map.of("title", "x", "length", "1e400"), "VALUE_NOT_NUMBER"},
            {Map.of("title", "x", "length", List.of(1)), "VALUE_NOT_NUMBER"},
            {Map.of("title", "x", "length", Map.of("a", 1)), "VALUE_NOT_NUMBER"},
            {Map.of("title", "x", "length", "-1"), "VALUE_TOO_SMALL"},
            {Map.of("title", "x", "length", "123456789012345"), "VALUE_TOO_LARGE"},
            {Map.of("title", "x", "since", "2026-02-30"), "VALUE_NOT_DATE"},
            {Map.of("title", "x", "open", "perhaps"), "VALUE_NOT_YES_NO"},
            {Map.of("title", "x", "state", "excellent"), "VALUE_NOT_OPTION"},
            {Map.of("title", "x", "photo", 424242), "VALUE_NOT_IMAGE"},
            {Map.of("title", "x", "nothing", 1), "VALUE_FIELD_UNKNOWN"},
            {Map.of("title", "x".repeat(256)), "VALUE_TOO_LONG"},
            {Map.of("title", "two\nlines"), "VALUE_ONE_LINE"},
            {Map.of("title", "nul\u0000"), "VALUE_NOT_TEXT"},
            {Map.of("length", "1"), "VALUE_REQUIRED"},
        };
    }

    @Test(dataProvider = "badRecords")
    public void badValuesAreRefusedWithACodeAndNothingIsStored(Map<String, Object> values, String code) {
        long before = total();
        var answer = ben.send(
                "POST",
                "/api/sites/trial/types/mooring/records",
                Map.of("version", 0, "state", "published", "values", values));
        assertEquals(answer.statusCode(), 422, answer.body());
        assertEquals(JSON.readTree(answer.body()).at("/findings/0/code").asString(), code);
        assertEquals(total(), before);
    }

    @Test
    public void halfACharacterIsRefused() {
        var body = "{\"version\":0,\"state\":\"draft\",\"values\":{\"title\":\"half \\ud800 pair\"}}";
        var answer = ben.send("POST", "/api/sites/trial/types/mooring/records", body);
        assertEquals(answer.statusCode(), 422, answer.body());
        assertTrue(answer.body().contains("VALUE_NOT_TEXT"), answer.body());
    }

    private long total() {
        return cleo.ok("GET", "/api/sites/trial/types/mooring/count", null)
                .get("records")
                .asLong();
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {
            {"POST", "/api/sites/trial/types/mooring/records", "{", 400},
            {"POST", "/api/sites/trial/types/mooring/records", "[]", 400},
            {"POST", "/api/sites/trial/types/mooring/records", "{}", 400},
            {
                "POST",
                "/api/sites/nowhere/types/mooring/records",
                "{\"version\":0,\"state\":\"draft\",\"values\":{}}",
                404
            },
            {"POST", "/api/sites/trial/types/mooring/records", "{\"version\":0,\"state\":\"gone\",\"values\":{}}", 422},
            {"GET", "/api/sites/trial/types/mooring/records/notanumber", null, 400},
            {"GET", "/api/sites/trial/types/mooring/records?most=-5", null, 200},
            {"GET", "/api/sites/trial/types/mooring/records?where=%7B", null, 422},
            {"GET", "/api/sites/trial/types/mooring/records?where=%7B%22sea%22%3A1%7D", null, 422},
            {
                "GET",
                "/api/sites/trial/types/mooring/records?where=%7B%22field%22%3A%22nope%22%2C%22is%22%3A1%7D",
                null,
                422
            },
            {"GET", "/api/sites/trial/types/mooring/records?order=1%3BDROP", null, 422},
            {"GET", "/api/sites/trial/types/mooring/records?after=xyz", null, 422},
            {"GET", "/api/sites/trial/lists/mooring/records", null, 404},
            {"GET", "/api/sites/trial/types/lighthouse/records", null, 404},
            {"GET", "/api/sites/trial/types/mooring/export.exe", null, 404},
            {"GET", "/api/nothing", null, 404},
            {"GET", "/assets/nothing.js", null, 404},
            {"GET", "/at/nowhere/", null, 404},
            {"GET", "/at/trial/media/1", null, 404},
            {"GET", "/w/tessel/model", null, 200},
        };
    }

    @Test(dataProvider = "nonsense")
    public void nonsenseGetsAClearAnswerAndNeverAnErrorOfTheServers(
            String method, String path, String body, int status) {
        assertEquals(anna.send(method, path, body).statusCode(), status, method + " " + path);
    }

    @Test
    public void aDraftOfTwoWritersIsNeverOverwrittenUnseen() {
        var made = anna.ok("POST", "/api/workspaces/tessel/draft/definitions", Map.of("sort", "type", "name", "Weir"));
        var id = made.get("id").asString();
        var view = made.at("/draft/definitions")
                .valueStream()
                .filter(each -> each.at("/definition/id").asString().equals(id))
                .findFirst()
                .orElseThrow();
        long base = view.get("revision").asLong();
        var path = "/api/workspaces/tessel/draft/definitions/" + id;
        @SuppressWarnings("unchecked")
        Map<String, Object> before = JSON.convertValue(view.get("definition"), Map.class);
        var mine = new java.util.LinkedHashMap<>(before);
        mine.put("plural", "All weirs");
        anna.ok("PUT", path, Map.of("sort", "type", "base", base, "definition", mine));
        var other = new java.util.LinkedHashMap<>(before);
        other.put("description", "Holds water back.");
        var edit = Map.of("sort", "type", "base", base, "before", before, "definition", other);
        var joined = anna.ok("PUT", path, edit);
        assertTrue(joined.get("merged").asBoolean(), "edits of different things go together");
        var now = joined.at("/draft/definitions")
                .valueStream()
                .filter(each -> each.at("/definition/id").asString().equals(id))
                .findFirst()
                .orElseThrow();
        assertEquals(now.at("/definition/plural").asString(), "All weirs");
        assertEquals(now.at("/definition/description").asString(), "Holds water back.");
        mine.put("plural", "Other weirs");
        var clash = Map.of("sort", "type", "base", base, "before", before, "definition", mine);
        var late = anna.send("PUT", path, clash);
        assertEquals(late.statusCode(), 409);
        assertTrue(JSON.readTree(late.body()).get("detail").asString().contains("“All weirs”"), late.body());
        assertEquals(JSON.readTree(late.body()).at("/current/definition/plural").asString(), "All weirs");
    }

    @Test
    public void aBrokenDefinitionIsRefusedWithTheNearestWord() {
        var body = Map.of(
                "sort",
                "type",
                "base",
                0,
                "definition",
                Map.of("id", "tnewone", "key", "x", "singular", "X", "plurall", "Xs", "path", "x"));
        var answer = anna.send("PUT", "/api/workspaces/tessel/draft/definitions/tnewone", body);
        assertEquals(answer.statusCode(), 422);
        assertTrue(answer.body().contains("Did you mean \\\"plural\\\"?"), answer.body());
    }

    @Test
    public void definitionsOfHostileTextsAndSqlWordsMakeTablesFormsAndPages() throws InterruptedException {
        var markup = "\"><img src=x onerror=alert(1)> 😀 `';--";
        var fields = new ArrayList<Field>();
        for (var key :
                List.of("select", "order", "group", "table", "from", "id", "slug", "version", "fts_doc_id", "next")) {
            fields.add(new Field(
                    "fx" + key.replace("_", ""),
                    key,
                    markup + key,
                    markup,
                    false,
                    new Kind.Text(null, null, "", markup)));
        }
        fields.add(new Field(
                "fxchoice",
                "where",
                markup + "where",
                "",
                false,
                new Kind.Choice(List.of(new Kind.Option("oxdrop", "drop", markup, false)))));
        var type = new ContentType(
                "txhostile",
                "trigger",
                markup,
                markup + "s",
                markup,
                "",
                "hostile",
                Map.of("add", markup),
                List.of(Part.TITLE),
                List.of(new Group("gxhostile", markup, markup, fields)));
        anna.ok("POST", "/api/workspaces", Map.of("title", "Hostile"));
        anna.ok(
                "PUT",
                "/api/workspaces/hostile/draft/definitions/txhostile",
                Map.of("sort", "type", "base", 0, "definition", PackageWriter.tree(type)));
        anna.ok("POST", "/api/workspaces/hostile/releases", Map.of("version", "1.0.0", "notes", markup));
        anna.ok("POST", "/api/workspaces/hostile/sites", Map.of("name", "Odd"));
        runAndWait("odd", "1.0.0");
        var values = Map.of("title", markup, "select", markup, "id", markup, "fts_doc_id", markup, "where", "drop");
        var stored = ben.ok(
                "POST",
                "/api/sites/odd/types/trigger/records",
                Map.of("version", 0, "state", "published", "values", values));
        assertEquals(stored.at("/record/values/id").asString(), markup);
        assertEquals(stored.at("/record/shown/where").asString(), markup);
        for (var path : List.of(stored.at("/record/address").asString(), "/at/odd/hostile/", "/at/odd/")) {
            var page = new Session(address()).send("GET", path, null);
            assertEquals(page.statusCode(), 200, path);
            assertFalse(page.body().contains("<img src=x"), path);
            assertTrue(page.body().contains("&lt;img src=x"), path);
        }
        var long10000 = type.withSections(List.of(
                type.groups().getFirst().withFields(List.of(fields.getFirst().withLabel("x".repeat(10_000))))));
        anna.ok(
                "PUT",
                "/api/workspaces/hostile/draft/definitions/txhostile",
                Map.of(
                        "sort",
                        "type",
                        "base",
                        anna.ok("GET", "/api/workspaces/hostile/draft", null)
                                .at("/definitions/0/revision")
                                .asLong(),
                        "definition",
                        PackageWriter.tree(long10000)));
        var refused = anna.send("POST", "/api/workspaces/hostile/releases", Map.of("version", "2.0.0", "notes", ""));
        assertEquals(refused.statusCode(), 422);
        assertTrue(refused.body().contains("TEXT_TOO_LONG"), refused.body());
    }

    private void runAndWait(String site, String version) throws InterruptedException {
        var run = anna.ok("POST", "/api/sites/" + site + "/runs", Map.of("version", version))
                .get("id")
                .asLong();
        var path = "/api/sites/" + site + "/runs/" + run;
        Waiting.until(
                "the run",
                () -> anna.ok("GET", path, null).get("state").asString().equals("done"));
        assertEquals(anna.ok("GET", path, null).get("state").asString(), "done");
    }

    @Test
    public void aBrokenPackageSaysWhereAndChangesNothing() throws IOException, InterruptedException {
        long before = anna.ok("GET", "/api/workspaces", null).size();
        var files = new java.util.TreeMap<String, byte[]>();
        files.put(
                "package.yaml",
                "name: x\nversion: 1.0.0\ntitle: Broken\n".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        files.put(
                "types/lock.yaml",
                "key: lock\nsingular: Lock\nplurall: Locks\npath: locks\n"
                        .getBytes(java.nio.charset.StandardCharsets.UTF_8));
        var zip = org.jontrel.core.code.PackageFiles.toZip(files);
        var head = "--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"x.zip\"\r\n\r\n"
                .getBytes(java.nio.charset.StandardCharsets.UTF_8);
        var body = new java.io.ByteArrayOutputStream();
        body.write(head);
        body.write(zip);
        body.write("\r\n--b--\r\n".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        var request = HttpRequest.newBuilder(URI.create(address() + "/api/workspaces/import"))
                .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray()))
                .header("Content-Type", "multipart/form-data; boundary=b")
                .header("X-XSRF-TOKEN", anna.cookie("XSRF-TOKEN"))
                .build();
        var answer = anna.http.send(request, HttpResponse.BodyHandlers.ofString());
        assertEquals(answer.statusCode(), 422, answer.body());
        var findings = JSON.readTree(answer.body()).get("findings").toString();
        assertTrue(findings.contains("types/lock.yaml:3:1"), findings);
        assertTrue(findings.contains("Did you mean \\\"plural\\\"?"), findings);
        assertEquals(anna.ok("GET", "/api/workspaces", null).size(), before);
    }
}
