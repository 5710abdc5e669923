package org.jontrel.server.publicsite;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import javax.imageio.ImageIO;
import org.jontrel.server.OrchardServer;
import org.jontrel.server.Session;
import org.jontrel.site.testing.HtmlValidator;
import org.jontrel.site.testing.Orchard;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.jsoup.parser.Parser;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** What people type into records and definitions is text on every page, feed and map, whatever it looks like. */
public class HostilePagesTest {
    private static final String SCRIPT = HostileDefinitions.SCRIPT;
    private static final String IMAGE = HostileDefinitions.IMAGE;
    private static final String OTHERS = "{title} ${7*7} {{x}} %s &lt;b&gt; <!-- ]]> \\u003cscript>";
    private static final String WORD = "w".repeat(10_000);
    /** Every page, list and file of the site that a stranger can ask for. */
    private static final List<String> ADDRESSES = List.of(
            "",
            "trees/",
            "trees/?q=alert",
            "trees/?sort=%3Cscript%3Ealert(1)%3C/script%3E&mood=%22%3E%3Cimg%20src=x%20onerror=alert(1)%3E",
            "trees/?planted.from=javascript:alert(1)",
            "?q=%3Cscript%3Ealert(1)%3C/script%3E",
            "?q=%22%20onfocus=alert(1)%20autofocus%20x=%22",
            "sorts/",
            "sorts/apple",
            "people/",
            "nowhere/%3Cscript%3Ealert(1)%3C/script%3E");

