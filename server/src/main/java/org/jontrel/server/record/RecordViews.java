package org.jontrel.server.record;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.record.RecordChanges;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.serve.record.RecordProblem;
import org.jontrel.serve.record.ReferenceNames;
import org.jontrel.site.record.read.StoredRecord;

/** What records look like over HTTP. */
final class RecordViews {
    private RecordViews() {}

    /** A record that another stands under. */
    @Schema(requiredProperties = {"type", "id"})
    record ParentView(
            @Schema(description = "Id of its content type or taxonomy")
            String type,

            long id) {
        Link link() {
            return new Link(type, id);
        }
    }

    /** A record to work on, with all that its form shows. */
    @Schema(requiredProperties = {"record", "links", "files", "problems", "pointers", "hidden", "setAside"})
    record OpenRecord(
            RecordView record,

            @Schema(description = "Records and terms that its values lead to")
            List<LinkView> links,

            @Schema(description = "Pictures and files that its values use")
            List<FileView> files,

            @Schema(description = "Why it is incomplete") List<RecordProblem> problems,

            @Schema(description = "What leads to it, relation by relation")
            List<PointerView> pointers,

            @Schema(description = "Paths of fields, and ids of groups, that conditions hide")
            List<String> hidden,

            @Schema(
                    description =
                            "Empty fields whose value a run could not take over; it was saved while it was under way")
            List<SetAsideView> setAside) {}

    @Schema(requiredProperties = {"label", "run"})
    record SetAsideView(
            @Schema(description = "Of the field") String label,

            @Schema(description = "Id of the run that holds the value")
            long run) {}

    @Schema(requiredProperties = {"recordType", "field", "sort", "key", "label", "shown", "records"})
    record PointerView(
            @Schema(description = "Id of what points") String recordType,

            @Schema(description = "Id of the relation") String field,

            String sort,
            String key,

            @Schema(description = "The relation as it is named from this end")
            String label,

            @Schema(description = "Whether the definitions want it shown here")
            boolean shown,

            List<LinkView> records) {}

    @Schema(requiredProperties = {"records"})
    record ListView(
            List<RecordView> records,

            @Schema(description = "Where the next page begins; absent at the end")
            String next) {}

    @Schema(requiredProperties = {"records", "exact"})
    record CountView(
            long records,

            @Schema(description = "Whether there are just so many, or more")
            boolean exact) {}

    /** What somebody else stored since, and what both make together. */
    @Schema(requiredProperties = {"record", "theirs", "merged", "clashes"})
    record ConflictView(
            OpenRecord record,
            List<DifferenceView> theirs,

            @Schema(description = "Their values where only they changed something, and mine elsewhere; by field key")
            Map<String, Object> merged,

            List<ClashView> clashes) {}

    /** Problem details (RFC 9457) of a save that met a newer version. */
    @Schema(requiredProperties = {"detail", "current"})
    record ConflictProblem(String detail, ConflictView current) {}

    /** Problem details (RFC 9457) of a save whose values were refused. */
    @Schema(requiredProperties = {"detail", "problems"})
    record RefusedProblem(String detail, List<RecordProblem> problems) {}

    @Schema(requiredProperties = {"path", "label", "before", "after"})
    record DifferenceView(String path, String label, String before, String after) {
        static List<DifferenceView> of(List<RecordChanges.FieldDifference> differences) {
            return differences.stream()
                    .map(each -> new DifferenceView(each.path(), each.label(), each.before(), each.after()))
                    .toList();
        }
    }

    @Schema(requiredProperties = {"path", "label", "mineShown", "theirsShown"})
    record ClashView(String path, String label, Object mine, Object theirs, String mineShown, String theirsShown) {
        static List<ClashView> of(List<RecordChanges.FieldClash> clashes) {
            return clashes.stream()
                    .map(each -> new ClashView(
                            each.path(),
                            each.label(),
                            each.mine(),
                            each.theirs(),
                            each.mineShown(),
                            each.theirsShown()))
                    .toList();
        }
    }

    /** A state of a record and how it came about. */
    @Schema(requiredProperties = {"version", "state", "at", "by", "changes", "current"})
    record PastView(
            int version,
            String state,
            Instant at,
            String by,

            @Schema(description = "What differs from the state before")
            List<DifferenceView> changes,

            boolean current) {}

    static RecordView view(
            String site, RecordType recordType, StoredRecord record, String address, ReferenceNames names) {
        var shown = new LinkedHashMap<String, String>();
        recordType.fields().forEach(field -> {
            var value = record.values().get(field.id());
            if (value != null) {
                shown.put(field.key(), names.show(field, value));
            }
        });
        return new RecordView(
                record.id(),
                record.slug(),
                recordType.path().isEmpty() ? "" : "/at/" + site + "/" + recordType.path() + "/" + address,
                record.parent()
                        .map(parent -> new ParentView(parent.type(), parent.id()))
                        .orElse(null),
                record.position(),
                record.state().code(),
                record.publishAt().orElse(null),
                record.retireAt().orElse(null),
                record.version(),
                record.complete(),
                record.createdAt(),
                record.updatedAt(),
                record.createdBy(),
                record.updatedBy(),
                record.title().isEmpty() ? record.slug() : record.title(),
                Values.wire(recordType.fields().toList(), record.values()),
                shown);
    }
}
