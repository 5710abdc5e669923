package org.jontrel.core.page.text;

import java.util.List;
import java.util.function.UnaryOperator;
import org.jontrel.core.page.node.ContainedText;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.kind.Insertions;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.TextNode;

/** Puts words into the places of the values that a text holds. */
public final class TextWords {
    private static final String VALUES = "[" + Insertions.VALUE + "]";
    private static final String LISTINGS = "[" + Insertions.LISTING + "]";

    /** What a line stands in, and what goes when all of its values are empty. */
    private static final String LINES = "p, h2, h3, h4, li, pre";

    /** What goes when nothing is left in it. */
    private static final String AROUND = "li, ul, ol, blockquote";

    private TextWords() {}

    /**
     * As pages show it: lines whose values are all empty are gone.
     *
     * @param words of a way to a value; empty for nothing
     * @param of the record that its listings speak of
     * @return empty where nothing is left
     */
    public static String shown(String html, UnaryOperator<String> words, Link of) {
        var body = TextPieces.parsed(html);
        for (var line : lines(body)) {
            boolean empty = true;
            for (var span : spans(line)) {
                var text = words.apply(span.attr(Insertions.VALUE));
                empty &= text.isEmpty();
                span.replaceWith(new TextNode(ContainedText.of(text)));
            }
            if (empty && !holdsLines(line)) {
                remove(line, body);
            }
        }
        body.select(LISTINGS).forEach(listing -> TextPieces.mark(listing, of));
        return body.text().isBlank() && body.selectFirst(LISTINGS) == null ? "" : body.html();
    }

    /** Where a page is, and what it is called. @param address empty for none */
    public record Title(String text, String address) {}

    /** What a listing finds, by its id. */
    public interface ListingTitles {
        List<Title> of(String listing);
    }

    /** As programs read it: words and titles stand within the references, and lines whose values are all empty are hidden. */
    public static String marked(String html, UnaryOperator<String> words, ListingTitles titles) {
        var body = TextPieces.parsed(html);
        for (var line : lines(body)) {
            boolean empty = true;
            for (var span : spans(line)) {
                var text = words.apply(span.attr(Insertions.VALUE));
                empty &= text.isEmpty();
                span.text(ContainedText.of(text));
            }
            if (empty && line != body && !holdsLines(line)) {
                line.attr("hidden", true);
            }
        }
        body.select(LISTINGS).forEach(listing -> add(titles.of(listing.attr(Insertions.LISTING)), listing));
        return body.html();
    }

    private static void add(List<Title> titles, Element listing) {
        if (titles.isEmpty()) {
            return;
        }
        var list = listing.appendElement("ul");
        titles.forEach(title -> {
            var entry = list.appendElement("li");
            var words =
                    title.address().isEmpty() ? entry : entry.appendElement("a").attr("href", title.address());
            words.text(ContainedText.of(title.text()));
        });
    }

    /** What has values within; the text itself for those that stand in no line. */
    private static List<Element> lines(Element body) {
        return body.select(VALUES).stream()
                .map(span -> line(span, body))
                .distinct()
                .toList();
    }

    private static Element line(Element span, Element body) {
        var line = span.closest(LINES);
        return line == null ? body : line;
    }

    /** Whether others stand within it, such as the entries below one of a list: they are not its own. */
    private static boolean holdsLines(Element line) {
        return line.select(LINES).size() > 1;
    }

    private static List<Element> spans(Element line) {
        return line.select(VALUES).stream()
                .filter(span -> {
                    var own = span.closest(LINES);
                    return own == line || own == null && line.nameIs("body");
                })
                .toList();
    }

    private static void remove(Element line, Element body) {
        var around = line.parent();
        if (line == body || around == null) {
            return;
        }
        line.remove();
        if (around.is(AROUND) && around.text().isBlank()) {
            remove(around, body);
        }
    }
}
