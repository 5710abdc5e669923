package org.jontrel.cli;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.generated.Models;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.schema.CoreSchema;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The published schemas say what the reader says, by a standard validator that asserts formats. */
public class SchemaTest {
    /** What the reader says beyond the form of one file. */
    private static final Set<Code> BEYOND = Set.of(
            Code.FILE_NAME_DIFFERS, Code.FILE_UNEXPECTED, Code.WAS_TWICE, Code.CHECKSUM_DIFFERS, Code.MIGRATION_TWICE);

    private static final SchemaRegistry REGISTRY =
            SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12);
    private final Map<String, Schema> schemas = new HashMap<>();

    private Schema schema(String file) {
        var folder = file.contains("/") ? file.substring(0, file.indexOf('/')) : "";
        var name = folder.isEmpty()
                ? "package"
                : folder.equals("migrations")
                        ? "migration"
                        : PackageReader.sortOf(file).map(PackageWriter::word).orElseThrow();
        return schemas.computeIfAbsent(
                name,
                each -> REGISTRY.getSchema(Output.json(PackageWriter.schemas().get(each))));
    }

    private List<com.networknt.schema.Error> errors(String file, String text) {
        // as YAML 1.2 has it, whose core schema not every reader of YAML follows
        var settings = LoadSettings.builder().setSchema(new CoreSchema()).build();
        var tree = new Load(settings).loadFromString(text);
        return schema(file)
                .validate(
                        Output.json(tree),
                        InputFormat.JSON,
                        context -> context.executionConfig(config -> config.formatAssertionsEnabled(true)));
    }

    /** Whether the reader takes a file, as far as its form goes. */
    private static List<Finding> refusals(String file, String text) {
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", "format: 2\nname: schema\nversion: 1.0.0\n".getBytes());
        files.put(file, text.getBytes(StandardCharsets.UTF_8));
        return PackageReader.read(files, List.of()).findings().stream()
                .filter(finding -> !BEYOND.contains(finding.code()))
                .toList();
    }

    private void agree(String file, String text, String about) {
        var refusals = refusals(file, text);
        var errors = errors(file, text);
        assertEquals(
                errors.isEmpty(),
                refusals.isEmpty(),
                about + " " + file + "\n" + text + "\nreader: "
                        + refusals.stream().map(Finding::sentence).toList() + "\nschema: " + errors);
    }

    @DataProvider
    public Object[][] values() {
        var all = new ArrayList<Object[]>();
        for (var value : List.of(
                "12",
                "\"12\"",
                "-3",
                "1.5",
                "1e3",
                "12.0",
                "0x1F",
                "0o17",
                "1_000",
                ".5",
                "true",
                "\"true\"",
                "yes",
                "null",
                "~",
                "",
                "[]",
                "[a]",
                "{}",
                "{a: 1}",
                "text",
                "2026-05-31",
                "2026-02-30",
                "2024-02-29",
                "1900-02-29",
                "09:30",
                "\"09:30\"",
                "\"9:30\"",
                "\"25:00\"",
                "2026-05-31T09:30",
                "2026-05-31T24:00",
                "99999999999",
                "half",
                "'#112233'",
                "12:30:00",
                "1e400",
                "-0",
                "+5",
                "0.1234567890123456789")) {
            for (var property : List.of(
                    "label",
                    "help",
                    "required",
                    "default",
                    "width",
                    "api",
                    "min",
                    "decimals",
                    "show_when",
                    "key",
                    "id",
                    "kind",
                    "was")) {
                all.add(new Object[] {property, "number", value});
            }
            all.add(new Object[] {"earliest", "date", value});
            all.add(new Object[] {"earliest", "time", value});
            all.add(new Object[] {"earliest", "date_time", value});
            all.add(new Object[] {"to", "relation", value});
            all.add(new Object[] {"inverse", "relation", value});
            all.add(new Object[] {"fields", "repeater", value});
            all.add(new Object[] {"options", "choice", value});
            all.add(new Object[] {"unknown", "text", value});
        }
        return all.toArray(Object[][]::new);
    }

    @Test(dataProvider = "values")
    public void everyValueIsTakenByBothOrByNeither(String property, String kind, String value) {
        var field = new TreeMap<>(Map.of("key", "x", "label", "X", "kind", kind));
        field.put(property, value);
        var text = new StringBuilder(
                "key: lock\nsingular: Lock\nplural: Locks\npath: locks\ngroups:\n  - title: G\n    fields:\n      -\n");
        field.forEach((name, each) ->
                text.append("        ").append(name).append(": ").append(each).append('\n'));
        agree("types/lock.yaml", text.toString(), property + ": " + value);
    }

    @DataProvider
    public Object[][] manifests() {
        return new Object[][] {
            {"format: -1"},
            {"format: 0"},
            {"format: 1"},
            {"format: 2"},
            {"format: 3"},
            {"title: 12"},
            {"title: null"},
            {"authors: [A]"},
            {"authors: A"},
            {"requires: [{name: a, version: '>=1'}]"},
            {"requires: [{name: A B, version: '>=1'}]"},
            {"requires: [{name: a, version: soon}]"},
            {"requires: [{name: a}]"},
            {"licence: [a]"},
            {"more: a"},
            {"name: a\nversion: 1.0"},
            {"name: a\nversion: '1.0.0-rc.1+5'"},
            {"name: a\nversion: 01.0.0"},
            {"name: A\nversion: 1.0.0"},
            {"name: a-b1\nversion: 1.0.0"},
            {"name: a--b\nversion: 1.0.0"},
        };
    }

    @Test(dataProvider = "manifests")
    public void manifestsAreTakenByBothOrByNeither(String line) {
        agree("package.yaml", line.startsWith("name") ? line + "\n" : "name: a\nversion: 1.0.0\n" + line + "\n", line);
    }

    @DataProvider
    public Object[][] conditions() {
        return new Object[][] {
            {"{field: a, is: 1}"},
            {"{field: a, is: [1, b, true]}"},
            {"{field: a}"},
            {"{field: a, is: 1, above: 2}"},
            {"{is: 1}"},
            {"{field: a, under: b}"},
            {"{taxonomy: a, under: b}"},
            {"{taxonomy: a, above: 1}"},
            {"{all: []}"},
            {"{any: [{state: draft}]}"},
            {"{not: {parent: []}}"},
            {"{not: []}"},
            {"{state: gone}"},
            {"{parent: a}"},
            {"{all: [], any: []}"},
            {"[]"},
            {"{}"},
            {"{field: a, filled: true}"},
            {"{field: null, is: 1}"},
            {"{field: a, is: null}"},
            {"{field: a, is: [null]}"},
        };
    }

    @Test(dataProvider = "conditions")
    public void conditionsAreTakenByBothOrByNeither(String condition) {
        agree(
                "types/lock.yaml",
                "key: lock\nsingular: Lock\nplural: Locks\npath: locks\ngroups:\n  - title: G\n    show_when: "
                        + condition + "\n",
                condition);
    }

    @Test
    public void brokenPackagesAreTakenByBothOrByNeither() throws IOException {
        var file = "";
        var texts = new ArrayList<Map.Entry<String, StringBuilder>>();
        for (var line : Files.readAllLines(Path.of("../core/src/test/resources/org/jontrel/core/check/mistakes.txt"))) {
            if (line.startsWith("--- ")) {
                file = line.substring(4);
                texts.add(Map.entry(file, new StringBuilder()));
            } else if (!line.startsWith("=== ")) {
                texts.getLast().getValue().append(line).append('\n');
            }
        }
        assertTrue(texts.size() > 100, "cases");
        for (var each : texts) {
            var text = each.getValue().toString();
            boolean syntax = refusals(each.getKey(), text).stream()
                    .anyMatch(finding -> Set.of(
                                    Code.SYNTAX,
                                    Code.NOT_CLOSED,
                                    Code.MERGE_MARKERS,
                                    Code.ALIAS_USED,
                                    Code.PROPERTY_TWICE,
                                    Code.TOO_DEEP,
                                    Code.TOO_MANY_NODES,
                                    Code.FILE_NOT_TEXT)
                            .contains(finding.code()));
            boolean known = each.getKey().equals("package.yaml") || PackageReader.isOfPackage(each.getKey());
            if (!syntax && known) {
                agree(each.getKey(), text, "broken");
            }
        }
    }

    /** A law: files of drawn models are taken by both; with one thing spoilt, by both or by neither. */
    @Test
    public void drawnFilesAreTakenByBothOrByNeither() {
        for (long seed = 1; seed <= 60; seed++) {
            var draw = new Random(seed);
            var manifest = Manifest.of("laws", "1.0.0", "", List.of(), "", "");
            var files = PackageWriter.write(new ModelPackage(manifest, new Models(seed).model(), List.of()));
            for (var file : files.entrySet()) {
                var text = new String(file.getValue(), StandardCharsets.UTF_8);
                assertEquals(errors(file.getKey(), text).toString(), "[]", "seed " + seed + "\n" + text);
                for (int i = 0; i < 4; i++) {
                    agree(file.getKey(), spoilt(text, draw), "seed " + seed);
                }
            }
        }
    }

    private static String spoilt(String text, Random draw) {
        var lines = new ArrayList<>(text.lines().toList());
        int at = draw.nextInt(lines.size());
        var line = lines.get(at);
        var changed =
                switch (draw.nextInt(4)) {
                    case 0 -> line.replaceFirst("([a-z]{3,})([a-z]): ", "$2$1: ");
                    case 1 -> line.replaceFirst(": [a-z0-9]+(?=[,}]|$)", ": null");
                    case 2 -> line.replaceFirst(": [a-z0-9]+(?=[,}]|$)", ": 12");
                    default -> line.replaceFirst(": [a-z0-9]+(?=[,}]|$)", ": true");
                };
        lines.set(at, changed);
        return String.join("\n", lines) + "\n";
    }

    @Test
    public void aTypingErrorIsToldWhereItIs() {
        var text = """
                key: lock
                singular: Lock
                plural: Locks
                path: locks
                groups:
                  - title: Size
                    fields:
                      - {key: rise, label: Rise, kind: number}
                      - {key: width, label: Width, kind: number, decimal: 1}
                  - title: More
                    show_when: {field: rise, abov: 3}
                """;
        var places = errors("types/lock.yaml", text).stream()
                .map(error -> error.getInstanceLocation().toString())
                .distinct()
                .sorted()
                .toList();
        assertEquals(
                places,
                List.of("/groups/0/fields/1", "/groups/1/show_when"),
                errors("types/lock.yaml", text).toString());
    }
}