    private OrchardServer server;
    private Session visitor;
    private final List<String> addresses = new ArrayList<>(ADDRESSES);

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of(
                "index: {order: fplanted}",
                "index: {order: fplanted, search: true, filters: [fplanted, mood, sort]}\n"
                        + "head: {title: '{title} {bark.texture}', description: '{story}', schema: Thing,"
                        + " properties: [{name: alternateName, value: '{bark.texture}'}]}"));
        visitor = server.session();
        server.anna.ok("POST", "/api/workspaces/orchard/draft/take", Map.of("definitions", HostileDefinitions.all()));
        server.anna.ok("POST", "/api/workspaces/orchard/releases", Map.of("version", "1.1.0", "notes", ""));
        server.run("1.1.0");
        server.anna.ok(
                "PUT",
                "/api/sites/field/settings",
                Map.of("look", HostileDefinitions.LOOK, "address", "", "unlisted", false));
        int number = 0;
        for (var text : List.of(SCRIPT, IMAGE, OTHERS, "x" + WORD)) {
            var values = new HashMap<String, Object>(Orchard.tree("Tree " + number));
            values.put("title", text.substring(0, Math.min(150, text.length())));
            values.put("summary", text.substring(0, Math.min(250, text.length())));
            values.put("tag", "h" + number++);
            values.put("bark", Map.of("texture", text.substring(0, Math.min(200, text.length()))));
            values.put(
                    "story",
                    "<p>" + text.replace("\"'>", "") + "</p><a href=\"javascript:alert(1)\">here</a>"
                            + "<p onclick=\"alert(1)\" style=\"position:fixed;inset:0\">over</p><svg onload=\"alert(1)\"></svg>"
                            + "<p>Of <span data-value=\"part_title\" onclick=\"alert(1)\"></span>, and of"
                            + " <span data-value=\"fbark.ftexture\"></span></p><div data-listing=\"qtagged\"></div>");
            var made = server.anna.ok(
                    "POST",
                    "/api/sites/field/types/tree/records",
                    Map.of("version", 0, "state", "published", "values", values));
            addresses.add("trees/" + made.at("/record/slug").asString());
        }
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private static boolean acts(Element element) {
        boolean script =
                element.tagName().equals("script") && !element.attr("type").equals("application/ld+json");
        return script
                || List.of("style", "iframe", "object", "embed", "base").contains(element.tagName())
                || element.attributes().asList().stream()
                        .anyMatch(each -> acts(each.getKey(), each.getValue().strip()));
    }

    private static boolean acts(String attribute, String value) {
        return attribute.startsWith("on")
                || attribute.equals("style")
                || List.of("href", "src", "action").contains(attribute)
                        && value.toLowerCase(Locale.ROOT).startsWith("javascript:");
    }

    @Test
    public void nothingThatWasTypedActsOnAnyPage() {
        var seen = new TreeMap<String, String>();
        for (var address : addresses) {
            var answer = visitor.send("GET", "/at/field/" + address, null);
            assertTrue(answer.statusCode() < 500, address);
            assertTrue(
                    answer.headers()
                            .firstValue("Content-Security-Policy")
                            .orElse("")
                            .contains("default-src 'none'"),
                    address);
            var page = Jsoup.parse(answer.body());
            assertEquals(
                    page.select("*").stream()
                            .filter(HostilePagesTest::acts)
                            .toList()
                            .toString(),
                    "[]",
                    address);
            assertFalse(page.select("img").eachAttr("src").contains("x"), address);
            page.select("script").forEach(data -> assertFalse(data.data().contains("<"), data.data()));
            seen.put(address, answer.body());
        }
        assertEquals(HtmlValidator.mistakes(seen).toString(), "[]");
        var page = Jsoup.parse(seen.get(addresses.get(ADDRESSES.size())));
        assertTrue(
                page.select("h1").text().contains("<script>alert(1)</script>"),
                "it is there, as text: " + page.select("h1"));
        assertTrue(
                page.select("footer").text().contains("<script>"),
                page.select("footer").html());
    }

    private long picture(int number) throws Exception {
        var drawn = new ByteArrayOutputStream();
        var image = new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, number);
        ImageIO.write(image, "png", drawn);
        var body = new ByteArrayOutputStream();
        body.writeBytes(("--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"p.png\"\r\n"
                        + "Content-Type: image/png\r\n\r\n")
                .getBytes(StandardCharsets.UTF_8));
        body.writeBytes(drawn.toByteArray());
        body.writeBytes("\r\n--b--\r\n".getBytes(StandardCharsets.UTF_8));
        var answer = server.anna.sendBytes(
                "/api/sites/field/types/tree/fields/photos/files",
                "multipart/form-data; boundary=b",
                body.toByteArray());
        assertEquals(answer.statusCode(), 201, answer.body());
        return JsonMapper.shared().readTree(answer.body()).get("id").asLong();
    }

    /** Five hundred pictures: each has its room before it is there, and none but the first is fetched before it is seen. */
    @Test
    public void manyPicturesWaitUntilTheyAreSeen() throws Exception {
        var values = new HashMap<String, Object>(Orchard.tree("Many pictures"));
        values.put("tag", "many");
        var pictures = new ArrayList<Long>();
        for (int i = 0; i < 500; i++) {
            pictures.add(picture(i));
        }
        values.put("photos", pictures);
        server.add("tree", values, "published");
        var html = visitor.send("GET", "/at/field/trees/many-pictures", null).body();
        var shown = Jsoup.parse(html).select("main img");
        assertEquals(shown.size(), 500);
        assertEquals(shown.select("[width][height]").size(), 500);
        assertTrue(shown.select("[loading=lazy]").size() >= 499, "pictures that wait");
        assertEquals(HtmlValidator.mistakes(Map.of("many", html)).toString(), "[]");
    }

    /** Feeds and maps are XML, whatever is in them. */
    @Test
    public void feedsAndMapsStayWellFormed() throws Exception {
        var builder =
                javax.xml.parsers.DocumentBuilderFactory.newDefaultInstance().newDocumentBuilder();
        for (var address : List.of("trees/feed.xml", "sitemap.xml", "sitemap.xml?of=trees")) {
            var xml = visitor.send("GET", "/at/field/" + address, null);
            assertEquals(xml.statusCode(), 200, address);
            builder.parse(
                    new java.io.ByteArrayInputStream(xml.body().getBytes(java.nio.charset.StandardCharsets.UTF_8)));
            assertFalse(
                    Jsoup.parse(xml.body(), Parser.xmlParser())
                                    .select("script, img")
                                    .size()
                            > 0,
                    address);
        }
    }

    /** The same page while it is laid out, where styles may stand in the page: still nothing that acts. */
    @Test
    public void whatIsLaidOutIsAsHarmless() {
        for (var sort : List.of("layout", "look")) {
            var body = new HashMap<String, Object>(
                    Map.of("type", "ttree", "use", "page", "drafts", true, "site", "field", "sort", sort));
            body.put(
                    "definition",
                    sort.equals("look")
                            ? Map.of(
                                    "id",
                                    HostileDefinitions.LOOK,
                                    "key",
                                    "h",
                                    "title",
                                    "H",
                                    "style",
                                    "a{color:red}</style><script>alert(1)</script>")
                            : Map.of(
                                    "id",
                                    HostileDefinitions.LAYOUT,
                                    "key",
                                    "h",
                                    "title",
                                    "H",
                                    "type",
                                    "ttree",
                                    "blocks",
                                    List.of(Map.of("id", "bhostile2", "block", "text", "text", SCRIPT))));
            var page = Jsoup.parse(server.anna
                    .ok("POST", "/api/proof/orchard/page", body)
                    .get("page")
                    .asString());
            assertEquals(page.select("style").size(), 1, sort);
            assertFalse(page.select("style").first().data().contains("alert"), sort);
            page.select("style").remove();
            assertEquals(
                    page.select("*").stream()
                            .filter(HostilePagesTest::acts)
                            .toList()
                            .toString(),
                    "[]",
                    sort);
        }
    }

    /** Signs that turn the direction of text would make the rest of a line read backwards. */
    @Test
    public void signsThatTurnTextEndWithIt() {
        var values = new HashMap<String, Object>(Orchard.tree("Turned"));
        values.put("title", "Apple \u202Egnp.exe");
        values.put("summary", "\u2067Stands by the gate");
        values.put("story", "<p>Old &#x202E;gnp &#x2067;and more</p>");
        values.put("tag", "bidi");
        server.add("tree", values, "published");
        for (var address : List.of("", "trees/", "trees/apple-gnp-exe", "?q=gnp", "trees/feed.xml")) {
            var body = visitor.send("GET", "/at/field/" + address, null).body();
            assertTrue(body.contains("Apple gnp.exe"), address);
            assertFalse(body.contains("\u202E"), address);
            assertEquals(
                    body.chars().filter(sign -> sign == '\u2067').count(),
                    body.chars().filter(sign -> sign == '\u2069').count(),
                    address);
        }
    }
}
