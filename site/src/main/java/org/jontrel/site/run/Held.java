package org.jontrel.site.run;

import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * Values that a run took out of use and keeps, or that were found in a column of other hands.
 *
 * @param name under which they are held; the only one on the site
 * @param runId the run that took them out of use; 0 for those that were found
 * @param fromVersion the release that they were entered under; empty for none
 * @param toVersion the release that the run led to; empty for none
 * @param at when the run ended; {@code null} while it is under way
 * @param recordTypeId of the content type, taxonomy or site values
 * @param recordType what people called several of them then
 * @param fieldId empty where whole records are held
 * @param field what people called the field then; empty for whole records
 * @param kind of the field then; empty for whole records
 * @param values how many there are; records, or rows of a repeater, where these are held
 * @param bytes roughly what they take up
 * @param undoNeeds whether the run can be undone today, and could not be without them
 * @param way whether they can be brought back, and if not, why
 */
public record Held(
        String name,
        long runId,
        String fromVersion,
        String toVersion,
        Instant at,
        String by,
        String recordTypeId,
        String recordType,
        String fieldId,
        String field,
        String kind,
        long values,
        long bytes,
        boolean undoNeeds,
        ReturnWay way) {
    /** Whether held values can be brought back. */
    public enum ReturnWay {
        /** They go to the field, or the definition, that has the same id today. */
        OPEN,
        /** The content type, taxonomy or site values they belong to is not installed. */
        NO_DEFINITION,
        /** The field they belong to is not installed. */
        NO_FIELD,
        /** Their records are held too: bring these back first. */
        NO_RECORDS
    }

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
}
