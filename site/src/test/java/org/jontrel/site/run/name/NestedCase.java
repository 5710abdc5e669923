package org.jontrel.site.run.name;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.plan.PlanQuestion;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.move.MovesCase;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;

/** A site with moorings whose texts have parts that become terms under one another. */
abstract class NestedCase extends MovesCase {
    static final Decision NEST = nest(">");
    static final Field ONE = field("made_of", new Kind.TermPick("xwoods", Kind.Amount.ONE));
    static final Field SEVERAL = field("made_of", new Kind.TermPick("xwoods", MANY));

    static Decision nest(String separator) {
        return decide("fmade_of", Decision.Topic.UNCONVERTED, Decision.Action.NEST, separator);
    }

    static Taxonomy materials(boolean hierarchical, Term... terms) {
        return new Taxonomy(
                "xwoods",
                "material",
                "Material",
                "Materials",
                "",
                "",
                hierarchical,
                false,
                List.of(),
                List.of(),
                List.of(terms));
    }

    static Model with(Taxonomy materials, Field... fields) {
        var all = new ArrayList<Definition>(Moorings.model(fields).definitions());
        all.add(materials);
        return new Model(all);
    }

    static Model model(Field field) {
        return with(materials(true), field);
    }

    long term(String label, long parent) {
        var write = Write.fresh("xwoods", RecordState.PUBLISHED, Map.of("label", label), "ben");
        var placed = parent == 0 ? write : write.under(new Link("xwoods", parent));
        return TestSite.stored(test.site().records().save(placed)).id();
    }

    Optional<StoredRecord> material(long id) {
        return test.site().records().byId("xwoods", id);
    }

    String path(long id) {
        var term = material(id).orElseThrow();
        return term.parent().map(above -> path(above.id()) + "/").orElse("") + term.title();
    }

    /** The paths of all terms, in the order of their words. */
    List<String> paths() {
        assertEquals(test.site().drift().look(), List.of());
        return test.site().records().all("xwoods", 100).stream()
                .map(each -> path(each.id()))
                .sorted()
                .toList();
    }

    /** The paths of the terms that each mooring leads to. */
    Map<String, List<String>> led() {
        var all = new LinkedHashMap<String, List<String>>();
        for (var record : test.site().records().all("tmooring", 100)) {
            var value = record.values().get("fmade_of");
            var ids = value == null ? List.of() : value instanceof List<?> list ? list : List.of(value);
            all.put(record.title(), ids.stream().map(id -> path((Long) id)).toList());
        }
        return all;
    }

    PlanQuestion asked(Model to, Decision... decisions) {
        return plan(to, decisions).asks().stream()
                .filter(each -> each.about() == Decision.Topic.UNCONVERTED)
                .findFirst()
                .orElseThrow();
    }
}
