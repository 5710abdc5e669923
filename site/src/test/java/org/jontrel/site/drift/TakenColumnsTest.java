package org.jontrel.site.drift;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.edit.AddedField;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.site.run.Held;
import org.jontrel.site.run.Runs;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Columns that somebody added or changed are taken into a field, or put back; nothing in them is lost. */
public class TakenColumnsTest {
    private static final String MOORING = "tmooring";
    private TestSite test;

    @BeforeMethod
    public void open() {
        test = TestSite.open();
    }

    @AfterMethod
    public void close() {
        test.close();
    }

    private void say(String sql) {
        try (var connection = test.source().getConnection()) {
            Jdbc.execute(connection, sql);
        } catch (SQLException e) {
            throw new IllegalStateException(sql, e);
        }
    }

    private List<Code> codes() {
        return test.site().drift().look().stream().map(Finding::code).toList();
    }

    private long mooring(String title, String length) {
        return test.save(MOORING, Map.of("title", title, "length", length)).id();
    }

    private static Field field(Kind kind) {
        return new Field("ffound", "found", "Found", "", false, kind);
    }

    private boolean take(String place, String column, Field field) {
        return test.site().drift().take(MOORING, place, column, field, "anna");
    }

    /** By title, what a field of the moorings says. */
    private Map<String, String> values(String fieldId) {
        var all = new LinkedHashMap<String, String>();
        test.site()
                .records()
                .all(MOORING, 100)
                .forEach(each ->
                        all.put(each.title(), String.valueOf(each.values().get(fieldId))));
        return all;
    }

    @DataProvider
    public Object[][] columns() {
        return new Object[][] {
            {"VARCHAR(40) NOT NULL DEFAULT 'x'", "'Two posts'", Kind.Text.PLAIN, "Two posts"},
            {"VARCHAR(40) CHARACTER SET latin1", "'Höhe'", Kind.Text.PLAIN, "Höhe"},
            {"TEXT", "'Two\nlines'", Kind.LongText.PLAIN, "Two\nlines"},
            {"INT UNSIGNED", "4294967295", Kind.Numeric.PLAIN, "4294967295"},
            {"BIGINT", "9223372036854775807", Kind.Text.PLAIN, "9223372036854775807"},
            {"DECIMAL(10,3)", "12.125", new Kind.Numeric(3, null, null, ""), "12.125"},
            {"DECIMAL(30,10)", "0.0000000001", Kind.Text.PLAIN, "0.0000000001"},
            {"DOUBLE", "0.5", new Kind.Numeric(6, null, null, ""), "0.5"},
            {"DOUBLE", "1e300", Kind.Text.PLAIN, "1e300"},
            {"TINYINT(1)", "1", Kind.YesNo.PLAIN, "true"},
            {"TINYINT(1)", "7", Kind.Numeric.PLAIN, "7"},
            {"DATE", "'2026-05-12'", Kind.Date.PLAIN, "2026-05-12"},
            {"DATETIME", "'2026-05-12 07:30:00'", Kind.DateTime.PLAIN, "2026-05-12T07:30"},
            {"DATETIME(6)", "'2026-05-12 07:30:00.5'", Kind.Text.PLAIN, "2026-05-12 07:30:00.500000"},
            {"TIME", "'07:30:00'", Kind.Time.PLAIN, "07:30"},
            {"TIME", "'-07:30:00'", Kind.Text.PLAIN, "-07:30:00"},
            {"YEAR", "1869", Kind.Numeric.PLAIN, null},
            {"ENUM('oak','elm')", "'elm'", Kind.Text.PLAIN, "elm"},
            {"JSON", "'{\"a\": 1}'", Kind.Text.PLAIN, "{\"a\": 1}"},
            {"BLOB", "'x'", null, null},
            {"INT AS (7) STORED", null, null, null}
        };
    }

    /** Every value comes back as it was, or its column is left alone. */
    @Test(dataProvider = "columns")
    public void aColumnOfAnyTypeIsTakenWhole(String type, String value, Kind kind, String read) throws SQLException {
        test.install("1.0.0", Moorings.model(Moorings.LENGTH));
        long first = mooring("A", "12");
        mooring("B", "13");
        say("ALTER TABLE mooring ADD COLUMN `Odd name` " + type);
        if (value != null) {
            var years = type.equals("YEAR") ? "1969" : value;
            say("UPDATE mooring SET `Odd name` = " + years + " WHERE id = " + first);
        }
        assertEquals(test.site().drift().kindOf(MOORING, "", "Odd name"), Optional.ofNullable(kind));
        if (kind == null) {
            assertFalse(take("", "Odd name", field(Kind.Text.PLAIN)));
            assertEquals(codes(), List.of(Code.DRIFT_COLUMN_UNKNOWN));
            return;
        }
        assertTrue(take("", "Odd name", field(kind)));
        assertEquals(codes(), List.of(), "nothing is in the way any more");
        var held = test.site().held().list().getFirst();
        assertEquals(held.runId(), 0);
        assertEquals(held.way(), Held.ReturnWay.NO_FIELD);
        assertEquals(
                test.site()
                        .held()
                        .look(held.name(), 0, 10)
                        .orElseThrow()
                        .records()
                        .size(),
                (int) held.values());
        var before = Dump.of(test.source());
        var to = with(field(kind));
        var back = new Decision("ffound", Decision.Topic.HELD_VALUES, Decision.Action.BRING_BACK, "");
        test.install("1.1.0", to, back);
        var expected = read == null ? "1969" : read;
        assertEquals(values("ffound").get("A"), expected);
        test.undo(test.last());
        assertEquals(Dump.of(test.source()), before);
    }

