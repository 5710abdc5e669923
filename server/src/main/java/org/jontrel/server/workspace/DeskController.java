package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.edit.Copies;
import org.jontrel.core.edit.PastedTerms;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.format.Shapes;
import org.jontrel.core.format.Things;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.infer.Infer;
import org.jontrel.core.mend.Fixes;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.regroup.Regroup;
import org.jontrel.core.shape.WriteContext;
import org.jontrel.serve.web.FindingView;
import org.jontrel.serve.web.Refusal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Edits of a draft that core knows how to make: the browser asks, and writes nothing by itself. */
@RestController
@RequestMapping("/api/workspaces/{workspace}/draft")
class DeskController {
    private static final int LONGEST_TEXT = 1_000_000;
    private final Workspaces workspaces;
    private final Drafts drafts;
    private final DraftViews views;
    private final Ids ids;

    DeskController(Workspaces workspaces, Drafts drafts, DraftViews views, Ids ids) {
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.views = views;
        this.ids = ids;
    }

    record InferRequest(
            @NotNull String text,

            @Schema(description = "Keys that fields beside these have") @NotNull
            List<String> taken) {}

    @Schema(requiredProperties = {"field", "why", "samples"})
    record ProposalView(
            @Schema(ref = "#/components/schemas/Field") Object field, String why, List<String> samples) {}

    record TermsRequest(
            @NotNull String text,

            @Schema(ref = "#/components/schemas/Taxonomy") @NotNull
            Map<String, Object> taxonomy) {}

    record RegroupRequest(@NotBlank String group) {}

    record CopyRequest(
            @Schema(ref = "#/components/schemas/Field") Map<String, Object> field,
            @Schema(ref = "#/components/schemas/Group") Map<String, Object> group,
            @NotNull List<String> taken) {}

    @Schema(requiredProperties = {})
    record CopyView(
            @Schema(ref = "#/components/schemas/Field") Object field,
            @Schema(ref = "#/components/schemas/Group") Object group) {}

    /** Fields for a plain line, a list of names or rows of a spreadsheet; nothing is written. */
    @PostMapping("/infer")
    List<ProposalView> infer(@PathVariable String workspace, @Valid @RequestBody InferRequest body) {
        bounded(body.text());
        var model = drafts.get(workspaces.get(workspace).id()).model();
        return new Infer(model, new HashSet<>(body.taken()), ids)
                .fields(body.text()).stream()
                        .map(each -> new ProposalView(
                                Things.of(each.field()).write(each.field(), WriteContext.PLAIN),
                                each.why(),
                                each.samples()))
                        .toList();
    }

    private static void bounded(String text) {
        if (text.length() > LONGEST_TEXT) {
            throw Refusal.invalid("That is more than " + LONGEST_TEXT + " characters. Paste less at once.", List.of());
        }
    }

    /** The taxonomy with the terms of an indented list behind its own; nothing is written. */
    @PostMapping("/terms")
    Map<String, Object> terms(@PathVariable String workspace, @Valid @RequestBody TermsRequest body) {
        bounded(body.text());
        workspaces.get(workspace);
        var taxonomy = (Taxonomy) DefinitionView.read("taxonomy", body.taxonomy());
        var terms = new ArrayList<>(taxonomy.terms());
        terms.addAll(new PastedTerms(taxonomy, ids).read(body.text(), taxonomy.hierarchical()));
        return PackageWriter.tree(taxonomy.withTerms(terms));
    }

    /** A copy of a field or group with ids of its own; nothing is written. */
    @PostMapping("/copy")
    CopyView copy(@PathVariable String workspace, @Valid @RequestBody CopyRequest body) {
        workspaces.get(workspace);
        var copies = new Copies(ids);
        var read = Shapes.group(
                        body.group() != null ? body.group() : Map.of("title", "x", "fields", List.of(body.field())))
                .orElseThrow(() ->
                        Refusal.invalid("This has problems and cannot be copied. Correct them first.", List.of()));
        var whole = new Identities(Model.EMPTY, ids).complete(read);
        if (body.group() != null) {
            return new CopyView(null, written(copies.group(whole)));
        }
        return new CopyView(written(copies.field(whole.fields().getFirst(), new HashSet<>(body.taken()))), null);
    }

