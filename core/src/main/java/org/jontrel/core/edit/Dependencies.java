package org.jontrel.core.edit;

import java.util.ArrayDeque;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jontrel.core.model.Model;

/** Parts of a model that can stand alone. */
public final class Dependencies {
    private Dependencies() {}

    /** Some definitions and everything they refer to, and what that refers to, and so on. */
    public static Model of(Model model, Collection<String> ids) {
        var refersTo = new TreeMap<String, TreeSet<String>>();
        Uses.of(model)
                .forEach((target, users) -> users.forEach(user ->
                        refersTo.computeIfAbsent(user, _ -> new TreeSet<>()).add(target)));
        var needed = new LinkedHashSet<String>();
        var open = new ArrayDeque<>(ids);
        while (!open.isEmpty()) {
            var id = open.pop();
            if (needed.add(id)) {
                open.addAll(refersTo.getOrDefault(id, new TreeSet<>()));
            }
        }
        return new Model(model.definitions().stream()
                .filter(definition -> needed.contains(definition.id()))
                .toList());
    }
}
