package org.jontrel.server.proof;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.Set;
import java.util.stream.Collectors;
import org.jontrel.core.code.Formatting;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.edit.Resolved;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Condition;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Keys;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Nouns;
import org.jontrel.core.model.Wording;
import org.jontrel.core.sample.ApiShape;
import org.jontrel.core.sample.SampleValues;
import org.jontrel.core.shape.Shapes;
import org.jontrel.core.shape.Things;
import org.jontrel.core.shape.Writing;
import org.jontrel.core.value.ConditionWords;
import org.jontrel.core.value.FormCheck;
import org.jontrel.server.publicsite.ProofPages;
import org.jontrel.server.web.FindingView;
import org.jontrel.server.workspace.DefinitionView;
import org.jontrel.server.workspace.Drafts;
import org.jontrel.server.workspace.Workspaces;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a definition makes, while it is typed: nothing here is stored. */
@RestController
@RequestMapping("/api/proof")
class ProofController {
    private final Workspaces workspaces;
    private final Drafts drafts;
    private final ProofPages pages;

    ProofController(Workspaces workspaces, Drafts drafts, ProofPages pages) {
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.pages = pages;
    }

    record ProofRequest(
            @NotBlank String sort,

            @Schema(ref = "#/components/schemas/Definition") @NotNull
            Map<String, Object> definition,

            @Schema(description = "Values tried in the form, by field key; rows as lists of such") @NotNull
            Map<String, Object> values) {}

    /** @param path keys and row numbers to the value, as {@code tests.0.begun} */
    @Schema(requiredProperties = {"path", "required", "sentence"})
    record ProblemView(String path, boolean required, String sentence) {
        static ProblemView of(FormCheck.Problem problem) {
            return new ProblemView(
                    problem.path(), problem.required(), problem.finding().sentence());
        }
    }

    @Schema(
            requiredProperties = {"code", "wordings", "first", "groups", "conditions", "findings", "problems", "hidden"
            })
    record Proof(
            @Schema(description = "The definition's file; empty where it cannot be read")
            String code,

            @Schema(description = "Texts about the type, by name")
            SequencedMap<String, String> wordings,

            @Schema(description = "Fields before all groups, such as standard parts")
            List<FieldView> first,

            @Schema(description = "What is filled in, with shared groups and choice lists in their places")
            List<GroupView> groups,

            @Schema(description = "Conditions as sentences, by the id of what they decide about")
            Map<String, String> conditions,

            @Schema(description = "Mistakes of the definition that keep it from being read")
            List<FindingView> findings,

            @Schema(description = "What an editor would read about the values tried")
            List<ProblemView> problems,

            @Schema(description = "Paths of fields, and ids of groups, that conditions hide")
            Set<String> hidden) {}

    @Schema(requiredProperties = {"id", "title", "description", "fields"})
    record GroupView(String id, String title, String description, List<FieldView> fields) {}

    /** A field in the words of the code format. */
    @Schema(requiredProperties = {"field"})
    record FieldView(
            @Schema(ref = "#/components/schemas/Field") Object field) {
        static FieldView of(Field field) {
            return new FieldView(Things.of(field).write(field, Writing.PLAIN));
        }

        static List<FieldView> of(List<Field> fields) {
            return fields.stream().map(FieldView::of).toList();
        }
    }

    record LookRequest(
            @NotBlank String sort,

            @Schema(ref = "#/components/schemas/Definition") @NotNull
            Map<String, Object> definition) {}

    @Schema(requiredProperties = {"page", "index", "example", "schema"})
    record Look(
            @Schema(description = "The page of a record with made-up values, as HTML")
            String page,

            @Schema(description = "The page that lists records, as HTML")
            String index,

            @Schema(description = "What the content API would give of it")
            Map<String, Object> example,

            @Schema(description = "Its JSON Schema") Map<String, Object> schema) {}

    record NamesRequest(
            @NotNull List<String> labels, @NotNull List<String> taken) {}

    @Schema(requiredProperties = {"keys", "plurals", "paths"})
    record Names(List<String> keys, List<String> plurals, List<String> paths) {}

