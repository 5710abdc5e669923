package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.site.run.RunView.RunState;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestRecords;
import org.testng.annotations.Test;

/** What keeps a run from beginning or from going on, and how it says so. */
public class RunRefusalsTest extends MooringSiteTest {
    @Test
    public void onlyOneRunAtATime() {
        var first = site.runs().start(new Runs.RunTarget("1.0.0", Moorings.standard(), List.of()), "anna", _ -> {});
        assertTrue(first instanceof Runs.RunOutcome.Started);
        var other = Site.open(source, "other", Duration.ofSeconds(2));
        assertTrue(
                other.runs().start(new Runs.RunTarget("1.0.0", Moorings.standard(), List.of()), "ben", _ -> {})
                        instanceof Runs.RunOutcome.Busy);
        ((Runs.RunOutcome.Started) first).work().run();
        assertEquals(other.installed().version(), "1.0.0", "another process sees the switch at once");
    }

    @Test
    public void aTableThatIsNotTheSitesStopsTheRunAndNothingIsTouched() throws SQLException {
        try (var connection = source.getConnection();
                var statement = connection.createStatement()) {
            statement.execute("CREATE TABLE mooring (secret INT)");
        }
        var outcome = site.runs().start(new Runs.RunTarget("1.0.0", Moorings.standard(), List.of()), "anna", _ -> {});
        try {
            ((Runs.RunOutcome.Started) outcome).work().run();
            assertTrue(false, "should have stopped");
        } catch (IllegalStateException e) {
            assertTrue(e.getMessage().contains("did not make"), e.getMessage());
        }
        var run = site.runs().last().orElseThrow();
        assertEquals(run.state(), RunState.INTERRUPTED);
        assertTrue(run.message().contains("did not make"));
        assertTrue(columns("mooring").containsKey("secret"));
        var back = site.runs().undo(run.id(), "anna", _ -> {});
        ((Runs.RunOutcome.Started) back).work().run();
        assertEquals(site.installed().version(), "");
        assertTrue(columns("mooring").containsKey("secret"));
    }

    @Test
    public void aTableWithoutRoomStopsThePlan() {
        install("1.0.0", texts(0, 60));
        var outcome = site.runs().start(new Runs.RunTarget("2.0.0", texts(5, 65), List.of()), "anna", _ -> {});
        assertTrue(outcome instanceof Runs.RunOutcome.NotRunnable, outcome.toString());
        var findings = ((Runs.RunOutcome.NotRunnable) outcome).plan().findings();
        assertEquals(findings.getFirst().code(), Code.PLAN_NO_ROOM);
    }

    /** Somebody took the room that the plan had counted. */
    @Test
    public void aTableWithoutRoomStopsTheRunWithAReasonAndGoesBack() throws SQLException {
        var first = texts(0, 58);
        install("1.0.0", first);
        var record = add("A", "text_1", "kept");
        var before = everything("mooring");
        var outcome = site.runs().start(new Runs.RunTarget("2.0.0", texts(2, 60), List.of()), "anna", _ -> {});
        try (var connection = source.getConnection();
                var statement = connection.createStatement()) {
            for (int i = 0; i < 4; i++) {
                statement.execute("ALTER TABLE mooring ADD COLUMN own_" + i + " VARCHAR(250)");
            }
        }
        try {
            ((Runs.RunOutcome.Started) outcome).work().run();
            assertTrue(false, "should have stopped");
        } catch (IllegalStateException e) {
            assertTrue(e.getMessage().contains("no room for another column"), e.getMessage());
        }
        var run = site.runs().last().orElseThrow();
        assertEquals(run.state(), RunState.INTERRUPTED);
        assertTrue(TestRecords.byId(site, "mooring", record.id()).isPresent());
        ((Runs.RunOutcome.Started) site.runs().undo(run.id(), "anna", _ -> {}))
                .work()
                .run();
        assertEquals(site.installed().model(), first);
        assertEquals(everything("mooring"), before);
    }

    private static Model texts(int from, int to) {
        var fields = new ArrayList<Field>();
        for (int i = from; i < to; i++) {
            fields.add(new Field("ftext" + i, "text_" + i, "Text " + i, "", false, Kind.Text.PLAIN));
        }
        return Moorings.model("mooring", "moorings", fields);
    }
}
