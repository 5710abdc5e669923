package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.time.Duration;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.run.RunView.RunState;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.TestRecords;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;

/** A site of moorings in a real database, for each test anew. */
abstract class MooringSiteTest {
    HikariDataSource source;
    Site site;

    @BeforeMethod
    public void open() {
        var database = TestDatabase.shared();
        source = database.source(database.create());
        site = Site.open(source, "test", Duration.ofSeconds(2));
    }

    @AfterMethod
    public void close() {
        source.close();
    }

    void install(String version, Model model, Decision... decisions) {
        var outcome = site.runs().start(new Runs.RunTarget(version, model, List.of(decisions)), "anna", _ -> {});
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
        assertEquals(site.installed().version(), version);
        assertEquals(site.installed().model(), model);
    }

    void undo() {
        var last = site.runs().last().orElseThrow();
        var outcome = site.runs().undo(last.id(), "anna", _ -> {});
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
        assertEquals(site.runs().find(last.id()).orElseThrow().state(), RunState.UNDONE);
        assertEquals(site.runs().last().orElseThrow().state(), RunState.DONE);
    }

    StoredRecord add(String title, Object... pairs) {
        return stored(TestRecords.save(
                site, "mooring", Optional.empty(), 0, RecordState.PUBLISHED, raw(title, pairs), "ben"));
    }

    static Map<String, Object> raw(String title, Object... pairs) {
        var raw = new HashMap<String, Object>();
        raw.put("title", title);
        for (int i = 0; i < pairs.length; i += 2) {
            raw.put((String) pairs[i], pairs[i + 1]);
        }
        return raw;
    }

    static StoredRecord stored(SaveResult saved) {
        assertTrue(saved instanceof SaveResult.Stored, saved.toString());
        return ((SaveResult.Stored) saved).record();
    }

    Map<Long, Map<String, Object>> everything(String key) {
        var all = new LinkedHashMap<Long, Map<String, Object>>();
        TestRecords.all(site, key).forEach(record -> all.put(record.id(), plain(record.values())));
        return all;
    }

    static Map<String, Object> plain(Map<String, Object> values) {
        var plain = new HashMap<String, Object>();
        values.forEach((field, value) ->
                plain.put(field, value instanceof BigDecimal number ? number.stripTrailingZeros() : value));
        return plain;
    }

    Map<String, String> columns(String table) throws SQLException {
        var columns = new HashMap<String, String>();
        try (var connection = source.getConnection();
                var statement = connection.createStatement();
                var rows = statement.executeQuery("SHOW COLUMNS FROM " + table)) {
            while (rows.next()) {
                columns.put(rows.getString(1), rows.getString(2));
            }
        }
        return columns;
    }
}
