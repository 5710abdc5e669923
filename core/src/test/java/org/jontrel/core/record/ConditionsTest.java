package org.jontrel.core.record;

import static org.testng.Assert.assertEquals;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.Examples;
import org.jontrel.core.Samples;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.model.condition.Condition.Test;
import org.jontrel.core.model.condition.RecordState;
import org.testng.annotations.DataProvider;

/** What conditions hold for, and how they read. */
public class ConditionsTest {
    private static final Map<String, Object> VALUES = new HashMap<>(Map.of(
            Samples.LENGTH.id(),
            new BigDecimal("12.50"),
            Samples.SURFACE.id(),
            "grass",
            Samples.NAME.id(),
            "Heron Quay",
            Samples.OPEN.id(),
            true,
            Samples.SINCE.id(),
            LocalDate.of(1990, 5, 1)));

    private static final Conditions.Seen RECORD = new Conditions.Seen() {
        @Override
        public Optional<Field> field(String fieldId) {
            return Samples.MOORING.field(fieldId);
        }

        @Override
        public Object value(String fieldId) {
            return VALUES.get(fieldId);
        }

        @Override
        public Set<String> terms(String taxonomyId) {
            return taxonomyId.equals("xwater") ? Set.of("wbranch") : Set.of();
        }

        @Override
        public boolean under(String taxonomyId, String termId, String aboveId) {
            return termId.equals(aboveId) || (termId.equals("wbranch") && aboveId.equals("wmain"));
        }

        @Override
        public Optional<String> parentType() {
            return Optional.of("tflight");
        }

        @Override
        public RecordState state() {
            return RecordState.PUBLISHED;
        }
    };

    private static Condition field(Field field, Test test, String... values) {
        return new Condition.FieldIs(field.id(), test, List.of(values));
    }

    private static Condition terms(Test test, String... values) {
        return new Condition.TermIs("xwater", test, List.of(values));
    }

    @DataProvider
    public Object[][] conditions() {
        var yes = field(Samples.OPEN, Test.IS, "true");
        var no = field(Samples.OPEN, Test.IS, "false");
        return new Object[][] {
            {Condition.ALWAYS, true},
            {new Condition.Any(List.of()), false},
            {yes, true},
            {no, false},
            {new Condition.All(List.of(yes, no)), false},
            {new Condition.Any(List.of(yes, no)), true},
            {new Condition.Not(no), true},
            {field(Samples.LENGTH, Test.IS, "12.5"), true},
            {field(Samples.LENGTH, Test.ABOVE, "12.5"), false},
            {field(Samples.LENGTH, Test.AT_LEAST, "12.5"), true},
            {field(Samples.LENGTH, Test.BELOW, "100"), true},
            {field(Samples.LENGTH, Test.AT_MOST, "12.4"), false},
            {field(Samples.SURFACE, Test.IS, "o2aaaaaaa", "o1aaaaaaa"), true},
            {field(Samples.SURFACE, Test.IS_NOT, "o1aaaaaaa"), false},
            {field(Samples.NAME, Test.HAS, "heron"), true},
            {field(Samples.NAME, Test.IS, "heron quay"), false},
            {field(Samples.SINCE, Test.BELOW, "1990-05-02"), true},
            {field(Samples.NOTE, Test.FILLED, "false"), true},
            {field(Samples.NOTE, Test.FILLED, "true"), false},
            {field(Samples.NOTE, Test.IS, "x"), false},
            {field(Samples.NOTE, Test.IS_NOT, "x"), true},
            {field(Samples.NOTE, Test.BELOW, "x"), false},
            {new Condition.FieldIs("fgone", Test.FILLED, List.of("false")), false},
            {terms(Test.IS, "wbranch"), true},
            {terms(Test.IS, "wmain"), false},
            {terms(Test.UNDER, "wmain"), true},
            {terms(Test.IS_NOT, "wbranch"), false},
            {terms(Test.FILLED, "true"), true},
            {new Condition.TermIs("xother", Test.FILLED, List.of("true")), false},
            {new Condition.ParentIs(List.of("tflight")), true},
            {new Condition.ParentIs(List.of("tquay")), false},
            {new Condition.ParentIs(List.of()), true},
            {new Condition.StateIs(RecordState.PUBLISHED), true},
            {new Condition.StateIs(RecordState.DRAFT), false},
        };
    }

    @org.testng.annotations.Test(dataProvider = "conditions")
    public void conditionsHoldForWhatTheySay(Condition condition, boolean holds) {
        assertEquals(Conditions.holds(condition, RECORD), holds);
    }

    @org.testng.annotations.Test
    public void conditionsReadAsClauses() {
        Model model = Examples.seedBank();
        var words = new ConditionWords(model);
        var type = model.typeByKey("accession").orElseThrow();
        var donor = type.fields()
                .filter(field -> field.key().equals("donor"))
                .findFirst()
                .orElseThrow();
        assertEquals(words.of(donor.showWhen()), "Collected from the wild is from cultivation");
        var origin = model.all(Taxonomy.class).stream()
                .filter(each -> each.key().equals("origin"))
                .findFirst()
                .orElseThrow();
        var north = origin.terms().getFirst();
        var condition = new Condition.All(List.of(
                new Condition.TermIs(origin.id(), Test.UNDER, List.of(north.id())),
                new Condition.Not(new Condition.Any(List.of(
                        new Condition.StateIs(RecordState.DRAFT),
                        new Condition.FieldIs(donor.id(), Test.FILLED, List.of("false")))))));
        assertEquals(
                words.of(condition),
                "Origin is or is below North Fells, and not (the record is draft, or Donor garden is empty)");
    }
}
