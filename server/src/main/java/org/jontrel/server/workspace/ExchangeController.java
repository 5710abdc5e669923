package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.identity.KeyReferences;
import org.jontrel.core.merge.Clash;
import org.jontrel.core.merge.Merge;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.yaml.Comments;
import org.jontrel.serve.web.FindingView;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.release.ChangeView;
import org.jontrel.server.release.CommentText;
import org.jontrel.server.release.Releases;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Definitions in and out of a draft, and what of it differs from the last release. */
@RestController
@RequestMapping("/api/workspaces/{workspace}/draft")
class ExchangeController {
    private final Workspaces workspaces;
    private final Drafts drafts;
    private final DraftViews views;
    private final Releases releases;
    private final Ids ids;

    ExchangeController(Workspaces workspaces, Drafts drafts, DraftViews views, Releases releases, Ids ids) {
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.views = views;
        this.releases = releases;
        this.ids = ids;
    }

    /** What changed of one definition since the last release. */
    @Schema(requiredProperties = {"id", "name", "sort", "changes"})
    record ChangedView(String id, String name, String sort, List<ChangeView> changes) {}

    /**
     * What taking a definition in would do.
     *
     * @param state {@code new}, {@code same}, {@code takes} (only the package changed it), {@code joins} (both did, and go
     *     together), {@code clashes}, or {@code ours} (only the draft changed it)
     */
    @Schema(requiredProperties = {"id", "name", "sort", "state", "changes", "clashes", "revision", "definition"})
    record IncomingView(
            String id,
            String name,
            String sort,
            String state,
            List<ChangeView> changes,
            List<String> clashes,

            @Schema(description = "Revision of the draft's definition that this was compared with; 0 where it has none")
            long revision,

            @Schema(ref = "#/components/schemas/Definition", description = "What the draft would have")
            Map<String, Object> definition,

            @Schema(ref = "#/components/schemas/Definition", description = "What the package has, where both clash")
            Map<String, Object> theirs,

            @Schema(
                    description =
                            "Comments of the definition's file, to be sent back when it is taken; absent for none")
            String comments) {}

    @Schema(requiredProperties = {"definitions", "findings"})
    record ImportPreview(List<IncomingView> definitions, List<FindingView> findings) {}

    record Taken(
            @NotBlank String sort,

            @Schema(
                    description =
                            "Revision it was compared with; where it is given and not the draft's, nothing is taken")
            Long revision,

            @Schema(ref = "#/components/schemas/Definition") @NotNull
            Map<String, Object> definition,

            @Schema(description = "Comments of the definition's file, as they came")
            String comments) {}

    record TakeRequest(@NotNull List<Taken> definitions) {}

    @GetMapping("/changes")
    List<ChangedView> changes(@PathVariable String workspace) {
        var id = workspaces.get(workspace).id();
        var model = drafts.get(id).model();
        var released = released(id);
        var changes = Comparison.of(released, model).changes();
        return changes.stream()
                .map(change -> change.subject().definitionId())
                .distinct()
                .map(each -> {
                    var definition = model.definition(each)
                            .or(() -> released.definition(each))
                            .orElseThrow();
                    return new ChangedView(
                            each,
                            definition.name(),
                            PackageWriter.word(definition.sort()),
                            changes.stream()
                                    .filter(change ->
                                            change.subject().definitionId().equals(each))
                                    .map(ChangeView::of)
                                    .toList());
                })
                .toList();
    }

    private Model released(long workspaceId) {
        return releases.latest(workspaceId).map(Releases.Release::model).orElse(Model.EMPTY);
    }

    /** Makes one definition what it is in the last release; one that is not there is removed. */
    @PostMapping("/definitions/{id}/discard")
    DraftViews.DraftView discard(
            @PathVariable String workspace,
            @PathVariable String id,
            @RequestParam(defaultValue = "0") long since,
            Principal principal) {
        var workspaceId = workspaces.get(workspace).id();
        var model = drafts.get(workspaceId).model();
        var before = released(workspaceId).definition(id);
        var name = model.definition(id)
                .or(() -> before)
                .map(Definition::name)
                .orElseThrow(() -> Refusal.missing("There is no such definition in the draft or its last release."));
        var changed = before.map(model::with).orElse(model.without(id));
        drafts.change(workspaceId, model, changed, "Changes of " + name + " discarded", principal.getName());
        return views.view(workspaceId, since);
    }

