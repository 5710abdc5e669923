package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Link;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** Some records of a content type become those of a new one. */
public class SplitTypesTest extends SplitCase {
    @Test
    public void someBecomeRecordsOfANewType() throws SQLException {
        records();
        var ask = plan(SPLIT).asks().getFirst();
        assertEquals(ask.finding().code(), Code.PLAN_TYPE_PART);
        assertEquals(ask.proposed(), "mooring where sort = gate");
        assertEquals(
                ask.finding().sentence(),
                "Gates are new. 2 of the Moorings could become Gates: those whose Sort is Gate."
                        + " Say whether they do; else they stay what they are.");
        var plan = plan(SPLIT, PART);
        assertTrue(plan.runnable(), plan.findings().toString());
        expect(SPLIT, null, PART);
        test.install("2.0.0", SPLIT, PART);
        assertEquals(told(GATE, north), "north published {title=North, length=4}");
        assertEquals(told(MOORING, north), "none");
        assertEquals(
                told(MOORING, weir),
                "weir published {title=Weir, length=30, sort=weir, next_to=[{type=tmooring, id=" + neighbour() + "}]}");
        var values = find(INSPECTION, look).orElseThrow().values();
        assertEquals(values.get("finspection_of"), new Link(GATE, north));
        assertEquals(values.get("finspection_near"), List.of(new Link(MOORING, weir), new Link(GATE, south)));
        // addresses of those that left lead there, the others are what they were
        assertEquals(
                test.site().moved("moorings", "north").map(each -> each.type().path() + "/" + each.address()),
                Optional.of("gates/north"));
        assertEquals(test.site().moved("moorings", "weir"), Optional.empty());
    }

    private long neighbour() {
        return test.site().records().all(MOORING, 100).stream()
                .filter(each -> each.title().equals("Plain"))
                .findFirst()
                .orElseThrow()
                .id();
    }

    @Test
    public void whatIsEnteredSinceGoesBack() throws SQLException {
        records();
        test.install("2.0.0", SPLIT, PART);
        var run = test.last();
        test.edit(GATE, north, Map.of("title", "North gate", "length", "4.5"));
        var fresh = save(GATE, "Fresh", Map.of("length", "1"));
        test.edit(INSPECTION, look, Map.of("title", "Look", "of", link(GATE, fresh)));
        test.edit(MOORING, weir, Map.of("title", "Weir", "length", "31", "sort", "gate", "next_to", List.of()));
        var newer = Dump.of(test.source());
        test.undo(run);
        assertEquals(told(MOORING, north), "north published {title=North gate, length=4.5, sort=gate}");
        assertEquals(told(MOORING, fresh), "fresh published {title=Fresh, length=1}");
        assertEquals(find(INSPECTION, look).orElseThrow().values().get("finspection_of"), new Link(MOORING, fresh));
        assertEquals(told(MOORING, weir), "weir published {title=Weir, length=31, sort=gate}");
        assertEquals(told(MOORING, neighbour()), "plain published {title=Plain}");
        test.undo(test.last());
        assertEquals(Dump.of(test.source()), newer);
        // what is another sort by now goes to the type of its sort
        test.undo(run);
        test.edit(MOORING, south, Map.of("title", "South", "length", "5", "sort", "weir"));
        test.undo(test.last());
        assertEquals(told(MOORING, south), "south published {title=South, length=5, sort=weir}");
        assertEquals(told(GATE, south), "none");
        assertEquals(
                find(INSPECTION, look).orElseThrow().values().get("finspection_near"),
                List.of(new Link(MOORING, weir), new Link(MOORING, south)),
                "what nobody saved follows what it leads to");
        assertEquals(
                test.site().records().all(INSPECTION, 9).stream()
                        .flatMap(each -> each.parent().stream())
                        .toList(),
                List.of(new Link(MOORING, south)));
    }

    @Test
    public void aTypeThatGoesIsSplitIntoSeveral() throws SQLException {
        records();
        var model = model(
                gate(), type("tweir", Set.of(), own("tweir", "length", Kind.Text.PLAIN)), inspection(GATE, "tweir"));
        var weirs = decide("tweir", Decision.Topic.RECORD_TYPE, Decision.Action.MOVE, "mooring where sort = Weir");
        var plan = plan(model, PART, weirs);
        assertTrue(plan.runnable(), plan.findings().toString() + plan.asks());
        assertTrue(
                plan.findings().stream()
                        .map(Finding::sentence)
                        .toList()
                        .toString()
                        .contains("1 record of Mooring"),
                plan.findings().stream().map(Finding::sentence).toList().toString());
        expect(model, null, PART, weirs);
        test.install("2.0.0", model, PART, weirs);
        assertEquals(told("tweir", weir), "weir published {title=Weir, length=30}");
        assertEquals(
                find(INSPECTION, look).orElseThrow().values().get("finspection_near"),
                List.of(new Link("tweir", weir), new Link(GATE, south)));
    }

    @Test
    public void whatIsSavedMeanwhileGoesWhereItBelongs() {
        records();
        int[] times = {0};
        var target = new Runs.RunTarget("2.0.0", SPLIT, List.of(PART));
        var lone = save(MOORING, "Lone", Map.of("sort", "weir"));
        TestSite.run(test.site().runs().start(target, "anna", _ -> {
            if (test.site().installed().version().equals("1.0.0") && times[0]++ < 9) {
                try {
                    var sort = times[0] % 2 == 0 ? "weir" : "gate";
                    test.edit(MOORING, south, Map.of("title", "South " + times[0], "sort", sort));
                    test.edit(MOORING, lone, Map.of("title", "Lone", "sort", sort));
                    save(MOORING, "South", Map.of("sort", "gate", "length", String.valueOf(times[0])));
                } catch (AssertionError e) {
                    assertTrue(e.getMessage().startsWith("Closed"), e.getMessage());
                    times[0] = 100;
                }
            }
        }));
        boolean gates = find(GATE, south).isPresent();
        assertEquals(find(MOORING, south).isPresent(), !gates);
        assertEquals(
                ((List<?>) find(INSPECTION, look).orElseThrow().values().get("finspection_near")).getLast(),
                new Link(gates ? GATE : MOORING, south));
        assertEquals(
                test.site().records().all(GATE, 100).stream()
                        .filter(each -> each.title().equals("South"))
                        .count(),
                Math.min(times[0], 9));
        assertTrue(
                test.site().records().all(GATE, 100).stream()
                        .noneMatch(each -> each.slug().contains("~")),
                "no address is left that was in the way");
    }
}
