package org.jontrel.e2e.pages;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Media;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jontrel.e2e.Desk;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The look of a site: made beside the real page, chosen for a site, and as visitors meet it. */
public class LooksTest {
    private static final List<String> PAGES = List.of(
            "/at/bench/", "/at/bench/boats/", "/at/bench/boats/kestrel", "/at/bench/?q=kestrel", "/at/bench/none");
    private Desk desk;
    private Page page;

    @BeforeClass
    public void start() throws InterruptedException {
        desk = new Desk();
        page = desk.page;
        desk.installOnBench();
        for (var title : List.of("Kestrel", "Heron")) {
            desk.api.post(
                    "/api/sites/bench/types/heritage_boat/records",
                    Map.of(
                            "version",
                            0,
                            "state",
                            "published",
                            "values",
                            Map.of(
                                    "title",
                                    title,
                                    "summary",
                                    "An old boat.",
                                    "body",
                                    "w".repeat(10_000),
                                    "built",
                                    "1911",
                                    "livery",
                                    "#1d5a6b",
                                    "former_names",
                                    List.of(Map.of("name", "x".repeat(150), "until", "1920")))));
        }
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        desk.close();
    }

    private FrameLocator shown() {
        return page.locator(".page-frame iframe").first().contentFrame();
    }

    private String variable(String name) {
        return (String)
                shown().locator("html").evaluate("(root, name) => getComputedStyle(root).getPropertyValue(name)", name);
    }

    private void eventually(String name, String value) {
        page.waitForCondition(() -> variable(name).equals(value));
    }

    @Test
    public void aLookIsMadeBesideTheRealPage() {
        desk.anna.open(Desk.WORKSPACE + "pages");
        page.getByText("Look", new Page.GetByTextOptions().setExact(true)).click();
        page.getByLabel("New look").fill("Summer");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .containsText("Summer");
        desk.anna.button("Begin with the look Night").click();
        eventually("--ground", "#10182a");
        page.getByLabel("Ground", new Page.GetByLabelOptions().setExact(true)).fill("#fffdf0");
        assertThat(page.getByText("is hard to read on the ground").first()).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Broadsheet|Broadsheet$")))
                .click();
        assertThat(page.getByText("is hard to read on the ground")).hasCount(0);
        eventually("--ground", "#fbf7ef");
        page.getByLabel("Beside the name, with values of the site").fill("Boats of {site.name}");
        assertThat(shown().locator(".tagline")).hasText("Boats of Bench");
        desk.anna.button("Add entry").click();
        page.getByLabel("Words", new Page.GetByLabelOptions().setExact(true)).fill("Our structures");
        desk.anna.button("Add entry").click();
        Desk.choose(page.locator("#link-1"), "An address");
        page.locator("#link-address-1").fill("javascript:alert(1)");
        page.locator("#link-label-1").fill("Shop");
        assertThat(page.getByText("Give a whole address that begins with https://")
                        .first())
                .isVisible();
        page.locator("#link-address-1").fill("https://shop.example/");
        assertThat(shown().locator("nav a").last()).hasText("Shop");
        desk.anna.button("Move entry 2 up").click();
        assertThat(page.locator("#link-label-0")).hasValue("Shop");
        page.getByLabel("CSS").fill("h1 { background: url(https://example.org/x.png) }");
        assertThat(page.getByText("a style loads nothing").first()).isVisible();
        page.getByLabel("CSS").fill("h1 { text-transform: uppercase }");
        assertThat(page.getByText("a style loads nothing")).hasCount(0);
        assertThat(shown().locator("h1")).hasCSS("text-transform", "uppercase");
        page.getByText("Paper", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(shown().locator("nav").first()).isHidden();
        eventually("--ground", "#fff");
        page.getByText("Phone", new Page.GetByTextOptions().setExact(true)).click();
        eventually("--ground", "#fbf7ef");
        desk.saved();
        desk.anna.checkAccessibility();
    }

    /** A site wears a look that comes with the application as soon as it is chosen. */
    @Test
    public void aSiteChoosesALook() {
        desk.anna.open(Desk.WORKSPACE + "sites/bench");
        desk.anna.part("Site");
        Desk.choose(page.locator("#site-look"), "Broadsheet");
        page.getByLabel("Address that visitors know").fill("towpath");
        desk.anna.button("Save settings").click();
        assertThat(page.getByText("The address of a site begins with https://")).isVisible();
        page.getByLabel("Address that visitors know").fill("https://bench.example");
        page.getByLabel("Ask search engines to leave this site out").check();
        desk.anna.button("Save settings").click();
        assertThat(page.getByText("Saved. Pages show it from now on.")).isVisible();
        desk.anna.checkAccessibility();
        desk.anna.open("/at/bench/boats/kestrel");
        assertThat(page.locator("header.centred")).isVisible();
        assertEquals(page.locator("link[rel=canonical]").getAttribute("href"), "https://bench.example/boats/kestrel");
        assertEquals(page.locator("meta[name=robots]").getAttribute("content"), "noindex");
        page.evaluate("document.fonts.load('16px \"Fraunces Variable\"')");
        assertEquals(
                page.evaluate("document.fonts.check('16px \"Fraunces Variable\"')"), true, "typefaces come with it");
    }

    /** Every shipped look holds what the plain one holds: contrast, narrow screens, print. */
    @Test(dependsOnMethods = "aSiteChoosesALook")
    public void everyShippedLookIsAccessibleNarrowAndPrinted() {
        for (var look : List.of("plain", "broadsheet", "night")) {
            desk.api.put("/api/sites/bench/settings", Map.of("look", look, "address", "", "unlisted", false));
            for (var address : PAGES) {
                desk.anna.open(address);
                desk.anna.checkAccessibility();
                page.setViewportSize(320, 800);
                assertEquals(page.evaluate("document.documentElement.scrollWidth"), 320, look + " on " + address);
                page.setViewportSize(1280, 800);
            }
            page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
            assertEquals(page.evaluate("getComputedStyle(document.body).backgroundColor"), "rgb(255, 255, 255)", look);
            assertThat(page.locator("nav").first()).isHidden();
            assertThat(page.locator("header")).hasCSS("background-color", "rgba(0, 0, 0, 0)");
            page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.SCREEN));
        }
    }
}
