package org.jontrel.core.record;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Leaves;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.RowIds;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Values of whole records: read, compared, merged. */
public class RecordChangesTest {
    private static Field field(String id, Kind kind) {
        return new Field(id, id.substring(1), "Label " + id, "", false, kind);
    }

    private static final ContentType TREE = new ContentType(
            "ttree",
            "tree",
            "Tree",
            "Trees",
            "",
            "",
            "trees",
            Map.of(),
            List.of(Part.TITLE),
            List.of(new Group(
                    "gall",
                    "All",
                    "",
                    List.of(
                            field("fheight", new Kind.Numeric(2, null, null, "m")),
                            field(
                                    "fbark",
                                    new Kind.FieldGroup(List.of(
                                            field("ftone", Kind.Text.PLAIN), field("frough", Kind.YesNo.PLAIN)))),
                            field(
                                    "fcuts",
                                    new Kind.Repeater(
                                            List.of(
                                                    field("fday", Kind.Date.PLAIN),
                                                    field("fthick", Kind.Numeric.PLAIN)),
                                            null,
                                            null,
                                            "",
                                            Kind.Repeater.RowStyle.CARDS)),
                            field("fkeeper", new Kind.Relation(Set.of("tperson"), Kind.Amount.ONE, false, false, null)),
                            field(
                                    "fnear",
                                    new Kind.Relation(
                                            Set.of("ttree", "tplot"),
                                            new Kind.Amount(true, null, 2),
                                            true,
                                            false,
                                            null)),
                            field("fpaper", new Kind.File(Set.of("pdf"), 10, Kind.Amount.ONE)),
                            field("fspot", Kind.Coordinates.PLAIN),
                            field("fstory", Kind.RichText.PLAIN)))));
    private static final RecordType RECORD_TYPE =
            RecordType.of(new Model(List.of(TREE)), TREE).orElseThrow();
    private static final BiFunction<Field, Object, String> SHOW = (field, value) -> Values.show(field.kind(), value);

    private static Map<String, Object> read(Map<String, ?> raw) {
        var checked = RecordCheck.read(RECORD_TYPE, raw, Surroundings.NONE);
        assertEquals(checked.findings(), List.of());
        return checked.values();
    }

    private static Map<String, Object> raw() {
        var raw = new HashMap<String, Object>();
        raw.put("title", "Old Gold");
        raw.put("height", "4.50");
        raw.put("bark", Map.of("tone", "brown", "rough", true));
        raw.put("cuts", List.of(Map.of("_row", 7, "day", "2026-01-01"), Map.of("_row", 8, "day", "2026-02-02")));
        raw.put("keeper", 12);
        raw.put("near", List.of(Map.of("type", "ttree", "id", 3), Map.of("type", "tplot", "id", "4")));
        raw.put("spot", "52.1, -1.5");
        return raw;
    }

    @Test
    public void whatIsReadIsCarriedAgain() {
        var values = read(raw());
        assertEquals(values.get("fkeeper"), new Link("tperson", 12));
        assertEquals(values.get("fheight"), new BigDecimal("4.5"));
        assertEquals(read(Values.wire(RECORD_TYPE.fields().toList(), values)), values);
        assertEquals(RowIds.ids(values), Set.of(7L, 8L));
        var next = new long[] {100};
        var settled = RowIds.settled(values, Set.of(7L), () -> next[0]++);
        assertEquals(RowIds.ids(settled), Set.of(7L, 100L), "a row nobody knows gets an id of its own");
    }

    @DataProvider
    public Object[][] bad() {
        return new Object[][] {
            {"keeper", "Ada", Code.VALUE_NOT_LINK},
            {"near", List.of(3), Code.VALUE_NOT_LINK},
            {"near", List.of(Map.of("type", "tperson", "id", 3)), Code.VALUE_LINK_TYPE},
            {
                "near",
                List.of(
                        Map.of("type", "ttree", "id", 1),
                        Map.of("type", "ttree", "id", 2),
                        Map.of("type", "ttree", "id", 3)),
                Code.VALUES_TOO_MANY
            },
            {"paper", "x.pdf", Code.VALUE_NOT_FILE},
            {"spot", "north", Code.VALUE_NOT_PLACE},
            {"spot", Map.of("latitude", "91", "longitude", "1"), Code.VALUE_NOT_PLACE},
            {"bark", "brown", Code.VALUE_NOT_SINGLE},
            {"cuts", "today", Code.VALUE_NOT_SINGLE},
            {"cuts", List.of(Map.of("day", "today")), Code.VALUE_NOT_DATE},
            {"cuts", List.of(Map.of("axe", 1)), Code.VALUE_FIELD_UNKNOWN},
            {"bark", Map.of("axe", 1), Code.VALUE_FIELD_UNKNOWN},
            {"story", List.of("x"), Code.VALUE_NOT_TEXT},
        };
    }

