package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.generate.CodeTarget;
import org.jontrel.core.generate.GeneratedCode;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.release.Releases;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Code for other programs, made of the draft or a release. */
@RestController
@RequestMapping("/api/workspaces/{workspace}/generate")
class GenerateController {
    private static final String DRAFT = "draft";
    private final Workspaces workspaces;
    private final Drafts drafts;
    private final Releases releases;

    GenerateController(Workspaces workspaces, Drafts drafts, Releases releases) {
        this.workspaces = workspaces;
        this.drafts = drafts;
        this.releases = releases;
    }

    @Schema(requiredProperties = {"target", "about", "migrates"})
    record TargetView(
            @Schema(description = "As a request names it, such as json-schema")
            String target,

            @Schema(description = "What is made, in a few words")
            String about,

            @Schema(description = "Whether there is something that brings what was made of an earlier release on")
            boolean migrates) {}

    @Schema(requiredProperties = {"path", "text"})
    record CodeFileView(String path, String text) {}

    @Schema(requiredProperties = {"files", "notes"})
    record GeneratedView(
            List<CodeFileView> files,

            @Schema(description = "What is called otherwise than in the model, in sentences")
            List<String> notes) {}

    /** What code can be made for. */
    @GetMapping
    List<TargetView> targets(@PathVariable String workspace) {
        workspaces.get(workspace);
        return Stream.of(CodeTarget.values())
                .map(each -> new TargetView(each.code(), each.about(), each.migrates()))
                .toList();
    }

    /**
     * The files for a target. The version is that of a release, or {@code draft}. With the version of another release in
     * {@code from}, there is also what brings something made of that one on to this one.
     */
    @GetMapping("/{target}")
    GeneratedView files(
            @PathVariable String workspace,
            @PathVariable String target,
            @RequestParam(defaultValue = DRAFT) String version,
            @RequestParam(defaultValue = "") String from) {
        var code = code(workspace, target, version, from);
        return new GeneratedView(
                code.files().entrySet().stream()
                        .map(each -> new CodeFileView(each.getKey(), each.getValue()))
                        .toList(),
                code.notes());
    }

    /** The same files as a zip. */
    @GetMapping(path = "/{target}/zip", produces = "application/zip")
    ResponseEntity<byte[]> zip(
            @PathVariable String workspace,
            @PathVariable String target,
            @RequestParam(defaultValue = DRAFT) String version,
            @RequestParam(defaultValue = "") String from) {
        var files = new TreeMap<String, byte[]>();
        code(workspace, target, version, from)
                .files()
                .forEach((path, text) -> files.put(path, text.getBytes(StandardCharsets.UTF_8)));
        var name = workspaces.get(workspace).path() + "-" + version + "-" + target + ".zip";
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(PackageFiles.toZip(files));
    }

    private GeneratedCode code(String workspace, String target, String version, String from) {
        var found = workspaces.get(workspace);
        var known = CodeTarget.of(target)
                .orElseThrow(() -> Refusal.missing("Code cannot be made for " + target + ". Possible are: "
                        + Stream.of(CodeTarget.values()).map(CodeTarget::code).collect(Collectors.joining(", "))
                        + "."));
        var content = version.equals(DRAFT) ? draft(found) : release(found, version);
        if (from.isEmpty()) {
            return known.of(content);
        }
        return known.since(release(found, from), content)
                .orElseThrow(() -> Refusal.invalid(
                        "Nothing made for " + target
                                + " has to be brought on from one release to another: it is made anew. Leave out \"from\".",
                        List.of()));
    }

    private ModelPackage release(Workspaces.Workspace workspace, String version) {
        return releases.content(workspace.id(), workspace.path(), workspace.title(), version);
    }

    private ModelPackage draft(Workspaces.Workspace workspace) {
        var model = drafts.get(workspace.id()).model();
        var blockers = ModelCheck.check(model).stream()
                .filter(each -> each.severity() == Severity.BLOCKER)
                .toList();
        if (!blockers.isEmpty()) {
            throw Refusal.invalid("No code is made of a draft that cannot be released:", blockers);
        }
        return new ModelPackage(
                Manifest.of(workspace.path(), DRAFT, workspace.title(), List.of(), "", ""), model, List.of());
    }
}
