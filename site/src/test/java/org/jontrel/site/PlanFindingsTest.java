package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.plan.Step;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What a plan says of a site's records before it is run, with counts. */
public class PlanFindingsTest {
    private TestSite test;
    private Site site;

    @BeforeMethod
    public void open() {
        test = TestSite.open();
        site = test.site();
    }

    @AfterMethod
    public void close() {
        test.close();
    }

    private Plan plan(Model to) {
        return site.runs().plan(new Runs.RunTarget("9.0.0", to, List.of()));
    }

    private static List<String> said(Plan plan, Code code) {
        return plan.findings().stream()
                .filter(finding -> finding.code() == code)
                .map(Finding::sentence)
                .toList();
    }

    private static void assertSaid(Plan plan, Code code, String beginning) {
        var said = said(plan, code);
        assertEquals(said.size(), 1, plan.toString());
        assertTrue(said.getFirst().startsWith(beginning), said.getFirst());
    }

    private static Model rise(UnaryOperator<Kind> kind) {
        return Moorings.with(Moorings.RISE, field -> field.withKind(kind.apply(field.kind())));
    }

    @Test
    public void numbersThatGetAnotherUnit() {
        test.install("1.0.0", Moorings.standard());
        var feet = Moorings.with(
                Moorings.LENGTH, field -> field.withKind(new Kind.Numeric(2, BigDecimal.ZERO, null, "ft")));
        assertEquals(said(plan(feet), Code.PLAN_UNIT_CHANGES), List.of(), "nothing is stored");
        test.save("tmooring", Map.of("title", "A", "length", "12"));
        test.save("tmooring", Map.of("title", "B", "length", "9"));
        test.save("tmooring", Map.of("title", "C"));
        assertEquals(
                said(plan(feet), Code.PLAN_UNIT_CHANGES),
                List.of(
                        "The unit of Length changes from m to ft, and 2 values stay the numbers they are. Add a new field instead if they were measured in m."));
        assertTrue(plan(feet).runnable(), "it is a warning");
    }

    @Test
    public void valuesThatAreNotUnique() {
        test.install("1.0.0", Moorings.standard());
        for (var rise : List.of("a", "A", "b", "c", "c ", "")) {
            test.save("tmooring", Map.of("title", "M " + rise, "rise", rise));
        }
        var unique = rise(_ -> new Kind.Text(null, null, "", "", "", "", true));
        assertSaid(plan(unique), Code.PLAN_VALUES_TWICE, "Rise becomes unique, and 4 records share");
    }

    /** Letters' case and spaces at the end count. */
    @Test
    public void valuesThatBreakAPattern() {
        test.install("1.0.0", Moorings.standard());
        for (var rise : List.of("ab", "AB", "ab", "Ab")) {
            test.save("tmooring", Map.of("title", "M", "rise", rise));
        }
        var small = rise(_ -> new Kind.Text(null, null, "[a-z]+", "Small letters"));
        assertEquals(plan(small).asks().getFirst().rows(), 2);
    }

    /** The database sorts out what is surely a number; of the rest every value is looked at. */
    @Test
    public void textsThatBecomeNumbersAreCounted() {
        test.install("1.0.0", Moorings.standard());
        var texts = List.of(
                "1",
                "-2.50",
                "0",
                "12345678901234",
                "1.0",
                "007",
                " 8",
                "1.234",
                "x",
                "9\\",
                "",
                "+3",
                "12,5",
                "1,234");
        texts.forEach(rise -> test.save("tmooring", Map.of("title", "M", "rise", rise)));
        var plan = plan(rise(_ -> new Kind.Numeric(2, null, null, "")));
        assertEquals(
                plan.asks().stream()
                        .map(ask -> ask.about() + " " + ask.rows())
                        .sorted()
                        .toList(),
                List.of("OUTSIDE_LIMITS 1", "UNCONVERTED 4"));
        assertSaid(plan, Code.PLAN_VALUES_ALTERED, "2 values of Rise");
        assertEquals(
                plan.steps().stream()
                        .filter(step -> step.step() instanceof Step.CopyColumn)
                        .map(Plan.PlannedStep::rows)
                        .toList(),
                List.of(14L));
    }

