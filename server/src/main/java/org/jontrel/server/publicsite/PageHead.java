package org.jontrel.server.publicsite;

/**
 * What stands in the head of a page.
 *
 * @param description for search engines; empty for none
 * @param words what somebody searches for; empty for nothing
 */
public record PageHead(String title, String description, String words) {
    public static PageHead of(String title) {
        return new PageHead(title, "", "");
    }
}
