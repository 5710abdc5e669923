package org.jontrel.core.identity;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;

/**
 * Finds for the things of a model those that they were in an earlier one: by id; where either has none, by the key that the
 * file says it had, by the key, and where there is no key by content and place together. A field or term that is not where it
 * was is looked for in the whole definition. What is not certain is not matched. The order of things does not matter.
 */
final class Matching {
    private final Model earlier;
    private final Model model;
    private final Map<String, String> was;
    private final Identities.Openness open;
    private final BiConsumer<Object, Object> bind;
    private final ContentMatching contents;
    private final Set<String> taken = new HashSet<>();
    private final Map<String, Object> unfound = new LinkedHashMap<>();
    private final Set<String> mine = new HashSet<>();

    /** @param bind gets each thing with what it was */
    Matching(
            Model earlier,
            Model model,
            Map<String, String> was,
            Identities.Openness open,
            BiConsumer<Object, Object> bind) {
        this.earlier = earlier;
        this.model = model;
        this.was = was;
        this.open = open;
        this.bind = bind;
        this.contents = new ContentMatching(model, earlier);
    }

    /** Things beside others that were, whose earlier key and present key nothing had. */
    List<Object> unfound() {
        return List.copyOf(unfound.values());
    }

    void run() {
        // an id that a file gives belongs to nobody else
        model.definitions().forEach(definition -> {
            mine.add(definition.id());
            Things.within(definition, thing -> mine.add(Identities.idOf(thing)));
        });
        for (var sort : Definition.Sort.values()) {
            var pairs = pairs(of(model, sort), of(earlier, sort));
            for (var definition : of(model, sort)) {
                definition(definition, pairs.get(Identities.idOf(definition)));
            }
        }
    }

    private static List<Object> of(Model model, Definition.Sort sort) {
        return model.definitions().stream()
                .filter(each -> each.sort() == sort)
                .<Object>map(each -> each)
                .toList();
    }

    private void definition(Object definition, Object before) {
        if (before == null) {
            return;
        }
        bind(definition, before);
        var open = new ArrayDeque<Object>();
        inside(definition, before, open);
        var elsewhere = open.isEmpty() ? null : new Elsewhere(contents, before);
        while (!open.isEmpty()) {
            moved(open.removeFirst(), elsewhere, open);
        }
    }

    private void bind(Object thing, Object before) {
        unfound.remove(Identities.idOf(thing));
        taken.add(Identities.idOf(before));
        bind.accept(thing, before);
    }

    /** @param open gets what is not matched where it stands */
    private void inside(Object thing, Object before, Deque<Object> open) {
        for (var property : Things.of(thing).properties()) {
            if (property.slot() == null) {
                continue;
            }
            var items = Things.items(property, thing).stream()
                    .filter(item -> !Things.shape(item).scoped(item))
                    .toList();
            var beside = Things.items(before, property.name()).stream()
                    .filter(item -> !Things.shape(item).scoped(item))
                    .toList();
            var pairs = pairs(items, beside);
            for (var item : items) {
                var known = pairs.get(Identities.idOf(item));
                if (known == null) {
                    open.add(item);
                } else {
                    bind(item, known);
                    inside(item, known, open);
                }
            }
        }
    }

    /** What is new where it stands may have been elsewhere in the definition; else what is in it may have been. */
    private void moved(Object item, Elsewhere elsewhere, Deque<Object> open) {
        var known = elsewhere.find(item, was.get(Identities.idOf(item)), this::matchable);
        if (known != null) {
            bind(item, known);
            inside(item, known, open);
            return;
        }
        for (var property : Things.of(item).properties()) {
            Things.items(property, item).stream()
                    .filter(each -> !Things.shape(each).scoped(each))
                    .forEach(open::add);
        }
    }

    private boolean matchable(Object thing, Object before) {
        var id = Identities.idOf(thing);
        var known = Identities.idOf(before);
        return (Identities.lacks(id) || open.matchable(known))
                && !taken.contains(known)
                && (!mine.contains(known) || id.equals(known))
                && open.candidates().test(known);
    }

    /** Things side by side with those that were, by the ids of the first. */
    private Map<String, Object> pairs(List<Object> items, List<Object> beside) {
        var pairs = new HashMap<String, Object>();
        var before = new LinkedHashMap<String, Object>();
        beside.forEach(each -> before.putIfAbsent(Identities.idOf(each), each));
        var rest = new ArrayList<Object>();
        for (var item : items) {
            var same = before.get(Identities.idOf(item));
            if (same != null && same.getClass() == item.getClass()) {
                pairs.put(Identities.idOf(item), same);
                before.remove(Identities.idOf(item));
            } else {
                rest.add(item);
            }
        }
        if (rest.isEmpty() || before.isEmpty()) {
            return pairs;
        }
        byName(rest, new ArrayList<>(before.values()), pairs);
        contents.match(items, beside, pairs, this::matchable);
        return pairs;
    }

    private void byName(List<Object> items, List<Object> beside, Map<String, Object> pairs) {
        var named = new HashMap<String, Object>();
        for (var each : beside) {
            ContentMatching.key(each).ifPresent(key -> named.putIfAbsent(key, each));
        }
        var said = said(items, named, pairs);
        for (var item : items) {
            ContentMatching.key(item).ifPresent(key -> {
                var id = Identities.idOf(item);
                var known = named.get(said.getOrDefault(id, key));
                boolean free = known != null && (said.containsKey(id) || !said.containsValue(key));
                if (free && known.getClass() == item.getClass() && matchable(item, known)) {
                    pairs.put(id, known);
                }
            });
        }
    }

    /**
     * Of what files say of earlier keys, what still holds: a file may say it long after. It holds where nothing had the key
     * of now before, or what had it says that it has another now; so keys can be exchanged.
     */
    private Map<String, String> said(List<Object> items, Map<String, Object> named, Map<String, Object> pairs) {
        var said = new HashMap<String, String>();
        var keys = new HashMap<String, String>();
        for (var item : items) {
            var id = Identities.idOf(item);
            var key = was.get(id);
            if (key != null && named.containsKey(key)) {
                said.put(id, key);
                keys.put(id, ContentMatching.key(item).orElse(""));
            }
            if (key != null && !pairs.containsKey(id)) {
                unfound.put(id, item);
            }
        }
        boolean again = !said.isEmpty();
        while (again) {
            var left = Set.copyOf(said.values());
            again = said.keySet().removeIf(id -> named.containsKey(keys.get(id)) && !left.contains(keys.get(id)));
        }
        return said;
    }
}
