package org.jontrel.core.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Part;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Which rows say the same. */
public class AlikeRowsTest {
    private static final RecordMove RULE =
            new RecordMove("towner", "frows", "flink", false, Map.of(), "", false, "h1", List.of());

    private static final RecordType TYPE = type();
    private static final AlikeRows ALIKE = new AlikeRows(TYPE, RULE);

    private static RecordType type() {
        var fields = Stream.of("name", "a", "b", "other", "role")
                .map(key -> new Field("f" + key, key, key, "", false, Kind.Text.PLAIN));
        var all = new ArrayList<Field>(fields.toList());
        all.add(new Field("fsite", "site", "Site", "", false, Kind.Url.PLAIN));
        all.add(new Field("fstory", "story", "Story", "", false, Kind.LongText.PLAIN));
        var group = new Group("gowner", "Owner", "", List.copyOf(all));
        return RecordType.of(
                new ContentType(
                        "towner",
                        "owner",
                        "Owner",
                        "Owners",
                        "",
                        "",
                        "owners",
                        Map.of(),
                        List.of(Part.TITLE),
                        List.of(group)),
                all);
    }

    private static Map<String, Object> name(Object value) {
        return Map.of("fname", value);
    }

    @DataProvider
    public Object[][] same() {
        return new Object[][] {
            {name("Ada Byrne"), name(" ada  BYRNE ")},
            {name(new BigDecimal("2.50")), name(new BigDecimal("2.5"))},
            {name(List.of(new Row(1, Map.of("fa", "x")))), name(List.of(new Row(2, Map.of("fa", "X"))))},
            {Map.of("fa", "1", "fb", "2"), Map.of("fb", "2", "fa", "1")},
        };
    }

    @Test(dataProvider = "same")
    public void capitalLettersSpacesAndNumbersOfRowsMakeNoDifference(
            Map<String, Object> one, Map<String, Object> other) {
        assertEquals(ALIKE.mark(one), ALIKE.mark(other));
    }

    @DataProvider
    public Object[][] other() {
        return new Object[][] {
            {name("Ada"), name("Adá")},
            {name("1"), Map.of("fother", "1")},
            {name(new Link("tone", 1)), name(new Link("ttwo", 1))},
            {name(List.of("a", "b")), name(List.of("b", "a"))},
            {name(List.of("a,b")), name(List.of("a", "b"))},
            // nothing that is written in a value reads like the end of another
            {Map.of("fa", "x", "fb", "y"), Map.of("fa", "x,fb=1:y")},
            {Map.of("fa", "1"), Map.of()},
            // an address of a page is another with other letters, and lines are not spaces
            {Map.of("fsite", "https://example.org/A"), Map.of("fsite", "https://example.org/a")},
            {Map.of("fstory", "a\nb"), Map.of("fstory", "a b")},
        };
    }

    @Test(dataProvider = "other")
    public void everythingElseDoes(Map<String, Object> one, Map<String, Object> other) {
        assertNotEquals(ALIKE.mark(one), ALIKE.mark(other));
    }

    @Test
    public void titlesByAFormulaAreLeftOut() {
        var titled = new AlikeRows(TYPE, RULE.titled("{name}"));
        var one = Map.<String, Object>of("part_title", "A", "fname", "x");
        var other = Map.<String, Object>of("part_title", "B", "fname", "x");
        assertEquals(titled.mark(one), titled.mark(other));
        assertNotEquals(ALIKE.mark(one), ALIKE.mark(other));
    }

    @Test
    public void whatSaysTheSameKeepsItsSpelling() {
        var now = Map.<String, Object>of("fname", "ADA", "frole", "Boss");
        var before = Map.<String, Object>of("fname", "Ada", "frole", "Warden");
        assertEquals(ALIKE.spelledAs(now, before), Map.of("fname", "Ada", "frole", "Boss"));
    }
}
