package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import javax.imageio.ImageIO;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.RecordState;
import org.jontrel.site.media.Bytes;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.run.RunView.RunState;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.TestRecords;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A site on the real database: records, runs to other definitions, and undo. */
public class SiteTest {
    private HikariDataSource source;
    private Site site;

    @BeforeMethod
    public void open() {
        var database = TestDatabase.shared();
        source = database.source(database.create());
        site = Site.open(source, "test", Duration.ofSeconds(2));
    }

    @AfterMethod
    public void close() {
        source.close();
    }

    private void install(String version, Model model, Decision... decisions) {
        var outcome = site.runs().start(new Runs.RunTarget(version, model, List.of(decisions)), "anna", _ -> {});
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
        assertEquals(site.installed().version(), version);
        assertEquals(site.installed().model(), model);
    }

    private void undo() {
        var last = site.runs().last().orElseThrow();
        var outcome = site.runs().undo(last.id(), "anna", _ -> {});
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
        assertEquals(site.runs().find(last.id()).orElseThrow().state(), RunState.UNDONE);
        assertEquals(site.runs().last().orElseThrow().state(), RunState.DONE);
    }

    private StoredRecord add(String title, Object... pairs) {
        return stored(TestRecords.save(
                site, "mooring", Optional.empty(), 0, RecordState.PUBLISHED, raw(title, pairs), "ben"));
    }

    private static Map<String, Object> raw(String title, Object... pairs) {
        var raw = new HashMap<String, Object>();
        raw.put("title", title);
        for (int i = 0; i < pairs.length; i += 2) {
            raw.put((String) pairs[i], pairs[i + 1]);
        }
        return raw;
    }

    private static StoredRecord stored(SaveResult saved) {
        assertTrue(saved instanceof SaveResult.Stored, saved.toString());
        return ((SaveResult.Stored) saved).record();
    }

    private Map<Long, Map<String, Object>> everything(String key) {
        var all = new LinkedHashMap<Long, Map<String, Object>>();
        TestRecords.all(site, key).forEach(record -> all.put(record.id(), plain(record.values())));
        return all;
    }

    private static Map<String, Object> plain(Map<String, Object> values) {
        var plain = new HashMap<String, Object>();
        values.forEach((field, value) ->
                plain.put(field, value instanceof BigDecimal number ? number.stripTrailingZeros() : value));
        return plain;
    }

    @Test
    public void everyKindIsStoredInARealTypedColumnAndComesBack() throws SQLException {
        install("1.0.0", Moorings.standard());
        var saved = add(
                "Quay 😀 <b>",
                "length",
                "12.50",
                "rise",
                "about 9ft",
                "state",
                "poor",
                "open",
                true,
                "since",
                "1890-05-01",
                "note",
                "Two\nlines 'quoted' `ticked`",
                "opens",
                "23:59:58",
                "email",
                "keeper@example.org",
                "phone",
                "+44 20 7946 0000",
                "tint",
                "#ABC");
        var values = TestRecords.byId(site, "mooring", saved.id()).orElseThrow().values();
        assertEquals(values.get("part_title"), "Quay 😀 <b>");
        assertEquals(((BigDecimal) values.get("flength")).compareTo(new BigDecimal("12.5")), 0);
        assertEquals(values.get("frise"), "about 9ft");
        assertEquals(values.get("fstate"), "poor");
        assertEquals(values.get("fopen"), true);
        assertEquals(values.get("fsince"), LocalDate.of(1890, 5, 1));
        assertEquals(values.get("fnote"), "Two\nlines 'quoted' `ticked`");
        assertEquals(values.get("fopens"), LocalTime.of(23, 59, 58));
        assertEquals(values.get("femail"), "keeper@example.org");
        assertEquals(values.get("fphone"), "+44 20 7946 0000");
        assertEquals(values.get("ftint"), "#aabbcc");
        assertEquals(saved.slug(), "quay-b");
        assertEquals(
                columns("mooring").get("state_value"),
                "varchar(64)",
                "a field whose key an own column has gets a name of its own");
        assertEquals(columns("mooring").get("length"), "decimal(20,6)");
    }

    private Map<String, String> columns(String table) throws SQLException {
        var columns = new HashMap<String, String>();
        try (var connection = source.getConnection();
                var statement = connection.createStatement();
                var rows = statement.executeQuery("SHOW COLUMNS FROM " + table)) {
            while (rows.next()) {
                columns.put(rows.getString(1), rows.getString(2));
            }
        }
        return columns;
    }

    @Test
    public void aBadRecordIsRefusedWithEveryReasonAndNothingIsStored() {
        install("1.0.0", Moorings.with(Moorings.LENGTH, f -> f.withRequired(true)));
        var saved = TestRecords.save(
                site,
                "mooring",
                Optional.empty(),
                0,
                RecordState.PUBLISHED,
                raw("", "length", "x", "colour", "red", "photo", 17),
                "ben");
        var codes = ((SaveResult.Refused) saved)
                .problems().stream().map(problem -> problem.finding().code()).toList();
        assertTrue(
                codes.containsAll(List.of(
                        Code.VALUE_FIELD_UNKNOWN, Code.VALUE_NOT_NUMBER, Code.VALUE_REQUIRED, Code.VALUE_NOT_IMAGE)),
                codes.toString());
        assertEquals(TestRecords.count(site, "mooring"), 0);
        assertTrue(
                TestRecords.save(site, "lighthouse", Optional.empty(), 0, RecordState.DRAFT, raw("x"), "ben")
                        instanceof SaveResult.Missing);
    }

