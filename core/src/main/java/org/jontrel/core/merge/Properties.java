package org.jontrel.core.merge;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jontrel.core.format.Difference;
import org.jontrel.core.format.FieldShape;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Property;
import org.jontrel.core.shape.WriteContext;

/** What is said of a thing, brought together property by property. */
final class Properties {
    private final Chooser chooser;

    Properties(Chooser chooser) {
        this.chooser = chooser;
    }

    /** @param before {@code null} where both sides made the thing */
    Object merged(Object before, Object mine, Object other) {
        if (mine.equals(other) || Objects.equals(before, other)) {
            return mine;
        }
        if (Objects.equals(before, mine)) {
            return other;
        }
        var shape = Things.of(mine);
        if (shape != Things.of(other)) {
            return mergedKinds((Field) before, (Field) mine, (Field) other);
        }
        return before == null || Things.of(before) == shape
                ? merged(shape, before, mine, other, "")
                : mergedNewKind(shape, (Field) before, mine, other);
    }

    /** Both sides made it the same new kind: what all fields have is compared with before, settings of the kind are new. */
    private Object mergedNewKind(ObjectShape<Object> shape, Field before, Object mine, Object other) {
        var as = (Object) ((Field) mine)
                .withLabel(before.label())
                .withKey(before.key())
                .withRequired(before.required())
                .withShowWhen(before.showWhen())
                .withFallback(before.fallback());
        var values = new HashMap<String, Object>();
        for (var property : shape.properties()) {
            if (property.slot() == null) {
                boolean common = FieldShape.isCommon(property.name());
                values.put(property.name(), chosenOf(property, common ? as : null, mine, other, ""));
            }
        }
        return shape.with(mine, values);
    }

    /** What is said of something that is no thing of a model. @param before {@code null} where both sides made it */
    <T> T merged(ObjectShape<T> shape, T before, T mine, T other) {
        return merged(shape, before, mine, other, "");
    }

    private <T> T merged(ObjectShape<T> shape, T before, T mine, T other, String prefix) {
        var values = new HashMap<String, Object>();
        for (var property : shape.properties()) {
            if (property.slot() == null) {
                values.put(property.name(), chosenOf(property, before, mine, other, prefix));
            }
        }
        return shape.with(mine, values);
    }

    private <T, V> Object chosenOf(Property<T, V> property, T before, T mine, T other, String prefix) {
        return chosen(
                property,
                before == null ? null : property.getter().apply(before),
                property.getter().apply(mine),
                property.getter().apply(other),
                prefix);
    }

    @SuppressWarnings("unchecked") // the values came out of the property
    private <V> Object chosen(Property<?, V> property, V was, V mine, V other, String prefix) {
        var name = prefix + property.name();
        if (property.shape() instanceof ObjectShape<?> nested) {
            return merged((ObjectShape<Object>) nested, was, mine, other, name + ".");
        }
        if (mine instanceof Map<?, ?> map) {
            return entries(name, (Map<String, Object>) was, (Map<String, Object>) map, (Map<String, Object>) other);
        }
        if (mine instanceof Set<?> set) {
            return together((Set<Object>) was, (Set<Object>) set, (Set<Object>) other);
        }
        if (Objects.equals(mine, other) || Objects.equals(was, other)) {
            return mine;
        }
        if (Objects.equals(was, mine)) {
            return other;
        }
        chooser.choose(name, written(property, was), written(property, mine), written(property, other));
        return mine;
    }

    private static <V> Object written(Property<?, V> property, V value) {
        return value == null ? null : property.shape().write(value, WriteContext.PLAIN);
    }

    private Map<String, Object> entries(
            String name, Map<String, Object> was, Map<String, Object> mine, Map<String, Object> other) {
        var names = new TreeSet<>(mine.keySet());
        names.addAll(other.keySet());
        var merged = new TreeMap<String, Object>();
        for (var entry : names) {
            var value = chooser.choose(
                    name + "." + entry, was == null ? null : was.get(entry), mine.get(entry), other.get(entry));
            if (value != null) {
                merged.put(entry, value);
            }
        }
        return merged;
    }

    /** There where one side added it, gone where one side removed it. */
    private static Set<Object> together(Set<Object> was, Set<Object> mine, Set<Object> other) {
        var all = new TreeSet<>(mine);
        all.addAll(other);
        if (was != null) {
            all.removeIf(each -> was.contains(each) && !(mine.contains(each) && other.contains(each)));
        }
        return all;
    }

    /** Fields of different kinds: the kind of the side that changed it, everything else one by one. */
    private Field mergedKinds(Field before, Field mine, Field other) {
        var kind = kind(before, mine, other);
        var values = new HashMap<String, Object>();
        for (var property : Things.of(mine).properties()) {
            if (FieldShape.isCommon(property.name())
                    && !property.name().equals("kind")
                    && !property.name().equals("id")) {
                values.put(property.name(), chosenOf(property, before, mine, other, ""));
            }
        }
        return ((Field) Things.of(mine).with(mine, values)).withKind(kind);
    }

    private Kind kind(Field before, Field mine, Field other) {
        if (before != null && bare(before.kind()).equals(bare(mine.kind()))) {
            return other.kind();
        }
        if (before != null && bare(before.kind()).equals(bare(other.kind()))) {
            return mine.kind();
        }
        chooser.clash("kind", before == null ? null : said(before, null), said(mine, before), said(other, before));
        return mine.kind();
    }

    /** The kind in words, with the settings that differ from before where it is still of that kind. */
    private String said(Field field, Field before) {
        var kind = new StringBuilder(field.kind().code().replace('_', ' '));
        if (before != null && Things.of(before) == Things.of(field)) {
            Difference.between(before, field).stream()
                    .filter(difference -> !FieldShape.isCommon(difference.name()))
                    .forEach(difference -> kind.append(", ")
                            .append(chooser.words().ours().name(difference.name()))
                            .append(' ')
                            .append(chooser.words().ours().value(difference.after())));
        }
        return kind.toString();
    }

    /** A kind without what is brought together on its own. */
    private static Kind bare(Kind kind) {
        return switch (kind) {
            case Kind.Choice choice ->
                new Kind.Choice(java.util.List.of(), choice.list(), choice.amount(), choice.shown());
            case Kind.FieldGroup _ -> Kind.FieldGroup.PLAIN;
            case Kind.Repeater rows ->
                new Kind.Repeater(java.util.List.of(), rows.minRows(), rows.maxRows(), rows.rowName(), rows.shown());
            case Kind.Relation relation ->
                new Kind.Relation(relation.to(), relation.amount(), relation.ordered(), relation.symmetric(), null);
            case Kind.Plain _, Kind.Reference _, Kind.Note _ -> kind;
        };
    }
}
