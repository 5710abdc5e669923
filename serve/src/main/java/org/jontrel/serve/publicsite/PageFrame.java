package org.jontrel.serve.publicsite;

import com.ibm.icu.text.Collator;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Wording;

/**
 * What every page of a site has: its name, its address, what its navigation leads to, and its look.
 *
 * @param path of the site, or empty where there is none
 * @param navigation in order
 * @param types whose indexes the home page leads to where nobody has laid it out
 * @param searchable whether the site has a search
 * @param unlisted whether search engines are asked to leave out the whole site
 */
public record PageFrame(
        String name,
        String path,
        List<NavigationEntry> navigation,
        List<ContentType> types,
        boolean searchable,
        boolean unlisted,
        SiteLook look) {
    static final PageFrame NOWHERE = new PageFrame("", "", List.of(), List.of(), false, true, SiteLook.NOWHERE);

    /** As browsers compare, so that the interface shows the same order. */
    private static final Collator PLURALS = Collator.getInstance(Locale.ENGLISH);

    static {
        PLURALS.setStrength(Collator.PRIMARY);
        PLURALS.freeze();
    }

    private static final Comparator<ContentType> IN_NAVIGATION = Comparator.comparing(
                    (ContentType type) -> type.publishing().place(), Comparator.nullsLast(Comparator.naturalOrder()))
            .thenComparing(ContentType::plural, PLURALS::compare);

    /**
     * An entry of the navigation.
     *
     * @param below the path below the site that it leads to, with which the paths of pages begin that belong to it; empty
     *     where it leads elsewhere
     */
    public record NavigationEntry(String label, String href, String below) {
        /** Whether a page belongs to it. */
        public boolean has(PageHead head) {
            return !below.isEmpty() && head.path().startsWith(below);
        }
    }

    /** The types of a site that are in its navigation, in order. @param filled whether visitors see records of a type */
    public static List<ContentType> listed(Model model, Predicate<ContentType> filled) {
        return model.types().stream()
                .filter(type -> type.publishing().visible() && type.publishing().navigation())
                .filter(type -> type.index().on() && filled.test(type))
                .sorted(IN_NAVIGATION)
                .toList();
    }

    public PageLinks links() {
        return PageLinks.at(path);
    }

    public String home() {
        return links().home();
    }

    public String index(String typePath) {
        return home() + PageLinks.encoded(typePath) + "/";
    }

    /** What the navigation calls the list of a type. */
    public static String label(ContentType type) {
        return Wording.INDEX.of(type);
    }
}
