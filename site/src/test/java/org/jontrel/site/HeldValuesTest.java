package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Held;
import org.jontrel.site.run.HeldValues;
import org.jontrel.site.run.Runs;
import org.jontrel.site.table.Schema;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestSite;
import org.jontrel.site.testing.WholeDump;
import org.testng.annotations.Test;

/** What runs took out of use can be reached: listed, looked at, brought back, purged. */
public class HeldValuesTest extends HeldSiteTest {
    @Test
    public void aRemovedFieldIsListedAndLookedAt() {
        long mooring = withoutRise();
        var held = only();
        assertEquals(held.values(), 1);
        assertTrue(held.bytes() > 0);
        assertEquals(List.of(held.recordType(), held.field(), held.kind()), List.of("Moorings", "Rise", "text"));
        assertEquals(List.of(held.fromVersion(), held.toVersion(), held.by()), List.of("1.0.0", "2.0.0", "anna"));
        assertTrue(held.undoNeeds());
        assertEquals(held.way(), Held.ReturnWay.NO_FIELD);
        var page = site.held().look(held.name(), 0, 10).orElseThrow();
        assertEquals(page.records().size(), 1);
        assertEquals(page.records().getFirst().id(), mooring);
        assertEquals(page.records().getFirst().values(), Map.of("frise", "2.5"));
        assertEquals(page.named().values().iterator().next().title(), "North");
        assertTrue(site.held().look("nothing", 0, 10).isEmpty());
    }

    @Test
    public void aFieldThatComesBackIsOfferedItsValues() throws SQLException {
        long mooring = withoutRise();
        var target = new Runs.RunTarget("3.0.0", Moorings.standard(), List.of());
        var plan = site.runs().plan(target);
        assertEquals(plan.asks().size(), 1, plan.toString());
        assertEquals(plan.asks().getFirst().about(), Decision.Topic.HELD_VALUES);
        assertEquals(plan.asks().getFirst().rows(), 1);
        var before = Dump.of(test.source());
        test.install("3.0.0", Moorings.standard(), BACK);
        assertEquals(values("tmooring", mooring), Map.of("part_title", "North", "frise", "2.5"));
        test.undo(test.last());
        assertEquals(Dump.of(test.source()).get("mooring"), before.get("mooring"));
        // they may stay held as well
        var leave = new Decision("frise", Decision.Topic.HELD_VALUES, Decision.Action.LEAVE, "");
        test.install("4.0.0", Moorings.standard(), leave);
        assertEquals(values("tmooring", mooring), Map.of("part_title", "North"));
    }

    @Test
    public void itsValuesAreConvertedOnTheirWayBack() {
        long mooring = withoutRise();
        var other = test.save("tmooring", Map.of("title", "East"));
        test.undo(test.last());
        test.edit("tmooring", other.id(), Map.of("rise", "two"));
        test.install("2.0.0", Moorings.without(Moorings.RISE));
        var number = Moorings.with(Moorings.RISE, field -> field.withKind(new Kind.Numeric(1, null, null, "m")));
        var plan = site.runs().plan(new Runs.RunTarget("3.0.0", number, List.of(BACK)));
        assertEquals(plan.asks().size(), 2, plan.toString());
        assertTrue(plan.asks().getLast().finding().sentence().contains("two"), plan.toString());
        var aside = new Decision("frise", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
        test.install("3.0.0", number, BACK, aside);
        assertEquals(values("tmooring", mooring).get("frise").toString(), "2.5");
        assertFalse(values("tmooring", other.id()).containsKey("frise"));
        // and the one that could not be converted is still there to be looked at
        assertTrue(site.held().list().stream()
                .anyMatch(held -> site.held().look(held.name(), 0, 10).orElseThrow().records().stream()
                        .anyMatch(record -> record.values().containsValue("two"))));
    }

    @Test
    public void whatPeopleEnteredBetweenAnUndoAndARunComesBack() {
        test.install("1.0.0", Moorings.standard());
        var mooring = test.save("tmooring", Map.of("title", "North"));
        var deeper = Moorings.and(Moorings.DEPTH);
        var leave = new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.LEAVE, "");
        test.install("2.0.0", deeper, leave);
        test.edit("tmooring", mooring.id(), Map.of("depth", "3.5"));
        test.undo(test.last());
        var back = new Decision("fdepth", Decision.Topic.HELD_VALUES, Decision.Action.BRING_BACK, "");
        test.install("2.0.0", deeper, leave, back);
        assertEquals(values("tmooring", mooring.id()).get("fdepth").toString(), "3.5");
        assertTrue(site.records().byId("tmooring", mooring.id()).orElseThrow().complete());
    }

