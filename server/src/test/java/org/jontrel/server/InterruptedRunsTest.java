package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Model;
import org.jontrel.site.Site;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Runs that were interrupted end without anybody's help: at their aim, or where they came from. */
public class InterruptedRunsTest {
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.start("--jontrel.continue-every=PT0.2S", "--jontrel.run-stale-seconds=1");
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private static final class SimulatedCrash extends RuntimeException {}

    private JsonNode last() {
        return server.anna.ok("GET", "/api/sites/field/runs", null).get(0);
    }

    private JsonNode last(String state) {
        Waiting.until(
                "a run that is " + state, () -> last().get("state").asString().equals(state));
        return last();
    }

    @Test
    public void whatWasInterruptedIsContinued() throws Exception {
        try (var source = server.site()) {
            var other = Site.open(source, "a process that ends", Duration.ofSeconds(1));
            Model to = Orchard.edited(Map.of("key: height, label: Height", "key: tall, label: Height"));
            var started = (Runs.RunOutcome.Started) other.runs()
                    .start(new Runs.RunTarget("1.1.0", to, List.of()), "anna", run -> {
                        if (run.steps().stream()
                                .anyMatch(step ->
                                        step.phase().equals("switch") && step.state() != RunView.StepState.PENDING)) {
                            throw new SimulatedCrash();
                        }
                    });
            assertThrows(SimulatedCrash.class, () -> started.work().run());
        }
        assertEquals(last("done").get("toVersion").asString(), "1.1.0");
        assertTrue(server.add("tree", Map.of("title", "After"), "published") > 0, "writers are at work");
    }

    @Test(dependsOnMethods = "whatWasInterruptedIsContinued")
    public void whatCannotBeContinuedGoesBack() throws Exception {
        try (var source = server.site();
                var connection = source.getConnection();
                var statement = connection.createStatement()) {
            statement.execute("CREATE TABLE shed (id INT)");
        }
        var definitions = List.of(Map.of(
                "sort",
                "type",
                "definition",
                Map.of(
                        "id",
                        "tshed",
                        "key",
                        "shed",
                        "singular",
                        "Shed",
                        "plural",
                        "Sheds",
                        "path",
                        "sheds",
                        "parts",
                        List.of("title"))));
        server.anna.ok("POST", "/api/workspaces/orchard/draft/take", Map.of("definitions", definitions));
        server.anna.ok("POST", "/api/workspaces/orchard/releases", Map.of("version", "2.0.0", "notes", ""));
        server.anna.ok("POST", "/api/sites/field/runs", Map.of("version", "2.0.0"));
        Waiting.until("the way back", () -> last("done").get("kind").asString().equals("back"));
        var back = last("done");
        assertEquals(back.get("toVersion").asString(), "1.1.0");
        assertTrue(server.add("tree", Map.of("title", "Still"), "published") > 0, "writers are at work");
    }
}
