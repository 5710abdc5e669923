package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.jontrel.core.code.Decision;
import org.jontrel.core.generated.Models;
import org.jontrel.site.Site;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Drawn;
import org.jontrel.site.testing.DrawnChange;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a plan tells of some records is what its run makes of them. */
public class PlanSamplesLawTest {
    private static final int CASES = Integer.getInteger("samples.cases", 3);
    private static final int FROM = Integer.getInteger("samples.from", 1);
    private static final int MOST = 100;
    private int compared;
    /** Of those, how many a run makes that were not there. */
    private int made;

    @DataProvider
    public Object[][] sorts() {
        return new Object[][] {
            {DrawnChange.EditSort.ANYHOW},
            {DrawnChange.EditSort.RESHAPED},
            {DrawnChange.EditSort.SPLIT},
            {DrawnChange.EditSort.MERGED},
            {DrawnChange.EditSort.RELATED},
            {DrawnChange.EditSort.NAMED},
            {DrawnChange.EditSort.PARTED},
            {DrawnChange.EditSort.JOINED}
        };
    }

    @Test(dataProvider = "sorts")
    public void whatIsToldIsWhatBecomes(DrawnChange.EditSort sort) throws SQLException {
        compared = 0;
        made = 0;
        for (int seed = FROM; seed < FROM + CASES; seed++) {
            var database = TestDatabase.shared();
            try (var source = database.source(database.create())) {
                compare(source, seed, sort);
            }
        }
        assertTrue(compared > CASES, compared + " records");
        assertTrue(sort != DrawnChange.EditSort.PARTED || made > CASES, made + " records that were made");
    }

    private void compare(HikariDataSource source, int seed, DrawnChange.EditSort sort) throws SQLException {
        var change = DrawnChange.of(new Models(seed), sort);
        var site = Site.open(source, "law", Duration.ofSeconds(5));
        var drawn = new Drawn(site);
        run(site, new Runs.RunTarget("1", change.before(), List.of()));
        drawn.fill(change.before());
        var target = drawn.answered(change.after(), Decision.Action.LEAVE);
        var plan = site.runs().plan(target);
        if (!plan.runnable()) {
            return;
        }
        var told = site.runs().samples(target, Duration.ofMinutes(1), MOST);
        run(site, target);
        try (var connection = source.getConnection()) {
            var texts = new PlanSamples(connection, site.installed(), change.after());
            for (var type : told) {
                for (var sampled : type.records()) {
                    var found =
                            site.records().byId(type.is().id(), sampled.record().id());
                    // one record can stand for several rows
                    if (found.isEmpty()
                            && change.before().definition(type.is().id()).isEmpty()) {
                        continue;
                    }
                    var now = found.orElseThrow();
                    assertEquals(
                            folded(sampled.after()).toString(),
                            folded(texts.texts(change.after(), type.is(), now.values()))
                                    .toString(),
                            "seed " + seed + ", " + type.is().key() + " "
                                    + sampled.record().title());
                    compared++;
                    made += change.before().definition(type.is().id()).isEmpty() ? 1 : 0;
                }
            }
        }
    }

    /** Of terms that are made, the first spelling stands. */
    private static Map<String, String> folded(Map<String, String> texts) {
        var all = new TreeMap<String, String>();
        texts.forEach((field, text) -> all.put(field, text.toLowerCase(Locale.ROOT)));
        return all;
    }

    private static void run(Site site, Runs.RunTarget target) {
        var outcome = site.runs().start(target, "anna", _ -> {});
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
    }
}
