package org.jontrel.core.shape;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jontrel.core.finding.Code;

/** A set in files, in the order of its values. */
record SetShape<T extends Comparable<T>>(ListShape<T> list) implements Shape<Set<T>> {
    @Override
    public Optional<Set<T>> read(Node node, String name, ReadContext reading) {
        return list.read(node, name, reading).map(items -> {
            var set = new TreeSet<T>();
            for (var each : items) {
                if (!set.add(each)) {
                    reading.add(
                            Code.ENTRY_TWICE,
                            node,
                            name,
                            String.valueOf(list.item().write(each, WriteContext.PLAIN)));
                }
            }
            return set;
        });
    }

    @Override
    public Object write(Set<T> value, WriteContext to) {
        return list.write(List.copyOf(new TreeSet<>(value)), to);
    }

    @Override
    public Map<String, Object> schema(Schemas schemas) {
        var schema = new LinkedHashMap<>(list.schema(schemas));
        schema.put("uniqueItems", true);
        return schema;
    }

    @Override
    public Set<T> map(Set<T> value, Mapper mapper) {
        var before = List.copyOf(value);
        var after = list.map(before, mapper);
        return after == before ? value : new TreeSet<>(after);
    }
}
