package org.jontrel.core.value.kind;

import java.util.LinkedHashSet;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;

/**
 * The values and listings that stand in a formatted text. Each is an empty element that names what it stands for by ids, so
 * that nothing breaks when that is renamed: {@code <span data-value="kf3k9w2xd.kpq71m4za"></span>} within a line, and
 * {@code <div data-listing="qx81mz0wc"></div>} between paragraphs.
 *
 * @param values ways to values, in the order of the text
 * @param listings ids of listings, in the order of the text
 */
public record Insertions(Set<String> values, Set<String> listings) {
    public static final String VALUE = "data-value";
    public static final String LISTING = "data-listing";
    public static final Insertions NONE = new Insertions(Set.of(), Set.of());

    /** Ids with dots between. */
    private static final Pattern WAY = Pattern.compile("[a-z0-9_]+(\\.[a-z0-9_]+){0,7}");

    private static final Pattern ID = Pattern.compile("[a-z0-9_]+");

    public Insertions {
        values = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(values));
        listings = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(listings));
    }

    /** What stands in a text that was read. */
    public static Insertions of(String html) {
        if (!any(html)) {
            return NONE;
        }
        var body = Jsoup.parseBodyFragment(html).body();
        return new Insertions(named(body, VALUE), named(body, LISTING));
    }

    /** Whether there may be one, which costs little to know. */
    public static boolean any(String html) {
        return html.contains(VALUE) || html.contains(LISTING);
    }

    private static Set<String> named(Element body, String attribute) {
        return body.select("[" + attribute + "]").stream()
                .map(element -> element.attr(attribute))
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Brings those of a text into their one form: empty, and listings between the outermost blocks. */
    static void settle(Document text) {
        text.select("span").forEach(span -> {
            if (WAY.matcher(span.attr(VALUE)).matches()) {
                span.empty();
            } else {
                span.unwrap();
            }
        });
        text.select("div").forEach(div -> {
            if (ID.matcher(div.attr(LISTING)).matches()) {
                div.empty();
                outwards(div, text.body());
            } else {
                div.unwrap();
            }
        });
    }

    private static void outwards(Element div, Element body) {
        var outermost = div;
        while (outermost.parent() != null && outermost.parent() != body) {
            outermost = outermost.parent();
        }
        if (outermost != div) {
            div.remove();
            outermost.after(div);
        }
    }
}
