package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TimeZone;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.plan.Step;
import org.jontrel.core.value.Row;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** An undo gives back what was there, byte for byte, however many runs and undos came before it. */
public class ExactUndoTest {
    private HikariDataSource source;
    private Site site;
    private TestSite test;

    @BeforeMethod
    public void open() {
        test = TestSite.open();
        source = test.source();
        site = test.site();
    }

    @AfterMethod
    public void close() {
        source.close();
    }

    private void install(String version, Model model, Decision... decisions) {
        test.install(version, model, decisions);
    }

    private RunView last() {
        return test.last();
    }

    private void undo(RunView run) {
        test.undo(run);
    }

    private StoredRecord save(String recordTypeId, Map<String, ?> raw) {
        return test.save(recordTypeId, raw);
    }

    private StoredRecord edit(String recordTypeId, long id, Map<String, ?> raw) {
        return test.edit(recordTypeId, id, raw);
    }

    private Map<String, Object> values(long id) {
        return new TreeMap<>(site.records().byId("tmooring", id).orElseThrow().values());
    }

    private Map<String, List<Map<String, String>>> bytes() throws SQLException {
        return Dump.of(source);
    }

    @Test
    public void whatWasEmptyIsThereAgain() throws SQLException {
        install("1.0.0", Orchard.model());
        var before = bytes();
        install("2.0.0", new Model(List.of()));
        undo(last());
        assertEquals(bytes().keySet(), before.keySet());
        var tree = save("ttree", Orchard.tree("A"));
        assertEquals(
                ((List<?>) site.records()
                                .byId("ttree", tree.id())
                                .orElseThrow()
                                .values()
                                .get("fprunings"))
                        .size(),
                2);
        install("3.0.0", Orchard.edited(Map.of("label: Prunings", "label: Cuttings")));
    }

    @DataProvider
    public Object[][] texts() {
        return new Object[][] {
            {"1582-10-10", new Kind.Date(null, null)},
            {"0987-02-28", new Kind.Date(null, null)},
            {"2026-03-29T02:30", new Kind.DateTime(null, null)},
            {"2026-05-01T09:30:00.75", new Kind.DateTime(null, null)},
            {"52.123456789012, -1.5", new Kind.Coordinates()},
            {"52.1234567, -1.5", new Kind.Coordinates()},
            {"9", new Kind.Numeric(0, null, null, "")},
            {"007", new Kind.Numeric(0, null, null, "")},
            {"2.50", new Kind.Numeric(2, null, null, "m")},
            {"12,5", new Kind.Numeric(1, null, null, "")},
            {"8 ft 6 in", new Kind.Numeric(4, null, null, "m")},
            {"1,234", new Kind.Numeric(0, null, null, "")},
            {"12 May 2026", new Kind.Date(null, null)},
            {"3/4/2026", new Kind.Date(null, null)},
            {"x", Kind.YesNo.PLAIN},
            {" Padded ", Kind.LongText.PLAIN},
        };
    }

