package org.jontrel.core.shape;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Supplier;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;

/** Things of which one property, a word, says which other properties they have: fields by kind, blocks by what they show. */
public final class ByWord<T> implements ThingShape<T> {
    private final String noun;
    private final String property;
    private final Supplier<SequencedMap<String, ObjectShape<T>>> shapes;
    private final Function<T, String> word;
    private final BiFunction<T, Mapper, T> mapped;

    /**
     * @param noun what such a thing is called; also the name of its schema
     * @param property the one that holds the word
     * @param shapes by their words, in the order people are offered them; asked for when needed, since things hold others
     * @param mapped what else is mapped in a thing whose properties are
     */
    public ByWord(
            String noun,
            String property,
            Supplier<SequencedMap<String, ObjectShape<T>>> shapes,
            Function<T, String> word,
            BiFunction<T, Mapper, T> mapped) {
        this.noun = noun;
        this.property = property;
        this.shapes = shapes;
        this.word = word;
        this.mapped = mapped;
    }

    @Override
    public ObjectShape<T> of(T thing) {
        return shapes.get().get(word.apply(thing));
    }

    @Override
    public String id(T thing) {
        return of(thing).id(thing);
    }

    @Override
    public String label(T thing) {
        return of(thing).label(thing);
    }

    @Override
    public boolean scoped(T thing) {
        return false;
    }

    @Override
    public Optional<T> read(Node node, String name, ReadContext reading) {
        if (!(node instanceof Node.Mapping mapping)) {
            reading.add(Code.VALUE_WRONG_SHAPE, node, name, "a set of properties", node.described());
            return Optional.empty();
        }
        var entries = ObjectShape.entries(mapping, reading);
        var entry = entries.get(property);
        if (entry == null) {
            reading.add(Code.PROPERTY_MISSING, mapping, property, noun);
            return Optional.empty();
        }
        var said = entry.value() instanceof Node.Scalar scalar ? scalar.text() : "";
        var shape = shapes.get().get(said);
        if (shape == null) {
            var valid = shapes.get().keySet();
            reading.add(
                    Code.WORD_UNKNOWN,
                    entry.value(),
                    property,
                    said,
                    Nearest.hint(said, valid),
                    String.join(", ", valid));
            return Optional.empty();
        }
        return shape.read(mapping, entries, reading);
    }

    @Override
    public Object write(T thing, WriteContext to) {
        return of(thing).write(thing, to);
    }

    @Override
    public T map(T thing, Mapper mapper) {
        return mapped.apply(of(thing).map(thing, mapper), mapper);
    }

    @Override
    public Map<String, Object> schema(Schemas schemas) {
        return schemas.reference(noun, () -> {
            var words = new LinkedHashMap<String, Map<String, Object>>();
            shapes.get().forEach((code, shape) -> {
                var schema = new LinkedHashMap<>(shape.schemaOfProperties(schemas));
                @SuppressWarnings("unchecked")
                var properties = new LinkedHashMap<>((Map<String, Object>) schema.get("properties"));
                properties.put(property, Map.of("const", code));
                schema.put("properties", properties);
                words.put(code, schema);
            });
            return schemas.byWord(property, words);
        });
    }
}
