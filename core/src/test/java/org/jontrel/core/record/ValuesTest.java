package org.jontrel.core.record;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.Samples;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Kind.Numeric;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.ImageFacts;
import org.jontrel.core.value.kind.KindValues;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ValuesTest {
    private static final RecordType RECORD_TYPE =
            RecordType.of(Samples.MODEL, Samples.MOORING).orElseThrow();

    private static RecordCheck.CheckedRecord check(String key, Object raw) {
        var sent = new HashMap<String, Object>(Map.of("title", "Quay", "length_m", "5"));
        sent.put(key, raw);
        return RecordCheck.read(RECORD_TYPE, sent, Surroundings.NONE);
    }

    @DataProvider
    public Object[][] good() {
        return new Object[][] {
            {"length_m", "12.5", new BigDecimal("12.5"), "12.5\u00a0m", "12.5"},
            {"length_m", new BigDecimal("12"), new BigDecimal("12"), "12.0\u00a0m", "12.0"},
            {"surface", "grass", "grass", "Grass", "grass"},
            {"berth_name", "  Able ", "Able", "Able", "Able"},
            {"note", "a\r\nb", "a\nb", "a\nb", "a\nb"},
            {"visitor", true, true, "Open", true},
            {"visitor", "closed", false, "Closed", false},
            {"since", "1890-05-01", LocalDate.of(1890, 5, 1), "1 May 1890", "1890-05-01"},
            {"photo", 17, 17L, "17", 17L},
            {"opens", "09:30", LocalTime.of(9, 30), "09:30", "09:30"},
            {"email", " keeper@example.org ", "keeper@example.org", "keeper@example.org", "keeper@example.org"},
            {"phone", "+44 (0)20 7946-0000", "+44 (0)20 7946-0000", "+44 (0)20 7946-0000", "+44 (0)20 7946-0000"},
            {"tint", "#1D5", "#11dd55", "#11dd55", "#11dd55"},
        };
    }

    @Test(dataProvider = "good")
    public void goodValuesAreReadShownAndCarried(String key, Object raw, Object value, String shown, Object wire) {
        var checked = check(key, raw);
        assertEquals(checked.findings(), List.of());
        var field = Samples.MOORING
                .allFields()
                .filter(each -> each.key().equals(key))
                .findFirst()
                .orElseThrow();
        assertEquals(checked.values().get(field.id()), value);
        assertEquals(Values.show(field.kind(), value), shown);
        assertEquals(Values.wire(field.kind(), value), wire);
    }

    @DataProvider
    public Object[][] bad() {
        return new Object[][] {
            {"length_m", "about 9", Code.VALUE_NOT_NUMBER},
            {"length_m", true, Code.VALUE_NOT_NUMBER},
            {"length_m", new BigDecimal("1e500"), Code.VALUE_NOT_NUMBER},
            {"length_m", "1.25", Code.VALUE_TOO_MANY_DECIMALS},
            {"length_m", "-1", Code.VALUE_TOO_SMALL},
            {"length_m", "100", Code.VALUE_TOO_LARGE},
            {"surface", "sand", Code.VALUE_NOT_OPTION},
            {"surface", "x'; DROP", Code.VALUE_NOT_OPTION},
            {"berth_name", "A", Code.VALUE_TOO_SHORT},
            {"berth_name", "A".repeat(81), Code.VALUE_TOO_LONG},
            {"berth_name", "able", Code.VALUE_PATTERN},
            {"berth_name", "A\nB", Code.VALUE_ONE_LINE},
            {"berth_name", List.of("A"), Code.VALUE_NOT_TEXT},
            {"note", "x".repeat(2_001), Code.VALUE_TOO_LONG},
            {"visitor", "maybe", Code.VALUE_NOT_YES_NO},
            {"since", "1.5.1890", Code.VALUE_NOT_DATE},
            {"since", "1789-12-31", Code.VALUE_TOO_EARLY},
            {"photo", "-3", Code.VALUE_NOT_IMAGE},
            {"opens", "9.30", Code.VALUE_NOT_TIME},
            {"opens", "25:00", Code.VALUE_NOT_TIME},
            {"opens", "05:59", Code.VALUE_TOO_EARLY},
            {"opens", "22:01", Code.VALUE_TOO_LATE},
            {"email", "keeper at example", Code.VALUE_NOT_EMAIL},
            {"email", "a@b\"><script>", Code.VALUE_NOT_EMAIL},
            {"email", "a".repeat(64) + "@" + "b".repeat(60) + ".c".repeat(90), Code.VALUE_NOT_EMAIL},
            {"phone", "call me", Code.VALUE_NOT_PHONE},
            {"phone", "+()", Code.VALUE_NOT_PHONE},
            {"tint", "red", Code.VALUE_NOT_COLOUR},
            {"tint", "#12345", Code.VALUE_NOT_COLOUR},
            {"title", "", Code.VALUE_REQUIRED},
            {"berth", "x", Code.VALUE_FIELD_UNKNOWN},
        };
    }

    @Test(dataProvider = "bad")
    public void badValuesSayWhatIsWrong(String key, Object raw, Code code) {
        var checked = check(key, raw);
        var codes = java.util.stream.Stream.concat(checked.findings().stream(), checked.missing().stream())
                .map(Finding::code)
                .toList();
        assertTrue(codes.contains(code), codes.toString());
    }

    @Test
    public void latestIsALimitToo() {
        var field = Samples.SINCE.withKind(new Kind.Date(null, LocalDate.of(2000, 1, 1)));
        assertEquals(Values.parse(field, "2000-01-02").findings().getFirst().code(), Code.VALUE_TOO_LATE);
    }

    @Test
    public void picturesAreCheckedByTheirFacts() {
        var field = Samples.PHOTO.withKind(new Kind.Image(100, 80, 10, true));
        var codes = Values.checkPicture(field, new ImageFacts(99, 79, 10 * 1024 + 1, " ")).stream()
                .map(Finding::code)
                .toList();
        assertEquals(
                codes,
                List.of(Code.IMAGE_TOO_HEAVY, Code.IMAGE_TOO_NARROW, Code.IMAGE_TOO_LOW, Code.IMAGE_ALT_MISSING));
        assertEquals(Values.checkPicture(field, new ImageFacts(100, 80, 10 * 1024, "A quay")), List.of());
    }

    @DataProvider
    public Object[][] conversions() {
        return new Object[][] {
            {Samples.NAME, Kind.LongText.PLAIN, "a", "a"},
            {Samples.NAME, new Numeric(2, null, null, ""), "2.59", new BigDecimal("2.59")},
            {Samples.NAME, new Numeric(2, null, null, ""), "2.59 m", null},
            {Samples.NAME, new Numeric(2, null, null, ""), "0.1234567", null},
            {Samples.NAME, Samples.SURFACE.kind(), "Hard Standing", "hard"},
            {Samples.NOTE, Kind.Text.PLAIN, "two\nlines", null},
            {Samples.NOTE, Kind.Text.PLAIN, "x".repeat(256), null},
            {Samples.LENGTH, Kind.Text.PLAIN, new BigDecimal("2.50"), "2.5"},
            {Samples.SURFACE, Kind.Text.PLAIN, "hard", "Hard standing"},
            {Samples.OPEN, Kind.Text.PLAIN, true, "Open"},
            {Samples.OPEN, Kind.Date.PLAIN, true, null},
            {Samples.SINCE, Kind.Text.PLAIN, LocalDate.of(2026, 1, 2), "2026-01-02"},
            {Samples.PHOTO, Kind.Text.PLAIN, 3L, null},
        };
    }

    @Test(dataProvider = "conversions")
    public void conversionsTakeWhatTheyCanAndNeverShortenOrRound(Field from, Kind to, Object value, Object expected) {
        var conversion = new Conversion(from, from.withKind(to), null);
        assertEquals(conversion.takes(value), expected != null);
        assertEquals(conversion.apply(value), expected);
        assertTrue(conversion.untouched(value, expected));
        assertFalse(conversion.untouched(value, "something else"));
    }

    @Test
    public void aFillIsForEmptyValuesOnly() {
        var conversion = new Conversion(Samples.LENGTH, Samples.LENGTH, BigDecimal.ONE);
        assertEquals(conversion.apply(null), BigDecimal.ONE);
        assertEquals(conversion.apply(BigDecimal.TEN), BigDecimal.TEN);
        assertTrue(conversion.changes());
        assertFalse(new Conversion(Samples.LENGTH, Samples.LENGTH.withLabel("L"), null).changes());
    }

    @Test
    public void everyKindIsShownEmptyAsNothing() {
        for (var field : Arrays.asList(Samples.LENGTH, Samples.OPEN, Samples.SINCE)) {
            assertEquals(Values.show(field.kind(), null), "");
            assertTrue(Values.fits(field, null));
        }
    }

    @DataProvider
    public Object[][] badOfOtherKinds() {
        var stepped = new Numeric(1, BigDecimal.ONE, null, new BigDecimal("0.5"), "", Kind.Numeric.NumberControl.BOX);
        return new Object[][] {
            {Kind.DateTime.PLAIN, "2026-05-31", Code.VALUE_NOT_MOMENT},
            {Kind.DateTime.PLAIN, "2026-05-31T25:00", Code.VALUE_NOT_MOMENT},
            {Kind.Url.PLAIN, "example.org", Code.VALUE_NOT_URL},
            {Kind.Url.PLAIN, "http://", Code.VALUE_NOT_URL},
            {Kind.Url.PLAIN, "https://a b", Code.VALUE_NOT_URL},
            {Kind.Url.PLAIN, "javascript:alert(1)", Code.VALUE_SCHEME},
            {new Kind.Url(Set.of("https")), "http://example.org/", Code.VALUE_SCHEME},
            {Kind.Icon.PLAIN, "Map Pin", Code.VALUE_NOT_ICON},
            {Kind.TermPick.PLAIN, "Main line", Code.VALUE_NOT_TERM},
            {Kind.Repeater.PLAIN, "rows", Code.VALUE_NOT_SINGLE},
            {stepped, "1.7", Code.VALUE_STEP},
        };
    }

    @Test(dataProvider = "badOfOtherKinds")
    public void badValuesOfOtherKindsSayWhatIsWrong(Kind kind, String raw, Code code) {
        var findings = Values.parse(Samples.NAME.withKind(kind), raw).findings();
        assertEquals(findings.stream().map(Finding::code).toList(), java.util.List.of(code));
    }

    @Test
    public void goodValuesOfOtherKindsAreKept() {
        for (var good : java.util.Map.<Kind, String>of(
                        Kind.DateTime.PLAIN, "2026-05-31T09:30",
                        Kind.Url.PLAIN, "https://example.org/a?b=c#d",
                        Kind.Icon.PLAIN, "map-pin",
                        Kind.TermPick.PLAIN, "main_line")
                .entrySet()) {
            var parsed = Values.parse(Samples.NAME.withKind(good.getKey()), good.getValue());
            assertEquals(parsed.findings(), java.util.List.of());
            assertEquals(KindValues.of(good.getKey()).wire(parsed.value().orElseThrow()), good.getValue());
        }
    }
}
