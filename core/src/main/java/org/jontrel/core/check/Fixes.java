package org.jontrel.core.check;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Fix;
import org.jontrel.core.model.Model;
import org.jontrel.core.shape.Difference;
import org.jontrel.core.shape.Property;
import org.jontrel.core.shape.Replacement;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.Things;

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
            case Fix.Remove(String element, String property, List<String> items) ->
                Replacement.in(model, element, thing -> without(thing, property, items));
        };
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
        var mended = new java.util.ArrayList<Finding>();
        var now = model;
        for (int i = 0; i < MOST; i++) {
            var step = first(now);
            if (step.isEmpty()) {
                break;
            }
            mended.add(step.get().mended().getFirst());
            now = step.get().model();
        }
        return new Fixed(now, mended);
    }

    private static Optional<Fixed> first(Model model) {
        for (var finding : ModelCheck.check(model)) {
            var fixed = finding.fix().flatMap(fix -> apply(model, fix));
            if (fixed.isPresent()) {
                return fixed.map(mended -> new Fixed(mended, List.of(finding)));
            }
        }
        return Optional.empty();
    }
}
