package org.jontrel.core.yaml;

import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.snakeyaml.engine.v2.nodes.SequenceNode;

/**
 * The way from a thing to a value within it: names of properties, and for what stands in lists what it says, since places
 * in lists change. Found alike in a file that was read and in a tree that is to be written.
 */
final class YamlPath {
    /** What a set of properties without an id is known by, first things first. */
    private static final List<String> NAMES = List.of("use", "element", "name", "id", "key");

    private YamlPath() {}

    static String property(String way, String name) {
        return way + "/" + name;
    }

    /** What stands within the value of a property, beside what stands at the property. */
    static String content(String way) {
        return way + "/";
    }

    static String item(String way, Node item) {
        return way + "=" + said(item);
    }

    static String item(String way, Object item) {
        return way + "=" + said(item);
    }

    private static String said(Node node) {
        return switch (node) {
            case ScalarNode scalar -> scalar.getValue();
            case MappingNode mapping -> {
                for (var name : NAMES) {
                    for (var entry : mapping.getValue()) {
                        if (entry.getKeyNode() instanceof ScalarNode key
                                && key.getValue().equals(name)
                                && entry.getValueNode() instanceof ScalarNode value) {
                            yield name + ":" + value.getValue();
                        }
                    }
                }
                var all = new TreeSet<String>();
                mapping.getValue()
                        .forEach(entry -> all.add(said(entry.getKeyNode()) + ":" + said(entry.getValueNode())));
                yield all.toString();
            }
            case SequenceNode sequence -> {
                var all = new StringBuilder("[");
                sequence.getValue().forEach(item -> all.append(said(item)).append(' '));
                yield all.append(']').toString();
            }
            default -> "";
        };
    }

    private static String said(Object tree) {
        return switch (tree) {
            case Map<?, ?> map -> {
                for (var name : NAMES) {
                    var value = map.get(name);
                    if (value != null && !(value instanceof Map) && !(value instanceof List)) {
                        yield name + ":" + scalar(value);
                    }
                }
                var all = new TreeSet<String>();
                map.forEach((name, value) -> all.add(name + ":" + said(value)));
                yield all.toString();
            }
            case List<?> list -> {
                var all = new StringBuilder("[");
                list.forEach(item -> all.append(said(item)).append(' '));
                yield all.append(']').toString();
            }
            default -> scalar(tree);
        };
    }

    static String scalar(Object value) {
        return value instanceof java.math.BigDecimal number ? number.toPlainString() : String.valueOf(value);
    }
}
