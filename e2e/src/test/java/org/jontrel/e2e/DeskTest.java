package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.site.testing.HtmlValidator;
import org.testng.annotations.Test;

/** Defining things at the modelling desk: every sort of definition, every way to edit fields, and their proof. */
public class DeskTest extends DeskStoryTest {
    @Test
    public void theOutlineShowsCountsUsesAndFiltersWhileTyping() {
        desk.open("Mooring");
        assertThat(desk.outline("Waterway"))
                .hasAttribute("title", java.util.regex.Pattern.compile("2 fields · used \\d times"));
        assertThat(desk.outline("Counties").locator(".count")).hasText("4");
        page.getByPlaceholder("Filter").fill("sea");
        assertThat(desk.outline("Seasons")).isVisible();
        assertThat(desk.outline("Mooring")).hasCount(0);
        page.getByPlaceholder("Filter").fill("zzz");
        assertThat(page.getByText("No name contains “zzz”.")).isVisible();
        page.getByPlaceholder("Filter").fill("");
        Desk.choose(page.getByLabel("Order"), "Most used");
        assertThat(page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Definitions"))
                        .locator("section")
                        .first()
                        .getByRole(AriaRole.LINK)
                        .first())
                .containsText("Person");
        desk.anna.checkAccessibility();
    }

    @Test
    public void everySortOfDefinitionIsMadeFromOnePlace() {
        desk.open("Mooring");
        for (var made : List.of(
                List.of("content type", "Footbridge", "footbridges"),
                List.of("taxonomy", "Era", "eras"),
                List.of("shared group", "Access", ""),
                List.of("choice list", "Materials", ""),
                List.of("site values", "Donations", ""),
                List.of("listing", "New bridges", ""),
                List.of("layout", "Page of a bridge", ""))) {
            Desk.choose(page.getByLabel("New definition"), made.getFirst());
            if (made.getFirst().startsWith("l")) {
                Desk.choose(page.getByLabel("Lists records of").first(), "Footbridges");
            }
            page.locator("#noun").fill(made.get(1));
            page.locator("#noun").press("Enter");
            assertThat(desk.anna.heading(made.get(1))).isVisible();
            if (!made.get(2).isEmpty()) {
                assertThat(page.getByLabel("Path", new Page.GetByLabelOptions().setExact(true)))
                        .hasValue(made.get(2));
            }
            desk.anna.checkAccessibility();
        }
    }

    @Test
    public void anotherDefinitionBeginsAtItsTopAndALinkLeadsToItsField() {
        desk.open("Structure");
        page.locator("[data-row] [data-column=label]").last().scrollIntoViewIfNeeded();
        page.waitForFunction("document.querySelector('.sheet').scrollTop > 0");
        desk.outline("Towpath walk").click();
        page.waitForFunction("document.querySelector('.sheet').scrollTop === 0");
        var walk = page.url();
        var last = page.locator("[data-row]").last();
        var field = last.getAttribute("data-row");
        desk.outline("Structure").click();
        assertThat(desk.anna.heading("Structure")).isVisible();
        page.navigate(walk + "#" + field);
        assertThat(page.locator("[data-row='" + field + "'] [data-column=label]"))
                .isFocused();
    }

    @Test
    public void typesAreMovedInTheNavigationByHand() {
        desk.open("Mooring");
        page.getByText("More settings").click();
        var names = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Order in the navigation"))
                .locator(".name");
        var before = names.allTextContents();
        int at = before.indexOf("Moorings");
        assertTrue(at > 0, before.toString());
        var up = desk.anna.button("Move Moorings up in the navigation");
        up.focus();
        for (int i = at; i > 0; i--) {
            page.keyboard().press("Alt+ArrowUp");
            assertThat(names.nth(i - 1)).hasText("Moorings");
        }
        assertThat(up).isDisabled();
        assertThat(desk.anna.button("Move Moorings down in the navigation")).isFocused();
        desk.tab("Page");
        assertThat(page.frameLocator("iframe[title=Page]").locator("nav a").first())
                .hasText("Moorings");
        desk.anna.checkAccessibility();
        desk.saved();
        page.reload();
        page.getByText("More settings").click();
        assertThat(names.first()).hasText("Moorings");
        desk.tab("Form");
    }

