package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jontrel.site.testing.Moorings;
import org.testng.annotations.Test;

/** Values that change their place in a run, and are had back. */
public class MovesTest extends MovesCase {
    @Test
    public void oneBecomesMany() throws SQLException {
        start(field("wood", ONE_WOOD));
        save("A", Map.of("wood", "a"));
        save("B", Map.of());
        expect(Moorings.model(field("wood", MANY_WOODS)), Map.of("A", "{wood=[a]}", "B", "{}"));
    }

    @Test
    public void ofManyOneIsTakenAsTheArchitectSays() throws SQLException {
        start(field("wood", MANY_WOODS));
        save("A", Map.of("wood", List.of("b", "a")));
        save("B", Map.of("wood", List.of("b")));
        save("C", Map.of());
        var one = Moorings.model(field("wood", ONE_WOOD));
        var ask = plan(one).asks().getFirst();
        assertEquals(ask.finding().code(), Code.PLAN_VALUES_SEVERAL);
        assertEquals(ask.rows(), 1);
        assertFalse(plan(one).runnable());
        assertEquals(ask.choices(), List.of(Decision.Action.FIRST, Decision.Action.LAST));
        expect(
                one,
                Map.of("A", "{wood=b}", "B", "{wood=b}", "C", "{}"),
                decide("fwood", Decision.Topic.SEVERAL_VALUES, Decision.Action.FIRST, ""));
        expect(
                one,
                Map.of("A", "{wood=a}", "B", "{wood=b}", "C", "{}"),
                decide("fwood", Decision.Topic.SEVERAL_VALUES, Decision.Action.LAST, ""));
    }

    @Test
    public void aTextBecomesRowsAndRowsBecomeAText() throws SQLException {
        start(text("rise"));
        save("A", Map.of("rise", "2.75 m"));
        save("B", Map.of());
        var rows = Moorings.model(rows("rise", text("value"), text("note")));
        expect(rows, Map.of("A", "{rise=[{value=2.75 m}]}", "B", "{}"));
        test.install("2.0.0", rows);
        save("C", Map.of("rise", List.of(Map.of("value", "x", "note", "lost?"), Map.of("value", "y"))));
        expect(
                Moorings.model(text("rise")),
                Map.of("A", "{rise=2.75 m}", "B", "{}", "C", "{rise=x, y}"),
                decide("frise", Decision.Topic.SEVERAL_VALUES, Decision.Action.JOIN, ", "));
    }

    @Test
    public void aTextIsSplitIntoRows() throws SQLException {
        start(field("owners", Kind.LongText.PLAIN));
        save("A", Map.of("owners", "Ada\nBen\n\nCem"));
        var rows = Moorings.model(rows("owners", text("name")));
        assertEquals(plan(rows).asks().getFirst().proposed(), "\\n");
        expect(
                rows,
                Map.of("A", "{owners=[{name=Ada}, {name=Ben}, {name=Cem}]}"),
                decide("fowners", Decision.Topic.SPLIT_TEXTS, Decision.Action.SPLIT, "\\n"));
    }

    /** What was entered since goes back where it can; where it cannot, what was there comes back, and the newer is held. */
    @Test
    public void entriesGoAlongWithAnUndoWhereNothingIsLostByIt() {
        start(field("wood", ONE_WOOD), text("rise"));
        long changed = save("A", Map.of("wood", "a", "rise", "1"));
        long grown = save("B", Map.of("wood", "a"));
        save("C", Map.of("wood", "b"));
        test.install("2.0.0", Moorings.model(field("wood", MANY_WOODS), rows("rise", text("value"))));
        test.edit(
                "tmooring", changed, Map.of("title", "A", "wood", List.of("b"), "rise", List.of(Map.of("value", "2"))));
        test.edit("tmooring", grown, Map.of("title", "B", "wood", List.of("b", "a")));
        save("New", Map.of("wood", List.of("a")));
        var findings =
                test.site().runs().undoPlan(test.last().id()).orElseThrow().findings();
        assertEquals(
                findings.stream().map(Finding::sentence).toList(),
                List.of(
                        "1 value of Wood changed since and cannot be read as choice again. The values from before come back; the newer ones are held.",
                        "1 value of Rise changed since. It is carried over.",
                        "2 values of Wood changed since. They are carried over."));
        test.undo(test.last());
        assertEquals(values(), Map.of("A", "{wood=b, rise=2}", "B", "{wood=a}", "C", "{wood=b}", "New", "{wood=a}"));
    }
}
