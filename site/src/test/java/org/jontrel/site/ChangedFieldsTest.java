package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestRecords;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What runs do to the values of fields that change. */
public class ChangedFieldsTest extends MooringSiteTest {
    @Test
    public void renamingAFieldKeepsEveryValueAndUndoGivesTheOldNameBack() throws SQLException {
        install("1.0.0", Moorings.standard());
        for (int i = 0; i < 30; i++) {
            add("Mooring " + i, "rise", "rise " + i, "length", String.valueOf(i));
        }
        var before = everything("mooring");
        install(
                "1.1.0",
                Moorings.with(Moorings.RISE, f -> f.withKey("rise_of_lock").withLabel("Rise of the lock")));
        assertTrue(columns("mooring").containsKey("rise_of_lock"));
        assertFalse(columns("mooring").containsKey("rise"));
        assertEquals(everything("mooring"), before);
        undo();
        assertTrue(columns("mooring").containsKey("rise"));
        assertEquals(everything("mooring"), before);
    }

    @Test
    public void twoFieldsMayChangeNamesWithEachOther() {
        install("1.0.0", Moorings.standard());
        add("Quay", "rise", "a", "note", "b");
        var before = everything("mooring");
        var swapped = Moorings.model(
                Moorings.RISE.withKey("note"),
                Moorings.NOTE.withKey("rise"),
                Moorings.LENGTH,
                Moorings.STATE,
                Moorings.OPEN,
                Moorings.SINCE,
                Moorings.PHOTO);
        install("1.1.0", swapped);
        assertEquals(everything("mooring"), before);
        undo();
        assertEquals(everything("mooring"), before);
    }

    @Test
    public void aNewRequiredFieldAsksAndCannotRunUnanswered() {
        install("1.0.0", Moorings.model(Moorings.LENGTH));
        add("A");
        add("B");
        var target = Moorings.model(Moorings.LENGTH, Moorings.DEPTH);
        var plan = site.runs().plan(new Runs.RunTarget("1.1.0", target, List.of()));
        assertEquals(plan.asks().size(), 1);
        assertEquals(plan.asks().getFirst().rows(), 2);
        assertFalse(plan.runnable());
        var outcome = site.runs().start(new Runs.RunTarget("1.1.0", target, List.of()), "anna", _ -> {});
        assertTrue(outcome instanceof Runs.RunOutcome.NotRunnable);
        assertEquals(site.installed().version(), "1.0.0");
    }

