package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Kind;
import org.jontrel.core.plan.PlanQuestion;
import org.jontrel.site.testing.Moorings;
import org.testng.annotations.Test;

/** Values that go into rows and out of them in a run, and are had back. */
public class MovedRowsTest extends MovesCase {
    @Test
    public void numberedFieldsBecomeRows() throws SQLException {
        start(text("photo_1"), text("photo_2"), text("photo_10"), text("other"));
        save("A", Map.of("photo_1", "one", "photo_10", "ten"));
        save("B", Map.of("photo_2", "two"));
        save("C", Map.of("other", "x"));
        var rows = Moorings.model(rows("photos", text("name")), text("other"));
        var ask = plan(rows).asks().getFirst();
        assertEquals(ask.finding().code(), Code.PLAN_SOURCES);
        assertEquals(ask.proposed(), "photo_1, photo_2, photo_10");
        assertEquals(ask.rows(), 3);
        var gather = decide("fphotos", Decision.Topic.SOURCES, Decision.Action.GATHER, ask.proposed());
        assertTrue(plan(rows, gather).runnable());
        assertEquals(
                plan(rows, decide("fphotos", Decision.Topic.SOURCES, Decision.Action.GATHER, "photo_1, nowhere"))
                        .findings()
                        .getFirst()
                        .code(),
                Code.PLAN_SOURCE_UNKNOWN);
        expect(
                rows,
                Map.of(
                        "A", "{photos=[{name=one}, {name=ten}]}",
                        "B", "{photos=[{name=two}]}",
                        "C", "{other=x}"),
                gather);
    }

    /** A season with its charge, three times over: the usual way to do without rows. */
    @Test
    public void numberedFieldsSideBySideBecomeRows() throws SQLException {
        start(
                text("season_1"),
                field("charge_1", new Kind.Numeric(2, null, null, "EUR")),
                text("season_2"),
                field("charge_2", new Kind.Numeric(2, null, null, "EUR")));
        long a = save("A", Map.of("season_1", "Winter", "charge_1", "4.5", "charge_2", "9"));
        save("B", Map.of("season_2", "Summer"));
        var rows = Moorings.model(
                rows("charges", text("season"), field("per_night", new Kind.Numeric(2, null, null, "EUR"))));
        var ask = plan(rows).asks().getFirst();
        assertEquals(ask.proposed(), "season_1, charge_1, season_2, charge_2");
        var gather = decide("fcharges", Decision.Topic.SOURCES, Decision.Action.GATHER, ask.proposed());
        expect(
                rows,
                Map.of(
                        "A", "{charges=[{season=Winter, per_night=4.50}, {per_night=9.00}]}",
                        "B", "{charges=[{season=Summer}]}"),
                gather);
        // what the undo holds could come back instead
        var leave = decide("fcharges", Decision.Topic.HELD_VALUES, Decision.Action.LEAVE, "");
        assertEquals(
                plan(rows, gather).asks().stream().map(PlanQuestion::about).toList(),
                List.of(Decision.Topic.SOURCES, Decision.Topic.HELD_VALUES));
        test.install("2.0.0", rows, gather, leave);
        test.edit(
                "tmooring",
                a,
                Map.of(
                        "title",
                        "A",
                        "charges",
                        List.of(Map.of("season", "Spring", "per_night", "5"), Map.of("per_night", "8"))));
        test.undo(test.last());
        assertEquals(
                values(), Map.of("A", "{season_1=Spring, charge_1=5.00, charge_2=8.00}", "B", "{season_2=Summer}"));
    }

    @Test
    public void numberedGroupsBecomeRows() throws SQLException {
        start(
                field(
                        "berth_1",
                        new Kind.FieldGroup(
                                List.of(text("name").withId("n1"), text("side").withId("s1")))),
                field(
                        "berth_2",
                        new Kind.FieldGroup(
                                List.of(text("name").withId("n2"), text("side").withId("s2")))));
        save("A", Map.of("berth_1", Map.of("name", "x"), "berth_2", Map.of("name", "y", "side", "left")));
        expect(
                Moorings.model(rows("berths", text("name"), text("side"))),
                Map.of("A", "{berths=[{name=x}, {name=y, side=left}]}"),
                decide("fberths", Decision.Topic.SOURCES, Decision.Action.GATHER, "berth_1, berth_2"));
        test.install(
                "2.0.0",
                Moorings.model(rows("berths", text("name"), text("side"))),
                decide("fberths", Decision.Topic.HELD_VALUES, Decision.Action.LEAVE, ""),
                decide("fberths", Decision.Topic.SOURCES, Decision.Action.GATHER, "berth_1, berth_2"));
        var id = test.site().records().all("tmooring", 1).getFirst().id();
        test.edit(
                "tmooring",
                id,
                Map.of("title", "A", "berths", List.of(Map.of("name", "z"), Map.of("name", "y", "side", "right"))));
        test.undo(test.last());
        assertEquals(values(), Map.of("A", "{berth_1={name=z}, berth_2={name=y, side=right}}"));
    }

