package org.jontrel.server.site;

import java.io.IOException;
import java.util.List;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.naming.Ids;
import org.jontrel.serve.web.Refusal;
import org.jontrel.server.workspace.UploadedPackage;
import org.jontrel.site.run.Runs;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** What a package would do to a site before anybody takes it in. */
@RestController
class PackagePlanController {
    private final Sites sites;
    private final PlanViews plans;
    private final Ids ids;

    PackagePlanController(Sites sites, PlanViews plans, Ids ids) {
        this.sites = sites;
        this.plans = plans;
        this.ids = ids;
    }

    /** The plan that leads a site to a package, with the package's own answers; nothing is kept of it. */
    @PostMapping(path = "/api/sites/{site}/plan", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    SiteViews.PlanView plan(@PathVariable String site, @RequestParam("file") MultipartFile file) throws IOException {
        var found = sites.get(site);
        var installed = sites.engine(site).installed();
        var sent = UploadedPackage.read(file, installed.model(), ids);
        var problems = ModelCheck.check(sent.model());
        if (Finding.blocks(problems)) {
            throw Refusal.invalid("The package's definitions have problems, so there is no plan.", problems);
        }
        var target =
                new Runs.RunTarget(sent.manifest().version(), sent.model(), sent.decisionsAfter(installed.version()));
        return plans.view(found, List.of(target), false);
    }
}
