package org.jontrel.core.generate.java;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.core.generate.api.ApiEntity;
import org.jontrel.core.generate.api.ApiField;
import org.jontrel.core.generate.api.ApiValue;
import org.jontrel.core.generate.api.CodeNames;

/** Writes the record of an entity, with those of its groups and rows and the enumerations of its choices within it. */
final class JavaRecord {
    /** A constructor takes 255 values at most, of which a long counts as two. */
    private static final int MOST_FIELDS = 240;

    private static final String INDENT = "    ";
    /** The names of the records of content types, by their keys; {@code null} for one that the API does not give. */
    private final Map<String, String> targets;

    private final CodeNames types;
    private final List<String> notes = new ArrayList<>();

    JavaRecord(Map<String, String> targets, String name) {
        this.targets = targets;
        var reserved = new java.util.HashSet<>(JavaNames.TYPES);
        reserved.add(name);
        targets.values().stream().filter(java.util.Objects::nonNull).forEach(reserved::add);
        this.types = new CodeNames(reserved);
    }

    List<String> notes() {
        var all = new ArrayList<>(types.notes());
        all.addAll(notes);
        return all;
    }

    /** A component of a record: how it is declared, read, and set. */
    private record Component(String name, String key, String about, String type, String reading) {}

    String of(ApiEntity entity, String name) {
        boolean stored = entity.sort() != ApiEntity.EntitySort.VALUES;
        var nested = new StringBuilder();
        var components = components(entity.fields(), entity.about(), nested, INDENT);
        var declared = new ArrayList<String>(stored ? STORED : List.of());
        declared.addAll(declared(components));
        var text = new StringBuilder("/** " + JavaNames.comment(entity.about()) + ". */\n");
        text.append("public record ").append(name).append(header(declared, INDENT));
        text.append(stored ? " implements Client.Stored" : "").append(" {\n");
        text.append(reader(name, stored ? READ_STORED : List.of(), components, INDENT));
        text.append(values(components)).append(nested).append("}\n");
        return text.toString();
    }

    /** What all records and terms have. */
    private static final List<String> STORED = List.of(
            "long id",
            "String slug",
            "String url",
            "Long parent",
            "String state",
            "Instant publishAt",
            "Instant retireAt",
            "Instant updatedAt");

    private static final List<String> READ_STORED = List.of(
            "Client.id(at)",
            "Client.one(at, \"slug\", Client.Value::text)",
            "Client.one(at, \"url\", Client.Value::text)",
            "Client.one(at, \"parent\", Client.Value::whole)",
            "Client.one(at, \"state\", Client.Value::text)",
            "Client.one(at, \"publish_at\", Client.Value::instant)",
            "Client.one(at, \"retire_at\", Client.Value::instant)",
            "Client.one(at, \"updated_at\", Client.Value::instant)");

    private List<Component> components(List<ApiField> fields, String of, StringBuilder nested, String indent) {
        var names = new CodeNames(JavaNames.members());
        var components = new ArrayList<Component>();
        for (var field : fields.subList(0, Math.min(fields.size(), MOST_FIELDS))) {
            var about = of + ": " + field.about();
            var type = type(field, about, nested, indent);
            var reading = (field.many() ? "Client.many(at, " : "Client.one(at, ") + JavaNames.quoted(field.key()) + ", "
                    + type.reading() + ")";
            components.add(new Component(
                    names.take(CodeNames.camel(field.key()), about),
                    field.key(),
                    field.about(),
                    field.many() ? "List<" + type.name() + ">" : type.name(),
                    reading));
        }
        if (fields.size() > MOST_FIELDS) {
            notes.add(of + " has more fields than a record can have; the code is without those after the " + MOST_FIELDS
                    + "th.");
        }
        notes.addAll(names.notes());
        return components;
    }

    /** A type, and what reads a value of it. */
    private record ReadType(String name, String reading) {
        static ReadType of(String name, String method) {
            return new ReadType(name, "Client.Value::" + method);
        }
    }

