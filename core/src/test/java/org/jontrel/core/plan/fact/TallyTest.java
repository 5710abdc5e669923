package org.jontrel.core.plan.fact;

import static org.testng.Assert.assertEquals;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.jontrel.core.Samples;
import org.jontrel.core.model.Kind;
import org.testng.annotations.Test;

/** What is counted of the values of a field before it changes. */
public class TallyTest {
    @Test
    public void talliesCountEachValueOnce() {
        var to = Samples.NAME.withKind(new Kind.Numeric(1, null, BigDecimal.TEN, ""));
        var tally = new Tally(Samples.NAME, to);
        tally.add("7", 3);
        tally.add("12", 2);
        tally.add("about 9ft", 4);
        tally.add(null, 5);
        var answer = tally.answer();
        assertEquals(List.of(answer.records(), answer.empty(), answer.unconverted()), List.of(14L, 5L, 4L));
        assertEquals(answer.unconvertedExamples(), List.of("about 9ft"));
    }

    @Test
    public void valuesBehindTheLimitsAreCountedWhereTheyWereWithinThem() {
        var deep = Samples.NAME.withKind(new Kind.Numeric(1, null, new BigDecimal("20"), ""));
        var tally = new Tally(deep, deep.withKind(new Kind.Numeric(1, null, BigDecimal.TEN, "")));
        tally.addSure(4);
        tally.add(new BigDecimal("9"), 1);
        tally.add(new BigDecimal("12"), 2);
        // it broke the limit before
        tally.add(new BigDecimal("21"), 8);
        var answer = tally.answer();
        assertEquals(List.of(answer.records(), answer.outside(), answer.unconverted()), List.of(15L, 2L, 0L));
        assertEquals(answer.outsideExamples(), List.of("12.0"));
        assertEquals(answer.breaches(), Map.of());
        assertEquals(tally.conversion().takes(new BigDecimal("9")), true);
    }

    @Test
    public void fiveExamplesAreToldAndLongOnesAreCut() {
        var to = Samples.NAME.withKind(new Kind.Numeric(1, null, null, ""));
        var tally = new Tally(Samples.NAME, to);
        for (int i = 0; i < 7; i++) {
            tally.add("about " + i, 1);
        }
        assertEquals(tally.answer().unconverted(), 7);
        assertEquals(
                tally.answer().unconvertedExamples(), List.of("about 0", "about 1", "about 2", "about 3", "about 4"));
    }

    private static final Kind.RichText FREE = new Kind.RichText(null, java.util.EnumSet.allOf(Kind.Format.class));

    @Test
    public void whatLosesItsFormattingIsShownAsItWasAndIs() {
        var rich = Samples.NOTE.withKind(FREE);
        var tally = new Tally(rich, rich.withKind(Kind.LongText.PLAIN));
        var longest = "<p><strong>" + "deep ".repeat(20) + "</strong></p>";
        tally.add("<p>Plain</p>", 1);
        for (int i = 0; i < 6; i++) {
            tally.add(longest, 1);
        }
        tally.add(null, 3);
        var answer = tally.answer();
        assertEquals(List.of(answer.altered(), answer.records(), answer.empty()), List.of(6L, 10L, 3L));
        assertEquals(answer.alteredExamples().size(), 5);
        var example = answer.alteredExamples().getFirst();
        assertEquals(
                example,
                longest.substring(0, 60) + "… becomes " + "deep ".repeat(20).substring(0, 60) + "…");
    }
}
