package org.jontrel.site.importer;

import java.util.List;
import org.jontrel.core.finding.Finding;

/** What came of asking for work on an import. */
public sealed interface ImportOutcome {
    /** The right to work is held; {@code work} does it and returns when it has ended. */
    record ImportStarted(ImportView view, Runnable work) implements ImportOutcome {}

    /** Its mapping cannot be carried out. */
    record UnfitMapping(List<Finding> findings) implements ImportOutcome {}

    /** Another import works on this site. */
    record BusySite() implements ImportOutcome {}

    /** It is not in a state in which that can be done. */
    record NothingToImport() implements ImportOutcome {}
}