    private static Object written(Object thing) {
        return Things.of(thing).write(thing, WriteContext.PLAIN);
    }

    /** Makes a group of a definition's own a shared one. */
    @PostMapping("/definitions/{id}/share")
    DraftViews.DraftView share(
            @PathVariable String workspace,
            @PathVariable String id,
            @RequestParam(defaultValue = "0") long since,
            @Valid @RequestBody RegroupRequest body,
            Principal principal) {
        return change(
                workspace,
                since,
                principal,
                model -> unblocked(model, new Regroup(ids).share(model, id, body.group())),
                "Group made shared");
    }

    /** Makes a shared group a definition's own. */
    @PostMapping("/definitions/{id}/own")
    DraftViews.DraftView own(
            @PathVariable String workspace,
            @PathVariable String id,
            @RequestParam(defaultValue = "0") long since,
            @Valid @RequestBody RegroupRequest body,
            Principal principal) {
        return change(
                workspace,
                since,
                principal,
                model -> unblocked(model, new Regroup(ids).own(model, id, body.group())),
                "Shared group made its own");
    }

    /** A change that somebody asked for by one click does not leave a draft that cannot be released. */
    private static Optional<Model> unblocked(Model before, Optional<Model> after) {
        after.map(changed -> ModelCheck.newBlockers(before, changed))
                .filter(found -> !found.isEmpty())
                .ifPresent(found -> {
                    // there is nothing to mend in a definition that was not made
                    var why = found.stream()
                            .map(each -> Finding.of(
                                    each.code(), each.place(), each.arguments().toArray()))
                            .toList();
                    throw Refusal.invalid("The group stays as it is, since the draft could not be released then:", why);
                });
        return after;
    }

    /** Makes the fix that a finding offers. */
    @PostMapping("/fix")
    DraftViews.DraftView fix(
            @PathVariable String workspace,
            @RequestParam(defaultValue = "0") long since,
            @Valid @RequestBody FixRequest body,
            Principal principal) {
        var fix = body.fix();
        return change(workspace, since, principal, model -> Fixes.apply(model, fix), "Fix: " + fix.sentence());
    }

    private interface DraftChange {
        Optional<Model> make(Model model);
    }

    private DraftViews.DraftView change(
            String workspace, long since, Principal principal, DraftChange change, String title) {
        var workspaceId = workspaces.get(workspace).id();
        var model = drafts.get(workspaceId).model();
        var changed = change.make(model)
                .orElseThrow(() -> Refusal.conflict("The draft has changed, so this no longer applies.", null));
        drafts.change(workspaceId, model, changed, title, principal.getName());
        return views.view(workspaceId, since);
    }

    /** Takes a definition's file as somebody edited it, as one edit; all problems are said with line and column. */
    @PostMapping("/definitions/{id}/code")
    CodeResult code(
            @PathVariable String workspace,
            @PathVariable String id,
            @RequestParam(defaultValue = "0") long since,
            @Valid @RequestBody CodeRequest body,
            Principal principal) {
        bounded(body.text());
        var workspaceId = workspaces.get(workspace).id();
        var draft = drafts.get(workspaceId);
        var now = draft.find(id).orElseThrow(() -> Refusal.missing("There is no such definition in the draft."));
        var sort = now.definition().sort();
        var file = sort.folder() + "/" + now.definition().key() + ".yaml";
        var read = PackageReader.edited(
                file, body.text().getBytes(StandardCharsets.UTF_8), sort, draft.model(), now.definition(), ids);
        var definition =
                read.content().map(content -> content.model().definitions().getFirst());
        if (definition.isEmpty()) {
            return new CodeResult(FindingView.of(read.findings()), null);
        }
        var before = DefinitionView.read(PackageWriter.word(sort), body.before());
        long base = before.equals(now.definition()) ? now.revision() : Drafts.ANOTHER;
        var comments = read.formatting().comments();
        drafts.put(
                workspaceId, definition.get(), Optional.of(comments), base, Optional.of(before), principal.getName());
        return new CodeResult(FindingView.of(read.findings()), views.view(workspaceId, since));
    }
}
