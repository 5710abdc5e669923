package org.jontrel.server.workspace;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jontrel.serve.web.FindingView;

@Schema(requiredProperties = {"findings"})
record CodeResult(
        @Schema(description = "Problems with line and column; nothing was changed where one is a blocker")
        List<FindingView> findings,

        @Schema(description = "The draft, where the code was taken")
        DraftViews.DraftView draft) {}
