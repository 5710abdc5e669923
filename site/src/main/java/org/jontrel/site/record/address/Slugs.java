package org.jontrel.site.record.address;

import com.ibm.icu.text.Transliterator;
import org.jontrel.core.naming.Keys;

/** Addresses of records from their titles, in Latin letters whatever the title's are. */
public final class Slugs {
    private static final Transliterator LATIN = Transliterator.getInstance("Any-Latin; Latin-ASCII");
    private static final int LONGEST = 190;
    private static final int ASCII = 128;

    private Slugs() {}

    /** A slug that nobody else can have, for when many save one title at once. */
    public static String certain(String title, long id) {
        return base(title) + "-" + Long.toString(id, 36);
    }

    /** Whether a person may give this as an address. */
    public static boolean valid(String slug) {
        return slug.length() <= LONGEST && slug.matches("[a-z0-9]+(-[a-z0-9]+)*");
    }

    public static String base(String title) {
        boolean latin = title.chars().allMatch(c -> c < ASCII);
        var base = Keys.pathFrom(latin ? title : LATIN.transliterate(title));
        return base.equals("records") ? "untitled" : base;
    }
}
