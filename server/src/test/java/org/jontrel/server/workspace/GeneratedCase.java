package org.jontrel.server.workspace;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.generate.CodeTarget;
import org.jontrel.core.generated.Models;
import org.jontrel.server.OrchardServer;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import tools.jackson.databind.json.JsonMapper;

/** A site with the orchard's definitions, and the code that is made of them. */
abstract class GeneratedCase {
    static final Path TOOLS = Path.of("../web/node_modules").toAbsolutePath().normalize();
    static final Path PROGRAMS = Path.of("src/test/resources/generated");
    static final int DRAWN = 200;
    static final JsonMapper JSON = JsonMapper.builder().build();
    OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of());
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    Map<String, String> made(String target) {
        var files = new HashMap<String, String>();
        server.anna
                .ok("GET", "/api/workspaces/orchard/generate/" + target + "?version=1.0.0", null)
                .get("files")
                .forEach(each ->
                        files.put(each.get("path").asString(), each.get("text").asString()));
        return files;
    }

    static void write(Path folder, Map<String, String> files) throws IOException {
        for (var each : files.entrySet()) {
            var file = folder.resolve(each.getKey());
            Files.createDirectories(file.getParent());
            Files.writeString(file, each.getValue());
        }
    }

    static String run(Path folder, String... command) throws IOException, InterruptedException {
        var output = Files.createTempFile("run", ".log");
        var process = new ProcessBuilder(command)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .redirectOutput(output.toFile())
                .start();
        assertTrue(process.waitFor(5, TimeUnit.MINUTES), String.join(" ", command));
        var said = Files.readString(output);
        assertEquals(process.exitValue(), 0, said);
        return said;
    }

    static Map<String, String> drawn(CodeTarget target, int seed) {
        var manifest = Manifest.of("drawn-" + seed, "1.0.0", "Drawn", List.of(), "", "");
        return target.of(new ModelPackage(manifest, new Models(seed).model(), List.of()))
                .files();
    }
}
