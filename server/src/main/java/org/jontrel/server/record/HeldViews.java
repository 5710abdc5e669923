package org.jontrel.server.record;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import org.jontrel.site.run.Held;
import org.jontrel.site.run.HeldValues;

/** What is told of values that a site holds, and of bringing them back. */
final class HeldViews {
    private HeldViews() {}

    @Schema(
            requiredProperties = {
                "name",
                "runId",
                "fromVersion",
                "toVersion",
                "by",
                "definition",
                "definitionName",
                "field",
                "fieldName",
                "kind",
                "values",
                "bytes",
                "undoNeeds",
                "way"
            })
    record HeldView(
            @Schema(description = "Under which they are held; the only one on the site")
            String name,

            @Schema(description = "The run that took them out of use")
            long runId,

            @Schema(description = "Release that they were entered under; empty for none")
            String fromVersion,

            String toVersion,

            @Schema(description = "When that run ended; missing while it is under way")
            Instant at,

            String by,

            @Schema(description = "Id of the content type, taxonomy or site values")
            String definition,

            String definitionName,

            @Schema(description = "Id of the field; empty where whole records are held")
            String field,

            String fieldName,
            String kind,

            @Schema(description = "How many; records, or rows of a repeater, where these are held")
            long values,

            @Schema(description = "Roughly what they take up in the database")
            long bytes,

            @Schema(description = "Whether the run can be undone today, and could not be without them")
            boolean undoNeeds,

            @Schema(description = "open, no_definition, no_field or no_records: whether and why not they can come back")
            String way) {
        static HeldView of(Held held) {
            return new HeldView(
                    held.name(),
                    held.runId(),
                    held.fromVersion(),
                    held.toVersion(),
                    held.at(),
                    held.by(),
                    held.recordTypeId(),
                    held.recordType(),
                    held.fieldId(),
                    held.field(),
                    held.kind(),
                    held.values(),
                    held.bytes(),
                    held.undoNeeds(),
                    held.way().name().toLowerCase(Locale.ROOT));
        }
    }

    @Schema(requiredProperties = {"name", "runId", "definition", "field", "values", "by", "at"})
    record PurgedView(String name, long runId, String definition, String field, long values, String by, Instant at) {
        static PurgedView of(HeldValues.PurgedValues purged) {
            return new PurgedView(
                    purged.name(),
                    purged.runId(),
                    purged.recordTypeId(),
                    purged.fieldId(),
                    purged.amount(),
                    purged.byWhom(),
                    purged.at().toInstant(ZoneOffset.UTC));
        }
    }

    @Schema(requiredProperties = {"held", "purged"})
    record HeldList(List<HeldView> held, List<PurgedView> purged) {}

    @Schema(requiredProperties = {"id", "title", "state", "values"})
    record HeldRecordView(
            long id,

            @Schema(description = "What the record is called today, or was called where it is held itself")
            String title,

            @Schema(
                    description =
                            "draft, published, scheduled or deleted; empty where the record is not there any more")
            String state,

            @Schema(description = "One for each field, as a person reads it; empty where nothing is held")
            List<String> values) {}

    @Schema(requiredProperties = {"fields", "records"})
    record HeldPage(
            @Schema(description = "Labels of the fields that are held, or that hold what is")
            List<String> fields,

            List<HeldRecordView> records,

            @Schema(description = "Where the next page begins; missing on the last one")
            Long next) {}

    @Schema(requiredProperties = {"id", "title", "reason"})
    record NotBroughtView(long id, String title, String reason) {}

    @Schema(requiredProperties = {"looked", "brought", "drafts", "kept", "refused"})
    record BroughtView(
            @Schema(description = "Records looked at") long looked,

            @Schema(description = "Records that have values back")
            long brought,

            @Schema(description = "Those among them that were public and are drafts now")
            long drafts,

            @Schema(description = "Records whose values of today stayed")
            long kept,

            List<NotBroughtView> refused,

            @Schema(description = "Where to go on; missing at the end")
            Long next) {}

    @Schema(requiredProperties = {"things", "values"})
    record PurgeView(
            @Schema(description = "Fields and definitions whose held values are gone")
            int things,

            long values) {}
}
