package org.jontrel.cli;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

public class MainTest {
    private static final String TYPE = """
            key: mooring
            singular: Mooring
            plural: Moorings
            path: moorings
            groups:
              - title: Berth
                fields:
                  - {key: length_m, label: Length, kind: number, decimals: 1, unit: m}
            """;
    private Path folder;

    private record Ran(int code, String out, String err) {}

    private static Ran run(Object... arguments) {
        var out = new StringWriter();
        var err = new StringWriter();
        var texts = java.util.Arrays.stream(arguments).map(String::valueOf).toArray(String[]::new);
        int code = Main.run(new PrintWriter(out, true), new PrintWriter(err, true), texts);
        return new Ran(code, out.toString(), err.toString());
    }

    @BeforeMethod
    public void write() throws IOException {
        folder = write("package", TYPE);
    }

    private static Path write(String name, String type) throws IOException {
        var folder = Files.createTempDirectory(name);
        Files.createDirectories(folder.resolve("types"));
        Files.writeString(folder.resolve("package.yaml"), "name: tessel\nversion: 1.0.0\n");
        Files.writeString(folder.resolve("types/mooring.yaml"), type);
        return folder;
    }

    @Test
    public void aGoodPackagePassesWithNothingOnStandardOutput() {
        var ran = run("check", folder);
        assertEquals(ran.code(), 0, ran.out());
        assertEquals(ran.out(), "");
    }

    @Test
    public void findingsNameFileLineColumnAndTheNearestWord() throws IOException {
        var bad = write("bad", TYPE.replace("decimals: 1", "decimal: 1"));
        var ran = run("check", bad);
        assertEquals(ran.code(), 1);
        assertEquals(
                ran.out(),
                "types/mooring.yaml:8:54: blocker: No property decimal in number field. Did you mean \"decimals\"? [PROPERTY_UNKNOWN]"
                        + System.lineSeparator());
    }

    @Test
    public void jsonIsForMachines() throws IOException {
        var ran = run("check", write("bad", TYPE.replace("path: moorings", "path: Moor Ings")), "--json");
        var finding = JsonMapper.shared().readTree(ran.out()).at("/findings/0");
        assertEquals(finding.get("code").asString(), "PATH_INVALID");
        assertEquals(finding.get("severity").asString(), "blocker");
        assertEquals(ran.code(), 1);
    }

    @Test
    public void comparisonSpeaksTheWordsOfTheModel() throws IOException {
        var other = write("other", TYPE.replace("label: Length", "label: Length of berth"));
        var ran = run("compare", folder, other);
        assertEquals(ran.code(), 1);
        assertEquals(
                ran.out().strip(),
                "Mooring\n  patch: Mooring: field Length of berth: label changed from “Length” to “Length of berth”");
        assertTrue(run("compare", folder, other, "--markdown").out().contains("### Mooring"));
        assertEquals(run("compare", folder, folder).code(), 0);
        var tree = JsonMapper.shared()
                .readTree(run("compare", folder, other, "--json").out());
        assertEquals(tree.get("advice").asString(), "patch");
    }

    @Test
    public void wrongUseIsCodeTwoWithASentence() {
        assertEquals(run("check").code(), 2);
        assertEquals(run("chekc", folder).code(), 2);
        var missing = run("check", folder.resolve("nowhere"));
        assertEquals(missing.code(), 2);
        assertTrue(missing.err().contains("There is nothing at"), missing.err());
    }

    @Test
    public void independentEditsMergeAndClashesWriteNothing() throws IOException {
        var ours = write("ours", TYPE.replace("label: Length", "label: Length of berth"));
        var theirs = write("theirs", TYPE.replace("unit: m", "unit: metres"));
        var out = Files.createTempDirectory("out").resolve("merged");
        var ran = run("merge", folder, ours, theirs, "-o", out);
        assertEquals(ran.code(), 0, ran.out() + ran.err());
        var text = Files.readString(out.resolve("types/mooring.yaml"));
        assertTrue(text.contains("label: Length of berth") && text.contains("unit: metres"), text);
        var other = write("other", TYPE.replace("label: Length", "label: Reach"));
        var nowhere = out.resolveSibling("nowhere");
        var clash = run("merge", folder, ours, other, "-o", nowhere, "--json");
        assertEquals(clash.code(), 1);
        assertEquals(
                JsonMapper.shared()
                        .readTree(clash.out())
                        .at("/clashes/0/theirs")
                        .asString(),
                "Reach");
        assertTrue(Files.notExists(nowhere));
    }

    @Test
    public void singleFilesMergeInPlaceAsVersionControlAsksFor() throws IOException {
        var temporary = Files.createTempDirectory("driver");
        var base = Files.writeString(temporary.resolve("base_x1"), TYPE);
        var ours =
                Files.writeString(temporary.resolve("ours_x2"), TYPE.replace("singular: Mooring", "singular: Berth"));
        var theirs = Files.writeString(temporary.resolve("theirs_x3"), TYPE.replace("path: moorings", "path: berths"));
        var ran = run("merge", base, ours, theirs, "-o", ours);
        assertEquals(ran.code(), 0, ran.out() + ran.err());
        var text = Files.readString(ours);
        assertTrue(text.contains("singular: Berth") && text.contains("path: berths"), text);
    }

    @Test
    public void schemasAreWrittenForEveryClassOfFile() throws IOException {
        var out = Files.createTempDirectory("schemas");
        assertEquals(run("schema", "-o", out).code(), 0);
        var type = JsonMapper.shared().readTree(Files.readString(out.resolve("type.schema.json")));
        assertEquals(type.get("$schema").asString(), "https://json-schema.org/draft/2020-12/schema");
        assertEquals(type.at("/$defs/field/allOf").size(), 22);
        assertTrue(
                Files.exists(out.resolve("package.schema.json")) && Files.exists(out.resolve("migration.schema.json")));
    }
}
