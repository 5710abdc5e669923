package org.jontrel.site.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.List;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.plan.Step;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** A run that is given up takes away tables beside also where it was killed before all of them were made. */
public class PartlyMadeTablesTest {
    private static final Field ROWS = new Field(
            "frows",
            "rows",
            "Rows",
            "",
            false,
            new Kind.Repeater(List.of(Moorings.NOTE), null, null, "", Kind.Repeater.RowStyle.CARDS));

    @Test
    public void someOfTheTablesAreEnough() throws SQLException {
        var model = Moorings.model(ROWS);
        var test = TestSite.open();
        try (var connection = test.source().getConnection()) {
            var steps = new TableSteps(Moorings.model(), model);
            var add = new Step.AddTableBeside("tmooring", "");
            assertFalse(steps.happened(connection, add), "nothing is there yet");
            var statements = steps.statements(connection, add);
            assertEquals(statements.size(), 2);
            Jdbc.execute(connection, statements.getFirst());
            assertTrue(steps.happened(connection, add), "one of both tables is there");
            var drops = new TableSteps(model, Moorings.model())
                    .statements(connection, new Step.DropTableBeside("tmooring", ""));
            for (var sql : drops) {
                Jdbc.execute(connection, sql);
            }
            assertFalse(steps.happened(connection, add));
        } finally {
            test.close();
        }
    }
}
