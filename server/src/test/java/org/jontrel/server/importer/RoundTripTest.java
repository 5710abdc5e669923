package org.jontrel.server.importer;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jontrel.server.OrchardServer;
import org.jontrel.site.testing.Orchard;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** What was exported comes back and changes nothing, or only what was changed meanwhile, also through a spreadsheet program. */
public class RoundTripTest {
    private static final String TREES = "/api/sites/field/types/tree/";
    private static final String IMPORTS = "/api/sites/field/imports";
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of());
        // a name that two have cannot be looked up, and a title with a comma looks like two
        long ada = server.add("person", Map.of("title", "Ada"), "published");
        server.add("person", Map.of("title", "Ada"), "published");
        var near = List.of(tree("Lime, the old one", Map.of()), tree("Yew", Map.of("summary", "")));
        tree(
                "Old Mary",
                Map.of("keeper", Map.of("type", "tperson", "id", ada), "near", near, "sort", List.of(cider())));
        tree("=SUM(A1:A9)", Map.of("summary", "Two lines,\nwith \"quotes\"; and more", "tag", "007"));
        tree("+44 20 7946 0018", Map.of("summary", "'tis", "height", "1000.25"));
        tree("TRUE", Map.of("summary", "1/2", "tag", "1E5", "fruits", false));
        tree("  A long one", Map.of("summary", "word ".repeat(180), "story", "<ul><li>one</li><li>two</li></ul>"));
        server.add("tree", Map.of("title", "Nothing but a name"), "draft");
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private long cider() {
        return server.anna
                .ok("GET", "/api/sites/field/taxonomies/sort/records", null)
                .get("records")
                .valueStream()
                .filter(each -> each.get("title").asString().equals("Cider apple"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
    }

    private Object tree(String title, Map<String, Object> more) {
        var values = new HashMap<>(Orchard.tree(title.strip()));
        values.put("tag", "T" + Math.abs(title.hashCode() % 100_000));
        values.put("summary", "Of " + title);
        values.putAll(more);
        return Map.of("type", "ttree", "id", server.add("tree", values, "published"));
    }

    /** Versions by title: what is stored again has another one. */
    private Map<String, Integer> versions() {
        var versions = new TreeMap<String, Integer>();
        for (var each : server.anna.ok("GET", TREES + "records", null).get("records")) {
            versions.put(
                    each.get("id").asString() + each.get("title").asString(),
                    each.get("version").asInt());
        }
        return versions;
    }

    /** Sends a file and tries it. */
    private String tried(Path file) throws Exception {
        var answer = server.anna.sendFiles(IMPORTS, Map.of(file.getFileName().toString(), Files.readAllBytes(file)));
        assertEquals(answer.statusCode(), 201, answer.body());
        var at = IMPORTS + "/"
                + JsonMapper.shared().readTree(answer.body()).at("/progress/id").asLong();
        server.worked(at, "try", "tried");
        return at;
    }

    private void bringsNothing(Path file) throws Exception {
        var before = versions();
        var at = tried(file);
        var changed = server.anna.ok("GET", at + "/sheets/0/rows?outcome=changed", null);
        var numbers = new StringBuilder("0");
        changed.forEach(each -> numbers.append(',').append(each.get("row").asInt()));
        var what = server.anna.ok("GET", at + "/sheets/0/changes?rows=" + numbers, null);
        var details = server.anna.ok("GET", at, null);
        assertEquals(
                details.at("/sheets/0/outcomes").toString(),
                "{\"same\":" + before.size() + "}",
                details.get("problems") + " " + what);
        server.worked(at, "run", "done");
        assertEquals(versions(), before);
    }

    @DataProvider
    public Object[][] endings() {
        return new Object[][] {{"csv"}, {"xlsx"}};
    }

    @Test(dataProvider = "endings")
    public void whatIsExportedComesBackUnchanged(String ending) throws Exception {
        var file = Files.createTempFile("trees", "." + ending);
        try {
            bringsNothing(Files.write(file, server.anna.bytes(TREES + "export." + ending)));
        } finally {
            Files.delete(file);
        }
    }

    @Test
    public void aSpreadsheetProgramThatOpensAndSavesItChangesNothing() throws Exception {
        try (var office = new OfficeFiles()) {
            var exported = office.file("trees.xlsx", server.anna.bytes(TREES + "export.xlsx"));
            bringsNothing(office.saved(exported, "ods"));
            bringsNothing(office.saved(exported, "xlsx"));
            // as people open it who take all columns for text; else the program itself makes numbers of tags
            var text = office.file("trees.csv", server.anna.bytes(TREES + "export.csv"));
            var columns = new StringBuilder("--infilter=CSV:44,34,76,1,");
            for (int i = 1; i <= 60; i++) {
                columns.append(i > 1 ? "/" : "").append(i).append("/2");
            }
            bringsNothing(office.saved(text, "ods", columns.toString()));
        }
    }

    @Test(dependsOnMethods = "aSpreadsheetProgramThatOpensAndSavesItChangesNothing")
    public void onlyWhatWasChangedInItIsChanged() throws Exception {
        try (var office = new OfficeFiles()) {
            var exported = office.file("trees.xlsx", server.anna.bytes(TREES + "export.xlsx"));
            var plain = office.saved(exported, "fods");
            var text = Files.readString(plain);
            assertTrue(text.contains("Of Old Mary"));
            Files.writeString(plain, text.replace("Of Old Mary", "Moved to the wall"));
            var before = versions();
            var at = tried(office.saved(plain, "ods"));
            var details = server.anna.ok("GET", at, null);
            assertEquals(
                    details.at("/sheets/0/outcomes").toString(),
                    "{\"changed\":1,\"same\":" + (before.size() - 1) + "}",
                    details.get("problems").toString());
            var row = server.anna
                    .ok("GET", at + "/sheets/0/rows?outcome=changed", null)
                    .get(0)
                    .get("row")
                    .asInt();
            assertEquals(
                    server.anna
                            .ok("GET", at + "/sheets/0/changes?rows=" + row, null)
                            .at("/0/fields")
                            .toString(),
                    "[{\"label\":\"Summary\",\"was\":\"Of Old Mary\",\"becomes\":\"Moved to the wall\"}]");
            server.worked(at, "run", "done");
            var after = versions();
            assertEquals(
                    after.entrySet().stream()
                            .filter(each -> !each.getValue().equals(before.get(each.getKey())))
                            .count(),
                    1);
            var mary = server.anna
                    .ok("GET", TREES + "records?search=Old%20Mary", null)
                    .at("/records/0/values");
            assertTrue(mary.get("story").asString().contains("<b>old</b>"), mary.toString());
            assertEquals(mary.get("prunings").size(), 2, mary.toString());
        }
    }
}