    private ReadType type(ApiField field, String about, StringBuilder nested, String indent) {
        return switch (field.value()) {
            case ApiValue.TextValue _ -> ReadType.of("String", "text");
            case ApiValue.NumberValue(boolean whole) ->
                whole ? ReadType.of("Long", "whole") : ReadType.of("BigDecimal", "decimal");
            case ApiValue.FlagValue _ -> ReadType.of("Boolean", "flag");
            case ApiValue.MomentValue(ApiValue.MomentSort sort) ->
                switch (sort) {
                    case DATE -> ReadType.of("LocalDate", "date");
                    case TIME -> ReadType.of("LocalTime", "time");
                    case DATE_TIME -> ReadType.of("LocalDateTime", "dateTime");
                };
            case ApiValue.OptionValue(List<String> keys) ->
                keys.isEmpty() ? ReadType.of("String", "text") : options(field, keys, about, nested, indent);
            case ApiValue.SpotValue _ -> ReadType.of("Client.Spot", "spot");
            case ApiValue.LinkValue(List<String> types) -> new ReadType("Client.Linked", link(types));
            case ApiValue.TermValue _ -> ReadType.of("Client.TermOf", "term");
            case ApiValue.PictureValue _ -> ReadType.of("Client.Picture", "picture");
            case ApiValue.FileValue _ -> ReadType.of("Client.Attachment", "attachment");
            case ApiValue.NestedValue(List<ApiField> fields) -> {
                var name = types.take(CodeNames.pascal(field.key()), about);
                var within = new StringBuilder();
                var components = components(fields, about, within, indent);
                nested.append("\n").append(indent).append("/** ").append(JavaNames.comment(field.about()));
                nested.append(". */\n").append(indent).append("public record ").append(name);
                nested.append(header(declared(components), indent + INDENT)).append(" implements Client.Written {\n");
                nested.append(reader(name, List.of(), components, indent + INDENT));
                nested.append(written(components, indent + INDENT))
                        .append(indent)
                        .append("}\n")
                        .append(within);
                yield new ReadType(name, name + "::read");
            }
        };
    }

    private ReadType options(ApiField field, List<String> keys, String about, StringBuilder nested, String indent) {
        var name = types.take(CodeNames.pascal(field.key()), about);
        var constants = new CodeNames(java.util.Set.of("_"));
        var listed = keys.stream()
                .map(key -> constants.take(key.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "_"), about) + "("
                        + JavaNames.quoted(key) + ")")
                .toList();
        notes.addAll(constants.notes());
        var lines = new ArrayList<>(List.of(
                "",
                "/** " + JavaNames.comment(field.about()) + ". */",
                "public enum " + name + " implements Client.Option {"));
        listed.forEach(each -> lines.add(INDENT + each + ","));
        lines.addAll(List.of(
                INDENT + ";",
                "",
                INDENT + "private final String key;",
                "",
                INDENT + name + "(String key) {",
                INDENT + INDENT + "this.key = key;",
                INDENT + "}",
                "",
                INDENT + "@Override",
                INDENT + "public String key() {",
                INDENT + INDENT + "return key;",
                INDENT + "}",
                "}"));
        lines.forEach(line -> nested.append(line.isEmpty() ? "" : indent + line).append("\n"));
        return new ReadType(name, "value -> value.option(" + name + ".values())");
    }

    private String link(List<String> types) {
        return types.stream()
                .map(type -> "Client.target(" + JavaNames.quoted(type) + ", "
                        + (targets.get(type) == null ? "null" : targets.get(type) + "::read") + ")")
                .collect(Collectors.joining(", ", "value -> value.linked(List.of(", "))"));
    }

    private static List<String> declared(List<Component> components) {
        return components.stream()
                .map(each -> "/* " + JavaNames.comment(each.about()) + " */ " + each.type() + " " + each.name())
                .toList();
    }

    private static String header(List<String> declared, String indent) {
        return declared.stream().map(each -> "\n" + indent + INDENT + each).collect(Collectors.joining(",", "(", ")"));
    }

    private static String reader(String name, List<String> first, List<Component> components, String indent) {
        var given = new ArrayList<>(first);
        components.forEach(each -> given.add(each.reading()));
        return indent + "static " + name + " read(Client.Value at) {\n" + indent + INDENT + "return new " + name + "("
                + given.stream()
                        .map(each -> "\n" + indent + INDENT + INDENT + INDENT + each)
                        .collect(Collectors.joining(","))
                + ");\n" + indent + "}\n";
    }

    private static String written(List<Component> components, String indent) {
        var entries = components.stream()
                .map(each ->
                        indent + INDENT + "entries.put(" + JavaNames.quoted(each.key()) + ", " + each.name() + ");\n")
                .collect(Collectors.joining());
        return "\n" + indent + "@Override\n" + indent + "public Map<String, Object> json() {\n" + indent + INDENT
                + "var entries = new java.util.LinkedHashMap<String, Object>();\n" + entries + indent + INDENT
                + "return entries;\n" + indent + "}\n";
    }

    /** What is sent: only what is set, and null empties. */
    private static String values(List<Component> components) {
        var text = new StringBuilder("\n    /** What is sent of it: only what is set; {@code null} empties. */\n");
        text.append("    public static final class Values extends Client.Values {\n");
        for (var each : components) {
            text.append("        public Values ")
                    .append(each.name())
                    .append("(")
                    .append(each.type())
                    .append(" value) {\n");
            text.append("            set(").append(JavaNames.quoted(each.key())).append(", value);\n");
            text.append("            return this;\n        }\n\n");
        }
        return text.append("    }\n").toString();
    }
}
