package org.jontrel.server.send;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.util.List;
import org.jontrel.server.release.Releases;
import org.jontrel.server.trail.Trail;
import org.jontrel.server.trail.TrailAction;
import org.jontrel.server.workspace.Workspaces;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Releases to other installations, over HTTP. */
@RestController
class SendController {
    private final Workspaces workspaces;
    private final Releases releases;
    private final Trail trail;

    SendController(Workspaces workspaces, Releases releases, Trail trail) {
        this.workspaces = workspaces;
        this.releases = releases;
        this.trail = trail;
    }

    record Sending(
            @Schema(description = "Of the other installation, such as https://models.example.org") @NotBlank
            String address,

            @Schema(description = "Of the workspace there, with the right to change its draft; it is not kept")
            @NotBlank
            String token,

            @Schema(description = "Whether to ask only what would become of the draft there")
            boolean look) {}

    @Schema(requiredProperties = {"title", "changes"})
    record SentView(
            @Schema(description = "Title of the workspace there")
            String title,

            @Schema(description = "What changes in its draft, in sentences")
            List<String> changes) {}

    /** Sends a release into the draft of a workspace of another installation, or asks what that would do. */
    @PostMapping("/api/workspaces/{workspace}/releases/{version}/send")
    SentView send(@PathVariable String workspace, @PathVariable String version, @Valid @RequestBody Sending body) {
        var found = workspaces.get(workspace);
        var zip = releases.zip(found.id(), found.path(), found.title(), version);
        var other = OtherInstallation.at(body.address(), body.token());
        var own = other.get("api/access");
        var path = "api/workspaces/" + own.path("workspace").asString("").replaceAll("[^a-z0-9-]", "")
                + "/draft/package/merge?look=" + body.look();
        var answer = other.upload(path, zip);
        if (!body.look()) {
            trail.add(
                    TrailAction.SENT,
                    workspace + " " + version + " to " + body.address().strip());
        }
        return new SentView(
                own.path("title").asString(""),
                answer.path("changes")
                        .valueStream()
                        .map(change -> change.path("sentence").asString(""))
                        .toList());
    }
}
