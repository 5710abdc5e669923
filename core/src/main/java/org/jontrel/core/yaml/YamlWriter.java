package org.jontrel.core.yaml;

import java.io.StringWriter;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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

/**
 * The one way a tree is written: the same tree with the same comments gives the same bytes. Short things stand on one line
 * unless a comment stands within.
 */
public final class YamlWriter {
    private static final int LINE = 150;

    /**
     * What some reader of YAML, 1.1 or 1.2, takes for more than text: words for yes and no, nothing, the merge and value
     * keys, numbers of all bases with underscores, numbers to the base of 60, times, dates.
     */
    private static final Pattern AMBIGUOUS = Pattern.compile("(?i)~|=|<<"
            + "|[-+]?0[bo]?[0-7_]+|[-+]?0x[0-9a-f_]+"
            + "|[-+]?[0-9][0-9_.,:ex+-]*[0-9_.]?|[-+]?\\.[0-9_][0-9_.e+-]*|[-+.][0-9_.:e+-]*"
            + "|[-+]?\\.inf|\\.nan|[0-9]{4}-[0-9].*");

    /** Words, in small letters, that some reader of YAML takes for yes or no, or for nothing. */
    private static final Set<String> WORDS = Set.of("y", "n", "yes", "no", "on", "off", "true", "false", "null");

    /** What some reader of YAML takes for the end of a line. */
    private static final Pattern OTHER_BREAK = Pattern.compile("[\\n\\r\u0085\u2028\u2029]");

    /** What cannot stand in lines as they are, or is lost at their ends. */
    private static final Pattern UNWRITTEN =
            Pattern.compile("[\\r\u0085\u2028\u2029\\p{Cc}&&[^\\n]]|(?m)^[ \t]+$|\\n{2,}\\z");

    private final Comments comments;
    private final Map<Object, String> things;
    private final String file;

    private YamlWriter(Comments comments, Map<Object, String> things, String file) {
        this.comments = comments;
        this.things = things;
        this.file = file;
    }

    public static String write(Object tree) {
        return write(tree, Comments.NONE, new IdentityHashMap<>(), "");
    }

    /**
     * @param comments what is to stand at the things of this file
     * @param things the ids of things, by the very trees within this one
     * @param file the name under which comments are kept that belong to no thing
     */
    public static String write(Object tree, Comments comments, Map<Object, String> things, String file) {
        boolean plain = comments.isEmpty();
        var writer = new YamlWriter(comments, things, file);
        var text = emitted(writer.node(
                tree,
                new TreeWalk.CommentPlace(file, Comments.ITSELF),
                plain ? TreeWalk.idle() : new TreeWalk(things),
                true));
        return plain ? text : CommentWriter.insert(text, tree, comments, things, file);
    }

    private static String emitted(Node node) {
        var settings = DumpSettings.builder()
                .setIndent(2)
                .setIndicatorIndent(2)
                .setIndentWithIndicator(true)
                .setWidth(10_000)
                .setSplitLines(false)
                .build();
        var out = new StringWriter();
        new Dump(settings).dumpNode(node, new StreamDataWriter() {
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

    private Node node(Object tree, TreeWalk.CommentPlace at, TreeWalk walk, boolean outermost) {
        var own = walk.enter(tree, at);
        return switch (tree) {
            case Map<?, ?> map -> {
                boolean line = !outermost && fits(map) && quiet(map, own);
                var tuples = new ArrayList<NodeTuple>();
                map.forEach((name, value) -> tuples.add(new NodeTuple(
                        name((String) name), node(value, walk.property(own, (String) name, value), walk, false))));
                yield new MappingNode(Tag.MAP, tuples, line ? FlowStyle.FLOW : FlowStyle.BLOCK);
            }
            case List<?> list -> {
                boolean line = fits(list) && plain(list) && quiet(list, own);
                var items = new ArrayList<Node>();
                list.forEach(item -> items.add(node(item, walk.item(own, item), walk, false)));
                yield new SequenceNode(Tag.SEQ, items, line ? FlowStyle.FLOW : FlowStyle.BLOCK);
            }
            case Boolean flag -> new ScalarNode(Tag.BOOL, flag.toString(), ScalarStyle.PLAIN);
            case Integer whole -> new ScalarNode(Tag.INT, whole.toString(), ScalarStyle.PLAIN);
            case java.math.BigDecimal number ->
                new ScalarNode(number.scale() <= 0 ? Tag.INT : Tag.FLOAT, number.toPlainString(), ScalarStyle.PLAIN);
            default -> text(String.valueOf(tree));
        };
    }

    /** Whether no comment stands within, so that all of it may stand on one line. */
    private boolean quiet(Object tree, TreeWalk.CommentPlace own) {
        if (comments.isEmpty()) {
            return true;
        }
        // what stands above the value of a property, and not above its name, stands within
        if (own.way().endsWith("/")
                && !comments.at(own.thing(), own.way()).above().isEmpty()) {
            return false;
        }
        var within = new TreeWalk(things);
        return within.all(tree, own).stream()
                .filter(at -> !at.equals(own))
                .allMatch(at -> comments.at(at.thing(), at.way()).isEmpty());
    }

    private static ScalarNode text(String text) {
        return scalar(text, lines(text) ? ScalarStyle.LITERAL : style(text));
    }

    /** A name of a property, which stands on one line whatever it has. */
    private static ScalarNode name(String text) {
        return scalar(text, style(text));
    }

    private static ScalarNode scalar(String text, ScalarStyle style) {
        return new ScalarNode(Tag.STR, true, text, style, Optional.empty(), Optional.empty());
    }

    private static ScalarStyle style(String text) {
        if (isWord(text)) {
            return WORDS.contains(text.toLowerCase(Locale.ROOT)) ? ScalarStyle.DOUBLE_QUOTED : ScalarStyle.PLAIN;
        }
        boolean quoted = text.isEmpty()
                || OTHER_BREAK.matcher(text).find()
                || AMBIGUOUS.matcher(text).matches();
        return quoted ? ScalarStyle.DOUBLE_QUOTED : ScalarStyle.PLAIN;
    }

    /** Letters, digits, spaces and the like, a letter first: most of what is written, told without a regular expression. */
    private static boolean isWord(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean letter = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z');
            if (!letter && (i == 0 || !((c >= '0' && c <= '9') || c == ' ' || c == '_'))) {
                return false;
            }
        }
        return !text.isEmpty();
    }

    /** Whether it can stand as the lines that it has. */
    private static boolean lines(String text) {
        return text.indexOf('\n') > 0
                && !text.startsWith(" ")
                && !UNWRITTEN.matcher(text).find();
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
