package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.Formatting;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.code.UnwritableException;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.edit.Dependencies;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.yaml.Comments;
import org.jontrel.server.release.ChangeView;
import org.jontrel.server.release.Releases;
import org.jontrel.server.web.FindingView;
import org.jontrel.server.web.Refusal;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** The whole draft as a package, out and in. */
@RestController
@RequestMapping("/api/workspaces/{workspace}/draft/package")
class DraftPackageController {
    /** Says which revision of the draft a package is of. */
    private static final String REVISION = "Jontrel-Revision";

    private final Workspaces workspaces;
    private final Drafts drafts;
    private final Releases releases;
    private final Ids ids;

    DraftPackageController(Workspaces workspaces, Drafts drafts, Releases releases, Ids ids) {
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.releases = releases;
        this.ids = ids;
    }

    /** What became of the draft. */
    @Schema(requiredProperties = {"revision", "changes", "findings"})
    record Replaced(
            long revision,
            List<ChangeView> changes,

            @Schema(description = "Of the package's files, and of the draft as it is now")
            List<FindingView> findings) {}

    /**
     * The draft with all decisions, or chosen definitions of it with all they need, as a package. The header {@code
     * Jontrel-Revision} says which revision of the draft it is.
     */
    @GetMapping(produces = "application/zip")
    ResponseEntity<byte[]> export(
            @PathVariable String workspace, @RequestParam(defaultValue = "") List<String> only, Principal principal) {
        var found = workspaces.get(workspace);
        var draft = drafts.get(found.id());
        var model = draft.model();
        var chosen = only.isEmpty() ? model : Dependencies.of(model, only);
        var latest = releases.latest(found.id());
        var next = Comparison.of(latest.map(Releases.Release::model).orElse(Model.EMPTY), model)
                .nextVersion(latest.map(Releases.Release::version).orElse(null));
        var manifest = Manifest.of(
                found.path(),
                next + "-draft",
                found.title(),
                List.of(principal.getName()),
                "",
                "A draft, not released.");
        var migrations =
                only.isEmpty() ? releases.migrations(found.id(), next) : List.<org.jontrel.core.code.Migration>of();
        var zip = zip(new ModelPackage(manifest, chosen, migrations), draft.comments());
        boolean sound = !Finding.blocks(ModelCheck.check(chosen));
        var name = found.path() + (only.isEmpty() ? "" : "-part") + "-draft" + (sound ? "" : "-with-problems") + ".zip";
        return ResponseEntity.ok()
                .header(REVISION, String.valueOf(draft.revision()))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(zip);
    }

    private static byte[] zip(ModelPackage content, Comments comments) {
        try {
            return PackageFiles.toZip(PackageWriter.write(content, Formatting.of(comments), Map.of()));
        } catch (UnwritableException e) {
            throw Refusal.invalid("These definitions cannot have a file each, so there is no package.", e.findings());
        }
    }

    /**
     * Makes the draft what a package says, as one edit that can be undone. Its answers are taken too: those of versions above
     * the last release become those of the draft.
     */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @Transactional
    public Replaced replace(
            @PathVariable String workspace,
            @Schema(description = "Of the draft that the package comes from; nothing is taken where it is another now")
                    @RequestParam
                    long revision,
            @RequestParam("file") MultipartFile file,
            Principal principal)
            throws IOException {
        var id = workspaces.get(workspace).id();
        var draft = drafts.get(id);
        if (draft.revision() != revision) {
            throw Refusal.overtaken("The draft was changed meanwhile. Take it in first, then send the package again.");
        }
        var sent = UploadedPackage.read(file, draft.model(), ids);
        var changes = Comparison.of(draft.model(), sent.model());
        drafts.replace(id, draft.model(), sent.model(), sent.comments(), "Taken from files", principal.getName());
        releases.take(id, sent.migrations(), principal.getName());
        var findings = new java.util.ArrayList<>(sent.findings());
        findings.addAll(ModelCheck.check(sent.model()));
        findings.sort(Finding.WORST_FIRST);
        return new Replaced(drafts.get(id).revision(), ChangeView.of(changes), FindingView.of(findings));
    }
}
