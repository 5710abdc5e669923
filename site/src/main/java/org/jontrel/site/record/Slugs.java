package org.jontrel.site.record;

import java.util.function.Predicate;
import org.jontrel.core.model.Keys;

/** Addresses of records from their titles. */
final class Slugs {
    private Slugs() {}

    /** The slug of a title, with the first number behind it that is free. */
    static String free(String title, Predicate<String> taken) {
        var base = Keys.pathFrom(title);
        if (base.equals("records")) {
            base = "untitled";
        }
        var slug = base;
        for (int n = 2; taken.test(slug); n++) {
            slug = base + "-" + n;
        }
        return slug;
    }
}
