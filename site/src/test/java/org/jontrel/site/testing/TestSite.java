package org.jontrel.site.testing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.RunView.RunState;
import org.jontrel.site.run.Runs;

/** A site of its own in the tests' database, and what tests do with it again and again. */
public record TestSite(HikariDataSource source, Site site) implements AutoCloseable {
    public static TestSite open() {
        var database = TestDatabase.shared();
        var source = database.source(database.create());
        return new TestSite(source, Site.open(source, "test", Duration.ofSeconds(2)));
    }

    @Override
    public void close() {
        source.close();
    }

    public void install(String version, Model model, Decision... decisions) {
        run(site.runs().start(new Runs.RunTarget(version, model, List.of(decisions)), "anna", _ -> {}));
        assertEquals(site.installed().version(), version);
    }

    public static void run(Runs.RunOutcome outcome) {
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
    }

    public RunView last() {
        return site.runs().last().orElseThrow();
    }

    /** Undoes the run to a version, or the undo that took it back. */
    public void undo(RunView run) {
        run(site.runs().undo(run.id(), "anna", _ -> {}));
        assertEquals(site.runs().find(run.id()).orElseThrow().state(), RunState.UNDONE);
    }

    public StoredRecord save(String recordTypeId, Map<String, ?> raw) {
        return stored(site.records().save(Write.fresh(recordTypeId, RecordState.PUBLISHED, raw, "ben")));
    }

    public StoredRecord edit(String recordTypeId, long id, Map<String, ?> raw) {
        var before = site.records().byId(recordTypeId, id).orElseThrow();
        return stored(site.records().save(Write.change(recordTypeId, before, raw, false, "ben")));
    }

    public static StoredRecord stored(SaveResult saved) {
        assertTrue(saved instanceof SaveResult.Stored, saved.toString());
        return ((SaveResult.Stored) saved).record();
    }
}
