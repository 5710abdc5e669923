package org.jontrel.core.yaml;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.commons.text.StringEscapeUtils;

/** Writes a tree as JSON, for files that were JSON: two spaces a level, sets and lists without content on one line. */
public final class JsonWriter {
    private JsonWriter() {}

    public static String write(Object tree) {
        return text(tree, "") + "\n";
    }

    private static String text(Object tree, String indent) {
        var within = indent + "  ";
        return switch (tree) {
            case Map<?, ?> map when map.isEmpty() -> "{}";
            case List<?> list when list.isEmpty() -> "[]";
            case Map<?, ?> map ->
                map.entrySet().stream()
                        .map(entry -> within + quoted(entry.getKey()) + ": " + text(entry.getValue(), within))
                        .collect(Collectors.joining(",\n", "{\n", "\n" + indent + "}"));
            case List<?> list ->
                list.stream()
                        .map(item -> within + text(item, within))
                        .collect(Collectors.joining(",\n", "[\n", "\n" + indent + "]"));
            case Boolean flag -> flag.toString();
            case java.math.BigDecimal number -> number.toPlainString();
            case Number number -> number.toString();
            default -> quoted(tree);
        };
    }

    private static String quoted(Object text) {
        return "\"" + StringEscapeUtils.escapeJson(String.valueOf(text)).replace("\\/", "/") + "\"";
    }
}
