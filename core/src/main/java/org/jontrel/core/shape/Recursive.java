package org.jontrel.core.shape;

import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/** The shape of things that hold their own kind: found when first needed. */
public record Recursive<T>(Supplier<ObjectShape<T>> itself) implements ThingShape<T> {
    @Override
    public String id(T thing) {
        return itself.get().id(thing);
    }

    @Override
    public String label(T thing) {
        return itself.get().label(thing);
    }

    @Override
    public boolean scoped(T thing) {
        return false;
    }

    @Override
    public ObjectShape<T> of(T thing) {
        return itself.get();
    }

    @Override
    public Optional<T> read(Node node, String name, ReadContext reading) {
        return itself.get().read(node, name, reading);
    }

    @Override
    public Object write(T thing, WriteContext to) {
        return itself.get().write(thing, to);
    }

    @Override
    public T map(T thing, Mapper mapper) {
        return itself.get().map(thing, mapper);
    }

    @Override
    public Map<String, Object> schema(Schemas schemas) {
        return itself.get().schema(schemas);
    }
}
