package org.jontrel.server.site;

import io.swagger.v3.oas.annotations.media.Schema;

/** A tile of the site strip. */
@Schema(requiredProperties = {"path", "name", "version", "behind", "state", "drift"})
public record SiteView(
        String path,
        String name,

        @Schema(description = "Path of the site that it is a copy of; nothing for other sites")
        String copyOf,

        @Schema(description = "Installed release, empty where there is none")
        String version,

        @Schema(description = "Changes between what is installed and the draft")
        int behind,

        @Schema(description = "ready, running, interrupted or paused")
        String state,

        Long runId,

        @Schema(description = "How many differences from its release were found in its tables last")
        int drift,

        @Schema(description = "How many there are, where that was asked for")
        Long records) {}
