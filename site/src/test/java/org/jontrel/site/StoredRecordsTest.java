package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import javax.imageio.ImageIO;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.site.media.Bytes;
import org.jontrel.site.media.MediaStore;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestRecords;
import org.testng.annotations.Test;

/** Records as they are checked, stored and found again. */
public class StoredRecordsTest extends MooringSiteTest {
    @Test
    public void everyKindIsStoredInARealTypedColumnAndComesBack() throws SQLException {
        install("1.0.0", Moorings.standard());
        var saved = add(
                "Quay 😀 <b>",
                "length",
                "12.50",
                "rise",
                "about 9ft",
                "state",
                "poor",
                "open",
                true,
                "since",
                "1890-05-01",
                "note",
                "Two\nlines 'quoted' `ticked`",
                "opens",
                "23:59:58",
                "email",
                "keeper@example.org",
                "phone",
                "+44 20 7946 0000",
                "tint",
                "#ABC");
        var values = TestRecords.byId(site, "mooring", saved.id()).orElseThrow().values();
        assertEquals(values.get("part_title"), "Quay 😀 <b>");
        assertEquals(((BigDecimal) values.get("flength")).compareTo(new BigDecimal("12.5")), 0);
        assertEquals(values.get("frise"), "about 9ft");
        assertEquals(values.get("fstate"), "poor");
        assertEquals(values.get("fopen"), true);
        assertEquals(values.get("fsince"), LocalDate.of(1890, 5, 1));
        assertEquals(values.get("fnote"), "Two\nlines 'quoted' `ticked`");
        assertEquals(values.get("fopens"), LocalTime.of(23, 59, 58));
        assertEquals(values.get("femail"), "keeper@example.org");
        assertEquals(values.get("fphone"), "+44 20 7946 0000");
        assertEquals(values.get("ftint"), "#aabbcc");
        assertEquals(saved.slug(), "quay-b");
        assertEquals(
                columns("mooring").get("state_value"),
                "varchar(64)",
                "a field whose key an own column has gets a name of its own");
        assertEquals(columns("mooring").get("length"), "decimal(20,6)");
    }

    @Test
    public void aBadRecordIsRefusedWithEveryReasonAndNothingIsStored() {
        install("1.0.0", Moorings.with(Moorings.LENGTH, f -> f.withRequired(true)));
        var saved = TestRecords.save(
                site,
                "mooring",
                Optional.empty(),
                0,
                RecordState.PUBLISHED,
                raw("", "length", "x", "colour", "red", "photo", 17),
                "ben");
        var codes = ((SaveResult.Refused) saved)
                .problems().stream().map(problem -> problem.finding().code()).toList();
        assertTrue(
                codes.containsAll(List.of(
                        Code.VALUE_FIELD_UNKNOWN, Code.VALUE_NOT_NUMBER, Code.VALUE_REQUIRED, Code.VALUE_NOT_IMAGE)),
                codes.toString());
        assertEquals(TestRecords.count(site, "mooring"), 0);
        assertTrue(
                TestRecords.save(site, "lighthouse", Optional.empty(), 0, RecordState.DRAFT, raw("x"), "ben")
                        instanceof SaveResult.Missing);
    }

    @Test
    public void aDraftMayLackRequiredValuesAndIsIncomplete() {
        install("1.0.0", Moorings.model(Moorings.LENGTH, Moorings.DEPTH));
        var draft =
                stored(TestRecords.save(site, "mooring", Optional.empty(), 0, RecordState.DRAFT, raw("Quay"), "ben"));
        assertFalse(draft.complete());
        var incomplete = new Condition.FieldIs("own_complete", Condition.Test.IS, List.of("false"));
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.where(incomplete)), 1);
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.as(Audience.VISITORS)), 0);
    }

    @Test
    public void theSecondOfTwoEditorsIsToldAndOverwritesNothing() {
        install("1.0.0", Moorings.standard());
        var first = add("Quay", "length", "1");
        stored(TestRecords.save(
                site, "mooring", Optional.of(first.id()), 1, RecordState.PUBLISHED, raw("Quay", "length", "2"), "ben"));
        var second = TestRecords.save(
                site, "mooring", Optional.of(first.id()), 1, RecordState.PUBLISHED, raw("Quay", "length", "3"), "cleo");
        assertEquals(((SaveResult.Conflict) second).current().version(), 2);
        var now = TestRecords.byId(site, "mooring", first.id()).orElseThrow();
        assertEquals(((BigDecimal) now.values().get("flength")).intValueExact(), 2);
        assertEquals(now.updatedBy(), "ben");
    }

    @Test
    public void manyWritersWithOneTitleAllGetAnAddressOfTheirOwn() throws Exception {
        install("1.0.0", Moorings.standard());
        try (var pool = Executors.newFixedThreadPool(12)) {
            var writers = new ArrayList<Callable<StoredRecord>>();
            for (int i = 0; i < 60; i++) {
                writers.add(() -> add("Same title"));
            }
            var slugs = new ArrayList<String>();
            for (var future : pool.invokeAll(writers)) {
                slugs.add(future.get().slug());
            }
            assertEquals(slugs.stream().distinct().count(), 60);
        }
    }

    @Test
    public void searchTakesSignsOfPatternsAsText() {
        install("1.0.0", Moorings.standard());
        add("100% full");
        add("100 berths");
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.search("0%")), 2, "part of a title");
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.search("100 ful")), 1, "beginnings of words");
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.search("'; DROP TABLE mooring; --")), 0);
        assertEquals(TestRecords.count(site, "mooring", ListQuery.ALL.search("+\"( @~*")), 0);
    }

    @Test
    public void uploadsAreJudgedByWhatTheyAre() throws IOException {
        install("1.0.0", Moorings.standard());
        assertEquals(refusal("no picture".getBytes(java.nio.charset.StandardCharsets.UTF_8)), Code.IMAGE_NOT_A_PICTURE);
        var whole = png(40, 30);
        assertEquals(refusal(java.util.Arrays.copyOf(whole, whole.length / 2)), Code.IMAGE_NOT_A_PICTURE);
        assertEquals(refusal(png(10_000, 6_100)), Code.IMAGE_TOO_MANY_PIXELS);
        var uploaded = site.media().upload(Moorings.PHOTO, "a.txt", "A quay", Bytes.of(whole), "ben");
        var picture = ((MediaStore.Uploaded.StoredUpload) uploaded).file();
        assertEquals(List.of(picture.format(), picture.width(), picture.height()), List.of("png", 40, 30));
        assertEquals(site.media().serve(picture, 0).orElseThrow().bytes().open().readAllBytes(), whole);
    }

    private Code refusal(byte[] bytes) throws IOException {
        var uploaded = site.media().upload(Moorings.PHOTO, "a.png", "A quay", Bytes.of(bytes), "ben");
        return ((MediaStore.Uploaded.RefusedUpload) uploaded)
                .findings()
                .getFirst()
                .code();
    }

    private static byte[] png(int width, int height) throws IOException {
        var bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_BYTE_BINARY), "png", bytes);
        return bytes.toByteArray();
    }
}
