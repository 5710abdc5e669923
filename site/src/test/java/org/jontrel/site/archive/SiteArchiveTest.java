package org.jontrel.site.archive;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.zip.ZipFile;
import javax.sql.DataSource;
import org.jontrel.core.code.Decision;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.Site;
import org.jontrel.site.media.Bytes;
import org.jontrel.site.media.MediaContents;
import org.jontrel.site.run.Runs;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.testing.Drawn;
import org.jontrel.site.testing.DrawnChange;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.TestRecords;
import org.jontrel.site.testing.TestSite;
import org.jontrel.site.testing.WholeDump;
import org.testng.annotations.Test;

/** An archive has what the site had at one moment, and what is restored from it is that site. */
public class SiteArchiveTest {
    private static final int CASES = Integer.getInteger("archive.cases", 3);
    private static final int FROM = Integer.getInteger("archive.from", 1);
    private static final int RECORDS = 2_000;
    private static final ArchiveManifest.ArchivedSite ABOUT =
            new ArchiveManifest.ArchivedSite("towpath", "Towpath", "", "", false);
    private static final String PICTURE = "ab".repeat(32);

    static Path archived(TestSite site, Optional<Path> media, boolean history) throws IOException {
        var file = Files.createTempFile("archive", ".zip");
        try (var archive = new SiteArchive(site.source(), media, ABOUT, history);
                var out = Files.newOutputStream(file)) {
            archive.writeTo(out, _ -> {});
        }
        return file;
    }

    static Site restored(Path file, DataSource target, Optional<Path> media) throws IOException {
        try (var archive = ArchiveFile.open(file)) {
            SiteRestore.fill(archive, target, media, _ -> {});
        }
        return Site.open(target, "restored", Duration.ofSeconds(2), media);
    }

    /** For any model, its records, and what a run kept aside; the last run can be undone there as here. */
    @Test
    public void whatIsRestoredIsTheSite() throws Exception {
        for (int seed = FROM; seed < FROM + CASES; seed++) {
            try (var site = TestSite.open();
                    var target =
                            TestDatabase.shared().source(TestDatabase.shared().create())) {
                var change = DrawnChange.of(
                        new Models(seed), DrawnChange.EditSort.values()[seed % DrawnChange.EditSort.values().length]);
                site.install("1.0.0", change.before());
                var drawn = new Drawn(site.site());
                drawn.fill(change.before());
                new MediaContents(site.source(), Optional.empty()).put(PICTURE, Bytes.of(drawn(seed)));
                var answered = drawn.answered(change.after(), Decision.Action.LEAVE);
                var further = new Runs.RunTarget("2.0.0", answered.model(), answered.decisions());
                if (site.site().runs().plan(further).runnable()) {
                    TestSite.run(site.site().runs().start(further, "anna", _ -> {}));
                }
                var file = archived(site, Optional.empty(), true);
                var copy = restored(file, target, Optional.empty());
                WholeDump.assertSame(target, site.source(), "seed " + seed);
                new Drawn(copy).read();
                isTheSame(file, archived(new TestSite(target, copy), Optional.empty(), true), seed);
                isPackage(file, site.site());
                site.undo(site.last());
                TestSite.run(copy.runs().undo(copy.runs().last().orElseThrow().id(), "anna", _ -> {}));
                assertEquals(copy.installed().model(), site.site().installed().model(), "seed " + seed);
                assertEquals(Dump.of(target).keySet(), Dump.of(site.source()).keySet(), "seed " + seed);
            }
        }
    }

    private static byte[] drawn(int seed) {
        var bytes = new byte[3 << 20];
        new Random(seed).nextBytes(bytes);
        return bytes;
    }

    private static void isTheSame(Path one, Path other, int seed) throws IOException {
        var a = entries(one);
        var b = entries(other);
        for (var each : List.of(a, b)) {
            each.remove(SiteArchive.MANIFEST);
            each.remove(SiteArchive.CHECKSUMS);
        }
        assertEquals(a.keySet(), b.keySet(), "seed " + seed);
        a.forEach((name, bytes) -> assertEquals(bytes, b.get(name), "seed " + seed + ": " + name));
    }

    /** What is in it runs without any editor. */
    private static void isPackage(Path file, Site site) throws IOException {
        var files = new TreeMap<String, byte[]>();
        entries(file).forEach((name, bytes) -> {
            if (name.startsWith(SiteArchive.PACKAGE)) {
                files.put(name.substring(SiteArchive.PACKAGE.length()), bytes);
            }
        });
        var read =
                PackageReader.read(PackageFiles.zip(PackageFiles.toZip(files), new java.util.ArrayList<>()), List.of());
        assertTrue(read.content().isPresent(), read.findings().toString());
        assertEquals(read.content().orElseThrow().model(), site.installed().model());
    }

    static SortedMap<String, byte[]> entries(Path file) throws IOException {
        var all = new TreeMap<String, byte[]>();
        try (var zip = new ZipFile(file.toFile())) {
            for (var entry : zip.stream().toList()) {
                all.put(entry.getName(), zip.getInputStream(entry).readAllBytes());
            }
        }
        return all;
    }

