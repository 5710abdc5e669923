package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** What is asked, and refused, where some records become those of a new type. */
public class SplitQuestionsTest extends SplitCase {
    @Test
    public void linksThatMayNotFollowAreAskedAbout() throws SQLException {
        records();
        var model = model(mooring(SORT, NEXT_TO), gate(), inspection(MOORING));
        var plan = plan(model, PART);
        assertEquals(
                plan.asks().stream()
                        .filter(each -> each.about() == Decision.Topic.UNCONVERTED)
                        .map(each -> each.finding().sentence())
                        .toList()
                        .size(),
                2,
                plan.findings().toString());
        var of = decide("finspection_of", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
        var near = decide("finspection_near", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
        assertTrue(plan(model, PART, of, near).runnable());
        expect(model, null, PART, of, near);
    }

    /** What is held of all can be brought back; those that are records of the new type by now are not there twice. */
    @Test
    public void heldRecordsDoNotComeBackBesideThemselves() {
        records();
        test.install("2.0.0", SPLIT, PART);
        var held = test.site().held().list().stream()
                .filter(each ->
                        each.recordTypeId().equals(MOORING) && each.fieldId().isEmpty())
                .findFirst()
                .orElseThrow();
        var outcome = test.site().held().bringBack(held.name(), false, 0, 100, "anna");
        assertTrue(outcome.toString().contains("It is a record of Gate now."), outcome.toString());
        assertEquals(told(MOORING, north), "none");
        assertEquals(told(GATE, north), "north published {title=North, length=4}");
    }

    /** It is nothing that the release changes. */
    @Test
    public void whatRecordsThatStayLackIsNotAsked() {
        var needed = own(MOORING, "needed", Kind.Text.PLAIN).withRequired(true);
        test.install("1.0.0", model(mooring(SORT, needed)));
        for (var sort : List.of("gate", "weir")) {
            var raw = Map.of("title", sort, "sort", sort);
            TestSite.stored(test.site().records().save(Write.fresh(MOORING, RecordState.DRAFT, raw, "ben")));
        }
        var plan = plan(model(mooring(SORT, needed), gate()), PART);
        assertEquals(plan.asks().stream().map(each -> each.about()).toList(), List.of(Decision.Topic.RECORD_TYPE));
        assertTrue(plan.runnable());
        var wanted = own(GATE, "wanted", Kind.Text.PLAIN).withRequired(true);
        plan = plan(model(mooring(SORT, needed), gate(wanted)), PART);
        assertEquals(
                plan.asks().getLast().finding().sentence(),
                "1 record of Gate has no value for Wanted, which becomes required. Fill them, or leave them and mark"
                        + " them incomplete.");
    }
}
