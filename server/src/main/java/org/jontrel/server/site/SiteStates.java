package org.jontrel.server.site;

import java.util.List;
import java.util.Locale;
import org.jontrel.core.compare.Comparison;
import org.jontrel.core.model.Model;
import org.jontrel.server.workspace.Drafts;
import org.jontrel.site.run.RunView;
import org.springframework.stereotype.Component;

/** How the sites of a workspace stand against its draft. */
@Component
public class SiteStates {
    private final Sites sites;
    private final Drafts drafts;
    private final DriftWatch watch;

    SiteStates(Sites sites, Drafts drafts, DriftWatch watch) {
        this.watch = watch;
        this.sites = sites;
        this.drafts = drafts;
    }

    /** @param counts whether to count the records of each site, which takes a while for large ones */
    public List<SiteView> of(long workspaceId, boolean counts) {
        var draft = drafts.get(workspaceId).model();
        return sites.of(workspaceId).stream()
                .map(site -> view(site, draft, counts))
                .toList();
    }

    SiteView of(Sites.Registered site) {
        return view(site, drafts.get(site.workspaceId()).model(), false);
    }

    private SiteView view(Sites.Registered site, Model draft, boolean counts) {
        var engine = sites.engine(site.path());
        var installed = engine.installed();
        var last = engine.runs().last().filter(RunView::isOpen);
        Long records = counts
                ? installed.model().types().stream()
                        .mapToLong(type -> engine.count(type.id()))
                        .sum()
                : null;
        return new SiteView(
                site.path(),
                site.name(),
                site.copyOf(),
                installed.version(),
                Comparison.of(installed.model(), draft).changes().size(),
                last.map(run -> run.state().name().toLowerCase(Locale.ROOT)).orElse("ready"),
                last.map(RunView::id).orElse(null),
                watch.last(site.path()).map(look -> look.found().size()).orElse(0),
                records);
    }
}
