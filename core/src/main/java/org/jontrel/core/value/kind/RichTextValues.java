package org.jontrel.core.value.kind;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Kind;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Entities;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;
import org.jsoup.safety.Cleaner;
import org.jsoup.safety.Safelist;
import org.jsoup.select.NodeVisitor;

/**
 * A safe subset of HTML: paragraphs, line breaks and what the field allows. Everything else is taken off when it is read,
 * its text stays; scripts, styles and drawings go with their text.
 */
public record RichTextValues(Kind.RichText kind) implements KindValues {
    private static final int LONGEST = 1_000_000;
    private static final Document.OutputSettings PLAIN =
            new Document.OutputSettings().prettyPrint(false).charset("UTF-8");

    @Override
    public KindValues.ReadValue read(Object raw, Where where) {
        return TextRules.storable(raw)
                .filter(html -> html.length() <= 4 * LONGEST)
                .map(html -> KindValues.ReadValue.of(clean(html)))
                .orElseGet(() -> KindValues.ReadValue.not(where.finding(Code.VALUE_NOT_TEXT)));
    }

    private String clean(String html) {
        return clean(kind, html);
    }

    /** What the kind allows of it. */
    public static String clean(Kind.RichText kind, String html) {
        var dirty = Jsoup.parseBodyFragment(html);
        dirty.select("script, style, svg, math, template, noscript, iframe, object")
                .remove();
        var clean = new Cleaner(safelist(kind)).clean(dirty);
        // what leads nowhere that is allowed is no link
        clean.select("a:not([href])").unwrap();
        Insertions.settle(clean);
        clean.outputSettings(PLAIN);
        var text = clean.body().html().strip();
        return clean.body().text().isBlank() && !Insertions.any(text) ? "" : text;
    }

    private static Safelist safelist(Kind.RichText kind) {
        var list = new Safelist().addTags("p", "br");
        for (var format : kind.formats()) {
            switch (format) {
                case HEADINGS -> list.addTags("h2", "h3", "h4");
                case BOLD -> list.addTags("strong", "b");
                case ITALIC -> list.addTags("em", "i");
                case LINKS ->
                    list.addTags("a")
                            .addAttributes("a", "href")
                            .addProtocols("a", "href", "http", "https", "mailto", "tel")
                            .addEnforcedAttribute("a", "rel", "nofollow noopener");
                case LISTS -> list.addTags("ul", "ol", "li");
                case QUOTES -> list.addTags("blockquote");
                case TABLES ->
                    list.addTags("table", "thead", "tbody", "tr", "th", "td").addAttributes("th", "scope");
                case CODE -> list.addTags("code", "pre");
                case VALUES -> list.addTags("span").addAttributes("span", Insertions.VALUE);
                case LISTINGS -> list.addTags("div").addAttributes("div", Insertions.LISTING);
            }
        }
        return list;
    }

    /** Characters that a reader sees. */
    @Override
    public List<Finding> check(Object value, Where where) {
        int most = kind.maxLength() == null ? LONGEST : kind.maxLength();
        return TextRules.lengths(show(value), null, most, where);
    }

    @Override
    public String show(Object value) {
        return Jsoup.parseBodyFragment((String) value).text();
    }

    @Override
    public Object wire(Object value) {
        return value;
    }

    /** Plain text as paragraphs, its line breaks kept. */
    @Override
    public Optional<Object> fromText(String text) {
        var html = new StringBuilder();
        for (var paragraph : text.split("\n\\s*\n")) {
            html.append("<p>")
                    .append(paragraph.lines().map(Entities::escape).collect(Collectors.joining("<br>")))
                    .append("</p>");
        }
        return Optional.of(clean(html.toString()));
    }

    /** The text alone: paragraphs with an empty line between them, other blocks and line breaks each on a line of their own. */
    public static String lines(String html) {
        var text = new StringBuilder();
        Jsoup.parseBodyFragment(html).body().traverse(new NodeVisitor() {
            @Override
            public void head(Node node, int depth) {
                if (node instanceof TextNode words) {
                    var normal = words.text();
                    boolean begins = text.isEmpty() || text.charAt(text.length() - 1) == '\n';
                    text.append(begins ? normal.stripLeading() : normal);
                } else if (node.nameIs("br")) {
                    text.append('\n');
                }
            }

            @Override
            public void tail(Node node, int depth) {
                if (node instanceof Element element && element.isBlock() && !node.nameIs("body")) {
                    text.append(node.nameIs("p") ? "\n\n" : "\n");
                }
            }
        });
        return text.toString().strip();
    }
}
