package org.jontrel.server.record;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.naming.Wording;
import org.jontrel.core.shape.WriteContext;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.SystemField;
import org.jontrel.site.table.Binding;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** What a site's installed definitions hold, with all that lists and forms of it need. */
@RestController
class RecordTypeController {
    private final RecordTypes recordTypes;

    RecordTypeController(RecordTypes recordTypes) {
        this.recordTypes = recordTypes;
    }

    @Schema(
            requiredProperties = {
                "id",
                "sort",
                "key",
                "singular",
                "plural",
                "path",
                "definition",
                "wordings",
                "first",
                "groups",
                "under",
                "parentRequired",
                "records",
                "exact"
            })
    record RecordTypeView(
            String id,

            @Schema(description = "types, taxonomies or values, as in addresses of this API")
            String sort,

            String key,
            String singular,
            String plural,

            @Schema(description = "Public address segment; empty where it has no pages")
            String path,

            @Schema(ref = "#/components/schemas/Definition") Map<String, Object> definition,

            @Schema(description = "Texts about a content type, by name; empty for others")
            SequencedMap<String, String> wordings,

            @Schema(description = "Fields before all groups, such as standard parts")
            List<FormField> first,

            @Schema(description = "What is filled in, with shared groups and choice lists in their places")
            List<FormGroup> groups,

            @Schema(description = "Ids of what its records may stand under")
            List<String> under,

            boolean parentRequired,
            long records,

            @Schema(description = "Whether there are just so many, or more")
            boolean exact) {}

    @Schema(requiredProperties = {"id", "title", "description", "fields"})
    record FormGroup(String id, String title, String description, List<FormField> fields) {}

    /** A field in the words of the code format. */
    @Schema(requiredProperties = {"field"})
    record FormField(
            @Schema(ref = "#/components/schemas/Field") Object field) {
        static FormField of(Field field) {
            return new FormField(Things.of(field).write(field, WriteContext.PLAIN));
        }

        static List<FormField> of(List<Field> fields) {
            return fields.stream().map(FormField::of).toList();
        }
    }

    /** What every record has beside its fields; lists filter and sort by it. */
    @Schema(requiredProperties = {"id", "label", "kind"})
    record OwnView(String id, String label, String kind) {}

    @GetMapping("/api/sites/{site}/record-types")
    List<RecordTypeView> all(@PathVariable String site) {
        var engine = recordTypes.engine(site);
        return engine.installed().tables().values().stream()
                .map(table -> view(engine, table))
                .toList();
    }

    @GetMapping("/api/record-parts")
    List<OwnView> own() {
        return Arrays.stream(SystemField.values())
                .map(own -> new OwnView(
                        own.field().id(),
                        own.field().label(),
                        own.field().kind().code()))
                .toList();
    }

    private static RecordTypeView view(Site engine, Binding.BoundTables table) {
        var recordType = table.recordType();
        var count = engine.records().count(recordType.id(), ListQuery.ALL);
        return new RecordTypeView(
                recordType.id(),
                recordType.definition().sort().folder(),
                recordType.key(),
                recordType.singular(),
                recordType.plural(),
                recordType.path(),
                PackageWriter.tree(recordType.definition()),
                wordings(table),
                FormField.of(recordType.first()),
                recordType.groups().stream()
                        .map(group -> new FormGroup(
                                group.id(), group.title(), group.description(), FormField.of(group.fields())))
                        .toList(),
                List.copyOf(recordType.nesting().under()),
                recordType.nesting().required(),
                count.records(),
                count.exact());
    }

    private static SequencedMap<String, String> wordings(Binding.BoundTables table) {
        var wordings = new LinkedHashMap<String, String>();
        if (table.recordType().definition() instanceof ContentType type) {
            Arrays.stream(Wording.values()).forEach(wording -> wordings.put(wording.code(), wording.of(type)));
        }
        return wordings;
    }
}
