package org.jontrel.server.publicsite;

import java.util.List;
import java.util.Map;

/** Layouts, a listing and a look in which every text is markup, as a request takes them. */
final class HostileDefinitions {
    static final String SCRIPT = "</title></script><script>alert(1)</script>";
    static final String IMAGE = "\"'><img src=x onerror=alert(1)>";
    static final String LOOK = "khostile1";
    static final String LAYOUT = "yhostile1";

    private HostileDefinitions() {}

    static List<Map<String, Object>> all() {
        return List.of(
                definition(
                        "layout",
                        Map.of(
                                "id", LAYOUT,
                                "key", "hostile",
                                "title", "Hostile",
                                "type", "ttree",
                                "blocks", blocks())),
                definition(
                        "listing",
                        Map.of(
                                "id", "qhostile1",
                                "key", "hostile",
                                "title", IMAGE,
                                "type", "ttree",
                                "limit", 5,
                                "shown", "table",
                                "fields", List.of("part_title", "fstory", "fbark.ftexture", "xsort"))),
                definition(
                        "layout",
                        Map.of(
                                "id",
                                "yhostile2",
                                "key",
                                "home",
                                "title",
                                "Home",
                                "blocks",
                                List.of(block(
                                        7, Map.of("block", "listing", "listing", "qhostile1", "label", SCRIPT))))),
                definition(
                        "look",
                        Map.of(
                                "id",
                                LOOK,
                                "key",
                                "aaa_hostile",
                                "title",
                                SCRIPT,
                                "tagline",
                                IMAGE + " {own_site.own_name}",
                                "navigation",
                                List.of(Map.of("to", "ttree", "label", SCRIPT)),
                                "footer",
                                List.of(block(8, Map.of("block", "text", "text", SCRIPT))))));
    }

    private static List<Map<String, Object>> blocks() {
        return List.of(
                block(1, Map.of("block", "field", "field", "part_title", "as", "heading")),
                block(2, Map.of("block", "text", "text", SCRIPT + "{part_title}")),
                block(
                        3,
                        Map.of(
                                "block",
                                "section",
                                "label",
                                IMAGE,
                                "anchor",
                                "x",
                                "blocks",
                                List.of(block(
                                        4,
                                        Map.of(
                                                "block", "field",
                                                "field", "fbark.ftexture",
                                                "before", SCRIPT,
                                                "after", IMAGE,
                                                "label", SCRIPT))))),
                block(
                        5,
                        Map.of(
                                "block",
                                "fold",
                                "label",
                                SCRIPT,
                                "blocks",
                                List.of(block(6, Map.of("block", "everything_else"))))));
    }

    private static Map<String, Object> block(int number, Map<String, Object> properties) {
        var block = new java.util.HashMap<>(properties);
        block.put("id", "bhostile" + number);
        return block;
    }

    private static Map<String, Object> definition(String sort, Map<String, Object> definition) {
        return Map.of("sort", sort, "definition", definition);
    }
}
