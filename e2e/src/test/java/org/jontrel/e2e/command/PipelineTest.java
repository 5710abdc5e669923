package org.jontrel.e2e.command;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.io.FileUtils;
import org.jontrel.cli.Main;
import org.jontrel.demo.Client;
import org.jontrel.e2e.Installation;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The example pipeline as a process of its own, from a proposed change to two sites that have it. */
public class PipelineTest {
    private static final Path SCRIPT = Path.of("../examples/pipeline/pipeline.sh");
    private Installation installation;
    private Client anna;
    private Terminal terminal;
    private Path root;
    private Path folder;

    @BeforeClass
    public void start() throws IOException {
        installation = new Installation();
        anna = installation.firstArchitect("anna", "anna-password");
        anna.post("/api/workspaces", Map.of("title", "Harbour"));
        anna.post("/api/workspaces/harbour/sites", Map.of("name", "Trial"));
        anna.post("/api/workspaces/harbour/sites", Map.of("name", "Towpath"));
        terminal = Terminal.of(
                anna, installation.address(), "harbour", "pipeline", List.of("draft", "release", "plan", "run"));
        root = Files.createTempDirectory("pipeline");
        folder = Files.createDirectories(root.resolve("model"));
        var program = root.resolve("jontrel");
        // of jars alone, so that what was loaded once is loaded faster
        var jars = Stream.of(System.getProperty("java.class.path").split(File.pathSeparator))
                .filter(each -> each.endsWith(".jar"))
                .collect(Collectors.joining(File.pathSeparator));
        Files.writeString(
                program,
                "#!/bin/sh\nexec '" + Path.of(System.getProperty("java.home"), "bin", "java")
                        + "' -XX:TieredStopAtLevel=1 -XX:+UseSerialGC -Xlog:disable -XX:+AutoCreateSharedArchive"
                        + " -XX:SharedArchiveFile='" + root.resolve("archive") + "' -cp '" + jars + "' "
                        + Main.class.getName() + " \"$@\"\n");
        Files.setPosixFilePermissions(program, PosixFilePermissions.fromString("rwx------"));
    }

    @AfterClass(alwaysRun = true)
    public void stop() throws IOException {
        installation.close();
        FileUtils.deleteDirectory(root.toFile());
    }

    private record Ended(int code, String said) {}

    private Ended pipeline(String... arguments) throws IOException {
        var command = new java.util.ArrayList<>(
                List.of("bash", SCRIPT.toAbsolutePath().toString()));
        command.addAll(List.of(arguments));
        var builder = new ProcessBuilder(command).directory(root.toFile()).redirectErrorStream(true);
        builder.environment()
                .putAll(Map.of(
                        "JONTREL", root.resolve("jontrel").toString(),
                        "JONTREL_SERVER", installation.address(),
                        "JONTREL_TOKEN_FILE", terminal.token().toString(),
                        "NOTES", "By the pipeline"));
        try {
            var process = builder.start();
            var said = new String(process.getInputStream().readAllBytes());
            return new Ended(process.waitFor(), said);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** A commit: the version and a field. */
    private void commit(String version, String field) throws IOException {
        Files.writeString(folder.resolve("package.yaml"), "name: harbour\nversion: \"" + version + "\"\n");
        Files.createDirectories(folder.resolve("types"));
        Files.writeString(
                folder.resolve("types/mooring.yaml"),
                "# by hand\nkey: mooring\nsingular: Mooring\nplural: Moorings\npath: moorings\ngroups:\n  - title: Place\n"
                        + "    fields:\n      - {key: depth, label: Depth, kind: number}\n" + field);
    }

    private String version(String site) {
        return anna.get("/api/workspaces/harbour/sites")
                .valueStream()
                .filter(each -> each.get("name").asString().equals(site))
                .map(each -> each.get("version").asString())
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void aChangeIsReviewedAnsweredReleasedAndRunOnOneSiteAfterAnother() throws IOException {
        commit("1.0.0", "");
        var first = pipeline("deliver", "model");
        assertEquals(first.code(), 0, first.said());
        assertEquals(List.of(version("Trial"), version("Towpath")), List.of("1.0.0", "1.0.0"));
        for (var site : List.of("trial", "towpath")) {
            anna.post(
                    "/api/sites/" + site + "/types/mooring/records",
                    Map.of("version", 0, "state", "published", "values", Map.of("title", "Ring 7")));
        }

        commit("1.1.0", "      - {key: owner, label: Owner, kind: text, required: true}\n");
        var review = pipeline("review", "model", "comment.md");
        assertEquals(review.code(), 3, review.said());
        var comment = Files.readString(root.resolve("comment.md"));
        assertTrue(comment.contains("**Advised: a ") && comment.contains("Owner"), comment);
        assertTrue(comment.contains("### Plan for Trial") && comment.contains("### Plan for Towpath"), comment);
        assertTrue(comment.contains("- [ ] "), comment);
        var refused = pipeline("deliver", "model");
        assertEquals(refused.code(), 3, refused.said());
        assertEquals(anna.get("/api/workspaces/harbour/releases").size(), 1, "an open question stops it before all");

        var answers = comment.substring(comment.indexOf("version: \"1.1.0\""), comment.indexOf("```\n\n#### Steps"));
        assertTrue(answers.contains("{element: mooring.owner, question: required_empty"), answers);
        Files.createDirectories(folder.resolve("migrations"));
        Files.writeString(
                folder.resolve("migrations/1.1.0.yaml"),
                answers.replaceAll("answer: \\w+(, value: \"[^\"]*\")?", "answer: fill, value: The harbour"));
        assertEquals(pipeline("review", "model", "comment.md").code(), 0);
        assertTrue(Files.readString(root.resolve("comment.md")).contains("- [x] "));
        var delivered = pipeline("deliver", "model");
        assertEquals(delivered.code(), 0, delivered.said());
        assertEquals(List.of(version("Trial"), version("Towpath")), List.of("1.1.0", "1.1.0"));
        assertTrue(
                anna.get("/api/sites/towpath/types/mooring/records").toString().contains("The harbour"));
        var release = anna.get("/api/workspaces/harbour/releases").get(0);
        assertEquals(release.get("by").asString(), "pipeline (token)");
        assertEquals(release.get("notes").asString(), "By the pipeline");
        var secret = Files.readString(terminal.token()).strip();
        assertFalse(delivered.said().contains(secret), "the token is in the log");
    }
}