    /** Reads a package, or single files of definitions, and says what taking each in would do; nothing is written. */
    @PostMapping(path = "/incoming", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ImportPreview incoming(@PathVariable String workspace, @RequestParam("file") List<MultipartFile> files)
            throws IOException {
        var id = workspaces.get(workspace).id();
        var draft = drafts.get(id);
        var findings = new ArrayList<Finding>();
        var read = new ArrayList<Definition>();
        var comments = Comments.NONE;
        for (var file : files) {
            var incoming = read(file, draft.model(), findings);
            read.addAll(incoming.definitions());
            comments = comments.with(incoming.comments());
        }
        var allComments = comments;
        if (Finding.blocks(findings)) {
            throw Refusal.invalid("This cannot be read, and nothing was changed.", findings);
        }
        var released = released(id);
        var together = draft.model();
        for (var each : read) {
            together = together.with(each);
        }
        var names = new KeyReferences(together);
        return new ImportPreview(
                read.stream()
                        .map(each -> incoming(released, draft, names.toIds(each), CommentText.of(each, allComments)))
                        .toList(),
                FindingView.of(findings));
    }

    private record ReadFile(List<Definition> definitions, Comments comments) {}

    private ReadFile read(MultipartFile file, Model draft, List<Finding> findings) throws IOException {
        var bytes = file.getBytes();
        var name = Optional.ofNullable(file.getOriginalFilename()).orElse("file");
        boolean zip = bytes.length > 1 && bytes[0] == 'P' && bytes[1] == 'K';
        var before = new ArrayList<Finding>();
        var result = zip
                ? PackageReader.read(PackageFiles.zip(bytes, before), before)
                : PackageReader.single(name, bytes, List.of());
        findings.addAll(result.findings());
        if (result.content().isEmpty()) {
            return new ReadFile(List.of(), Comments.NONE);
        }
        var identities = new Identities(draft, ids);
        var model = identities.complete(result.content().get().model(), result.was());
        return new ReadFile(
                List.copyOf(model.definitions()), result.formatting().comments().renamed(identities.given()));
    }

    private static IncomingView incoming(Model released, Drafts.Draft drafted, Definition theirs, Comments comments) {
        var draft = drafted.model();
        var base = only(released.definition(theirs.id()));
        var ours = only(draft.definition(theirs.id()));
        var merged = Merge.merge(base, ours, only(Optional.of(theirs)));
        boolean same = ours.equals(only(Optional.of(theirs)));
        boolean clashes = !same && !merged.clashes().isEmpty();
        var result = same || clashes || merged.model().definitions().isEmpty()
                ? theirs
                : merged.model().definitions().getFirst();
        var kept = clashes ? ours.definitions().getFirst() : result;
        return new IncomingView(
                theirs.id(),
                theirs.name(),
                PackageWriter.word(theirs.sort()),
                state(base, ours, theirs, result, clashes),
                ChangeView.of(Comparison.of(draft, draft.with(result))),
                clashes ? merged.clashes().stream().map(Clash::sentence).toList() : List.of(),
                drafted.find(theirs.id()).map(Drafts.Drafted::revision).orElse(0L),
                PackageWriter.tree(kept),
                clashes ? PackageWriter.tree(theirs) : null,
                comments.isEmpty() ? null : CommentText.write(comments));
    }

    private static Model only(Optional<? extends Definition> definition) {
        return definition.map(each -> new Model(List.of(each))).orElse(Model.EMPTY);
    }

    private static String state(Model base, Model ours, Definition theirs, Definition result, boolean clashes) {
        if (ours.definitions().isEmpty()) {
            return "new";
        }
        var mine = ours.definitions().getFirst();
        if (mine.equals(theirs)) {
            return "same";
        }
        if (clashes) {
            return "clashes";
        }
        return mine.equals(result)
                ? "ours"
                : ours.equals(base) || base.definitions().isEmpty() ? "takes" : "joins";
    }

    /** Puts definitions into the draft, as one edit. */
    @PostMapping("/take")
    DraftViews.DraftView take(
            @PathVariable String workspace,
            @RequestParam(defaultValue = "0") long since,
            @Valid @RequestBody TakeRequest body,
            Principal principal) {
        var workspaceId = workspaces.get(workspace).id();
        var draft = drafts.get(workspaceId);
        var before = draft.model();
        var after = before;
        var comments = Comments.NONE;
        for (var taken : body.definitions()) {
            var read = DefinitionView.read(taken.sort(), taken.definition());
            var definition = new Identities(after, ids).complete(read);
            long now = draft.find(definition.id()).map(Drafts.Drafted::revision).orElse(0L);
            if (taken.revision() != null && taken.revision() != now) {
                throw Refusal.conflict(
                        definition.name()
                                + " was changed since it was compared. Nothing was taken; drop the files again.",
                        null);
            }
            after = after.with(definition);
            comments = comments.with(comments(taken));
        }
        var title = body.definitions().size() == 1
                ? "1 definition taken in"
                : body.definitions().size() + " definitions taken in";
        drafts.change(workspaceId, before, after, comments, title, principal.getName());
        return views.view(workspaceId, since);
    }

    private static Comments comments(Taken taken) {
        try {
            return CommentText.read(taken.comments());
        } catch (tools.jackson.core.JacksonException _) {
            throw Refusal.invalid(
                    "The comments cannot be read. Send them back as they came, or leave them out.", List.of());
        }
    }
}
