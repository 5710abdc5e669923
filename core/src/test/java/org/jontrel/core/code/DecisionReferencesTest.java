package org.jontrel.core.code;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.TreeMap;
import org.jontrel.core.format.Things;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.Model;
import org.testng.annotations.Test;

/** What answers are about can be said by keys, wherever keys lead there and nowhere else. */
public class DecisionReferencesTest {
    private static String resolved(String element, Model model) {
        var decision = new Decision(element, Decision.Topic.UNCONVERTED, Decision.Action.LEAVE, "");
        var migrations = List.of(new Migration("1.0.0", List.of(decision)));
        return DecisionReferences.toIds(migrations, model)
                .getFirst()
                .decisions()
                .getFirst()
                .fieldId();
    }

    @Test
    public void keysAndIdsLeadToTheSameInDrawnModels() {
        var words = new TreeMap<String, Integer>();
        for (int seed = 1; seed <= 60; seed++) {
            var model = new Models(seed).model();
            for (var definition : model.definitions()) {
                var ids = new java.util.ArrayList<>(List.of(definition.id()));
                Things.fields(definition).forEach(field -> ids.add(field.id()));
                for (var id : ids) {
                    var keys = DecisionReferences.toKeys(id, model);
                    assertEquals(resolved(keys, model), id, keys + " of the model " + seed);
                    assertEquals(resolved(id, model), id);
                    words.merge(
                            keys.equals(id)
                                    ? "id"
                                    : "depth "
                                            + keys.chars().filter(c -> c == '.').count(),
                            1,
                            Integer::sum);
                }
            }
        }
        assertEquals(words.containsKey("depth 2"), true, words.toString());
    }

    @Test
    public void whatLeadsNowhereStaysAsItIs() {
        assertEquals(resolved("nothing.there", Model.EMPTY), "nothing.there");
        assertEquals(DecisionReferences.toKeys("f0000000", Model.EMPTY), "f0000000");
    }
}
