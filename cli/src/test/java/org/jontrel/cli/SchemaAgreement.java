package org.jontrel.cli;

import static org.testng.Assert.assertEquals;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.jontrel.cli.io.Output;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.schema.CoreSchema;
import org.testng.annotations.DataProvider;

/** What the published schema and the reader say of one text. */
abstract class SchemaAgreement {
    /** What the reader says beyond the form of one file. */
    static final Set<Code> BEYOND = Set.of(
            Code.FILE_NAME_DIFFERS, Code.FILE_UNEXPECTED, Code.WAS_TWICE, Code.CHECKSUM_DIFFERS, Code.MIGRATION_TWICE);

    static final SchemaRegistry REGISTRY = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12);
    final Map<String, Schema> schemas = new HashMap<>();

    Schema schema(String file) {
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

    List<com.networknt.schema.Error> errors(String file, String text) {
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
    static List<Finding> refusals(String file, String text) {
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", "format: 3\nname: schema\nversion: 1.0.0\n".getBytes());
        files.put(file, text.getBytes(StandardCharsets.UTF_8));
        return PackageReader.read(files, List.of()).findings().stream()
                .filter(finding -> !BEYOND.contains(finding.code()))
                .toList();
    }

    void agree(String file, String text, String about) {
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

    @DataProvider
    public Object[][] manifests() {
        return new Object[][] {
            {"format: -1"},
            {"format: 0"},
            {"format: 1"},
            {"format: 3"},
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

    static String spoilt(String text, Random draw) {
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
}
