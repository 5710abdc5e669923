package org.jontrel.cli;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Code;
import org.jontrel.core.generated.Models;
import org.testng.annotations.Test;

/** Whole files, drawn and broken, are taken by schema and reader alike. */
public class SchemaOfFilesTest extends SchemaAgreement {
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
