package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What the server says of itself: the description of its API, and the headers of its answers. */
public class ApiDescriptionTest extends TrialServerTest {
    @Test
    public void pagesAndPicturesForbidFramesAndForeignScripts() {
        var page = new Session(address()).send("GET", "/at/trial/", null);
        var policy = page.headers().firstValue("Content-Security-Policy").orElse("");
        assertTrue(
                policy.contains("default-src 'none'")
                        && !policy.contains("unsafe")
                        && policy.contains("frame-ancestors 'none'"),
                policy);
        assertEquals(page.headers().firstValue("X-Content-Type-Options").orElse(""), "nosniff");
    }

    @Test
    public void theRecordedDescriptionOfTheApiIsTheServers() throws IOException {
        var recorded = Path.of("../web/openapi.json");
        var now = anna.ok("GET", "/v3/api-docs", null);
        assertNotNull(now.get("paths"));
        if (System.getenv("JONTREL_RECORD_API") != null) {
            Files.writeString(recorded, JSON.writerWithDefaultPrettyPrinter().writeValueAsString(ordered(now)) + "\n");
        }
        assertEquals(
                sorted(JSON.readTree(Files.readString(recorded))),
                sorted(now),
                "web/openapi.json is not what the server says: see CONTRIBUTING.md");
    }

    /** The same with names in order, so that a new record differs only where the API does. */
    private static Object ordered(JsonNode node) {
        if (node.isObject()) {
            var sorted = new java.util.TreeMap<String, Object>();
            node.properties().forEach(entry -> sorted.put(entry.getKey(), ordered(entry.getValue())));
            return sorted;
        }
        return node.isArray()
                ? node.valueStream().map(ApiDescriptionTest::ordered).toList()
                : node;
    }

    private static List<String> sorted(JsonNode node) {
        var lines = new ArrayList<String>();
        collect("", node, lines);
        lines.sort(String::compareTo);
        return lines;
    }

    private static void collect(String path, JsonNode node, List<String> lines) {
        if (node.isObject()) {
            node.properties().forEach(entry -> collect(path + "/" + entry.getKey(), entry.getValue(), lines));
        } else if (node.isArray()) {
            node.forEach(item -> collect(path + "[]", item, lines));
        } else {
            lines.add(path + "=" + node);
        }
    }

    @Test
    public void noticesNameWhatIsShipped() {
        var server = notice("server");
        var libraries = List.of(context.getBeanDefinitionNames()).stream()
                .map(context::getType)
                .filter(type -> type != null && type.getProtectionDomain().getCodeSource() != null)
                .map(type ->
                        type.getProtectionDomain().getCodeSource().getLocation().getPath())
                .filter(path -> path.endsWith(".jar") && !path.contains("/org/jontrel/"))
                .map(path -> path.replaceFirst(".*/", "").replaceFirst("-[0-9][^/]*[.]jar$", ""))
                .collect(Collectors.toSet());
        assertTrue(libraries.size() > 10, libraries.toString());
        for (var library : libraries) {
            assertTrue(server.contains(":" + library + ":"), library);
        }
        var shown = notice("interface");
        assertTrue(shown.contains("atkinson-hyperlegible-next") && shown.contains("SIL OPEN FONT LICENSE"));
        assertTrue(shown.contains("naive-ui"));
        assertTrue(notice("icons").contains("MIT License"));
    }

    private String notice(String name) {
        var answer = new Session(address()).send("GET", "/licenses/" + name + ".txt", null);
        assertEquals(answer.statusCode(), 200, name);
        return answer.body();
    }
}
