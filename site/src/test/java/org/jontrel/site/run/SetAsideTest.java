package org.jontrel.site.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Kind;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** Values that a new kind cannot take, set aside in the plan. */
public class SetAsideTest extends CorrectionsCase {
    /** What is set aside value by value holds for these values only: where there are others, somebody is asked. */
    @Test
    public void setAsideOneByOneHoldsForTheseValuesOnly() {
        var aside = correct(Decision.Action.CORRECT, "about 12", "", "perhaps", "");
        var plan = plan(aside);
        assertTrue(plan.runnable());
        assertEquals(
                plan.asks().getFirst().finding().sentence(),
                "3 values of Rise cannot be read as number and are set aside: they stay held."
                        + " Other values of this sort are asked about.");
        assertEquals(plan.asks().getFirst().rows(), 3);
        test.save("tmooring", Map.of("title", "new", "rise", "n/a"));
        var ask = plan(aside).asks().getFirst();
        assertTrue(ask.decision().isEmpty(), "nobody has seen n/a");
        assertEquals(ask.rows(), 1);
        assertFalse(plan(aside).runnable());
        assertTrue(plan(correct(Decision.Action.SET_ASIDE, "about 12", "")).runnable(), "whatever else there is");
        var before = rises();
        test.install("2.0.0", NUMBERS, correct(Decision.Action.CORRECT, "about 12", "", "perhaps", "7", "n/a", ""));
        assertEquals(
                rises(), Map.of("about-12", "null", "about-12-2", "null", "perhaps", "7", "3", "3", "new", "null"));
        test.undo(test.last());
        assertEquals(rises(), before);
    }

    @Test
    public void aRequiredFieldLacksWhatIsSetAside() {
        var required = Moorings.with(
                Moorings.RISE,
                field -> field.withKind(new Kind.Numeric(1, null, null, "")).withRequired(true));
        var plan = test.site()
                .runs()
                .plan(new Runs.RunTarget(
                        "2.0.0", required, List.of(correct(Decision.Action.CORRECT, "about 12", "", "perhaps", "7"))));
        var lacking = plan.asks().stream()
                .filter(each -> each.about() == Decision.Topic.REQUIRED_EMPTY)
                .findFirst()
                .orElseThrow();
        assertEquals(lacking.rows(), 2);
    }

    /** The next site is asked about nothing that is corrected already. */
    @Test
    public void theNextSiteIsAskedOnlyWhatIsNewThere() {
        var answer = correct(Decision.Action.CORRECT, "about 12", "12", "perhaps", "7.5");
        try (var next = TestSite.open()) {
            next.install("1.0.0", Moorings.standard());
            next.save("tmooring", Map.of("title", "A", "rise", "perhaps"));
            var target = new Runs.RunTarget("2.0.0", NUMBERS, List.of(answer));
            assertTrue(next.site().runs().plan(target).runnable());
            next.save("tmooring", Map.of("title", "B", "rise", "who knows"));
            var plan = next.site().runs().plan(target);
            assertFalse(plan.runnable());
            assertTrue(plan.asks().getFirst().finding().sentence().contains("who knows"));
        }
    }
}
