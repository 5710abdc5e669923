package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import java.util.concurrent.ThreadLocalRandom;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Who looks at what in a workspace. Every open window says so every few seconds. */
@RestController
class PresenceController {
    /** Old windows are forgotten at one beat in so many. */
    private static final int EVERY = 500;

    private final Workspaces workspaces;
    private final WorkspaceMapper mapper;

    PresenceController(Workspaces workspaces, WorkspaceMapper mapper) {
        this.workspaces = workspaces;
        this.mapper = mapper;
    }

    /** @param visit made up by the window, and kept while it is open */
    record Here(
            @NotNull @Size(min = 1, max = 40) String visit,

            @Schema(description = "Id of the definition that is open, or empty") @NotNull @Size(max = 40)
            String definition) {}

    @Schema(requiredProperties = {"name", "definition"})
    record Person(String name, String definition) {}

    /** @param others all other windows; @param revision of the draft, so that a window knows whether to ask for more */
    @Schema(requiredProperties = {"revision", "others"})
    record Present(long revision, List<Person> others) {}

    /** Each statement stands alone: windows beat at the same moments, and must not wait for one another. */
    @PostMapping("/api/workspaces/{workspace}/presence")
    Present here(@PathVariable String workspace, @Valid @RequestBody Here body, Principal principal) {
        var id = workspaces.get(workspace).id();
        mapper.see(id, body.visit(), principal.getName(), body.definition());
        if (ThreadLocalRandom.current().nextInt(EVERY) == 0) {
            mapper.forgetPresence(id);
        }
        return new Present(
                mapper.revision(id),
                mapper.present(id).stream()
                        .filter(each -> !each.visit().equals(body.visit()))
                        .map(each -> new Person(each.name(), each.definitionId()))
                        .toList());
    }
}
