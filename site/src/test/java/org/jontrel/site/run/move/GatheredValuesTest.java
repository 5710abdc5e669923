package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Kind;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Moorings;
import org.testng.annotations.Test;

/** Values of fields that are gathered in rows, where some cannot be read. */
public class GatheredValuesTest extends MovesCase {
    /** What cannot be read in them is listed to be corrected, also when it has been; and the run takes it so. */
    @Test
    public void valuesOfNumberedFieldsAreCorrected() throws SQLException {
        start(text("charge_1"), text("charge_2"));
        save("A", Map.of("charge_1", "about 4", "charge_2", "9"));
        save("B", Map.of("charge_2", "about 4"));
        var rows = Moorings.model(rows("charges", field("charge", new Kind.Numeric(2, null, null, "EUR"))));
        var gather = decide("fcharges", Decision.Topic.SOURCES, Decision.Action.GATHER, "charge_1, charge_2");
        assertEquals(plan(rows, gather).asks().getLast().fieldId(), "fcharges");
        var correct = new Decision(
                "fcharges",
                Decision.Topic.UNCONVERTED,
                Decision.Action.CORRECT,
                "",
                List.of(new Decision.Correction("about 4", "4")));
        for (var decisions : List.of(List.of(gather), List.of(gather, correct))) {
            var found = test.site().runs().unconverted(new Runs.RunTarget("2.0.0", rows, decisions), "fcharges", 9);
            assertEquals(
                    found.values().stream()
                            .map(each -> each.text() + " " + each.records())
                            .toList(),
                    List.of("about 4 2"));
        }
        expect(
                rows,
                Map.of("A", "{charges=[{charge=4.00}, {charge=9.00}]}", "B", "{charges=[{charge=4.00}]}"),
                gather,
                correct);
    }
}
