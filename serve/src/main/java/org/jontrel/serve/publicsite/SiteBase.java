package org.jontrel.serve.publicsite;

import org.jontrel.serve.site.ServedSite;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** What the whole addresses of a site's pages begin with. */
final class SiteBase {
    private SiteBase() {}

    /** The address that the site is known by, else the one that the request came by; with a slash at its end. */
    static String of(ServedSite site) {
        return site.settings().address().isEmpty()
                ? ServletUriComponentsBuilder.fromCurrentContextPath().toUriString()
                        + PageLinks.at(site.path()).home()
                : site.settings().address();
    }
}
