package org.jontrel.site.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.value.Row;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.UnconvertedValues.CountedValue;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** Values that a new kind cannot take, corrected in the plan. */
public class CorrectionsTest extends CorrectionsCase {
    @Test
    public void theValuesAreTold() {
        var found = test.site().runs().unconverted(new Runs.RunTarget("2.0.0", NUMBERS, List.of()), "frise", 10);
        assertEquals(found.values(), List.of(new CountedValue("about 12", 2), new CountedValue("perhaps", 1)));
        assertEquals(found.distinct(), 2);
        assertFalse(found.more());
        assertEquals(
                test.site()
                        .runs()
                        .unconverted(new Runs.RunTarget("2.0.0", NUMBERS, List.of()), "frise", 1)
                        .values()
                        .size(),
                1);
    }

    @Test
    public void whatIsLeftIsStillAsked() {
        var half = plan(correct(Decision.Action.CORRECT, "about 12", "12"));
        var ask = half.asks().getFirst();
        assertEquals(ask.finding().code(), Code.PLAN_VALUES_UNCONVERTED);
        assertEquals(ask.rows(), 1);
        assertTrue(ask.decision().isEmpty(), "perhaps is open");
        assertEquals(ask.corrections().size(), 1);
        assertFalse(half.runnable());
        assertTrue(plan(correct(Decision.Action.SET_ASIDE, "about 12", "12")).runnable());
        var whole = plan(correct(Decision.Action.CORRECT, "about 12", "12", "perhaps", "7.5", "nowhere", "1"));
        assertEquals(whole.asks().getFirst().finding().code(), Code.PLAN_VALUES_CORRECTED);
        assertTrue(whole.runnable());
    }

    @Test
    public void aCorrectionMustBeAValueOfTheField() {
        var plan = plan(correct(Decision.Action.SET_ASIDE, "about 12", "twelve"));
        assertEquals(
                plan.findings().stream()
                        .filter(each -> each.code() == Code.PLAN_CORRECTION_INVALID)
                        .map(Finding::sentence)
                        .toList(),
                List.of(
                        "“about 12” of Rise cannot become “twelve”. Rise must be a number such as 12 or 2.5, and this is \"twelve\"."));
        assertFalse(plan.runnable());
    }

    /** An architect types numbers as the surveyors did. */
    @Test
    public void correctionsAreReadAsPeopleWriteThem() {
        test.install("2.0.0", NUMBERS, correct(Decision.Action.CORRECT, "about 12", "12,5", "perhaps", " 7 1/2 "));
        assertEquals(rises(), Map.of("about-12", "12.5", "about-12-2", "12.5", "perhaps", "7.5", "3", "3"));
        test.undo(test.last());
        assertEquals(rises().get("perhaps"), "perhaps");
    }

    /** Values that nobody touches come back as they were, what was entered since is kept, and so it is the other way round. */
    @Test
    public void aRunTakesThemAndUndoGivesTheTextsBack() {
        var before = rises();
        test.install("2.0.0", NUMBERS, correct(Decision.Action.CORRECT, "about 12", "12", "perhaps", "7.5"));
        assertEquals(rises(), Map.of("about-12", "12", "about-12-2", "12", "perhaps", "7.5", "3", "3"));
        var edited = test.site().records().all("tmooring", 10).stream()
                .filter(record -> record.slug().equals("about-12"))
                .findFirst()
                .orElseThrow();
        test.edit("tmooring", edited.id(), Map.of("rise", "13"));
        test.undo(test.last());
        var back = new TreeMap<>(before);
        back.put("about-12", "13");
        assertEquals(rises(), back);
        test.undo(test.last());
        assertEquals(rises(), Map.of("about-12", "13", "about-12-2", "12", "perhaps", "7.5", "3", "3"));
    }

    /** As many as there may be, also where an earlier version has made the tables. */
    @Test
    public void manyAreJournalled() throws SQLException {
        try (var connection = test.source().getConnection();
                var statement = connection.createStatement()) {
            statement.execute("ALTER TABLE jontrel_step MODIFY step TEXT NOT NULL");
        }
        test = new TestSite(test.source(), Site.open(test.source(), "again", Duration.ofSeconds(2)));
        var pairs = new ArrayList<String>(List.of("about 12", "12", "perhaps", "7.5"));
        for (int i = 0; i < 1_500; i++) {
            pairs.addAll(List.of("ä".repeat(100) + i, "1"));
        }
        test.install("2.0.0", NUMBERS, correct(Decision.Action.CORRECT, pairs.toArray(String[]::new)));
        assertEquals(rises().get("perhaps"), "7.5");
        test.undo(test.last());
        assertEquals(rises().get("perhaps"), "perhaps");
    }

    /** What was corrected for an earlier kind is no answer for this one, and in nobody's way. */
    @Test
    public void correctionsForAnotherKindAreLeftAlone() {
        var earlier = correct(Decision.Action.SET_ASIDE, "about 12", "12", "perhaps", "7.5");
        test.install("2.0.0", NUMBERS, earlier);
        var dates = Moorings.with(Moorings.RISE, field -> field.withKind(Kind.Text.PLAIN));
        assertEquals(plan("3.0.0", dates, earlier).asks().size(), 1, "it could be a text, and is none of these");
        var yesNo = Moorings.with(Moorings.RISE, field -> field.withKind(Kind.YesNo.PLAIN));
        var plan = plan("3.0.0", yesNo, earlier);
        assertEquals(
                plan.findings().stream()
                        .filter(each -> each.code() == Code.PLAN_CORRECTION_INVALID)
                        .count(),
                2,
                "there are values that need an answer of their own");
    }

    private Plan plan(String version, Model to, Decision... decisions) {
        return test.site().runs().plan(new Runs.RunTarget(version, to, List.of(decisions)));
    }

    @Test
    @SuppressWarnings("unchecked")
    public void valuesWithinRowsAreCorrected() {
        test.close();
        test = TestSite.open();
        test.install("1.0.0", Orchard.model());
        test.save("ttree", Orchard.tree("A"));
        var to = Orchard.edited(
                Map.of("key: branch, label: Branch, kind: text", "key: branch, label: Branch, kind: number"));
        var target = new Runs.RunTarget("2.0.0", to, List.of());
        var corrections = test.site().runs().unconverted(target, "fbranch", 10).values().stream()
                .map(each -> new Decision.Correction(each.text(), "4"))
                .toList();
        assertFalse(corrections.isEmpty());
        test.install(
                "2.0.0",
                to,
                new Decision("fbranch", Decision.Topic.UNCONVERTED, Decision.Action.CORRECT, "", corrections));
        var tree = test.site().records().all("ttree", 1).getFirst();
        var prunings = (List<Row>) tree.values().get("fprunings");
        var cuts = (List<Row>) prunings.getFirst().values().get("fcuts");
        assertEquals(String.valueOf(cuts.getFirst().values().get("fbranch")), "4");
    }
}
