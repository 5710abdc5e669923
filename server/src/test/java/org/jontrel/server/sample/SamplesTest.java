package org.jontrel.server.sample;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.PackageReader;
import org.jontrel.server.OrchardServer;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** Each sample is sound, and its records come onto a site that has its definitions, all of them and with their pictures. */
public class SamplesTest {
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.empty();
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    @DataProvider
    public Object[][] samples() {
        return new SampleModels()
                .all().stream().map(each -> new Object[] {each}).toArray(Object[][]::new);
    }

    @Test
    public void thereAreFiveAndEachSaysWhatItIs() {
        var all = server.anna.ok("GET", "/api/samples", null);
        assertEquals(all.size(), 5);
        for (var each : all) {
            assertEquals(each.get("description").asString().split("\\. ").length, 2, each.toString());
            assertTrue(each.get("records").asInt() >= 7, each.toString());
            assertTrue(each.get("pictures").asInt() >= 3, each.toString());
            var sorts = each.get("definitions")
                    .valueStream()
                    .map(one -> one.get("sort").asString())
                    .toList();
            assertTrue(sorts.containsAll(List.of("type", "taxonomy", "layout", "listing", "look")), sorts.toString());
            assertEquals(
                    server.anna
                            .send("GET", each.get("picture").asString(), null)
                            .statusCode(),
                    200);
        }
        assertEquals(
                server.anna.send("GET", "/api/samples/nothing/package", null).statusCode(), 404);
    }

    @Test(dataProvider = "samples")
    public void aSampleHasNothingToMendAndItsRecordsComeWhole(SampleModel sample) throws Exception {
        var model = sample.content().model();
        assertTrue(ModelCheck.check(model).stream()
                .allMatch(each -> each.severity().name().equals("NOTE")));
        var definitions = PackageReader.read(sample.model(), List.of())
                .content()
                .orElseThrow()
                .model()
                .definitions();
        assertEquals(definitions.size(), sample.definitions().size());
        var title = "Trade " + sample.name();
        var workspace = "/api/workspaces/"
                + server.anna
                        .ok("POST", "/api/workspaces", Map.of("title", title))
                        .get("path")
                        .asString();
        var incoming = server.anna.sendFiles(workspace + "/draft/incoming", Map.of("sample.zip", sample.zip()));
        assertEquals(incoming.statusCode(), 200, incoming.body());
        var taken = JsonMapper.shared()
                .readTree(incoming.body())
                .get("definitions")
                .valueStream()
                .map(each -> Map.of("sort", each.get("sort").asString(), "definition", each.get("definition")))
                .toList();
        server.anna.ok("POST", workspace + "/draft/take", Map.of("definitions", taken));
        server.anna.ok("POST", workspace + "/releases", Map.of("version", "1.0.0", "notes", ""));
        var site = "/api/sites/"
                + server.anna
                        .ok("POST", workspace + "/sites", Map.of("name", title))
                        .get("path")
                        .asString();
        var none = server.anna.send("POST", site + "/imports/samples/" + sample.name(), null);
        assertEquals(none.statusCode(), 409, none.body());
        server.anna.ok("POST", site + "/runs", Map.of("version", "1.0.0"));
        Waiting.until(
                "installed",
                () -> server.anna.ok("GET", site + "/record-types", null).size() > 0);

        long id = server.anna
                .ok("POST", site + "/imports/samples/" + sample.name(), null)
                .get("id")
                .asLong();
        var at = site + "/imports/" + id;
        var tried = server.worked(at, "try", "tried");
        assertEquals(tried.get("problems").size(), 0, tried.get("problems").toString());
        assertEquals(tried.get("findings").size(), 0, tried.get("findings").toString());
        for (var sheet : tried.get("mapping").get("sheets")) {
            assertFalse(sheet.get("use").asString().equals("skip"), sheet.toString());
            for (var column : sheet.get("columns")) {
                assertFalse(column.get("goal").asString().equals("skip"), sheet.get("sheet") + " " + column);
            }
        }
        server.worked(at, "run", "done");
        long records = 0;
        for (var type : server.anna.ok("GET", site + "/record-types", null)) {
            records += type.get("sort").asString().equals("types")
                    ? type.get("records").asLong()
                    : 0;
        }
        assertEquals(records, sample.records());
        var media = server.anna.ok("GET", site + "/media", null);
        assertEquals(media.size(), sample.pictures().size());
        for (var each : media) {
            assertFalse(each.get("alt").asString().isBlank());
        }
    }
}
