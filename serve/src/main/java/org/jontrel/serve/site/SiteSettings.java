package org.jontrel.serve.site;

/**
 * What somebody has set for a site.
 *
 * @param look the id of a look, or the word of one that comes with the application; empty for the first of its definitions
 * @param address that visitors know it by, with a slash at its end; empty for the one that they come by
 * @param unlisted whether search engines are asked to leave it out
 */
public record SiteSettings(String look, String address, boolean unlisted) {
    public static final SiteSettings USUAL = new SiteSettings("", "", false);
}
