package org.jontrel.site.importer;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;

import java.math.BigDecimal;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.sheet.WrittenSheet;
import org.jontrel.core.value.GeoPoint;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;
import org.jontrel.site.testing.WholeDump;
import org.testng.annotations.Test;

/** What rows of sheets become on a site. */
public class BroughtRecordsTest extends ImportingTest {
    private static final WrittenSheet PEOPLE =
            WrittenSheet.rows("People", "Name", "Ada Moss", "Ben Quill", "Cora Finch");
    private static final WrittenSheet PLOTS = WrittenSheet.rows(
            "Plots",
            "Title | Part of",
            "Lower row | South field",
            "South field |",
            "North field |",
            "Upper row | Lower row");
    private static final WrittenSheet TREES = WrittenSheet.rows(
            "Trees",
            "Tag | Title | Planted | Height (m) | Sort | Label | Keeper | Stands near | Plot | Uses | Latitude | Longitude | Bears fruit | Yield | State",
            "T-1 | Old Jane | 1998-03-01 | 4,5 | Apple > Cider apple | tall; rare | Ada Moss | T-3 | Lower row | Table, Juice | 52.3456 | -1.25 | yes | 40 | published",
            "T-2 | Young Jane | 2020-11-30 | 1.75 | Pear | | Ben Quill | T-1, T-3 | South field | Juice | | | no | | draft",
            "T-3 | Tom | 12 May 2001 | 3 | Apple > Russet | rare | | | Upper row | | | | no | | published");
    private static final WrittenSheet PRUNINGS = WrittenSheet.rows(
            "Prunings",
            "Tree | Day | Done by | Tools",
            "T-1 | 2025-02-01 | Ada Moss | Saw, Shears",
            "T-2 | 2025-02-02 | Cora Finch | Saw",
            "T-1 | 2026-02-01 | Ben Quill | Shears");

    @Test
    public void aWorkbookOfSeveralSheetsBecomesRecordsThatLeadToEachOther() {
        long id = create(PRUNINGS, TREES, PLOTS, PEOPLE);
        tryOut(id);
        assertEquals(byTitle("ttree"), Map.of(), "a trial stores nothing");
        assertEquals(byTitle("xsort").size(), 3, "nor does it make terms");
        assertEquals(outcomes(id, 1), "new 3", problems(id, 1).toString());
        assertEquals(outcomes(id, 0), "changed 3", problems(id, 0).toString());
        run(id);
        var trees = byTitle("ttree");
        var people = byTitle("tperson");
        var plots = byTitle("tplot");
        var jane = trees.get("Old Jane");
        assertEquals(
                jane.parent(),
                Optional.of(new Link("tplot", plots.get("Lower row").id())));
        assertEquals(
                plots.get("Lower row").parent(),
                Optional.of(new Link("tplot", plots.get("South field").id())));
        assertEquals(jane.state(), RecordState.PUBLISHED);
        assertEquals(trees.get("Young Jane").state(), RecordState.DRAFT);
        var values = jane.values();
        assertEquals(values.get("fheight"), new BigDecimal("4.5"));
        assertEquals(values.get("fuses"), List.of("table", "juice"));
        assertEquals(
                values.get("fspot").toString(),
                new GeoPoint(new BigDecimal("52.3456"), new BigDecimal("-1.25")).toString());
        assertEquals(
                values.get("fkeeper"),
                new Link("tperson", people.get("Ada Moss").id()));
        assertEquals(
                Set.copyOf((List<?>) values.get("fnear")),
                Set.of(
                        new Link("ttree", trees.get("Tom").id()),
                        new Link("ttree", trees.get("Young Jane").id())));
        var rows = (List<?>) values.get("fprunings");
        assertEquals(rows.size(), 2);
        assertEquals(
                ((Row) rows.getFirst()).values().get("fby"),
                new Link("tperson", people.get("Ada Moss").id()));
        assertEquals(((Row) rows.getLast()).values().get("ftools"), List.of("shears"));
    }

    @Test
    public void termsAreFoundByTheirWayAndMadeWhereNoneHasIt() {
        run(create(TREES, PLOTS, PEOPLE));
        var sorts = byTitle("xsort");
        var trees = byTitle("ttree");
        assertEquals(sorts.size(), 4);
        assertEquals(
                sorts.get("Russet").parent(),
                Optional.of(new Link("xsort", sorts.get("Apple").id())));
        assertEquals(
                trees.get("Tom").values().get("xsort"),
                List.of(sorts.get("Russet").id()));
        assertEquals(
                trees.get("Old Jane").values().get("xsort"),
                List.of(sorts.get("Cider apple").id()));
        assertEquals(byTitle("xlabel").keySet(), Set.of("tall", "rare"));
    }

    @Test
    public void theSameAgainChangesNothing() throws SQLException {
        run(create(PRUNINGS, TREES, PLOTS, PEOPLE));
        var before = records();
        long again = create(PRUNINGS, TREES, PLOTS, PEOPLE);
        run(again);
        for (int sheet = 0; sheet < 4; sheet++) {
            assertEquals(
                    outcomes(again, sheet),
                    "same " + (sheet == 2 ? 4 : 3),
                    problems(again, sheet).toString());
        }
        assertEquals(records(), before);
    }

    @Test
    public void undoLeavesEveryRowOfEveryTableAsItWas() throws SQLException {
        site.save("tperson", Map.of("title", "Ada Moss"));
        site.save("ttree", Map.of("title", "Old Jane", "tag", "T-1", "height", "2", "fruits", true, "yield", "3"));
        site.edit("ttree", byTitle("ttree").get("Old Jane").id(), Map.of("height", "3"));
        var before = records();
        long id = create(PRUNINGS, TREES, PLOTS, PEOPLE);
        run(id);
        assertNotEquals(records(), before);
        assertEquals(imports.undoPlan(id).orElseThrow(), new UndoCounts(11, 1, 0, 0));
        undo(id);
        // the record that was changed has been saved twice since
        assertEquals(without(records(), "ttree"), without(before, "ttree"));
        var jane = byTitle("ttree").get("Old Jane");
        assertEquals(byTitle("ttree").size(), 1);
        assertEquals(jane.values().get("fheight"), new BigDecimal("3"));
        assertEquals(jane.values().get("fprunings"), null);
        assertEquals(jane.parent(), Optional.empty());
        assertEquals(jane.slug(), "old-jane");
        // once more, with all of it
        run(id);
        assertEquals(imports.undoPlan(id).orElseThrow(), new UndoCounts(11, 1, 0, 0));
        undo(id);
        assertEquals(without(records(), "ttree"), without(before, "ttree"));
        assertEquals(byTitle("ttree").get("Old Jane").values(), jane.values());
    }

    /** Rows of all tables but those that imports have for themselves, and counters of saves. */
    private Map<String, List<String>> records() throws SQLException {
        var all = new TreeMap<String, List<String>>(WholeDump.of(site.source()));
        all.keySet().removeIf(each -> each.startsWith("jontrel_import") || each.matches("jontrel_(gate|guard)"));
        return all;
    }

    private static Map<String, List<String>> without(Map<String, List<String>> all, String type) {
        var some = new TreeMap<>(all);
        some.keySet().removeIf(each -> each.startsWith("tree") || each.matches("jontrel_(history|text|address)"));
        return some;
    }
}
