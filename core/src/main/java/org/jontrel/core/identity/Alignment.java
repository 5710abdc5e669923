package org.jontrel.core.identity;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;

/**
 * Models brought under the same ids, whether their files have ids or not: the same thing has the same id in each. An id that
 * any of them has stays; only what none has an id for gets one that is made up.
 *
 * @param sides the models, in the order they came in
 * @param given for each the ids that were put in the place of others
 * @param madeUp ids that no file gave
 * @param differing things to which two sides gave different ids; they have the first here
 * @param unfound for each model the earlier keys that its files give and nothing had, by the id in the model as it was read
 */
public record Alignment(
        List<Model> sides,
        List<Map<String, String>> given,
        Set<String> madeUp,
        List<Identities.Differing> differing,
        List<Map<String, String>> unfound) {

    /** A model as it was read, and the keys that its files say things had before. */
    public record Side(Model model, Map<String, String> was) {}

    /** Two models, of which the first came before. */
    public static Alignment of(Side before, Side after, Ids ids) {
        return of(before, after, new Side(Model.EMPTY, Map.of()), ids);
    }

    /** Two models and the one that both come from. */
    public static Alignment of(Side base, Side ours, Side theirs, Ids ids) {
        var first = new Identities(Model.EMPTY, ids);
        var root = first.complete(base.model(), base.was());
        var madeUp = new LinkedHashSet<>(first.given().values());

        var second = new Identities(root, new Identities.Openness(madeUp, Set.of(), _ -> true), ids);
        var here = second.complete(ours.model(), ours.was());
        var newHere = new LinkedHashSet<>(second.given().values());
        newHere.removeAll(idsOf(root));

        var root2 = Identities.renamed(root, second.adopted());
        var still = new LinkedHashSet<>(madeUp);
        still.removeAll(second.adopted().keySet());
        var late = Set.copyOf(second.adopted().values());
        var third = new Identities(root2, new Identities.Openness(still, late, _ -> true), ids);
        var matched = third.matched(theirs.model(), theirs.was());
        var root3 = Identities.renamed(root2, third.adopted());
        var here2 = Identities.renamed(here, third.adopted());

        // what both sides added under one name is one thing
        var known = idsOf(root3);
        var fourth = new Identities(here2, new Identities.Openness(newHere, Set.of(), id -> !known.contains(id)), ids);
        var there = fourth.complete(matched, renamedKeys(theirs.was(), third.given()));

        still.removeAll(third.adopted().keySet());
        still.addAll(newHere);
        fourth.given().values().stream().filter(id -> !known.contains(id)).forEach(still::add);
        still.removeAll(fourth.adopted().keySet());
        still.removeAll(fourth.adopted().values());
        var differing = new ArrayList<>(third.differing());
        differing.addAll(fourth.differing());
        return new Alignment(
                List.of(root3, Identities.renamed(here2, fourth.adopted()), there),
                List.of(
                        chain(chain(first.given(), second.adopted()), third.adopted()),
                        chain(chain(second.given(), third.adopted()), fourth.adopted()),
                        chain(third.given(), fourth.given())),
                still,
                differing,
                List.of(Map.of(), second.unfound(), third.unfound()));
    }

    private static Set<String> idsOf(Model model) {
        var ids = new HashSet<String>();
        model.definitions().forEach(definition -> {
            ids.add(definition.id());
            Things.within(definition, thing -> {
                if (!Things.shape(thing).scoped(thing)) {
                    ids.add(Identities.idOf(thing));
                }
            });
        });
        return ids;
    }

    private static Map<String, String> renamedKeys(Map<String, String> was, Map<String, String> given) {
        var renamed = new HashMap<String, String>();
        was.forEach((id, key) -> renamed.put(given.getOrDefault(id, id), key));
        return renamed;
    }

    /** What the second puts in the place of what the first has put, and what it puts itself. */
    private static Map<String, String> chain(Map<String, String> first, Map<String, String> second) {
        var chained = new HashMap<>(second);
        first.forEach((from, to) -> chained.put(from, second.getOrDefault(to, to)));
        return chained;
    }
}
