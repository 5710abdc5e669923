package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jontrel.site.testing.Orchard;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Whoever reads a site while its definitions switch is answered, and by one state of them. */
public class SwitchApiTest {
    private static final int SWITCHES = 12;
    private static final int RECORDS = 5;
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.start();
        for (int i = 0; i < RECORDS; i++) {
            server.add("tree", Orchard.tree("T" + i), "published");
        }
        server.release(
                "2.0.0",
                Map.of(
                        "key: height, label: Height, kind: number, decimals: 2, min: 0, unit: m",
                        "key: tall, label: Height, kind: text"));
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    /** A record has its height under the key, and in the form, that one of the releases gives it. */
    private static void check(JsonNode record) {
        var values = record.has("values") ? record.get("values") : record;
        var number = values.get("height");
        var text = values.get("tall");
        assertTrue((number == null) != (text == null), record.toString());
        assertEquals(Double.parseDouble((number == null ? text : number).asString()), 4.5);
    }

    private void list() {
        var list = server.session().ok("GET", "/at/field/api/trees", null).get("items");
        assertEquals(list.size(), RECORDS);
        list.forEach(SwitchApiTest::check);
    }

    private void page() {
        var answer = server.session().send("GET", "/at/field/trees/t1", null);
        assertEquals(answer.statusCode(), 200);
        assertTrue(answer.body().contains("Height"), answer.body());
    }

    private void desk() {
        var list = server.anna.ok("GET", "/api/sites/field/types/tree/records", null);
        assertEquals(list.get("records").size(), RECORDS);
    }

    private void export() {
        try {
            var answer = server.anna.send("GET", "/api/sites/field/types/tree/export.jsonl", null);
            if (answer.statusCode() == 503) {
                assertTrue(answer.body().contains("Export it again"), answer.body());
                return;
            }
            assertEquals(answer.statusCode(), 200);
            answer.body().lines().forEach(line -> check(JSON.readTree(line)));
        } catch (java.io.UncheckedIOException _) {
            // broken off, which is no whole file
        }
    }

    @Test
    public void everyAnswerIsFromOneSide() throws Exception {
        list();
        page();
        desk();
        export();
        var over = new AtomicBoolean();
        try (var readers = Executors.newVirtualThreadPerTaskExecutor()) {
            var reading = new ArrayList<Future<?>>();
            for (Runnable way : List.<Runnable>of(this::list, this::page, this::desk, this::export)) {
                reading.add(readers.submit(() -> {
                    while (!over.get()) {
                        way.run();
                    }
                }));
            }
            try {
                var run = server.ended(server.anna.ok("POST", "/api/sites/field/runs", Map.of("version", "2.0.0")));
                for (int i = 0; i < SWITCHES; i++) {
                    var undone = server.anna.ok(
                            "POST", "/api/sites/field/runs/" + run.get("id").asLong() + "/undo", Map.of());
                    run = server.ended(undone);
                    if (run.get("kind").asString().equals("redo")) {
                        run = server.anna
                                .ok("GET", "/api/sites/field/runs", null)
                                .valueStream()
                                .filter(each -> each.get("kind").asString().equals("forward")
                                        && each.get("canUndo").asBoolean())
                                .findFirst()
                                .orElseThrow();
                    }
                }
            } finally {
                over.set(true);
            }
            for (var each : reading) {
                each.get();
            }
        }
    }
}
