package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.model.Kind;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** Records that stay what they are, while others come to their type. */
public class CopiedRecordsTest extends TypesCase {
    /** They are copied in the database, while people save and give addresses on. */
    @Test
    public void recordsThatStayAsTheyAreAreCopied() throws SQLException {
        var rule = new Kind.Repeater(
                List.of(own(MOORING, "rname", Kind.Text.PLAIN)), null, null, "", Kind.Repeater.RowStyle.CARDS);
        var mooring = mooring(
                own(MOORING, "rows", rule),
                own(MOORING, "pair", new Kind.Relation(Set.of(MOORING), MANY, false, true, null)));
        var before = model(mooring, berth());
        test.install("1.0.0", before);
        long bank = save(
                MOORING, "Bank", Map.of("length", "12", "rows", List.of(Map.of("rname", "x")), "tags", List.of("a")));
        var other = save(
                MOORING,
                "Other",
                Map.of("pair", List.of(link(MOORING, bank)), "contacts", List.of(Map.of("name", "Ida"))));
        var bin = save(MOORING, "Bin", Map.of());
        test.site().records().remove(MOORING, bin, 1, "ben");
        long quay = save(BERTH, "Quay", Map.of("length", "8"));
        var after = model(mooring);
        expect(after, null, MERGE);
        int[] times = {0};
        var target = new Runs.RunTarget("2.0.0", after, List.of(MERGE));
        TestSite.run(test.site().runs().start(target, "anna", _ -> {
            if (test.site().installed().version().equals("1.0.0") && times[0]++ < 6) {
                try {
                    test.edit(MOORING, bank, Map.of("title", "Bank " + times[0], "length", "1" + times[0]));
                    save(MOORING, "Late " + times[0], Map.of("rows", List.of(Map.of("rname", "y"))));
                } catch (AssertionError e) {
                    assertTrue(e.getMessage().startsWith("Closed"), e.getMessage());
                    times[0] = 100;
                }
            }
        }));
        assertEquals(
                told(MOORING, bank).replaceAll("[0-9]+", "#"),
                "bank published {title=Bank #, length=#, tags=[a], rows=[{rname=x}], pair=[{type=tmooring, id=#}]}");
        assertEquals(
                told(MOORING, other).replaceAll("[0-9]+", "#"),
                "other published {title=Other, contacts=[{name=Ida}], pair=[{type=tmooring, id=#}]}");
        assertEquals(told(MOORING, quay), "quay published {title=Quay, length=8}");
        assertTrue(test.site().records().all(MOORING, 100).stream()
                        .filter(each -> each.title().startsWith("Late"))
                        .count()
                > 1);
    }
}