    @Test
    public void formattingThatIsNoLongerAllowed() {
        Function<Kind.Format[], Model> noted = formats ->
                Moorings.with(Moorings.NOTE, field -> field.withKind(new Kind.RichText(null, Set.of(formats))));
        test.install("1.0.0", noted.apply(new Kind.Format[] {Kind.Format.BOLD, Kind.Format.LISTS, Kind.Format.LINKS}));
        for (var note : List.of("<p><b>a</b></p>", "<p>b & c</p>", "<ul><li>c</li></ul>", "")) {
            test.save("tmooring", Map.of("title", "M", "note", note));
        }
        assertSaid(
                plan(noted.apply(new Kind.Format[] {Kind.Format.LINKS})),
                Code.PLAN_FORMATTING_LEFT,
                "2 values of Note have formatting");
        assertSaid(
                plan(noted.apply(new Kind.Format[] {Kind.Format.BOLD})),
                Code.PLAN_FORMATTING_LEFT,
                "1 value of Note has formatting");
        var more = noted.apply(Kind.Format.values());
        assertEquals(said(plan(more), Code.PLAN_FORMATTING_LEFT), List.of());
    }

    @Test
    public void textsThatShowWhatIsRemoved() {
        test.install("1.0.0", Orchard.model());
        var height = "<p>It is <span data-value=\"fheight\"></span> high.</p>";
        var tagged = "<div data-listing=\"qtagged\"></div>";
        var address = "<p>See <span data-value=\"fsite\"></span></p>";
        for (var story : List.of(height + tagged, height, tagged, address, "<p>data-value=fheight</p>")) {
            test.save("ttree", Map.of("title", "T", "fruits", false, "story", story));
        }
        var without = Orchard.edited(Map.of(
                "      - {id: fheight, key: height, label: Height, kind: number, decimals: 2, min: 0, unit: m}\n", "",
                "columns: [fplanted, fheight]", "columns: [fplanted]"));
        assertSaid(plan(without), Code.PLAN_TEXTS_LEFT, "2 texts of Story show what is removed: Height.");
        var listless = new Model(without.definitions().stream()
                .filter(each -> !each.id().equals("qtagged"))
                .toList());
        assertSaid(
                plan(listless), Code.PLAN_TEXTS_LEFT, "3 texts of Story show what is removed: Height, Tagged trees.");
        var picture = Orchard.edited(Map.of("label: Web site, kind: url}", "label: Web site, kind: image}"));
        assertSaid(plan(picture), Code.PLAN_TEXTS_LEFT, "1 text of Story shows what is removed: Web site.");
        for (var harmless : List.of(
                Orchard.edited(Map.of("key: height, label: Height", "key: size, label: Size")),
                Orchard.edited(Map.of(
                        "kind: rich_text, formats: [bold, italic, links, lists, values, listings]",
                        "kind: long_text")))) {
            assertEquals(said(plan(harmless), Code.PLAN_TEXTS_LEFT), List.of());
        }
    }

    @Test
    public void moreThanAFieldMayHold() {
        test.install("1.0.0", Orchard.model());
        var friends = new ArrayList<Long>();
        for (var title : List.of("A", "B", "C")) {
            friends.add(test.save("ttree", Orchard.tree(title)).id());
        }
        test.edit(
                "ttree",
                friends.getFirst(),
                Map.of(
                        "parents",
                        friends.subList(1, 3).stream()
                                .map(id -> Map.of("type", "ttree", "id", id))
                                .toList()));
        var one = Orchard.edited(Map.of("to: [tree], many: true, ordered: true", "to: [tree]"));
        assertSaid(plan(one), Code.PLAN_TOO_MANY, "1 record has more in Grafted from");
        var rows = Orchard.edited(Map.of("    row_name: fday", "    row_name: fday\n        max_rows: 1"));
        assertSaid(plan(rows), Code.PLAN_TOO_MANY, "3 records have more in Prunings");
    }

    @Test
    public void linksToWhatARelationNoLongerLeadsTo() {
        test.install("1.0.0", Orchard.model());
        var person = test.save("tperson", Map.of("title", "Ada"));
        var tree = new java.util.HashMap<>(Orchard.tree("A"));
        test.edit(
                "ttree", test.save("ttree", tree).id(), Map.of("keeper", Map.of("type", "tperson", "id", person.id())));
        var elsewhere = Orchard.edited(Map.of(
                "key: keeper, label: Keeper, kind: relation, to: [person]",
                "key: keeper, label: Keeper, kind: relation, to: [plot]"));
        assertSaid(plan(elsewhere), Code.PLAN_LINKS_OUTSIDE, "1 link of Keeper leads to");
    }

