package org.jontrel.server.desk;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.model.Definition;
import org.jontrel.core.naming.Ids;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.proof.Proofs;
import org.jontrel.server.site.SiteStates;
import org.jontrel.server.site.SiteView;
import org.jontrel.server.workspace.DefinitionView;
import org.jontrel.server.workspace.DraftViews;
import org.jontrel.server.workspace.Drafts;
import org.jontrel.server.workspace.Workspaces;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Stores what was typed of a definition, and tells in the same answer what the desk shows of it. */
@RestController
class EditController {
    private static final Logger LOG = LoggerFactory.getLogger(EditController.class);
    private static final int MOST_SENT = 20;
    private final Workspaces workspaces;
    private final Drafts drafts;
    private final DraftViews views;
    private final Ids ids;
    private final Proofs proofs;
    private final SiteStates sites;

    EditController(Workspaces workspaces, Drafts drafts, DraftViews views, Ids ids, Proofs proofs, SiteStates sites) {
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.views = views;
        this.ids = ids;
        this.proofs = proofs;
        this.sites = sites;
    }

    @Schema(requiredProperties = "look")
    record ShownParts(
            @Schema(description = "Values tried in the form, by field key; the form is not shown where there are none")
            Map<String, Object> values,

            @Schema(description = "Whether the page, the index or the API answer is shown")
            boolean look) {}

    record EditRequest(
            @NotBlank String sort,

            @Schema(description = "Revision the writer had seen; 0 for a new definition") @NotNull
            Long base,

            @Schema(description = "The definition as the writer had seen it, so that edits of two can be joined")
            Map<String, Object> before,

            @Schema(
                    description =
                            "What the same window sent before without getting an answer: where one of these is stored, the"
                                    + " writer has seen it")
            @Size(max = MOST_SENT)
            List<Map<String, Object>> sent,

            @Schema(ref = "#/components/schemas/Definition") @NotNull
            Map<String, Object> definition,

            @Schema(description = "What the writer's window shows of the definition, so that it need not ask again")
            ShownParts shown) {}

    @Schema(requiredProperties = {"merged", "draft"})
    record Written(
            @Schema(description = "Whether another's edit was joined in")
            boolean merged,

            DraftViews.DraftView draft,

            @Schema(description = "The form as stored, where it is shown")
            Proofs.Proof proof,

            @Schema(description = "Page, index and API answer as stored, where one of them is shown")
            Proofs.TypeLook look,

            @Schema(
                    description =
                            "How the workspace's sites stand against the draft now; absent where nothing is shown")
            List<SiteView> sites) {}

    @PutMapping("/api/workspaces/{workspace}/draft/definitions/{id}")
    Written put(
            @PathVariable String workspace,
            @PathVariable String id,
            @RequestParam(defaultValue = "0") long since,
            @Valid @RequestBody EditRequest body,
            Principal principal) {
        var workspaceId = workspaces.get(workspace).id();
        var definition = DefinitionView.read(body.sort(), body.definition());
        if (!definition.id().equals(id)) {
            throw Refusal.invalid("The definition's id does not match its address.", List.of());
        }
        var before = body.before() == null
                ? Optional.<Definition>empty()
                : Optional.of(DefinitionView.read(body.sort(), body.before()));
        var complete = new Identities(drafts.get(workspaceId).model(), ids).complete(definition);
        var sent = body.sent() == null ? List.<Map<String, Object>>of() : body.sent();
        var own = sent.stream()
                .map(each -> DefinitionView.read(body.sort(), each))
                .toList();
        boolean merged = drafts.put(workspaceId, complete, body.base(), before, own, principal.getName());
        var draft = views.view(workspaceId, since, id);
        var shown = body.shown();
        if (shown == null) {
            return new Written(merged, draft, null, null, null);
        }
        var stored = drafts.get(workspaceId).model().definition(id).orElse(complete);
        return new Written(
                merged,
                draft,
                shown.values() == null ? null : told(() -> proofs.proof(workspace, stored, shown.values())),
                shown.look() ? told(() -> proofs.look(workspace, stored)) : null,
                told(() -> sites.of(workspaceId, false)));
    }

    /** The edit is stored: whatever cannot be shown of it is left out, and the window asks for it by itself. */
    private static <T> T told(Supplier<T> what) {
        try {
            return what.get();
        } catch (RuntimeException e) {
            LOG.warn("Something about an edit cannot be shown", e);
            return null;
        }
    }
}
