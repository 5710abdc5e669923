package org.jontrel.server.staticsite;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jontrel.server.OrchardServer;
import org.jontrel.server.Session;
import org.jontrel.site.testing.HtmlValidator;
import org.jontrel.site.testing.Orchard;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.parser.Parser;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A site saved as files: the same pages, with links that lead to files that are there. */
public class StaticSiteTest {
    private static final Pattern FONT = Pattern.compile("url\\(([^)]+)\\)");
    private OrchardServer server;
    private Session visitor;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of(
                "index: {order: fplanted}",
                "index: {order: fplanted, page_size: 2, filters: [mood], search: true, group_by: mood}\n"
                        + "head: {schema: Product}",
                "singular: Person",
                "singular: Person\nhead: {hidden: true}"));
        visitor = server.session();
        for (int i = 1; i <= 7; i++) {
            var values = new HashMap<String, Object>(Orchard.tree("Ünder tree " + i));
            values.put("tag", "t" + i);
            values.put(
                    "story",
                    "<p>See <a href=\"https://example.org/\">elsewhere</a>, <a href=\"javascript:alert(1)\">never</a></p>");
            server.add("tree", values, "published");
        }
        server.add("tree", Map.of("title", "Hidden draft", "tag", "zz"), "draft");
        server.add("person", Map.of("title", "Ada"), "published");
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private Map<String, byte[]> files(String query) {
        return SavedSite.files(server.anna, query);
    }

    private static String text(byte[] bytes) {
        return new String(bytes, StandardCharsets.UTF_8);
    }

    /** What of the links of a site's files leads nowhere, and what leads out of the folder. */
    private static List<String> broken(Map<String, byte[]> files) {
        var broken = new ArrayList<String>();
        files.forEach((name, bytes) -> {
            if (name.endsWith(".css")) {
                FONT.matcher(text(bytes))
                        .results()
                        .map(found -> URI.create("/" + name)
                                .resolve(found.group(1))
                                .getPath()
                                .substring(1))
                        .filter(font -> !files.containsKey(font))
                        .forEach(font -> broken.add(name + " -> " + font));
            }
            if (!name.endsWith(".html") && !name.endsWith(".xml")) {
                return;
            }
            var page = name.endsWith(".xml") ? Jsoup.parse(text(bytes), Parser.xmlParser()) : Jsoup.parse(text(bytes));
            for (var link : links(page)) {
                var target = URI.create("https://files.invalid/" + name.replace(" ", "%20"))
                        .resolve(link);
                boolean elsewhere = !"files.invalid".equals(target.getHost());
                var path = target.getPath() == null ? "" : target.getPath().replaceAll("^/", "");
                if (elsewhere
                        ? !link.startsWith("https://example.org") && link.startsWith("http")
                        : !files.containsKey(path)) {
                    broken.add(name + " -> " + link);
                }
            }
        });
        return broken;
    }

    private static List<String> links(Document page) {
        var links = new ArrayList<String>();
        for (var attribute : new String[] {"href", "src", "action"}) {
            links.addAll(page.select("[" + attribute + "]").eachAttr(attribute));
        }
        for (var sources : page.select("[srcset]").eachAttr("srcset")) {
            for (var source : sources.split(", ")) {
                links.add(source.split(" ")[0]);
            }
        }
        links.removeIf(link -> link.startsWith("#") || link.startsWith("mailto:") || link.startsWith("geo:"));
        return links;
    }

    @Test
    public void everyPageIsThereAndNoLinkIsBroken() {
        var files = files("");
        assertTrue(files.containsKey("index.html"), files.keySet().toString());
        assertTrue(
                files.containsKey("trees/under-tree-7/index.html"),
                files.keySet().toString());
        assertTrue(files.containsKey("people/ada/index.html"), "also what search engines leave out");
        assertTrue(files.containsKey("sorts/apple/index.html"), files.keySet().toString());
        assertTrue(files.containsKey("trees/feed.xml"), files.keySet().toString());
        assertTrue(files.containsKey("look/site.css"), files.keySet().toString());
        assertTrue(text(files.get("look/look.css")).contains("--band: #2f4a27"), "the look of the site");
        assertTrue(files.keySet().stream().anyMatch(name -> name.startsWith("look/typefaces/files/bitter-")));
        assertTrue(files.keySet().stream().noneMatch(name -> name.contains("literata")), "no typeface of other looks");
        assertEquals(broken(files).toString(), "[]");
        assertTrue(
                files.values().stream().noneMatch(each -> text(each).contains("static.invalid")),
                "nothing stands for an address any more");
        assertTrue(files.values().stream().noneMatch(each -> text(each).contains("Hidden draft")));
        var lists =
                files.keySet().stream().filter(name -> name.contains("/list-")).toList();
        assertTrue(lists.size() >= 2, "further pages and groups of the list: " + lists);
        var seen = new HashMap<String, String>();
        files.forEach((name, bytes) -> {
            if (name.endsWith(".html")) {
                seen.put(name, text(bytes));
            }
        });
        assertEquals(HtmlValidator.mistakes(seen).toString(), "[]");
    }

    @Test
    public void aFileIsThePageThatVisitorsGet() {
        var files = files("");
        for (var path : List.of("", "trees/", "trees/under-tree-3", "sorts/", "people/ada")) {
            var online =
                    Jsoup.parse(visitor.send("GET", "/at/field/" + path, null).body());
            online.select("form, .to-filters").remove();
            var file = Jsoup.parse(
                    text(files.get(path + (path.isEmpty() || path.endsWith("/") ? "" : "/") + "index.html")));
            assertEquals(file.body().text(), online.body().text(), path);
            assertEquals(
                    file.select("main *").size() + (online.select(".filtered").size()),
                    online.select("main *").size());
        }
    }

    @Test
    public void withAnAddressFilesNameTheirPlace() {
        var files = files("?address=https://example.org/orchard");
        var page = Jsoup.parse(text(files.get("trees/under-tree-1/index.html")));
        assertEquals(
                page.select("link[rel=canonical]").attr("href"), "https://example.org/orchard/trees/under-tree-1/");
        assertTrue(
                page.select("script[type=application/ld+json]").html().contains("https://example.org/orchard/trees/"));
        var map = text(files.get("sitemap.xml"));
        assertTrue(map.contains("<loc>https://example.org/orchard/trees/under-tree-1/</loc>"), map);
        assertFalse(map.contains("people"), "search engines are not told of those: " + map);
        assertTrue(text(files.get("robots.txt")).contains("Sitemap: https://example.org/orchard/sitemap.xml"));
        assertTrue(text(files.get("trees/feed.xml")).contains("https://example.org/orchard/trees/under-tree-1/"));
        assertEquals(
                server.anna
                        .send("GET", "/api/sites/field/static?address=javascript:x", null)
                        .statusCode(),
                422);
        assertEquals(server.anna.send("GET", "/api/sites/nowhere/static", null).statusCode(), 404);
    }

    @Test
    public void itsProgressCanBeAskedFor() {
        files("?id=mine");
        var progress = server.anna.ok("GET", "/api/sites/field/static/mine", null);
        assertTrue(progress.get("done").asBoolean());
        assertEquals(progress.get("pages").asInt(), progress.get("known").asInt());
        assertFalse(server.anna
                .ok("GET", "/api/sites/field/static/other", null)
                .get("done")
                .asBoolean());
    }
}
