package org.jontrel.server.staticsite;

import java.net.URI;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;

/**
 * Changes the links of a site's pages to links among files.
 *
 * @param home what the addresses of the site begin with, as {@code /at/towpath/}
 * @param address where the files will stand, with a slash at its end; empty where nobody knows
 */
record StaticPages(String home, String address) {
    /** What stands for the place where the files will be, as long as pages are made. */
    static final String ORIGIN = "https://static.invalid";

    static final String LOOK = "look.css";
    static final String PUBLIC = "/public/";
    private static final Pattern WHOLE = Pattern.compile(Pattern.quote(ORIGIN) + "(/[^\"\\s<>\\\\]*)");
    /** What a style sheet that comes with the application loads. */
    static final Pattern FONT = Pattern.compile("url\\(([^)'\"]+)\\)");

    private static final Pattern ID = Pattern.compile("<id>([^<]*)</id>");

    /** Says which file an address of the site is, and has it written. */
    interface Links {
        /** @return path of the file, or {@code null} where there is none */
        String file(String siteAddress);

        /** Pictures, style sheets and files, by their whole address on the server. */
        String asset(String serverAddress);
    }

    /** A page as a file. @param file its own path */
    String page(String html, String file, Links links) {
        var page = Jsoup.parse(html);
        page.outputSettings().prettyPrint(false);
        page.select("form.search, form.filters, .to-filters").remove();
        page.select(".filtered").forEach(Element::unwrap);
        for (var attribute : new String[] {"href", "src"}) {
            page
                    .select("body [" + attribute + "], head link[rel=icon][href], head link[rel=stylesheet][href],"
                            + " head link[rel=alternate][href]")
                    .stream()
                    .filter(each -> each.hasAttr(attribute))
                    .forEach(each -> relink(each, attribute, file, links));
        }
        page.select("[srcset]").forEach(each -> each.attr("srcset", sources(each.attr("srcset"), file, links)));
        for (var whole : page.select("link[rel=canonical], meta[property^=og:]")) {
            var attribute = whole.hasAttr("href") ? "href" : "content";
            if (whole.attr(attribute).startsWith(ORIGIN)) {
                whole(whole, attribute, links);
            }
        }
        page.select("script[type=application/ld+json]")
                .forEach(data -> data.childNodes()
                        .forEach(node -> ((org.jsoup.nodes.DataNode) node)
                                .setWholeData(
                                        replaced(((org.jsoup.nodes.DataNode) node).getWholeData(), file, links))));
        return page.outerHtml();
    }

    private void relink(Element element, String attribute, String file, Links links) {
        var old = element.attr(attribute);
        if (!old.startsWith("/")) {
            return;
        }
        var target = target(old, links);
        if (target == null) {
            gone(element, attribute);
        } else {
            int anchor = old.indexOf('#');
            element.attr(attribute, StaticNames.relative(file, target) + (anchor < 0 ? "" : old.substring(anchor)));
        }
    }

    /** What leads nowhere is no link. */
    private static void gone(Element element, String attribute) {
        switch (element.tagName()) {
            case "a" -> element.unwrap();
            case "img", "link" -> element.remove();
            default -> element.removeAttr(attribute);
        }
    }

    private String target(String old, Links links) {
        var plain = old.contains("#") ? old.substring(0, old.indexOf('#')) : old;
        if (plain.startsWith(PUBLIC) || plain.startsWith(home + "media/") || plain.startsWith(home + LOOK)) {
            return links.asset(plain);
        }
        return plain.startsWith(home) ? links.file(decoded(plain.substring(home.length()))) : null;
    }

    /** Paths of records are decoded; what is asked stays as it is. */
    private static String decoded(String address) {
        int asked = address.indexOf('?');
        var path = asked < 0 ? address : address.substring(0, asked);
        return URLDecoder.decode(path.replace("+", "%2B"), StandardCharsets.UTF_8)
                + (asked < 0 ? "" : address.substring(asked));
    }

    private String sources(String sources, String file, Links links) {
        return Arrays.stream(sources.split(", "))
                .map(source -> source.split(" ", 2))
                .filter(source -> links.asset(source[0]) != null)
                .map(source -> StaticNames.relative(file, links.asset(source[0])) + " " + source[1])
                .collect(Collectors.joining(", "));
    }

    /** A whole address: where it will be, or nothing. */
    private void whole(Element element, String attribute, Links links) {
        var target = target(element.attr(attribute).substring(ORIGIN.length()), links);
        if (address.isEmpty() || target == null) {
            element.remove();
        } else {
            element.attr(attribute, placed(target));
        }
    }

    /** Where a file will be found: folders by their name. */
    String placed(String target) {
        return address + target.replaceAll("(^|/)index\\.html$", "$1");
    }

    private String replaced(String text, String file, Links links) {
        return WHOLE.matcher(text).replaceAll(found -> {
            var target = target(found.group(1), links);
            return Matcher.quoteReplacement(
                    target == null
                            ? found.group(1)
                            : address.isEmpty() ? StaticNames.relative(file, target) : placed(target));
        });
    }

    /** A feed as a file; without an address its entries are told apart by names that are no addresses. */
    String feed(String xml, String file, Links links) {
        UnaryOperator<String> named = id -> "urn:uuid:" + UUID.nameUUIDFromBytes(id.getBytes(StandardCharsets.UTF_8));
        var told = address.isEmpty()
                ? ID.matcher(xml).replaceAll(found -> "<id>" + named.apply(found.group(1)) + "</id>")
                : xml;
        return replaced(told, file, links);
    }

    /** An address that people gave, with a slash at its end; throws where it is none. */
    static String address(String given) {
        if (given.isBlank()) {
            return "";
        }
        var uri = URI.create(given.strip());
        if (uri.getHost() == null || uri.getScheme() == null || !uri.getScheme().matches("https?")) {
            throw new IllegalArgumentException(given);
        }
        return uri.toString().endsWith("/") ? uri.toString() : uri + "/";
    }
}
