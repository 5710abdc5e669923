package org.jontrel.core.shape;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.finding.Code;

/** A list in files, in the order of its author. */
record ListShape<T>(Shape<T> item) implements Shape<List<T>> {
    @Override
    public Optional<List<T>> read(Node node, String name, ReadContext reading) {
        if (!(node instanceof Node.Sequence sequence)) {
            reading.add(Code.VALUE_WRONG_SHAPE, node, name, "a list", node.described());
            return Optional.empty();
        }
        var items = new ArrayList<T>(sequence.items().size());
        for (var child : sequence.items()) {
            item.read(child, name, reading).ifPresent(items::add);
        }
        return Optional.of(items);
    }

    @Override
    public Object write(List<T> value, WriteContext to) {
        return value.stream().map(each -> item.write(each, to)).toList();
    }

    @Override
    public Map<String, Object> schema(Schemas schemas) {
        return Map.of("type", "array", "items", item.schema(schemas));
    }

    @Override
    public List<T> map(List<T> value, Mapper mapper) {
        return Composites.mapped(item, value, mapper);
    }
}
