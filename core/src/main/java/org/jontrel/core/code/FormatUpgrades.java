package org.jontrel.core.code;

import java.util.List;
import java.util.Map;
import org.jontrel.core.shape.Node;
import org.jontrel.core.shape.PackageLimits;

/** Files of older formats as the present one would have them; places stay those of the file. */
final class FormatUpgrades {
    /** What one format changed: for files under a folder, the names that properties had and have. */
    private record FormatUpgrade(int from, String folder, Map<String, String> renamed) {}

    private static final List<FormatUpgrade> ALL = List.of(
            // decisions are about more than fields since format 2
            new FormatUpgrade(1, "migrations/", Map.of("field", "element", "about", "question")));

    private FormatUpgrades() {}

    static Node apply(int format, String file, Node node) {
        var upgraded = node;
        for (int from = format; from < PackageLimits.FORMAT; from++) {
            for (var upgrade : ALL) {
                if (upgrade.from() == from && file.startsWith(upgrade.folder())) {
                    upgraded = renamed(upgraded, upgrade.renamed());
                }
            }
        }
        return upgraded;
    }

    private static Node renamed(Node node, Map<String, String> names) {
        return switch (node) {
            case Node.Scalar scalar -> scalar;
            case Node.Nothing nothing -> nothing;
            case Node.Sequence sequence ->
                new Node.Sequence(
                        sequence.items().stream()
                                .map(item -> renamed(item, names))
                                .toList(),
                        sequence.line(),
                        sequence.column());
            case Node.Mapping mapping ->
                new Node.Mapping(
                        mapping.entries().stream()
                                .map(entry -> new Node.Entry(name(entry.name(), names), renamed(entry.value(), names)))
                                .toList(),
                        mapping.line(),
                        mapping.column());
        };
    }

    private static Node.Scalar name(Node.Scalar name, Map<String, String> names) {
        var now = names.getOrDefault(name.text(), name.text());
        return new Node.Scalar(now, name.plain(), name.line(), name.column());
    }
}