    private static Model with(Field field) {
        return new AddedField(field)
                .to(Moorings.model(Moorings.LENGTH), MOORING, "")
                .orElseThrow();
    }

    /** As many columns as somebody added; also in the table of rows. */
    @Test
    public void columnsOfRowsAreTakenWhereTheRowsAre() {
        var rows = new Field(
                "fposts",
                "posts",
                "Posts",
                "",
                false,
                new Kind.Repeater(
                        List.of(new Field("fname", "name", "Name", "", false, Kind.Text.PLAIN)),
                        null,
                        null,
                        "",
                        Kind.Repeater.RowStyle.CARDS));
        test.install("1.0.0", Moorings.model(rows));
        test.save(MOORING, Map.of("title", "A", "posts", List.of(Map.of("name", "P1"), Map.of("name", "P2"))));
        say("ALTER TABLE mooring__posts ADD COLUMN height INT");
        say("UPDATE mooring__posts SET height = 3 + position");
        say("ALTER TABLE mooring ADD COLUMN one INT, ADD COLUMN two INT");
        var found = test.site().drift().look();
        assertEquals(found.size(), 3);
        assertEquals(
                new ArrayList<>(found.stream()
                        .map(each -> each.place().property())
                        .sorted()
                        .toList()),
                List.of("height", "one", "two"));
        var kind = test.site().drift().kindOf(MOORING, "fposts", "height").orElseThrow();
        assertFalse(take("", "height", field(kind)), "it is in another table");
        assertTrue(take("fposts", "height", field(kind)));
        var to = new AddedField(field(kind))
                .to(Moorings.model(rows), MOORING, "fposts")
                .orElseThrow();
        var plan = test.site().runs().plan(new Runs.RunTarget("1.1.0", to, List.of()));
        assertEquals(plan.asks().getFirst().about(), Decision.Topic.HELD_VALUES);
        test.install("1.1.0", to, new Decision("ffound", Decision.Topic.HELD_VALUES, Decision.Action.BRING_BACK, ""));
        assertEquals(
                values("fposts").get("A").replaceAll("id=\\d+", ""),
                "[Row[, values={fname=P1, ffound=3}], Row[, values={fname=P2, ffound=4}]]");
    }

    /** What the field can take is there again; all of it is held. */
    @Test
    public void aColumnOfAnotherTypeIsPutBack() {
        test.install("1.0.0", Moorings.model(Moorings.LENGTH));
        mooring("A", "12");
        mooring("B", "13.5");
        mooring("C", "14");
        say("ALTER TABLE mooring MODIFY length VARCHAR(40) COMMENT 'flength'");
        say("UPDATE mooring SET length = 'about 14' WHERE title = 'C'");
        assertEquals(codes(), List.of(Code.DRIFT_COLUMN_CHANGED));
        assertTrue(test.site().drift().mend(Code.DRIFT_COLUMN_CHANGED, MOORING, "flength", "anna"));
        assertEquals(codes(), List.of());
        assertEquals(values("flength"), Map.of("A", "12", "B", "13.5", "C", "null"));
        var held = test.site().held().list().getFirst();
        assertEquals(held.values(), 3);
        assertEquals(held.by(), "anna");
        assertEquals(
                test.site().held().look(held.name(), 0, 10, true).orElseThrow().records().stream()
                        .map(each -> String.valueOf(each.values().get("flength")))
                        .toList(),
                List.of("about 14"));
        test.install("2.0.0", Moorings.model(Moorings.LENGTH, Moorings.RISE));
        test.undo(test.last());
        assertEquals(test.site().held().list().getLast(), held, "runs are no matter to it");
    }

    @Test
    public void definitionsThatSomebodyChangedArePutBack() {
        var model = Moorings.model(Moorings.LENGTH);
        test.install("1.0.0", model);
        say("UPDATE jontrel_installed SET model = REPLACE(model, 'Length', 'Longness')");
        assertEquals(codes(), List.of(Code.DRIFT_DEFINITIONS_CHANGED));
        assertTrue(test.site().drift().mend(Code.DRIFT_DEFINITIONS_CHANGED, "", "", "anna"));
        assertEquals(codes(), List.of());
        assertEquals(test.site().installed().model(), model);
    }
}
