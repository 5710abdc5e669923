package org.jontrel.core.compare;

import static org.testng.Assert.assertEquals;

import java.util.List;
import org.jontrel.core.Samples;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.testng.annotations.Test;

public class ReportTest {
    private static final Model BEFORE = new Model(List.of(Samples.MOORING));
    private static final Model AFTER = new Model(List.of(
            Samples.with(Samples.NOTE.id(), f -> f.withLabel("Re<b>marks_").withRequired(true))
                    .types()
                    .getFirst(),
            Samples.type("tweirs000", "weir", new Field("fweir0000", "a", "A", "", false, Kind.Text.PLAIN))));

    @Test
    public void textIsByDefinitionWithTheWorstFirst() {
        assertEquals(ComparisonReport.text(Comparison.of(BEFORE, AFTER)), """
                Mooring
                  major: Mooring: field Re<b>marks_: required switched on
                  patch: Mooring: field Re<b>marks_: label changed from “Note” to “Re<b>marks_”
                Weir
                  minor: Content type Weir added
                """);
        assertEquals(ComparisonReport.text(Comparison.of(BEFORE, BEFORE)), "");
    }

    @Test
    public void markdownTakesTextsOfTheModelAsText() {
        assertEquals(ComparisonReport.markdown(Comparison.of(BEFORE, AFTER)), """
                **Advised: a major release.**

                ### Mooring

                - major: Mooring: field Re\\<b\\>marks\\_: required switched on
                - patch: Mooring: field Re\\<b\\>marks\\_: label changed from “Note” to “Re\\<b\\>marks\\_”

                ### Weir

                - minor: Content type Weir added
                """);
        assertEquals(ComparisonReport.markdown(Comparison.of(BEFORE, BEFORE)), "No changes.\n");
    }
}
