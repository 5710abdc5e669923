package org.jontrel.core.code;

import static org.testng.Assert.assertEquals;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.block.Block;
import org.testng.annotations.Test;

/** Packages and stored definitions of older formats read as what they meant. */
public class FormatUpgradeTest {
    private static final String TYPE = "id: t1a2b3c4d\nkey: lock\nsingular: Lock\nplural: Locks\npath: locks\n";
    private static final String LAYOUT = """
            key: lock_page
            title: Page of a lock
            type: lock
            blocks:
              - block: columns
                title: Facts
                blocks: [{block: field, field: title, title: Name}]
              - {block: listing, title: Near, listing: near}
            """;

    private static PackageReader.Result read(String format) {
        var files = new TreeMap<String, byte[]>();
        Map.of(
                        "package.yaml",
                        format + "name: locks\nversion: 1.0.0\n",
                        "types/lock.yaml",
                        TYPE,
                        "listings/near.yaml",
                        "key: near\ntitle: Near\ntype: lock\n",
                        "layouts/lock_page.yaml",
                        LAYOUT)
                .forEach((name, text) -> files.put(name, text.getBytes(StandardCharsets.UTF_8)));
        return PackageReader.read(files, List.of());
    }

    private static List<String> labels(List<Block> blocks) {
        return blocks.stream().flatMap(Block::withInner).map(Block::label).toList();
    }

    @Test
    public void headingsOfBlocksAreLabels() {
        for (var format : List.of("format: 2\n", "format: 1\n")) {
            var layout = read(format)
                    .content()
                    .orElseThrow()
                    .model()
                    .all(Layout.class)
                    .getFirst();
            assertEquals(layout.title(), "Page of a lock");
            assertEquals(labels(layout.blocks()), List.of("Facts", "Name", "Near"));
        }
    }

    @Test
    public void thePresentFormatHasNoOtherWordForThem() {
        var codes = read("format: 3\n").findings().stream()
                .map(Finding::code)
                .distinct()
                .toList();
        assertEquals(codes, List.of(Code.PROPERTY_UNKNOWN));
    }

    @Test
    public void whatWasStoredBeforeIsReadToo() {
        var findings = new ArrayList<Finding>();
        var tree = Map.of(
                "id",
                "y1a2b3c4d",
                "key",
                "lock_page",
                "title",
                "Page of a lock",
                "type",
                "t1a2b3c4d",
                "blocks",
                List.of(Map.of("id", "b1a2b3c4d", "block", "field", "field", "part_title", "title", "Name")));
        var layout = PackageReader.definition(Layout.class, Definition.Sort.LAYOUT, tree, findings)
                .orElseThrow(() -> new AssertionError(findings));
        assertEquals(labels(layout.blocks()), List.of("Name"));
    }
}
