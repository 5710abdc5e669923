package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ReducedMotion;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/** Somebody at a browser of 1280 by 800 pixels. */
public final class Visitor implements AutoCloseable {
    private static final int LONGEST_PAUSE = 1_500;
    /** In milliseconds: two classes of stories are told at the same time, also on slow machines. */
    private static final int PATIENCE = 45_000;

    /** One for all visitors of a process, each with a profile of its own: to start one takes seconds. */
    private static Browser browser;

    static {
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE);
    }

    private final BrowserContext context;
    private final String address;
    private final List<String> errors = new ArrayList<>();
    public final Page page;

    /** Somebody who asked their system for little motion: nothing is waited for that only moves. */
    public Visitor(String address) {
        this(address, ReducedMotion.REDUCE);
    }

    Visitor(String address, ReducedMotion motion) {
        this.address = address;
        context = browser()
                .newContext(new Browser.NewContextOptions()
                        .setViewportSize(1280, 800)
                        .setReducedMotion(motion));
        // many stories type into names and settings: they stand open, as somebody has left them
        context.addInitScript("localStorage.getItem('jontrel.names') ?? localStorage.setItem('jontrel.names', 'true')");
        page = watched(context.newPage());
    }

    private static Browser browser() {
        if (browser == null || !browser.isConnected()) {
            browser = launched();
        }
        return browser;
    }

    private static Browser launched() {
        return Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(
                                Path.of(System.getenv().getOrDefault("JONTREL_CHROMIUM", "/usr/bin/chromium")))
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--disable-gpu",
                                "--disable-quic",
                                "--disable-dev-shm-usage",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync",
                                "--no-first-run")));
    }

    private Page watched(Page fresh) {
        fresh.setDefaultTimeout(PATIENCE);
        fresh.onPageError(errors::add);
        return fresh;
    }

    /** A second tab of the same session. */
    Page tab() {
        return watched(context.newPage());
    }

    public Visitor open(String path) {
        page.navigate(address + path);
        return this;
    }

    public Visitor signIn(String name, String password) {
        open("/sign-in");
        page.getByLabel("Name").fill(name);
        page.getByLabel("Password").fill(password);
        page.keyboard().press("Enter");
        page.waitForURL(url -> !url.contains("/sign-in"));
        return this;
    }

    /** Something in the menu of the account. */
    void account(String item) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(java.util.regex.Pattern.compile("^Account of")))
                .click();
        page.locator(".n-dropdown-option")
                .getByText(item, new Locator.GetByTextOptions().setExact(true))
                .click();
    }

    /** The answer to a question before something that cannot be taken back. */
    public void confirm(String act) {
        page.getByRole(AriaRole.DIALOG)
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(act).setExact(true))
                .click();
    }

    /** Adds a site, and stands before its plan. */
    void addSite(String name) {
        link("Sites").click();
        page.locator("#site-name").fill(name);
        button("Add site").click();
        assertThat(heading("Plan for " + name)).isVisible();
    }

    /** Opens a part of the page of a site, by the beginning of what its tab says. */
    public void part(String name) {
        Desk.settle(page);
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)))
                .click();
    }

    public Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    public Locator link(String name) {
        return page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    public Locator heading(String name) {
        return page.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** No serious or critical finding of the accessibility checker on what is shown now. */
    public void checkAccessibility() {
        checkAccessibility("html");
    }

    /** @param within a selector, such as of the dialog that is open: what is behind it counts as not seen */
    void checkAccessibility(String within) {
        checkSerious(checker().include(within));
        assertEquals(
                page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"),
                true,
                "a horizontal scroll bar on " + page.url());
        assertEquals(
                page.evaluate("!document.querySelector('.frame')"
                        + " || document.documentElement.scrollHeight <= window.innerHeight"),
                true,
                "the frame itself scrolls on " + page.url());
    }

    /** What a theme can break, where the rest of a view was checked in the other one. */
    void checkContrast() {
        checkSerious(checker().withRules(List.of("color-contrast")));
    }

    private AxeBuilder checker() {
        var options = new AxeRunOptions();
        options.setResultTypes(List.of("violations"));
        return new AxeBuilder(page).options(options);
    }

    private void checkSerious(AxeBuilder checker) {
        // in the page itself: a second page for the results takes longer than the check
        var serious = checker.setLegacyMode(true).analyze().getViolations().stream()
                .filter(violation -> List.of("serious", "critical").contains(violation.getImpact()))
                .map(violation -> violation.getId() + ": " + violation.getHelp() + " "
                        + violation.getNodes().stream()
                                .limit(3)
                                .map(node -> node.getHtml())
                                .toList())
                .toList();
        assertTrue(serious.isEmpty(), page.url() + " " + serious);
    }

    /** Waits until what was changed is laid out and painted. */
    void painted() {
        page.evaluate("() => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))");
    }

    /** Waits until nothing moves any more that ends by itself. */
    private void still() {
        page.evaluate("""
                () => {
                  const moving = document.getAnimations()
                    .filter(each => each.effect?.getComputedTiming().iterations !== Infinity);
                  const late = new Promise(done => setTimeout(done, 2_000));
                  return Promise.race([Promise.allSettled(moving.map(each => each.finished)), late]);
                }""");
    }

    /** Long enough for anything that waits before it asks the server: to see that nothing does. */
    void rest() {
        page.waitForTimeout(LONGEST_PAUSE);
    }

    /** Errors that scripts on any page threw. */
    public List<String> errors() {
        return errors;
    }

    void picture(String folder, String name) {
        page.evaluate("document.fonts.ready");
        painted();
        still();
        page.screenshot(new Page.ScreenshotOptions().setPath(Path.of(folder, name + ".png")));
    }

    @Override
    public void close() {
        context.close();
    }
}
