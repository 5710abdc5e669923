package org.jontrel.describe;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.Definition;

/**
 * The reference of the code format as Markdown: a page for each class of file, one for fields, one for conditions and
 * one for findings. All of it comes from the descriptions that files are read by, so it cannot say anything else.
 */
public final class FormatPages {
    private static final Set<String> COMMON =
            Set.of("id", "key", "label", "kind", "help", "required", "default", "width", "show_when", "api", "was");

    private static final Set<String> OF_BLOCKS =
            Set.of("id", "block", "label", "labelled", "before", "after", "empty", "show_when");

    private final Map<String, String> examples;

    /** Schemas of values, which have no section of their own in the pages of files. */
    private static final Set<String> VALUES = Set.of("field", "block", "condition", "text", "number", "time", "moment");

    private FormatPages(Map<String, String> examples) {
        this.examples = examples;
    }

    /**
     * The pages by the names of their files.
     *
     * @param examples files of a sound package by their names within it; one of each class is shown
     */
    public static SortedMap<String, String> of(Map<String, String> examples) {
        return new FormatPages(examples).all();
    }

    private SortedMap<String, String> all() {
        var pages = new TreeMap<String, String>();
        var schemas = PackageWriter.schemas();
        schemas.forEach((name, schema) -> pages.put(name + ".md", file(name, schema)));
        var shared = new LinkedHashMap<String, Object>();
        schemas.values().forEach(schema -> shared.putAll(map(schema, "$defs")));
        pages.put("fields.md", fields(map(shared, "field")));
        pages.put("blocks.md", blocks(map(shared, "block"), map(shared, "order")));
        pages.put("conditions.md", FormatTables.conditions(map(shared, "condition")));
        pages.put("findings.md", FormatTables.findings());
        pages.put("changes.md", FormatTables.changes());
        return pages;
    }

    private static String folder(String name) {
        for (var sort : Definition.Sort.values()) {
            if (PackageWriter.word(sort).equals(name)) {
                return sort.folder() + "/";
            }
        }
        return name.equals("migration") ? "migrations/" : "";
    }

    private String file(String name, Map<String, Object> schema) {
        var folder = folder(name);
        var path =
                folder.isEmpty() ? "package.yaml" : folder + (name.equals("migration") ? "VERSION" : "KEY") + ".yaml";
        var page = new StringBuilder("# " + path + "\n\n");
        page.append("One ")
                .append(schema.get("title"))
                .append(" a file. Schema: [")
                .append(name)
                .append(".schema.json](schema/")
                .append(name)
                .append(".schema.json).\n");
        examples.forEach((file, text) -> {
            if (folder.isEmpty() ? file.equals("package.yaml") : file.startsWith(folder)) {
                page.append("\n```yaml\n# ")
                        .append(file)
                        .append('\n')
                        .append(text.strip())
                        .append("\n```\n");
            }
        });
        page.append('\n').append(table(schema, Set.of()));
        var nested = new LinkedHashMap<String, Map<String, Object>>();
        inline(schema, nested);
        nested.forEach((title, each) -> section(page, title, each));
        map(schema, "$defs").forEach((title, each) -> {
            if (!VALUES.contains(title)) {
                section(page, title, cast(each));
            }
        });
        return page.toString();
    }

    /** Sets of properties that stand within a property, by its name. */
    private static void inline(Map<String, Object> schema, Map<String, Map<String, Object>> found) {
        map(schema, "properties").forEach((name, value) -> {
            var property = cast(value);
            var within = property.containsKey("items") ? cast(property.get("items")) : property;
            if (within.containsKey("properties")) {
                found.put(name, within);
                inline(within, found);
            }
        });
    }

    private static void section(StringBuilder page, String title, Map<String, Object> schema) {
        page.append("\n## ").append(title).append("\n\n").append(table(schema, Set.of()));
    }

    private static String table(Map<String, Object> schema, Set<String> without) {
        var required = schema.get("required") instanceof List<?> list ? list : List.of();
        var table = new StringBuilder("| property | holds | default | |\n|---|---|---|---|\n");
        map(schema, "properties").forEach((name, value) -> {
            if (!without.contains(name)) {
                var property = cast(value);
                var fallback = required.contains(name) ? "**needed**" : FormatTables.fallback(property.get("default"));
                table.append("| `")
                        .append(name)
                        .append("` | ")
                        .append(holds(name, property))
                        .append(" | ")
                        .append(fallback)
                        .append(" | ")
                        .append(property.getOrDefault("description", ""))
                        .append(" |\n");
            }
        });
        return table.toString();
    }

