package org.jontrel.core.format;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jontrel.core.shape.Node;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Property;
import org.jontrel.core.shape.ReadContext;
import org.jontrel.core.shape.Sense;

/**
 * A property that differs between two states of a thing.
 *
 * @param name as in files; with a dot where it is within another, as {@code index.page_size}
 * @param before as written in a file, or {@code null} where there was none
 * @param after as written in a file, or {@code null} where there is none
 */
public record Difference(String name, Sense sense, Object before, Object after) {
    /** What differs between two things of one shape, without what is within them; in the order of the shape. */
    public static List<Difference> between(Object before, Object after) {
        var differences = new ArrayList<Difference>();
        var was = Things.of(before);
        var is = Things.of(after);
        if (was == is) {
            is.properties().forEach(property -> add("", property, property, before, after, differences));
            return differences;
        }
        // a field of another kind: only what all fields have can be compared
        for (var property : is.properties()) {
            was.properties().stream()
                    .filter(other ->
                            FieldShape.isCommon(other.name()) && other.name().equals(property.name()))
                    .forEach(other -> add("", other, property, before, after, differences));
        }
        return differences;
    }

    /** What differs between two values of one shape that are no things of a model. */
    public static <T> List<Difference> between(ObjectShape<T> shape, T before, T after) {
        var differences = new ArrayList<Difference>();
        shape.properties().forEach(property -> add("", property, property, before, after, differences));
        return differences;
    }

    private static <T> void add(
            String prefix, Property<T, ?> was, Property<T, ?> is, T before, T after, List<Difference> found) {
        if (is.sense() == Sense.PARTS || is.sense() == Sense.IDENTITY) {
            return;
        }
        var valueBefore = was.getter().apply(before);
        var valueAfter = is.getter().apply(after);
        if (Objects.equals(valueBefore, valueAfter)) {
            return;
        }
        var name = prefix + is.name();
        if (is.shape() instanceof ObjectShape<?> nested) {
            addNested(name + ".", nested, valueBefore, valueAfter, found);
        } else if (valueBefore instanceof Map<?, ?> a && valueAfter instanceof Map<?, ?> b) {
            var keys = new TreeSet<String>();
            a.keySet().forEach(key -> keys.add((String) key));
            b.keySet().forEach(key -> keys.add((String) key));
            keys.stream()
                    .filter(key -> !Objects.equals(a.get(key), b.get(key)))
                    .forEach(key -> found.add(new Difference(name + "." + key, is.sense(), a.get(key), b.get(key))));
        } else {
            found.add(new Difference(name, is.sense(), was.written(before), is.written(after)));
        }
    }

    @SuppressWarnings("unchecked") // the values came out of a property of this shape
    private static <N> void addNested(
            String prefix, ObjectShape<N> nested, Object before, Object after, List<Difference> found) {
        nested.properties().forEach(property -> add(prefix, property, property, (N) before, (N) after, found));
    }

    /** Whether values that were fine may break the property now; unknown counts as yes. */
    public boolean narrows() {
        return switch (sense) {
            case LOWER_BOUND -> after != null && (before == null || Bounds.compare(after, before) > 0);
            case UPPER_BOUND -> after != null && (before == null || Bounds.compare(after, before) < 0);
            case RULE -> !(after == null || after.equals("") || after.equals(false));
            case PERMISSION -> Boolean.FALSE.equals(after);
            case ALLOWED -> Bounds.loses(before, after, false);
            case ALLOWED_OR_ALL -> Bounds.loses(before, after, true);
            case STRUCTURE -> true;
            case IDENTITY, PARTS, NAME, WORDING, FORM, BEHAVIOUR, MEANING, ADDRESS, API_ADDRESS -> false;
        };
    }

    /** The same, meaning something else where it stands. */
    public Difference as(Sense other) {
        return new Difference(name, other, before, after);
    }

    /** The other way round. */
    public Difference inverse() {
        return new Difference(name, sense, after, before);
    }

    /** The thing with this difference made; empty where it has no such property or cannot have the value. */
    public <T> Optional<T> applyTo(T thing) {
        var shape = Things.of(thing);
        @SuppressWarnings("unchecked") // a rewritten thing is of its class
        var changed = (Optional<T>) set(shape, thing, name, after);
        return changed;
    }

    private static <T> Optional<T> set(ObjectShape<T> shape, T thing, String path, Object value) {
        var dot = path.indexOf('.');
        var first = dot < 0 ? path : path.substring(0, dot);
        for (var property : shape.properties()) {
            if (property.name().equals(first)) {
                return value(property, thing, dot < 0 ? "" : path.substring(dot + 1), value)
                        .map(changed -> shape.with(thing, single(first, changed.orElse(null))));
            }
        }
        return Optional.empty();
    }

    private static Map<String, Object> single(String name, Object value) {
        var map = new TreeMap<String, Object>();
        map.put(name, value);
        return map;
    }

    /** The property's new value, within another optional since it may be {@code null}. */
    @SuppressWarnings("unchecked") // the value came out of the property
    private static <T, V> Optional<Optional<Object>> value(
            Property<T, V> property, T thing, String rest, Object value) {
        var now = property.getter().apply(thing);
        if (!rest.isEmpty() && property.shape() instanceof ObjectShape<?> nested) {
            return set((ObjectShape<Object>) nested, now, rest, value).map(Optional::of);
        }
        if (!rest.isEmpty() && now instanceof Map<?, ?> map) {
            var changed = new TreeMap<>((Map<String, Object>) map);
            if (value == null) {
                changed.remove(rest);
            } else {
                changed.put(rest, String.valueOf(value));
            }
            return Optional.of(Optional.of(changed));
        }
        if (value == null) {
            return Optional.of(Optional.ofNullable(property.absent()));
        }
        return property.shape()
                .read(Node.of(value), property.name(), new ReadContext(new ArrayList<>()))
                .map(Optional::of);
    }
}
