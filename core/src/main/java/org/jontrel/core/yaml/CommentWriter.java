package org.jontrel.core.yaml;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.snakeyaml.engine.v2.common.FlowStyle;
import org.snakeyaml.engine.v2.nodes.CollectionNode;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.snakeyaml.engine.v2.nodes.SequenceNode;

/**
 * Puts comments into the text of a tree: the text is composed again, and each comment goes to the lines where the node
 * stands that it belongs to.
 */
final class CommentWriter {
    private final List<String> lines;
    private final Comments comments;
    private final TreeWalk walk;
    private final Map<Integer, List<String>> above = new HashMap<>();
    private final Map<Integer, String> beside = new HashMap<>();
    private final Map<Integer, List<String>> below = new HashMap<>();

    private CommentWriter(List<String> lines, Comments comments, Map<Object, String> things) {
        this.lines = lines;
        this.comments = comments;
        this.walk = new TreeWalk(things);
    }

    static String insert(String text, Object tree, Comments comments, Map<Object, String> things, String file) {
        var root = CommentReader.compose(text);
        if (root.isEmpty()) {
            return text;
        }
        var writer = new CommentWriter(text.lines().toList(), comments, things);
        writer.value(tree, root.get(), new TreeWalk.CommentPlace(file, Comments.ITSELF), 0);
        return writer.joined();
    }

    /** @param indent the column at which lines above and below it begin */
    private void value(Object tree, Node node, TreeWalk.CommentPlace at, int indent) {
        var own = walk.enter(tree, at);
        place(comments.at(own.thing(), own.way()), line(node), lastLine(node), indent, isOnOneLine(node));
        switch (tree) {
            case Map<?, ?> map
            when node instanceof MappingNode mapping -> {
                var entries = mapping.getValue().iterator();
                map.forEach((name, value) -> {
                    var entry = entries.next();
                    // what stands above the first property stands above the whole
                    int column = line(entry.getKeyNode()) == line(node) ? indent : column(entry.getKeyNode());
                    property(own, (String) name, value, entry.getKeyNode(), entry.getValueNode(), column);
                });
            }
            case List<?> list
            when node instanceof SequenceNode sequence -> {
                var nodes = sequence.getValue().iterator();
                for (var item : list) {
                    var each = nodes.next();
                    value(item, each, walk.item(own, item), Math.max(0, column(each) - 2));
                }
            }
            default -> {}
        }
    }

    private void property(TreeWalk.CommentPlace of, String name, Object value, Node key, Node node, int indent) {
        boolean block = node instanceof CollectionNode<?> several && several.getFlowStyle() == FlowStyle.BLOCK;
        boolean literal = node instanceof ScalarNode && lastLine(node) > line(key);
        int last = block || literal ? line(key) : lastLine(node);
        place(
                comments.at(of.thing(), YamlPath.property(of.way(), name)),
                line(key),
                last,
                indent,
                true,
                lastLine(node));
        if (value instanceof Map || value instanceof List) {
            value(value, node, walk.property(of, name, value), block ? column(node) : indent);
        }
    }

    private void place(Comment comment, int first, int last, int indent, boolean oneLine) {
        place(comment, first, last, indent, oneLine, last);
    }

    private void place(Comment comment, int first, int last, int indent, boolean oneLine, int end) {
        if (comment.isEmpty()) {
            return;
        }
        comment.above().forEach(line -> add(above, first, indent, line));
        for (var line : comment.beside()) {
            if (!oneLine || beside.putIfAbsent(last, "#" + line) != null) {
                add(above, first, indent, line);
            }
        }
        comment.below().forEach(line -> add(below, end, indent, line));
    }

    private static void add(Map<Integer, List<String>> to, int at, int indent, String line) {
        to.computeIfAbsent(at, _ -> new ArrayList<>())
                .add(line.equals(Comment.BLANK) ? "" : " ".repeat(indent) + "#" + line);
    }

    private String joined() {
        var text = new StringBuilder();
        for (int i = 0; i < lines.size(); i++) {
            above.getOrDefault(i, List.of()).forEach(line -> text.append(line).append('\n'));
            text.append(lines.get(i));
            if (beside.containsKey(i)) {
                text.append(' ').append(beside.get(i));
            }
            text.append('\n');
            below.getOrDefault(i, List.of()).forEach(line -> text.append(line).append('\n'));
        }
        return text.toString();
    }

    private static int line(Node node) {
        return node.getStartMark().orElseThrow().getLine();
    }

    private static int column(Node node) {
        return node.getStartMark().orElseThrow().getColumn();
    }

    /** The last line that has something of the node; block nodes end where the next begins. */
    private static int lastLine(Node node) {
        return switch (node) {
            case MappingNode mapping
            when mapping.getFlowStyle() == FlowStyle.BLOCK
                    && !mapping.getValue().isEmpty() ->
                lastLine(mapping.getValue().getLast().getValueNode());
            case SequenceNode sequence
            when sequence.getFlowStyle() == FlowStyle.BLOCK
                    && !sequence.getValue().isEmpty() ->
                lastLine(sequence.getValue().getLast());
            default -> {
                var end = node.getEndMark().orElseThrow();
                yield end.getColumn() == 0 && end.getLine() > line(node) ? end.getLine() - 1 : end.getLine();
            }
        };
    }

    private static boolean isOnOneLine(Node node) {
        return line(node) == lastLine(node)
                && !(node instanceof CollectionNode<?> several && several.getFlowStyle() == FlowStyle.BLOCK);
    }
}
