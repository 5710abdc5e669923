package org.jontrel.site.run.name;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.time.Duration;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Term;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Dump;
import org.testng.annotations.Test;

/** What such texts may say, and what may be there already. */
public class NestedNamesTest extends NestedCase {
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
