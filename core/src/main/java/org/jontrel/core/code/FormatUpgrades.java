package org.jontrel.core.code;

import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.jontrel.core.model.Definition;
import org.jontrel.core.shape.Node;
import org.jontrel.core.shape.PackageLimits;

/** Files of older formats as the present one would have them; places stay those of the file. */
final class FormatUpgrades {
    /** What one format changed in files under a folder. */
    private record FormatUpgrade(int from, String folder, UnaryOperator<Node> change) {}

    private static final List<FormatUpgrade> ALL = List.of(
            // decisions are about more than fields since format 2
            new FormatUpgrade(1, "migrations/", node -> renamed(node, Map.of("field", "element", "about", "question"))),
            // headings of blocks are labels since format 3, as they are on fields
            new FormatUpgrade(2, "layouts/", FormatUpgrades::labelled));

    private FormatUpgrades() {}

    static Node apply(int format, String file, Node node) {
        var upgraded = node;
        for (int from = format; from < PackageLimits.FORMAT; from++) {
            for (var upgrade : ALL) {
                if (upgrade.from() == from && file.startsWith(upgrade.folder())) {
                    upgraded = upgrade.change().apply(upgraded);
                }
            }
        }
        return upgraded;
    }

    /** A definition that was stored without its format: what older formats alone could say is told by its words. */
    static Node stored(Definition.Sort sort, Node node) {
        return sort == Definition.Sort.LAYOUT ? labelled(node) : node;
    }

    /** A layout with the headings of its blocks as labels; blocks have had no other {@code title} ever. */
    private static Node labelled(Node layout) {
        return layout instanceof Node.Mapping mapping
                ? with(
                        mapping,
                        entry -> entry.name().text().equals("blocks")
                                ? new Node.Entry(entry.name(), renamed(entry.value(), Map.of("title", "label")))
                                : entry)
                : layout;
    }

    private static Node with(Node.Mapping mapping, UnaryOperator<Node.Entry> change) {
        return new Node.Mapping(mapping.entries().stream().map(change).toList(), mapping.line(), mapping.column());
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
                with(mapping, entry -> new Node.Entry(name(entry.name(), names), renamed(entry.value(), names)));
        };
    }

    private static Node.Scalar name(Node.Scalar name, Map<String, String> names) {
        var now = names.getOrDefault(name.text(), name.text());
        return new Node.Scalar(now, name.plain(), name.line(), name.column());
    }
}
