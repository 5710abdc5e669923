package org.jontrel.server.importer;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.jontrel.server.OrchardServer;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Rows of workbooks over HTTP: sent, mapped, tried, mended, run, undone, and sent again under a kept mapping. */
public class ImportApiTest {
    private static final JsonMapper JSON = JsonMapper.shared();
    private static final String IMPORTS = "/api/sites/field/imports";
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of());
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private JsonNode send(String path, String... namesAndTexts) throws IOException, InterruptedException {
        var answer = server.anna.sendFiles(path, namesAndTexts);
        assertEquals(answer.statusCode(), 201, answer.body());
        return JSON.readTree(answer.body());
    }

    private static String at(JsonNode details) {
        return IMPORTS + "/" + details.at("/progress/id").asLong();
    }

    private JsonNode until(String at, String state) throws InterruptedException {
        Waiting.until(
                state,
                () -> server.anna
                        .ok("GET", at + "/progress", null)
                        .get("state")
                        .asString()
                        .equals(state));
        return server.anna.ok("GET", at, null);
    }

    private long trees() {
        return server.anna
                .ok("GET", "/api/sites/field/types/tree/count", null)
                .get("records")
                .asLong();
    }

    @Test
    public void aWorkbookIsSentTriedMendedRunAndUndone() throws Exception {
        long before = trees();
        var sent = send(
                IMPORTS,
                "trees.csv",
                "Title;Tag;Height (m);Keeper\nOld Jane;T-1;4,5;Ada\nTom;T-2;n/a;\nSara;T-3;n/a;Nobody\n",
                "people.csv",
                "Name\nAda\n");
        var at = at(sent);
        assertEquals(sent.at("/progress/state").asString(), "ready");
        assertEquals(sent.at("/mapping/sheets/0/key").asString(), "Tag");
        assertEquals(sent.at("/mapping/sheets/1/to").asString(), "tperson");
        server.anna.ok("POST", at + "/try", null);
        var tried = until(at, "tried");
        assertEquals(tried.at("/sheets/0/outcomes/new").asLong(), 1);
        assertEquals(tried.at("/sheets/0/outcomes/failed").asLong(), 2);
        assertEquals(tried.at("/problems/0/text").asString(), "n/a");
        assertEquals(tried.at("/problems/0/rows").asLong(), 2);
        assertEquals(trees(), before);
        var mended = server.anna.ok("PUT", at + "/sheets/0/replacements", Map.of("column", 2, "text", "n/a", "as", ""));
        assertFalse(mended.at("/progress/tried").asBoolean());
        server.anna.ok("PUT", at + "/sheets/0/cells", Map.of("row", 4, "column", 3, "text", "Ada"));
        server.anna.ok("POST", at + "/try", null);
        var again = until(at, "tried");
        assertEquals(again.at("/sheets/0/outcomes/failed").asLong(), 1, again.toString());
        var failed = server.anna.ok("GET", at + "/sheets/0/rows?outcome=failed", null);
        assertEquals(failed.at("/0/problems/0/code").asString(), "VALUE_LINK_TAKEN");
        var rows = new String(server.anna.bytes(at + "/sheets/0/failed.csv"), java.nio.charset.StandardCharsets.UTF_8);
        assertTrue(rows.startsWith("Title,Tag,Height (m),Keeper,Why it was not brought\r\nSara,T-3,n/a,Ada,"), rows);
        assertTrue(server.anna.bytes(at + "/failed.xlsx").length > 1_000);
        server.anna.ok("POST", at + "/run", null);
        until(at, "done");
        assertEquals(trees(), before + 2);
        assertEquals(
                server.anna.ok("GET", at + "/undo-plan", null).get("removed").asLong(), 3);
        server.anna.ok("POST", at + "/undo", null);
        until(at, "undone");
        assertEquals(trees(), before);
        assertEquals(server.anna.send("DELETE", at, null).statusCode(), 204);
        assertEquals(server.anna.send("GET", at, null).statusCode(), 404);
    }

    @Test
    public void aMappingIsKeptUnderANameForTheNextWorkbook() throws Exception {
        var sent = send(IMPORTS, "may.csv", "What;How high\nA;1\n");
        var at = at(sent);
        var column = Map.of("column", "What", "field", "title");
        var height = Map.of("column", "How high", "field", "height");
        var sheet = Map.of("sheet", "any", "to", "tree", "state", "published", "columns", List.of(column, height));
        var mapping = Map.of("sheets", List.of(sheet));
        int revision = sent.at("/progress/revision").asInt();
        var mapped = server.anna.ok("PUT", at + "/mapping?revision=" + revision, mapping);
        assertEquals(mapped.get("findings").size(), 0, mapped.toString());
        var overtaken = server.anna.send("PUT", at + "/mapping?revision=" + revision, mapping);
        assertEquals(overtaken.statusCode(), 409);
        server.anna.ok("PUT", "/api/sites/field/mappings/Monthly%20trees", mapping);
        assertEquals(
                server.anna
                        .ok("GET", "/api/sites/field/mappings", null)
                        .at("/0/name")
                        .asString(),
                "Monthly trees");
        var next = send(IMPORTS + "?mapping=Monthly%20trees", "june.csv", "How high;What\n2;June tree\n");
        server.anna.ok("POST", at(next) + "/run", null);
        var done = until(at(next), "done");
        assertEquals(done.at("/sheets/0/outcomes/new").asLong(), 1, done.toString());
        assertEquals(
                server.anna
                        .send("DELETE", "/api/sites/field/mappings/Monthly%20trees", null)
                        .statusCode(),
                204);
        assertEquals(
                server.anna
                        .sendFiles(IMPORTS + "?mapping=Monthly%20trees", "a.csv", "A\nb\n")
                        .statusCode(),
                404);
    }

    @Test
    public void whatCannotBeDoneIsRefusedWithASentence() throws Exception {
        var sent = send(IMPORTS, "some.csv", "What;How\nA;1\n");
        var at = at(sent);
        int revision = sent.at("/progress/revision").asInt();
        var unknown = server.anna.send(
                "PUT",
                at + "/mapping?revision=" + revision,
                Map.of("sheets", List.of(Map.of("sheet", "some", "use", "everything"))));
        assertEquals(unknown.statusCode(), 422, unknown.body());
        assertTrue(unknown.body().contains("records, rows, skip"), unknown.body());
        server.anna.ok(
                "PUT",
                at + "/mapping?revision=" + revision,
                Map.of("sheets", List.of(Map.of("sheet", "some", "to", "shed"))));
        var unfit = server.anna.send("POST", at + "/run", null);
        assertEquals(unfit.statusCode(), 422);
        assertTrue(unfit.body().contains("IMPORT_TYPE_UNKNOWN"), unfit.body());
        assertEquals(server.anna.send("POST", at + "/undo", null).statusCode(), 409);
        assertEquals(server.anna.send("POST", at + "/pause", null).statusCode(), 409);
        assertEquals(server.anna.send("GET", at + "/undo-plan", null).statusCode(), 409);
        assertEquals(
                server.anna
                        .send("PUT", at + "/sheets/7/cells", Map.of("row", 2, "column", 0, "text", ""))
                        .statusCode(),
                404);
        assertEquals(server.anna.send("GET", at + "/sheets/7/rows", null).statusCode(), 200);
        assertEquals(
                server.anna
                        .send("GET", at + "/sheets/0/proposal?use=records&to=shed", null)
                        .statusCode(),
                404);
        assertEquals(
                server.anna
                        .ok("GET", at + "/sheets/0/proposal?use=records&to=tree", null)
                        .get("to")
                        .asString(),
                "ttree");
        assertEquals(
                server.anna
                                .sendFiles(IMPORTS, "odd.xlsx", "PK\u0003\u0004 is no workbook")
                                .statusCode()
                        / 100,
                4);
    }
}
