package org.jontrel.site.record;

import com.ibm.icu.text.Transliterator;
import java.util.function.Predicate;
import org.jontrel.core.model.Keys;

/** Addresses of records from their titles, in Latin letters whatever the title's are. */
final class Slugs {
    private static final Transliterator LATIN = Transliterator.getInstance("Any-Latin; Latin-ASCII");
    private static final int LONGEST = 190;

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

    /** Whether a person may give this as an address. */
    static boolean valid(String slug) {
        return slug.length() <= LONGEST && slug.matches("[a-z0-9]+(-[a-z0-9]+)*");
    }

    private static String base(String title) {
        var base = Keys.pathFrom(LATIN.transliterate(title));
        return base.equals("records") ? "untitled" : base;
    }
}
