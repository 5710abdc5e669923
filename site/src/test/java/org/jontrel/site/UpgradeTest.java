package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Runs;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.ModelText;
import org.jontrel.site.table.Schema;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.TestRecords;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** A site as an earlier version of this program left it opens, reads, is searched, written to and planned for. */
public class UpgradeTest {
    private static final Duration STALE = Duration.ofSeconds(10);
    /** Tables as that version made them. */
    private static final List<String> OLD = List.of(
            "CREATE TABLE jontrel_installed (id TINYINT PRIMARY KEY, version VARCHAR(64) NOT NULL, model LONGTEXT NOT NULL,"
                    + " checksum CHAR(64) NOT NULL, run_id BIGINT NOT NULL, installed_at DATETIME(3) NOT NULL)",
            "CREATE TABLE jontrel_media (id BIGINT PRIMARY KEY, format VARCHAR(8) NOT NULL, width INT NOT NULL, height INT NOT NULL,"
                    + " bytes BIGINT NOT NULL, name VARCHAR(255) NOT NULL, alt VARCHAR(1000) NOT NULL, sha256 CHAR(64) NOT NULL,"
                    + " created_at DATETIME(3) NOT NULL, created_by VARCHAR(100) NOT NULL)",
            "CREATE TABLE jontrel_media_chunk (media_id BIGINT NOT NULL, seq INT NOT NULL, content MEDIUMBLOB NOT NULL,"
                    + " PRIMARY KEY (media_id, seq))",
            "CREATE TABLE mooring (id BIGINT PRIMARY KEY, slug VARCHAR(190) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,"
                    + " state VARCHAR(16) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, version INT NOT NULL,"
                    + " complete TINYINT(1) NOT NULL, created_at DATETIME(6) NOT NULL, updated_at DATETIME(6) NOT NULL,"
                    + " created_by VARCHAR(100) NOT NULL, updated_by VARCHAR(100) NOT NULL,"
                    + " `title` VARCHAR(255) NULL COMMENT 'part_title', `position` DECIMAL(20,6) NULL COMMENT 'part_position',"
                    + " `length` DECIMAL(20,6) NULL COMMENT 'flength', `photo` BIGINT NULL COMMENT 'fphoto',"
                    + " UNIQUE KEY slug (slug), KEY updated (updated_at), KEY state (state, updated_at)) COMMENT='tmooring'",
            "INSERT INTO jontrel_media VALUES (7, 'png', 60, 40, 3, 'a.png', 'A quay', REPEAT('a', 64), NOW(3), 'ben')",
            "INSERT INTO jontrel_media_chunk VALUES (7, 0, 'abc')",
            "INSERT INTO mooring VALUES (1, 'quay', 'published', 3, 1, UTC_TIMESTAMP(6), UTC_TIMESTAMP(6), 'x', 'ben',"
                    + " 'The old quay', 4, 12.5, 7)");

    private static Model model() {
        return new Model(List.of(new ContentType(
                "tmooring",
                "mooring",
                "Mooring",
                "Moorings",
                "",
                "",
                "moorings",
                Map.of(),
                List.of(Part.TITLE, Part.POSITION),
                List.of(new Group("gberth", "Berth", "", List.of(Moorings.LENGTH, Moorings.PHOTO))))));
    }

    @Test
    public void nothingIsLostAndEverythingWorks() throws Exception {
        var source = TestDatabase.shared().source(TestDatabase.shared().create());
        try (var connection = source.getConnection();
                var statement = connection.createStatement()) {
            for (var sql : OLD) {
                statement.execute(sql);
            }
            try (var install = connection.prepareStatement(
                    "INSERT INTO jontrel_installed VALUES (1, '1.0.0', ?, '', 1, NOW(3))")) {
                install.setString(1, ModelText.write(model()));
                install.executeUpdate();
            }
        }
        Site.open(source, "first", STALE);
        var site = Site.open(source, "again", STALE);
        var record = site.records().byId("tmooring", 1).orElseThrow();
        assertEquals(record.title(), "The old quay");
        assertEquals(String.valueOf(record.values().get("part_position")), "4");
        assertEquals(record.position(), 0);
        assertEquals(
                site.records().count("tmooring", ListQuery.ALL.search("quay")).records(), 1);
        assertEquals(
                new String(site.media()
                        .serve(site.media().find(7).orElseThrow(), 0)
                        .orElseThrow()
                        .bytes()
                        .open()
                        .readAllBytes()),
                "abc");
        assertEquals(site.media().uses(7), List.of(new Link("tmooring", 1)));
        var raw = Map.of("title", "The old quay", "length", "13");
        var saved = TestRecords.save(site, "mooring", Optional.of(1L), 3, RecordState.PUBLISHED, raw, "cleo");
        assertTrue(saved instanceof SaveResult.Stored, saved.toString());
        assertEquals(site.records().history("tmooring", 1).size(), 1);
        var fields = new ArrayList<>(List.of(Moorings.LENGTH, Moorings.PHOTO, Moorings.NOTE));
        var next = model().with(
                        model().types().getFirst().withSections(List.of(new Group("gberth", "Berth", "", fields))));
        ((Runs.RunOutcome.Started) site.runs().start(new Runs.RunTarget("1.1.0", next, List.of()), "anna", _ -> {}))
                .work()
                .run();
        assertEquals(
                String.valueOf(site.records()
                        .byId("tmooring", 1)
                        .orElseThrow()
                        .values()
                        .get("flength")),
                "13");
    }

