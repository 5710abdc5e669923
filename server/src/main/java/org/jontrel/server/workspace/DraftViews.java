package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.SequencedSet;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.edit.Uses;
import org.jontrel.serve.web.FindingView;
import org.jontrel.server.release.Releases;
import org.springframework.stereotype.Component;

/** What the interface is told of a draft. */
@Component
public class DraftViews {
    private final Drafts drafts;
    private final Releases releases;

    DraftViews(Drafts drafts, Releases releases) {
        this.drafts = drafts;
        this.releases = releases;
    }

    /** @param definitions those written since the revision that was asked about */
    @Schema(requiredProperties = {"revision", "ids", "definitions", "findings", "changed", "uses", "onPages"})
    public record DraftView(
            long revision,

            @Schema(description = "Ids of all definitions there are, by name")
            List<String> ids,

            @Schema(description = "Definitions written since the revision asked about")
            List<DefinitionView> definitions,

            List<FindingView> findings,

            @Schema(description = "Ids of definitions that differ from the latest release")
            List<String> changed,

            @Schema(description = "For each definition that others use, the ids of those")
            Map<String, SequencedSet<String>> uses,

            @Schema(description = "For each field that layouts, parts, listings and looks name, the ids of those")
            Map<String, SequencedSet<String>> onPages,

            @Schema(description = "The edit that undo takes back")
            String undo,

            @Schema(description = "The edit that redo brings back")
            String redo) {}

    @Schema(requiredProperties = {"seq", "title", "by", "at", "undone"})
    record EditView(long seq, String title, String by, Instant at, boolean undone) {
        static EditView of(Drafts.DraftEdit edit) {
            return new EditView(edit.seq(), edit.title(), edit.by(), edit.at(), edit.undone());
        }
    }

    public DraftView view(long workspaceId, long since) {
        return view(workspaceId, since, "");
    }

    /** @param written id of a definition that is in it although it has not changed since, so that its writer has its revision */
    public DraftView view(long workspaceId, long since, String written) {
        var draft = drafts.get(workspaceId);
        var model = draft.model();
        var changed = releases.changes(workspaceId, model).changes().stream()
                .map(change -> change.subject().definitionId())
                .distinct()
                .toList();
        return new DraftView(
                draft.revision(),
                draft.definitions().stream().map(each -> each.definition().id()).toList(),
                draft.definitions().stream()
                        .filter(each -> each.revision() > since
                                || each.definition().id().equals(written))
                        .map(each -> new DefinitionView(each.definition(), each.revision()))
                        .toList(),
                FindingView.of(ModelCheck.check(model)),
                changed,
                Uses.of(model),
                Uses.onPages(model),
                draft.undo(),
                draft.redo());
    }
}
