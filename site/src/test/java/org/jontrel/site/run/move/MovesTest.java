package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

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

    /** By title, whatever its letters; what is not found is told, and may be corrected. */
    @Test
    public void textsBecomeRelationsToTheRecordsThatTheyName() {
        start(text("next"));
        long a = save("A", Map.of("next", "b"));
        long b = save("B", Map.of("next", "Nowhere"));
        save("C", Map.of("next", "The old one"));
        var relation = Moorings.model(
                field("next", new Kind.Relation(java.util.Set.of("tmooring"), Kind.Amount.ONE, false, false, null)));
        var ask = plan(relation).asks().getFirst();
        assertEquals(ask.finding().code(), Code.PLAN_VALUES_UNCONVERTED);
        assertEquals(ask.rows(), 2);
        test.install(
                "2.0.0",
                relation,
                new Decision(
                        "fnext",
                        Decision.Topic.UNCONVERTED,
                        Decision.Action.SET_ASIDE,
                        "",
                        List.of(new Decision.Correction("The old one", "A"))));
        assertEquals(
                values(),
                Map.of(
                        "A", "{next={type=tmooring, id=" + b + "}}",
                        "B", "{}",
                        "C", "{next={type=tmooring, id=" + a + "}}"));
        test.undo(test.last());
        assertEquals(values(), Map.of("A", "{next=b}", "B", "{next=Nowhere}", "C", "{next=The old one}"));
    }

    private static Decision fill(String field, String formula) {
        return decide(field, Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, formula);
    }

    /** Feet become metres, and a name is made of two: both stay, and nothing is rounded that the formula does not say. */
    @Test
    public void newFieldsAreFilledFromOthers() throws SQLException {
        var feet = field("length_ft", new Kind.Numeric(1, null, null, "ft"));
        start(feet, text("county"));
        save("A", Map.of("length_ft", "10", "county", "Vale"));
        save("B", Map.of("length_ft", "7.5"));
        save("C", Map.of("county", "Tarn"));
        var metres = field("length_m", new Kind.Numeric(2, null, null, "m")).withRequired(true);
        var name = text("name").withRequired(true);
        var to = Moorings.model(feet, text("county"), metres, name);
        var plan = plan(to, fill("flength_m", "round({length_ft} * 0.3048, 2)"), fill("fname", "{title} in {county}"));
        assertTrue(plan.runnable(), plan.toString());
        assertEquals(
                plan.findings().stream()
                        .filter(each -> each.code() == Code.PLAN_FORMULA_EMPTY)
                        .map(Finding::sentence)
                        .toList(),
                List.of(
                        "1 record of Mooring gets no value for Length_m by the formula: a field that it names is empty there, or the field cannot take the result. It is marked incomplete.",
                        "1 record of Mooring gets no value for Name by the formula: a field that it names is empty there, or the field cannot take the result. It is marked incomplete."));
        expect(
                to,
                Map.of(
                        "A", "{length_ft=10.0, county=Vale, length_m=3.05, name=A in Vale}",
                        "B", "{length_ft=7.5, length_m=2.29}",
                        "C", "{county=Tarn, name=C in Tarn}"),
                fill("flength_m", "round({length_ft} * 0.3048, 2)"),
                fill("fname", "{title} in {county}"));
        // 10 ft are 3.048 m, which two decimals do not hold
        assertEquals(
                plan(to, fill("flength_m", "{length_ft} * 0.3048"), fill("fname", "x")).findings().stream()
                        .filter(each -> each.code() == Code.PLAN_FORMULA_EMPTY)
                        .map(each -> each.arguments().get(1))
                        .toList(),
                List.of("3"));
    }

    @Test
    public void formulasThatCannotBeAreRefused() {
        start(text("county"));
        save("A", Map.of("county", "Vale"));
        var metres = field("length_m", new Kind.Numeric(2, null, null, "m")).withRequired(true);
        var to = Moorings.model(text("county"), metres);
        var problems = Map.of(
                "{nowhere} * 2",
                "There is no field \"nowhere\" with a single value in these records.",
                "{county} * 2",
                "County is no number.",
                "{county} times 2",
                "It is no calculation. Write one such as round({length_ft} * 0.3048, 2).",
                "round({county}, 2.5)",
                "It is no calculation. Write one such as round({length_ft} * 0.3048, 2).",
                "(".repeat(20_000) + "{county}",
                "It has more than 500 characters.");
        problems.forEach((formula, problem) -> {
            var plan = plan(to, fill("flength_m", formula));
            assertFalse(plan.runnable());
            assertTrue(plan.findings().stream().anyMatch(each -> each.sentence().contains(problem)), plan.toString());
        });
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
