package org.jontrel.site.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;

/** A model that uses the whole language. */
public final class Orchard {
    /** Also for tests of modules beside this one. */
    private static final Path FOLDER = Path.of("../site/src/test/resources/orchard");

    private Orchard() {}

    public static Model model() {
        return edited(Map.of());
    }

    /** The model with texts of its files replaced: each text by another, wherever it stands. */
    public static Model edited(Map<String, String> replacements) {
        try {
            var findings = new ArrayList<Finding>();
            var files = new TreeMap<>(PackageFiles.read(FOLDER, findings));
            files.replaceAll((_, bytes) -> {
                var text = new String(bytes, StandardCharsets.UTF_8);
                for (var each : replacements.entrySet()) {
                    text = text.replace(each.getKey(), each.getValue());
                }
                return text.getBytes(StandardCharsets.UTF_8);
            });
            var read = PackageReader.read(files, findings);
            var bad = new ArrayList<>(read.findings());
            bad.addAll(ModelCheck.check(read.content().orElseThrow().model()));
            if (Finding.blocks(bad)) {
                throw new IllegalStateException(
                        bad.stream().map(Finding::sentence).toList().toString());
            }
            return read.content().orElseThrow().model();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Everything a tree can hold that leads to nothing else, as a form sends it. */
    public static Map<String, Object> tree(String title) {
        var raw = new java.util.LinkedHashMap<String, Object>();
        raw.put("title", title);
        raw.put("summary", "Stands by the gate.");
        raw.put("tag", title + "-1");
        raw.put("planted", "1998-03-01");
        raw.put("height", "4.50");
        raw.put("seen", "2026-05-01T09:30");
        raw.put("story", "<p>An <b>old</b> tree<script>alert(1)</script></p>");
        raw.put("site", "https://example.org/tree");
        raw.put("mark", "map-pin");
        raw.put("spot", Map.of("latitude", "52.3456789", "longitude", "-1.25"));
        raw.put("fruits", true);
        raw.put("yield", "40");
        raw.put("uses", List.of("table", "juice"));
        raw.put("mood", "fine");
        raw.put("bark", Map.of("tone", "#665544", "texture", "Rough"));
        raw.put(
                "prunings",
                List.of(
                        Map.of(
                                "day",
                                "2025-02-01",
                                "tools",
                                List.of("saw"),
                                "cuts",
                                List.of(
                                        Map.of("branch", "Low", "thick", "2.5"),
                                        Map.of("branch", "High", "thick", "1"))),
                        Map.of("day", "2026-02-01", "tools", List.of("shears", "saw"))));
        raw.put("open", false);
        return raw;
    }
}
