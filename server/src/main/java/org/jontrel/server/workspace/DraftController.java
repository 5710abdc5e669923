package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.Identities;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Ids;
import org.jontrel.core.model.Keys;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Nouns;
import org.jontrel.server.release.Releases;
import org.jontrel.server.web.FindingView;
import org.jontrel.server.web.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The draft over HTTP. Definitions are in the words of the code format. */
@RestController
@RequestMapping("/api/workspaces/{workspace}/draft")
class DraftController {
    private static final int LONGEST_NOUN = 200;
    private final Workspaces workspaces;
    private final Drafts drafts;
    private final Releases releases;
    private final Ids ids;

    DraftController(Workspaces workspaces, Drafts drafts, Releases releases, Ids ids) {
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.releases = releases;
        this.ids = ids;
    }

    @Schema(requiredProperties = {"definition", "revision"})
    record TypeView(
            @Schema(ref = "#/components/schemas/ContentType")
            Map<String, Object> definition,

            long revision) {
        TypeView(Definition definition, long revision) {
            this(PackageWriter.tree(definition), revision);
        }
    }

    @Schema(requiredProperties = {"revision", "types", "findings", "changed"})
    record DraftView(
            long revision,
            List<TypeView> types,
            List<FindingView> findings,

            @Schema(description = "Ids of types that differ from the latest release")
            List<String> changed,

            @Schema(description = "The edit that undo takes back")
            String undo,

            @Schema(description = "The edit that redo brings back")
            String redo) {}

    record NewType(@NotBlank String singular) {}

    record Edit(
            @Schema(description = "Revision the writer had seen") @NotNull
            Long base,

            @Schema(ref = "#/components/schemas/ContentType") @NotNull
            Map<String, Object> definition) {}

    @GetMapping
    DraftView draft(@PathVariable String workspace) {
        return view(workspaces.get(workspace).id());
    }

    private DraftView view(long workspaceId) {
        var draft = drafts.get(workspaceId);
        var model = draft.model();
        var changed = releases.changes(workspaceId, model).changes().stream()
                .map(change -> change.subject().definitionId())
                .distinct()
                .toList();
        return new DraftView(
                draft.revision(),
                draft.definitions().stream()
                        .filter(drafted -> drafted.definition() instanceof ContentType)
                        .map(drafted -> new TypeView(drafted.definition(), drafted.revision()))
                        .toList(),
                FindingView.of(ModelCheck.check(model)),
                changed,
                draft.undo(),
                draft.redo());
    }

    /** Makes a content type from its noun; everything else derives. */
    @PostMapping("/types")
    @ResponseStatus(HttpStatus.CREATED)
    TypeView add(@PathVariable String workspace, @Valid @RequestBody NewType body, Principal principal) {
        if (body.singular().length() > LONGEST_NOUN) {
            throw Refusal.invalid("A name has at most " + LONGEST_NOUN + " characters.", List.of());
        }
        var id = workspaces.get(workspace).id();
        var made = Nouns.type(body.singular(), ids);
        var model = drafts.get(id).model();
        var type = withFreeNames(made, model);
        drafts.put(id, type, 0, principal.getName());
        return drafts.get(id).definitions().stream()
                .filter(drafted -> drafted.definition().id().equals(type.id()))
                .map(drafted -> new TypeView(drafted.definition(), drafted.revision()))
                .findFirst()
                .orElseThrow();
    }

    private static ContentType withFreeNames(ContentType type, Model model) {
        var keys = model.types().stream().map(ContentType::key).collect(Collectors.toSet());
        var paths = model.types().stream()
                .map(other -> other.path().replace('-', '_'))
                .collect(Collectors.toSet());
        return type.withNames(
                Keys.free(type.key(), keys),
                Keys.free(type.path().replace('-', '_'), paths).replace('_', '-'));
    }

    @PutMapping("/types/{id}")
    DraftView put(
            @PathVariable String workspace,
            @PathVariable String id,
            @Valid @RequestBody Edit body,
            Principal principal) {
        var workspaceId = workspaces.get(workspace).id();
        var findings = new ArrayList<Finding>();
        var type = PackageReader.type(body.definition(), findings);
        if (type.isEmpty() || !findings.isEmpty()) {
            throw Refusal.invalid("This definition cannot be read.", findings);
        }
        if (!type.get().id().equals(id) || !Ids.isId(id)) {
            throw Refusal.invalid("The definition's id does not match its address.", List.of());
        }
        var complete = new Identities(drafts.get(workspaceId).model(), ids).complete(type.get());
        drafts.put(workspaceId, complete, body.base(), principal.getName());
        return view(workspaceId);
    }

    @DeleteMapping("/types/{id}")
    DraftView remove(@PathVariable String workspace, @PathVariable String id, Principal principal) {
        var workspaceId = workspaces.get(workspace).id();
        drafts.remove(workspaceId, id, principal.getName());
        return view(workspaceId);
    }

    @PostMapping("/undo")
    DraftView undo(@PathVariable String workspace) {
        var id = workspaces.get(workspace).id();
        drafts.undo(id);
        return view(id);
    }

    @PostMapping("/redo")
    DraftView redo(@PathVariable String workspace) {
        var id = workspaces.get(workspace).id();
        drafts.redo(id);
        return view(id);
    }
}
