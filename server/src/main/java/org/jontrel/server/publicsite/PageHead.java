package org.jontrel.server.publicsite;

import java.util.Optional;

/**
 * What stands in the head of a page.
 *
 * @param description for search engines; empty for none
 * @param words what somebody searches for; empty for nothing
 * @param address the whole address by which the page is known; empty where it is known by none
 * @param picture what is shown where the page is shared
 * @param linked data in the vocabulary of schema.org, as JSON that may stand in HTML; empty for none
 * @param hidden whether search engines are asked to leave it out
 * @param feed path of the feed of what it lists; empty for none
 */
public record PageHead(
        String title,
        String description,
        String words,
        String address,
        Optional<SharedPicture> picture,
        String linked,
        boolean hidden,
        String feed) {
    public PageHead(String title, String description, String words) {
        this(title, description, words, "", Optional.empty(), "", false, "");
    }

    /** @param address the whole address of the picture */
    public record SharedPicture(String address, String alt, int width, int height) {}

    public static PageHead of(String title) {
        return new PageHead(title, "", "");
    }

    PageHead at(String whole) {
        return new PageHead(title, description, words, whole, picture, linked, hidden, feed);
    }

    PageHead hidden(boolean isHidden) {
        return new PageHead(title, description, words, address, picture, linked, isHidden, feed);
    }

    PageHead withFeed(String path) {
        return new PageHead(title, description, words, address, picture, linked, hidden, path);
    }
}
