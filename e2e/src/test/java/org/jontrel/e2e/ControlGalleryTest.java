package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.sun.net.httpserver.HttpServer;
import com.sun.net.httpserver.SimpleFileServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every wrapper of {@code web/src/shared/controls} on one page, closed and open, in both themes: by axe and by keyboard. */
public class ControlGalleryTest {
    private static final Path WEB = Path.of("../web").toAbsolutePath().normalize();
    /** More than there are stops on the page. */
    private static final int MOST_TABS = 120;

    private HttpServer files;
    private Visitor visitor;
    private Page page;

    @BeforeClass
    public void start() {
        var address = new InetSocketAddress(InetAddress.getLoopbackAddress(), 0);
        files = SimpleFileServer.createFileServer(
                address, WEB.resolve("target/gallery"), SimpleFileServer.OutputLevel.NONE);
        files.start();
        visitor = new Visitor("http://127.0.0.1:" + files.getAddress().getPort());
        page = visitor.page;
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        visitor.close();
        files.stop(0);
    }

    @DataProvider
    public Object[][] themes() {
        return new Object[][] {{"light"}, {"dark"}};
    }

    private void open(String theme) {
        visitor.open("/gallery.html");
        page.evaluate("theme => localStorage.setItem('jontrel-theme', theme)", theme);
        page.reload();
        assertThat(visitor.heading("Controls")).isVisible();
        assertEquals(page.evaluate("document.documentElement.style.colorScheme"), theme);
    }

    private Locator control(String name) {
        return page.locator("[data-control=" + name + "]");
    }

    private Locator button(Locator within, String name) {
        return within.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    @Test
    public void everyWrapperIsOnThePage() throws IOException {
        open("light");
        try (var sources = Files.list(WEB.resolve("src/shared/controls"))) {
            var wrappers = sources.map(file -> file.getFileName().toString())
                    .filter(name -> name.endsWith(".vue"))
                    .map(name -> name.replace(".vue", ""))
                    .collect(Collectors.toCollection(TreeSet::new));
            assertEquals(shown(), wrappers);
        }
    }

    private Set<String> shown() {
        var names =
                (List<?>) page.locator("[data-control]").evaluateAll("all => all.map(each => each.dataset.control)");
        return names.stream().map(String::valueOf).collect(Collectors.toCollection(TreeSet::new));
    }

    @Test(dataProvider = "themes")
    public void everyWrapperIsAccessibleClosedAndOpen(String theme) {
        open(theme);
        visitor.checkAccessibility();
        control("Disclosure").getByRole(AriaRole.BUTTON).click();
        for (var name : List.of("Choice", "Choices", "SearchInput")) {
            opened(control(name).getByRole(AriaRole.COMBOBOX).first());
            // more than it shows at once
            opened(page.getByRole(
                    AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^Long " + words(name)))));
        }
        opened(page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Choice of nothing")));
        for (var name : List.of("DateInput", "ColourInput", "Menu")) {
            control(name).getByRole(AriaRole.BUTTON).first().click();
            assertThat(page.locator(".v-binder-follower-content:visible").first())
                    .isVisible();
            visitor.checkAccessibility();
            page.keyboard().press("Escape");
            assertThat(page.locator(".v-binder-follower-content:visible")).hasCount(0);
        }
        assertEquals(visitor.errors(), List.of());
    }

    @Test(dataProvider = "themes")
    public void dialogsKeepTheFocusAndGiveItBack(String theme) {
        open(theme);
        var opener = button(control("Dialog"), "Open a dialog");
        opener.click();
        visitor.checkAccessibility("[role=dialog]");
        for (int i = 0; i < 5; i++) {
            page.keyboard().press("Tab");
            assertEquals(page.evaluate("!!document.activeElement.closest('[role=dialog]')"), true);
        }
        page.keyboard().press("Escape");
        assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
        assertThat(opener).isFocused();
        var asker = button(control("Dialog"), "Ask a question");
        for (var answer : List.of("Remove", "Kept")) {
            asker.click();
            visitor.checkAccessibility("[role=dialog]");
            if (answer.equals("Remove")) {
                visitor.confirm("Remove");
            } else {
                page.keyboard().press("Escape");
            }
            assertThat(page.getByRole(AriaRole.STATUS)).hasText(answer.equals("Remove") ? "Removed" : "Kept");
            assertThat(asker).isFocused();
        }
    }

    private static String words(String control) {
        return control.replace("Input", "").toLowerCase(Locale.ROOT) + "$";
    }

    private void opened(Locator box) {
        box.click();
        assertThat(page.locator(".n-base-select-menu:visible")).isVisible();
        visitor.checkAccessibility();
        page.keyboard().press("Escape");
        assertThat(page.locator(".n-base-select-menu:visible")).hasCount(0);
    }

    /** The option that the arrows are on, and whether the list has been scrolled to it. */
    private Locator active(Locator box) {
        var id = box.getAttribute("aria-activedescendant");
        return page.locator("[id='" + id + "']");
    }

    @Test(dataProvider = "lists")
    public void longListsAreScrolledByKeyboard(String name, String first) {
        open("light");
        var box = page.getByRole(
                AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(name).setExact(true));
        box.focus();
        page.keyboard().press("ArrowDown");
        assertThat(page.locator(".n-base-select-menu:visible")).isVisible();
        assertThat(active(box)).hasText(first);
        assertThat(active(box)).isInViewport();
        for (var i = 0; i < 12; i++) {
            page.keyboard().press("ArrowUp");
        }
        assertThat(active(box)).isInViewport(new LocatorAssertions.IsInViewportOptions().setRatio(0.9));
    }

    @DataProvider
    Object[][] lists() {
        return new Object[][] {{"Long choice", "Village 31"}, {"Long search", "Village 2"}};
    }

    @Test
    public void whatIsSearchedForIsPickedByKeyboard() {
        open("light");
        var search = page.getByRole(
                AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Search").setExact(true));
        var options = page.getByRole(AriaRole.OPTION);
        search.focus();
        assertThat(options).hasText(new String[] {"Apple fruit", "Pear fruit", "Quince fruit"});
        page.keyboard().type("p");
        assertThat(options).hasCount(2);
        page.keyboard().press("ArrowDown");
        var active = search.getAttribute("aria-activedescendant");
        assertThat(page.locator("[id='" + active + "']")).hasText("Pear fruit");
        page.keyboard().press("Enter");
        assertThat(control("SearchInput").locator(".picked")).hasText("pear");
        assertThat(search).hasValue("");
        assertThat(options).hasCount(0);
        page.keyboard().press("ArrowDown");
        page.keyboard().type("nothing like it");
        assertThat(page.getByText("Nothing found")).isVisible();
        visitor.checkAccessibility();
        page.keyboard().press("Enter");
        assertThat(control("SearchInput").locator(".picked")).hasText("pear");
        page.keyboard().press("Escape");
        assertThat(page.getByText("Nothing found")).isHidden();
        assertThat(search).isFocused();
    }

    @Test(dataProvider = "themes")
    public void theKeyboardReachesEveryWrapper(String theme) {
        open(theme);
        page.locator("h1").click();
        var reached = new TreeSet<String>();
        for (int i = 0; i < MOST_TABS; i++) {
            page.keyboard().press("Tab");
            var at = page.evaluate("document.activeElement?.closest('[data-control]')?.dataset.control ?? ''");
            if (!String.valueOf(at).isEmpty()) {
                reached.add(String.valueOf(at));
            }
        }
        var all = shown();
        // what is disabled is passed by
        all.remove("ControlSet");
        assertEquals(reached, all);
    }
}
