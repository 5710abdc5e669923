package org.jontrel.server.workspace;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.generate.CodeTarget;
import org.jontrel.core.generated.Models;
import org.jontrel.server.OrchardServer;
import org.jontrel.site.testing.Orchard;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What is made for other programs is compiled by their tools, reads and writes a real site, and fits what its API gives. */
public class GeneratedCodeTest {
    private static final Path TOOLS =
            Path.of("../web/node_modules").toAbsolutePath().normalize();
    private static final Path PROGRAMS = Path.of("src/test/resources/generated");
    private static final int DRAWN = 200;
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of());
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private Map<String, String> made(String target) {
        var files = new HashMap<String, String>();
        server.anna
                .ok("GET", "/api/workspaces/orchard/generate/" + target + "?version=1.0.0", null)
                .get("files")
                .forEach(each ->
                        files.put(each.get("path").asString(), each.get("text").asString()));
        return files;
    }

    private static void write(Path folder, Map<String, String> files) throws IOException {
        for (var each : files.entrySet()) {
            Files.writeString(folder.resolve(each.getKey()), each.getValue());
        }
    }

    private static String run(Path folder, String... command) throws IOException, InterruptedException {
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

    /** With everything that the compiler can complain about. */
    private static void compile(Path folder) throws IOException, InterruptedException {
        Files.writeString(folder.resolve("package.json"), "{\"type\": \"module\"}");
        Files.writeString(folder.resolve("tsconfig.json"), """
                {"compilerOptions": {"strict": true, "exactOptionalPropertyTypes": true, "noUncheckedIndexedAccess": true,
                  "noImplicitOverride": true, "noUnusedLocals": true, "noUnusedParameters": true, "noImplicitReturns": true,
                  "target": "es2022", "module": "nodenext", "lib": ["es2023", "dom", "dom.iterable"], "types": [],
                  "outDir": "out"}, "include": ["*.ts"]}
                """);
        run(folder, "node", TOOLS.resolve("typescript/bin/tsc").toString(), "-p", ".");
    }

    @Test
    public void aProgramInTypeScriptReadsAndWritesTheSite() throws IOException, InterruptedException {
        var folder = Files.createTempDirectory("typescript");
        write(folder, made("typescript"));
        Files.copy(PROGRAMS.resolve("program.ts"), folder.resolve("program.ts"));
        compile(folder);
        var secret = server.anna
                .ok("POST", "/api/sites/field/tokens", Map.of("name", "TypeScript", "role", "editor"))
                .get("secret")
                .asString();
        var said = run(folder, "node", "out/program.js", server.whole("/at/field/api"), secret);
        assertEquals(said.strip(), "all is well");
    }

    @Test
    public void aProgramInPythonReadsAndWritesTheSite() throws IOException, InterruptedException {
        var folder = Files.createTempDirectory("python");
        write(folder, made("python"));
        Files.copy(PROGRAMS.resolve("program.py"), folder.resolve("program.py"));
        var secret = server.anna
                .ok("POST", "/api/sites/field/tokens", Map.of("name", "Python", "role", "editor"))
                .get("secret")
                .asString();
        var said = run(folder, "python3", "-W", "error", "program.py", server.whole("/at/field/api"), secret);
        assertEquals(said.strip(), "all is well");
    }

    @Test
    public void classesOfDrawnModelsAreRead() throws IOException, InterruptedException {
        var folder = Files.createTempDirectory("drawn");
        var script = new StringBuilder("import typing\n");
        for (int seed = 1; seed <= DRAWN; seed++) {
            var files = drawn(CodeTarget.PYTHON, seed);
            Files.writeString(folder.resolve("client.py"), files.get("client.py"));
            Files.writeString(folder.resolve("model" + seed + ".py"), files.get("model.py"));
            script.append("import model%d as m\n".formatted(seed));
            // every annotation and every shape names something that is there
            script.append("""
                    for kind in [each for each in vars(m).values() if hasattr(each, '_keys')]:
                        typing.get_type_hints(kind)
                        for _, shape in kind._keys.values():
                            while isinstance(shape, tuple):
                                shape = shape[1]() if callable(shape[1]) else shape[1]
                    m.Site('http://127.0.0.1')
                    """);
        }
        Files.writeString(folder.resolve("all.py"), script.append("print('all is well')\n"));
        assertEquals(run(folder, "python3", "-W", "error", "all.py").strip(), "all is well");
    }

    private static Map<String, String> drawn(CodeTarget target, int seed) {
        var manifest = Manifest.of("drawn-" + seed, "1.0.0", "Drawn", List.of(), "", "");
        return target.of(new ModelPackage(manifest, new Models(seed).model(), List.of()))
                .files();
    }

    /** Whatever the language allows. */
    @Test
    public void typesOfDrawnModelsCompile() throws IOException, InterruptedException {
        var folder = Files.createTempDirectory("drawn");
        for (int seed = 1; seed <= DRAWN; seed++) {
            var files = drawn(CodeTarget.TYPESCRIPT, seed);
            Files.writeString(folder.resolve("client.ts"), files.get("client.ts"));
            Files.writeString(folder.resolve("model" + seed + ".ts"), files.get("model.ts"));
        }
        compile(folder);
    }

    @Test
    public void recordsOfTheApiFitTheirSchemas() {
        var raw = new HashMap<>(Orchard.tree("Schema tree"));
        var mother = server.add("tree", Map.of("title", "Schema mother"), "published");
        raw.put("parents", List.of(mother));
        server.add("tree", raw, "published");
        var schemas = made("json-schema");
        var registry = SchemaRegistry.withDefaultDialect(
                SpecificationVersion.DRAFT_2020_12, builder -> builder.schemas(byAddress(schemas)));
        var checked = new ArrayList<String>();
        for (var segment : List.of("trees", "taxonomies/sort", "taxonomies/label")) {
            var schema = registry.getSchema(
                    SchemaLocation.of("https://example.org/" + segment.replace('/', '.') + ".schema.json"));
            for (var asked : List.of("", "?include=parents,keeper")) {
                for (var record : server.session()
                        .ok("GET", "/at/field/api/" + segment + asked, null)
                        .get("items")) {
                    assertEquals(
                            schema.validate(record.toString(), InputFormat.JSON).toString(), "[]", record.toString());
                    checked.add(record.get("slug").asString());
                }
            }
            assertTrue(!schema.validate("{\"id\": \"one\"}", InputFormat.JSON).isEmpty(), "the schema refuses nothing");
        }
        assertTrue(checked.contains("schema-tree") && checked.size() > 5, checked.toString());
    }

    private static Map<String, String> byAddress(Map<String, String> schemas) {
        var all = new HashMap<String, String>();
        schemas.forEach((name, text) -> all.put("https://example.org/" + name, text));
        return all;
    }

    @Test
    public void unknownTargetsAndVersionsAreRefused() {
        var path = "/api/workspaces/orchard/generate/";
        var answer = server.anna.send("GET", path + "cobol", null);
        assertEquals(answer.statusCode(), 404);
        assertTrue(answer.body().contains("Possible are: json-schema"), answer.body());
        assertEquals(
                server.anna.send("GET", path + "typescript?version=9.9.9", null).statusCode(), 404);
        var zip = server.anna.send("GET", path + "typescript/zip", null);
        assertEquals(
                zip.headers().firstValue("Content-Disposition").orElseThrow(),
                "attachment; filename=\"orchard-draft-typescript.zip\"");
    }
}
