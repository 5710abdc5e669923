package org.jontrel.serve.site;

import java.util.List;
import java.util.Optional;
import org.jontrel.serve.web.Refusal;
import org.jontrel.site.Site;

/** The sites that are served: which there are, and their engines. */
public interface ServedSites {
    /** The site at an address, which is exact: other capitals or accents are another. */
    Optional<? extends ServedSite> find(String path);

    /** @throws Refusal where there is no such site */
    default ServedSite get(String path) {
        return find(path).orElseThrow(() -> missing(path));
    }

    /** @throws Refusal where there is no such site */
    Site engine(String path);

    /** The engines that are in use. */
    List<Site> engines();

    static Refusal missing(String path) {
        return Refusal.missing("There is no site " + path + ".");
    }
}
