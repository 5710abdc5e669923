package org.jontrel.server.rehearsal;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jontrel.site.run.RunView;

/**
 * What came of a rehearsal.
 *
 * @param copyMillis how long the copy took
 * @param runs as their journal on the copy has them, in their order
 */
@Schema(requiredProperties = {"copyMillis", "runs", "counts", "samples"})
record RehearsalReport(long copyMillis, List<RunView> runs, List<CountChange> counts, List<ChangedRecord> samples) {
    /** How many records there were, and are, where that differs. */
    @Schema(requiredProperties = {"name", "before", "after"})
    record CountChange(String name, long before, long after) {}

    /**
     * A record that differs.
     *
     * @param type id of its type
     * @param typeName as one calls a record of it
     * @param page address of its page on the copy, below the copy; empty where it has none
     * @param pageDiffers whether its page reads otherwise than before
     */
    @Schema(requiredProperties = {"type", "typeKey", "typeName", "id", "title", "page", "pageDiffers", "values"})
    record ChangedRecord(
            String type,
            String typeKey,
            String typeName,
            long id,
            String title,
            String page,
            boolean pageDiffers,
            List<ValueChange> values) {}

    /** A value of it before and after; an empty text where it had none, or has none. */
    @Schema(requiredProperties = {"label", "before", "after"})
    record ValueChange(String label, String before, String after) {}
}
