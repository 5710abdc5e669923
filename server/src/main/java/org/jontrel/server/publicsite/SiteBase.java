package org.jontrel.server.publicsite;

import org.jontrel.server.site.Sites;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** What the whole addresses of a site's pages begin with. */
final class SiteBase {
    private SiteBase() {}

    /** The address that the site is known by, else the one that the request came by; with a slash at its end. */
    static String of(Sites.Registered site) {
        return site.settings().address().isEmpty()
                ? ServletUriComponentsBuilder.fromCurrentContextPath().toUriString()
                        + PageLinks.at(site.path()).home()
                : site.settings().address();
    }
}
