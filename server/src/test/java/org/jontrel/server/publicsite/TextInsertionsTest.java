package org.jontrel.server.publicsite;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.server.OrchardServer;
import org.jontrel.server.Session;
import org.jontrel.site.testing.HtmlValidator;
import org.jontrel.site.testing.Orchard;
import org.jsoup.Jsoup;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Values and listings that editors put into formatted texts, from the form to pages and programs. */
public class TextInsertionsTest {
    private static final String TREES = "/api/sites/field/types/tree";
    private static final String STORY = "<p>It is %s high.</p><p>Kept by %s.</p><p>Of %s, ask at %s.</p>"
                    .formatted(
                            value("fheight"),
                            value("fkeeper"),
                            value("own_site.own_name"),
                            value("own_site.voffice.fdesk"))
            + "<div data-listing=\"qtagged\"></div><p>The end</p>";
    private OrchardServer server;
    private Session visitor;
    private Session program;
    private long mary;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of());
        visitor = server.session();
        program = server.program("Importer", "editor");
        mary = server.add("tree", tree("Old Mary", STORY), "published");
        server.add("tree", tree("Young Tom", ""), "published");
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private static String value(String way) {
        return "<span data-value=\"" + way + "\"></span>";
    }

    private static Map<String, Object> tree(String title, String story) {
        var values = new HashMap<>(Orchard.tree(title));
        values.put("story", story);
        return values;
    }

    private String page(String path) {
        return visitor.send("GET", "/at/field/" + path, null).body();
    }

    @Test
    public void pagesShowThem() {
        var page = Jsoup.parse(page("trees/old-mary")).select("main");
        var text = page.text();
        assertTrue(text.contains("It is 4.50 m high."), text);
        assertFalse(text.contains("Kept by"), "nobody keeps it: " + text);
        assertTrue(text.contains("Of Field, ask at ."), text);
        assertEquals(page.select("a[href=/at/field/trees/young-tom]").size(), 1, page.toString());
        assertTrue(text.indexOf("Young Tom") < text.indexOf("The end"), text);
        assertEquals(page.select("[data-value], [data-listing], [data-of]").size(), 0);
        assertEquals(
                HtmlValidator.mistakes(Map.of("page", page("trees/old-mary"))).toString(), "[]");
    }

    @Test
    public void theFormIsToldWhatMayBeInserted() {
        var offered = server.anna.ok("GET", TREES + "/insertions", null);
        var labels = new HashMap<String, String>();
        offered.forEach(each -> labels.put(
                each.get("sort").asString() + " " + each.get("name").asString(),
                each.get("label").asString()));
        assertEquals(labels.get("value fheight"), "Height");
        assertEquals(labels.get("value fkeeper.part_title"), "Keeper › Title");
        assertEquals(labels.get("value own_site.voffice.fdesk"), "Site › Office › Desk");
        assertEquals(labels.get("listing qtagged"), "Tagged trees");
        assertEquals(
                labels.keySet().stream()
                        .filter(name -> name.matches("value (.*\\.)?(fstory|fphotos|fpapers|fbark|ichildren)"))
                        .toList(),
                List.of(),
                "what does not fit into a line");
    }

    /** Whatever is offered may be saved, and what is not may not. */
    @Test
    public void whatLeadsNowhereIsRefused() {
        var all = new StringBuilder();
        server.anna.ok("GET", TREES + "/insertions", null).forEach(each -> {
            if (each.get("sort").asString().equals("value")) {
                all.append("<p>").append(value(each.get("name").asString())).append("</p>");
            }
        });
        server.add("tree", tree("Everything", all.toString()), "draft");
        for (var bad : List.of("nowhere", "fheight.fheight", "fstory", "height", "ichildren", "fkeeper.fheight")) {
            var refused = server.anna.send(
                    "POST",
                    TREES + "/records",
                    Map.of("version", 0, "state", "draft", "values", tree("Bad " + bad, "<p>" + value(bad) + "</p>")));
            assertEquals(refused.statusCode(), 422, bad);
            assertTrue(refused.body().contains("Story holds a value that leads nowhere from here"), refused.body());
        }
        var refused = server.anna.send(
                "POST",
                TREES + "/records",
                Map.of(
                        "version",
                        0,
                        "state",
                        "draft",
                        "values",
                        tree("Bad listing", "<div data-listing=\"nowhere\"></div>")));
        assertEquals(refused.statusCode(), 422);
        assertTrue(refused.body().contains("Story holds a listing that there is none of any more."), refused.body());
    }

    @Test
    public void whatIsTypedShowsBeforeItIsSaved() {
        var values = tree("Old Mary", STORY);
        values.put("height", "9.25");
        var preview = server.anna.ok("POST", TREES + "/preview", Map.of("values", values, "id", mary));
        assertTrue(preview.get("page").asString().contains("It is 9.25&nbsp;m high."), preview.toString());
        values.remove("height");
        preview = server.anna.ok("POST", TREES + "/preview", Map.of("values", values, "id", mary));
        assertFalse(preview.get("page").asString().contains("It is"), "the stored height is not what is typed");
    }

    /** Programs read the words, may send back what they read, and lose nothing. */
    @Test
    public void programsReadAndWriteThem() {
        var path = "/at/field/api/trees/" + mary;
        var story = program.ok("GET", path, null).get("story").asString();
        assertTrue(story.contains("<span data-value=\"fheight\">4.50&nbsp;m</span>"), story);
        assertTrue(story.contains("<p hidden>Kept by"), story);
        assertTrue(
                story.contains("<div data-listing=\"qtagged\"><ul><li><a href=\"/at/field/trees/old-mary\">"), story);
        var tag = program.send("GET", path, null).headers().firstValue("ETag").orElseThrow();
        var sent = program.with("If-Match", tag).send("PATCH", path, Map.of("values", Map.of("story", story)));
        assertEquals(sent.statusCode(), 200, sent.body());
        var stored = server.anna.ok("GET", TREES + "/records/" + mary, null);
        assertEquals(stored.at("/record/values/story").asString(), STORY);
        assertEquals(stored.at("/record/version").asInt(), 1, "nothing changed");
    }

    /** Renamed fields, a renamed listing, and a run: nobody touches a text. */
    @Test(dependsOnMethods = {"pagesShowThem", "theFormIsToldWhatMayBeInserted", "programsReadAndWriteThem"})
    public void theyFollowRenames() throws InterruptedException {
        server.release(
                "2.0.0",
                Map.of(
                        "key: height, label: Height", "key: size, label: Size",
                        "key: tagged\ntitle: Tagged trees", "key: labelled\ntitle: Labelled trees"));
        server.run("2.0.0");
        var page = page("trees/old-mary");
        assertTrue(page.contains("It is 4.50&nbsp;m high."), page);
        assertTrue(page.contains("young-tom"), page);
        assertTrue(server.anna.ok("GET", TREES + "/insertions", null).toString().contains("Labelled trees"));
    }
}