    @Test
    public void whatStoodUnderSomethingElse() {
        test.install("1.0.0", Orchard.model());
        var flat = Orchard.edited(Map.of(
                "hierarchical: true\nparents_in_address: true\n",
                "",
                ", children: [{id: wcider, key: cider, label: Cider apple}]",
                "",
                "show_when: {taxonomy: sort, under: [apple]}",
                "show_when: {taxonomy: sort, is: [apple]}"));
        assertSaid(
                plan(flat),
                Code.PLAN_PARENTS_LEFT,
                "1 record of Sorts has a parent that is no longer allowed. It keeps it");
    }

    @Test
    public void anAddressThatAnotherTakes() {
        test.install("1.0.0", Orchard.model());
        // in this order: the second takes the address that the first leaves
        var edits = new LinkedHashMap<String, String>();
        edits.put("path: trees", "path: growth");
        edits.put("path: plots", "path: trees");
        var moved = Orchard.edited(edits);
        assertSaid(plan(moved), Code.PLAN_ADDRESS_TAKEN, "Pages of Trees leave trees, where pages of Plots");
    }

    private static Model texts(int amount, int ofKind, Kind kind) {
        return Moorings.model(IntStream.range(0, amount)
                .mapToObj(
                        i -> new Field("ft" + i, "t" + i, "Text " + i, "", false, i < ofKind ? kind : Kind.Text.PLAIN))
                .toArray(Field[]::new));
    }

    @Test
    public void aTableWithoutRoom() {
        test.install("1.0.0", texts(40, 0, Kind.Email.PLAIN));
        test.save("tmooring", Map.of("title", "A", "t0", "a@example.org"));
        test.install("2.0.0", texts(40, 18, Kind.Email.PLAIN));
        var further = texts(40, 36, Kind.Email.PLAIN);
        var plan = plan(further);
        assertFalse(plan.runnable());
        assertSaid(plan, Code.PLAN_NO_ROOM, "The table of Moorings has no room");
        assertTrue(said(plan, Code.PLAN_NO_ROOM).getFirst().contains("Purge held values of it"), plan.toString());
        site.held()
                .purge(
                        Set.copyOf(site.held().list().stream()
                                .map(each -> each.name())
                                .toList()),
                        "anna");
        assertEquals(said(plan(further), Code.PLAN_NO_ROOM), List.of());
        test.install("3.0.0", further);
    }

    @Test
    public void valuesThatLoseSomething() {
        test.install("1.0.0", Moorings.standard());
        for (var rise : List.of("7,5", "7", "7.50")) {
            test.save("tmooring", Map.of("title", "M", "rise", rise));
        }
        assertSaid(
                plan(rise(_ -> new Kind.Numeric(2, null, null, ""))),
                Code.PLAN_VALUES_ALTERED,
                "1 value of Rise cannot be had back from what it becomes (for example 7,5 becomes 7.50)");
    }

    /** What searching finds is brought up to date by a step that says how far it is. */
    @Test
    public void wordsAreAStep() {
        test.install("1.0.0", Moorings.standard());
        for (int i = 0; i < 3; i++) {
            test.save("tmooring", Map.of("title", "M" + i, "rise", "quay"));
        }
        var query = ListQuery.ALL.search("quay");
        assertEquals(site.records().count("tmooring", query).records(), 3);
        test.install("2.0.0", Moorings.without(Moorings.RISE));
        assertEquals(site.records().count("tmooring", query).records(), 0);
        var step = test.last().steps().stream()
                .filter(each -> each.sentence().equals("Let searching find what Moorings hold now"))
                .findFirst()
                .orElseThrow();
        assertEquals(List.of(step.rowsExpected(), step.rowsDone()), List.of(3L, 3L));
        test.undo(test.last());
        assertEquals(site.records().count("tmooring", query).records(), 3);
        var back = new Decision("frise", Decision.Topic.HELD_VALUES, Decision.Action.BRING_BACK, "");
        assertTrue(site.runs().plan(new Runs.RunTarget("3.0.0", Moorings.standard(), List.of(back))).steps().stream()
                .noneMatch(each -> each.step() instanceof Step.RenewWords));
    }
}
