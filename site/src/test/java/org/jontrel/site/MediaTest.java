package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executors;
import javax.imageio.ImageIO;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.value.Link;
import org.jontrel.site.media.Bytes;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.media.StoredFile;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Pictures and files, kept in the database or in a folder. */
public class MediaTest {
    private static final byte[] PDF =
            "%PDF-1.4\n1 0 obj<<>>endobj\ntrailer<<>>\n%%EOF".getBytes(StandardCharsets.UTF_8);

    @DataProvider
    public Object[][] places() throws IOException {
        return new Object[][] {{Optional.empty()}, {Optional.of(Files.createTempDirectory("media"))}};
    }

    private static Site site(Optional<Path> folder) {
        var site = Site.open(
                TestDatabase.shared().source(TestDatabase.shared().create()), "test", Duration.ofSeconds(10), folder);
        var outcome = site.runs().start(new Runs.RunTarget("1.0.0", Orchard.model(), List.of()), "anna", _ -> {});
        ((Runs.RunOutcome.Started) outcome).work().run();
        return site;
    }

    private static Field field(Site site, String id) {
        return site.installed()
                .table("ttree")
                .orElseThrow()
                .recordType()
                .field(id)
                .orElseThrow();
    }

    private static StoredFile stored(MediaStore.Uploaded uploaded) {
        assertTrue(uploaded instanceof MediaStore.Uploaded.StoredUpload, uploaded.toString());
        return ((MediaStore.Uploaded.StoredUpload) uploaded).file();
    }

    private static Code refused(MediaStore.Uploaded uploaded) {
        return ((MediaStore.Uploaded.RefusedUpload) uploaded)
                .findings()
                .getFirst()
                .code();
    }

