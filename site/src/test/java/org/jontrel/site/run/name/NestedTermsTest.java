package org.jontrel.site.run.name;

import static org.testng.Assert.assertEquals;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.site.testing.Dump;
import org.testng.annotations.Test;

/** Texts whose parts become terms that stand under one another. */
public class NestedTermsTest extends NestedCase {
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
}
