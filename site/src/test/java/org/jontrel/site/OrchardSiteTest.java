package org.jontrel.site;

import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.Values;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.BeforeMethod;

/** A site whose model has the whole language, empty before each test. */
abstract class OrchardSiteTest {
    Site site;

    @BeforeMethod
    public void makeSite() {
        site = Site.open(TestDatabase.shared().source(TestDatabase.shared().create()), "test", Duration.ofSeconds(10));
        install("1.0.0", Orchard.model());
    }

    void install(String version, org.jontrel.core.model.Model model) {
        var outcome = site.runs().start(new Runs.RunTarget(version, model, List.of()), "anna", _ -> {});
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
    }

    static StoredRecord stored(SaveResult saved) {
        if (saved instanceof SaveResult.Refused refused) {
            throw new AssertionError(refused.problems().toString());
        }
        assertTrue(saved instanceof SaveResult.Stored, saved.toString());
        return ((SaveResult.Stored) saved).record();
    }

    static List<Code> refused(SaveResult saved) {
        assertTrue(saved instanceof SaveResult.Refused, saved.toString());
        return ((SaveResult.Refused) saved)
                .problems().stream().map(problem -> problem.finding().code()).toList();
    }

    StoredRecord save(String recordTypeId, Map<String, ?> raw) {
        return stored(site.records().save(Write.fresh(recordTypeId, RecordState.PUBLISHED, raw, "ben")));
    }

    StoredRecord change(String recordTypeId, StoredRecord before, Map<String, ?> raw) {
        return stored(site.records().save(Write.change(recordTypeId, before, raw, false, "cleo")));
    }

    StoredRecord titled(String recordTypeId, String title) {
        return save(recordTypeId, Map.of("title", title));
    }

    StoredRecord term(String label) {
        return site.records().all("xsort", 100).stream()
                .filter(term -> term.title().equals(label))
                .findFirst()
                .orElseThrow();
    }

    Map<String, Object> wire(String recordTypeId, StoredRecord record) {
        var recordType = site.installed().table(recordTypeId).orElseThrow().recordType();
        return Values.wire(recordType.fields().toList(), record.values());
    }

    long count(Condition where) {
        return site.records().count("ttree", ListQuery.ALL.where(where)).records();
    }

    static Condition is(String field, Condition.Test test, Object... values) {
        return new Condition.FieldIs(
                field, test, List.of(values).stream().map(String::valueOf).toList());
    }
}