    /** Beside the beats that tell who is there, and the strip of sites that is renewed now and then. */
    @Test
    public void anEditCostsOneRequest() {
        desk.open("Structure");
        desk.tab("Page");
        var heading = page.frameLocator("iframe[title=Page]").locator("h1");
        assertThat(heading).hasText("Structure 1");
        var asked = new ArrayList<String>();
        page.onRequest(
                request -> asked.add(request.method() + " " + request.url().replaceFirst(".*/api/", "")));
        page.locator("#def-singular").focus();
        page.keyboard().press("End");
        page.keyboard().type(" of stone");
        assertThat(heading).hasText("Structure of stone 1");
        desk.saved();
        desk.anna.rest();
        asked.removeIf(each -> each.contains("/presence") || each.contains("/public/") || each.contains("/sites"));
        assertEquals(asked.size(), 1, asked.toString());
        assertTrue(asked.getFirst().startsWith("PUT workspaces/tessel-waters/draft/definitions/"), asked.toString());
        desk.anna.button("Undo").click();
        assertThat(heading).hasText("Structure 1");
        desk.tab("Form");
    }

    @Test
    public void everyPageOfTheTrustsModelIsValidHtml() {
        var pages = new java.util.LinkedHashMap<String, String>();
        for (var type : Desk.definitions(Desk.model())) {
            if (type.get("sort").equals("type")) {
                var look = desk.api.post("/api/proof/tessel-waters/look", type);
                var key = ((Map<?, ?>) type.get("definition")).get("key");
                pages.put("page of " + key, look.get("page").asString());
                pages.put("index of " + key, look.get("index").asString());
            }
        }
        assertEquals(HtmlValidator.mistakes(pages), List.of());
    }

    @Test
    public void pageIndexAndApiAreShownWithMadeUpValues() {
        desk.open("Structure");
        desk.tab("Page");
        var frame = page.frameLocator("iframe[title=Page]");
        assertThat(frame.locator("h1")).hasText("Structure 1");
        assertThat(frame.getByText("State of repair")).isVisible();
        desk.tab("Index");
        assertThat(page.frameLocator("iframe[title=Index]").getByText("Structure 6"))
                .isVisible();
        desk.tab("API");
        assertThat(desk.proof().locator("pre").first()).containsText("\"condition\": \"fair\"");
        assertThat(desk.proof().locator("pre").first()).not().containsText("warden_email");
        assertThat(desk.proof().locator("pre").nth(1)).containsText("\"maximum\": 30");
        desk.anna.checkAccessibility();
        desk.tab("Form");
    }

    @Test
    public void codeIsEditedWithProblemsAtTheLineAndAppliedAsOneStep() {
        desk.open("Seasons");
        var code = desk.proof().locator(".cm-content");
        assertThat(code).containsText("title: Seasons");
        code.click();
        page.keyboard().press("Control+End");
        page.keyboard().type("colour: red\n");
        page.keyboard().press("Control+Enter");
        assertThat(desk.proof().getByText("No property colour in choice list.")).isVisible();
        assertThat(desk.proof().locator(".cm-lint-marker-error")).hasCount(1);
        desk.anna.checkAccessibility();
        page.keyboard().press("Control+z");
        desk.anna.button("Revert").click();
        code.click();
        page.keyboard().press("Control+Home");
        page.keyboard().type("description: When boats move.\n");
        page.keyboard().press("Control+Enter");
        desk.anna.button("Description").click();
        assertThat(page.locator("#def-description")).hasValue("When boats move.");
        desk.anna.button("Undo").click();
        assertThat(page.locator("#def-description")).hasValue("");
        code.click();
        page.keyboard().press("Control+Home");
        page.keyboard().type("des");
        page.keyboard().press("Control+Space");
        assertThat(page.locator(".cm-tooltip-autocomplete")).containsText("description");
        page.keyboard().press("Escape");
        desk.anna.button("Revert").click();
    }

    @Test
    public void theDarkThemeIsReadableTooAndWideAndNarrowScreensWork() {
        desk.open("Mooring");
        desk.anna.account("Dark theme");
        desk.label("Surface").focus();
        desk.anna.checkAccessibility();
        page.setViewportSize(1920, 1080);
        desk.anna.checkAccessibility();
        page.setViewportSize(900, 800);
        desk.anna.checkAccessibility();
        page.getByText("Proof", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(desk.proof()).isVisible();
        assertThat(page.locator("tr[data-row]")).hasCount(0);
        page.setViewportSize(1280, 800);
        desk.anna.account("Light theme");
    }
}
