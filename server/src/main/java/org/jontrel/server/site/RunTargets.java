package org.jontrel.server.site;

import org.jontrel.server.release.Releases;
import org.jontrel.site.run.Runs;
import org.springframework.stereotype.Component;

/** Where a run can go: releases, with the answers that are kept with them. */
@Component
public class RunTargets {
    private final Releases releases;

    RunTargets(Releases releases) {
        this.releases = releases;
    }

    public Runs.RunTarget to(Sites.Registered site, String version) {
        var release = releases.get(site.workspaceId(), version);
        return new Runs.RunTarget(version, release.model(), releases.decisions(site.workspaceId(), version));
    }
}
