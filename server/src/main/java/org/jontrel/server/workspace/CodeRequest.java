package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.Map;

record CodeRequest(
        @NotNull String text,

        @Schema(
                ref = "#/components/schemas/Definition",
                description = "The definition whose code was edited, so that what others changed since is kept")
        @NotNull
        Map<String, Object> before) {}
