package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Term;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.testng.annotations.Test;

/** Texts that become terms in a run, and are had back. */
public class MovedTermsTest extends MovesCase {
    private static final Taxonomy WOODS =
            new Taxonomy("xwoods", "wood", "Wood", "Woods", "", "", false, false, List.of(), List.of(), List.of());

    private static Taxonomy starting(Term term) {
        return new Taxonomy(
                "xwoods", "wood", "Wood", "Woods", "", "", true, false, List.of(), List.of(), List.of(term));
    }

    private List<String> labels() {
        return test.site().records().all("xwoods", 100).stream()
                .map(term -> String.valueOf(term.values().get("part_title")))
                .sorted()
                .toList();
    }

    /** As {@link #values}, with the labels of terms. */
    private Map<String, List<String>> woods() {
        var all = new LinkedHashMap<String, List<String>>();
        test.site()
                .records()
                .all("tmooring", 100)
                .forEach(record -> all.put(
                        String.valueOf(record.values().get("part_title")),
                        ((List<?>) record.values().getOrDefault("fmade_of", List.of()))
                                .stream()
                                        .map(id -> test.site()
                                                .records()
                                                .byId("xwoods", (Long) id)
                                                .orElseThrow()
                                                .values()
                                                .get("part_title"))
                                        .map(String::valueOf)
                                        .toList()));
        return all;
    }

    @Test
    public void textsBecomeTermsOfATaxonomyThatIsThere() throws SQLException {
        test.install("1.0.0", with(WOODS, text("made_of")));
        long ash = test.save("xwoods", Map.of("label", "Ash")).id();
        test.save("xwoods", Map.of("label", "Oak"));
        save("A", Map.of("made_of", "ash, Oak"));
        save("B", Map.of("made_of", "Oak,TEAK , oake"));
        var teak = save("C", Map.of("made_of", "Teak"));
        save("D", Map.of());
        var terms = with(WOODS, field("made_of", new Kind.TermPick("xwoods", MANY)));
        var split = decide("fmade_of", Decision.Topic.SPLIT_TEXTS, Decision.Action.SPLIT, ",");
        var asks = plan(terms).asks();
        assertEquals(
                asks.stream().map(ask -> ask.finding().code()).toList(),
                List.of(Code.PLAN_TEXTS_SPLIT, Code.PLAN_VALUES_UNCONVERTED));
        assertEquals(asks.getFirst().proposed(), ",");
        assertEquals(asks.getFirst().rows(), 2);
        var unknown = plan(terms, split).asks().getLast();
        assertEquals(unknown.rows(), 3);
        assertEquals(unknown.choices().getFirst(), Decision.Action.MAKE);
        assertFalse(plan(terms, split).runnable());
        var make = new Decision(
                "fmade_of",
                Decision.Topic.UNCONVERTED,
                Decision.Action.MAKE,
                "",
                List.of(new Decision.Correction("oake", "Oak")));
        var before = Dump.of(test.source());
        test.install("2.0.0", terms, split, make);
        assertEquals(
                woods(),
                Map.of("A", List.of("Ash", "Oak"), "B", List.of("Oak", "TEAK"), "C", List.of("TEAK"), "D", List.of()));
        assertEquals(labels(), List.of("Ash", "Oak", "TEAK"));
        var run = test.last();
        test.undo(run);
        assertEquals(labels(), List.of("Ash", "Oak"), "nobody has touched the term that was made");
        assertEquals(Dump.of(test.source()).get("mooring"), before.get("mooring"));
        test.undo(test.last());
        assertEquals(labels(), List.of("Ash", "Oak", "TEAK"));
        assertEquals(woods().get("C"), List.of("TEAK"));
        test.edit("tmooring", teak, Map.of("title", "C", "made_of", List.of(ash)));
        test.undo(run);
        assertEquals(values().get("C"), "{made_of=Ash}");
        assertEquals(values().get("B"), "{made_of=Oak,TEAK , oake}");
    }

    /** The usual case: the taxonomy comes with the release. */
    @Test
    public void textsBecomeTermsOfANewTaxonomy() throws SQLException {
        start(text("made_of"));
        save("A", Map.of("made_of", "Ash"));
        save("B", Map.of("made_of", "ash "));
        save("C", Map.of("made_of", "Birch"));
        expect(
                with(WOODS, field("made_of", new Kind.TermPick("xwoods", Kind.Amount.ONE))),
                null,
                decide("fmade_of", Decision.Topic.UNCONVERTED, Decision.Action.MAKE, ""));
        // what the undo holds comes back, and no term is there twice
        test.install(
                "2.0.0",
                with(WOODS, field("made_of", new Kind.TermPick("xwoods", MANY))),
                decide("xwoods", Decision.Topic.HELD_VALUES, Decision.Action.BRING_BACK, ""),
                decide("fmade_of", Decision.Topic.UNCONVERTED, Decision.Action.MAKE, ""));
        assertEquals(labels(), List.of("Ash", "Birch"));
        assertEquals(woods(), Map.of("A", List.of("Ash"), "B", List.of("Ash"), "C", List.of("Birch")));
        // and back to texts, of their labels
        test.install("3.0.0", with(WOODS, text("made_of")));
        assertEquals(values(), Map.of("A", "{made_of=Ash}", "B", "{made_of=Ash}", "C", "{made_of=Birch}"));
    }

    @Test
    public void termsThatTheDefinitionBeginsWithAreNotMadeTwice() {
        start(text("made_of"));
        save("A", Map.of("made_of", "ash"));
        save("B", Map.of("made_of", "Teak"));
        var starting = starting(new Term(
                "wtree", "tree", "Tree", Map.of(), List.of(new Term("wash", "ash", "Ash", Map.of(), List.of()))));
        var to = with(starting, field("made_of", new Kind.TermPick("xwoods", MANY)));
        assertEquals(plan(to).asks().getFirst().rows(), 1, "only teak is no term");
        test.install(
                "2.0.0",
                with(starting, field("made_of", new Kind.TermPick("xwoods", MANY))),
                decide("fmade_of", Decision.Topic.UNCONVERTED, Decision.Action.MAKE, ""));
        assertEquals(labels(), List.of("Ash", "Teak", "Tree"));
        assertEquals(woods(), Map.of("A", List.of("Ash"), "B", List.of("Teak")));
    }

    private static Model with(Definition more, Field... fields) {
        var all = new ArrayList<Definition>(Moorings.model(fields).definitions());
        all.add(more);
        return new Model(all);
    }

    /** Terms that come with the release are found, also by corrections, though they are not there while values move. */
    @Test
    public void termsThatTheDefinitionBeginsWithAreFound() {
        start(text("made_of"));
        save("A", Map.of("made_of", "ash"));
        save("B", Map.of("made_of", "Esh"));
        save("C", Map.of("made_of", "Teak"));
        var starting = starting(new Term("wash", "ash", "Ash", Map.of(), List.of()));
        test.install(
                "2.0.0",
                with(starting, field("made_of", new Kind.TermPick("xwoods", MANY))),
                new Decision(
                        "fmade_of",
                        Decision.Topic.UNCONVERTED,
                        Decision.Action.SET_ASIDE,
                        "",
                        List.of(new Decision.Correction("Esh", "Ash"))));
        assertEquals(labels(), List.of("Ash"));
        assertEquals(woods(), Map.of("A", List.of("Ash"), "B", List.of("Ash"), "C", List.of()));
    }
}
