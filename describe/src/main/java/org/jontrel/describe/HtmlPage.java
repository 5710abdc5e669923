package org.jontrel.describe;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jsoup.nodes.DataNode;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.parser.Parser;

/** A dictionary as one HTML file that needs nothing beside it, for the screen and for paper. */
final class HtmlPage {
    private HtmlPage() {}

    /** @param picture the picture as SVG */
    static String of(Dictionary dictionary, String picture) {
        var page = Document.createShell("");
        page.charset(StandardCharsets.UTF_8);
        page.title(dictionary.title());
        page.outputSettings().prettyPrint(false);
        page.selectFirst("html").attr("lang", "en");
        page.head()
                .appendElement("meta")
                .attr("name", "viewport")
                .attr("content", "width=device-width, initial-scale=1");
        page.head().appendElement("style").appendChild(new DataNode(style()));
        var main = page.body().appendElement("main");
        main.appendElement("h1").text(dictionary.title());
        paragraph(main, dictionary.intro());
        facts(main, dictionary.facts());
        contents(main, dictionary.chapters());
        var figure = main.appendElement("figure");
        figure.appendChildren(Parser.xmlParser().parseInput(picture, "").children());
        figure.appendElement("figcaption").text("How the definitions hang together.");
        dictionary.chapters().forEach(chapter -> chapter(main, chapter));
        return "<!doctype html>\n" + page.selectFirst("html").outerHtml() + "\n";
    }

    private static String style() {
        try (var in = HtmlPage.class.getResourceAsStream("dictionary.css")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void paragraph(Element parent, String text) {
        if (!text.isBlank()) {
            parent.appendElement("p").text(text);
        }
    }

    private static void facts(Element parent, List<Dictionary.Fact> facts) {
        var list = parent.appendElement("dl");
        for (var fact : facts) {
            var pair = list.appendElement("div");
            pair.appendElement("dt").text(fact.name());
            pair.appendElement("dd").text(fact.text());
        }
    }

    private static void contents(Element parent, List<Dictionary.Chapter> chapters) {
        var nav = parent.appendElement("nav").attr("aria-label", "Contents");
        for (var chapter : chapters) {
            var line = nav.appendElement("p");
            line.appendElement("strong").text(chapter.title());
            for (var entry : chapter.entries()) {
                line.appendText(" ");
                line.appendElement("a").attr("href", "#" + entry.id()).text(entry.title());
            }
        }
    }

    private static void chapter(Element parent, Dictionary.Chapter chapter) {
        parent.appendElement("h2").text(chapter.title());
        for (var entry : chapter.entries()) {
            var section = parent.appendElement("section").attr("id", entry.id());
            section.appendElement("h3").text(entry.title());
            paragraph(section, entry.intro());
            facts(section, entry.facts());
            entry.tables().forEach(table -> table(section, table));
        }
    }

    private static void table(Element parent, Dictionary.DictionaryTable table) {
        parent.appendElement("h4").text(table.title());
        paragraph(parent, table.intro());
        if (table.rows().isEmpty()) {
            parent.appendElement("p").addClass("none").text("Nothing yet.");
            return;
        }
        var element = parent.appendElement("div").addClass("scroll").appendElement("table");
        var head = element.appendElement("thead").appendElement("tr");
        table.columns()
                .forEach(column -> head.appendElement("th").attr("scope", "col").text(column));
        var body = element.appendElement("tbody");
        for (var row : table.rows()) {
            var line = body.appendElement("tr");
            for (int i = 0; i < row.cells().size(); i++) {
                var cell = line.appendElement("td");
                if (i == 0 && row.depth() > 0) {
                    cell.attr("class", "in in" + Math.min(row.depth(), 4));
                }
                if (table.columns().get(i).equals("Key")) {
                    cell.appendElement("code").text(row.cells().get(i));
                } else if (i == 0 && !row.leads().isEmpty()) {
                    cell.appendElement("a")
                            .attr("href", "#" + row.leads())
                            .text(row.cells().get(i));
                } else {
                    cell.text(row.cells().get(i));
                }
            }
        }
    }
}
