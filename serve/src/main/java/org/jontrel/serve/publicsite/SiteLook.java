package org.jontrel.serve.publicsite;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.jontrel.core.model.Look;
import org.jontrel.core.page.look.LookStyle;
import org.jontrel.core.page.look.ShippedLook;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.serve.web.Secrets;

/**
 * How the pages of a site look.
 *
 * @param css values and rules of the look
 * @param address where browsers find them; empty where they stand in the page itself
 * @param typefaces codes of those that pages use
 * @param header the form of the top of pages, as a class
 * @param tagline what stands beside the name
 * @param footer what stands below pages; nothing for the name of the site
 */
public record SiteLook(
        String css,
        String address,
        List<String> typefaces,
        String header,
        List<PageNode> tagline,
        List<PageNode> footer) {
    /** The look that comes with the application, for pages of no site. */
    static final String PLAIN = "/public/plain.css";

    static final SiteLook NOWHERE =
            of(ShippedLook.PLAIN.look(), List.of(), List.of()).at(PLAIN);
    private static final int TAG_LENGTH = 12;

    /** With its rules in the page itself. */
    static SiteLook of(Look look, List<PageNode> tagline, List<PageNode> footer) {
        return new SiteLook(
                LookStyle.css(look),
                "",
                Stream.of(look.text(), look.headings())
                        .distinct()
                        .map(Look.Typeface::code)
                        .toList(),
                look.header().name().toLowerCase(Locale.ROOT),
                tagline,
                footer);
    }

    SiteLook at(String newAddress) {
        return new SiteLook(css, newAddress, typefaces, header, tagline, footer);
    }

    /** Tells its rules from all others. */
    String tag() {
        return Secrets.hash(css).substring(0, TAG_LENGTH);
    }
}
