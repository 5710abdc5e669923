package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import org.jontrel.server.release.ChangeView;

@Schema(requiredProperties = {"version", "notes", "by", "at", "types", "checksum", "changes"})
record ReleaseView(
        String version,
        String notes,
        String by,
        Instant at,
        int types,
        String checksum,

        @Schema(description = "What changed since the release before")
        List<ChangeView> changes) {}
