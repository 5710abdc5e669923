package org.jontrel.core.mend;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Fix;
import org.jontrel.core.format.Difference;
import org.jontrel.core.format.Replacement;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Model;
import org.jontrel.core.shape.ObjectShape;
import org.jontrel.core.shape.Property;
import org.jontrel.core.shape.Sense;

/** Mends models as findings say. */
public final class Fixes {
    private static final int MOST = 1_000;

    private Fixes() {}

    /** What came of mending: the model, and the findings that were mended, in order. */
    public record Fixed(Model model, List<Finding> mended) {}

    /** The model with one fix made; empty where it does not apply to this model. */
    public static Optional<Model> apply(Model model, Fix fix) {
        return switch (fix) {
            case Fix.Set(String element, String property, Object value) ->
                Replacement.in(
                        model,
                        element,
                        thing -> new Difference(property, Sense.RULE, null, value)
                                .applyTo(thing)
                                .orElse(thing));
            case Fix.Replace(String element, String property, String item, String with, String _) ->
                Replacement.in(model, element, thing -> replaced(thing, property, item, with));
            case Fix.Remove(String element, String property, List<String> items) ->
                Replacement.in(model, element, thing -> without(thing, property, items));
        };
    }

    private static Object replaced(Object thing, String name, String item, String with) {
        var shape = Things.of(thing);
        int dot = name.indexOf('.');
        for (var property : shape.properties()) {
            if (property.name().equals(dot < 0 ? name : name.substring(0, dot))) {
                var values = new HashMap<String, Object>();
                values.put(
                        property.name(), replaced(property, thing, dot < 0 ? "" : name.substring(dot + 1), item, with));
                return shape.with(thing, values);
            }
        }
        return thing;
    }

    @SuppressWarnings("unchecked") // the value came out of the property
    private static <V> Object replaced(
            Property<Object, V> property, Object thing, String rest, String item, String with) {
        var value = property.getter().apply(thing);
        if (property.slot() != null) {
            return property.slot()
                    .of(Things.items(property, thing).stream()
                            .map(each -> used(each, item, with))
                            .toList());
        }
        if (!rest.isEmpty() && property.shape() instanceof ObjectShape<?> nested) {
            return within((ObjectShape<Object>) nested, value, rest, item, with);
        }
        return other(value, item, with);
    }

    private static Object within(ObjectShape<Object> shape, Object value, String name, String item, String with) {
        for (var property : shape.properties()) {
            if (property.name().equals(name)) {
                var values = new HashMap<String, Object>();
                values.put(name, other(property.getter().apply(value), item, with));
                return shape.with(value, values);
            }
        }
        return value;
    }

    private static Object other(Object value, String item, String with) {
        return switch (value) {
            case Set<?> set -> {
                var others = new TreeSet<String>();
                set.forEach(each -> others.add(each.equals(item) ? with : String.valueOf(each)));
                yield others;
            }
            case Collection<?> several ->
                several.stream()
                        .<Object>map(each -> each.equals(item) ? with : each)
                        .toList();
            default -> with;
        };
    }

    /** A use of something, of something else. */
    private static Object used(Object use, String item, String with) {
        var shape = Things.shape(use);
        if (!shape.scoped(use) || !shape.id(use).equals(item)) {
            return use;
        }
        return Things.of(use).with(use, new HashMap<>(java.util.Map.of("use", with)));
    }

    private static Object without(Object thing, String name, List<String> items) {
        var shape = Things.of(thing);
        for (var property : shape.properties()) {
            if (property.name().equals(name)) {
                var values = new HashMap<String, Object>();
                values.put(name, without(property, thing, items));
                return shape.with(thing, values);
            }
        }
        return thing;
    }

    private static <V> Object without(Property<Object, V> property, Object thing, List<String> items) {
        if (property.slot() != null) {
            return property.slot()
                    .of(Things.items(property, thing).stream()
                            .filter(item -> !items.contains(Things.shape(item).id(item)))
                            .toList());
        }
        var kept = ((Collection<?>) property.getter().apply(thing))
                .stream().filter(item -> !items.contains(String.valueOf(item))).toList();
        return property.getter().apply(thing) instanceof Set ? new LinkedHashSet<>(kept) : kept;
    }

    /** Makes every fix there is, one after another, checking between, until none is left. */
    public static Fixed all(Model model) {
        return all(model, true);
    }

    /** @param removing whether to make also those that take out what somebody wrote */
    public static Fixed all(Model model, boolean removing) {
        var mended = new java.util.ArrayList<Finding>();
        var now = model;
        for (int i = 0; i < MOST; i++) {
            var step = first(now, removing);
            if (step.isEmpty()) {
                break;
            }
            mended.add(step.get().mended().getFirst());
            now = step.get().model();
        }
        return new Fixed(now, mended);
    }

    private static Optional<Fixed> first(Model model, boolean removing) {
        for (var finding : ModelCheck.check(model)) {
            var fixed = finding.fix().filter(fix -> removing || !fix.removes()).flatMap(fix -> apply(model, fix));
            if (fixed.isPresent()) {
                return fixed.map(mended -> new Fixed(mended, List.of(finding)));
            }
        }
        return Optional.empty();
    }
}
