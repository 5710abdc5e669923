package org.jontrel.core.record;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Row;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a condition hides is not checked; so it must not be stored either where no column takes it. */
public class StorableTest {
    private static final Condition NEVER = new Condition.FieldIs("fopen", Condition.Test.IS, List.of("true"));

    private static Field field(String id, Kind kind) {
        return new Field(id, id.substring(1), "Label " + id, "", false, kind);
    }

    private static final ContentType TYPE = new ContentType(
            "tplot",
            "plot",
            "Plot",
            "Plots",
            "",
            "",
            "plots",
            Map.of(),
            List.of(Part.TITLE),
            List.of(
                    new Group("gopen", "Open", "", List.of(field("fopen", Kind.YesNo.PLAIN))),
                    new Group(
                            "ghidden",
                            "Hidden",
                            "",
                            List.of(
                                    field("fname", Kind.Text.PLAIN),
                                    field("fsize", Kind.Numeric.PLAIN),
                                    field("fday", Kind.Date.PLAIN),
                                    field("fseen", Kind.DateTime.PLAIN),
                                    field("fsite", Kind.Url.PLAIN),
                                    field("fmark", Kind.Icon.PLAIN),
                                    field("ftone", Kind.Colour.PLAIN),
                                    field(
                                            "frows",
                                            new Kind.Repeater(
                                                    List.of(field("fdeep", Kind.Numeric.PLAIN)),
                                                    null,
                                                    null,
                                                    "",
                                                    Kind.Repeater.RowStyle.CARDS)),
                                    field("fbox", new Kind.FieldGroup(List.of(field("finner", Kind.Text.PLAIN))))),
                            NEVER)));
    private static final RecordType RECORD_TYPE =
            RecordType.of(new Model(List.of(TYPE)), TYPE).orElseThrow();

    private static RecordCheck.CheckedRecord read(Map<String, ?> raw) {
        var all = new HashMap<String, Object>(raw);
        all.put("title", "A");
        return RecordCheck.read(RECORD_TYPE, all, Surroundings.NONE);
    }

    @DataProvider
    public Object[][] unstorable() {
        return new Object[][] {
            {"name", "x".repeat(256)},
            {"size", "123456789012345"},
            {"size", "0.1234567"},
            {"seen", "+12345-01-01T10:00"},
            {"site", "https://example.org/" + "x".repeat(70_000)},
            {"rows", List.of(Map.of("deep", "999999999999999"))},
            {"box", Map.of("inner", "y".repeat(300))},
        };
    }

    @Test(dataProvider = "unstorable")
    public void whatNoColumnTakesIsLeftOutWhereItIsHidden(String key, Object value) {
        var checked = read(Map.of(key, value));
        assertEquals(checked.problems(), List.of(), "nobody could see it");
        var kept = checked.values().get("f" + key);
        assertTrue(
                kept == null
                        || kept instanceof List<?> rows
                                && ((Row) rows.getFirst()).values().isEmpty(),
                String.valueOf(kept));
    }

    @Test(dataProvider = "unstorable")
    public void whereItIsSeenItIsSaid(String key, Object value) {
        var checked = read(Map.of(key, value, "open", true));
        assertEquals(checked.problems().size(), 1, "said once");
        assertTrue(checked.problems().getFirst().path().startsWith(key));
    }

    @Test
    public void whatCanBeStoredIsKeptThoughItIsHidden() {
        var checked = read(Map.of(
                "name", "x".repeat(255),
                "size", "99999999999999.123456",
                "day", "9999-12-31",
                "seen", "2026-01-01T10:00",
                "mark", "leaf",
                "tone", "#112233",
                "rows", List.of(Map.of("deep", "5")),
                "box", Map.of("inner", "z")));
        assertEquals(checked.values().size(), 9, "all of them and the title");
    }
}
