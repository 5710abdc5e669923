package org.jontrel.site;

import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TimeZone;
import org.jontrel.site.testing.DrawnChange;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * For any model, its records, and any edits of it: a run and its undo leave every value, row, link, term and address as it
 * was; the undo of the undo gives back what the run had made; and all of it can be read in between. Meanwhile people write,
 * and somebody's old transaction is in the way now and then.
 */
public class UndoLawTest {
    private static final int CASES = Integer.getInteger("undo.cases", 4);
    private static final int FROM = Integer.getInteger("undo.from", 1);
    /** One sort of edits; empty for all. */
    private static final String ONLY = System.getProperty("undo.only", "");

    private static final Set<DrawnChange.EditSort> ADD = Set.of(DrawnChange.EditSort.SPLIT, DrawnChange.EditSort.NAMED);

    private static final List<String> ZONES = List.of("UTC", "America/St_Johns", "Asia/Kathmandu");

    @DataProvider
    public Object[][] edits() {
        return Arrays.stream(DrawnChange.EditSort.values())
                .filter(each -> ONLY.isEmpty() || ONLY.equals(each.name()))
                .map(each -> new Object[] {each})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "edits")
    public void aRunAndItsUndoLeaveEverythingAsItWas(DrawnChange.EditSort edited) throws SQLException {
        var zone = TimeZone.getDefault();
        int carriedOut = 0;
        int links = 0;
        int moves = 0;
        long added = 0;
        try {
            for (int seed = FROM; seed < FROM + CASES; seed++) {
                TimeZone.setDefault(TimeZone.getTimeZone(ZONES.get(seed % ZONES.size())));
                var database = TestDatabase.shared();
                try (var source = database.source(database.create())) {
                    var drawn = new UndoCase(source, seed, edited);
                    carriedOut += drawn.holds() ? 1 : 0;
                    links += drawn.links();
                    moves += drawn.moves();
                    added += drawn.added();
                } catch (RuntimeException | AssertionError e) {
                    throw new AssertionError("seed " + seed + ": " + e.getMessage(), e);
                }
            }
        } finally {
            TimeZone.setDefault(zone);
        }
        assertTrue(edited == DrawnChange.EditSort.ANYHOW || moves * 3 > CASES, "moves in " + CASES + " runs: " + moves);
        assertTrue(!ADD.contains(edited) || added > CASES, "records and terms of what was new: " + added);
        assertTrue(links > CASES, "links between records: " + links);
        assertTrue(carriedOut * 2 > CASES, "of " + CASES + " plans " + carriedOut + " could be run");
    }
}
