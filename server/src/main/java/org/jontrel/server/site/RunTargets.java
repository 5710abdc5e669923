package org.jontrel.server.site;

import java.util.List;
import org.jontrel.core.stage.Stages;
import org.jontrel.server.release.Releases;
import org.jontrel.server.workspace.Drafts;
import org.jontrel.site.run.Runs;
import org.semver4j.Semver;
import org.springframework.stereotype.Component;

/** Where a run can go: releases, with the answers that are kept with them, one after another where a site is several behind. */
@Component
public class RunTargets {
    private final Sites sites;
    private final Releases releases;
    private final Drafts drafts;

    RunTargets(Sites sites, Releases releases, Drafts drafts) {
        this.sites = sites;
        this.releases = releases;
        this.drafts = drafts;
    }

    /** The draft, as if it were released as it is. */
    Runs.RunTarget draft(Sites.Registered site) {
        var workspace = site.workspaceId();
        var installed = sites.engine(site.path()).installed().version();
        return new Runs.RunTarget(
                Releases.DRAFT, drafts.get(workspace).model(), releases.decisionsToDraft(workspace, installed));
    }

    /** A release as such, wherever the site stands. */
    Runs.RunTarget to(Sites.Registered site, String version) {
        var release = releases.get(site.workspaceId(), version);
        return new Runs.RunTarget(version, release.model(), releases.decisions(site.workspaceId(), version));
    }

    /**
     * The runs that lead a site from what it has to a release, in their order. One where it has nothing, or a release that this
     * workspace does not know, or goes back.
     */
    public List<Runs.RunTarget> stages(Sites.Registered site, String version) {
        var target = to(site, version);
        var installed = sites.engine(site.path()).installed();
        boolean known = releases.versions(site.workspaceId()).stream()
                .anyMatch(each -> each.version().equals(installed.version()));
        if (!known || !new Semver(version).isGreaterThan(installed.version())) {
            return List.of(target);
        }
        return Stages.of(installed.model(), releases.way(site.workspaceId(), installed.version(), version)).stream()
                .map(stage -> new Runs.RunTarget(stage.version(), stage.model(), stage.decisions()))
                .toList();
    }
}
