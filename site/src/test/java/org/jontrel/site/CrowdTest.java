package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.atomic.AtomicInteger;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Thirty-two writers at once: nothing acknowledged is lost, what must be unique is, and no deadlock reaches anybody. */
public class CrowdTest {
    private static final int WRITERS = 32;
    private Site site;

    @BeforeMethod
    public void makeSite() {
        site = Site.open(TestDatabase.shared().source(TestDatabase.shared().create()), "test", Duration.ofSeconds(10));
        var outcome = site.runs().start(new Runs.RunTarget("1.0.0", Orchard.model(), List.of()), "anna", _ -> {});
        ((Runs.RunOutcome.Started) outcome).work().run();
    }

    private static <T> List<T> all(Callable<T> work) throws Exception {
        try (var pool = Executors.newFixedThreadPool(WRITERS)) {
            var tasks = new ArrayList<Callable<T>>();
            for (int i = 0; i < WRITERS; i++) {
                tasks.add(work);
            }
            var results = new ArrayList<T>();
            for (var future : pool.invokeAll(tasks)) {
                results.add(future.get());
            }
            return results;
        }
    }

    private long add(String recordTypeId, Map<String, ?> raw) {
        var saved = site.records().save(Write.fresh(recordTypeId, RecordState.PUBLISHED, raw, "ben"));
        assertTrue(saved instanceof SaveResult.Stored, saved.toString());
        return ((SaveResult.Stored) saved).record().id();
    }

    @Test
    public void editsOfOneRecordAreEachStoredOrToldOfTheOther() throws Exception {
        long id = add("ttree", Orchard.tree("One"));
        var stored = new AtomicInteger();
        all(() -> {
            for (int i = 0; i < 6; i++) {
                var now = site.records().byId("ttree", id).orElseThrow();
                var rows = new ArrayList<Object>();
                rows.add(Map.of("day", "2026-01-01"));
                rows.add(Map.of("day", "2026-01-02", "cuts", List.of(Map.of("branch", "b" + i))));
                var change = Map.of("summary", Thread.currentThread().getName() + i, "prunings", rows);
                var saved = site.records().save(Write.change("ttree", now, change, false, "w"));
                assertTrue(
                        saved instanceof SaveResult.Stored || saved instanceof SaveResult.Conflict, saved.toString());
                stored.addAndGet(saved instanceof SaveResult.Stored ? 1 : 0);
            }
            return null;
        });
        var last = site.records().byId("ttree", id).orElseThrow();
        assertEquals(last.version(), stored.get() + 1, "each acknowledged save counted once");
        assertEquals(((List<?>) last.values().get("fprunings")).size(), 2);
        assertEquals(site.records().history("ttree", id).size(), Math.min(stored.get(), 200));
    }

    @Test
    public void whatMustBeUniqueIsUnique() throws Exception {
        long person = add("tperson", Map.of("title", "Ada"));
        var outcomes = all(() -> site.records()
                .save(Write.fresh(
                        "ttree", RecordState.PUBLISHED, Map.of("title", "Same", "tag", "T1", "keeper", person), "w")));
        assertEquals(
                outcomes.stream().filter(SaveResult.Stored.class::isInstance).count(), 1);
        assertEquals(
                outcomes.stream().filter(SaveResult.Refused.class::isInstance).count(), WRITERS - 1);
    }

    @Test
    public void oneTitleGivesEachItsOwnAddress() throws Exception {
        var ids = all(() -> add("tplot", Map.of("title", "Same title")));
        var slugs = new HashSet<String>();
        site.records().byIds("tplot", ids).forEach(record -> slugs.add(record.slug()));
        assertEquals(slugs.size(), WRITERS);
    }

    @Test
    public void linksBothWaysAmongNeighboursNeitherDeadlockNorGetLost() throws Exception {
        var trees = new ArrayList<Long>();
        for (int i = 0; i < 8; i++) {
            trees.add(add("ttree", Map.of("title", "T" + i)));
        }
        all(() -> {
            for (int i = 0; i < 5; i++) {
                long own = trees.get(ThreadLocalRandom.current().nextInt(8));
                long other = trees.get(ThreadLocalRandom.current().nextInt(8));
                if (own == other) {
                    continue;
                }
                var now = site.records().byId("ttree", own).orElseThrow();
                var change = Map.of("near", List.of(other), "parents", List.of(other));
                var saved = site.records().save(Write.change("ttree", now, change, false, "w"));
                assertTrue(
                        saved instanceof SaveResult.Stored || saved instanceof SaveResult.Conflict, saved.toString());
            }
            return null;
        });
        for (var tree : site.records().byIds("ttree", trees)) {
            var near = tree.values().getOrDefault("fnear", List.of());
            ((List<?>) near).forEach(link -> {
                var other = site.records()
                        .byId("ttree", ((org.jontrel.core.value.Link) link).id())
                        .orElseThrow();
                assertTrue(
                        ((List<?>) other.values().get("fnear"))
                                .contains(new org.jontrel.core.value.Link("ttree", tree.id())),
                        "each end sees the other");
            });
        }
        assertEquals(site.records().count("ttree", ListQuery.ALL).records(), 8);
    }
}
