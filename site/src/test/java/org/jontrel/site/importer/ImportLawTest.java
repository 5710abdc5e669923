package org.jontrel.site.importer;

import static org.testng.Assert.assertEquals;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.jontrel.core.importer.SheetMapping;
import org.jontrel.core.sheet.WrittenSheet;
import org.jontrel.site.importer.row.RowOutcome;
import org.jontrel.site.record.read.StoredRecord;
import org.testng.annotations.Test;

/**
 * Whatever is in the rows: a run does what its trial said, the same rows again change nothing, and an undo leaves the records that were
 * there as they were and no others. {@code -Dimport.cases=N -Dimport.from=1} draws more.
 */
public class ImportLawTest extends ImportingTest {
    private static final int CASES = Integer.getInteger("import.cases", 5);
    private static final int FROM = Integer.getInteger("import.from", 1);
    private Random random;

    private void before() {
        for (int i = random.nextInt(3); i > 0; i--) {
            site.save("tperson", Map.of("title", "Person " + i));
        }
        if (random.nextBoolean()) {
            site.save("ttree", Map.of("title", "Tree 1", "tag", "T-1", "height", "4"));
            site.save("ttree", Map.of("title", "Tree 40", "tag", "T-3"));
        }
        if (random.nextInt(4) == 0) {
            site.save("ttree", Map.of("title", "tree 2"));
            site.save("ttree", Map.of("title", "TREE 2"));
        }
    }

    private Map<String, List<String>> records() throws SQLException {
        var all = new TreeMap<String, List<String>>();
        for (var type : List.of("tperson", "tplot", "ttree", "xsort")) {
            all.put(
                    type,
                    site
                            .site()
                            .records()
                            .page(type, org.jontrel.site.record.read.ListQuery.ALL.most(500))
                            .orElseThrow()
                            .records()
                            .stream()
                            .map(ImportLawTest::told)
                            .sorted()
                            .toList());
        }
        return all;
    }

    /** Without versions and times. */
    private static String told(StoredRecord record) {
        return record.id() + " " + record.slug() + " " + record.parent() + " " + record.state() + " "
                + new TreeMap<>(record.values());
    }

    private Map<String, RowOutcome> rows(long id) {
        var rows = new TreeMap<String, RowOutcome>();
        for (int sheet = 0; sheet < 3; sheet++) {
            for (var row : imports.rows(id, sheet, null, 0, 500)) {
                rows.put(sheet + "/" + row.number(), row.outcome());
            }
        }
        return rows;
    }

    @Test
    public void aRunDoesWhatItsTrialSaidAndAnUndoTakesItBack() throws SQLException {
        for (int each = FROM; each < FROM + CASES; each++) {
            close();
            open();
            random = new Random(each);
            check("case " + each);
        }
    }

    private void check(String which) throws SQLException {
        before();
        var there = records();
        var drawn = new DrawnRows(random);
        var mapping = drawn.mapping();
        WrittenSheet[] sheets = {drawn.trees(), drawn.plots(), drawn.people()};
        long id = create(mapping, sheets);
        tryOut(id);
        assertEquals(records(), there, which + ": a trial stores nothing");
        var tried = rows(id);
        run(id);
        assertEquals(rows(id), tried, which + ": the run does what the trial said");
        var brought = records();
        long again = create(mapping, sheets);
        run(again);
        var outcomes = rows(again);
        tried.forEach((row, outcome) -> {
            if (outcome == RowOutcome.NEW || outcome == RowOutcome.CHANGED || outcome == RowOutcome.SAME) {
                boolean left = mapping.sheets().getFirst().mode() == SheetMapping.Mode.NEW && row.startsWith("0/");
                assertEquals(
                        outcomes.get(row), left ? RowOutcome.LEFT : RowOutcome.SAME, which + ": once more, row " + row);
            }
        });
        assertEquals(records(), brought, which + ": the same rows again change nothing");
        undo(id);
        assertEquals(records(), there, which + ": an undo takes all of it back");
    }
}
