package org.jontrel.core.yaml;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.regex.Pattern;
import org.jontrel.core.shape.PackageLimits;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Compose;
import org.snakeyaml.engine.v2.comments.CommentLine;
import org.snakeyaml.engine.v2.comments.CommentType;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.snakeyaml.engine.v2.nodes.SequenceNode;

/**
 * Finds the comments of a file in the library's node graph. A comment above the first property of a set stands above
 * the set, as people mean it.
 */
public final class CommentReader {
    /** The mark of a document, or a directive before it, alone on its line but for a comment. */
    private static final Pattern DOCUMENT =
            Pattern.compile("(?m)^(---|\\.\\.\\.|%[A-Z]+ [^\\n\\r#]*)(?=[ \\t]*(#.*)?\\r?$)");

    /** What no comment of a person begins with: a character for private use. */
    private static final String MARK = "\uE000";

    private final Comments.CommentsBuilder found = new Comments.CommentsBuilder();

    /** The id of what begins at a line and column (from 1) of the file; {@code null} where nothing with an id does. */
    private final BiFunction<Integer, Integer, String> ids;

    private CommentReader(BiFunction<Integer, Integer, String> ids) {
        this.ids = ids;
    }

    /**
     * @param file its name, under which comments are kept that belong to no thing with an id
     * @param ids the id of what begins at a line and column, from 1; {@code null} where nothing with an id does
     */
    public static Comments read(String file, byte[] bytes, BiFunction<Integer, Integer, String> ids) {
        if (!mayHaveComments(bytes)) {
            return Comments.NONE;
        }
        var text = new String(bytes, StandardCharsets.UTF_8);
        try {
            var reader = new CommentReader(ids);
            compose(unmarked(text)).ifPresent(root -> reader.thing(file, Comments.ITSELF, root, List.of()));
            return reader.found.build();
        } catch (YamlEngineException | java.util.NoSuchElementException _) {
            // what cannot be read is a finding of the reader
            return Comments.NONE;
        }
    }

    /** Whether a file may have comments or empty lines at all: one look at its bytes, which tells most that have none. */
    public static boolean mayHaveComments(byte[] bytes) {
        boolean blank = true;
        for (var b : bytes) {
            if (b == '#' || (b == '\n' && blank)) {
                return true;
            }
            blank = b == '\n' || (blank && (b == ' ' || b == '\t' || b == '\r'));
        }
        return false;
    }

    /**
     * The text with comments in the place of the marks of a document and of directives: the library loses comments that
     * stand beside them. Lines stay where they are.
     */
    private static String unmarked(String text) {
        return DOCUMENT.matcher(text).find() ? DOCUMENT.matcher(text).replaceAll("#" + MARK) : text;
    }

    static java.util.Optional<Node> compose(String text) {
        var settings = LoadSettings.builder()
                .setParseComments(true)
                .setUseMarks(true)
                .setCodePointLimit(PackageLimits.FILE_BYTES * 4)
                .build();
        return new Compose(settings).composeString(text.startsWith("\uFEFF") ? text.substring(1) : text);
    }

    private void value(String thing, String way, Node node, List<String> above) {
        switch (node) {
            case MappingNode mapping -> mapping(thing, way, mapping, above);
            case SequenceNode sequence -> sequence(thing, way, sequence, above);
            default -> found.add(thing, way, comment(node, above));
        }
    }

    /** A set of properties, which may be a thing with an id. */
    private void thing(String around, String way, Node node, List<String> above) {
        var id = node.getStartMark()
                .map(mark -> ids.apply(mark.getLine() + 1, mark.getColumn() + 1))
                .orElse(null);
        value(id == null ? around : id, id == null ? way : Comments.ITSELF, node, above);
    }

    private void mapping(String thing, String way, MappingNode mapping, List<String> above) {
        var first = mapping.getValue().isEmpty()
                ? List.<String>of()
                : lines(mapping.getValue().getFirst().getKeyNode().getBlockComments());
        found.add(thing, way, comment(mapping, above).withAbove(first));
        for (int i = 0; i < mapping.getValue().size(); i++) {
            var entry = mapping.getValue().get(i);
            var key = entry.getKeyNode();
            var name = key instanceof ScalarNode scalar ? scalar.getValue() : "?";
            var before = i == 0 ? List.<String>of() : lines(key.getBlockComments());
            property(thing, YamlPath.property(way, name), key, entry.getValueNode(), before);
        }
    }

    /** What stands at the name of a property stands at its value. */
    private void property(String thing, String way, Node key, Node value, List<String> before) {
        var at = new Comment(before, lines(key.getInLineComments()), lines(key.getEndComments()));
        if (value instanceof ScalarNode) {
            found.add(thing, way, at.joined(comment(value, List.of())));
            return;
        }
        if (value instanceof MappingNode && isThing(value)) {
            thing(thing, way, value, List.of());
        } else {
            value(thing, YamlPath.content(way), value, List.of());
        }
        found.add(thing, way, at);
    }

    private boolean isThing(Node node) {
        return node.getStartMark()
                .map(mark -> ids.apply(mark.getLine() + 1, mark.getColumn() + 1) != null)
                .orElse(false);
    }

    private void sequence(String thing, String way, SequenceNode sequence, List<String> above) {
        found.add(thing, way, comment(sequence, above));
        for (var item : sequence.getValue()) {
            thing(thing, found.unique(thing, YamlPath.item(way, item)), item, List.of());
        }
    }

    private static Comment comment(Node node, List<String> above) {
        var before = new ArrayList<>(above);
        before.addAll(lines(node.getBlockComments()));
        return new Comment(before, lines(node.getInLineComments()), lines(node.getEndComments()));
    }

    private static List<String> lines(List<CommentLine> comments) {
        if (comments == null) {
            return List.of();
        }
        var lines = new ArrayList<String>();
        for (var comment : comments) {
            var line = comment.getValue();
            if (comment.getCommentType() == CommentType.BLANK_LINE) {
                lines.add(Comment.BLANK);
            } else if (!line.startsWith(MARK)) {
                lines.add(line);
            } else if (line.indexOf('#') > 0) {
                lines.add(line.substring(line.indexOf('#') + 1));
            }
        }
        return lines;
    }

    /** Ids of things by where they begin. */
    public static BiFunction<Integer, Integer, String> at(Map<Long, String> places) {
        return (line, column) -> places.get(place(line, column));
    }

    /** A place as one number. */
    public static long place(int line, int column) {
        return ((long) line << 32) | column;
    }
}
