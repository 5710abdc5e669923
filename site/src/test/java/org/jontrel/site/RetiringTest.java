package org.jontrel.site;

import static org.jontrel.site.testing.TestSite.stored;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Records that are retired by themselves: visitors see them until that moment and not a page longer. */
public class RetiringTest {
    private TestSite tests;

    @BeforeMethod
    public void open() {
        tests = TestSite.open();
        tests.install("1.0.0", Orchard.model());
    }

    @AfterMethod(alwaysRun = true)
    public void close() {
        tests.close();
    }

    private Site site() {
        return tests.site();
    }

    private SaveResult save(RecordState state, String title, Optional<Instant> appears, Optional<Instant> retires) {
        return site().records()
                .save(new Write(
                        "ttree",
                        Optional.empty(),
                        0,
                        state,
                        appears,
                        retires,
                        "",
                        Optional.empty(),
                        Optional.empty(),
                        Map.of("title", title),
                        true,
                        "ben"));
    }

    @Test
    public void recordsRetireByThemselves() throws SQLException {
        var past = Optional.of(Instant.parse("2026-01-01T00:00:00Z"));
        var soon = Optional.of(Instant.parse("2198-01-01T00:00:00Z"));
        var later = Optional.of(Instant.parse("2199-01-01T00:00:00.5Z"));
        for (var wrong : List.of(
                save(RecordState.PUBLISHED, "R", Optional.empty(), past),
                save(RecordState.SCHEDULED, "R", past, past),
                save(RecordState.SCHEDULED, "R", later, soon))) {
            var problems = ((SaveResult.Refused) wrong).problems();
            assertEquals(problems.size(), 1, problems.toString());
            assertEquals(problems.getFirst().path(), "retire_at");
            assertEquals(problems.getFirst().finding().code(), Code.RECORD_RETIRE);
        }
        long before = visible();
        var draft = stored(save(RecordState.DRAFT, "Not yet public", Optional.empty(), past));
        var open = stored(save(RecordState.PUBLISHED, "Public until then", Optional.empty(), later));
        var planned = stored(save(RecordState.SCHEDULED, "Public at times", past, later));
        var retired = stored(save(RecordState.RETIRED, "Was public", Optional.empty(), later));
        assertEquals(draft.retireAt(), past);
        assertEquals(open.retireAt(), Optional.of(Instant.parse("2199-01-01T00:00:00Z")), "as exact as it is kept");
        assertEquals(retired.retireAt(), Optional.empty());
        assertEquals(site().records().byId("ttree", open.id()).orElseThrow(), open);
        assertEquals(
                tests.edit("ttree", open.id(), Map.of("title", "Still public")).retireAt(), open.retireAt());
        assertEquals(visible(), before + 2);
        assertEquals(site().records().retireDue(), 0);

        due(open, planned);
        assertEquals(visible(), before);
        for (var each : List.of(open, planned)) {
            var there = site().records().byId("ttree", each.id()).orElseThrow();
            assertFalse(there.visible(Instant.now()));
            assertEquals(there.state(), each.state(), "in lists it is what it was until the next round");
        }
        assertEquals(site().records().retireDue(), 2);
        var after = site().records().byId("ttree", open.id()).orElseThrow();
        assertEquals(after.state(), RecordState.RETIRED);
        assertEquals(after.retireAt(), Optional.empty());
        assertEquals(site().records().byId("ttree", draft.id()).orElseThrow(), draft);
        var again = site().records()
                .save(Write.change("ttree", after, Map.of(), false, "ben").withState(RecordState.PUBLISHED));
        assertEquals(stored(again).state(), RecordState.PUBLISHED);
        assertEquals(visible(), before + 1);
    }

    /** What visitors count and what they read, page by page, is the same. */
    private long visible() {
        var query = ListQuery.ALL.as(Audience.VISITORS);
        long counted = site().records().count("ttree", query).records();
        long read = 0;
        var next = Optional.of(query);
        while (next.isPresent()) {
            var page = site().records().page("ttree", next.get()).orElseThrow();
            read += page.records().size();
            next = page.next().map(cursor -> query.after(Optional.of(cursor)));
        }
        assertEquals(read, counted);
        assertEquals(site().records().visible(Set.of("ttree")).contains("ttree"), counted > 0);
        return counted;
    }

    /** Lets the moment come at which records retire. */
    private void due(StoredRecord... records) throws SQLException {
        var table = site().installed().table("ttree").orElseThrow().name();
        try (var connection = tests.source().getConnection();
                var change = connection.prepareStatement(
                        "UPDATE `" + table + "` SET retire_at = '2026-01-01 00:00:00' WHERE id = ?")) {
            for (var record : records) {
                change.setLong(1, record.id());
                change.executeUpdate();
            }
            if (!connection.getAutoCommit()) {
                connection.commit();
            }
        }
    }
}
