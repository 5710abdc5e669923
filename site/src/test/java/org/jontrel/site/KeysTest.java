package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.GroupUse;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Kind.Repeater;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Section;
import org.jontrel.core.model.SharedGroup;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.plan.Plan;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.RunView.RunKind;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Keys that swap, move on to another, or are taken over from what goes; and what of tables goes along with a column. */
public class KeysTest {
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
    }

    private void undo() {
        ((Runs.RunOutcome.Started)
                        site.runs().undo(site.runs().last().orElseThrow().id(), "anna", _ -> {}))
                .work()
                .run();
    }

    private StoredRecord save(String recordTypeId, Map<String, ?> raw) {
        var saved = site.records().save(Write.fresh(recordTypeId, RecordState.PUBLISHED, raw, "ben"));
        assertTrue(saved instanceof SaveResult.Stored, saved.toString());
        return ((SaveResult.Stored) saved).record();
    }

    private Map<String, List<Map<String, Object>>> everything(String... recordTypes) {
        var all = new HashMap<String, List<Map<String, Object>>>();
        for (var recordType : recordTypes) {
            all.put(
                    recordType,
                    site.records().all(recordType, 100).stream()
                            .map(StoredRecord::values)
                            .toList());
        }
        return all;
    }

    private static ContentType type(String id, String key, List<Field> fields) {
        return new ContentType(
                id,
                key,
                "Thing " + id,
                "Things " + id,
                "",
                "",
                "path-" + key,
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("g" + id, "Group", "", fields)));
    }

    private static Field field(String id, String key, Kind kind) {
        return new Field(id, key, "Field " + id, "", false, kind);
    }

    private static Model model(String[] types, String[] fields) {
        var all = new ArrayList<ContentType>();
        for (int i = 0; i < types.length; i++) {
            var own = new ArrayList<Field>();
            for (int f = 0; f < fields.length; f++) {
                own.add(field("f" + i + f, fields[f], f % 2 == 0 ? Kind.Text.PLAIN : rows("c" + i + f)));
            }
            all.add(type("t" + i + "x", types[i], own));
        }
        return new Model(all);
    }

    private static Kind rows(String id) {
        return new Repeater(
                List.of(new Field(id, "cell", "Cell", "", false, Kind.Text.PLAIN)),
                null,
                null,
                "",
                Repeater.PLAIN.shown());
    }

    private void fill(String[] types, String[] fields) {
        for (int i = 0; i < types.length; i++) {
            var raw = new HashMap<String, Object>(Map.of("title", "T" + i));
            for (int f = 0; f < fields.length; f++) {
                raw.put(fields[f], f % 2 == 0 ? "text " + i + f : List.of(Map.of("cell", "row " + i + f)));
            }
            save("t" + i + "x", raw);
        }
    }

    @Test
    public void keysOfTypesAndFieldsSwapAndMoveOn() {
        var types = new String[] {"a", "b", "c"};
        var fields = new String[] {"k", "l", "m", "n"};
        install("1.0.0", model(types, fields));
        fill(types, fields);
        var before = everything("t0x", "t1x", "t2x");
        install("2.0.0", model(new String[] {"b", "c", "a"}, new String[] {"m", "n", "k", "l"}));
        assertEquals(everything("t0x", "t1x", "t2x"), before);
        save("t0x", Map.of("title", "New", "m", "text", "n", List.of(Map.of("cell", "row"))));
        install("3.0.0", model(new String[] {"c", "d", "b"}, new String[] {"k", "l", "o", "p"}));
        undo();
        undoEarlier();
        assertEquals(everything("t1x", "t2x").get("t1x"), before.get("t1x"));
        assertEquals(everything("t0x").get("t0x").size(), 2);
    }

    private void undoEarlier() {
        var run = site.runs().history().stream()
                .filter(each -> each.kind() == RunKind.FORWARD && each.canUndo())
                .findFirst()
                .orElseThrow();
        ((Runs.RunOutcome.Started) site.runs().undo(run.id(), "anna", _ -> {}))
                .work()
                .run();
    }

    @Test
    public void keysAreTakenOverFromWhatGoes() {
        install("1.0.0", model(new String[] {"a", "b"}, new String[] {"k", "l", "m"}));
        fill(new String[] {"a", "b"}, new String[] {"k", "l", "m"});
        var before = everything("t0x", "t1x");
        // the first type goes and the second, and a new one's fields, take the keys; so do fields
        var second = type(
                "t1x",
                "a",
                List.of(
                        field("f12", "k", Kind.Text.PLAIN),
                        field("f19", "m", Kind.Text.PLAIN),
                        field("f11", "l", rows("c11"))));
        var fresh = type("t9x", "b", List.of(field("f90", "l", rows("c90"))));
        // its records could become those of the second, which has the same keys; here they stay what they are
        var held = new Decision("t0x", Decision.Topic.RECORD_TYPE, Decision.Action.LEAVE, "");
        install("2.0.0", new Model(List.of(second, fresh)), held);
        assertEquals(site.records().all("t1x", 10).getFirst().values().get("f12"), "text 12");
        save("t9x", Map.of("title", "N", "l", List.of(Map.of("cell", "x"))));
        save("t1x", Map.of("title", "N", "m", "new"));
        undo();
        assertEquals(everything("t0x"), Map.of("t0x", before.get("t0x")));
        assertTrue(everything("t1x").get("t1x").containsAll(before.get("t1x")));
    }

    private static Taxonomy taxonomy(int number, String key) {
        var remark = field("y" + number, "remark", Kind.Text.PLAIN);
        var id = "x" + number;
        return new Taxonomy(
                id,
                key,
                "Sort " + id,
                "Sorts " + id,
                "",
                "sorts-" + key,
                false,
                false,
                List.of(remark),
                List.of(),
                List.of());
    }

    /** Taxonomies, shared groups, and groups that are fields, each under the key at its place; none where that is empty. */
    private static Model grouped(String... keys) {
        var all = new ArrayList<Definition>();
        var own = new ArrayList<Field>();
        var sections = new ArrayList<Section>();
        for (int i = 0; i < keys.length; i++) {
            if (!keys[i].isEmpty()) {
                all.add(taxonomy(i, keys[i]));
                all.add(new SharedGroup(
                        "s" + i,
                        "shared_" + keys[i],
                        "Shared",
                        "",
                        List.of(field("z" + i, "z" + keys[i], rows("zc" + i)))));
                sections.add(new GroupUse("s" + i, null));
                own.add(field("h" + i, keys[i], new Kind.FieldGroup(List.of(field("g" + i, "size", Kind.Text.PLAIN)))));
            }
        }
        sections.add(new Group("gown", "Own", "", own));
        all.add(new ContentType(
                "t0x", "thing", "Thing", "Things", "", "", "things", Map.of(), List.of(Part.TITLE), sections));
        return new Model(all);
    }

    @Test
    public void keysOfTaxonomiesAndGroupsSwapAndAreTakenOver() {
        install("1.0.0", grouped("a", "b", "c"));
        var values = new HashMap<String, Object>(Map.of("title", "T"));
        int number = 0;
        for (var key : List.of("a", "b", "c")) {
            save("x" + number, Map.of("label", "Term", "remark", "of " + number));
            values.put(key, Map.of("size", "size " + number));
            values.put("z" + key, List.of(Map.of("cell", "row " + number)));
            number++;
        }
        save("t0x", values);
        var before = everything("x0", "x1", "x2", "t0x");
        install("2.0.0", grouped("b", "c", "a"));
        assertEquals(everything("x0", "x1", "x2", "t0x"), before);
        // the first of each goes, and the others move on to keys that were taken
        install("3.0.0", grouped("", "b", "c"));
        assertEquals(everything("x1", "x2"), Map.of("x1", before.get("x1"), "x2", before.get("x2")));
        var left = new HashMap<>(before.get("t0x").getFirst());
        left.keySet().removeAll(List.of("h0", "z0"));
        assertEquals(everything("t0x").get("t0x"), List.of(left));
        undo();
        undoEarlier();
        assertEquals(everything("x0", "x1", "x2", "t0x"), before);
    }

    @Test
    public void anOptionThatTakesAKeyTakesNoRecords() {
        install("1.0.0", Moorings.standard());
        var poor = save("tmooring", Map.of("title", "A", "state", "poor")).id();
        var good = save("tmooring", Map.of("title", "B", "state", "good")).id();
        var kind = new Kind.Choice(List.of(
                new Kind.Option("ogood", "good", "Good", false), new Kind.Option("onew", "poor", "Poorly lit", false)));
        var to = Moorings.with(Moorings.STATE, field -> field.withKind(kind));
        var plan = site.runs().plan(new Runs.RunTarget("2.0.0", to, List.of()));
        assertEquals(plan.asks().getFirst().finding().code(), Code.PLAN_VALUES_UNCONVERTED);
        install("2.0.0", to, new Decision("fstate", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, ""));
        assertEquals(
                site.records().byId("tmooring", good).orElseThrow().values().get("fstate"), "good");
        assertFalse(site.records().byId("tmooring", poor).orElseThrow().values().containsKey("fstate"));
        undo();
        assertEquals(
                site.records().byId("tmooring", poor).orElseThrow().values().get("fstate"), "poor");
    }

    @Test
    public void optionsSwapTheirKeys() {
        install("1.0.0", Moorings.standard());
        var poor = save("tmooring", Map.of("title", "A", "state", "poor")).id();
        var kind = new Kind.Choice(List.of(
                new Kind.Option("ogood", "poor", "Good", false), new Kind.Option("opoor", "good", "Poor", false)));
        install("2.0.0", Moorings.with(Moorings.STATE, field -> field.withKind(kind)));
        assertEquals(
                site.records().byId("tmooring", poor).orElseThrow().values().get("fstate"), "good");
        undo();
        assertEquals(
                site.records().byId("tmooring", poor).orElseThrow().values().get("fstate"), "poor");
    }

    @Test
    public void whatIsFilledFillsWhatWasSetAsideToo() {
        install("1.0.0", Moorings.standard());
        var id = save("tmooring", Map.of("title", "A", "rise", "nine")).id();
        var to = Moorings.with(
                Moorings.RISE,
                field -> field.withKind(new Kind.Numeric(0, null, null, "")).withRequired(true));
        install(
                "2.0.0",
                to,
                new Decision("frise", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, ""),
                new Decision("frise", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "3"));
        assertEquals(
                String.valueOf(site.records()
                        .byId("tmooring", id)
                        .orElseThrow()
                        .values()
                        .get("frise")),
                "3");
        undo();
        assertEquals(site.records().byId("tmooring", id).orElseThrow().values().get("frise"), "nine");
    }

    private Set<String> indexes(String table) throws SQLException {
        var indexes = new TreeSet<String>();
        try (var connection = source.getConnection();
                var statement = connection.createStatement();
                var rows = statement.executeQuery("SELECT GROUP_CONCAT(column_name ORDER BY seq_in_index) FROM"
                        + " information_schema.statistics WHERE table_schema = DATABASE() AND table_name = '" + table
                        + "' GROUP BY index_name")) {
            while (rows.next()) {
                indexes.add(rows.getString(1));
            }
        }
        return indexes;
    }

    @Test
    public void aConvertedFieldKeepsItsIndexes() throws SQLException {
        var unique = new Kind.Text(null, null, "", "", "", "", true);
        install("1.0.0", Moorings.with(Moorings.RISE, field -> field.withKind(Kind.Email.PLAIN)));
        assertFalse(indexes("mooring").contains("rise"));
        install("2.0.0", Moorings.with(Moorings.RISE, field -> field.withKind(unique)));
        assertTrue(indexes("mooring").contains("rise"));
        install(
                "3.0.0",
                Moorings.with(Moorings.RISE, field -> field.withKind(unique).withKey("height")));
        assertTrue(indexes("mooring").contains("height"));
        undo();
        assertTrue(indexes("mooring").contains("rise"));
        var required =
                Moorings.with(Moorings.RISE, field -> field.withKind(unique).withRequired(true));
        save("tmooring", Map.of("title", "A"));
        install("4.0.0", required, new Decision("frise", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "x"));
        assertTrue(indexes("mooring").contains("rise"), "a filled column is another one");
    }

    private Plan plan(Model to) {
        return site.runs().plan(new Runs.RunTarget("2.0.0", to, List.of()));
    }

    private void say(String sql) throws SQLException {
        try (var connection = source.getConnection();
                var statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    @Test
    public void whatSomebodyDidToTablesIsSaidAndStopsThePlan() throws SQLException {
        install("1.0.0", Moorings.standard());
        save("tmooring", Map.of("title", "A", "rise", "1", "length", "2"));
        var to = Moorings.with(Moorings.RISE, field -> field.withKind(new Kind.Numeric(0, null, null, "")));
        assertTrue(plan(to).runnable());
        say("ALTER TABLE mooring MODIFY length VARCHAR(20) COMMENT 'flength'");
        assertEquals(plan(to).findings().getFirst().code(), Code.DRIFT_COLUMN_CHANGED);
        say("ALTER TABLE mooring DROP COLUMN rise");
        var plan = plan(to);
        assertFalse(plan.runnable());
        assertEquals(
                plan.findings().stream().map(Finding::code).toList(),
                List.of(Code.DRIFT_COLUMN_CHANGED, Code.DRIFT_COLUMN_GONE));
        assertTrue(
                plan.findings().getLast().sentence().contains("ALTER TABLE `mooring` ADD COLUMN `rise` VARCHAR(255)"));
        assertTrue(
                site.runs().start(new Runs.RunTarget("2.0.0", to, List.of()), "anna", _ -> {})
                        instanceof Runs.RunOutcome.NotRunnable);
        say("DROP TABLE mooring");
        assertEquals(plan(to).findings().getFirst().code(), Code.DRIFT_TABLE_GONE);
    }
}
