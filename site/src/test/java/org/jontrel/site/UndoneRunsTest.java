package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestRecords;
import org.testng.annotations.Test;

/** What comes back when a run is undone. */
public class UndoneRunsTest extends MooringSiteTest {
    @Test
    public void undoCarriesOverWhatEditorsEnteredSince() {
        install("1.0.0", Moorings.standard());
        var kept = add("Kept", "rise", "about 9ft");
        var edited = add("Edited", "rise", "2.59");
        install(
                "2.0.0",
                Moorings.with(Moorings.RISE, f -> f.withKind(new Kind.Numeric(2, null, null, "m"))),
                new Decision("frise", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, ""));
        stored(TestRecords.save(
                site,
                "mooring",
                Optional.of(edited.id()),
                1,
                RecordState.PUBLISHED,
                raw("Edited", "rise", "3.10"),
                "ben"));
        var added = add("Added", "rise", "4");
        var findings = site.runs()
                .undoPlan(site.runs().last().orElseThrow().id())
                .orElseThrow()
                .findings();
        assertEquals(findings.stream().map(Finding::code).toList(), List.of(Code.UNDO_VALUES_CARRIED));
        assertEquals(findings.getFirst().arguments().get(1), "2");
        undo();
        var now = everything("mooring");
        assertEquals(now.get(kept.id()).get("frise"), "about 9ft");
        assertEquals(now.get(edited.id()).get("frise"), "3.1");
        assertEquals(now.get(added.id()).get("frise"), "4");
    }

    @Test
    public void aRemovedFieldIsHeldAndComesBack() throws SQLException {
        install("1.0.0", Moorings.standard());
        add("A", "rise", "x");
        var before = everything("mooring");
        var plan = site.runs().plan(new Runs.RunTarget("2.0.0", Moorings.model(Moorings.LENGTH), List.of()));
        assertTrue(plan.findings().stream()
                .anyMatch(
                        f -> f.code() == Code.PLAN_VALUES_HELD && f.arguments().contains("Rise")));
        // a new field may take the key of the removed one in the same release
        install(
                "2.0.0",
                Moorings.model(Moorings.LENGTH, new Field("fother", "rise", "Other", "", false, Kind.Date.PLAIN)),
                new Decision("fother", Decision.Topic.SOURCES, Decision.Action.LEAVE, ""));
        assertNull(everything("mooring").values().iterator().next().get("frise"));
        undo();
        assertEquals(everything("mooring"), before);
    }

    @Test
    public void aRemovedTypeIsHeldWithItsRecordsAndComesBack() {
        install("1.0.0", Moorings.standard());
        add("A", "rise", "x");
        var before = everything("mooring");
        install("2.0.0", Model.EMPTY);
        assertEquals(TestRecords.type(site, "mooring"), "nothing");
        undo();
        assertEquals(everything("mooring"), before);
    }

    @Test
    public void undoingTheFirstInstallationHoldsTheRecords() throws SQLException {
        install("1.0.0", Moorings.standard());
        add("A");
        assertEquals(
                site.runs()
                        .undoPlan(site.runs().last().orElseThrow().id())
                        .orElseThrow()
                        .findings()
                        .getFirst()
                        .code(),
                Code.UNDO_RECORDS_HELD);
        undo();
        assertEquals(site.installed().version(), "");
        install(
                "1.0.0",
                Moorings.standard(),
                new Decision("tmooring", Decision.Topic.HELD_VALUES, Decision.Action.LEAVE, ""));
        assertEquals(TestRecords.count(site, "mooring"), 0);
    }

    @Test
    public void whatAnUndoCannotCarryIsSaidBeforeAndHeld() throws SQLException {
        install("1.0.0", Moorings.standard());
        var record = add("A", "length", "12.5");
        var before = everything("mooring");
        install("2.0.0", Moorings.with(Moorings.LENGTH, f -> f.withKind(Kind.Text.PLAIN)));
        stored(TestRecords.save(
                site,
                "mooring",
                Optional.of(record.id()),
                1,
                RecordState.PUBLISHED,
                raw("A", "length", "about 9ft"),
                "ben"));
        var findings = site.runs()
                .undoPlan(site.runs().last().orElseThrow().id())
                .orElseThrow()
                .findings();
        assertEquals(findings.stream().map(Finding::code).toList(), List.of(Code.UNDO_VALUES_NOT_CARRIED));
        undo();
        assertEquals(everything("mooring"), before, "the value from before comes back");
        var held = columns("mooring").keySet().stream()
                .filter(name -> name.startsWith("held__"))
                .toList();
        assertEquals(held.size(), 1);
        try (var connection = source.getConnection();
                var statement = connection.createStatement();
                var rows = statement.executeQuery("SELECT `" + held.getFirst() + "` FROM mooring")) {
            rows.next();
            assertEquals(rows.getString(1), "about 9ft", "the newer one is held");
        }
    }

    @Test
    public void aRunIsUndoneOnceAndNotBeneathAnother() {
        install("1.0.0", Moorings.standard());
        var first = site.runs().last().orElseThrow();
        install("1.1.0", Moorings.model(Moorings.LENGTH));
        assertTrue(site.runs().undo(first.id(), "anna", _ -> {}) instanceof Runs.RunOutcome.NothingToDo);
        var second = site.runs().last().orElseThrow();
        undo();
        assertTrue(site.runs().undo(second.id(), "anna", _ -> {}) instanceof Runs.RunOutcome.NothingToDo);
        assertTrue(site.runs().undoPlan(second.id()).isEmpty());
    }
}
