package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Model;
import org.jontrel.serve.publicsite.PageFrame;
import org.jontrel.server.workspace.DefinitionView;
import org.jontrel.site.testing.HtmlValidator;
import org.jontrel.site.testing.Orchard;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.parser.Parser;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** Pages as visitors get them: valid, with nothing that leads nowhere, and found by search. */
public class PublicPagesTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int MOST_MISTAKES = 50;
    private static final String FILTERED = "/at/field/trees/?sort=pear&sort=nowhere&uses=juice&fruits=yes"
            + "&height.from=1&height.to=%3Cscript%3E&planted.from=1990-01-01&q=mary%22%3E%3Cb%3E";
    private OrchardServer server;
    private Session visitor;
    private String tree;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of(
                // a term in a field of its own, and one in rows
                "key: mood, label: Mood, kind: choice, options: [{id: ofine, key: fine, label: Fine}, {id: oill, key: ill, label: Ill}]",
                "key: mood, label: Mood, kind: term, taxonomy: label",
                "key: branch, label: Branch, kind: text",
                "key: branch, label: Branch, kind: term, taxonomy: sort",
                "key: plot\n",
                "key: plot\nindex: {on: false}\n",
                "singular: Person",
                "singular: Person\nhead: {hidden: true}",
                "index: {order: fplanted}",
                "head: {title: '{title} in {parent.title}', description: '{story else summary}', schema: Product,"
                        + " hidden_when: {field: mood, filled: false}, properties: ["
                        + "{name: releaseDate, value: '{planted}'}, {name: offers.price, value: '{yield}'},"
                        + " {name: offers.itemOffered.name, value: 'A {title}'}, {name: geo, value: '{spot}'},"
                        + " {name: category, value: '{sort}'}]}\n"
                        + "index: {order: fplanted, search: true, across: {narrow: 1, wide: 4},"
                        + " filters: [sort, uses, fruits, height, planted, seen]}"));
        visitor = server.session();
        var plot = server.add("plot", Map.of("title", "By the gate"), "published");
        var values = new HashMap<String, Object>(Orchard.tree("Old Mary"));
        values.put("mood", term("label", "Leaning"));
        values.put(
                "prunings",
                List.of(Map.of(
                        "day",
                        "2026-02-03",
                        "cuts",
                        List.of(Map.of("branch", term("sort", "Perry pear"), "thick", "4.5")))));
        var added = server.anna.ok(
                "POST",
                "/api/sites/field/types/tree/records",
                Map.of(
                        "version",
                        0,
                        "state",
                        "published",
                        "values",
                        values,
                        "parent",
                        Map.of("type", "tplot", "id", plot)));
        tree = added.at("/record/address").asString();
        server.add("person", Map.of("title", "Nobody's draft"), "draft");
    }

    private long term(String taxonomy, String label) {
        return server.anna
                .ok(
                        "POST",
                        "/api/sites/field/taxonomies/" + taxonomy + "/records",
                        Map.of("version", 0, "state", "published", "values", Map.of("label", label)))
                .at("/record/id")
                .asLong();
    }

    @AfterClass
    public void stop() {
        server.close();
    }

    private String raw(String path) {
        return visitor.send("GET", path, null).body();
    }

    private Document page(String path) {
        return Jsoup.parse(raw(path));
    }

    /** What a parser has against the HTML of a page, and ids that are there twice. */
    private static List<String> mistakes(String page) {
        var parser = Parser.htmlParser().setTrackErrors(MOST_MISTAKES);
        var parsed = Jsoup.parse(page, parser);
        var mistakes = new ArrayList<String>();
        parser.getErrors().forEach(mistake -> mistakes.add(mistake.toString()));
        var ids = parsed.select("[id]").eachAttr("id");
        ids.stream().filter(id -> Collections.frequency(ids, id) > 1).forEach(mistakes::add);
        return mistakes;
    }

    @Test
    public void everyPageIsValid() {
        var pages = new HashMap<String, String>();
        for (var path : List.of(
                "/at/field/",
                "/at/field/trees/",
                FILTERED,
                tree,
                "/at/field/sorts/",
                "/at/field/sorts/apple",
                "/at/field/?q=mary",
                "/at/field/?q=%22%3E%3Cb%3E",
                "/at/field/nothing/")) {
            var page = raw(path);
            assertTrue(page.startsWith("<!doctype html>\n<html"), path + ": " + page.substring(0, 40));
            assertEquals(mistakes(page), List.of(), path);
            pages.put(path, page);
        }
        var all = server.anna.ok("GET", "/api/workspaces/orchard/draft", null).get("definitions");
        for (var each : all) {
            if (each.get("sort").asString().equals("type")) {
                var look = server.anna.ok("POST", "/api/proof/orchard/look", each);
                pages.put(
                        "look of " + each.at("/definition/key"),
                        look.get("page").asString());
                pages.put(
                        "index of " + each.at("/definition/key"),
                        look.get("index").asString());
            }
        }
        assertEquals(HtmlValidator.mistakes(pages), List.of());
    }

    @Test
    public void theHeadOfAPageSaysWhatItsDefinitionSays() {
        var head = page(tree).head();
        assertEquals(head.select("title").text(), "Old Mary in By the gate · Field");
        assertEquals(head.select("meta[name=description]").attr("content"), "An old tree");
        var whole = server.whole(tree);
        assertEquals(head.select("link[rel=canonical]").attr("href"), whole);
        assertEquals(head.select("meta[property=og:url]").attr("content"), whole);
        assertEquals(head.select("meta[name=robots]").size(), 0);
        var data = JSON.readTree(head.select("script[type=application/ld+json]").html());
        assertEquals(data.at("/@type").asString(), "Product");
        assertEquals(data.at("/url").asString(), whole);
        assertEquals(data.at("/releaseDate").asString(), "1998-03-01");
        assertEquals(data.at("/offers/price").asInt(), 40);
        assertEquals(data.at("/offers/itemOffered/name").asString(), "A Old Mary");
        assertEquals(data.at("/geo/latitude").asDouble(), 52.3456789);
        assertEquals(
                page("/at/field/trees/?uses=juice")
                        .select("link[rel=canonical]")
                        .attr("href"),
                server.whole("/at/field/trees/"));
        assertEquals(
                page("/at/field/trees/?uses=juice").select("meta[name=robots]").attr("content"), "noindex");
        assertEquals(page("/at/field/trees/").select("meta[name=robots]").size(), 0);
        assertEquals(page("/at/field/?q=mary").select("meta[name=robots]").attr("content"), "noindex");
    }

    @Test
    public void programsFindPagesByMapsAndFeeds() {
        var index = Jsoup.parse(raw("/at/field/sitemap.xml"), Parser.xmlParser());
        var maps = index.select("loc").eachText();
        assertTrue(maps.contains(server.whole("/at/field/sitemap.xml?of=trees&after=0")), maps.toString());
        assertTrue(maps.stream().noneMatch(map -> map.contains("of=people")), "people are left out: " + maps);
        var listed = new ArrayList<String>();
        for (var map : maps) {
            listed.addAll(Jsoup.parse(raw(map.substring(server.whole("").length())), Parser.xmlParser())
                    .select("url > loc")
                    .eachText());
        }
        assertTrue(listed.contains(server.whole(tree)), listed.toString());
        for (var each : listed) {
            assertEquals(
                    visitor.send("GET", each.substring(server.whole("").length()), null)
                            .statusCode(),
                    200,
                    each);
        }
        assertTrue(raw("/at/field/robots.txt").contains("Sitemap: " + server.whole("/at/field/sitemap.xml")));
        var link = page("/at/field/trees/")
                .select("link[type=application/atom+xml]")
                .attr("href");
        var feed = Jsoup.parse(raw(link), Parser.xmlParser());
        assertEquals(feed.select("entry > title").eachText(), List.of("Old Mary in By the gate"));
        assertEquals(feed.select("entry > summary").eachText(), List.of("An old tree"));
        assertEquals(visitor.send("GET", "/at/field/people/feed.xml", null).statusCode(), 404);
        assertEquals(
                visitor.send("GET", "/at/field/sitemap.xml?of=nothing", null).statusCode(), 404);
        assertEquals(
                visitor.send("GET", "/at/field/sitemap.xml?of=trees&after=x", null)
                        .statusCode(),
                400);
    }

    @Test
    public void aListIsNarrowedByItsAddress() {
        var all = page("/at/field/trees/");
        assertEquals(all.select(".cards > li").size(), 1);
        assertEquals(all.select(".count").text(), "1 tree");
        assertEquals(
                all.select(".filters legend, .filters .control > label").eachText(),
                List.of("Search trees", "Uses", "Bears fruit", "Height (m)", "Planted", "Last seen"),
                "nothing has a sort, so there is nothing to choose");
        assertEquals(page("/at/field/trees/?uses=juice").select(".cards > li").size(), 1);
        var none = page("/at/field/trees/?uses=juice&fruits=no&height.from=100");
        assertEquals(none.select(".cards > li").size(), 0);
        assertEquals(none.select(".found > p").text(), "No trees found");
        assertEquals(
                none.select(".narrowed a").eachText(),
                List.of("Uses: Juice, remove", "Bears fruit: No, remove", "Height from 100 m, remove", "Clear all"));
        assertEquals(
                none.select(".narrowed li:nth-child(2) a").attr("href"), "/at/field/trees/?uses=juice&height.from=100");
        assertEquals(none.select("input[name=uses][checked]").eachAttr("value"), List.of("juice"));
        var odd = page(FILTERED);
        assertEquals(odd.select("script, b").size(), 0);
        assertEquals(
                odd.select(".found > .note").size(), 2, odd.select(".found").text());
    }

    @Test
    public void whatAFormLeftEmptyIsNotInTheAddress() {
        var answer = visitor.send("GET", "/at/field/trees/?uses=juice&height.from=&height.to=&q=", null);
        assertEquals(answer.statusCode(), 302);
        assertEquals(answer.headers().firstValue("location").orElse(""), "/at/field/trees/?uses=juice");
        assertEquals(
                visitor.send("GET", "/at/field/trees/?after=nonsense", null).statusCode(), 404);
        assertEquals(
                visitor.send("GET", "/at/field/trees/?utm=&uses=juice", null).statusCode(), 200);
    }

    @Test
    public void mistakesAreFound() {
        assertFalse(mistakes("<!doctype html><title>x</title><p>a</b>").isEmpty());
        assertFalse(mistakes("<!doctype html><title>x</title><p id=a><p id=a>").isEmpty());
        var wrong =
                HtmlValidator.mistakes(Map.of("bad", "<!doctype html><title>x</title><img src=x style='colour: red'>"));
        assertTrue(
                wrong.stream().anyMatch(line -> line.startsWith("bad:") || line.contains("bad\"")), wrong.toString());
    }

    @Test
    public void typesStandInTheNavigationWhereTheyArePlaced() {
        assertEquals(navigation("navigation_place", Map.of("tree", 2, "plot", 1)), List.of("plot", "tree", "person"));
        var plurals = Map.of("tree", "zebras", "plot", "Éclairs", "person", "apples");
        assertEquals(navigation("plural", plurals), List.of("person", "plot", "tree"));
    }

    /** Keys of the types of the orchard in the order of the navigation, with a property set by their keys. */
    private static List<String> navigation(String property, Map<String, ?> values) {
        var types = Orchard.edited(Map.of()).types().stream()
                .map(type -> {
                    var code = PackageWriter.tree(type);
                    if (values.containsKey(type.key())) {
                        code.put(property, values.get(type.key()));
                    }
                    return (ContentType) DefinitionView.read("type", code);
                })
                .toList();
        return PageFrame.listed(new Model(types), _ -> true).stream()
                .map(ContentType::key)
                .toList();
    }

    @Test
    public void nothingLeadsToAnIndexThatIsOffOrEmpty() {
        var nav = page("/at/field/").select("nav a").eachText();
        assertEquals(nav, List.of("Our trees", "Sorts", "Cider"), "no person is published, whatever the look says");
        server.anna.ok("PUT", "/api/sites/field/settings", Map.of("look", "plain", "address", "", "unlisted", false));
        nav = page("/at/field/").select("nav a").eachText();
        assertEquals(nav, List.of("Trees"), "plots have no index, and no person is published");
        server.anna.ok("PUT", "/api/sites/field/settings", Map.of("look", "", "address", "", "unlisted", false));
        var plot = page("/at/field/plots/by-the-gate");
        assertEquals(plot.select(".trail").text(), "Plots");
        assertTrue(plot.select(".trail a").isEmpty());
        assertEquals(page(tree).select(".trail a").eachText(), List.of("Trees"));
        assertEquals(visitor.send("GET", "/at/field/plots/", null).statusCode(), 404);
    }

    @Test
    public void aTermFindsWhatHasItInAField() {
        assertEquals(
                page("/at/field/labels/leaning").select(".cards :is(h2, h3)").eachText(), List.of("Old Mary"));
        assertEquals(
                page("/at/field/sorts/perry-pear").select(".cards :is(h2, h3)").eachText(), List.of("Old Mary"));
        assertTrue(page("/at/field/sorts/pear").select(".cards").isEmpty());
    }

    @Test
    public void termsStandInTheirTree() {
        var apple = page("/at/field/sorts/")
                .select(".tree > li:has(> a:containsOwn(Apple))")
                .first();
        assertEquals(apple.select("> .tree > li > a").eachText(), List.of("Cider apple"));
    }

    @Test
    public void theSearchFindsWhatIsPublished() {
        assertEquals(page("/at/field/?q=mary").select(".cards :is(h2, h3)").eachText(), List.of("Old Mary"));
        assertTrue(page("/at/field/?q=draft").text().contains("Nothing was found"));
        var hostile = page("/at/field/?q=%22%3E%3Cb%3Ebold");
        assertTrue(hostile.select("b").isEmpty());
        assertEquals(page("/at/field/?q=").select("h1").text(), "Field");
    }

    @Test
    public void searchEnginesAreToldWhatAPageIsAbout() {
        var page = page(tree);
        assertEquals(page.select("meta[name=description]").attr("content"), "An old tree");
        assertEquals(page.select("link[rel=icon]").attr("href"), "/public/icon.svg");
        assertEquals(visitor.send("GET", "/public/icon.svg", null).statusCode(), 200);
    }

    @Test
    public void rowsWithinRowsAreATable() {
        var cell = page(tree).select("td table").first();
        assertEquals(cell.select("th").eachText(), List.of("Branch", "Thickness"));
        assertEquals(cell.select("td").eachText(), List.of("Perry pear", "4.5"));
    }
}