    @Test
    public void aTypeThatComesBackIsOfferedItsRecords() throws SQLException {
        test.install("1.0.0", Orchard.model());
        var tree = test.save("ttree", Orchard.tree("A"));
        var before = Dump.of(test.source());
        test.install("2.0.0", new Model(List.of()));
        var held = site.held().list().stream()
                .filter(each -> each.recordTypeId().equals("ttree"))
                .toList();
        assertEquals(held.size(), 1);
        assertEquals(held.getFirst().values(), 1);
        assertEquals(held.getFirst().way(), Held.ReturnWay.NO_DEFINITION);
        var page = site.held().look(held.getFirst().name(), 0, 10).orElseThrow();
        assertEquals(page.records().getFirst().values(), tree.values());
        install("3.0.0", Orchard.model(), Decision.Action.BRING_BACK);
        assertEquals(Dump.of(test.source()).get("tree"), before.get("tree"));
        assertEquals(values("ttree", tree.id()), new TreeMap<>(tree.values()));
        test.undo(test.last());
        assertEquals(site.installed().version(), "2.0.0");
        assertTrue(site.held().list().stream()
                .anyMatch(each -> each.name().equals(held.getFirst().name())));
    }

    @Test
    public void aTypeThatIsAnotherByNowHasItsRecordsBackOneByOne() throws SQLException {
        test.install("1.0.0", Orchard.model());
        var tree = test.save("ttree", Orchard.tree("A"));
        var draft =
                TestSite.stored(site.records().save(Write.fresh("ttree", RecordState.DRAFT, Orchard.tree("B"), "ben")));
        var lapsed = test.save("ttree", Orchard.tree("C"));
        test.edit("ttree", tree.id(), Map.of("height", "5"));
        test.install("2.0.0", new Model(List.of()));
        try (var connection = test.source().getConnection();
                var statement = connection.createStatement()) {
            for (var table : Schema.with(connection, "retire_at")) {
                statement.execute("UPDATE " + table + " SET retire_at = '2026-01-01' WHERE id = " + lapsed.id());
            }
        }
        var changed = Orchard.edited(Map.of(
                "key: height, label: Height, kind: number, decimals: 2, min: 0, unit: m",
                "key: tall, label: Height, kind: text"));
        var plan = site.runs().plan(new Runs.RunTarget("3.0.0", changed, List.of()));
        assertTrue(
                plan.findings().stream().anyMatch(each -> each.code().name().equals("PLAN_HELD_DIFFERS")),
                plan.toString());
        install("3.0.0", changed, Decision.Action.BRING_BACK);
        var held = site.held().list().stream()
                .filter(each -> each.recordTypeId().equals("ttree"))
                .findFirst()
                .orElseThrow();
        assertEquals(held.way(), Held.ReturnWay.OPEN);
        var done = back(held, false);
        assertEquals(List.of(done.looked(), done.brought(), done.kept()), List.of(3L, 3L, 0L), done.toString());
        var now = site.records().byId("ttree", tree.id()).orElseThrow();
        var expected = new HashMap<>(tree.values());
        expected.put("fheight", "5");
        assertEquals(now.values(), expected);
        assertEquals(now.version(), 2);
        assertEquals(now.createdAt(), tree.createdAt());
        assertEquals(site.records().history("ttree", tree.id()).size(), 1);
        assertEquals(site.records().byId("ttree", draft.id()).orElseThrow().state(), RecordState.DRAFT);
        assertEquals(
                site.records().byId("ttree", lapsed.id()).orElseThrow().state(),
                RecordState.RETIRED,
                "its moment came while it was held");
        assertEquals(back(held, false).kept(), 3);
    }

