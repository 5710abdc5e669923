package org.jontrel.core.compare;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.Examples;
import org.testng.annotations.Test;

/** Edits of the seed bank's files, and what comparison says of them: one row an edit, over the whole language. */
public class LanguageComparisonTest extends LanguageEdits {
    @Test(dataProvider = "edits")
    public void everyEditIsSaidInTheWordsOfTheModel(Map<String, String> files, List<String> said, Advice advice) {
        var after = Examples.seedBank(BEFORE, files);
        var comparison = Comparison.of(BEFORE, after);
        assertEquals(comparison.changes().stream().map(Sentences::of).toList(), said);
        assertEquals(comparison.advice(), advice);
        assertEquals(comparison.applyTo(BEFORE), after);
        assertEquals(Comparison.of(after, BEFORE).applyTo(after), BEFORE);
    }

    @Test
    public void likelyRenamesAreAskedAndNeverAssumed() {
        var after = Examples.seedBank(
                BEFORE,
                edit(
                        "types/trip.yaml",
                        "{key: log, label: Log,",
                        "{key: logbook, label: Log book,",
                        ACCESSION,
                        "{key: altitude, label: Altitude,",
                        "{key: colour_of_sky, label: Colour of the sky,"));
        var comparison = Comparison.of(BEFORE, after);
        assertEquals(
                comparison.changes().stream()
                        .filter(Change.Removed.class::isInstance)
                        .count(),
                2);
        var known = ids(BEFORE);
        Set<String> given = ids(after);
        given.removeAll(known);
        var renames = LikelyRenames.renames(comparison, given);
        assertEquals(renames.size(), 1, renames.toString());
        assertEquals(renames.getFirst().was(), "log");
        assertTrue(
                renames.getFirst().sentence().contains("was: log"),
                renames.getFirst().sentence());
        assertEquals(
                LikelyRenames.renames(comparison, Set.of()), List.of(), "ids that a file gives are never asked about");
    }
}
