package org.jontrel.core.compare;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.core.Samples;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ComparisonTest {
    private static final ContentType GOOD = Samples.MOORING;

    private static Model number(int decimals, String min, String max) {
        return Samples.with(
                Samples.LENGTH.id(),
                f -> f.withKind(new Kind.Numeric(
                        decimals,
                        min == null ? null : new BigDecimal(min),
                        max == null ? null : new BigDecimal(max),
                        "m")));
    }

    private static Model options(Kind.Option... options) {
        return Samples.with(Samples.SURFACE.id(), f -> f.withKind(new Kind.Choice(List.of(options))));
    }

    private static Model without(Field gone) {
        var fields = new ArrayList<>(GOOD.fields().toList());
        fields.remove(gone);
        return Samples.withFields(fields);
    }

    private static Model regrouped() {
        var fields = new ArrayList<>(GOOD.fields().toList());
        fields.remove(Samples.NOTE);
        return new Model(List.of(GOOD.withSections(List.of(
                GOOD.groups().getFirst().withFields(fields), new Group("gmore", "More", "", List.of(Samples.NOTE))))));
    }

    @DataProvider
    public Object[][] edits() {
        var grass = new Kind.Option("o1aaaaaaa", "grass", "Grass", false);
        var hard = new Kind.Option("o2aaaaaaa", "hard", "Hard standing", true);
        var path = new ContentType(
                GOOD.id(),
                GOOD.key(),
                GOOD.singular(),
                GOOD.plural(),
                GOOD.description(),
                GOOD.icon(),
                "berths",
                GOOD.wordings(),
                GOOD.parts(),
                GOOD.groups());
        var body = new ContentType(
                GOOD.id(),
                GOOD.key(),
                GOOD.singular(),
                GOOD.plural(),
                GOOD.description(),
                GOOD.icon(),
                GOOD.path(),
                GOOD.wordings(),
                List.of(Part.TITLE, Part.LEAD_IMAGE, Part.BODY),
                GOOD.groups());
        return new Object[][] {
            {
                Samples.with(Samples.NOTE.id(), f -> f.withKey("remarks")),
                "Mooring: field Note renamed from note to remarks",
                Advice.MAJOR
            },
            {
                Samples.with(Samples.NOTE.id(), f -> f.withLabel("Remarks")),
                "Mooring: field Remarks: label changed from “Note” to “Remarks”",
                Advice.PATCH
            },
            {
                Samples.with(Samples.NOTE.id(), f -> f.withRequired(true)),
                "Mooring: field Note: required switched on",
                Advice.MAJOR
            },
            {
                Samples.with(Samples.LENGTH.id(), f -> f.withRequired(false)),
                "Mooring: field Length: required switched off",
                Advice.MINOR
            },
            {
                Samples.with(Samples.NOTE.id(), f -> f.withKind(Kind.Text.PLAIN)),
                "Mooring: field Note changed from long text to text",
                Advice.MAJOR
            },
            {without(Samples.NOTE), "Mooring: field Note removed", Advice.MAJOR},
            {number(1, "0", "50"), "Mooring: field Length: max changed from “99.5” to “50”", Advice.MAJOR},
            {number(1, "0", "100"), "Mooring: field Length: max changed from “99.5” to “100”", Advice.MINOR},
            {number(1, "0", null), "Mooring: field Length: max removed (was “99.5”)", Advice.MINOR},
            {number(1, "1", "99.5"), "Mooring: field Length: min changed from “0” to “1”", Advice.MAJOR},
            {number(0, "0", "99.5"), "Mooring: field Length: decimals changed from “1” to “0”", Advice.MAJOR},
            {options(hard, grass), "Mooring: options of field Surface reordered", Advice.PATCH},
            {options(grass), "Mooring: option Hard standing of Surface removed", Advice.MAJOR},
            {
                options(grass, new Kind.Option("o2aaaaaaa", "paved", "Hard standing", true)),
                "Mooring: option Hard standing of Surface renamed from hard to paved",
                Advice.MAJOR
            },
            {new Model(List.of(path)), "Content type Mooring: path changed from “moorings” to “berths”", Advice.MAJOR},
            {new Model(List.of(body)), "Mooring: standard part Body added", Advice.MINOR},
            {Model.EMPTY, "Content type Mooring removed", Advice.MAJOR},
        };
    }

    @Test(dataProvider = "edits")
    public void everyEditIsOneChangeInTheWordsOfTheModel(Model after, String sentence, Advice advice) {
        var comparison = Comparison.of(Samples.MODEL, after);
        assertEquals(comparison.changes().stream().map(Sentences::of).toList(), List.of(sentence));
        assertEquals(comparison.advice(), advice);
        assertTrue(!comparison.changes().getFirst().reach().isEmpty());
        assertEquals(Comparison.of(after, Samples.MODEL).changes().size(), 1, "the way back is one change too");
    }

    @Test
    public void aFieldThatMovesToAnotherGroupKeepsItsIdentity() {
        var sentences = Comparison.of(Samples.MODEL, regrouped()).changes().stream()
                .map(Sentences::of)
                .toList();
        assertEquals(sentences, List.of("Mooring: group More added", "Mooring: field Note moved from Berth to More"));
    }

    @Test
    public void aModelDoesNotDifferFromItself() {
        assertTrue(Comparison.of(Samples.MODEL, Samples.MODEL).isEmpty());
    }

    @Test
    public void theVersionFollowsTheWorstChange() {
        var wording = Comparison.of(Samples.MODEL, Samples.with(Samples.NOTE.id(), f -> f.withLabel("R")));
        assertEquals(wording.nextVersion("1.4.2"), "1.4.3");
        var both = Comparison.of(
                Samples.MODEL,
                Samples.with(Samples.NOTE.id(), f -> f.withLabel("R").withFallback("As usual")));
        assertEquals(both.nextVersion("1.4.2"), "1.5.0");
        assertEquals(both.causes().size(), 1);
        assertEquals(Comparison.of(Samples.MODEL, Model.EMPTY).nextVersion("1.4.2"), "2.0.0");
        assertEquals(wording.nextVersion(null), "1.0.0");
    }

    @Test
    public void newTypesSayNothingOfTheirFields() {
        var changes = Comparison.of(Model.EMPTY, Samples.MODEL).changes();
        assertEquals(changes.stream().map(Sentences::of).toList(), List.of("Content type Mooring added"));
        assertEquals(Map.of("advice", changes.getFirst().advice()), Map.of("advice", Advice.MINOR));
    }
}