    @Test
    public void aGroupBecomesRowsAndRowsAGroup() throws SQLException {
        start(group("size", text("length"), field("woods", MANY_WOODS), rows("marks", text("colour"))));
        var a = Map.of(
                "length",
                "3",
                "woods",
                List.of("a", "b"),
                "marks",
                List.of(Map.of("colour", "red"), Map.of("colour", "blue")));
        save("A", Map.of("size", a));
        save("B", Map.of());
        var rows =
                Moorings.model(rows("size", text("length"), field("woods", MANY_WOODS), rows("marks", text("colour"))));
        var row = "{length=3, woods=[a, b], marks=[{colour=red}, {colour=blue}]}";
        expect(rows, Map.of("A", "{size=[" + row + "]}", "B", "{}"));
        test.install("2.0.0", rows);
        save("C", Map.of("size", List.of(Map.of("woods", List.of("b")), a)));
        var group = Moorings.model(
                group("size", text("length"), field("woods", MANY_WOODS), rows("marks", text("colour"))));
        assertEquals(plan(group).asks().stream().map(PlanQuestion::fieldId).toList(), List.of("fsize"));
        expect(
                group,
                Map.of("A", "{size=" + row + "}", "B", "{}", "C", "{size={woods=[b]}}"),
                decide("fsize", Decision.Topic.SEVERAL_VALUES, Decision.Action.FIRST, ""));
        expect(
                group,
                Map.of("A", "{size=" + row + "}", "B", "{}", "C", "{size=" + row + "}"),
                decide("fsize", Decision.Topic.SEVERAL_VALUES, Decision.Action.LAST, ""));
    }

    /** Positions cannot be given to the database as a table to join with. */
    @Test
    public void positionsGoIntoRowsAndOutOfThem() throws SQLException {
        var spot = field("spot", Kind.Coordinates.PLAIN);
        start(rows("berths", text("name"), spot));
        var at = Map.of("latitude", "52.1", "longitude", "-1.2");
        save("A", Map.of("berths", List.of(Map.of("name", "x", "spot", at))));
        save("B", Map.of("berths", List.of(Map.of("name", "y"))));
        var outside = Moorings.model(rows("berths", text("name")), spot);
        var said = String.valueOf(values().get("A"));
        expect(
                outside,
                Map.of(
                        "A", "{berths=[{name=x}], spot={latitude=52.1, longitude=-1.2}}",
                        "B", "{berths=[{name=y}]}"));
        test.install("2.0.0", outside);
        expect(Moorings.model(rows("berths", text("name"), spot)), Map.of("A", said, "B", "{berths=[{name=y}]}"));
    }

    /** What does not fit in its new place goes there whole, and the plan says so. */
    @Test
    public void rowsAboveTheLimitAreTold() {
        start(text("photo_1"), text("photo_2"), text("photo_3"));
        save("A", Map.of("photo_1", "a", "photo_2", "b", "photo_3", "c"));
        save("B", Map.of("photo_1", "a"));
        var few = Moorings.model(
                field("photos", new Kind.Repeater(List.of(text("name")), null, 2, "", Kind.Repeater.RowStyle.CARDS)));
        var plan = plan(
                few, decide("fphotos", Decision.Topic.SOURCES, Decision.Action.GATHER, "photo_1, photo_2, photo_3"));
        assertEquals(
                plan.findings().stream()
                        .map(each -> each.code() + " " + each.arguments().get(1))
                        .toList(),
                List.of("PLAN_TOO_MANY 1"));
        assertTrue(plan.runnable());
    }

    @Test
    public void fieldsGoIntoRowsAndOutOfThem() throws SQLException {
        start(text("price"), field("woods", MANY_WOODS), rows("berths", text("name")));
        save("A", Map.of("price", "5", "berths", List.of(Map.of("name", "x"), Map.of("name", "y"))));
        save("B", Map.of("price", "7"));
        save("C", Map.of("woods", List.of("a"), "berths", List.of(Map.of("name", "z"))));
        var inside = Moorings.model(rows("berths", text("name"), text("price"), field("woods", MANY_WOODS)));
        assertTrue(plan(inside).findings().stream().anyMatch(each -> each.code() == Code.PLAN_VALUES_ROWLESS));
        expect(
                inside,
                Map.of(
                        "A", "{berths=[{name=x, price=5}, {name=y, price=5}]}",
                        "B", "{}",
                        "C", "{berths=[{name=z, woods=[a]}]}"));
        test.install("2.0.0", inside);
        save("D", Map.of("berths", List.of(Map.of("price", "1"), Map.of("price", "2"))));
        expect(
                Moorings.model(text("price"), field("woods", MANY_WOODS), rows("berths", text("name"))),
                Map.of(
                        "A", "{price=5 / 5, berths=[{name=x}, {name=y}]}",
                        "B", "{}",
                        "C", "{woods=[a], berths=[{name=z}]}",
                        "D", "{price=1 / 2, berths=[{}, {}]}"),
                decide("fprice", Decision.Topic.SEVERAL_VALUES, Decision.Action.JOIN, " / "));
    }
}
