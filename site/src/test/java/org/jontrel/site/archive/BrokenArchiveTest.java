package org.jontrel.site.archive;

import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jontrel.site.table.Schema;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Nothing is taken of a file that is not whole, whoever made it so. */
public class BrokenArchiveTest {
    @DataProvider
    public Object[][] broken() {
        return new Object[][] {
            {
                "a byte of a record",
                edited("records/mooring.jsonl", text -> text.replace("Mooring 7\"", "Mooring 8\"")),
                "checksum differs"
            },
            {
                "a file that is gone",
                (Consumer<SortedMap<String, byte[]>>) all -> all.remove("site/jontrel_text.jsonl"),
                "other files"
            },
            {
                "a file too many",
                (Consumer<SortedMap<String, byte[]>>) all -> all.put("media/x", new byte[1]),
                "other files"
            },
            {"no checksums", (Consumer<SortedMap<String, byte[]>>) all -> all.remove(SiteArchive.CHECKSUMS), "cut off"},
            {"a way out", signed(all -> all.put("media/../../../etc/cron.d/x", new byte[1])), "no file of an archive"},
            {
                "another format",
                signed(edited(SiteArchive.MANIFEST, text -> text.replace("\"format\":1", "\"format\":2"))),
                "format 2"
            },
            {"a bomb", signed(all -> all.put("media/" + "cd".repeat(32), new byte[300 << 20])), "packed tighter"},
            {
                "a statement in a name",
                signed(edited(SiteArchive.MANIFEST, text -> text.replace("\"name\":\"title\"", "\"name\":\"t`, x\""))),
                "no site has"
            },
            {
                "a statement in a comment",
                signed(edited(
                        SiteArchive.MANIFEST,
                        text -> text.replaceFirst("\"comment\":\"tmooring\"", "\"comment\":\"x'; DROP TABLE y\""))),
                "no site has"
            },
            {
                "another sort of column",
                signed(edited(SiteArchive.MANIFEST, text -> text.replace("varchar(16)", "geometry"))),
                "no site has"
            },
            {
                "a column too many",
                signed(edited("records/mooring.jsonl", text -> text.replaceFirst("\\{", "{\"secret\":1,"))),
                "does not have"
            },
            {
                "a row too few",
                signed(edited("records/mooring.jsonl", text -> text.replaceFirst("\\{[^}]*}\n", ""))),
                "another number of rows"
            },
            {"no row", signed(edited("records/mooring.jsonl", text -> text.replaceFirst("\\{", "["))), "is no row"},
            {
                "a table of the server",
                signed(all -> all.put("site/jontrel_lease.jsonl", "{}\n".getBytes(StandardCharsets.UTF_8))),
                "no table of this site"
            },
            {"nothing of itself", signed(edited(SiteArchive.MANIFEST, _ -> "{\"format\":1}")), "not as it must be"},
            {
                "a table without a name",
                signed(edited(SiteArchive.MANIFEST, text -> text.replaceFirst("\"name\":\"mooring\",", ""))),
                "not as it must be"
            },
            {
                "an index of nothing",
                signed(edited(
                        SiteArchive.MANIFEST, text -> text.replace("\"column\":\"slug\"", "\"column\":\"slag\""))),
                "does not take"
            },
            {
                "no time",
                signed(edited(
                        "records/mooring.jsonl",
                        text -> text.replaceFirst("\"created_at\":\"[^\"]*", "\"created_at\":\"noon"))),
                "does not take"
            },
            {
                "one record twice",
                signed(edited("records/mooring.jsonl", text -> text.replaceFirst("\"id\":2,", "\"id\":1,"))),
                "does not take"
            },
            {
                "no definitions",
                signed(all -> all.remove("site/jontrel_installed.jsonl")),
                "has no site/jontrel_installed"
            },
            {
                "definitions that are none",
                signed(edited(
                        "site/jontrel_installed.jsonl", text -> text.replaceFirst("\"model\":\"", "\"model\":\"?"))),
                "cannot be read"
            },
            {
                "checksums without end",
                (Consumer<SortedMap<String, byte[]>>) all -> all.put(SiteArchive.CHECKSUMS, new byte[130 << 20]),
                "not as it must be"
            },
            {
                "a table that is missing",
                signed(edited(
                        SiteArchive.MANIFEST,
                        text -> text.replaceFirst("\"comment\":\"tmooring\"", "\"comment\":\"tother\""))),
                "not those of its definitions"
            },
        };
    }

    private static Consumer<SortedMap<String, byte[]>> edited(String name, UnaryOperator<String> edit) {
        return all -> {
            var before = new String(all.get(name), StandardCharsets.UTF_8);
            var after = edit.apply(before);
            assertFalse(after.equals(before), "The edit must change something");
            all.put(name, after.getBytes(StandardCharsets.UTF_8));
        };
    }

    /** By somebody who can write checksums too. */
    private static Consumer<SortedMap<String, byte[]>> signed(Consumer<SortedMap<String, byte[]>> edit) {
        return all -> {
            edit.accept(all);
            all.remove(SiteArchive.CHECKSUMS);
            var lines = new StringBuilder();
            all.forEach((name, bytes) ->
                    lines.append(sha256(bytes)).append("  ").append(name).append('\n'));
            all.put(SiteArchive.CHECKSUMS, lines.toString().getBytes(StandardCharsets.UTF_8));
        };
    }

    private static String sha256(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test(dataProvider = "broken")
    public void nothingIsTakenThatIsNotWhole(String what, Consumer<SortedMap<String, byte[]>> edit, String told)
            throws Exception {
        var all = new TreeMap<>(whole());
        edit.accept(all);
        var bytes = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(bytes)) {
            for (var each : all.entrySet()) {
                zip.putNextEntry(new ZipEntry(each.getKey()));
                zip.write(each.getValue());
                zip.closeEntry();
            }
        }
        var file = Files.write(Files.createTempFile("broken", ".zip"), bytes.toByteArray());
        try (var target = TestDatabase.shared().source(TestDatabase.shared().create())) {
            var refused =
                    expectThrows(ArchiveRefused.class, () -> SiteArchiveTest.restored(file, target, Optional.empty()));
            assertTrue(refused.getMessage().contains(told), what + ": " + refused.getMessage());
        }
    }

    private SortedMap<String, byte[]> whole;

    /** What an archive has that nobody has broken; made once. */
    private SortedMap<String, byte[]> whole() throws Exception {
        if (whole == null) {
            try (var site = SiteArchiveTest.moorings()) {
                whole = SiteArchiveTest.entries(SiteArchiveTest.archived(site, Optional.empty(), true));
            }
        }
        return whole;
    }

    /** As it is left by a process that was killed while it wrote. */
    @Test
    public void whatWasCutOffIsNoArchive() throws Exception {
        try (var site = SiteArchiveTest.moorings();
                var target = TestDatabase.shared().source(TestDatabase.shared().create())) {
            var bytes = Files.readAllBytes(SiteArchiveTest.archived(site, Optional.empty(), true));
            for (int part = 1; part < 20; part++) {
                var file = Files.write(
                        Files.createTempFile("cut", ".zip"), Arrays.copyOf(bytes, bytes.length * part / 20));
                assertThrows(ArchiveRefused.class, () -> SiteArchiveTest.restored(file, target, Optional.empty()));
            }
            try (var connection = target.getConnection()) {
                assertTrue(Schema.tables(connection).isEmpty(), "Nothing was begun");
            }
        }
    }
}
