package org.jontrel.core.code;

import java.io.StringWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.snakeyaml.engine.v2.api.Dump;
import org.snakeyaml.engine.v2.api.DumpSettings;
import org.snakeyaml.engine.v2.api.StreamDataWriter;
import org.snakeyaml.engine.v2.common.FlowStyle;
import org.snakeyaml.engine.v2.common.ScalarStyle;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.NodeTuple;
import org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.snakeyaml.engine.v2.nodes.SequenceNode;
import org.snakeyaml.engine.v2.nodes.Tag;

/** The one way a tree is written: the same tree gives the same bytes. Short things stand on one line. */
final class YamlWriter {
    private static final int LINE = 150;

    /** Words and shapes that some reader of YAML, old or new, takes for more than text. */
    private static final Pattern AMBIGUOUS = Pattern.compile(
            "(?i)y|n|yes|no|on|off|true|false|null|~|[-+.]?[0-9][0-9_.,:eExXoO+-]*|\\.inf|\\.nan|[0-9]{4}-[0-9].*");

    private YamlWriter() {}

    static String write(Object tree) {
        var settings = DumpSettings.builder()
                .setIndent(2)
                .setIndicatorIndent(2)
                .setIndentWithIndicator(true)
                .setWidth(10_000)
                .setSplitLines(false)
                .build();
        var out = new StringWriter();
        new Dump(settings).dumpNode(node(tree, 0), new StreamDataWriter() {
            @Override
            public void write(String text) {
                out.write(text);
            }

            @Override
            public void write(String text, int offset, int length) {
                out.write(text, offset, length);
            }
        });
        return out.toString();
    }

    private static Node node(Object tree, int depth) {
        return switch (tree) {
            case Map<?, ?> map -> {
                var tuples = new ArrayList<NodeTuple>();
                map.forEach((name, value) -> tuples.add(new NodeTuple(node(name, depth), node(value, depth + 1))));
                yield new MappingNode(Tag.MAP, tuples, depth > 0 && fits(map) ? FlowStyle.FLOW : FlowStyle.BLOCK);
            }
            case List<?> list -> {
                var items = list.stream().map(item -> node(item, depth + 1)).toList();
                yield new SequenceNode(Tag.SEQ, items, fits(list) && plain(list) ? FlowStyle.FLOW : FlowStyle.BLOCK);
            }
            case Boolean flag -> new ScalarNode(Tag.BOOL, flag.toString(), ScalarStyle.PLAIN);
            case Integer whole -> new ScalarNode(Tag.INT, whole.toString(), ScalarStyle.PLAIN);
            case java.math.BigDecimal number ->
                new ScalarNode(number.scale() <= 0 ? Tag.INT : Tag.FLOAT, number.toPlainString(), ScalarStyle.PLAIN);
            default -> text(String.valueOf(tree));
        };
    }

    private static ScalarNode text(String text) {
        var style = text.contains("\n")
                ? ScalarStyle.LITERAL
                : AMBIGUOUS.matcher(text).matches() || text.isEmpty() ? ScalarStyle.DOUBLE_QUOTED : ScalarStyle.PLAIN;
        return new ScalarNode(Tag.STR, true, text, style, Optional.empty(), Optional.empty());
    }

    /** A list of words stands on one line; a list of things has one line each, unless it is within such a line. */
    private static boolean plain(List<?> list) {
        return list.stream().noneMatch(item -> item instanceof Map<?, ?> map && hasLines(map));
    }

    private static boolean hasLines(Map<?, ?> map) {
        return map.containsKey("kind")
                || map.containsKey("fields")
                || map.containsKey("answer")
                || map.containsKey("use")
                || map.containsKey("block")
                || map.containsKey("children")
                || map.containsKey("values");
    }

    private static boolean fits(Object tree) {
        return width(tree) <= LINE;
    }

    private static int width(Object tree) {
        return switch (tree) {
            case Map<?, ?> map
            when map.containsKey("fields") || map.containsKey("blocks") || map.containsKey("children") -> LINE + 1;
            case Map<?, ?> map ->
                2
                        + map.entrySet().stream()
                                .mapToInt(e -> width(e.getKey()) + width(e.getValue()) + 4)
                                .sum();
            case List<?> list ->
                2 + list.stream().mapToInt(item -> width(item) + 2).sum();
            default -> {
                var text = String.valueOf(tree);
                yield text.contains("\n") ? LINE + 1 : text.length();
            }
        };
    }
}