    /** The form of a definition with values tried in it, its code and texts. */
    @PostMapping("/{workspace}")
    Proof proof(@PathVariable String workspace, @Valid @RequestBody ProofRequest body) {
        var findings = new ArrayList<Finding>();
        var read = PackageReader.definition(
                Definition.class, DefinitionView.sort(body.sort()), body.definition(), findings);
        if (read.isEmpty() || Finding.blocks(findings)) {
            return new Proof(
                    "",
                    new LinkedHashMap<>(),
                    List.of(),
                    List.of(),
                    Map.of(),
                    FindingView.of(findings),
                    List.of(),
                    Set.of());
        }
        var definition = read.get();
        var draft = drafts.get(workspaces.get(workspace).id());
        var model = draft.model().with(definition);
        var first = first(definition);
        var groups = new Resolved(model).groups(definition);
        var checked = FormCheck.check(first, groups, body.values());
        var wordings = new LinkedHashMap<String, String>();
        if (definition instanceof ContentType type) {
            Arrays.stream(Wording.values()).forEach(wording -> wordings.put(wording.code(), wording.of(type)));
        }
        return new Proof(
                PackageWriter.text(model, definition, Formatting.of(draft.comments()), Map.of()),
                wordings,
                FieldView.of(first),
                groups.stream()
                        .map(group -> new GroupView(
                                group.id(), group.title(), group.description(), FieldView.of(group.fields())))
                        .toList(),
                conditions(model, groups),
                List.of(),
                checked.problems().stream().map(ProblemView::of).toList(),
                checked.hidden());
    }

    private static List<Field> first(Definition definition) {
        return definition instanceof ContentType type
                ? type.parts().stream().map(type::partField).toList()
                : List.of();
    }

    private static Map<String, String> conditions(Model model, List<Group> groups) {
        var words = new ConditionWords(model);
        var sentences = new LinkedHashMap<String, String>();
        for (var group : groups) {
            if (!group.showWhen().equals(Condition.ALWAYS)) {
                sentences.put(group.id(), words.of(group.showWhen()));
            }
            group.fields().stream()
                    .flatMap(Field::withInner)
                    .filter(field -> !field.showWhen().equals(Condition.ALWAYS))
                    .forEach(field -> sentences.put(field.id(), words.of(field.showWhen())));
        }
        return sentences;
    }

    /** What visitors and programs would get of a content type, with made-up values. */
    @PostMapping("/{workspace}/look")
    Look look(@PathVariable String workspace, @Valid @RequestBody LookRequest body) {
        var definition = DefinitionView.read(body.sort(), body.definition());
        var found = workspaces.get(workspace);
        var model = drafts.get(found.id()).model().with(definition);
        var groups = new Resolved(model).groups(definition);
        var first = first(definition);
        var values = new SampleValues(model).of(first, groups, 1);
        if (definition instanceof ContentType type) {
            values.put("title", SampleValues.title(type, 1));
        }
        var example = ApiShape.example(first, groups, values);
        var schema = ApiShape.schema(definition.name(), first, groups);
        return definition instanceof ContentType type
                ? new Look(
                        pages.page(found.title(), model, type, groups, values),
                        pages.index(found.title(), model, type),
                        example,
                        schema)
                : new Look("", "", example, schema);
    }

    /** Keys, plurals and paths for labels; keys meet neither each other nor the taken ones. */
    @PostMapping("/names")
    Names names(@Valid @RequestBody NamesRequest body) {
        var taken = new HashSet<>(body.taken());
        var labels = body.labels().stream()
                .limit(500)
                .map(label -> label.substring(0, Math.min(label.length(), 500)))
                .toList();
        var keys = labels.stream()
                .map(label -> {
                    var key = Keys.free(Keys.fromLabel(label), taken);
                    taken.add(key);
                    return key;
                })
                .toList();
        var plurals = labels.stream().map(Nouns::plural).toList();
        return new Names(keys, plurals, plurals.stream().map(Keys::pathFrom).collect(Collectors.toList()));
    }

    /** What each setting of each kind is for; under {@code type}, {@code taxonomy} and so on those of definitions. */
    @GetMapping("/help")
    SequencedMap<String, SequencedMap<String, String>> help() {
        var help = new LinkedHashMap<String, SequencedMap<String, String>>();
        Shapes.kinds().forEach((kind, settings) -> help.put(kind, about(settings)));
        for (var sort : Definition.Sort.values()) {
            help.put("a_" + PackageWriter.word(sort), about(Shapes.about(Shapes.of(sort))));
        }
        help.put("field", about(Shapes.aboutFields()));
        return help;
    }

    private static SequencedMap<String, String> about(List<Shapes.About> settings) {
        var about = new LinkedHashMap<String, String>();
        settings.forEach(setting -> about.put(setting.name(), setting.about()));
        return about;
    }

    /** The JSON Schema (2020-12) of each class of file, by its name, for completion while code is edited. */
    @GetMapping("/schemas")
    Map<String, ? extends Map<String, Object>> schemas() {
        return PackageWriter.schemas();
    }
}
