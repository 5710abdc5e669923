package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** What people change in records since they became those of another type, where something stands against it. */
public class MergedEditsTest extends TypesCase {
    private static final Model APART = model(mooring(), berth());
    private static final Model ONE = model(mooring());

    private void rename(String type, long id, String slug) {
        var before = find(type, id).orElseThrow();
        var write = new Write(
                type,
                Optional.of(id),
                before.version(),
                before.state(),
                Optional.empty(),
                Optional.empty(),
                slug,
                before.parent(),
                Optional.empty(),
                Map.of("title", before.title()),
                false,
                "ben");
        TestSite.stored(test.site().records().save(write));
    }

    /** A longer address that somebody gave is none that the run gave. */
    @Test
    public void addressesThatPeopleGaveGoAlong() {
        test.install("1.0.0", APART);
        save(MOORING, "Bank", Map.of());
        var bank = save(BERTH, "Bank", Map.of());
        var quay = save(BERTH, "Quay", Map.of());
        var pier = save(BERTH, "Pier", Map.of());
        test.install("2.0.0", ONE, MERGE);
        assertEquals(find(MOORING, bank).orElseThrow().slug(), "bank-2");
        rename(MOORING, quay, "quay-north");
        rename(MOORING, pier, "pier-2");
        test.undo(test.last());
        assertEquals(find(BERTH, bank).orElseThrow().slug(), "bank");
        assertEquals(find(BERTH, quay).orElseThrow().slug(), "quay-north");
        assertEquals(find(BERTH, pier).orElseThrow().slug(), "pier-2");
        test.undo(test.last());
        assertEquals(find(MOORING, bank).orElseThrow().slug(), "bank-2");
        assertEquals(find(MOORING, quay).orElseThrow().slug(), "quay-north");
        assertEquals(find(MOORING, pier).orElseThrow().slug(), "pier-2");
    }

    /** What cannot go back stays held; it does not keep the rest of the record from it. */
    @Test
    public void aValueThatCannotGoBackKeepsNoOther() {
        var text = own(BERTH, "length", Kind.Text.PLAIN);
        var number = own(MOORING, "length", new Kind.Numeric(1, null, null, "m"));
        test.install("1.0.0", model(type(MOORING, Set.of(), number), type(BERTH, Set.of(), text)));
        var quay = save(BERTH, "Quay", Map.of("length", "long enough"));
        var aside = decide("fmooring_length", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, "");
        test.install("2.0.0", model(type(MOORING, Set.of(), number)), MERGE, aside);
        var run = test.last();
        test.edit(MOORING, quay, Map.of("title", "Quay wall", "length", "7.5"));
        var findings = test.site().runs().undoPlan(run.id()).orElseThrow().findings();
        assertEquals(
                findings.stream().map(Finding::sentence).toList(),
                List.of("Moorings changed since in 1 record in a way that the older definitions cannot say."
                        + " What was there before comes back; the newer is held."));
        test.undo(run);
        assertEquals(told(BERTH, quay), "quay published {title=Quay wall, length=long enough}");
        test.undo(test.last());
        assertEquals(told(MOORING, quay), "quay published {title=Quay wall, length=7.5}");
    }
}
