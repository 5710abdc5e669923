package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** What nobody should send, over every kind of field and every way in: refused with a sentence, or kept as harmless text. */
public class HostileTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String TREES = "/api/sites/field/types/tree";
    private static final List<String> KEYS = List.of(
            "title",
            "summary",
            "tag",
            "planted",
            "height",
            "seen",
            "story",
            "site",
            "mark",
            "spot",
            "fruits",
            "yield",
            "uses",
            "mood",
            "photos",
            "papers",
            "bark",
            "prunings",
            "keeper",
            "near",
            "parents",
            "sort",
            "label",
            "open");
    private OrchardServer server;
    private Session anna;
    private Session visitor;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.start();
        anna = server.anna;
        visitor = server.session();
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private static List<Object> payloads() {
        var deep = new ArrayList<Object>();
        for (int i = 0; i < 60; i++) {
            deep = new ArrayList<>(List.of(deep));
        }
        var all = new ArrayList<Object>(List.of(
                "<script>alert('owned')</script>",
                "<img src=x onerror=alert('owned')>",
                "<svg onload=alert('owned')>",
                "javascript:alert('owned')",
                "'; DROP TABLE tree; --",
                "\" OR 1=1 #",
                "`id`",
                "${7*7} #{7*7} *{7*7} {{7*7}}",
                "[[${T(java.lang.Runtime).getRuntime().exec('id')}]]",
                "../../../../etc/passwd",
                "a\u0000b",
                "\u202Eevil\u2066",
                "=HYPERLINK(\"http://evil.example\")",
                "x".repeat(300_000),
                "1e999999",
                "NaN",
                "-0",
                "99999999999999999999999999",
                "9999-99-99",
                "\uD83E\uDD84".repeat(40)));
        all.addAll(List.of(
                true,
                -1,
                0,
                9_007_199_254_740_993L,
                1e300,
                List.of(),
                List.of(List.of(List.of())),
                List.of(1, "two", Map.of("three", 3)),
                Map.of("id", -1, "type", "tperson"),
                Map.of("latitude", "91", "longitude", "x"),
                Map.of("_row", "1; DROP TABLE tree", "day", "<script>"),
                Map.of("__proto__", Map.of("admin", true)),
                deep));
        return all;
    }

    @DataProvider
    public Object[][] keys() {
        return KEYS.stream().map(key -> new Object[] {key}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "keys")
    public void everyKindRefusesOrKeepsItAsText(String key) {
        int kept = 0;
        for (var payload : payloads()) {
            var values = new HashMap<String, Object>();
            values.put("title", "Hostile " + key);
            values.put(key, payload);
            var text = JSON.writeValueAsString(payload);
            var said = key + " " + text.substring(0, Math.min(60, text.length())) + " ";
            var answer =
                    anna.send("POST", TREES + "/records", Map.of("version", 0, "state", "published", "values", values));
            assertTrue(
                    List.of(201, 400, 422).contains(answer.statusCode()), said + answer.statusCode() + answer.body());
            if (answer.statusCode() != 201) {
                assertFalse(
                        JSON.readTree(answer.body()).get("detail").asString().isBlank(), said);
                continue;
            }
            kept++;
            var record = JSON.readTree(answer.body()).get("record");
            var page = visitor.send("GET", record.get("address").asString(), null);
            assertEquals(page.statusCode(), 200, said);
            for (var markup : List.of("<script>alert", "<img src=x", "<svg onload", "href=\"javascript:")) {
                assertFalse(page.body().contains(markup), said + page.body());
            }
            assertFalse(page.body().contains("49 49"), "nothing is evaluated");
            assertEquals(
                    visitor.send(
                                    "GET",
                                    "/at/field/api/trees/" + record.get("id").asLong(),
                                    null)
                            .statusCode(),
                    200);
        }
        if (List.of("title", "summary", "story").contains(key)) {
            assertTrue(kept > 5, "what is only text is kept: " + kept);
        }
        assertEquals(anna.send("GET", TREES + "/records?most=500", null).statusCode(), 200);
        assertEquals(anna.send("GET", TREES + "/export.csv", null).statusCode(), 200);
    }

    @DataProvider
    public Object[][] queries() {
        var bad = new ArrayList<Object[]>();
        for (var path : List.of(TREES + "/records?", TREES + "/count?", TREES + "/export.csv?")) {
            for (var query : List.of(
                    "where=%7B%22field%22%3A%22fheight%60%20OR%201%3D1%22%2C%22is%22%3A%221%22%7D",
                    "where=%7B%22field%22%3A%22id%22%2C%22is%22%3A%221%22%7D",
                    "where=%5B%5D",
                    "where=" + "%7B%22not%22%3A".repeat(400),
                    "where=" + "%5B".repeat(5_000))) {
                bad.add(new Object[] {path + query});
            }
        }
        for (var query : List.of(
                "order=fheight%60%3B--",
                "order=part_title%20DESC", "order=fstory", "after=%27%20OR%201%3D1", "most=-1e9")) {
            bad.add(new Object[] {TREES + "/records?" + query});
        }
        return bad.toArray(Object[][]::new);
    }

    @Test(dataProvider = "queries")
    public void namesOfFiltersAndSortsNeverReachAStatement(String path) {
        var answer = anna.send("GET", path, null);
        assertTrue(List.of(400, 422).contains(answer.statusCode()), answer.statusCode() + answer.body());
    }

    @Test
    public void searchingForSignsIsSearching() {
        for (var words : List.of("%2B%2B%2B", "%22unclosed", "%28%28%28", "%2A", "%40%40", "a%00b", "%F0%9F%A6%84")) {
            var answer = anna.send("GET", TREES + "/records?search=" + words, null);
            assertEquals(answer.statusCode(), 200, words + answer.body());
        }
    }

    @Test
    public void textThatIsNoUtf8IsRefused() throws IOException, InterruptedException {
        var body = new ByteArrayOutputStream();
        body.writeBytes("{\"version\":0,\"state\":\"draft\",\"values\":{\"title\":\"".getBytes(StandardCharsets.UTF_8));
        body.writeBytes(new byte[] {(byte) 0xC3, (byte) 0x28, (byte) 0xFF});
        body.writeBytes("\"}}".getBytes(StandardCharsets.UTF_8));
        assertEquals(
                anna.sendBytes(TREES + "/records", "application/json", body.toByteArray())
                        .statusCode(),
                400);
    }

    /** Nobody gives a record an author, a version or a number by sending them along. */
    @Test
    public void whatIsSentAlongIsNotTaken() {
        var body = new HashMap<String, Object>(Map.of("version", 0, "state", "draft"));
        body.put("values", Map.of("title", "Mine"));
        body.put("id", 1);
        body.put("createdBy", "somebody else");
        body.put("complete", false);
        body.put("origin", "definitions");
        var answer = anna.send("POST", TREES + "/records", body);
        assertTrue(List.of(201, 400, 422).contains(answer.statusCode()), answer.body());
        if (answer.statusCode() == 201) {
            var record = JSON.readTree(answer.body()).get("record");
            assertTrue(record.get("id").asLong() > 1);
            assertEquals(record.get("createdBy").asString(), "anna");
        }
        var hidden = Map.of("version", 0, "state", "draft", "values", Map.of("title", "x", "created_by", "me"));
        assertEquals(anna.send("POST", TREES + "/records", hidden).statusCode(), 422);
    }

    @Test
    public void numbersOfOtherSitesMeanNothingHere() throws InterruptedException {
        long tree = server.add("tree", Map.of("title", "At home"), "published");
        anna.ok("POST", "/api/workspaces/orchard/sites", Map.of("name", "Meadow"));
        var run = anna.ok("POST", "/api/sites/meadow/runs", Map.of("version", "1.0.0"));
        Waiting.until(
                "the run",
                () -> anna.ok("GET", "/api/sites/meadow/runs/" + run.get("id").asLong(), null)
                        .get("state")
                        .asString()
                        .equals("done"));
        var there = "/api/sites/meadow/types/tree/records";
        assertEquals(anna.send("GET", there + "/" + tree, null).statusCode(), 404);
        var body = Map.of("version", 1, "state", "draft", "values", Map.of("title", "Taken over"));
        assertEquals(anna.send("PUT", there + "/" + tree, body).statusCode(), 404);
        assertEquals(
                anna.send("DELETE", there + "/" + tree + "?version=1", null).statusCode(), 404);
        var link = Map.of("version", 0, "state", "draft", "values", Map.of("title", "x", "parents", List.of(tree)));
        assertEquals(anna.send("POST", there, link).statusCode(), 422);
        var token = server.program("Home only", "editor");
        assertEquals(token.send("GET", "/at/field/api/trees", null).statusCode(), 200);
        assertEquals(token.send("GET", "/at/meadow/api/trees", null).statusCode(), 401);
        assertEquals(
                anna.ok("GET", TREES + "/records/" + tree, null)
                        .at("/record/title")
                        .asString(),
                "At home");
    }

    // --- uploads ---

    private java.net.http.HttpResponse<String> upload(String field, String name, byte[] bytes)
            throws IOException, InterruptedException {
        var body = new ByteArrayOutputStream();
        body.writeBytes(("--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name + "\"\r\n\r\n")
                .getBytes(StandardCharsets.UTF_8));
        body.writeBytes(bytes);
        body.writeBytes("\r\n--b--\r\n".getBytes(StandardCharsets.UTF_8));
        return anna.sendBytes(
                TREES + "/fields/" + field + "/files", "multipart/form-data; boundary=b", body.toByteArray());
    }

    private static void chunk(ByteArrayOutputStream out, String type, byte[] data) {
        var crc = new CRC32();
        crc.update(type.getBytes(StandardCharsets.US_ASCII));
        crc.update(data);
        out.writeBytes(java.nio.ByteBuffer.allocate(4).putInt(data.length).array());
        out.writeBytes(type.getBytes(StandardCharsets.US_ASCII));
        out.writeBytes(data);
        out.writeBytes(
                java.nio.ByteBuffer.allocate(4).putInt((int) crc.getValue()).array());
    }

    /** A grey picture of a few kilobytes that unfolds to so many pixels. */
    private static byte[] bomb(int width, int height) {
        var out = new ByteArrayOutputStream();
        out.writeBytes(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
        var head = java.nio.ByteBuffer.allocate(13).putInt(width).putInt(height);
        head.put(new byte[] {1, 0, 0, 0, 0});
        chunk(out, "IHDR", head.array());
        var deflater = new Deflater(9);
        deflater.setInput(new byte[(width / 8 + 2) * Math.min(height, 8_000)]);
        deflater.finish();
        var packed = new byte[1 << 20];
        int size = deflater.deflate(packed);
        chunk(out, "IDAT", Arrays.copyOf(packed, size));
        chunk(out, "IEND", new byte[0]);
        return out.toByteArray();
    }

    @Test
    public void uploadsThatUnfoldOrAreCutOffAreRefused() throws IOException, InterruptedException {
        var huge = upload("photos", "bomb.png", bomb(60_000, 60_000));
        assertEquals(huge.statusCode(), 422, huge.body());
        assertTrue(huge.body().contains("pixels"), huge.body());
        var within = bomb(7_000, 7_000);
        assertTrue(within.length < 60_000, "a few kilobytes: " + within.length);
        assertEquals(upload("photos", "wide.png", within).statusCode(), 201);
        var cut = Arrays.copyOf(within, within.length - 200);
        assertEquals(upload("photos", "cut.png", cut).statusCode(), 422);
        assertEquals(upload("photos", "empty.png", new byte[0]).statusCode(), 422);
        assertEquals(upload("papers", "empty.pdf", new byte[0]).statusCode(), 422);
        var heavy = upload("photos", "heavy.png", new byte[21 << 20]);
        assertTrue(List.of(413, 422).contains(heavy.statusCode()), heavy.statusCode() + heavy.body());
        assertFalse(JSON.readTree(heavy.body()).get("detail").asString().isBlank());
    }

    @Test
    public void namesOfFilesAreNamesOnly() throws IOException, InterruptedException {
        var pdf = "%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF"
                .getBytes(StandardCharsets.UTF_8);
        for (var name : List.of("../../etc/passwd.pdf", "<script>.pdf", "a\\b.pdf", "x".repeat(300) + ".pdf", ".pdf")) {
            var answer = upload("papers", name, pdf);
            assertEquals(answer.statusCode(), 201, name + answer.body());
            var file = JSON.readTree(answer.body());
            assertFalse(file.get("name").asString().contains("/"), file.toString());
            var bytes = anna.send("GET", file.get("address").asString(), null);
            assertEquals(bytes.statusCode(), 200);
            assertTrue(bytes.headers()
                    .firstValue("Content-Security-Policy")
                    .orElse("")
                    .contains("sandbox"));
            assertEquals(bytes.headers().firstValue("X-Content-Type-Options").orElse(""), "nosniff");
        }
        var polyglot = new ByteArrayOutputStream();
        polyglot.writeBytes("GIF89a/*".getBytes(StandardCharsets.US_ASCII));
        polyglot.writeBytes("*/=1;alert(1)//<script>alert(1)</script>".getBytes(StandardCharsets.US_ASCII));
        assertEquals(upload("photos", "x.gif", polyglot.toByteArray()).statusCode(), 422);
    }
}
