package org.jontrel.server.archive;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.jontrel.server.workspace.Workspaces;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Whole sites as one file, out and in. */
@RestController
class ArchiveController {
    static final String ZIP = "application/zip";
    private final SiteArchives archives;
    private final Workspaces workspaces;

    ArchiveController(SiteArchives archives, Workspaces workspaces) {
        this.archives = archives;
        this.workspaces = workspaces;
    }

    /** The archive of a site, as it is at this moment. */
    @GetMapping(path = "/api/sites/{site}/archive", produces = ZIP)
    ResponseEntity<StreamingResponseBody> archive(
            @PathVariable String site,
            @Schema(description = "Whether earlier states of records go with it") @RequestParam(defaultValue = "false")
                    boolean history) {
        archives.check(site);
        StreamingResponseBody body = out -> archives.write(site, history, out);
        var name = ContentDisposition.attachment().filename(site + ".zip").build();
        return ResponseEntity.ok()
                .header("Content-Type", ZIP)
                .header("Content-Disposition", name.toString())
                .body(body);
    }

    /** A site that was restored. */
    @Schema(requiredProperties = {"path", "name"})
    record RestoredSite(
            @Schema(description = "The last part of its address")
            String path,

            String name) {}

    /** Makes a site of an archive, which is the body of the request. */
    @PostMapping(path = "/api/workspaces/{workspace}/sites/archive", consumes = ZIP)
    @ResponseStatus(HttpStatus.CREATED)
    RestoredSite restore(
            @PathVariable String workspace,
            @Schema(description = "Of the site; that of the archive, with its address, where left out")
                    @RequestParam(defaultValue = "")
                    String name,
            HttpServletRequest request)
            throws IOException {
        var id = workspaces.get(workspace).id();
        var site = archives.restore(id, name, request.getInputStream(), request.getContentLengthLong());
        return new RestoredSite(site.path(), site.name());
    }
}
