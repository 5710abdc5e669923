package org.jontrel.core.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Which rows say the same. */
public class AlikeRowsTest {
    private static final RecordMove RULE =
            new RecordMove("towner", "frows", "flink", false, Map.of(), "", false, "h1", List.of());

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
        assertEquals(AlikeRows.mark(RULE, one), AlikeRows.mark(RULE, other));
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
        };
    }

    @Test(dataProvider = "other")
    public void everythingElseDoes(Map<String, Object> one, Map<String, Object> other) {
        assertNotEquals(AlikeRows.mark(RULE, one), AlikeRows.mark(RULE, other));
    }

    @Test
    public void titlesByAFormulaAreLeftOut() {
        var titled = RULE.titled("{name}");
        var one = Map.<String, Object>of("part_title", "A", "fname", "x");
        var other = Map.<String, Object>of("part_title", "B", "fname", "x");
        assertEquals(AlikeRows.mark(titled, one), AlikeRows.mark(titled, other));
        assertNotEquals(AlikeRows.mark(RULE, one), AlikeRows.mark(RULE, other));
    }

    @Test
    public void whatSaysTheSameKeepsItsSpelling() {
        var now = Map.<String, Object>of("fname", "ADA", "frole", "Boss");
        var before = Map.<String, Object>of("fname", "Ada", "frole", "Warden");
        assertEquals(AlikeRows.spelledAs(now, before), Map.of("fname", "Ada", "frole", "Boss"));
    }
}
