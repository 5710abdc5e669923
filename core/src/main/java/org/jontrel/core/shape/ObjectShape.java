package org.jontrel.core.shape;

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
public final class ObjectShape<T> implements ThingShape<T> {
    private static final String ID = "id";
    private static final String WAS = "was";

    private final String title;
    private final String schemaName;
    private final List<Property<T, ?>> properties;
    private final List<String> names;
    private final Function<PropertyValues, T> make;
    private final Function<T, String> identity;
    private final boolean scoped;
    private final Function<T, String> label;
    private final boolean renamable;

    private ObjectShape(Builder<T> builder, Function<PropertyValues, T> make) {
        this.title = builder.title;
        this.schemaName = builder.schemaName;
        this.properties = List.copyOf(builder.properties);
        this.make = make;
        this.identity = builder.identity;
        this.scoped = builder.scoped;
        this.label = builder.label;
        this.renamable = builder.renamable;
        var all = new ArrayList<>(properties.stream().map(Property::name).toList());
        if (renamable) {
            all.add(WAS);
        }
        this.names = List.copyOf(all);
    }

    public static <T> Builder<T> of(String title) {
        return new Builder<>(title);
    }

    /** What sort of thing it is, in words. */
    public String title() {
        return title;
    }

    public List<Property<T, ?>> properties() {
        return properties;
    }

    List<String> names() {
        return names;
    }

    @Override
    public String id(T thing) {
        return identity == null ? "" : identity.apply(thing);
    }

    @Override
    public String label(T thing) {
        return label == null ? "" : label.apply(thing);
    }

    @Override
    public boolean scoped(T thing) {
        return scoped;
    }

    @Override
    public ObjectShape<T> of(T thing) {
        return this;
    }

    @Override
    public Optional<T> read(Node node, String name, ReadContext reading) {
        if (!(node instanceof Node.Mapping mapping)) {
            reading.add(Code.VALUE_WRONG_SHAPE, node, name, "a set of properties", node.described());
            return Optional.empty();
        }
        return read(mapping, entries(mapping, reading), reading);
    }

    /** Reads a thing whose entries are known already. */
    public Optional<T> read(Node.Mapping mapping, Map<String, Node.Entry> entries, ReadContext reading) {
        refuseUnknown(entries, names, title, reading);
        var values = new HashMap<String, Object>(properties.size() * 2);
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
        identify(mapping, entries, values, reading);
        return complete ? Optional.of(make.apply(new PropertyValues(values))) : Optional.empty();
    }

    private void identify(
            Node.Mapping mapping, Map<String, Node.Entry> entries, Map<String, Object> values, ReadContext reading) {
        if (!values.containsKey(ID)) {
            return;
        }
        var id = (String) values.get(ID);
        if (id.isEmpty()) {
            id = reading.giveId();
            values.put(ID, id);
        }
        reading.found(id, mapping);
        var was = renamable ? entries.get(WAS) : null;
        if (was != null) {
            var key = id;
            Scalars.TEXT.read(was.value(), WAS, reading).ifPresent(text -> reading.was(key, text));
        }
    }

