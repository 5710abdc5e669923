package org.jontrel.core.plan;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.Samples;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.TaxonomyUse;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Fields that go are proposed to the new ones that mean the same. */
public class SourceProposalTest {
    private static final Taxonomy CONDITION = new Taxonomy(
            "xstate",
            "state_of_repair",
            "Condition",
            "Conditions",
            "",
            "",
            false,
            false,
            List.of(),
            List.of(),
            List.of());

    private static Field choice(String id, String key, String label) {
        return new Field(
                id, key, label, "", false, new Kind.Choice(List.of(new Kind.Option("ogood", "good", "Good", false))));
    }

    private static Model model(List<TaxonomyUse> taxonomies, Field... fields) {
        var type = Samples.MOORING.withSections(List.of(new Group("gone", "One", "", List.of(fields))));
        return new Model(List.<Definition>of(CONDITION, uses(type, taxonomies)));
    }

    private static ContentType uses(ContentType type, List<TaxonomyUse> taxonomies) {
        return new ContentType(
                type.id(),
                type.key(),
                type.singular(),
                type.plural(),
                type.description(),
                type.icon(),
                type.path(),
                type.wordings(),
                type.parts(),
                type.partLabels(),
                type.sections(),
                taxonomies,
                type.index(),
                type.nesting(),
                type.publishing(),
                type.columns(),
                type.head());
    }

    @DataProvider
    public Object[][] fields() {
        var condition = choice("fcond", "condition", "Condition");
        var other = choice("fother", "grade", "condition");
        var keyed = choice("fkeyed", "state_of_repair", "Grade");
        return new Object[][] {
            {List.of(condition), Set.of("fcond")},
            {List.of(choice("fother", "grade", "Grade")), Set.of()},
            {List.of(condition, other), Set.of()},
            {List.of(condition, keyed), Set.of("fkeyed")},
        };
    }

    /** A choice that goes and a taxonomy that comes are the same where they are called so; of several, none is picked. */
    @Test(dataProvider = "fields")
    public void aTaxonomyTakesWhatHasItsNameOrItsKey(List<Field> go, Set<String> proposed) {
        var keep = choice("fkeep", "kept", "Kept");
        var before = new ArrayList<>(go);
        before.add(keep);
        var all = SourceProposal.all(
                model(List.of(), before.toArray(Field[]::new)),
                model(List.of(new TaxonomyUse("xstate", true, 1, false)), keep));
        assertEquals(all, proposed.isEmpty() ? Map.of() : Map.of("xstate", proposed));
    }
}
