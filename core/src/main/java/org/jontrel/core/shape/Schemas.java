package org.jontrel.core.shape;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;

/** Schemas that refer to one another by name, so that things may hold their own kind. */
public final class Schemas {
    private final UnaryOperator<String> naming;
    private final String prefix;
    private final boolean files;
    private final SequencedMap<String, Object> byName = new LinkedHashMap<>();

    /**
     * @param prefix what stands before a name in a reference, as {@code #/$defs/}
     * @param naming makes a name of what the shapes call themselves, as {@code group_use}
     */
    public Schemas(String prefix, UnaryOperator<String> naming) {
        this(prefix, naming, false);
    }

    private Schemas(String prefix, UnaryOperator<String> naming, boolean files) {
        this.prefix = prefix;
        this.naming = naming;
        this.files = files;
    }

    /** For files that people write: all that the reader takes, and one place for one mistake. */
    public static Schemas ofFiles() {
        return new Schemas("#/$defs/", name -> name, true);
    }

    /** Text: in a file a number or a flag without quotation marks is its text too. */
    public Map<String, Object> text() {
        return files
                ? reference("text", () -> Map.of("type", List.of("string", "number", "boolean")))
                : Map.of("type", "string");
    }

    /** A value of more sorts in files than in the API. */
    Map<String, Object> inFiles(String name, Map<String, Object> inFiles, Map<String, Object> elsewhere) {
        return files ? reference(name, () -> inFiles) : elsewhere;
    }

    /**
     * One of several sorts of things, told by a word: in files a mistake within one is told there and not at the whole,
     * elsewhere programs are told the alternatives.
     *
     * @param property what holds the word
     * @param byWord the schema of each sort
     */
    public Map<String, Object> byWord(String property, SequencedMap<String, Map<String, Object>> byWord) {
        if (!files) {
            return Map.of("oneOf", List.copyOf(byWord.values()));
        }
        var branches = new ArrayList<Map<String, Object>>();
        byWord.forEach((word, schema) -> branches.add(branch(
                Map.of("properties", Map.of(property, Map.of("const", word)), "required", List.of(property)), schema)));
        var schema = new LinkedHashMap<String, Object>();
        schema.put("type", "object");
        schema.put("properties", Map.of(property, Map.of("enum", List.copyOf(byWord.keySet()))));
        schema.put("required", List.of(property));
        schema.put("allOf", branches);
        return schema;
    }

    /**
     * One of several sorts of things, told by the property that only this sort has.
     *
     * @param rest what it is where it has none of them, or {@code null} where it must have one
     */
    public Map<String, Object> byProperty(
            SequencedMap<String, Map<String, Object>> byProperty, Map<String, Object> rest) {
        if (!files) {
            var all = new ArrayList<>(byProperty.values());
            if (rest != null) {
                all.addFirst(rest);
            }
            return Map.of("oneOf", all);
        }
        var branches = new ArrayList<Map<String, Object>>();
        byProperty.forEach((name, schema) -> branches.add(branch(has(name), schema)));
        var schema = new LinkedHashMap<String, Object>();
        schema.put("type", "object");
        var one = byProperty.keySet().stream().map(Schemas::has).toList();
        if (rest == null) {
            schema.put("oneOf", one);
        } else {
            branches.add(branch(Map.of("not", Map.of("anyOf", one)), rest));
        }
        schema.put("allOf", branches);
        return schema;
    }

    private static Map<String, Object> has(String property) {
        return Map.of("required", List.of(property));
    }

    private static Map<String, Object> branch(Map<String, Object> condition, Map<String, Object> schema) {
        return Map.of("if", condition, "then", schema);
    }

    public Map<String, Object> reference(String shape, Supplier<Map<String, Object>> schema) {
        var name = naming.apply(shape);
        if (!byName.containsKey(name)) {
            byName.put(name, Map.of());
            byName.put(name, schema.get());
        }
        return Map.of("$ref", prefix + name);
    }

    public SequencedMap<String, Object> byName() {
        return byName;
    }

    /** The words of JSON Schema in the order people read them; all others behind, by name. */
    private static final List<String> ORDER = List.of(
            "$schema",
            "$ref",
            "title",
            "description",
            "type",
            "format",
            "const",
            "enum",
            "default",
            "items",
            "uniqueItems",
            "anyOf",
            "oneOf",
            "if",
            "then",
            "properties",
            "required",
            "additionalProperties",
            "minProperties",
            "maxProperties",
            "allOf",
            "$defs");

    /** The same schema with its words always in one order, so that it can be written to the same bytes. */
    public static SequencedMap<String, Object> ordered(Map<String, ?> schema) {
        var ordered = new LinkedHashMap<String, Object>();
        schema.keySet().stream()
                .sorted(Comparator.comparingInt(Schemas::place).thenComparing(Comparator.naturalOrder()))
                .forEach(word -> ordered.put(word, within(word, schema.get(word))));
        return ordered;
    }

    private static int place(String word) {
        int place = ORDER.indexOf(word);
        return place < 0 ? ORDER.size() : place;
    }

    private static Object within(String word, Object value) {
        boolean byName = word.equals("properties") || word.equals("$defs");
        return switch (value) {
            case Map<?, ?> map
            when byName -> {
                var named = new LinkedHashMap<String, Object>();
                map.forEach((name, schema) -> named.put((String) name, within("", schema)));
                yield named;
            }
            case Map<?, ?> map
            when !word.equals("default") -> {
                var schema = new LinkedHashMap<String, Object>();
                map.forEach((name, each) -> schema.put((String) name, each));
                yield ordered(schema);
            }
            case List<?> list
            when !word.equals("default") ->
                list.stream().map(each -> within("", each)).toList();
            default -> value;
        };
    }
}