    /** What a value is, in words. */
    private static String holds(String name, Map<String, Object> schema) {
        if (schema.get("$ref") instanceof String reference) {
            var target = reference.substring(reference.lastIndexOf('/') + 1);
            return switch (target) {
                case "field" -> "[field](fields.md)";
                case "block" -> "[block](blocks.md)";
                case "condition" -> "[condition](conditions.md)";
                case "text", "number", "time" -> target;
                case "moment" -> "moment in UTC";
                default -> "[" + target + "](#" + target + ")";
            };
        }
        if (schema.get("enum") instanceof List<?> words) {
            return words.stream().map(word -> "`" + word + "`").collect(Collectors.joining(", "));
        }
        if (schema.containsKey("const")) {
            return "`" + schema.get("const") + "`";
        }
        if (schema.get("allOf") instanceof List<?> branches) {
            return branches.stream()
                    .map(each -> holds(name, map(cast(each), "then")))
                    .collect(Collectors.joining(" or "));
        }
        for (var alternatives : List.of("anyOf", "oneOf")) {
            if (schema.get(alternatives) instanceof List<?> several) {
                return several.stream().map(each -> holds(name, cast(each))).collect(Collectors.joining(" or "));
            }
        }
        if (schema.get("type") instanceof List<?>) {
            return "text, number, true or false";
        }
        return switch (String.valueOf(schema.get("type"))) {
            case "string" -> schema.containsKey("format") ? (String) schema.get("format") : "text";
            case "boolean" -> "true or false";
            case "integer" -> "whole number";
            case "number" -> "number";
            case "array" -> "list of " + holds(name, cast(schema.get("items")));
            case "object" ->
                schema.containsKey("properties")
                        ? "[" + name + "](#" + name + ")"
                        : "by name: " + holds(name, cast(schema.get("additionalProperties")));
            default -> "any value";
        };
    }

    private static String fields(Map<String, Object> schema) {
        var page = new StringBuilder("""
                # Fields

                A field has the properties that all fields have, and beside them those of its kind.

                """);
        var kinds = FormatTables.byWord(schema, "kind");
        byWord(page, kinds, "kind", "What type of value the field holds.", COMMON, "fields");
        page.append("\n[option](list.md#option), [inverse](type.md#inverse)\n");
        return page.toString().replace("(#option)", "(list.md#option)").replace("(#inverse)", "(type.md#inverse)");
    }

    private static String blocks(Map<String, Object> schema, Map<String, Object> order) {
        var page = new StringBuilder("""
                # Blocks

                A block has the properties that all blocks have, and beside them those of its kind. A value is named by the
                way to it, with dots between: `rise` is a field of the record, `keeper.phone` one of the record that a relation
                leads to, `parent.title` one of the record above, `water.tint` one of its terms, `site.opening.desk` one of the
                site's own, `site.name` what the site is called. A text may have values within, in braces: `Built in {built}`;
                `{summary else title else "nothing"}` takes the first that is filled. Doubled braces stand for themselves.

                A block whose values are all empty is left out with its label and the texts around it. So is a text whose
                values are all empty.

                """);
        byWord(
                page,
                FormatTables.byWord(schema, "block"),
                "block",
                "What the block shows, or how it arranges what it holds.",
                OF_BLOCKS,
                "blocks");
        return page.append("\n## order\n\n").append(table(order, Set.of())).toString();
    }

    /** What things of all kinds have, then what each kind has beside it. */
    private static void byWord(
            StringBuilder page,
            Map<String, Map<String, Object>> kinds,
            String word,
            String about,
            Set<String> ofAll,
            String plural) {
        var common = new LinkedHashMap<>(kinds.values().iterator().next());
        var properties = new LinkedHashMap<>(map(common, "properties"));
        properties.keySet().retainAll(ofAll);
        properties.put(word, Map.of("enum", List.copyOf(kinds.keySet()), "description", about));
        common.put("properties", properties);
        page.append(table(common, Set.of()));
        kinds.forEach((code, kind) -> {
            page.append("\n## ").append(code).append("\n\n");
            boolean more = map(kind, "properties").keySet().stream().anyMatch(each -> !ofAll.contains(each));
            page.append(more ? table(kind, ofAll) : "Nothing beside what all " + plural + " have.\n");
        });
    }

    static String lower(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT);
    }

    static Map<String, Object> map(Map<String, Object> schema, String name) {
        return schema.get(name) instanceof Map<?, ?> map ? cast(map) : Map.of();
    }

    @SuppressWarnings("unchecked") // schemas are maps by name
    static Map<String, Object> cast(Object schema) {
        return (Map<String, Object>) schema;
    }
}