    private static byte[] picture(String format, int width, int height) throws IOException {
        var bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), format, bytes);
        return bytes.toByteArray();
    }

    @Test(dataProvider = "places")
    public void filesAreWhatTheirBytesAreKeptOnceAndServedSmaller(Optional<Path> folder) throws Exception {
        var site = site(folder);
        var bytes = picture("jpeg", 1_200, 800);
        var first = stored(site.media().upload(field(site, "fphotos"), "a.png", "A tree", Bytes.of(bytes), "ben"));
        var second = stored(site.media().upload(field(site, "fphotos"), "b.jpg", "Another", Bytes.of(bytes), "ben"));
        assertEquals(first.format(), "jpeg");
        assertEquals(first.sha256(), second.sha256());
        assertEquals(site.media().serve(first, 0).orElseThrow().bytes().open().readAllBytes(), bytes);
        assertEquals(MediaStore.widths(first.width()), List.of(240, 480, 960));
        Waiting.until(
                "the smaller pictures",
                () -> site.media().serve(first, 400).orElseThrow().tag().endsWith("-480"));
        var small = site.media().serve(first, 400).orElseThrow();
        var read = ImageIO.read(small.bytes().open());
        assertEquals(List.of(read.getWidth(), read.getHeight()), List.of(480, 320));
        assertTrue(site.media().describe(first.id(), "An old tree", 20, 130));
        assertEquals(site.media().find(first.id()).orElseThrow().focusY(), 100);
        var tree = ((SaveResult.Stored) site.records()
                        .save(Write.fresh(
                                "ttree",
                                RecordState.DRAFT,
                                Map.of("title", "T", "photos", List.of(first.id(), second.id())),
                                "ben")))
                .record();
        assertEquals(site.media().uses(first.id()), List.of(new Link("ttree", tree.id())));
        assertFalse(site.media().remove(first.id()), "it is in use");
        site.records().save(Write.change("ttree", tree, Map.of("photos", List.of(second.id())), false, "ben"));
        assertTrue(site.media().remove(first.id()));
        assertTrue(site.media().serve(second, 0).isPresent(), "the other upload of the same bytes keeps them");
        assertEquals(site.media().page("", Optional.empty(), true, 10).size(), 1);
    }

    @Test(dataProvider = "places")
    public void aRemovalNeverTakesTheBytesOfAnUpload(Optional<Path> folder) throws Exception {
        var site = site(folder);
        var papers = field(site, "fpapers");
        var last = stored(site.media().upload(papers, "x.pdf", "", Bytes.of(PDF), "ben"));
        var ids = new HashSet<Long>();
        try (var threads = Executors.newFixedThreadPool(2)) {
            for (int i = 0; i < 40; i++) {
                var old = last;
                var removed = threads.submit(() -> site.media().remove(old.id()));
                var upload =
                        threads.submit(() -> stored(site.media().upload(papers, "x.pdf", "", Bytes.of(PDF), "ben")));
                last = upload.get();
                assertTrue(removed.get());
                assertEquals(
                        site.media().serve(last, 0).orElseThrow().bytes().open().readAllBytes(), PDF);
                ids.add(last.id());
            }
        }
        assertEquals(ids.size(), 40);
    }

    @Test(dataProvider = "places")
    public void longFilesAreReadFromAnyPlace(Optional<Path> folder) throws Exception {
        var site = site(folder);
        var long3 = new byte[3_500_000];
        new java.util.Random(3).nextBytes(long3);
        System.arraycopy(PDF, 0, long3, 0, PDF.length);
        var file = stored(site.media().upload(field(site, "fpapers"), "x.pdf", "", Bytes.of(long3), "ben"));
        var bytes = site.media().serve(file, 0).orElseThrow().bytes();
        assertEquals(bytes.size(), long3.length);
        for (int from : List.of(0, 1, (1 << 20) - 1, 1 << 20, 3_499_999, 3_500_000)) {
            try (var in = bytes.open()) {
                in.skipNBytes(from);
                assertEquals(in.readAllBytes(), Arrays.copyOfRange(long3, from, long3.length), "from " + from);
            }
        }
    }

    @Test
    public void falseCutOffAndPolyglotFilesAreRefusedOrMadeHarmless() throws IOException {
        var site = site(Optional.empty());
        var photos = field(site, "fphotos");
        var papers = field(site, "fpapers");
        var whole = picture("png", 60, 40);
        assertEquals(
                refused(site.media()
                        .upload(photos, "x.png", "", Bytes.of(Arrays.copyOf(whole, whole.length / 2)), "ben")),
                Code.IMAGE_NOT_A_PICTURE);
        var svg = "<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>"
                .getBytes(StandardCharsets.UTF_8);
        assertEquals(refused(site.media().upload(photos, "x.png", "", Bytes.of(svg), "ben")), Code.IMAGE_NOT_A_PICTURE);
        assertEquals(refused(site.media().upload(papers, "x.pdf", "", Bytes.of(svg), "ben")), Code.FILE_FORMAT);
        var html = "<html><script>alert(1)</script></html>".getBytes(StandardCharsets.UTF_8);
        assertEquals(refused(site.media().upload(papers, "x.txt", "", Bytes.of(html), "ben")), Code.FILE_FORMAT);
        assertEquals(
                refused(site.media()
                        .upload(photos, "big.png", "", Bytes.of(new byte[MediaStore.MOST_BYTES + 1]), "ben")),
                Code.IMAGE_TOO_HEAVY);
        assertEquals(
                stored(site.media().upload(papers, "x", "", Bytes.of(PDF), "ben"))
                        .format(),
                "pdf");
        var saved = site.records()
                .save(Write.fresh("ttree", RecordState.DRAFT, Map.of("title", "T", "photos", List.of(4711)), "ben"));
        assertEquals(
                ((SaveResult.Refused) saved).problems().getFirst().finding().code(), Code.VALUE_NOT_IMAGE);
        var paper = stored(site.media().upload(papers, "x.pdf", "", Bytes.of(PDF), "ben"));
        var wrong = site.records()
                .save(Write.fresh(
                        "ttree", RecordState.DRAFT, Map.of("title", "T", "photos", List.of(paper.id())), "ben"));
        assertEquals(
                ((SaveResult.Refused) wrong).problems().getFirst().finding().code(), Code.VALUE_NOT_IMAGE);
    }
}