    static TestSite moorings() throws SQLException {
        var site = TestSite.open();
        site.install("1.0.0", Moorings.standard());
        try (var connection = site.source().getConnection()) {
            Jdbc.update(
                    connection,
                    "INSERT INTO mooring (id, slug, state, version, complete, created_at, updated_at, created_by, updated_by,"
                            + " title) SELECT seq, CONCAT('m-', seq), 'published', 1, 1, UTC_TIMESTAMP(6), UTC_TIMESTAMP(6),"
                            + " 'x', 'x', CONCAT('Mooring ', seq) FROM seq_1_to_" + RECORDS);
        }
        edit(site, 1, "Written first");
        return site;
    }

    private static void edit(TestSite site, long id, String title) {
        var now = TestRecords.byId(site.site(), "mooring", id).orElseThrow();
        TestSite.stored(TestRecords.save(
                site.site(),
                "mooring",
                Optional.of(id),
                now.version(),
                RecordState.PUBLISHED,
                Map.of("title", title),
                "ben"));
    }

    /** Each save raises a record's version and adds a line to its history. */
    @Test
    public void itIsOfOneMomentWhileSomebodyWrites() throws Exception {
        try (var site = moorings();
                var target = TestDatabase.shared().source(TestDatabase.shared().create());
                var pool = Executors.newVirtualThreadPerTaskExecutor()) {
            var over = new AtomicBoolean();
            var writer = pool.submit(() -> {
                for (long round = 0; !over.get(); round++) {
                    edit(site, 1 + round % RECORDS, "Written " + round);
                }
                return null;
            });
            var file = archived(site, Optional.empty(), true);
            over.set(true);
            writer.get();
            restored(file, target, Optional.empty());
            try (var connection = target.getConnection()) {
                long saves = Jdbc.number(connection, "SELECT SUM(version - 1) FROM mooring");
                assertTrue(saves > 0, "somebody wrote before the archive began");
                assertEquals(Jdbc.number(connection, "SELECT COUNT(*) FROM jontrel_history"), saves);
            }
        }
    }

    @Test
    public void historyGoesOnlyWhereItIsAskedFor() throws Exception {
        try (var site = moorings();
                var target = TestDatabase.shared().source(TestDatabase.shared().create())) {
            var copy = restored(archived(site, Optional.empty(), false), target, Optional.empty());
            assertEquals(copy.count("tmooring"), RECORDS);
            try (var connection = target.getConnection()) {
                assertEquals(Jdbc.number(connection, "SELECT COUNT(*) FROM jontrel_history"), 0);
            }
        }
    }

    /** Wherever they are kept, and wherever they are to be kept. */
    @Test
    public void picturesAndFilesGoFromAndIntoFolders() throws Exception {
        var from = Files.createTempDirectory("media");
        var to = Files.createTempDirectory("media");
        var bytes = "the bytes of a picture".getBytes(StandardCharsets.UTF_8);
        try (var site = moorings();
                var target = TestDatabase.shared().source(TestDatabase.shared().create());
                var other = TestDatabase.shared().source(TestDatabase.shared().create())) {
            new MediaContents(site.source(), Optional.of(from)).put(PICTURE, Bytes.of(bytes));
            Files.writeString(from.resolve("somebody-elses"), "x");
            var file = archived(site, Optional.of(from), true);
            restored(file, target, Optional.of(to));
            assertEquals(Files.readAllBytes(to.resolve(PICTURE.substring(0, 2)).resolve(PICTURE)), bytes);
            restored(file, other, Optional.empty());
            MediaContents.each(other.getConnection(), Optional.empty(), (name, in) -> {
                assertEquals(name, PICTURE);
                assertEquals(in.readAllBytes(), bytes);
            });
        }
    }

    @Test
    public void aSiteInARunHasNoArchive() throws Exception {
        try (var site = moorings();
                var connection = site.source().getConnection()) {
            Jdbc.update(connection, "UPDATE jontrel_run SET state = 'running'");
            var refused = expectThrows(
                    ArchiveRefused.class, () -> new SiteArchive(site.source(), Optional.empty(), ABOUT, true));
            assertTrue(refused.getMessage().contains("A run on this site is under way"), refused.getMessage());
        }
    }

    @Test
    public void itIsRestoredIntoAnEmptyDatabaseOnly() throws Exception {
        try (var site = moorings()) {
            var file = archived(site, Optional.empty(), true);
            assertThrows(ArchiveRefused.class, () -> restored(file, site.source(), Optional.empty()));
            assertEquals(site.site().count("tmooring"), RECORDS);
        }
    }

    @Test
    public void definitionsThatAreSwitchedMeanwhileAreTold() throws Exception {
        try (var site = moorings()) {
            var archive = new SiteArchive(site.source(), Optional.empty(), ABOUT, true);
            var target = new Runs.RunTarget("2.0.0", Moorings.standard().without("tmooring"), List.of());
            TestSite.run(site.site().runs().start(target, "anna", _ -> {}));
            var refused =
                    expectThrows(ArchiveRefused.class, () -> archive.writeTo(OutputStream.nullOutputStream(), _ -> {}));
            assertTrue(refused.getMessage().contains("Make it again"), refused.getMessage());
            archive.close();
        }
    }
}
