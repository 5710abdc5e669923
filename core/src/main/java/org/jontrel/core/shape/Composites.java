package org.jontrel.core.shape;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.finding.Code;

/** Shapes of lists and sets of values. */
public final class Composites {
    private Composites() {}

    public static <T> Shape<List<T>> list(Shape<T> item) {
        return new ListShape<>(item);
    }

    /** Values whose order means nothing; written in order. */
    public static <T extends Comparable<T>> Shape<Set<T>> set(Shape<T> item) {
        return new SetShape<>(new ListShape<>(item));
    }

    /** Values, of which a single one may stand alone. */
    public static <T> Shape<List<T>> oneOrMore(Shape<T> item) {
        return new OneOrMore<>(item, new ListShape<>(item));
    }

    /** Texts by free names, as with wordings. */
    public static Shape<Map<String, String>> texts(Shape<String> text) {
        return new Texts(text);
    }

    /** Things with identities, in order. */
    public static <T> Slot<List<T>> things(ThingShape<T> item) {
        return new ListSlot<>(item, new ListShape<>(item));
    }

    /** One thing with an identity, or {@code null}. */
    public static <T> Slot<T> thing(ThingShape<T> item) {
        return new SingleSlot<>(item);
    }

    /** Words of a fixed set, each a thing of its own without properties. */
    public static <T> Slot<List<T>> words(Shape<T> word, ThingShape<T> item) {
        return new WordThings<>(item, new ListShape<>(word));
    }

    static <T> List<T> mapped(Shape<T> item, List<T> values, Mapper mapper) {
        List<T> changed = null;
        for (int i = 0; i < values.size(); i++) {
            var value = item.map(values.get(i), mapper);
            if (changed == null && value != values.get(i)) {
                changed = new ArrayList<>(values);
            }
            if (changed != null) {
                changed.set(i, value);
            }
        }
        return changed == null ? values : changed;
    }

    private record OneOrMore<T>(Shape<T> item, ListShape<T> list) implements Shape<List<T>> {
        @Override
        public Optional<List<T>> read(Node node, String name, ReadContext reading) {
            return node instanceof Node.Sequence
                    ? list.read(node, name, reading)
                    : item.read(node, name, reading).map(List::of);
        }

        @Override
        public Object write(List<T> value, WriteContext to) {
            return value.size() == 1 ? item.write(value.getFirst(), to) : list.write(value, to);
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return Map.of("anyOf", List.of(item.schema(schemas), list.schema(schemas)));
        }

        @Override
        public List<T> map(List<T> value, Mapper mapper) {
            return list.map(value, mapper);
        }
    }

    private record Texts(Shape<String> text) implements Shape<Map<String, String>> {
        @Override
        public Optional<Map<String, String>> read(Node node, String name, ReadContext reading) {
            if (!(node instanceof Node.Mapping mapping)) {
                reading.add(Code.VALUE_WRONG_SHAPE, node, name, "a set of properties", node.described());
                return Optional.empty();
            }
            var texts = new LinkedHashMap<String, String>();
            for (var entry : ObjectShape.entries(mapping, reading).values()) {
                text.read(entry.value(), entry.name().text(), reading)
                        .ifPresent(value -> texts.put(entry.name().text(), value));
            }
            return Optional.of(texts);
        }

        @Override
        public Object write(Map<String, String> value, WriteContext to) {
            var written = new LinkedHashMap<String, Object>();
            new java.util.TreeMap<>(value).forEach((name, each) -> written.put(name, text.write(each, to)));
            return written;
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return Map.of("type", "object", "additionalProperties", text.schema(schemas));
        }

        @Override
        public Map<String, String> map(Map<String, String> value, Mapper mapper) {
            return text == Scalars.VALUE && !value.isEmpty() ? mapper.values(value) : value;
        }
    }

    private record WordThings<T>(ThingShape<T> item, ListShape<T> list) implements Slot<List<T>> {
        @Override
        public List<?> items(List<T> value) {
            return value;
        }

        @Override
        @SuppressWarnings("unchecked") // the items came out of such a slot
        public List<T> of(List<?> items) {
            return (List<T>) items;
        }

        @Override
        public Optional<List<T>> read(Node node, String name, ReadContext reading) {
            return list.read(node, name, reading);
        }

        @Override
        public Object write(List<T> value, WriteContext to) {
            return list.write(value, to);
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return list.schema(schemas);
        }
    }

    private record SingleSlot<T>(ThingShape<T> item) implements Slot<T> {
        @Override
        public List<?> items(T value) {
            return value == null ? List.of() : List.of(value);
        }

        @Override
        @SuppressWarnings("unchecked") // the items came out of such a slot
        public T of(List<?> items) {
            return items.isEmpty() ? null : (T) items.getFirst();
        }

        @Override
        public Optional<T> read(Node node, String name, ReadContext reading) {
            return item.read(node, name, reading);
        }

        @Override
        public Object write(T value, WriteContext to) {
            return item.write(value, to);
        }

        @Override
        public Map<String, Object> schema(Schemas schemas) {
            return item.schema(schemas);
        }

        @Override
        public T map(T value, Mapper mapper) {
            return item.map(value, mapper);
        }
    }
}
