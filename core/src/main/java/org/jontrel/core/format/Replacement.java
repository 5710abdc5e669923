package org.jontrel.core.format;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;

/** Puts another thing in the place of one, wherever in a model it stands. */
public final class Replacement {
    private Replacement() {}

    /** The model with the thing of this id changed; empty where there is none, or nothing changes. */
    public static Optional<Model> in(Model model, String id, UnaryOperator<Object> change) {
        var definitions = new ArrayList<Definition>();
        boolean found = false;
        for (var definition : model.definitions()) {
            var changed = found ? definition : (Definition) replaced(definition, id, change);
            found |= changed != definition;
            definitions.add(changed);
        }
        return found ? Optional.of(new Model(definitions)) : Optional.empty();
    }

    private static Object replaced(Object thing, String id, UnaryOperator<Object> change) {
        var shape = Things.shape(thing);
        if (!shape.scoped(thing) && shape.id(thing).equals(id)) {
            var changed = change.apply(thing);
            return changed.equals(thing) ? thing : changed;
        }
        var of = Things.of(thing);
        for (var property : of.properties()) {
            var items = Things.items(property, thing);
            var changed = items.stream().map(item -> replaced(item, id, change)).toList();
            if (!same(items, changed)) {
                var values = new HashMap<String, Object>();
                values.put(property.name(), property.slot().of(changed));
                return of.with(thing, values);
            }
        }
        return thing;
    }

    private static boolean same(List<Object> a, List<Object> b) {
        for (int i = 0; i < a.size(); i++) {
            if (a.get(i) != b.get(i)) {
                return false;
            }
        }
        return true;
    }
}