    @Test
    public void whatAConversionSetAsideComesBackWhereTheFieldTakesIt() {
        test.install("1.0.0", Moorings.standard());
        var north = test.save("tmooring", Map.of("title", "North", "rise", "2.5"));
        var south = test.save("tmooring", Map.of("title", "South", "rise", "two"));
        var aside = new Decision("frise", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
        test.install(
                "2.0.0",
                Moorings.with(Moorings.RISE, field -> field.withKind(new Kind.Numeric(1, null, null, "m"))),
                aside);
        test.edit("tmooring", north.id(), Map.of("rise", "9"));
        var held = only();
        assertEquals(held.way(), Held.ReturnWay.OPEN);
        assertEquals(
                site.held().look(held.name(), 0, 10).orElseThrow().records().size(), 2);
        var lost = site.held().look(held.name(), 0, 10, true).orElseThrow().records();
        assertEquals(lost.stream().map(StoredRecord::id).toList(), List.of(south.id()));
        var done = back(held, false);
        assertEquals(List.of(done.brought(), done.kept()), List.of(0L, 1L));
        assertEquals(done.refused().size(), 1);
        assertEquals(done.refused().getFirst().id(), south.id());
        assertEquals(done.refused().getFirst().reason(), "\"two\" cannot be read as number.");
        assertEquals(values("tmooring", north.id()).get("frise").toString(), "9");
        assertEquals(back(held, true).brought(), 1);
        assertEquals(values("tmooring", north.id()).get("frise").toString(), "2.5");
        assertEquals(site.records().history("tmooring", north.id()).size(), 2);
    }

    /** Values within rows, and rows within rows, go back to the rows they were in. */
    @Test
    public void valuesWithinRowsComeBackToTheirRows() {
        test.install("1.0.0", Orchard.model());
        var tree = test.save("ttree", Orchard.tree("A"));
        var without = Orchard.edited(
                Map.of("\n              - {id: fthick, key: thick, label: Thickness, kind: number, decimals: 1}", ""));
        test.install("2.0.0", without);
        var held = only();
        assertEquals(held.values(), 2);
        var page = site.held().look(held.name(), 0, 10).orElseThrow();
        assertTrue(page.records().getFirst().values().toString().contains("2.5"), page.toString());
        var leave = new Decision("fthick", Decision.Topic.HELD_VALUES, Decision.Action.LEAVE, "");
        test.install("3.0.0", Orchard.model(), leave);
        assertEquals(back(held, false).brought(), 1);
        assertEquals(values("ttree", tree.id()), new TreeMap<>(tree.values()));
    }

    @Test
    public void aRepeaterComesBackWithItsRows() throws SQLException {
        test.install("1.0.0", Orchard.model());
        var tree = test.save("ttree", Orchard.tree("A"));
        var before = Dump.of(test.source());
        test.install("2.0.0", withoutPrunings());
        assertEquals(only().values(), 2);
        assertEquals(
                site.held()
                        .look(only().name(), 0, 10)
                        .orElseThrow()
                        .records()
                        .getFirst()
                        .values()
                        .get("fprunings"),
                tree.values().get("fprunings"));
        var back = new Decision("fprunings", Decision.Topic.HELD_VALUES, Decision.Action.BRING_BACK, "");
        test.install("3.0.0", Orchard.model(), back);
        assertEquals(values("ttree", tree.id()), new TreeMap<>(tree.values()));
        assertEquals(Dump.of(test.source()).get("tree__prunings"), before.get("tree__prunings"));
        assertEquals(site.held().list(), List.of());
    }

    /** Without the repeater of trees, and with what is in it. */
    private static Model withoutPrunings() {
        var all = Orchard.model();
        var tree = (ContentType) all.definition("ttree").orElseThrow();
        return all.with(tree.withSections(tree.sections().stream()
                .map(section -> section instanceof Group group
                        ? group.withFields(group.fields().stream()
                                .filter(field -> !field.id().equals("fprunings"))
                                .toList())
                        : section)
                .toList()));
    }

    @Test
    public void whatIsPurgedIsGoneAndItsRunIsNotUndone() throws SQLException {
        long mooring = withoutRise();
        var held = only();
        // at the beginning of a value: a time may well have 2.5 in it
        var amount = ", 2.5";
        assertTrue(WholeDump.of(test.source()).get("mooring").toString().contains(amount), "held until then");
        purge(held);
        assertEquals(site.held().list(), List.of());
        assertFalse(WholeDump.of(test.source()).get("mooring").toString().contains(amount));
        assertEquals(site.held().purged().getFirst().amount(), 1);
        assertFalse(test.last().canUndo());
        assertTrue(site.runs().undo(test.last().id(), "anna", _ -> {}) instanceof Runs.RunOutcome.NothingToDo);
        assertEquals(values("tmooring", mooring), Map.of("part_title", "North"));
        test.install("3.0.0", Moorings.standard());
    }

    @Test
    public void aPurgedTypeLeavesNothingBehind() throws SQLException {
        test.install("1.0.0", Orchard.model());
        var tree = test.save("ttree", Orchard.tree("A"));
        test.edit("ttree", tree.id(), Map.of("height", "5"));
        test.install("2.0.0", new Model(List.of()));
        for (var held : site.held().list()) {
            purge(held);
        }
        assertEquals(site.held().list(), List.of());
        var dump = Dump.of(test.source());
        assertTrue(
                dump.keySet().stream().allMatch(table -> table.startsWith("jontrel_")),
                dump.keySet().toString());
        assertEquals(
                dump.entrySet().stream()
                        .filter(table -> !table.getKey().equals("jontrel_purged"))
                        .filter(table -> !table.getKey().matches("jontrel_(run|step|definitions|installed)"))
                        .filter(table -> table.getValue().toString().contains("ttree"))
                        .map(Map.Entry::getKey)
                        .toList(),
                List.of());
    }

    @Test
    public void nothingIsPurgedWhileARunIsUnderWay() {
        withoutRise();
        var held = only();
        var outcome =
                site.runs().start(new Runs.RunTarget("3.0.0", Moorings.standard(), List.of(BACK)), "anna", _ -> {});
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        assertTrue(site.held().purge(Set.of(held.name()), "anna") instanceof HeldValues.Purged.RunUnderWay);
        TestSite.run(outcome);
    }

    @Test
    public void aColumnWithAnIndexIsPurged() throws SQLException {
        test.install("1.0.0", Orchard.model());
        test.save("ttree", Orchard.tree("A"));
        test.install(
                "2.0.0",
                Orchard.edited(Map.of(
                        "      - {id: fheight, key: height, label: Height, kind: number, decimals: 2, min: 0, unit: m}\n",
                        "",
                        "columns: [fplanted, fheight]",
                        "columns: [fplanted]")));
        purge(only());
        assertFalse(Dump.of(test.source()).get("tree").toString().contains("held__"));
    }

    /** A backup holds the table: nobody waits for it for long, and it can be tried again. */
    @Test
    public void aPurgeGivesWay() throws SQLException {
        withoutRise();
        var held = only();
        try (var other = test.source().getConnection()) {
            other.setAutoCommit(false);
            try (var statement = other.createStatement()) {
                statement.executeQuery("SELECT COUNT(*) FROM mooring").close();
            }
            assertTrue(site.held().purge(Set.of(held.name()), "anna") instanceof HeldValues.Purged.TableInUse);
            other.rollback();
        }
        purge(only());
    }

    /** Columns that were dropped at once still count in the table until it is written anew. */
    @Test
    public void roomOfPurgedColumnsIsFoundAgain() throws SQLException {
        test.install("1.0.0", Moorings.standard());
        var id = test.save("tmooring", Map.of("title", "A", "rise", "9")).id();
        var names =
                IntStream.range(0, 20).mapToObj(number -> "held__x" + number).toList();
        int rounds = 0;
        try (var connection = test.source().getConnection();
                var statement = connection.createStatement()) {
            for (; rounds < 100; rounds++) {
                statement.execute(names.stream()
                        .map(name -> "ADD COLUMN " + name + " VARCHAR(255)")
                        .collect(Collectors.joining(", ", "ALTER TABLE mooring ", ", ALGORITHM=INSTANT")));
                statement.execute(names.stream()
                        .map(name -> "DROP COLUMN " + name)
                        .collect(Collectors.joining(", ", "ALTER TABLE mooring ", ", ALGORITHM=INSTANT")));
            }
        } catch (SQLException e) {
            assertTrue(e.getMessage().contains("INSTANT") || e.getMessage().contains("Row size"), e.getMessage());
        }
        assertTrue(rounds < 100, "the table is full");
        var number = Moorings.with(Moorings.RISE, field -> field.withKind(new Kind.Numeric(0, null, null, "")));
        test.install("2.0.0", number);
        assertEquals(
                String.valueOf(test.site()
                        .records()
                        .byId("tmooring", id)
                        .orElseThrow()
                        .values()
                        .get("frise")),
                "9");
    }
}
