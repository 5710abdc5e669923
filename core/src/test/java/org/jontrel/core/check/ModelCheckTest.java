package org.jontrel.core.check;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jontrel.core.Samples;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ModelCheckTest {
    private static final ContentType GOOD = Samples.MOORING;

    @Test
    public void aGoodModelHasNothingToSay() {
        assertEquals(ModelCheck.check(Samples.MODEL), List.of());
    }

    private static Model named(String key, String singular, String plural, String path) {
        return new Model(List.of(new ContentType(
                GOOD.id(), key, singular, plural, "", "", path, GOOD.wordings(), GOOD.parts(), GOOD.groups())));
    }

    private static Model parts(Part... parts) {
        return new Model(List.of(
                new ContentType(GOOD.id(), "m", "M", "Ms", "", "", "m", Map.of(), List.of(parts), GOOD.groups())));
    }

    private static Model kind(Kind kind) {
        return Samples.with(Samples.NOTE.id(), field -> field.withKind(kind));
    }

    private static Model field(UnaryOperator<Field> edit) {
        return Samples.with(Samples.NOTE.id(), edit);
    }

    private static Model many(int count, Kind kind) {
        var fields = new ArrayList<Field>();
        for (int i = 0; i < count; i++) {
            fields.add(new Field("fmany" + i, "field_" + i, "Field " + i, "", false, kind));
        }
        return Samples.withFields(fields);
    }

    private static Kind.Option option(String id, String key, boolean retired) {
        return new Kind.Option(id, key, "Label", retired);
    }

    @DataProvider
    public Object[][] mistakes() {
        var second = Samples.type("tsecond", "mooring", new Field("fsecond", "a", "A", "", false, Kind.Text.PLAIN));
        return new Object[][] {
            {Code.ID_INVALID, field(f -> f.withId("Not an id"))},
            {Code.ID_TWICE, field(f -> f.withId(Samples.LENGTH.id()))},
            {Code.KEY_INVALID, field(f -> f.withKey("Two Words"))},
            {Code.KEY_INVALID, field(f -> f.withKey("a__b"))},
            {Code.KEY_INVALID, field(f -> f.withKey(""))},
            {Code.KEY_INVALID, named("9x", "M", "Ms", "ms")},
            {Code.KEY_TWICE, field(f -> f.withKey("surface"))},
            {Code.KEY_TWICE, new Model(List.of(GOOD, second))},
            {Code.PATH_TWICE, new Model(List.of(GOOD, second))},
            {Code.KEY_TAKEN_BY_PART, field(f -> f.withKey("title"))},
            {Code.KEY_RESERVED, named("jontrel_run", "M", "Ms", "ms")},
            {Code.PATH_INVALID, named("m", "M", "Ms", "Two Words")},
            {Code.PATH_INVALID, named("m", "M", "Ms", "../up")},
            {Code.PATH_RESERVED, named("m", "M", "Ms", "media")},
            {Code.NAME_MISSING, named("m", " ", "Ms", "ms")},
            {Code.LABEL_MISSING, field(f -> f.withLabel(""))},
            {Code.TEXT_TOO_LONG, field(f -> f.withLabel("x".repeat(10_000)))},
            {Code.NOUN_SAME, named("m", "Sheep", "sheep", "sheep")},
            {Code.LABEL_TWICE, field(f -> f.withLabel("SURFACE"))},
            {Code.PART_TITLE_MISSING, parts(Part.BODY)},
            {Code.PART_TWICE, parts(Part.TITLE, Part.TITLE)},
            {
                Code.WORDING_UNKNOWN,
                new Model(List.of(new ContentType(
                        GOOD.id(),
                        "m",
                        "M",
                        "Ms",
                        "",
                        "",
                        "m",
                        Map.of("ad", "Add"),
                        List.of(Part.TITLE),
                        GOOD.groups())))
            },
            {Code.BOUNDS_CROSSED, kind(new Kind.Numeric(0, BigDecimal.TEN, BigDecimal.ONE, ""))},
            {Code.BOUNDS_CROSSED, kind(new Kind.Date(LocalDate.of(2026, 2, 1), LocalDate.of(2026, 1, 1)))},
            {Code.BOUNDS_CROSSED, kind(new Kind.Text(10, 5, "", ""))},
            {Code.BOUNDS_CROSSED, kind(new Kind.Time(LocalTime.NOON, LocalTime.of(9, 0)))},
            {Code.LIMIT_OUT_OF_RANGE, kind(new Kind.Numeric(7, null, null, ""))},
            {Code.LIMIT_OUT_OF_RANGE, kind(new Kind.Numeric(0, null, new BigDecimal("1e20"), ""))},
            {Code.LIMIT_OUT_OF_RANGE, kind(new Kind.Text(null, 256, "", ""))},
            {Code.LIMIT_OUT_OF_RANGE, kind(new Kind.LongText(0, 4))},
            {Code.LIMIT_OUT_OF_RANGE, kind(new Kind.Image(0, null, null, true))},
            {Code.DECIMALS_EXCEEDED, kind(new Kind.Numeric(1, new BigDecimal("0.25"), null, ""))},
            {Code.PATTERN_INVALID, kind(new Kind.Text(null, null, "(", ""))},
            {Code.OPTIONS_MISSING, kind(Kind.Choice.PLAIN)},
            {Code.OPTIONS_ALL_RETIRED, kind(new Kind.Choice(List.of(option("oone", "a", true))))},
            {Code.KEY_TWICE, kind(new Kind.Choice(List.of(option("oone", "a", false), option("otwo", "a", false))))},
            {Code.LABEL_MISSING, kind(new Kind.YesNo("", "No"))},
            {Code.ROW_TOO_WIDE, many(70, Kind.Text.PLAIN)},
            {Code.FIELDS_TOO_MANY, many(401, Kind.YesNo.PLAIN)},
            {Code.TYPE_WITHOUT_FIELDS, Samples.withFields(List.of())},
        };
    }

    @Test(dataProvider = "mistakes")
    public void everyMistakeIsFoundWithItsCodeAndPlace(Code code, Model model) {
        var found =
                ModelCheck.check(model).stream().filter(f -> f.code() == code).toList();
        assertTrue(
                !found.isEmpty(),
                ModelCheck.check(model).stream().map(Finding::sentence).toList().toString());
        assertEquals(found.getFirst().severity(), code.severity());
        assertTrue(!found.getFirst().place().definition().isEmpty());
    }

    @Test
    public void theWorstComesFirst() {
        var findings = ModelCheck.check(named("9x", "Sheep", "Sheep", "sheep"));
        assertEquals(findings.stream().map(Finding::code).toList(), List.of(Code.KEY_INVALID, Code.NOUN_SAME));
    }

    /** A key that is missing is made from what people read, wherever it is missing. */
    @Test
    public void aMissingKeyIsMadeFromTheLabel() {
        var inverse = new Kind.Inverse("i1", "", "Looks after", true, true);
        var models = List.of(
                field(field -> field.withKey("").withLabel("High water")),
                kind(new Kind.Relation(Set.of(GOOD.id()), Kind.Amount.ONE, false, false, inverse)),
                kind(new Kind.Choice(List.of(new Kind.Option("o1", "", "Very good", false)))),
                named("", "Lock keeper", "Lock keepers", "lock-keepers"));
        assertEquals(
                models.stream()
                        .map(model -> ModelCheck.check(model).stream()
                                .filter(finding -> finding.code() == Code.KEY_INVALID)
                                .map(finding -> finding.fix().orElseThrow().sentence())
                                .toList()
                                .toString())
                        .toList(),
                List.of(
                        "[set key to high_water]",
                        "[set key to looks_after]",
                        "[set key to very_good]",
                        "[set key to lock_keeper]"));
    }
}
