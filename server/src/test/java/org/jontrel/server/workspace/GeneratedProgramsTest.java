package org.jontrel.server.workspace;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.generate.CodeTarget;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.testng.annotations.Test;

/** What is made for other programs is compiled by their tools, and reads and writes a real site. */
public class GeneratedProgramsTest extends GeneratedCase {
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

    private static void javac(Path folder) throws IOException, InterruptedException {
        try (var files = Files.walk(folder)) {
            var sources = files.map(folder::relativize)
                    .map(Path::toString)
                    .filter(name -> name.endsWith(".java"))
                    .toList();
            Files.write(folder.resolve("sources"), sources);
        }
        var compiler = Path.of(System.getProperty("java.home"), "bin", "javac").toString();
        run(
                folder,
                compiler,
                "-Xlint:all",
                "-Werror",
                "--release",
                "21",
                "-encoding",
                "UTF-8",
                "-d",
                "out",
                "@sources");
    }

    @Test
    public void aProgramInJavaReadsAndWritesTheSite() throws IOException, InterruptedException {
        var folder = Files.createTempDirectory("java");
        write(folder, made("java"));
        Files.copy(PROGRAMS.resolve("Program.java.txt"), folder.resolve("Program.java"));
        javac(folder);
        var secret = server.anna
                .ok("POST", "/api/sites/field/tokens", Map.of("name", "Java", "role", "editor"))
                .get("secret")
                .asString();
        var java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        var said = run(folder, java, "-cp", "out", "Program", server.whole("/at/field/api"), secret);
        assertEquals(said.strip(), "all is well");
    }

    @Test
    public void recordsOfDrawnModelsCompile() throws IOException, InterruptedException {
        var folder = Files.createTempDirectory("drawn");
        for (int seed = 1; seed <= DRAWN; seed++) {
            write(folder, drawn(CodeTarget.JAVA, seed));
        }
        write(folder, CodeTarget.JAVA.of(wide()).files());
        javac(folder);
    }

    /** A type with more fields than a record can have. */
    private static ModelPackage wide() {
        var fields = IntStream.range(0, 300)
                .mapToObj(i -> new Field("fw" + i, "wide_" + i, "Wide " + i, "", false, Kind.Text.PLAIN))
                .toList();
        var groups = List.of(new Group("gwide", "Facts", "", fields));
        var type = new ContentType(
                "twide", "wide", "Wide", "Wides", "", "", "wides", Map.of(), List.of(Part.TITLE), groups);
        return new ModelPackage(
                Manifest.of("wide", "1.0.0", "Wide", List.of(), "", ""), new Model(List.of(type)), List.of());
    }

    @Test
    public void whatARecordCannotHaveIsTold() {
        var notes = CodeTarget.JAVA.of(wide()).notes();
        assertEquals(
                notes.stream()
                        .filter(note -> note.contains("more fields than a record can have"))
                        .count(),
                1);
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
}
