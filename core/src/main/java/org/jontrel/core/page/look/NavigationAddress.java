package org.jontrel.core.page.look;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jontrel.core.page.node.PageAddress;

/** Addresses that somebody typed for a navigation. */
public final class NavigationAddress {
    /** A path below the site, without a slash at its beginning. */
    private static final Pattern ON_SITE = Pattern.compile("[^/\\\\\\s:?#][^\\\\\\s:]*");

    private static final Pattern WHOLE = Pattern.compile("([a-zA-Z][a-zA-Z0-9+.-]*):\\S+");
    private static final Set<String> SCHEMES = Set.of("http", "https", "mailto", "tel");

    private NavigationAddress() {}

    /** Where it leads; empty where it is no address that a navigation can have. */
    public static Optional<PageAddress> of(String typed) {
        var whole = WHOLE.matcher(typed);
        if (whole.matches()) {
            return SCHEMES.contains(whole.group(1).toLowerCase(Locale.ROOT))
                    ? Optional.of(new PageAddress.OutsideSite(typed))
                    : Optional.empty();
        }
        return ON_SITE.matcher(typed).matches() ? Optional.of(new PageAddress.InsideSite(typed)) : Optional.empty();
    }
}
