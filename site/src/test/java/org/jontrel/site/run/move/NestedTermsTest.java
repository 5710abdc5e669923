package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
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
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** Texts whose parts become terms that stand under one another. */
public class NestedTermsTest extends MovesCase {
    private static final Decision NEST = nest(">");
    private static final Field ONE = field("made_of", new Kind.TermPick("xwoods", Kind.Amount.ONE));
    private static final Field SEVERAL = field("made_of", new Kind.TermPick("xwoods", MANY));

    private static Decision nest(String separator) {
        return decide("fmade_of", Decision.Topic.UNCONVERTED, Decision.Action.NEST, separator);
    }

    private static Taxonomy materials(boolean hierarchical, Term... terms) {
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

    private static Model with(Taxonomy materials, Field... fields) {
        var all = new ArrayList<Definition>(Moorings.model(fields).definitions());
        all.add(materials);
        return new Model(all);
    }

    private static Model model(Field field) {
        return with(materials(true), field);
    }

    private long term(String label, long parent) {
        var write = Write.fresh("xwoods", RecordState.PUBLISHED, Map.of("label", label), "ben");
        var placed = parent == 0 ? write : write.under(new Link("xwoods", parent));
        return TestSite.stored(test.site().records().save(placed)).id();
    }

    private Optional<StoredRecord> material(long id) {
        return test.site().records().byId("xwoods", id);
    }

    private String path(long id) {
        var term = material(id).orElseThrow();
        return term.parent().map(above -> path(above.id()) + "/").orElse("") + term.title();
    }

    /** The paths of all terms, in the order of their words. */
    private List<String> paths() {
        assertEquals(test.site().drift().look(), List.of());
        return test.site().records().all("xwoods", 100).stream()
                .map(each -> path(each.id()))
                .sorted()
                .toList();
    }

    /** The paths of the terms that each mooring leads to. */
    private Map<String, List<String>> led() {
        var all = new LinkedHashMap<String, List<String>>();
        for (var record : test.site().records().all("tmooring", 100)) {
            var value = record.values().get("fmade_of");
            var ids = value == null ? List.of() : value instanceof List<?> list ? list : List.of(value);
            all.put(record.title(), ids.stream().map(id -> path((Long) id)).toList());
        }
        return all;
    }

    private PlanQuestion asked(Model to, Decision... decisions) {
        return plan(to, decisions).asks().stream()
                .filter(each -> each.about() == Decision.Topic.UNCONVERTED)
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void namesOfSeveralLevelsBecomeTermsUnderOneAnother() throws SQLException {
        test.install("1.0.0", model(text("made_of")));
        long wood = term("Wood", 0);
        long oak = term("Oak", wood);
        save("A", Map.of("made_of", "Wood > Oak"));
        save("B", Map.of("made_of", "wood>elm"));
        save("C", Map.of("made_of", "WOOD > Elm > Red elm"));
        save("D", Map.of("made_of", "Stone > Granite"));
        save("E", Map.of("made_of", "Stone"));
        save("F", Map.of("made_of", "Oak"));
        save("G", Map.of());
        var ask = asked(model(ONE));
        assertEquals(ask.choices().getFirst(), Decision.Action.NEST);
        assertEquals(ask.proposed(), ">");
        assertEquals(ask.rows(), 5);
        assertEquals(asked(model(ONE), NEST).rows(), 4, "a path that is there is found");
        var before = Dump.of(test.source());
        test.install("2.0.0", model(ONE), NEST);
        assertEquals(paths(), List.of("Stone", "Stone/Granite", "Wood", "Wood/Oak", "Wood/elm", "Wood/elm/Red elm"));
        var led = Map.of(
                "A", List.of("Wood/Oak"),
                "B", List.of("Wood/elm"),
                "C", List.of("Wood/elm/Red elm"),
                "D", List.of("Stone/Granite"),
                "E", List.of("Stone"),
                "F", List.of("Wood/Oak"),
                "G", List.<String>of());
        assertEquals(led(), led);
        var after = Dump.of(test.source());
        var run = test.last();
        test.undo(run);
        assertEquals(Dump.of(test.source()).get("mooring"), before.get("mooring"));
        assertEquals(paths(), List.of("Wood", "Wood/Oak"));
        test.undo(test.last());
        assertEquals(Dump.of(test.source()), after);
        assertEquals(led(), led);
        assertEquals(material(oak).orElseThrow().version(), 1);
    }

    @Test
    public void whatWasEnteredSinceGoesBackAsAPath() {
        test.install("1.0.0", model(text("made_of")));
        long a = save("A", Map.of("made_of", "Wood > Oak"));
        long b = save("B", Map.of("made_of", "Stone > Granite"));
        test.install("2.0.0", model(ONE), NEST);
        var granite = test.site().records().all("xwoods", 100).stream()
                .filter(each -> each.title().equals("Granite"))
                .findFirst()
                .orElseThrow();
        test.edit("tmooring", a, Map.of("title", "A", "made_of", granite.id()));
        long red = term("Red granite", granite.id());
        test.edit("tmooring", b, Map.of("title", "B", "made_of", red));
        var run = test.last();
        test.undo(run);
        assertEquals(
                values(), Map.of("A", "{made_of=Stone > Granite}", "B", "{made_of=Stone > Granite > Red granite}"));
        test.undo(test.last());
        assertEquals(led(), Map.of("A", List.of("Stone/Granite"), "B", List.of("Stone/Granite/Red granite")));
    }

    /** A term that people have put something under stays, and so does what it stands under itself. */
    @Test
    public void undoLeavesWhatPeoplesTermsStandUnder() throws SQLException {
        test.install("1.0.0", model(text("made_of")));
        save("A", Map.of("made_of", "Wood > Oak > Bog oak"));
        save("B", Map.of("made_of", "Stone > Granite"));
        test.install("2.0.0", model(ONE), NEST);
        var oak = test.site().records().all("xwoods", 100).stream()
                .filter(each -> each.title().equals("Oak"))
                .findFirst()
                .orElseThrow();
        term("Sessile oak", oak.id());
        test.undo(test.last());
        assertEquals(paths(), List.of("Wood", "Wood/Oak", "Wood/Oak/Sessile oak"));
        test.undo(test.last());
        assertEquals(
                paths(),
                List.of("Stone", "Stone/Granite", "Wood", "Wood/Oak", "Wood/Oak/Bog oak", "Wood/Oak/Sessile oak"));
        assertEquals(led(), Map.of("A", List.of("Wood/Oak/Bog oak"), "B", List.of("Stone/Granite")));
    }

    @Test
    public void severalNamesInATextEachHaveTheirLevels() throws SQLException {
        start(text("made_of"));
        save("A", Map.of("made_of", "Wood / Oak, Stone / Granite"));
        save("B", Map.of("made_of", "Stone / Oak"));
        var split = decide("fmade_of", Decision.Topic.SPLIT_TEXTS, Decision.Action.SPLIT, ",");
        assertEquals(asked(model(SEVERAL), split).proposed(), " / ");
        var before = Dump.of(test.source());
        test.install("2.0.0", model(SEVERAL), split, nest("/"));
        assertEquals(paths(), List.of("Stone", "Stone/Granite", "Stone/Oak", "Wood", "Wood/Oak"));
        assertEquals(led(), Map.of("A", List.of("Wood/Oak", "Stone/Granite"), "B", List.of("Stone/Oak")));
        test.undo(test.last());
        assertEquals(Dump.of(test.source()), before);
    }

    /** The terms that the definition begins with are made in the same switch: what the texts name goes under them. */
    @Test
    public void termsThatTheDefinitionBeginsWithAreTheirPlaces() throws SQLException {
        start(text("made_of"));
        save("A", Map.of("made_of", "wood > ash"));
        save("B", Map.of("made_of", "Wood > Oak > Bog oak"));
        save("C", Map.of("made_of", "Ash > Oak"));
        var beginning = materials(
                true,
                new Term(
                        "wwood",
                        "wood",
                        "Wood",
                        Map.of(),
                        List.of(new Term("wash", "ash", "Ash", Map.of(), List.of()))));
        expect(with(beginning, ONE), null, NEST);
        test.undo(test.last());
        assertEquals(paths(), List.of("Ash", "Ash/Oak", "Wood", "Wood/Ash", "Wood/Oak", "Wood/Oak/Bog oak"));
        assertEquals(
                led(), Map.of("A", List.of("Wood/Ash"), "B", List.of("Wood/Oak/Bog oak"), "C", List.of("Ash/Oak")));
    }

    @Test
    public void namesThatAreNoPathStayHeldOrAreWhatIsLeftOfThem() throws SQLException {
        test.install("1.0.0", model(text("made_of")));
        term("Stone", 0);
        term("Stone", 0);
        save("A", Map.of("made_of", "Stone > Granite"));
        save("B", Map.of("made_of", "> > Wood >"));
        save("C", Map.of("made_of", ">>"));
        save("D", Map.of("made_of", String.join(" > ", Collections.nCopies(13, "Deep"))));
        save("E", Map.of("made_of", "Wood > " + "x".repeat(201)));
        save("F", Map.of("made_of", "Wood > Elm"));
        var plan = plan(model(ONE), NEST);
        assertTrue(plan.runnable());
        assertEquals(
                plan.findings().stream()
                        .filter(each -> each.code() == Code.PLAN_NAMES_UNMADE)
                        .map(each -> each.sentence().split(" of ")[0])
                        .toList(),
                List.of("4 values"));
        var before = Dump.of(test.source());
        test.install("2.0.0", model(ONE), NEST);
        assertEquals(paths(), List.of("Stone", "Stone", "Wood", "Wood/Elm"));
        var nothing = List.<String>of();
        assertEquals(
                led(),
                Map.of(
                        "A",
                        nothing,
                        "B",
                        List.of("Wood"),
                        "C",
                        nothing,
                        "D",
                        nothing,
                        "E",
                        nothing,
                        "F",
                        List.of("Wood/Elm")));
        test.undo(test.last());
        assertEquals(Dump.of(test.source()).get("mooring"), before.get("mooring"));
    }

    @Test
    public void flatTaxonomiesAndAnswersThatSayNoSeparatorAreAsked() {
        start(text("made_of"));
        save("A", Map.of("made_of", "Wood > Oak"));
        var flat = asked(with(materials(false), ONE), NEST);
        assertFalse(flat.choices().contains(Decision.Action.NEST));
        assertEquals(flat.proposed(), "");
        assertTrue(flat.decision().isEmpty());
        assertTrue(asked(model(ONE), nest("")).decision().isEmpty());
        assertTrue(asked(model(ONE), NEST).decision().isPresent());
    }

    /** A corrected name is a path as well, and one that is set aside is none. */
    @Test
    public void correctedNamesAreTakenApart() throws SQLException {
        start(text("made_of"));
        save("A", Map.of("made_of", "oak (wood)"));
        save("B", Map.of("made_of", "unknown > material"));
        save("C", Map.of("made_of", "Wood > Elm"));
        var corrected = new Decision(
                "fmade_of",
                Decision.Topic.UNCONVERTED,
                Decision.Action.NEST,
                ">",
                List.of(
                        new Decision.Correction("oak (wood)", "Wood > Oak"),
                        new Decision.Correction("unknown > material", "")));
        test.install("2.0.0", model(ONE), corrected);
        assertEquals(paths(), List.of("Wood", "Wood/Elm", "Wood/Oak"));
        assertEquals(led().get("A"), List.of("Wood/Oak"));
        assertEquals(led().get("B"), List.of());
    }

    /** What the plan tells of a record is what its run makes. */
    @Test
    public void samplesSayTheLabelsThatAreMade() {
        start(text("made_of"));
        save("A", Map.of("made_of", "Wood > Oak"));
        var sampled = test.site()
                .runs()
                .samples(new Runs.RunTarget("2.0.0", model(ONE), List.of(NEST)), Duration.ofMinutes(1), 5);
        assertEquals(sampled.getFirst().records().getFirst().after().get("fmade_of"), "Oak");
    }
}
