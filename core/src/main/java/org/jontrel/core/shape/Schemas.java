package org.jontrel.core.shape;

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
    private final SequencedMap<String, Object> byName = new LinkedHashMap<>();

    /**
     * @param prefix what stands before a name in a reference, as {@code #/$defs/}
     * @param naming makes a name of what the shapes call themselves, as {@code group_use}
     */
    public Schemas(String prefix, UnaryOperator<String> naming) {
        this.prefix = prefix;
        this.naming = naming;
    }

    Map<String, Object> reference(String shape, Supplier<Map<String, Object>> schema) {
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
            "properties",
            "required",
            "additionalProperties",
            "minProperties",
            "maxProperties",
            "$defs");

    /** The same schema with its words always in one order, so that it can be written to the same bytes. */
    static SequencedMap<String, Object> ordered(Map<String, ?> schema) {
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