    @Test(dataProvider = "texts")
    public void aTextConvertedAndUndoneIsTheTextItWas(String text, Kind kind) throws SQLException {
        install("1.0.0", Moorings.standard());
        save("tmooring", Map.of("title", "A", "rise", text));
        var before = bytes();
        var decision = new Decision("frise", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
        install("2.0.0", Moorings.with(Moorings.RISE, field -> field.withKind(kind)), decision);
        undo(last());
        assertEquals(bytes(), before);
    }

    @DataProvider
    public Object[][] zones() {
        return new Object[][] {{"UTC"}, {"Europe/Berlin"}, {"America/New_York"}, {"Pacific/Apia"}};
    }

    @Test(dataProvider = "zones")
    public void timesAreTheSameInEveryZone(String zone) throws SQLException {
        var before = TimeZone.getDefault();
        TimeZone.setDefault(TimeZone.getTimeZone(zone));
        try {
            var model = Moorings.with(Moorings.RISE, field -> field.withKind(new Kind.DateTime(null, null)));
            install("1.0.0", model);
            for (var moment : List.of("2026-03-29T02:30", "2026-03-08T02:30", "2011-12-30T12:00", "1582-10-10T00:00")) {
                var id = save(
                                "tmooring",
                                Map.of(
                                        "title",
                                        moment,
                                        "rise",
                                        moment,
                                        "since",
                                        moment.substring(0, 10),
                                        "opens",
                                        "02:30"))
                        .id();
                assertEquals(String.valueOf(values(id).get("frise")), moment);
                assertEquals(String.valueOf(values(id).get("fsince")), moment.substring(0, 10));
                assertEquals(String.valueOf(values(id).get("fopens")), "02:30");
                try (var connection = source.getConnection();
                        var statement = connection.createStatement();
                        var row = statement.executeQuery(
                                "SELECT CAST(rise AS CHAR), CAST(since AS CHAR) FROM mooring WHERE id = " + id)) {
                    row.next();
                    assertEquals(row.getString(1), moment.replace('T', ' ') + ":00");
                    assertEquals(row.getString(2), moment.substring(0, 10));
                }
            }
            for (var sort : List.of("frise", "fsince", "fopens", "own_updated_at")) {
                assertEquals(pages(sort), 4, "page by page by " + sort);
            }
            var bytes = bytes();
            install("2.0.0", Moorings.with(Moorings.RISE, field -> field.withKind(Kind.Text.PLAIN)));
            undo(last());
            assertEquals(bytes(), bytes);
        } finally {
            TimeZone.setDefault(before);
        }
    }

    private int pages(String sort) {
        var query = ListQuery.ALL.most(1).sortedBy(sort, false);
        var seen = new ArrayList<Long>();
        while (seen.size() < 10) {
            var page = site.records().page("tmooring", query).orElseThrow();
            page.records().forEach(record -> seen.add(record.id()));
            if (page.next().isEmpty()) {
                break;
            }
            query = query.after(page.next());
        }
        assertEquals(seen.stream().distinct().count(), seen.size());
        return seen.size();
    }

    @Test
    public void runsThatChangeNothingAreNone() {
        install("1.0.0", Moorings.standard());
        var again = site.runs().start(new Runs.RunTarget("1.0.0", Moorings.standard(), List.of()), "anna", _ -> {});
        assertTrue(again instanceof Runs.RunOutcome.NothingToDo, again.toString());
        assertEquals(site.runs().history().size(), 1);
    }

    @Test
    public void anEarlierRunIsUndoneWhenWhatStoodOnItIsUndone() throws SQLException {
        install("1.0.0", Moorings.standard());
        var id = save("tmooring", Map.of("title", "A", "rise", "9.50", "length", "12"))
                .id();
        var before = bytes();
        var numbers = Moorings.with(Moorings.RISE, field -> field.withKind(new Kind.Numeric(2, null, null, "m")));
        install("2.0.0", numbers);
        var first = last();
        install(
                "2.0.1",
                Moorings.with(
                        Moorings.RISE,
                        field -> field.withKind(new Kind.Numeric(2, null, null, "m"))
                                .withLabel("Rise now")));
        var labels = last();
        assertFalse(site.runs().find(first.id()).orElseThrow().canUndo());
        assertTrue(site.runs().undo(first.id(), "anna", _ -> {}) instanceof Runs.RunOutcome.NothingToDo);
        undo(labels);
        undo(first);
        assertEquals(site.installed().version(), "1.0.0");
        assertEquals(bytes(), before);
        assertEquals(String.valueOf(values(id).get("frise")), "9.50");
    }

    @Test
    public void anUndoCanBeUndoneAndKeepsWhatPeopleEntered() throws SQLException {
        install("1.0.0", Moorings.standard());
        var same = save("tmooring", Map.of("title", "Same", "rise", "9.50", "length", "12"))
                .id();
        var odd = save("tmooring", Map.of("title", "Odd", "rise", "nine")).id();
        var empty = save("tmooring", Map.of("title", "Empty")).id();
        var later = save("tmooring", Map.of("title", "Later", "rise", "1")).id();
        var unfit = save("tmooring", Map.of("title", "Unfit", "rise", "2", "length", "3"))
                .id();
        var older = bytes();
        var fields = new ArrayList<Field>();
        Moorings.standard()
                .types()
                .getFirst()
                .fields()
                .forEach(field -> fields.add(
                        field.id().equals("frise")
                                ? field.withKind(new Kind.Numeric(2, null, null, "m"))
                                : field.id().equals("flength") ? field.withKind(Kind.Text.PLAIN) : field));
        fields.add(Moorings.DEPTH);
        install(
                "2.0.0",
                Moorings.model("mooring", "moorings", fields),
                new Decision("frise", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, ""),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "1.5"));
        var forward = last();
        edit("tmooring", unfit, Map.of("length", "three and a bit", "depth", "7"));
        var newer = new HashMap<Long, Map<String, Object>>();
        List.of(same, odd, empty, later, unfit).forEach(id -> newer.put(id, values(id)));
        undo(forward);
        var back = last();
        assertTrue(back.canUndo());
        assertEquals(String.valueOf(values(odd).get("frise")), "nine");
        edit("tmooring", later, Map.of("rise", "4.25"));
        undo(back);
        assertEquals(site.installed().version(), "2.0.0");
        assertEquals(site.runs().find(forward.id()).orElseThrow().state(), RunView.RunState.DONE);
        for (var id : List.of(same, odd, empty, unfit)) {
            assertEquals(values(id), newer.get(id), "record " + id);
        }
        assertEquals(String.valueOf(values(later).get("frise")), "4.25");
        assertTrue(site.runs().find(forward.id()).orElseThrow().canUndo());
        undo(site.runs().find(forward.id()).orElseThrow());
        edit("tmooring", later, Map.of("rise", "1"));
        edit("tmooring", unfit, Map.of("length", "3"));
        assertEquals(rows(bytes()), rows(older));
    }

