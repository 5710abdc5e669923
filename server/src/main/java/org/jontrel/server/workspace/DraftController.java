package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.edit.NewDefinitions;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.naming.Ids;
import org.jontrel.serve.web.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/**
 * The draft over HTTP. Every answer tells the whole state of the draft, but only those definitions that were written since
 * the revision {@code since}.
 */
@RestController
@RequestMapping("/api/workspaces/{workspace}/draft")
class DraftController {
    private static final int LONGEST_NAME = 200;
    private final Workspaces workspaces;
    private final Drafts drafts;
    private final DraftViews views;
    private final Ids ids;

    DraftController(Workspaces workspaces, Drafts drafts, DraftViews views, Ids ids) {
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.views = views;
        this.ids = ids;
    }

    record NewDefinition(
            @NotBlank String sort,

            @Schema(description = "The noun for one, or a title") @NotBlank
            String name,

            @Schema(description = "Id of the content type that a layout or listing is for")
            String type) {}

    @Schema(requiredProperties = {"id", "draft"})
    record CreatedDefinition(String id, DraftViews.DraftView draft) {}

    @GetMapping
    DraftViews.DraftView draft(@PathVariable String workspace, @RequestParam(defaultValue = "0") long since) {
        return views.view(workspaces.get(workspace).id(), since);
    }

    /** Makes a definition from its name; everything else derives. */
    @PostMapping("/definitions")
    @ResponseStatus(HttpStatus.CREATED)
    CreatedDefinition add(
            @PathVariable String workspace,
            @RequestParam(defaultValue = "0") long since,
            @Valid @RequestBody NewDefinition body,
            Principal principal) {
        if (body.name().length() > LONGEST_NAME) {
            throw Refusal.invalid("A name can have at most " + LONGEST_NAME + " characters.", List.of());
        }
        var sort = DefinitionView.sort(body.sort());
        var id = workspaces.get(workspace).id();
        var model = drafts.get(id).model();
        var typeId = body.type() == null ? "" : body.type();
        boolean ofSite = sort == Definition.Sort.LAYOUT || sort == Definition.Sort.PART;
        boolean found = model.type(typeId).isPresent()
                || model.find(Taxonomy.class, typeId).isPresent()
                || ofSite && typeId.isEmpty();
        if ((ofSite || sort == Definition.Sort.LISTING) && !found) {
            throw Refusal.invalid("A " + sort.noun() + " needs the content type or taxonomy it is for.", List.of());
        }
        var made = new NewDefinitions(model, ids).definition(sort, body.name(), typeId);
        drafts.put(id, made, 0, Optional.empty(), principal.getName());
        return new CreatedDefinition(made.id(), views.view(id, since));
    }

    @DeleteMapping("/definitions/{id}")
    DraftViews.DraftView remove(
            @PathVariable String workspace,
            @PathVariable String id,
            @RequestParam(defaultValue = "0") long since,
            Principal principal) {
        var workspaceId = workspaces.get(workspace).id();
        drafts.remove(workspaceId, id, principal.getName());
        return views.view(workspaceId, since);
    }

    @PostMapping("/undo")
    DraftViews.DraftView undo(@PathVariable String workspace, @RequestParam(defaultValue = "0") long since) {
        var id = workspaces.get(workspace).id();
        drafts.undo(id);
        return views.view(id, since);
    }

    @PostMapping("/redo")
    DraftViews.DraftView redo(@PathVariable String workspace, @RequestParam(defaultValue = "0") long since) {
        var id = workspaces.get(workspace).id();
        drafts.redo(id);
        return views.view(id, since);
    }

    /** The edits of the draft, newest first. */
    @GetMapping("/edits")
    List<DraftViews.EditView> edits(@PathVariable String workspace) {
        return drafts.edits(workspaces.get(workspace).id()).stream()
                .map(DraftViews.EditView::of)
                .toList();
    }

    /** Undoes or redoes until this edit is the last that is done; 0 goes back before all. */
    @PostMapping("/edits/{seq}")
    DraftViews.DraftView stepTo(
            @PathVariable String workspace, @PathVariable long seq, @RequestParam(defaultValue = "0") long since) {
        var id = workspaces.get(workspace).id();
        drafts.stepTo(id, seq);
        return views.view(id, since);
    }
}
