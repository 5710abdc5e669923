package org.jontrel.core.code;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.model.Block;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Ids;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.Term;
import org.jontrel.core.shape.Reading;
import org.jontrel.core.shape.Sense;
import org.jontrel.core.shape.Shapes;
import org.jontrel.core.shape.ThingShape;
import org.jontrel.core.shape.Things;

/**
 * Gives ids to what was written by hand without: the id of the thing with the same key in an earlier model, else of
 * the one with the key the file says it had, else a new one.
 */
public final class Identities {
    private final Model earlier;
    private final Ids ids;
    private final Map<String, String> given = new HashMap<>();
    private final Set<String> claimed = new HashSet<>();
    private Map<String, String> was = Map.of();

    public Identities(Model earlier, Ids ids) {
        this.earlier = earlier;
        this.ids = ids;
    }

    /** The model with an id for everything. */
    public Model complete(Model model) {
        return complete(model, Map.of());
    }

    /** @param earlierKeys keys that things had before, by the id they have now */
    public Model complete(Model model, Map<String, String> earlierKeys) {
        was = earlierKeys;
        model.definitions().forEach(this::claimAll);
        model.definitions().forEach(this::match);
        if (given.isEmpty()) {
            return model;
        }
        return renamed(model, given);
    }

    public <D extends Definition> D complete(D definition) {
        claimAll(definition);
        match(definition);
        return mapped(definition, new Renaming(given));
    }

    /** What stands in the place of ids that no file gave: it is not written, and names tell things apart again. */
    public static Map<String, String> forgotten(Set<String> ids) {
        var places = new HashMap<String, String>();
        ids.stream().sorted().forEach(id -> places.put(id, Reading.GIVEN_HERE + (places.size() + 1)));
        return places;
    }

    /** A group with ids for everything in it. */
    public Group complete(Group group) {
        var owner = new SharedGroup("g00000000", "key", group.title(), "", List.of());
        claim(group);
        Things.within(group, this::claim);
        give(group.id(), Optional.empty(), 'g');
        matchInside(group, null, owner);
        return (Group) renamed(group, given);
    }

    /** A thing with other ids in the place of some, wherever they stand in it. */
    public static Object renamed(Object thing, Map<String, String> ids) {
        return Things.shape(thing).map(thing, new Renaming(ids));
    }

    /** The model with other ids in the place of some, wherever they stand. */
    public static Model renamed(Model model, Map<String, String> ids) {
        var renaming = new Renaming(ids);
        return new Model(model.definitions().stream()
                .map(definition -> Identities.mapped(definition, renaming))
                .toList());
    }

    /** The ids that were given, by what stood in their place. */
    public Map<String, String> given() {
        return given;
    }

    private static <D extends Definition> D mapped(D definition, Renaming renaming) {
        return Shapes.of(definition).map(definition, renaming);
    }

    private static boolean lacks(String id) {
        return id.startsWith(Reading.GIVEN_HERE);
    }

    /** Ids that files give belong to nobody else. */
    private void claim(Object thing) {
        var shape = Things.shape(thing);
        if (!shape.scoped(thing) && !lacks(shape.id(thing))) {
            claimed.add(shape.id(thing));
        }
    }

    private void claimAll(Definition definition) {
        claim(definition);
        Things.within(definition, this::claim);
    }

    private void match(Definition definition) {
        var known = lacks(definition.id())
                ? find(definition, definition.key())
                        .or(() -> Optional.ofNullable(was.get(definition.id())).flatMap(key -> find(definition, key)))
                : earlier.definition(definition.id());
        give(definition.id(), known.map(Definition::id), definition.sort().letter());
        matchInside(definition, known.orElse(null), known.orElse(null));
    }

    private Optional<Definition> find(Definition like, String key) {
        return earlier.definitions().stream()
                .filter(each -> each.sort() == like.sort() && each.key().equals(key))
                .filter(each -> !claimed.contains(each.id()))
                .map(Definition.class::cast)
                .findFirst();
    }

    private void give(String id, Optional<String> known, char letter) {
        if (lacks(id)) {
            var chosen = known.orElseGet(() -> ids.next(letter));
            claimed.add(chosen);
            given.put(id, chosen);
        }
    }

    /** @param before the thing as it was, or {@code null}; @param whole the definition as it was, or {@code null} */
    private void matchInside(Object thing, Object before, Object whole) {
        for (var property : Things.of(thing).properties()) {
            var beside = before == null ? List.<Object>of() : Things.items(before, property.name());
            for (var each : Things.items(property, thing)) {
                matchItem(each, beside, whole);
            }
        }
    }

    private void matchItem(Object item, List<Object> beside, Object whole) {
        var shape = Things.shape(item);
        if (shape.scoped(item)) {
            return;
        }
        var known = known(shape, item, beside).or(() -> whole == null ? Optional.empty() : elsewhere(item, whole));
        give(shape.id(item), known.map(Identities::idOf), letter(item));
        matchInside(item, known.orElse(null), whole);
    }

    private Optional<Object> known(ThingShape<Object> shape, Object thing, List<Object> beside) {
        var id = shape.id(thing);
        if (!lacks(id)) {
            return beside.stream().filter(each -> idOf(each).equals(id)).findFirst();
        }
        return named(beside, name(thing))
                .or(() -> Optional.ofNullable(was.get(id)).flatMap(key -> named(beside, key)));
    }

    private Optional<Object> named(List<Object> beside, String name) {
        return beside.stream()
                .filter(each -> name(each).equals(name) && !claimed.contains(idOf(each)))
                .findFirst();
    }

    /** A field or term of this key that was anywhere else in the definition, where there was only one. */
    private Optional<Object> elsewhere(Object item, Object whole) {
        if (!(item instanceof Field || item instanceof Term)) {
            return Optional.empty();
        }
        var all = new ArrayList<Object>();
        Things.within(whole, thing -> {
            if (thing.getClass() == item.getClass()) {
                all.add(thing);
            }
        });
        var id = idOf(item);
        if (!lacks(id)) {
            return all.stream().filter(each -> idOf(each).equals(id)).findFirst();
        }
        var names = List.of(name(item), was.getOrDefault(id, name(item)));
        var found = all.stream()
                .filter(each -> names.contains(name(each)) && !claimed.contains(idOf(each)))
                .toList();
        return found.size() == 1 ? Optional.of(found.getFirst()) : Optional.empty();
    }

    private static String idOf(Object thing) {
        return Things.shape(thing).id(thing);
    }

    /** What a thing is found by: its key, or what people call it. */
    private static String name(Object thing) {
        var shape = Things.of(thing);
        return shape.properties().stream()
                .filter(property -> property.sense() == Sense.NAME)
                .findFirst()
                .map(property -> String.valueOf(property.written(thing)))
                .orElseGet(() -> shape.label(thing));
    }

    private static char letter(Object thing) {
        return switch (thing) {
            case Field _ -> 'f';
            case Group _ -> 'g';
            case Kind.Option _ -> 'o';
            case Kind.Inverse _ -> 'i';
            case Term _ -> 'w';
            case Block _ -> 'b';
            default -> 'z';
        };
    }
}