    @Test
    public void whatARunFillsInIsFoundBySearching() {
        install("1.0.0", Moorings.standard());
        add("Quay", "note", "by the willow");
        add("Basin");
        install(
                "1.1.0",
                Moorings.with(Moorings.NOTE, field -> field.withRequired(true)),
                new Decision("fnote", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "unrecorded"));
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.search("unrecorded")), 1);
        undo();
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.search("unrecorded")), 0);
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.search("willow")), 1);
    }

    @Test
    public void fillingGivesEveryRecordTheValueAndUndoTakesItAway() {
        install("1.0.0", Moorings.model(Moorings.LENGTH));
        add("A", "length", "3");
        add("B");
        var before = everything("mooring");
        install(
                "1.1.0",
                Moorings.model(Moorings.LENGTH, Moorings.DEPTH),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "1.5"));
        everything("mooring").values().forEach(values -> assertEquals(values.get("fdepth"), new BigDecimal("1.5")));
        assertTrue(TestRecords.all(site, "mooring").stream().allMatch(StoredRecord::complete));
        assertEquals(
                site.runs()
                        .undoPlan(site.runs().last().orElseThrow().id())
                        .orElseThrow()
                        .findings(),
                List.of(),
                "the fill is no entry of a person's");
        undo();
        assertEquals(everything("mooring"), before);
    }

    @Test
    public void aFillThatBreaksTheFieldsLimitsBlocks() {
        install("1.0.0", Moorings.model(Moorings.LENGTH));
        add("A");
        var decision = new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "1.55");
        var plan = site.runs()
                .plan(new Runs.RunTarget("1.1.0", Moorings.model(Moorings.LENGTH, Moorings.DEPTH), List.of(decision)));
        assertFalse(plan.runnable());
        assertEquals(plan.findings().getFirst().code(), Code.PLAN_FILL_INVALID);
    }

    @Test
    public void leavingMarksRecordsIncompleteUntilTheyAreFilled() {
        install("1.0.0", Moorings.model(Moorings.LENGTH));
        var a = add("A");
        install(
                "1.1.0",
                Moorings.model(Moorings.LENGTH, Moorings.DEPTH),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.LEAVE, ""));
        assertFalse(TestRecords.byId(site, "mooring", a.id()).orElseThrow().complete());
        var filled = stored(TestRecords.save(
                site, "mooring", Optional.of(a.id()), 1, RecordState.PUBLISHED, raw("A", "depth", "2"), "ben"));
        assertTrue(filled.complete());
        var undo = site.runs().undoPlan(site.runs().last().orElseThrow().id()).orElseThrow();
        assertEquals(undo.findings().getFirst().code(), Code.UNDO_VALUES_HELD);
        undo();
        assertTrue(TestRecords.byId(site, "mooring", a.id()).orElseThrow().complete());
    }

    @DataProvider
    public Object[][] conversions() {
        return new Object[][] {
            {
                "frise",
                new Kind.Numeric(2, null, null, "m"),
                Map.of("2.59", new BigDecimal("2.59"), "7", new BigDecimal("7")),
                List.of("8 ft or 9", "about 9ft")
            },
            {"frise", Kind.LongText.PLAIN, Map.of("2.59", "2.59", "about 9ft", "about 9ft"), List.of()},
            {"frise", Kind.Date.PLAIN, Map.of("2026-01-31", LocalDate.of(2026, 1, 31)), List.of("3/1/2026", "soon")},
            {"frise", Kind.Time.PLAIN, Map.of("09:30", LocalTime.of(9, 30)), List.of("half past nine")},
            {"frise", Kind.Email.PLAIN, Map.of("a@example.org", "a@example.org"), List.of("a at example")},
            {"frise", Kind.Colour.PLAIN, Map.of("#123456", "#123456"), List.of("red")},
            {"frise", Kind.YesNo.PLAIN, Map.of("yes", true, "No", false), List.of("perhaps")},
        };
    }

    @Test(dataProvider = "conversions")
    public void aChangeOfKindConvertsWhatItCanAndHoldsTheRest(
            String fieldId, Kind kind, Map<String, Object> converted, List<String> setAside) {
        install("1.0.0", Moorings.standard());
        converted.keySet().forEach(text -> add(text, "rise", text));
        setAside.forEach(text -> add(text, "rise", text));
        var before = everything("mooring");
        var target = Moorings.with(Moorings.RISE, f -> f.withKind(kind));
        var plan = site.runs().plan(new Runs.RunTarget("2.0.0", target, List.of()));
        assertEquals(plan.asks().size(), setAside.isEmpty() ? 0 : 1);
        install("2.0.0", target, new Decision(fieldId, Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, ""));
        for (var values : everything("mooring").values()) {
            var expected = converted.get(values.get("part_title"));
            assertEquals(values.get(fieldId), expected instanceof BigDecimal n ? n.stripTrailingZeros() : expected);
        }
        undo();
        assertEquals(everything("mooring"), before, "undo restores even what could not be converted");
    }

    @Test
    public void renamedTypesAndPathsKeepRecordsAndLeaveARedirect() {
        install("1.0.0", Moorings.standard());
        add("A", "rise", "x");
        var before = everything("mooring");
        var fields = Moorings.standard().types().getFirst().fields().toList();
        install("1.1.0", Moorings.model("berth", "berths", fields));
        assertEquals(everything("berth"), before);
        assertEquals(site.redirected("moorings").map(RecordType::path), Optional.of("berths"));
        undo();
        assertEquals(everything("mooring"), before);
    }

    @Test
    public void renamedOptionsTakeTheirRecordsAlong() {
        install("1.0.0", Moorings.standard());
        var good = add("A", "state", "good");
        var poor = add("B", "state", "poor");
        var before = everything("mooring");
        var swapped = new Kind.Choice(List.of(
                new Kind.Option("ogood", "poor", "Poor now", false), new Kind.Option("opoor", "bad", "Bad", false)));
        install("1.1.0", Moorings.with(Moorings.STATE, f -> f.withKind(swapped)));
        assertEquals(everything("mooring").get(good.id()).get("fstate"), "poor");
        assertEquals(everything("mooring").get(poor.id()).get("fstate"), "bad");
        undo();
        assertEquals(everything("mooring"), before);
    }

    @Test
    public void tighterLimitsAskAndLeaveValuesAsTheyAre() {
        install("1.0.0", Moorings.standard());
        var a = add("A", "length", "12.5");
        var narrow = Moorings.with(Moorings.LENGTH, f -> f.withKind(new Kind.Numeric(2, null, BigDecimal.TEN, "m")));
        assertEquals(
                site.runs()
                        .plan(new Runs.RunTarget("2.0.0", narrow, List.of()))
                        .asks()
                        .getFirst()
                        .about(),
                Decision.Topic.OUTSIDE_LIMITS);
        install("2.0.0", narrow, new Decision("flength", Decision.Topic.OUTSIDE_LIMITS, Decision.Action.LEAVE, ""));
        var now = TestRecords.byId(site, "mooring", a.id()).orElseThrow();
        assertEquals(((BigDecimal) now.values().get("flength")).compareTo(new BigDecimal("12.5")), 0);
        assertFalse(now.complete());
    }

    @Test
    public void questionsAndNotesOfAPlanHaveTheirCodes() {
        install("1.0.0", Moorings.standard());
        add("A", "length", "12.5");
        var narrow = Moorings.with(Moorings.LENGTH, f -> f.withKind(new Kind.Numeric(2, null, BigDecimal.TEN, "m")));
        var asks =
                site.runs().plan(new Runs.RunTarget("2.0.0", narrow, List.of())).asks();
        assertEquals(asks.getFirst().finding().code(), Code.PLAN_VALUES_OUTSIDE);
        var fields = Moorings.standard().types().getFirst().fields().toList();
        var moved = new Runs.RunTarget("1.1.0", Moorings.model("mooring", "berths", fields), List.of());
        assertEquals(site.runs().plan(moved).findings().getFirst().code(), Code.PLAN_ADDRESS_CHANGES);
    }
}
