package org.jontrel.serve.site;

import java.util.Optional;

/** The tokens that programs come with. */
public interface SiteTokens {
    /** The token with this secret, where it is one of the site's and still works. */
    Optional<SiteToken> find(String site, String secret);

    /**
     * Who a program is.
     *
     * @param name under which it does what it does
     * @param writes whether it may write too
     */
    record SiteToken(long id, String name, boolean writes) {}
}