    /** Terms of one label can stand under different ones; those that an earlier run noted stand under none. */
    @Test
    public void notedTermsOfAnEarlierVersionStay() throws Exception {
        try (var tests = TestSite.open();
                var connection = tests.source().getConnection()) {
            Jdbc.execute(connection, "DROP TABLE jontrel_made");
            Jdbc.execute(
                    connection,
                    "CREATE TABLE jontrel_made (name VARCHAR(40) CHARACTER SET ascii NOT NULL,"
                            + " taxonomy_id VARCHAR(40) CHARACTER SET ascii NOT NULL,"
                            + " label VARCHAR(200) COLLATE utf8mb4_bin NOT NULL, shown VARCHAR(200) NOT NULL,"
                            + " term_id BIGINT NOT NULL, PRIMARY KEY (name, taxonomy_id, label))");
            Jdbc.execute(connection, "INSERT INTO jontrel_made VALUES ('h1', 'x1', 'oak', 'Oak', 7)");
            Site.open(tests.source(), "first", STALE);
            Site.open(tests.source(), "again", STALE);
            Jdbc.execute(connection, "INSERT INTO jontrel_made VALUES ('h1', 'x1', 7, 'oak', 'Oak', 8)");
            assertEquals(
                    Jdbc.query(connection, "SELECT above_id FROM jontrel_made ORDER BY term_id", row -> row.getLong(1)),
                    List.of(0L, 7L));
        }
    }

    /** Also what a run holds gets the column, so that its undo brings back a table that can be read. */
    @Test
    public void recordsOfAnEarlierVersionRetireToo() throws Exception {
        try (var tests = TestSite.open()) {
            tests.install("1.0.0", model());
            var quay = tests.save("tmooring", Map.of("title", "The old quay", "length", "12"));
            tests.install("2.0.0", new Model(List.of()));
            var away = tests.last();
            try (var connection = tests.source().getConnection();
                    var statement = connection.createStatement()) {
                var held = Schema.with(connection, "retire_at");
                assertEquals(held.size(), 1, held.toString());
                statement.execute(
                        "ALTER TABLE " + held.getFirst() + " DROP INDEX " + Ddl.RETIRES + ", DROP COLUMN retire_at");
                // as an earlier version named a field of this key
                statement.execute("ALTER TABLE " + held.getFirst()
                        + " CHANGE length retire_at DECIMAL(20,6) NULL COMMENT 'flength'");
            }
            // and as a start that was interrupted left it once more
            Site.open(tests.source(), "interrupted", STALE);
            try (var connection = tests.source().getConnection();
                    var statement = connection.createStatement()) {
                var held = Schema.with(connection, "retire_at").getFirst();
                statement.execute("ALTER TABLE " + held + " DROP INDEX " + Ddl.RETIRES);
            }
            var again = new TestSite(tests.source(), Site.open(tests.source(), "again", STALE));
            again.undo(away);
            var back = again.site().records().byId("tmooring", quay.id()).orElseThrow();
            assertEquals(back, quay);
            var retiring = again.site()
                    .records()
                    .save(new Write(
                            "tmooring",
                            Optional.of(quay.id()),
                            quay.version(),
                            RecordState.PUBLISHED,
                            Optional.empty(),
                            Optional.of(Instant.parse("2199-01-01T00:00:00Z")),
                            "",
                            Optional.empty(),
                            Optional.empty(),
                            Map.of(),
                            false,
                            "ben"));
            assertEquals(TestSite.stored(retiring).retireAt(), Optional.of(Instant.parse("2199-01-01T00:00:00Z")));
            try (var connection = tests.source().getConnection()) {
                assertEquals(Schema.indexes(connection, "mooring").get(Ddl.RETIRES), "state,retire_at");
            }
        }
    }
}
