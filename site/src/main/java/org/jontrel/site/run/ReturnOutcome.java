package org.jontrel.site.run;

import java.util.List;
import java.util.Optional;

/** What came of bringing values back. */
public sealed interface ReturnOutcome {
    /**
     * @param looked records looked at
     * @param brought records that have values back
     * @param drafts those among them that were public and are drafts now, as the definitions of today ask for more
     * @param kept records that have a value of today, which stayed
     * @param refused records that could not have theirs back
     * @param next id of the record behind which to go on; empty at the end
     */
    record Returned(
            long looked,
            long brought,
            long drafts,
            long kept,
            List<HeldReturn.NotReturned> refused,
            Optional<Long> next)
            implements ReturnOutcome {}

    /** Nothing is held under this name. */
    record NothingHeld() implements ReturnOutcome {}

    record NotPossible(Held.ReturnWay why) implements ReturnOutcome {}

    /** Definitions are being switched. */
    record DefinitionsSwitching() implements ReturnOutcome {}
}
