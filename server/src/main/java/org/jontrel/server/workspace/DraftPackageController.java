package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.Formatting;
import org.jontrel.core.code.IdentifiedPackage;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.Migration;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.code.UnwritableException;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.edit.Dependencies;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.merge.Clash;
import org.jontrel.core.merge.PackageMerge;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.yaml.Comments;
import org.jontrel.serve.web.FindingView;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.release.ChangeView;
import org.jontrel.server.release.Releases;
import org.semver4j.Semver;
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
            @PathVariable String workspace,
            @RequestParam(defaultValue = "") List<String> only,
            @Schema(
                            description =
                                    "Version under which the draft's answers are to stand, where it is above the last release")
                    @RequestParam(defaultValue = "")
                    String next,
            Principal principal) {
        var found = workspaces.get(workspace);
        var draft = drafts.get(found.id());
        var model = draft.model();
        var chosen = only.isEmpty() ? model : Dependencies.of(model, only);
        var advised = nextVersion(found.id(), model);
        var manifest = Manifest.of(
                found.path(),
                advised + "-draft",
                found.title(),
                List.of(principal.getName()),
                "",
                "A draft, not released.");
        var migrations = only.isEmpty()
                ? releases.migrations(found.id(), isAhead(found.id(), next) ? next : advised)
                : List.<Migration>of();
        var zip = PackageFiles.toZip(written(new ModelPackage(manifest, chosen, migrations), draft.comments()));
        boolean sound = !Finding.blocks(ModelCheck.check(chosen));
        var name = found.path() + (only.isEmpty() ? "" : "-part") + "-draft" + (sound ? "" : "-with-problems") + ".zip";
        return ResponseEntity.ok()
                .header(REVISION, String.valueOf(draft.revision()))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(zip);
    }

    private boolean isAhead(long id, String version) {
        return Semver.isValid(version)
                && releases.latest(id)
                        .filter(last -> !new Semver(version).isGreaterThan(last.version()))
                        .isEmpty();
    }

    /** What a release of the draft would be called. */
    private String nextVersion(long id, Model model) {
        var latest = releases.latest(id);
        return Comparison.of(latest.map(Releases.Release::model).orElse(Model.EMPTY), model)
                .nextVersion(latest.map(Releases.Release::version).orElse(null));
    }

    private static SortedMap<String, byte[]> written(ModelPackage content, Comments comments) {
        try {
            return PackageWriter.write(content, Formatting.of(comments), Map.of());
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
        return taken(id, draft, UploadedPackage.read(file, draft.model(), ids), false, "Taken from files", principal);
    }

    private Replaced taken(
            long id, Drafts.Draft draft, IdentifiedPackage sent, boolean look, String title, Principal principal) {
        var changes = Comparison.of(draft.model(), sent.model());
        if (!look) {
            drafts.replace(id, draft.model(), sent.model(), sent.comments(), title, principal.getName());
            releases.take(id, sent.migrations(), principal.getName());
        }
        var findings = new ArrayList<>(sent.findings());
        findings.addAll(ModelCheck.check(sent.model()));
        findings.sort(Finding.WORST_FIRST);
        return new Replaced(drafts.get(id).revision(), ChangeView.of(changes), FindingView.of(findings));
    }

    /**
     * Brings a release of another installation into the draft, as one edit that can be undone: what changed there since a package of
     * this name came last, or where none has come, since the newest release here that is not above it. Where both changed the same,
     * nothing is taken, and {@code clashes} say what. To send it again changes nothing.
     */
    @PostMapping(path = "/merge", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @Transactional
    public Replaced merge(
            @PathVariable String workspace,
            @Schema(description = "Whether to say only what would become of the draft")
                    @RequestParam(defaultValue = "false")
                    boolean look,
            @RequestParam("file") MultipartFile file,
            Principal principal)
            throws IOException {
        var found = workspaces.get(workspace);
        var draft = drafts.get(found.id());
        var theirs = UploadedPackage.files(file);
        var manifest = theirs.content().orElseThrow().manifest();
        var zip = releases.arrived(found.id(), manifest).or(() -> released(found, manifest.version()));
        var base = zip.isPresent()
                ? PackageFiles.zip(zip.get(), new ArrayList<>())
                : written(new ModelPackage(manifest, Model.EMPTY, List.of()), Comments.NONE);
        var migrations = releases.migrations(found.id(), nextVersion(found.id(), draft.model()));
        var ours = written(new ModelPackage(manifest, draft.model(), migrations), draft.comments());
        var merged = PackageMerge.merge(
                under(manifest, base), under(manifest, ours), under(manifest, theirs.files()), true, ids);
        if (!merged.clashes().isEmpty()) {
            throw Refusal.clash(
                    "What was sent and the draft here changed the same things, and nothing was taken.",
                    merged.clashes().stream().map(Clash::sentence).toList());
        }
        var sent = IdentifiedPackage.of(PackageReader.read(merged.files(), List.of()), draft.model(), ids);
        var title = "Release " + manifest.version() + " of " + manifest.name() + " taken in";
        if (!look) {
            releases.arrive(found.id(), manifest, PackageFiles.toZip(theirs.files()));
        }
        return taken(found.id(), draft, sent, look, title, principal);
    }

    private Optional<byte[]> released(Workspaces.Workspace workspace, String notAbove) {
        return releases.versions(workspace.id()).stream()
                .map(Releases.Version::version)
                .filter(version -> !new Semver(version).isGreaterThan(notAbove))
                .findFirst()
                .map(version -> releases.zip(workspace.id(), workspace.path(), workspace.title(), version));
    }

    /** Files with the same to say of themselves, which is no change then. */
    private static PackageReader.Result under(Manifest manifest, SortedMap<String, byte[]> files) {
        var named = new TreeMap<>(files);
        var alone = written(new ModelPackage(manifest, Model.EMPTY, List.of()), Comments.NONE);
        named.put(PackageReader.MANIFEST, alone.get(PackageReader.MANIFEST));
        return PackageReader.read(named, List.of());
    }
}
