package org.jontrel.server.proof;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.Set;
import org.jontrel.core.code.Formatting;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.edit.ResolvedDefinition;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.naming.Wording;
import org.jontrel.core.record.ConditionWords;
import org.jontrel.core.record.FormCheck;
import org.jontrel.core.sample.ApiShape;
import org.jontrel.core.sample.SampleValues;
import org.jontrel.core.shape.WriteContext;
import org.jontrel.serve.web.FindingView;
import org.jontrel.server.draftpage.ProofPages;
import org.jontrel.server.workspace.Drafts;
import org.jontrel.server.workspace.Workspaces;
import org.springframework.stereotype.Component;

/** What a definition makes among the others of its draft: the form with values tried in it, and what visitors and programs get. */
@Component
public class Proofs {
    private final Workspaces workspaces;
    private final Drafts drafts;
    private final ProofPages pages;

    Proofs(Workspaces workspaces, Drafts drafts, ProofPages pages) {
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.pages = pages;
    }

    /** @param path keys and row numbers to the value, as {@code tests.0.begun} */
    @Schema(requiredProperties = {"path", "required", "sentence"})
    public record ProblemView(String path, boolean required, String sentence) {
        static ProblemView of(FormCheck.Problem problem) {
            return new ProblemView(
                    problem.path(), problem.required(), problem.finding().sentence());
        }
    }

    @Schema(
            requiredProperties = {"code", "wordings", "first", "groups", "conditions", "findings", "problems", "hidden"
            })
    public record Proof(
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
    public record GroupView(String id, String title, String description, List<FieldView> fields) {}

    /** A field in the words of the code format. */
    @Schema(requiredProperties = {"field"})
    public record FieldView(
            @Schema(ref = "#/components/schemas/Field") Object field) {
        static FieldView of(Field field) {
            return new FieldView(Things.of(field).write(field, WriteContext.PLAIN));
        }

        static List<FieldView> of(List<Field> fields) {
            return fields.stream().map(FieldView::of).toList();
        }
    }

    @Schema(requiredProperties = {"page", "index", "example", "schema"})
    public record TypeLook(
            @Schema(description = "The page of a record with made-up values, as HTML")
            String page,

            @Schema(description = "The page that lists records, as HTML")
            String index,

            @Schema(description = "What the content API would give of it")
            Map<String, Object> example,

            @Schema(description = "Its JSON Schema") Map<String, Object> schema) {}

    /** Where a definition cannot be read. */
    static Proof unreadable(List<Finding> findings) {
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

    /** The form of a definition with values tried in it, its code and texts. */
    public Proof proof(String workspace, Definition definition, Map<String, Object> values) {
        var draft = drafts.get(workspaces.get(workspace).id());
        var model = draft.model().with(definition);
        var first = first(definition);
        var groups = new ResolvedDefinition(model).groups(definition);
        var checked = FormCheck.check(first, groups, values);
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

    /** What visitors and programs would get of a definition, with made-up values. */
    public TypeLook look(String workspace, Definition definition) {
        var found = workspaces.get(workspace);
        var model = drafts.get(found.id()).model().with(definition);
        var groups = new ResolvedDefinition(model).groups(definition);
        var first = first(definition);
        var values = new SampleValues(model).of(first, groups, 1);
        if (definition instanceof ContentType type) {
            values.put("title", SampleValues.title(type, 1));
        }
        var example = ApiShape.example(first, groups, values);
        var schema = ApiShape.schema(definition.name(), first, groups);
        if (!(definition instanceof ContentType type)) {
            return new TypeLook("", "", example, schema);
        }
        var look = pages.of(found.title(), model, type);
        return new TypeLook(look.page(), look.index(), example, schema);
    }
}
