package org.jontrel.core.record;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a conversion takes, what becomes of it, and whether it could be had back from that. */
public class ConversionTest {
    private static final Kind NUMBER = new Kind.Numeric(2, null, null, "");
    /** Mostly what numbers are made of. */
    private static final String LETTERS = "0123456789000123456789.-+ e\n";

    private static final Kind RICH = Kind.RichText.PLAIN;
    private static final Kind LIKE = new Kind.Choice(List.of(
            new Kind.Option("oa", "a", "Good", false),
            new Kind.Option("ob", "b", "Good", false),
            new Kind.Option("oc", "c", "Poor", false)));

    private static Field field(Kind kind) {
        return new Field("f", "f", "Field", "", false, kind);
    }

    @DataProvider
    public Object[][] values() {
        return new Object[][] {
            {Kind.Text.PLAIN, NUMBER, "2.5", new BigDecimal("2.5"), false},
            {Kind.Text.PLAIN, NUMBER, "2.50", new BigDecimal("2.50"), false},
            {Kind.Text.PLAIN, NUMBER, "+7", new BigDecimal("7"), true},
            {Kind.Text.PLAIN, NUMBER, "2,5", new BigDecimal("2.5"), true},
            {Kind.Text.PLAIN, new Kind.Numeric(2, null, null, "m"), "2.59 m", new BigDecimal("2.59"), false},
            {Kind.Text.PLAIN, NUMBER, "007", null, false},
            {RICH, NUMBER, "<p>2½</p>", new BigDecimal("2.5"), true},
            {Kind.Text.PLAIN, Kind.Date.PLAIN, "12 May 2026", LocalDate.of(2026, 5, 12), false},
            {Kind.Text.PLAIN, Kind.Date.PLAIN, "12.5.2026", LocalDate.of(2026, 5, 12), true},
            {Kind.Text.PLAIN, Kind.YesNo.PLAIN, "y", true, true},
            {Kind.Date.PLAIN, Kind.DateTime.PLAIN, LocalDate.of(2026, 5, 12), LocalDateTime.of(2026, 5, 12, 0, 0), false
            },
            {Kind.DateTime.PLAIN, Kind.Date.PLAIN, LocalDateTime.of(2026, 5, 12, 9, 30), LocalDate.of(2026, 5, 12), true
            },
            {Kind.DateTime.PLAIN, Kind.Date.PLAIN, LocalDateTime.of(2026, 5, 12, 0, 0), LocalDate.of(2026, 5, 12), false
            },
            {NUMBER, Kind.Text.PLAIN, new BigDecimal("2.500000"), "2.5", false},
            {
                Kind.LongText.PLAIN,
                RICH,
                "one\ntwo\n\nthree & <4>",
                "<p>one<br>two</p><p>three &amp; &lt;4&gt;</p>",
                false
            },
            {RICH, Kind.LongText.PLAIN, "<p>one<br>two</p><p>three</p>", "one\ntwo\n\nthree", false},
            {RICH, Kind.LongText.PLAIN, "<p>an <b>old</b> tree</p>", "an old tree", true},
            {RICH, Kind.LongText.PLAIN, "<ul><li>saw</li><li>shears</li></ul>", "saw\nshears", true},
            {RICH, Kind.Text.PLAIN, "<p>one</p>", "one", false},
            {RICH, Kind.Text.PLAIN, "<p>one</p><p>two</p>", null, false},
            {Kind.Text.PLAIN, LIKE, "Poor", "c", false},
            {Kind.Text.PLAIN, LIKE, "poor", "c", true},
            {Kind.Text.PLAIN, LIKE, "Good", null, false},
            {Kind.Text.PLAIN, Kind.Text.PLAIN, "007", "007", false},
        };
    }

    @Test(dataProvider = "values")
    public void aValueIsTakenOverAndItsLossIsTold(Kind from, Kind to, Object value, Object after, boolean alters) {
        var conversion = new Conversion(field(from), field(to), null);
        assertEquals(Optional.ofNullable(conversion.apply(value)), Optional.ofNullable(after));
        assertEquals(conversion.takes(value), after != null);
        assertEquals(conversion.alters(value), alters);
    }

    /** For any text: what needs no closer look would have passed it. */
    @Test
    public void whatIsSureIsTakenUnalteredAndWithinLimits() {
        var chance = new Random(7);
        int found = 0;
        for (int i = 0; i < 200_000; i++) {
            var conversion =
                    new Conversion(field(Kind.Text.PLAIN), field(new Kind.Numeric(i % 7, null, null, "")), null);
            var text = chance.ints(1 + chance.nextInt(18), 0, LETTERS.length())
                    .mapToObj(at -> LETTERS.substring(at, at + 1))
                    .collect(Collectors.joining());
            if (text.matches(conversion.sure().orElseThrow())) {
                found++;
                assertTrue(conversion.takes(text), text);
                assertFalse(conversion.alters(text), text);
                assertTrue(Values.fits(conversion.to(), conversion.apply(text)), text);
            }
        }
        assertTrue(found > 1_000, "texts that were sure: " + found);
        var limited = new Kind.Numeric(2, BigDecimal.ZERO, null, "");
        assertEquals(new Conversion(field(Kind.Text.PLAIN), field(limited), null).sure(), Optional.empty());
    }

    /** Those of another field, which have other ids. */
    @Test
    public void optionsOfTwoFieldsAreTheSameByKeyAndLabel() {
        var other = new Kind.Choice(List.of(
                new Kind.Option("pb", "bad", "Poor", false),
                new Kind.Option("pa", "a", "Fine", false),
                new Kind.Option("px", "x", "Gone", false)));
        var conversion = new Conversion(field(LIKE), field(other), null);
        assertEquals(conversion.converted("a"), Optional.of("a"), "by its key");
        assertEquals(conversion.converted("c"), Optional.of("bad"), "by its label");
        assertEquals(conversion.converted("b"), Optional.of("b"), "what has neither stays, and is outside the options");
    }
}
