package org.jontrel.server.publicsite;

import com.ibm.icu.text.Collator;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Wording;

/**
 * What every page of a site has: its name, its address, and what its navigation leads to.
 *
 * @param path of the site, or empty where there is none
 * @param types those of the navigation
 * @param searchable whether the site has a search
 */
public record PageFrame(String name, String path, List<ContentType> types, boolean searchable) {
    static final PageFrame NOWHERE = new PageFrame("", "", List.of(), false);
    /** As browsers compare, so that the interface shows the same order. */
    private static final Collator PLURALS = Collator.getInstance(Locale.ENGLISH);

    static {
        PLURALS.setStrength(Collator.PRIMARY);
        PLURALS.freeze();
    }

    private static final Comparator<ContentType> IN_NAVIGATION = Comparator.comparing(
                    (ContentType type) -> type.publishing().place(), Comparator.nullsLast(Comparator.naturalOrder()))
            .thenComparing(ContentType::plural, PLURALS::compare);

    /** With every type that has pages, as if each had records. */
    public static PageFrame of(String name, String path, Model model) {
        return of(name, path, model, _ -> true);
    }

    /** @param filled whether visitors see records of a type */
    static PageFrame of(String name, String path, Model model, Predicate<ContentType> filled) {
        var visible = model.types().stream()
                .filter(type -> type.publishing().visible())
                .toList();
        return new PageFrame(
                name,
                path,
                visible.stream()
                        .filter(type -> type.publishing().navigation())
                        .filter(type -> type.index().on() && filled.test(type))
                        .sorted(IN_NAVIGATION)
                        .toList(),
                visible.stream().anyMatch(type -> type.publishing().searchable()));
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
    public String label(ContentType type) {
        return Wording.INDEX.of(type);
    }
}
