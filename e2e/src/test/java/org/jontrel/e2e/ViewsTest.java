package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Every view: without a serious finding of axe, readable in both themes, and without scrolling sideways on narrow screens. */
public class ViewsTest {
    private static final int HEIGHT = 800;
    private static final int WIDTH = 1280;
    private static final List<Integer> NARROWER = List.of(1000, 800, 360);
    private final List<String> views = new ArrayList<>();
    private Desk desk;
    private Page page;

    @BeforeClass
    public void start() throws InterruptedException {
        desk = new Desk();
        page = desk.page;
        long run = desk.installOnBench();
        var person = Map.of("title", "Ada Quill", "email", "ada.quill@example.org");
        long id = desk.api
                .post(
                        "/api/sites/bench/types/person/records",
                        Map.of("version", 0, "state", "published", "values", person))
                .at("/record/id")
                .asLong();
        views.addAll(List.of("/", "/help", "/help/fields", "/account", "/accounts", "/nowhere"));
        for (var model : List.of("model/tk4m2x8q1", "model/x09jm1ptb", "model/g4e1ul391", "model/l4sgpygra")) {
            views.add(Desk.WORKSPACE + model);
        }
        for (var area : List.of("map", "findings", "history", "exchange", "releases", "sites", "sites/bench")) {
            views.add(Desk.WORKSPACE + area);
        }
        views.add(Desk.WORKSPACE + "sites/bench/runs/" + run);
        views.add(Desk.WORKSPACE + "sites/bench/held");
        var records = Desk.WORKSPACE + "records/bench/";
        for (var record : List.of(
                "person", "person/" + id, "structure/new", "towpath_walk/new", "taxonomies-waterway", "media-files")) {
            views.add(records + record);
        }
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        desk.close();
    }

    private void inTheme(ColorScheme theme) {
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(theme));
        page.waitForFunction(
                "theme => document.documentElement.style.colorScheme === theme",
                theme.name().toLowerCase(Locale.ROOT));
    }

    @Test
    public void everyViewIsAccessibleInBothThemesAndFitsNarrowScreens() {
        var mistakes = new ArrayList<String>();
        for (var view : views) {
            page.setViewportSize(WIDTH, HEIGHT);
            desk.anna.open(view);
            page.waitForLoadState(LoadState.NETWORKIDLE);
            try {
                assertThat(page.locator("h1").first()).isVisible();
                inTheme(ColorScheme.LIGHT);
                desk.anna.checkAccessibility();
                inTheme(ColorScheme.DARK);
                desk.anna.checkContrast();
            } catch (AssertionError e) {
                mistakes.add(view + ": " + e.getMessage());
            }
            for (int width : NARROWER) {
                page.setViewportSize(width, HEIGHT);
                desk.anna.painted();
                int needed = (int) page.evaluate("document.documentElement.scrollWidth");
                if (needed > width) {
                    mistakes.add(view + " needs " + needed + " pixels at " + width);
                }
            }
        }
        assertTrue(mistakes.isEmpty(), String.join("\n", mistakes));
        assertEquals(desk.anna.errors(), List.of());
    }
}
