package org.jontrel.core.code;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.Function;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Nearest;

/** A thing with named properties: read strictly, written without defaults, described as schema. */
final class ObjectShape<T> implements Shape<T> {
    private final String title;
    private final List<Property<T, ?>> properties;
    private final Function<Values, T> make;

    private ObjectShape(String title, List<Property<T, ?>> properties, Function<Values, T> make) {
        this.title = title;
        this.properties = List.copyOf(properties);
        this.make = make;
    }

    static <T> Builder<T> of(String title) {
        return new Builder<>(title);
    }

    String title() {
        return title;
    }

    List<Property<T, ?>> properties() {
        return properties;
    }

    List<String> names() {
        return properties.stream().map(Property::name).toList();
    }

    @Override
    public Optional<T> read(Node node, String name, Reading reading) {
        if (!(node instanceof Node.Mapping mapping)) {
            reading.add(Code.VALUE_WRONG_SHAPE, node, name, "a set of properties", node.described());
            return Optional.empty();
        }
        var entries = entries(mapping, reading);
        refuseUnknown(entries, names(), title, reading);
        return read(mapping, entries, reading);
    }

    /** Reads the properties of this shape and leaves others to the caller. */
    Optional<T> read(Node.Mapping mapping, Map<String, Node.Entry> entries, Reading reading) {
        var values = new HashMap<String, Object>();
        boolean complete = true;
        for (var property : properties) {
            var entry = entries.get(property.name());
            if (entry != null) {
                var value = property.shape().read(entry.value(), property.name(), reading);
                complete &= value.isPresent() || !property.required();
                values.put(property.name(), value.isPresent() ? value.get() : property.absent());
            } else if (property.required()) {
                reading.add(Code.PROPERTY_MISSING, mapping, property.name(), title);
                complete = false;
            } else {
                values.put(property.name(), property.absent());
            }
        }
        return complete ? Optional.of(make.apply(new Values(values))) : Optional.empty();
    }

    static Map<String, Node.Entry> entries(Node.Mapping mapping, Reading reading) {
        var entries = new LinkedHashMap<String, Node.Entry>();
        for (var entry : mapping.entries()) {
            var first = entries.putIfAbsent(entry.name().text(), entry);
            if (first != null) {
                reading.add(
                        Code.PROPERTY_TWICE,
                        entry.name(),
                        entry.name().text(),
                        first.name().line());
            }
        }
        return entries;
    }

    static void refuseUnknown(Map<String, Node.Entry> entries, List<String> valid, String title, Reading reading) {
        entries.values().stream()
                .filter(entry -> !valid.contains(entry.name().text()))
                .forEach(entry -> {
                    var name = entry.name().text();
                    reading.add(Code.PROPERTY_UNKNOWN, entry.name(), name, title, Nearest.hint(name, valid));
                });
    }

    @Override
    public SequencedMap<String, Object> write(T value) {
        var tree = new LinkedHashMap<String, Object>();
        for (var property : properties) {
            if (property.required() || !property.isDefault(value)) {
                tree.put(property.name(), property.written(value));
            }
        }
        return tree;
    }

    /**
     * A thing brought together from three, property by property.
     *
     * @param parts properties that the caller has brought together itself, by name
     * @param choose asked for each other property with its values before, here and there; {@code before} may be null
     */
    T merged(T before, T ours, T theirs, Map<String, Object> parts, Choice choose) {
        var values = new HashMap<String, Object>();
        for (var property : properties) {
            values.put(
                    property.name(),
                    parts.containsKey(property.name())
                            ? parts.get(property.name())
                            : chosen(property, before, ours, theirs, choose));
        }
        return make.apply(new Values(values));
    }

    private static <T, V> Object chosen(Property<T, V> property, T before, T ours, T theirs, Choice choose) {
        var was = before == null ? null : property.getter().apply(before);
        return choose.of(
                property.name(),
                was,
                property.getter().apply(ours),
                property.getter().apply(theirs));
    }

    /** Decides on one property of a merge. */
    interface Choice {
        Object of(String name, Object before, Object ours, Object theirs);
    }

    @Override
    public Map<String, Object> schema() {
        var fields = new LinkedHashMap<String, Object>();
        for (var property : properties) {
            var schema = new LinkedHashMap<>(property.shape().schema());
            schema.put("description", property.about());
            fields.put(property.name(), schema);
        }
        var schema = new LinkedHashMap<String, Object>();
        schema.put("type", "object");
        schema.put("title", title);
        schema.put("properties", fields);
        schema.put(
                "required",
                properties.stream()
                        .filter(Property::required)
                        .map(Property::name)
                        .toList());
        schema.put("additionalProperties", false);
        return schema;
    }

    /** The values read, by property name; each of the class its property's shape gives. */
    record Values(Map<String, Object> byName) {
        @SuppressWarnings("unchecked")
        <V> V get(String name) {
            return (V) byName.get(name);
        }
    }

    static final class Builder<T> {
        private final String title;
        private final List<Property<T, ?>> properties = new ArrayList<>();

        private Builder(String title) {
            this.title = title;
        }

        <V> Builder<T> required(String name, Shape<V> shape, Function<T, V> getter, Sense sense, String about) {
            properties.add(new Property<>(name, shape, getter, null, true, sense, about));
            return this;
        }

        <V> Builder<T> optional(
                String name, Shape<V> shape, Function<T, V> getter, V absent, Sense sense, String about) {
            properties.add(new Property<>(name, shape, getter, absent, false, sense, about));
            return this;
        }

        ObjectShape<T> build(Function<Values, T> make) {
            return new ObjectShape<>(title, properties, make);
        }
    }
}
