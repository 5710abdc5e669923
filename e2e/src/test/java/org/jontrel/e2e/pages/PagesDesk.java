package org.jontrel.e2e.pages;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import java.util.regex.Pattern;
import org.jontrel.e2e.Desk;

/** The Pages area of an installation whose model is on the site Bench, and shorthands for it. */
final class PagesDesk implements AutoCloseable {
    /** The id of the type, which records that stand above others are named by. */
    private static final String STRUCTURE = "tk4m2x8q1";

    final Desk desk = new Desk();
    final Page page = desk.page;

    PagesDesk() throws InterruptedException {
        desk.installOnBench();
    }

    /** Adds a record, and says its number. */
    long record(String type, Map<String, Object> values, String state) {
        return add(type, Map.of("version", 0, "state", state, "values", values));
    }

    long record(String type, Map<String, Object> values) {
        return record(type, values, "draft");
    }

    /** A published structure below another one. */
    long below(long parent, Map<String, Object> values) {
        var above = Map.of("type", STRUCTURE, "id", parent);
        return add("structure", Map.of("version", 0, "state", "published", "values", values, "parent", above));
    }

    private long add(String type, Map<String, Object> record) {
        return desk.api
                .post("/api/sites/bench/types/" + type + "/records", record)
                .at("/record/id")
                .asLong();
    }

    long upload(String type, String field, String name, byte[] content, Map<String, String> more) {
        return desk.api
                .upload("/api/sites/bench/types/" + type + "/fields/" + field + "/files", name, content, more)
                .get("id")
                .asLong();
    }

    /** The number of a term by the last part of its address. */
    long term(String taxonomy, String slug) {
        for (var term : desk.api
                .get("/api/sites/bench/taxonomies/" + taxonomy + "/records?most=500")
                .get("records")) {
            if (term.get("slug").asString().equals(slug)) {
                return term.get("id").asLong();
            }
        }
        throw new AssertionError("no term " + slug);
    }

    FrameLocator shown() {
        return page.locator(".page-frame iframe").first().contentFrame();
    }

    Locator block(String words) {
        return page.locator("[data-block] .name").filter(new Locator.FilterOptions().setHasText(words));
    }

    /** One that stands within another. */
    Locator inner(String words) {
        return page.locator(".block:not(.in0) .name").filter(new Locator.FilterOptions().setHasText(words));
    }

    /** The page of a type in the outline, by the beginning of its name: {@code Page}, {@code Card}, {@code Index}. */
    void open(String type, String use) {
        desk.anna.open(Desk.WORKSPACE + "pages");
        var named = new Page.GetByRoleOptions().setName(type).setExact(true);
        page.locator(".holder")
                .filter(new Locator.FilterOptions().setHas(page.getByRole(AriaRole.HEADING, named)))
                .getByRole(AriaRole.LINK)
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^" + use)))
                .first()
                .click();
    }

    void withDrafts() {
        page.getByLabel("Drafts too").check();
    }

    void layOut() {
        desk.anna.button("Lay it out").click();
        assertThat(desk.anna.button("Back to derived")).isVisible();
    }

    /** Adds a block by the quick line at the end; what is typed finds it, and Enter takes the first. */
    void add(String typed) {
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^Add a block")))
                .fill(typed);
        page.keyboard().press("Enter");
    }

    /** Adds a block below the selected one, as somebody does who uses no mouse: within it where it holds others. */
    void addBelow(Locator block, String typed) {
        var blocks = page.locator(".block .name");
        int before = blocks.count();
        block.focus();
        page.keyboard().press("Enter");
        page.waitForCondition(() -> page.locator("input:focus").count() > 0);
        page.keyboard().type(typed);
        page.keyboard().press("Enter");
        page.waitForCondition(() -> blocks.count() > before);
    }

    /** Of the settings of the selected block. */
    Locator setting(String label) {
        return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    }

    void choose(String label, String option) {
        Desk.choose(setting(label), option);
    }

    /** Opens the settings of a block; what was open closes. */
    void select(Locator block) {
        if (!"true".equals(block.getAttribute("aria-expanded"))) {
            block.click();
        }
    }

    @Override
    public void close() {
        desk.close();
    }
}
