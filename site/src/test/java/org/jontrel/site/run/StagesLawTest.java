package org.jontrel.site.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.code.Decision;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.Model;
import org.jontrel.core.stage.Stages;
import org.jontrel.site.Site;
import org.jontrel.site.copy.SiteCopy;
import org.jontrel.site.testing.Drawn;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** For any chain of releases: a site that goes from one to the next is in the end as one that is taken over all of them at once. */
public class StagesLawTest {
    private static final int CASES = Integer.getInteger("stages.cases", 6);
    private static final int FROM = Integer.getInteger("stages.from", 1);
    private static final int RELEASES = 3;
    private static final int EDITS = 6;
    private int whole;
    private int joined;

    @Test
    public void stepByStepEqualsInOneGo() throws SQLException {
        for (int seed = FROM; seed < FROM + CASES; seed++) {
            try {
                holds(seed);
            } catch (RuntimeException | AssertionError e) {
                throw new AssertionError("seed " + seed + ": " + e.getMessage(), e);
            }
        }
        // what is stored and cannot go along keeps some from going on
        assertTrue(whole * 3 >= CASES, "of " + CASES + " chains " + whole + " could be gone");
        assertTrue(CASES < 4 || joined > 0, "releases that were reached in one run");
    }

    private void holds(int seed) throws SQLException {
        var database = TestDatabase.shared();
        try (var first = TestSite.open();
                var other = database.source(database.create())) {
            var models = new Models(seed);
            var before = models.model();
            first.install("1", before);
            new Drawn(first.site()).fill(before);
            SiteCopy.make(first.source(), other, _ -> {});
            var known = ids(Dump.of(other)).collect(Collectors.toSet());
            var way = new ArrayList<Stages.ReleaseOnWay>();
            Model model = before;
            for (int release = 2; release < 2 + RELEASES; release++) {
                model = edited(models, model);
                var target = new Drawn(first.site()).answered(model, Decision.Action.LEAVE);
                if (!first.site().runs().plan(target).runnable()) {
                    return;
                }
                way.add(new Stages.ReleaseOnWay(String.valueOf(release), model, target.decisions()));
                TestSite.run(
                        first.site().runs().start(at(release, target.model(), target.decisions()), "anna", _ -> {}));
            }
            whole++;
            go(other, before, way);
            assertEquals(named(Dump.of(other), known), named(Dump.of(first.source()), known));
        }
    }

    private static Stream<String> ids(Map<String, List<Map<String, String>>> dump) {
        return dump.values().stream()
                .flatMap(List::stream)
                .map(row -> row.get("id"))
                .filter(Objects::nonNull);
    }

    /** Terms and rows that runs make have numbers and times of their own: each is called by what it is. */
    private static Map<String, List<Map<String, String>>> named(
            Map<String, List<Map<String, String>>> dump, Set<String> known) {
        var names = new HashMap<String, String>();
        ids(dump).filter(id -> !known.contains(id)).forEach(id -> names.put(id, "made"));
        dump.values().stream()
                .flatMap(List::stream)
                .filter(row -> "definitions".equals(row.get("created_by")))
                .forEach(row -> {
                    names.put(row.get("id"), "term " + row.get("origin"));
                    row.keySet().removeAll(Set.of("created_at", "updated_at"));
                });
        dump.values().forEach(rows -> {
            rows.forEach(row -> row.replaceAll((_, value) -> names.getOrDefault(value, value)));
            rows.sort(Comparator.comparing(Map::toString));
        });
        return dump;
    }

    /** So many edits that releases often come to the same fields. */
    private static Model edited(Models models, Model model) {
        var edited = model;
        for (int edits = 0; edits < EDITS || edited.equals(model); edits++) {
            edited = edits % 2 == 0 ? models.edit(edited) : models.reshape(edited);
        }
        return edited;
    }

    private static Runs.RunTarget at(int version, Model model, List<Decision> decisions) {
        return new Runs.RunTarget(String.valueOf(version), model, decisions);
    }

    private void go(HikariDataSource source, Model before, List<Stages.ReleaseOnWay> way) {
        var site = Site.open(source, "other", Duration.ofSeconds(2));
        var stages = Stages.of(before, way);
        joined += way.size() - stages.size();
        for (var stage : stages) {
            TestSite.run(site.runs()
                    .start(new Runs.RunTarget(stage.version(), stage.model(), stage.decisions()), "anna", _ -> {}));
        }
    }
}
