package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.serve.web.FindingView;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.release.ChangeView;
import org.jontrel.server.release.Releases;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Workspaces, their releases, and packages in and out. */
@RestController
@RequestMapping("/api/workspaces")
class WorkspaceController {
    private final Workspaces workspaces;
    private final Drafts drafts;
    private final Releases releases;
    private final Trail trail;
    private final Ids ids;

    WorkspaceController(Workspaces workspaces, Drafts drafts, Releases releases, Ids ids, Trail trail) {
        this.trail = trail;
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.releases = releases;
        this.ids = ids;
    }

    @Schema(requiredProperties = {"path", "title"})
    record WorkspaceView(String path, String title) {}

    /** Findings are notes and warnings of the package. */
    @Schema(requiredProperties = {"workspace", "findings"})
    record Imported(WorkspaceView workspace, List<FindingView> findings) {}

    record NewWorkspace(@NotBlank String title) {}

    @Schema(requiredProperties = {"version", "by", "at"})
    record VersionView(String version, String by, Instant at) {}

    /** What a release of the draft would be. */
    @Schema(requiredProperties = {"changes", "causes", "advice", "nextVersion", "findings"})
    record NextView(
            List<ChangeView> changes,

            @Schema(description = "The changes that make the advice")
            List<ChangeView> causes,

            String advice,
            String nextVersion,
            String lastVersion,

            @Schema(description = "What must be solved before a release")
            List<FindingView> findings) {}

    record NewRelease(
            @NotBlank String version,
            @NotNull String notes,

            @Schema(description = "Of the draft that is meant; where it is given and another now, nothing is released")
            Long revision) {}

    @GetMapping
    List<WorkspaceView> all() {
        return workspaces.all().stream().map(WorkspaceController::view).toList();
    }

    private static WorkspaceView view(Workspaces.Workspace workspace) {
        return new WorkspaceView(workspace.path(), workspace.title());
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    WorkspaceView create(@Valid @RequestBody NewWorkspace body) {
        return view(workspaces.create(body.title()));
    }

    /** Takes a package into a new workspace: its definitions become the draft and its first release. */
    @PostMapping(path = "/import", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    public Imported importPackage(
            @RequestParam("file") MultipartFile file,
            @RequestParam(name = "title", defaultValue = "") String title,
            Principal principal)
            throws IOException {
        var sent = UploadedPackage.read(file, Model.EMPTY, ids);
        var problems = ModelCheck.check(sent.model());
        if (Finding.blocks(problems)) {
            throw Refusal.invalid("The package's definitions have problems, and nothing was changed.", problems);
        }
        var manifest = sent.manifest();
        var named = !title.isBlank() ? title : manifest.title().isBlank() ? manifest.name() : manifest.title();
        var workspace = workspaces.create(named);
        drafts.adopt(workspace.id(), sent.model(), sent.comments());
        releases.adopt(workspace.id(), manifest, sent.migrations(), sent.model(), sent.comments(), principal.getName());
        return new Imported(view(workspace), FindingView.of(sent.findings()));
    }

    @GetMapping("/{workspace}/next")
    NextView next(@PathVariable String workspace) {
        var id = workspaces.get(workspace).id();
        var model = drafts.get(id).model();
        var last = releases.latest(id).map(Releases.Release::version).orElse(null);
        var changes = releases.changes(id, model);
        return new NextView(
                ChangeView.of(changes),
                changes.causes().stream().map(ChangeView::of).toList(),
                changes.advice().name().toLowerCase(java.util.Locale.ROOT),
                changes.nextVersion(last),
                last,
                FindingView.of(ModelCheck.check(model)));
    }

    @GetMapping("/{workspace}/releases")
    List<ReleaseView> releases(@PathVariable String workspace) {
        var id = workspaces.get(workspace).id();
        var all = releases.all(id);
        var views = new java.util.ArrayList<ReleaseView>();
        for (int i = 0; i < all.size(); i++) {
            var before = i + 1 < all.size() ? Optional.of(all.get(i + 1)) : Optional.<Releases.Release>empty();
            views.add(view(all.get(i), releases.changes(id, all.get(i), before)));
        }
        return views;
    }

    /** The versions of all releases, the newest first, without what is in them. */
    @GetMapping("/{workspace}/versions")
    List<VersionView> versions(@PathVariable String workspace) {
        return releases.versions(workspaces.get(workspace).id()).stream()
                .map(each -> new VersionView(each.version(), each.by(), each.at()))
                .toList();
    }

    private static ReleaseView view(Releases.Release release, Comparison changes) {
        return new ReleaseView(
                release.version(),
                release.notes(),
                release.by(),
                release.at(),
                release.model().types().size(),
                release.checksum(),
                ChangeView.of(changes));
    }

    @PostMapping("/{workspace}/releases")
    @ResponseStatus(HttpStatus.CREATED)
    ReleaseView release(@PathVariable String workspace, @Valid @RequestBody NewRelease body, Principal principal) {
        var id = workspaces.get(workspace).id();
        var draft = drafts.get(id);
        if (body.revision() != null && body.revision() != draft.revision()) {
            throw Refusal.overtaken("The draft was changed meanwhile. Look at it again; nothing was released.");
        }
        var changes = releases.changes(id, draft.model());
        var made = releases.release(
                id, body.version(), body.notes(), draft.model(), draft.comments(), principal.getName());
        trail.add(TrailAction.RELEASED, workspace + " " + body.version());
        return view(made, changes);
    }

    @GetMapping(path = "/{workspace}/releases/{version}/package", produces = "application/zip")
    ResponseEntity<byte[]> zip(@PathVariable String workspace, @PathVariable String version) {
        var found = workspaces.get(workspace);
        var name = found.path() + "-" + version + ".zip";
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(releases.zip(found.id(), found.path(), found.title(), version));
    }
}
