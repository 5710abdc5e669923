package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.Model;
import org.jontrel.demo.Client;

/** An installation whose draft is the Trust's whole model, an architect in it, and shorthands for the modelling desk. */
public final class Desk implements AutoCloseable {
    private static final double SETTLED_WITHIN = 3_000;
    private static final double OPENS_WITHIN = 8_000;

    public static final String WORKSPACE = "/w/tessel-waters/";
    static final Path DRAFT = Path.of("../demo/src/main/resources/org/jontrel/demo/draft");
    final Installation installation = new Installation();
    public final Client api = installation.firstArchitect("anna", "anna-password");
    public final Visitor anna;
    public final Page page;

    public Desk() {
        api.post("/api/accounts", Map.of("name", "bob", "role", "architect", "password", "bob-password"));
        api.post("/api/workspaces", Map.of("title", "Tessel waters"));
        api.post("/api/workspaces/tessel-waters/draft/take", Map.of("definitions", definitions(model())));
        anna = new Visitor(installation.address()).signIn("anna", "anna-password");
        page = anna.page;
    }

    /** Releases the draft as 1.0.0, and installs it on a site called Bench; the number of the run. */
    public long installOnBench() throws InterruptedException {
        api.post("/api/workspaces/tessel-waters/releases", Map.of("version", "1.0.0", "notes", ""));
        api.post("/api/workspaces/tessel-waters/sites", Map.of("name", "Bench"));
        return Installation.install(api, "bench", "1.0.0");
    }

    static Model model() {
        try {
            var read = PackageReader.read(PackageFiles.read(DRAFT, new ArrayList<>()), List.of());
            return read.content().orElseThrow().model();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    static List<Map<String, Object>> definitions(Model model) {
        return model.definitions().stream()
                .map(each -> Map.<String, Object>of(
                        "sort", PackageWriter.word(each.sort()), "definition", PackageWriter.tree(each)))
                .toList();
    }

    /** Opens a definition by its name in the outline. */
    public void open(String name) {
        anna.open(WORKSPACE + "model");
        outline(name).click();
        assertThat(anna.heading(name)).isVisible();
    }

    Locator outline(String name) {
        return page.locator("nav a:has(.name:text-is(\"" + name + "\"))").first();
    }

    Locator proof() {
        return page.getByRole(AriaRole.COMPLEMENTARY);
    }

    void tab(String name) {
        proof().getByText(name, new Locator.GetByTextOptions().setExact(true)).click();
    }

    /** A row of a table of fields, by its label. */
    Locator row(String label) {
        return page.locator("tr[data-row]:has(input[data-column=label])")
                .filter(new Locator.FilterOptions()
                        .setHas(page.locator("[role=combobox][aria-label=\"Kind of " + label + "\"]")));
    }

    Locator label(String label) {
        return row(label).locator("[data-column=label]");
    }

    public void saved() {
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Draft saved")).isVisible();
    }

    /** Labels of the fields in order, each indented by how deep it stands. */
    List<String> fields() {
        return page.locator("tr[data-row]")
                                .evaluateAll(
                                        "rows => rows.map(row => '·'.repeat(Number(row"
                                                + ".querySelector('.nest').className.match(/in(\\d)/)[1])) + row.querySelector('[data-column=label]').value)")
                        instanceof List<?> list
                ? list.stream().map(String::valueOf).toList()
                : List.of();
    }

    @Override
    public void close() {
        anna.close();
        installation.close();
    }

    /** Opens a list and clicks an option, as people do. */
    public static void choose(Locator list, String option) {
        list.click();
        var menu = list.page().locator(".n-base-select-menu");
        var wanted = list.page()
                .getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true));
        try {
            wanted.waitFor(new Locator.WaitForOptions().setTimeout(OPENS_WITHIN));
        } catch (TimeoutError e) {
            // an answer may have moved the list from under the mouse between press and release: people press again
            if (menu.count() > 0) {
                throw e;
            }
            list.click();
        }
        wanted.click();
        assertThat(menu).hasCount(0);
    }

    /** One of a few that are all seen. */
    public static void pick(Locator within, String label) {
        within.locator(".n-radio")
                .filter(new Locator.FilterOptions()
                        .setHas(within.page().getByText(label, new Page.GetByTextOptions().setExact(true))))
                .click();
    }

    /** Chooses the kind of a field by typing its name, as people who know it do. */
    static void kind(Locator kind, String name) {
        kind.press("Space");
        kind.page().keyboard().type(name);
        kind.page().keyboard().press("Enter");
        assertThat(kind).hasText(name);
    }

    /** Until what a page asks for is there, and nothing moves away from a click; what asks again and again is not waited for. */
    static void settle(Page page) {
        try {
            page.waitForLoadState(LoadState.NETWORKIDLE, new Page.WaitForLoadStateOptions().setTimeout(SETTLED_WITHIN));
        } catch (TimeoutError _) {
            // it asks on, and is used as it is
        }
    }
}
