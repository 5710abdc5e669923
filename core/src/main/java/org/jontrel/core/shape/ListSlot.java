package org.jontrel.core.shape;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The place of a list of things in the thing that holds them. */
record ListSlot<T>(ThingShape<T> item, ListShape<T> list) implements Slot<List<T>> {
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

    @Override
    public List<T> map(List<T> value, Mapper mapper) {
        return Composites.mapped(item, value, mapper);
    }
}
