package org.jontrel.server.publicsite;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.jontrel.server.OrchardServer;
import org.jontrel.server.Session;
import org.jontrel.server.staticsite.SavedSite;
import org.jontrel.site.testing.HtmlValidator;
import org.jontrel.site.testing.Orchard;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What stands around the pages of a site: its look, its navigation, its footer; and what is set for the site itself. */
public class SiteLookTest {
    private static final String SETTINGS = "/api/sites/field/settings";
    private OrchardServer server;
    private Session visitor;
    private long mary;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of());
        visitor = server.session();
        mary = server.add("tree", new HashMap<>(Orchard.tree("Old Mary")), "published");
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private Document page(String path) {
        return Jsoup.parse(visitor.send("GET", "/at/field/" + path, null).body());
    }

    private String css(Document page) {
        return visitor.send(
                        "GET",
                        page.select("link[rel=stylesheet][href*=look.css]").attr("href"),
                        null)
                .body();
    }

    private void set(String look, String address, boolean unlisted) {
        server.anna.ok("PUT", SETTINGS, Map.of("look", look, "address", address, "unlisted", unlisted));
    }

    @Test
    public void aLookIsAroundEveryPage() {
        for (var path : List.of("", "trees/", "trees/old-mary", "sorts/", "nowhere/at-all", "?q=mary")) {
            var page = page(path);
            assertEquals(page.select("header").attr("class"), "plain", path);
            assertEquals(page.select("link[href^=/public/typefaces/]").size(), 2, path);
            assertTrue(css(page).contains("--band: #2f4a27"), path);
            assertTrue(css(page).contains("letter-spacing:.02em"), css(page));
            assertEquals(page.select("footer h2").text(), "Who we are", path);
            assertTrue(page.select("footer").text().contains("The orchard of Field"), path);
            assertEquals(page.select("style, [style], script:not([type])").size(), 0, path);
        }
        var seen = new HashMap<String, String>();
        seen.put("page", visitor.send("GET", "/at/field/trees/old-mary", null).body());
        assertEquals(HtmlValidator.mistakes(seen).toString(), "[]");
    }

    /** In the order of the look, with its words, and without what visitors find nothing at. */
    @Test
    public void navigationIsThatOfTheLook() {
        var links = page("trees/old-mary").select("header nav a");
        assertEquals(links.eachText().toString(), "[Our trees, Sorts, Cider]");
        assertEquals(links.eachAttr("href").getLast(), "https://example.org/cider");
        assertEquals(page("trees/old-mary").select("nav a[aria-current]").text(), "Our trees");
        assertEquals(page("").select("nav a[aria-current]").text(), "");
    }

    /** Values of the site change what stands around its pages, also for who has them already. */
    @Test
    public void taglineAndFooterSayWhatTheSiteSays() throws Exception {
        assertFalse(page("").select("header").text().contains("Open from"), "what is empty is silent");
        assertTrue(page("").select("footer").text().contains("by the gate"));
        var tag = visitor.conditional("/at/field/trees/", "none")
                .headers()
                .firstValue("ETag")
                .orElseThrow();
        assertEquals(visitor.conditional("/at/field/trees/", tag).statusCode(), 304);
        server.anna.ok(
                "PUT",
                "/api/sites/field/values/office/records/1",
                Map.of(
                        "values",
                        Map.of("opens", "09:30", "desk", "+44 20 7946 0000"),
                        "state",
                        "published",
                        "version",
                        0));
        assertEquals(visitor.conditional("/at/field/trees/", tag).statusCode(), 200);
        assertTrue(
                page("").select("header").text().contains("Open from"),
                page("").select("header").html());
        assertTrue(page("").select("footer").text().contains("7946"));
    }

    /** A site may have another look than the first of its definitions, also one that comes with the application. */
    @Test
    public void aSiteChoosesItsLook() throws Exception {
        var before = page("");
        var tag = visitor.conditional("/at/field/", "none")
                .headers()
                .firstValue("ETag")
                .orElseThrow();
        set("night", "", false);
        assertEquals(visitor.conditional("/at/field/", tag).statusCode(), 200, "pages with another look are others");
        assertTrue(css(page("")).contains("color-scheme: dark"), css(page("")));
        assertEquals(page("").select("nav a").eachText().toString(), "[Trees]");
        var old = visitor.send("GET", before.select("link[href*=look.css]").attr("href"), null);
        assertTrue(old.headers().firstValue("Cache-Control").orElse("").contains("no-cache"), "kept by nobody");
        set("korchard", "", false);
        assertTrue(css(page("")).contains("--band: #2f4a27"));
        set("", "", false);
        var wrong = server.anna.send("PUT", SETTINGS, Map.of("look", "gaudy", "address", "", "unlisted", false));
        assertEquals(wrong.statusCode(), 422);
        assertTrue(wrong.body().contains("There is no look gaudy"), wrong.body());
    }

    @Test
    public void rulesOfALookAreKeptUntilTheyChange() {
        var page = page("");
        var address = page.select("link[href*=look.css]").attr("href");
        var css = visitor.send("GET", address, null);
        assertEquals(css.headers().firstValue("Content-Type").orElse(""), "text/css;charset=UTF-8");
        assertTrue(css.headers().firstValue("Cache-Control").orElse("").contains("immutable"));
        assertEquals(visitor.send("GET", "/at/nowhere/look.css", null).statusCode(), 404);
        assertEquals(visitor.send("GET", "/public/plain.css", null).statusCode(), 200);
        assertEquals(visitor.send("GET", "/public/typefaces/bitter.css", null).statusCode(), 200);
    }

    /** The address that a site is known by stands in whole addresses, whoever asks by whatever name. */
    @Test
    public void wholeAddressesAreThoseThatVisitorsKnow() {
        set("", "https://orchard.example/site", false);
        try {
            var page = page("trees/old-mary");
            assertEquals(
                    page.select("link[rel=canonical]").attr("href"), "https://orchard.example/site/trees/old-mary");
            assertEquals(page.select("nav a").attr("href"), "/at/field/trees/");
            assertTrue(visitor.send("GET", "/at/field/sitemap.xml?of=trees", null)
                    .body()
                    .contains("<loc>https://orchard.example/site/trees/old-mary</loc>"));
            assertTrue(visitor.send("GET", "/at/field/robots.txt", null)
                    .body()
                    .contains("Sitemap: https://orchard.example/site/sitemap.xml"));
            assertTrue(visitor.send("GET", "/at/field/trees/feed.xml", null)
                    .body()
                    .contains("https://orchard.example/site/trees/old-mary"));
        } finally {
            set("", "", false);
        }
        for (var wrong : List.of(
                "orchard",
                "javascript:alert(1)",
                "ftp://orchard.example",
                "https://a@b.example/",
                "https://orchard.example/?x",
                "https://or chard.example/",
                "https:///x")) {
            var refused = server.anna.send("PUT", SETTINGS, Map.of("look", "", "address", wrong, "unlisted", false));
            assertEquals(refused.statusCode(), 422, wrong);
        }
    }

    /** A test site is for nobody to find: each of its pages says so. */
    @Test
    public void aSiteCanBeKeptFromSearchEngines() {
        Predicate<String> hidden =
                path -> page(path).select("meta[name=robots]").attr("content").equals("noindex");
        assertFalse(hidden.test("trees/old-mary"));
        set("", "", true);
        try {
            for (var path : List.of("", "trees/", "trees/old-mary", "sorts/")) {
                assertTrue(hidden.test(path), path);
            }
            assertFalse(visitor.send("GET", "/at/field/robots.txt", null).body().contains("Sitemap"));
            assertEquals(visitor.send("GET", "/at/field/sitemap.xml", null).statusCode(), 404);
        } finally {
            set("", "", false);
        }
        assertFalse(hidden.test("trees/old-mary"));
    }

    @Test
    public void aLookThatIsNotSentIsRefused() {
        var answer = server.anna.send(
                "POST",
                "/api/proof/orchard/page",
                Map.of("type", "", "use", "page", "drafts", false, "site", "field", "sort", "look"));
        assertTrue(answer.statusCode() < 500, answer.body());
    }

    /** Visitors, who lays out, who types a record, and who saves the site as files: all of them get the same page. */
    @Test
    public void oneWriterMakesThePageForAll() {
        var visited = page("trees/old-mary").select("main, footer").outerHtml();
        var laidOut = server.anna
                .ok(
                        "POST",
                        "/api/proof/orchard/page",
                        Map.of("type", "ttree", "use", "page", "drafts", false, "site", "field", "record", mary))
                .get("page")
                .asString();
        assertEquals(Jsoup.parse(laidOut).select("main, footer").outerHtml(), visited);
        var stored = server.anna.ok("GET", "/api/sites/field/types/tree/records/" + mary, null);
        var preview = server.anna
                .ok(
                        "POST",
                        "/api/sites/field/types/tree/preview",
                        Map.of("values", stored.at("/record/values"), "id", mary))
                .get("page")
                .asString();
        assertEquals(Jsoup.parse(preview).select("main, footer").outerHtml(), visited);
        var file =
                new String(SavedSite.files(server.anna, "").get("trees/old-mary/index.html"), StandardCharsets.UTF_8);
        var saved = Jsoup.parse(file).select("main, footer");
        var online = Jsoup.parse(visited);
        saved.select("[href]").removeAttr("href");
        online.select("[href]").removeAttr("href");
        assertEquals(saved.text(), online.text());
        assertEquals(
                saved.select("*").eachAttr("class"),
                online.select("main, footer").select("*").eachAttr("class"));
    }

    /** A look that is being typed is seen around a site's own pages, with its rules in the page itself. */
    @Test
    public void aLookIsSeenWhileItIsTyped() {
        var body = new HashMap<String, Object>(Map.of("type", "", "use", "page", "drafts", false, "sort", "look"));
        body.put(
                "definition",
                Map.of(
                        "id", "knew000001",
                        "key", "new",
                        "title", "New",
                        "colours", Map.of("band", "#654321"),
                        "style", "main { background: url(https://example.org/x.png) }",
                        "navigation",
                                List.of(
                                        Map.of("address", "javascript:alert(1)", "label", "Acts"),
                                        Map.of("address", "//elsewhere.example", "label", "Away"),
                                        Map.of("address", "trees/old-mary", "label", "Mary"))));
        for (var site : List.of("field", "")) {
            if (site.isEmpty()) {
                body.remove("site");
            } else {
                body.put("site", site);
            }
            var page = Jsoup.parse(server.anna
                    .ok("POST", "/api/proof/orchard/page", body)
                    .get("page")
                    .asString());
            assertTrue(page.select("style").html().contains("--band: #654321"), page.html());
            assertFalse(page.html().contains("example.org/x.png"), "rules that load something are not shown");
            assertEquals(page.select("header").attr("class"), "band");
            assertEquals(page.select("nav a").eachText(), List.of("Mary"), "addresses that are refused lead nowhere");
        }
    }
}