    /** Without versions and times of saving. */
    private static List<Map<String, String>> rows(Map<String, List<Map<String, String>>> bytes) {
        return bytes.get("mooring").stream()
                .map(row -> {
                    var left = new TreeMap<>(row);
                    left.keySet().removeAll(List.of("version", "updated_at", "updated_by"));
                    return (Map<String, String>) left;
                })
                .toList();
    }

    @Test
    public void rowsOfARepeaterComeBackThroughUndoAndItsUndo() {
        install("1.0.0", Orchard.model());
        var tree = save("ttree", Orchard.tree("A")).id();
        var before = site.records().byId("ttree", tree).orElseThrow().values();
        install(
                "2.0.0",
                Orchard.edited(Map.of(
                        "key: thick, label: Thickness, kind: number, decimals: 1",
                        "key: thick, label: Thickness, kind: text")));
        var forward = last();
        var newer = site.records().byId("ttree", tree).orElseThrow().values();
        undo(forward);
        assertEquals(site.records().byId("ttree", tree).orElseThrow().values(), before);
        undo(last());
        assertEquals(site.records().byId("ttree", tree).orElseThrow().values(), newer);
        assertTrue(((Row) ((List<?>) newer.get("fprunings")).getFirst()).id() > 0);
    }

    @Test
    public void whatIsSavedMeanwhileAndCannotBeTakenOverIsTold() {
        install("1.0.0", Moorings.standard());
        var id = save("tmooring", Map.of("title", "A", "rise", "9")).id();
        var saved = new boolean[1];
        var to = Moorings.with(Moorings.RISE, field -> field.withKind(new Kind.Numeric(0, null, null, "")));
        Consumer<RunView> interruptedBehindTheSwitch = run -> {
            boolean copied = run.steps().stream()
                    .anyMatch(step -> step.sentence().startsWith("Copy") && step.state() == RunView.StepState.DONE);
            if (copied && !saved[0]) {
                saved[0] = true;
                edit("tmooring", id, Map.of("rise", "about nine"));
            }
            if (run.steps().stream()
                    .anyMatch(step -> step.phase().equals("after") && step.state() == RunView.StepState.ACTING)) {
                throw new IllegalStateException("interrupted");
            }
        };
        var begun = (Runs.RunOutcome.Started)
                site.runs().start(new Runs.RunTarget("2.0.0", to, List.of()), "anna", interruptedBehindTheSwitch);
        assertThrows(IllegalStateException.class, begun.work()::run);
        assertTrue(saved[0]);
        TestSite.run(site.runs().resume(last().id(), _ -> {}));
        assertEquals(
                last().findings(),
                List.of("Records saved while the run was under way whose value of Rise could not be taken over: 1."
                        + " These values are held."));
        assertFalse(values(id).containsKey("frise"));
        assertEquals(site.runs().setAside("tmooring", id), List.of(new Runs.SetAside("frise", last().id())));
        undo(last());
        assertEquals(values(id).get("frise"), "about nine");
    }

    /** A plan looks only at incomplete records again where it knows the others; what is saved meanwhile it does not know. */
    @Test
    public void whatIsSavedMeanwhileAndBreaksNewLimitsIsIncomplete() {
        install("1.0.0", Moorings.standard());
        var fine = save("tmooring", Map.of("title", "A", "rise", "9")).id();
        var late = save("tmooring", Map.of("title", "B", "rise", "8")).id();
        var to = Moorings.with(Moorings.RISE, field -> field.withKind(new Kind.Numeric(0, null, BigDecimal.TEN, "")));
        var steps = site.runs().plan(new Runs.RunTarget("2.0.0", to, List.of())).steps().stream()
                .map(Plan.PlannedStep::step)
                .toList();
        assertTrue(steps.contains(new Step.CheckRecords("tmooring", Step.Among.INCOMPLETE)), steps.toString());
        var saved = new boolean[1];
        TestSite.run(site.runs().start(new Runs.RunTarget("2.0.0", to, List.of()), "anna", run -> {
            boolean copied = run.steps().stream()
                    .anyMatch(step -> step.sentence().startsWith("Copy") && step.state() == RunView.StepState.DONE);
            if (copied && !saved[0]) {
                saved[0] = true;
                edit("tmooring", late, Map.of("rise", "99"));
            }
        }));
        assertEquals(String.valueOf(values(late).get("frise")), "99");
        assertFalse(site.records().byId("tmooring", late).orElseThrow().complete());
        assertTrue(site.records().byId("tmooring", fine).orElseThrow().complete());
        // and with wider limits it is complete again
        var wide = Moorings.with(Moorings.RISE, field -> field.withKind(new Kind.Numeric(0, null, null, "")));
        install("3.0.0", wide);
        assertTrue(site.records().byId("tmooring", late).orElseThrow().complete());
    }
}
