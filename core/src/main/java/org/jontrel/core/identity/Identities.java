package org.jontrel.core.identity;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.shape.ReadContext;

/**
 * Gives ids to what was written by hand without: the id of the same thing in an earlier model (see {@link Matching} for
 * which that is), else a new one. Where the earlier model was written without ids and this one has them, these are the ids
 * of both. Costs as much as the models are large.
 */
public final class Identities {
    private final Model earlier;
    private final Openness open;
    private final Ids ids;
    private final Map<String, String> given = new LinkedHashMap<>();
    private final Map<String, String> adopted = new LinkedHashMap<>();
    private final List<Differing> differing = new ArrayList<>();
    private final Map<String, String> unfound = new LinkedHashMap<>();

    public Identities(Model earlier, Ids ids) {
        this(earlier, Openness.NONE, ids);
    }

    Identities(Model earlier, Openness open, Ids ids) {
        this.earlier = earlier;
        this.open = open;
        this.ids = ids;
    }

    /**
     * Which ids of the earlier model do not tell its things apart for good.
     *
     * @param madeUp ids that no file gave: another model's take their place
     * @param late ids that one side gave to what had none: another side may have given others
     * @param candidates the ids whose things may be matched at all
     */
    record Openness(Set<String> madeUp, Set<String> late, Predicate<String> candidates) {
        static final Openness NONE = new Openness(Set.of(), Set.of(), _ -> true);

        boolean matchable(String id) {
            return madeUp.contains(id) || late.contains(id);
        }
    }

    /** A thing to which two sides gave different ids after both had it without. */
    public record Differing(Object thing, String earlierId, String ownId) {}

    /** The model with an id for everything. */
    public Model complete(Model model) {
        return complete(model, Map.of());
    }

    /** @param was keys that things had before, by the id they have now */
    public Model complete(Model model, Map<String, String> was) {
        match(model, was);
        model.definitions().forEach(this::giveAll);
        return given.isEmpty() ? model : renamed(model, given);
    }

    /** Finds what is the same without giving ids to what is new. */
    Model matched(Model model, Map<String, String> was) {
        match(model, was);
        return given.isEmpty() ? model : renamed(model, given);
    }

    public <D extends Definition> D complete(D definition) {
        match(new Model(List.of(definition)), Map.of());
        giveAll(definition);
        return mapped(definition, new Renaming(given));
    }

    /** A group with ids for everything in it. */
    public Group complete(Group group) {
        give(group);
        Things.within(group, this::give);
        return (Group) renamed(group, given);
    }

    private void match(Model model, Map<String, String> was) {
        if (model.definitions().isEmpty()) {
            return;
        }
        var matching = new Matching(earlier, model, was, open, this::bind);
        matching.run();
        matching.unfound().forEach(thing -> unfound.put(idOf(thing), was.get(idOf(thing))));
    }

    /** Two things are the same: one id for both. */
    private void bind(Object thing, Object before) {
        var id = idOf(thing);
        var known = idOf(before);
        if (lacks(id)) {
            given.put(id, known);
        } else if (open.madeUp().contains(known)) {
            adopted.put(known, id);
        } else if (!id.equals(known)) {
            differing.add(new Differing(thing, known, id));
            given.put(id, known);
        }
    }

    private void giveAll(Definition definition) {
        give(definition);
        Things.within(definition, this::give);
    }

    private void give(Object thing) {
        var shape = Things.shape(thing);
        if (!shape.scoped(thing) && lacks(shape.id(thing))) {
            given.computeIfAbsent(shape.id(thing), _ -> ids.next(letter(thing)));
        }
    }

    /** What stands in the place of ids that no file gave: it is not written, and names tell things apart again. */
    public static Map<String, String> forgotten(Set<String> ids) {
        var places = new HashMap<String, String>();
        ids.stream().sorted().forEach(id -> places.put(id, ReadContext.GIVEN_HERE + (places.size() + 1)));
        return places;
    }

    /** A thing with other ids in the place of some, wherever they stand in it. */
    public static Object renamed(Object thing, Map<String, String> ids) {
        return Things.shape(thing).map(thing, new Renaming(ids));
    }

    /** The model with other ids in the place of some, wherever they stand. */
    public static Model renamed(Model model, Map<String, String> ids) {
        if (ids.isEmpty()) {
            return model;
        }
        var renaming = new Renaming(ids);
        return new Model(model.definitions().stream()
                .map(definition -> Identities.mapped(definition, renaming))
                .toList());
    }

    /** The ids that were given, by what stood in their place. */
    public Map<String, String> given() {
        return given;
    }

    /** The ids that the model had for things of the earlier one, by the made-up ones that stood there. */
    Map<String, String> adopted() {
        return adopted;
    }

    /** Earlier keys that nothing had, by what stood in the place of the id of the thing that says so. */
    Map<String, String> unfound() {
        return unfound;
    }

    List<Differing> differing() {
        return differing;
    }

    private static <D extends Definition> D mapped(D definition, Renaming renaming) {
        return Shapes.of(definition).map(definition, renaming);
    }

    static boolean lacks(String id) {
        return id.startsWith(ReadContext.GIVEN_HERE);
    }

    static String idOf(Object thing) {
        return Things.shape(thing).id(thing);
    }

    private static char letter(Object thing) {
        return switch (thing) {
            case Definition definition -> definition.sort().letter();
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
