package org.jontrel.core.page.node;

/** Where a link leads. */
public sealed interface PageAddress {
    /** @param path below the site, such as {@code locks/bottom-lock} */
    record InsideSite(String path) implements PageAddress {}

    /** @param url with its scheme */
    record OutsideSite(String url) implements PageAddress {}

    /** @param file number of a picture or file of the site */
    record OfFile(long file) implements PageAddress {}
}
