package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Model;
import org.jontrel.site.run.Held;
import org.jontrel.site.run.HeldValues;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;

/** A site on which runs take values out of use, and what is done with them. */
abstract class HeldSiteTest {
    static final Decision BACK = new Decision("frise", Decision.Topic.HELD_VALUES, Decision.Action.BRING_BACK, "");
    TestSite test;
    Site site;

    @BeforeMethod
    public void open() {
        test = TestSite.open();
        site = test.site();
    }

    @AfterMethod
    public void close() {
        test.close();
    }

    Held only() {
        var held = site.held().list();
        assertEquals(held.size(), 1, held.toString());
        return held.getFirst();
    }

    Map<String, Object> values(String recordTypeId, long id) {
        return new TreeMap<>(site.records().byId(recordTypeId, id).orElseThrow().values());
    }

    Held.ReturnOutcome.Returned back(Held held, boolean replace) {
        var outcome = site.held().bringBack(held.name(), replace, 0, 100, "anna");
        assertTrue(outcome instanceof Held.ReturnOutcome.Returned, outcome.toString());
        return (Held.ReturnOutcome.Returned) outcome;
    }

    void purge(Held held) {
        var outcome = site.held().purge(Set.of(held.name()), "anna");
        assertTrue(outcome instanceof HeldValues.Purged.PurgeDone, outcome.toString());
        assertEquals(((HeldValues.Purged.PurgeDone) outcome).gone().size(), 1);
    }

    /** Installs with one answer to all questions about what is held. */
    void install(String version, Model model, Decision.Action answer) {
        var asks =
                site.runs().plan(new Runs.RunTarget(version, model, List.of())).asks();
        test.install(
                version,
                model,
                asks.stream()
                        .map(ask -> new Decision(ask.fieldId(), ask.about(), answer, ""))
                        .toArray(Decision[]::new));
    }

    /** A site whose moorings had a rise, and lost the field. */
    long withoutRise() {
        test.install("1.0.0", Moorings.standard());
        var mooring = test.save("tmooring", Map.of("title", "North", "rise", "2.5"));
        test.save("tmooring", Map.of("title", "South"));
        test.install("2.0.0", Moorings.without(Moorings.RISE));
        return mooring.id();
    }
}
