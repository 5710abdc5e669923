package org.jontrel.core.page.text;

import java.util.ArrayList;
import java.util.List;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.kind.Insertions;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;

/** A text whose values are words already, cut where listings stand in it. */
public final class TextPieces {
    /** Which record a listing speaks of, as {@code TYPE NUMBER}. */
    private static final String OF = "data-of";

    private TextPieces() {}

    public sealed interface RichPiece {}

    public record HtmlPiece(String html) implements RichPiece {}

    /** @param of the record that it speaks of */
    public record ListingPiece(String id, Link of) implements RichPiece {}

    public static List<RichPiece> of(String html) {
        if (!Insertions.any(html)) {
            return List.of(new HtmlPiece(html));
        }
        var pieces = new ArrayList<RichPiece>();
        var before = new StringBuilder();
        for (var node : parsed(html).childNodes()) {
            if (node instanceof Element element && element.hasAttr(OF)) {
                add(before, pieces);
                pieces.add(listing(element));
            } else {
                before.append(node.outerHtml());
            }
        }
        add(before, pieces);
        return List.copyOf(pieces);
    }

    private static void add(StringBuilder html, List<RichPiece> pieces) {
        if (!html.toString().isBlank()) {
            pieces.add(new HtmlPiece(html.toString()));
        }
        html.setLength(0);
    }

    private static ListingPiece listing(Element element) {
        var mark = element.attr(OF).split(" ");
        return new ListingPiece(element.attr(Insertions.LISTING), new Link(mark[0], Long.parseLong(mark[1])));
    }

    static void mark(Element listing, Link of) {
        listing.attr(OF, of.type() + " " + of.id());
    }

    /** The text alone, where there is no room for listings; empty where nothing is left. */
    public static String withoutListings(String html) {
        if (!Insertions.any(html)) {
            return html;
        }
        var body = parsed(html);
        body.select("[" + Insertions.LISTING + "]").remove();
        return body.text().isBlank() ? "" : body.html();
    }

    static Element parsed(String html) {
        var document = Jsoup.parseBodyFragment(html);
        document.outputSettings().prettyPrint(false);
        return document.body();
    }
}
