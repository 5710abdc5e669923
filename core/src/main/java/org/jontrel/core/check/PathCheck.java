package org.jontrel.core.check;

import java.util.HashMap;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.naming.Keys;

/** Public addresses: valid, free, and no two the same, across types and taxonomies and in the API. */
final class PathCheck {

    private final Map<String, String> pages = new HashMap<>();
    private final Map<String, String> api = new HashMap<>();

    void claim(Definition definition, DefinitionFindings report) {
        switch (definition) {
            case ContentType type -> {
                page(type.path(), type.singular(), report);
                var own = type.publishing().apiPath();
                if (!own.isEmpty()) {
                    new NameCheck(report).path("api_path", own);
                }
                if (type.publishing().api()) {
                    free(
                            api,
                            own.isEmpty() ? type.path() : own,
                            type.singular(),
                            own.isEmpty() ? "path" : "api_path",
                            report);
                }
            }
            case Taxonomy taxonomy -> page(taxonomy.path(), taxonomy.singular(), report);
            default -> {}
        }
    }

    private void page(String path, String name, DefinitionFindings report) {
        new NameCheck(report).path("path", path);
        if (Keys.RESERVED_PATHS.contains(path)) {
            report.add("path", Code.PATH_RESERVED, path);
        }
        free(pages, path, name, "path", report);
    }

    private static void free(
            Map<String, String> taken, String path, String name, String property, DefinitionFindings report) {
        var other = taken.putIfAbsent(path, name);
        if (other == null) {
            return;
        }
        var words = new java.util.HashSet<String>();
        taken.keySet().forEach(each -> words.add(each.replace('-', '_')));
        var free = Keys.free(path.replace('-', '_'), words).replace('_', '-');
        if (report.findings().stream()
                .noneMatch(finding -> finding.code() == Code.PATH_TWICE
                        && finding.place().definition().equals(report.definition()))) {
            report.addFixed(property, free, Code.PATH_TWICE, path, other, name);
        }
    }
}