    @Test
    public void aDraftMayLackRequiredValuesAndIsIncomplete() {
        install("1.0.0", Moorings.model(Moorings.LENGTH, Moorings.DEPTH));
        var draft =
                stored(TestRecords.save(site, "mooring", Optional.empty(), 0, RecordState.DRAFT, raw("Quay"), "ben"));
        assertFalse(draft.complete());
        var incomplete = new Condition.FieldIs("own_complete", Condition.Test.IS, List.of("false"));
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.where(incomplete)), 1);
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.as(Audience.VISITORS)), 0);
    }

    @Test
    public void theSecondOfTwoEditorsIsToldAndOverwritesNothing() {
        install("1.0.0", Moorings.standard());
        var first = add("Quay", "length", "1");
        stored(TestRecords.save(
                site, "mooring", Optional.of(first.id()), 1, RecordState.PUBLISHED, raw("Quay", "length", "2"), "ben"));
        var second = TestRecords.save(
                site, "mooring", Optional.of(first.id()), 1, RecordState.PUBLISHED, raw("Quay", "length", "3"), "cleo");
        assertEquals(((SaveResult.Conflict) second).current().version(), 2);
        var now = TestRecords.byId(site, "mooring", first.id()).orElseThrow();
        assertEquals(((BigDecimal) now.values().get("flength")).intValueExact(), 2);
        assertEquals(now.updatedBy(), "ben");
    }

    @Test
    public void manyWritersWithOneTitleAllGetAnAddressOfTheirOwn() throws Exception {
        install("1.0.0", Moorings.standard());
        try (var pool = Executors.newFixedThreadPool(12)) {
            var writers = new ArrayList<Callable<StoredRecord>>();
            for (int i = 0; i < 60; i++) {
                writers.add(() -> add("Same title"));
            }
            var slugs = new ArrayList<String>();
            for (var future : pool.invokeAll(writers)) {
                slugs.add(future.get().slug());
            }
            assertEquals(slugs.stream().distinct().count(), 60);
        }
    }

    @Test
    public void searchTakesSignsOfPatternsAsText() {
        install("1.0.0", Moorings.standard());
        add("100% full");
        add("100 berths");
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.search("0%")), 2, "part of a title");
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.search("100 ful")), 1, "beginnings of words");
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.search("'; DROP TABLE mooring; --")), 0);
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.search("+\"( @~*")), 0);
    }

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
                List.of("8 ft 6 in", "about 9ft")
            },
            {"frise", Kind.LongText.PLAIN, Map.of("2.59", "2.59", "about 9ft", "about 9ft"), List.of()},
            {"frise", Kind.Date.PLAIN, Map.of("2026-01-31", LocalDate.of(2026, 1, 31)), List.of("31.1.2026", "soon")},
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
                Moorings.model(Moorings.LENGTH, new Field("fother", "rise", "Other", "", false, Kind.Date.PLAIN)));
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
    public void renamedTypesAndPathsKeepRecordsAndLeaveARedirect() {
        install("1.0.0", Moorings.standard());
        add("A", "rise", "x");
        var before = everything("mooring");
        var fields = Moorings.standard().types().getFirst().fields().toList();
        install("1.1.0", Moorings.model("berth", "berths", fields));
        assertEquals(everything("berth"), before);
        assertEquals(site.redirected("moorings").map(Holder::path), Optional.of("berths"));
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
    public void uploadsAreJudgedByWhatTheyAre() throws IOException {
        install("1.0.0", Moorings.standard());
        assertEquals(refusal("no picture".getBytes(java.nio.charset.StandardCharsets.UTF_8)), Code.IMAGE_NOT_A_PICTURE);
        var whole = png(40, 30);
        assertEquals(refusal(java.util.Arrays.copyOf(whole, whole.length / 2)), Code.IMAGE_NOT_A_PICTURE);
        assertEquals(refusal(png(10_000, 6_100)), Code.IMAGE_TOO_MANY_PIXELS);
        var uploaded = site.media().upload(Moorings.PHOTO, "a.txt", "A quay", Bytes.of(whole), "ben");
        var picture = ((MediaStore.Uploaded.StoredUpload) uploaded).file();
        assertEquals(List.of(picture.format(), picture.width(), picture.height()), List.of("png", 40, 30));
        assertEquals(site.media().serve(picture, 0).orElseThrow().bytes().open().readAllBytes(), whole);
    }

    private Code refusal(byte[] bytes) throws IOException {
        var uploaded = site.media().upload(Moorings.PHOTO, "a.png", "A quay", Bytes.of(bytes), "ben");
        return ((MediaStore.Uploaded.RefusedUpload) uploaded)
                .findings()
                .getFirst()
                .code();
    }

    private static byte[] png(int width, int height) throws IOException {
        var bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_BYTE_BINARY), "png", bytes);
        return bytes.toByteArray();
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
