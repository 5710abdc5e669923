package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.site.testing.HtmlValidator;
import org.jontrel.site.testing.Orchard;
import org.jsoup.Jsoup;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Layouts over HTTP: what blocks can show, what is derived, one's own, and how they look with records of a site. */
public class LayoutApiTest {
    private static final String PAGES = "/api/workspaces/orchard/pages";
    private OrchardServer server;
    private long mary;
    private long bare;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.start();
        mary = server.add("tree", full("Old Mary"), "published");
        bare = server.add("tree", Map.of("title", "Bare", "tag", "b", "fruits", false), "published");
        server.add("tree", Map.of("title", "Secret", "tag", "s", "fruits", false), "draft");
    }

    private static Map<String, Object> full(String title) {
        return new HashMap<>(Orchard.tree(title));
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private JsonNode look(Map<String, Object> more) {
        var body =
                new HashMap<String, Object>(Map.of("type", "ttree", "use", "page", "drafts", false, "site", "field"));
        body.putAll(more);
        return server.anna.ok("POST", "/api/proof/orchard/page", body);
    }

    private static Map<String, Object> layout(Object... blocks) {
        return Map.of(
                "id",
                "ytree0001",
                "key",
                "tree_page",
                "title",
                "Page of a tree",
                "type",
                "ttree",
                "blocks",
                List.of(blocks));
    }

    private static Map<String, Object> text(String text) {
        return Map.of("id", "btext0001", "block", "text", "text", text);
    }

    @Test
    public void whatCanBeShownIsNamedByTheWayToIt() {
        var ways = server.anna.ok("GET", PAGES + "/ways?type=ttree", null);
        var byKeys = new HashMap<String, JsonNode>();
        ways.forEach(way -> byKeys.put(way.get("keys").asString(), way));
        assertEquals(byKeys.get("keeper.title").get("path").asString(), "fkeeper.part_title");
        assertEquals(byKeys.get("keeper.title").get("label").asString(), "Keeper › Title");
        assertEquals(byKeys.get("prunings").get("block").asString(), "rows");
        assertEquals(byKeys.get("children").get("block").asString(), "related");
        assertTrue(byKeys.containsKey("site.office.desk") && byKeys.containsKey("parent.title"));
        var home = server.anna.ok("GET", PAGES + "/ways", null);
        assertTrue(home.valueStream().allMatch(way -> way.get("keys").asString().startsWith("site.")));
    }

    @Test
    public void theRealPageIsThatOfARecordThatVisitorsSee() {
        var first = look(Map.of());
        assertEquals(first.get("title").asString(), "Bare", "the last that was changed and is published");
        assertFalse(first.has("layout") && !first.get("layout").isNull());
        assertEquals(look(Map.of("pick", "fullest")).get("record").asLong(), mary);
        assertEquals(look(Map.of("pick", "emptiest")).get("record").asLong(), bare);
        assertEquals(look(Map.of("pick", "longest")).get("record").asLong(), mary);
        assertEquals(look(Map.of("pick", "next", "record", mary)).get("record").asLong(), bare);
        assertEquals(look(Map.of("record", mary)).get("title").asString(), "Old Mary");
        assertEquals(look(Map.of("drafts", true)).get("title").asString(), "Secret");
    }

    @Test
    public void whatIsTypedIsShownAndNotStored() {
        var typed = layout(text("Grows {fheight else \"somewhere\"} <b>high</b>."));
        var look = look(Map.of("definition", typed, "sort", "layout", "record", mary));
        assertTrue(
                look.get("page").asString().contains("Grows 4.50"),
                look.get("page").asString());
        assertTrue(Jsoup.parse(look.get("page").asString()).select("article b").isEmpty());
        assertEquals(look.get("layout").asString(), "ytree0001");
        assertEquals(look.get("why").asString(), "It is for every record.");
        assertEquals(HtmlValidator.mistakes(Map.of("page", look.get("page").asString())), List.of());
        assertFalse(server.anna
                .ok("GET", "/api/workspaces/orchard/draft", null)
                .toString()
                .contains("ytree0001"));
    }

    @Test
    public void aLayoutForSomeIsShownWithOneOfThem() {
        var typed = new HashMap<>(layout(text("High")));
        typed.put("where", Map.of("field", "fheight", "filled", true));
        var look = look(Map.of("definition", typed, "sort", "layout"));
        assertEquals(look.get("title").asString(), "Old Mary");
        assertEquals(look.get("why").asString(), "It is for those where Height is filled in.");
    }

    @Test
    public void whatTheSiteDoesNotHaveIsEmptyAndBreaksNothing() {
        var typed = new HashMap<>(layout(
                text("Before"),
                Map.of("id", "bnew00001", "block", "field", "field", "fnothing"),
                Map.of("id", "bnew00002", "block", "related", "field", "inothing")));
        typed.put("where", Map.of("field", "fnothing", "is", "x"));
        var look = look(Map.of("definition", typed, "sort", "layout"));
        assertEquals(look.get("why").asString(), "No layout is for this record, so it is derived from the fields.");
        typed.remove("where");
        var page = look(Map.of("definition", typed, "sort", "layout"));
        assertEquals(
                Jsoup.parse(page.get("page").asString()).select("article p").text(), "Before");
    }

    @Test
    public void cardsLinesHomeAndMadeUpRecordsAreShown() {
        for (var use : List.of("card", "row")) {
            assertTrue(look(Map.of("use", use)).get("page").asString().contains("Bare"));
        }
        var samples = new HashMap<String, Object>(Map.of("type", "ttree", "use", "page", "drafts", false));
        assertTrue(server.anna
                .ok("POST", "/api/proof/orchard/page", samples)
                .get("sample")
                .asBoolean());
        assertTrue(look(Map.of("type", "")).get("page").asString().contains("Trees"));
        assertEquals(
                server.anna
                        .send(
                                "POST",
                                "/api/proof/orchard/page",
                                Map.of("type", "nothing", "use", "page", "drafts", false))
                        .statusCode(),
                404);
        assertEquals(
                server.anna
                        .send(
                                "POST",
                                "/api/proof/orchard/page",
                                Map.of("type", "ttree", "use", "poster", "drafts", false))
                        .statusCode(),
                422);
    }

    @Test
    public void whatIsDerivedBecomesOnesOwn() {
        var derived = server.anna.ok("GET", PAGES + "/derived?type=tplot&use=page", null);
        assertEquals(derived.get("blocks").size(), 2, derived.toString());
        var own = server.anna.ok("POST", PAGES + "/own?type=tplot&use=page", null);
        var made = server.anna
                .ok("GET", "/api/workspaces/orchard/draft", null)
                .get("definitions")
                .valueStream()
                .filter(each -> each.at("/definition/id")
                        .asString()
                        .equals(own.get("id").asString()))
                .findFirst()
                .orElseThrow();
        assertEquals(made.at("/definition/title").asString(), "Page of plot");
        assertEquals(made.at("/definition/blocks").size(), derived.get("blocks").size());
        assertEquals(look(Map.of("type", "tplot", "site", "field")).get("why").asString(), "It is for every record.");
    }
}
