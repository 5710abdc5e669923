package org.jontrel.serve.publicsite;

import java.util.Optional;

/**
 * What stands in the head of a page.
 *
 * @param description for search engines; empty for none
 * @param words what somebody searches for; empty for nothing
 * @param address the whole address by which the page is known; empty where it is known by none
 * @param path below the site; empty for the home page and where nobody knows
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
        String path,
        Optional<SharedPicture> picture,
        String linked,
        boolean hidden,
        String feed) {
    public PageHead(String title, String description, String words) {
        this(title, description, words, "", "", Optional.empty(), "", false, "");
    }

    /** @param address the whole address of the picture */
    public record SharedPicture(String address, String alt, int width, int height) {}

    public static PageHead of(String title) {
        return new PageHead(title, "", "");
    }

    /** @param below the path below the site; @param whole the address that it is known by */
    PageHead at(String below, String whole) {
        return new PageHead(title, description, words, whole, below, picture, linked, hidden, feed);
    }

    PageHead hidden(boolean isHidden) {
        return new PageHead(title, description, words, address, path, picture, linked, isHidden, feed);
    }

    PageHead withFeed(String newFeed) {
        return new PageHead(title, description, words, address, path, picture, linked, hidden, newFeed);
    }
}
