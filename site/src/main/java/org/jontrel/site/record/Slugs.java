package org.jontrel.site.record;

import java.util.function.Predicate;
import org.jontrel.core.model.Keys;

/** Addresses of records from their titles. */
final class Slugs {
    private Slugs() {}

    /** The slug of a title, with the first number behind it that is free. */
    static String free(String title, Predicate<String> taken) {
        var base = base(title);
        var slug = base;
        for (int n = 2; taken.test(slug); n++) {
            slug = base + "-" + n;
        }
        return slug;
    }

    /** A slug that nobody else can have, for when many save one title at once. */
    static String certain(String title, long id) {
        return base(title) + "-" + Long.toString(id, 36);
    }

    private static String base(String title) {
        var base = Keys.pathFrom(title);
        return base.equals("records") ? "untitled" : base;
    }
}