    @Test(dataProvider = "bad")
    public void badValuesAreSaidWhereverTheyStand(String key, Object value, Code code) {
        var checked = RecordCheck.read(RECORD_TYPE, Map.of("title", "x", key, value), Surroundings.NONE);
        assertEquals(checked.findings().getFirst().code(), code);
        assertTrue(checked.problems().getFirst().path().startsWith(key));
    }

    @Test
    public void filesHaveTheirLimits() {
        var paper = RECORD_TYPE.field("fpaper").orElseThrow();
        assertEquals(Values.checkFile(paper, "a", "pdf", 11 * 1024).getFirst().code(), Code.FILE_TOO_HEAVY);
        assertEquals(Values.checkFile(paper, "a", "exe", 1).getFirst().code(), Code.FILE_FORMAT);
        assertEquals(Values.checkFile(paper, "a", "pdf", 0).getFirst().code(), Code.FILE_EMPTY);
        assertEquals(Values.checkFile(paper, "a", "pdf", 10 * 1024), List.of());
    }

    @DataProvider
    public Object[][] markup() {
        return new Object[][] {
            {"<p onclick=x()>Hi <b>you</b><script>alert(1)</script></p>", "<p>Hi <b>you</b></p>"},
            {"<a href='javascript:alert(1)'>x</a>", "x"},
            {
                "<a href=\"https://example.org/\">x</a>",
                "<a href=\"https://example.org/\" rel=\"nofollow noopener\">x</a>"
            },
            {"<h2>Big</h2><img src=x onerror=y>", "Big"},
            {"<svg><style>@import x</style></svg>plain", "plain"},
            {"<p> </p><br>", null},
        };
    }

    @Test(dataProvider = "markup")
    public void formattedTextKeepsWhatIsAllowed(String html, String clean) {
        assertEquals(read(Map.of("title", "x", "story", html)).get("fstory"), clean);
    }

    @Test
    public void differencesAreToldFieldByField() {
        var before = read(raw());
        var raw = raw();
        raw.put("height", "4.5");
        raw.put("bark", Map.of("tone", "grey", "rough", true));
        raw.remove("spot");
        var changes = RecordChanges.between(RECORD_TYPE, before, RECORD_TYPE, read(raw), SHOW);
        assertEquals(changes.stream().map(RecordChanges.FieldDifference::path).toList(), List.of("bark.tone", "spot"));
        assertEquals(changes.getFirst().before() + " to " + changes.getFirst().after(), "brown to grey");
        assertEquals(changes.getLast().after(), "");
    }

    @Test
    public void bothChangesAreKeptAndOnlyTheSameFieldClashes() {
        var base = read(raw());
        var mine = raw();
        mine.put("title", "Mine");
        mine.put("bark", Map.of("tone", "grey", "rough", true));
        var theirs = raw();
        theirs.put("title", "Theirs");
        theirs.put("bark", Map.of("tone", "brown"));
        theirs.put("height", "9");
        var merged = RecordChanges.merge(RECORD_TYPE, base, read(mine), read(theirs), SHOW);
        assertEquals(
                merged.clashes().stream().map(RecordChanges.FieldClash::path).toList(), List.of("title"));
        assertEquals(merged.values().get("fbark"), Map.of("ftone", "grey"));
        assertEquals(merged.values().get("fheight"), new BigDecimal("9"));
        assertEquals(
                RecordChanges.merge(RECORD_TYPE, base, base, read(theirs), SHOW).values(), read(theirs));
        assertEquals(
                RecordChanges.merge(RECORD_TYPE, base, read(mine), base, SHOW).values(), read(mine));
    }

    @Test
    public void eachKindHasItsPlaceInATableOrInOneOfItsOwn() {
        assertEquals(RECORD_TYPE.columns("").size(), 7, "title, height, two of the bark, paper, spot and story");
        assertEquals(RECORD_TYPE.home("ftone"), new RecordType.FieldLocation("", List.of("bark")));
        assertEquals(RECORD_TYPE.home("fday"), new RecordType.FieldLocation("fcuts", List.of()));
        assertEquals(FieldStorage.of(RECORD_TYPE.field("fkeeper").orElseThrow().kind()), FieldStorage.TABLE);
        assertEquals(RECORD_TYPE.tables("").stream().map(Field::id).toList(), List.of("fcuts", "fkeeper", "fnear"));
        assertNotEquals(
                RECORD_TYPE,
                RecordType.of(new Model(List.of(TREE)), TREE.withNames("oak", "oaks"))
                        .orElseThrow());
        var all = new ArrayList<String>();
        Leaves.of(RECORD_TYPE.fields().toList(), read(raw()), (field, _) -> all.add(field.id()));
        assertEquals(all.stream().filter("fnear"::equals).count(), 2);
    }
}
