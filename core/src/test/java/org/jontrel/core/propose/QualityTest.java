package org.jontrel.core.propose;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.util.List;
import java.util.Random;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.sheet.WorkbookProfile;
import org.testng.annotations.Test;

/** Of models that are known, a proposal finds nearly everything again, and what it proposes is sound. */
public class QualityTest {
    private static final double KINDS = 0.95;
    private static final double STRUCTURE = 0.9;

    @Test
    public void nearlyEverythingIsFoundAgain() throws IOException {
        var quality = new ProposalQuality();
        for (var book : KnownWorkbooks.all()) {
            quality.with(book);
        }
        var kinds = quality.tallies().get("kinds");
        var report = String.join("\n", quality.misses());
        assertTrue(kinds.recall() >= KINDS, kinds + "\n" + report);
        var structure = quality.structure();
        assertTrue(structure.recall() >= STRUCTURE && structure.precision() >= STRUCTURE, structure + "\n" + report);
    }

    @Test
    public void whatIsProposedHasNoProblems() throws IOException {
        for (var book : KnownWorkbooks.all()) {
            var proposed =
                    Proposing.of(WorkbookProfile.of(book.written()), Choices.NONE, Model.EMPTY, new Ids(new Random(2)));
            var findings = ModelCheck.check(new Model(proposed.definitions())).stream()
                    .filter(each -> each.severity() != Severity.NOTE)
                    .map(Finding::sentence)
                    .toList();
            assertEquals(findings, List.of(), book.name());
        }
    }
}
