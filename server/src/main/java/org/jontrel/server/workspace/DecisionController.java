package org.jontrel.server.workspace;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Model;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.release.CorrectionView;
import org.jontrel.server.release.Releases;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Answers to what plans ask. */
@RestController
@RequestMapping("/api/workspaces/{workspace}")
class DecisionController {
    private final Workspaces workspaces;
    private final Releases releases;
    private final Drafts drafts;

    DecisionController(Workspaces workspaces, Releases releases, Drafts drafts) {
        this.workspaces = workspaces;
        this.releases = releases;
        this.drafts = drafts;
    }

    record DecisionBody(
            @NotBlank String field,
            @NotNull Decision.Topic about,
            @NotNull Decision.Action answer,
            @NotNull String value,

            @Valid @Size(max = Decision.MOST_CORRECTIONS) List<CorrectionView> corrections) {
        Decision decision() {
            return new Decision(field, about, answer, value, CorrectionView.read(corrections));
        }
    }

    /** Keeps the answer to a plan's question with the release. */
    @PutMapping("/releases/{version}/decisions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void decide(
            @PathVariable String workspace,
            @PathVariable String version,
            @Valid @RequestBody DecisionBody body,
            Principal principal) {
        var id = workspaces.get(workspace).id();
        check("Release " + version, id, releases.get(id, version).model(), body);
        releases.decide(id, version, body.decision(), principal.getName());
    }

    /** Keeps the answer to a question that a plan to the draft would ask; it goes into the next release. */
    @PutMapping("/draft/decisions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void decideForDraft(@PathVariable String workspace, @Valid @RequestBody DecisionBody body, Principal principal) {
        var id = workspaces.get(workspace).id();
        check("The draft", id, drafts.get(id).model(), body);
        releases.decide(id, Releases.DRAFT, body.decision(), principal.getName());
    }

    private void check(String what, long workspaceId, Model model, DecisionBody body) {
        boolean known = Releases.isKnown(model, body.field())
                || body.about() == Decision.Topic.RECORD_TYPE && releases.knew(workspaceId, body.field());
        if (!known) {
            throw Refusal.invalid(what + " has no field " + body.field() + ".", List.of());
        }
    }
}