    public static Map<String, Node.Entry> entries(Node.Mapping mapping, ReadContext reading) {
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

    public static void refuseUnknown(
            Map<String, Node.Entry> entries, List<String> valid, String title, ReadContext reading) {
        for (var entry : entries.values()) {
            var name = entry.name().text();
            if (!valid.contains(name)) {
                reading.add(Code.PROPERTY_UNKNOWN, entry.name(), name, title, Nearest.hint(name, valid));
            }
        }
    }

    /** A thing from values of all its properties by name. */
    public T make(Map<String, Object> values) {
        return make.apply(new PropertyValues(values));
    }

    /** The thing with some properties replaced. */
    public T with(T thing, Map<String, Object> changed) {
        if (properties.isEmpty() || changed.isEmpty()) {
            return thing;
        }
        var values = new HashMap<String, Object>(properties.size() * 2);
        for (var property : properties) {
            values.put(
                    property.name(),
                    changed.containsKey(property.name())
                            ? changed.get(property.name())
                            : property.getter().apply(thing));
        }
        return make(values);
    }

    @Override
    public SequencedMap<String, Object> write(T value, WriteContext to) {
        var tree = new LinkedHashMap<String, Object>();
        for (var property : properties) {
            if (!property.required() && property.isDefault(value)) {
                continue;
            }
            var written = property.written(value, to);
            boolean givenHere = property.name().equals(ID) && written.toString().startsWith(ReadContext.GIVEN_HERE);
            // a set of properties that all have their defaults
            boolean empty = !property.required() && written instanceof Map<?, ?> map && map.isEmpty();
            if (written != null && !givenHere && !empty) {
                tree.put(property.name(), written);
            }
        }
        var was = renamable ? to.was().get(id(value)) : null;
        if (was != null) {
            tree.put(WAS, was);
        }
        if (identity != null && !scoped) {
            to.wrote(id(value), tree);
        }
        return tree;
    }

    @Override
    public Map<String, Object> schema(Schemas schemas) {
        return schemaName == null
                ? schemaOfProperties(schemas)
                : schemas.reference(schemaName, () -> schemaOfProperties(schemas));
    }

    public Map<String, Object> schemaOfProperties(Schemas schemas) {
        var fields = new LinkedHashMap<String, Object>();
        for (var property : properties) {
            var schema = new LinkedHashMap<>(property.shape().schema(schemas));
            schema.put("description", property.about());
            if (property.absent() != null
                    && !property.required()
                    && !property.name().equals(ID)) {
                schema.put("default", property.shape() instanceof Shape<?> ? defaultOf(property) : null);
            }
            fields.put(property.name(), schema);
        }
        if (renamable) {
            var was = new LinkedHashMap<>(schemas.text());
            was.put("description", "The key it had before, so that a file without ids can say what was renamed.");
            fields.put(WAS, was);
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

    private static <V> Object defaultOf(Property<?, V> property) {
        var written = property.shape().write(property.absent(), WriteContext.PLAIN);
        return written instanceof String text ? Scalars.partKey(text) : written;
    }

    @Override
    public T map(T thing, Mapper mapper) {
        var of = mapper.enter(thing);
        var within = of.inside(thing);
        HashMap<String, Object> changed = null;
        for (var property : properties) {
            var before = property.getter().apply(thing);
            boolean inner = property.slot() != null || Scalars.isInner(property.shape());
            var after = mapped(property, before, inner ? within : of);
            if (after != before) {
                changed = changed == null ? new HashMap<>() : changed;
                changed.put(property.name(), after);
            }
        }
        return changed == null ? thing : with(thing, changed);
    }

    @SuppressWarnings("unchecked") // the value came out of the property
    private static <V> Object mapped(Property<?, V> property, Object value, Mapper mapper) {
        if (value == null) {
            return null;
        }
        return property.name().equals(ID)
                ? mapper.id((String) value)
                : property.shape().map((V) value, mapper);
    }

    /** The values read, by property name; each of the class its property's shape gives. */
    public record PropertyValues(Map<String, Object> byName) {
        @SuppressWarnings("unchecked")
        public <V> V get(String name) {
            return (V) byName.get(name);
        }
    }

    public static final class Builder<T> {
        private final String title;
        private final List<Property<T, ?>> properties = new ArrayList<>();
        private String schemaName;
        private Function<T, String> identity;
        private boolean scoped;
        private Function<T, String> label;
        private boolean renamable;

        Builder(String title) {
            this.title = title;
        }

        /** Gives the schema a name, so that others (and itself) can refer to it. */
        public Builder<T> named(String name) {
            schemaName = name;
            return this;
        }

        /** What makes it the same thing: everywhere, or only within its owner. */
        public Builder<T> identity(Function<T, String> id, boolean withinOwner) {
            identity = id;
            scoped = withinOwner;
            return this;
        }

        public Builder<T> labelled(Function<T, String> newLabel) {
            label = newLabel;
            return this;
        }

        /** An id kept for life. */
        public Builder<T> id(Function<T, String> id) {
            return identity(id, false)
                    .optional(
                            ID,
                            Scalars.TEXT,
                            id,
                            "",
                            Sense.IDENTITY,
                            "Its identity, which never changes; assigned when left out.");
        }

        /** A key, which can change: files may then give the one before. */
        public Builder<T> key(Function<T, String> key) {
            renamable = true;
            return required(
                    "key", Scalars.TEXT, key, Sense.NAME, "The name in code, addresses of the API and the database.");
        }

        public <V> Builder<T> required(String name, Shape<V> shape, Function<T, V> getter, Sense sense, String about) {
            properties.add(new Property<>(name, shape, getter, null, true, sense, about));
            return this;
        }

        public <V> Builder<T> optional(
                String name, Shape<V> shape, Function<T, V> getter, V absent, Sense sense, String about) {
            properties.add(new Property<>(name, shape, getter, absent, false, sense, about));
            return this;
        }

        /** The properties of something within, as if they were its own. */
        public <P> Builder<T> all(List<Property<P, ?>> within, Function<T, P> getter) {
            within.forEach(property -> properties.add(property.of(getter)));
            return this;
        }

        public ObjectShape<T> build(Function<PropertyValues, T> make) {
            return new ObjectShape<>(this, make);
        }
    }
}
