package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.site.testing.HtmlValidator;
import org.jontrel.site.testing.Moorings;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The control of every kind in the entry form, what it says to wrong input, and how its value stands on the page. */
public class KindsTest {
    private Installation installation;
    private Visitor visitor;

    @BeforeClass
    public void start() throws InterruptedException {
        installation = new Installation();
        var client = installation.firstArchitect("anna", "anna-password");
        client.post("/api/workspaces", Map.of("title", "Tessel"));
        var type = Moorings.standard().types().getFirst();
        client.put(
                "/api/workspaces/tessel/draft/definitions/" + type.id(),
                Map.of("sort", "type", "base", 0, "definition", PackageWriter.tree(type)));
        client.post("/api/workspaces/tessel/releases", Map.of("version", "1.0.0", "notes", ""));
        client.post("/api/workspaces/tessel/sites", Map.of("name", "Trial"));
        Installation.install(client, "trial", "1.0.0");
        visitor = new Visitor(installation.address()).signIn("anna", "anna-password");
        visitor.open("/w/tessel/records/trial/mooring/new");
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        if (visitor != null) {
            visitor.close();
        }
        installation.close();
    }

    private void wrong(String label, String text, String sentence) {
        visitor.page.getByLabel(label).first().fill(text);
        assertThat(visitor.page.getByText(sentence)).isVisible();
        assertThat(visitor.page.getByLabel(label).first()).hasAttribute("aria-invalid", "true");
    }

    @Test
    public void k1_wrongInputIsSaidAtItsFieldWhileTyping() {
        wrong("Length", "long", "Length must be a number such as 12 or 2.5, and this is \"long\".");
        wrong("E-mail", "keeper at example", "E-mail must be an e-mail address such as keeper@example.org");
        wrong("Phone", "call me", "Phone must be a telephone number");
        wrong("Tint", "red", "Tint must be a colour such as #1d5a6b");
        visitor.checkAccessibility();
        visitor.button("Publish").click();
        assertThat(visitor.page.getByText("Nothing was saved: some values need attention."))
                .isVisible();
        assertThat(visitor.page.getByLabel("E-mail")).hasValue("keeper at example");
    }

    @Test(dependsOnMethods = "k1_wrongInputIsSaidAtItsFieldWhileTyping")
    public void k2_everyControlIsFilledByKeyboard() {
        var page = visitor.page;
        page.getByLabel("Title").focus();
        page.keyboard().type("Quay");
        page.getByLabel("Length").fill("12.5");
        page.getByLabel("Rise").focus();
        page.keyboard().type("low");
        page.keyboard().press("Tab");
        page.keyboard().type("Poor");
        page.keyboard().press("Tab");
        page.keyboard().type("Yes");
        page.keyboard().press("Tab");
        page.keyboard().type("05311890");
        page.getByLabel("Note").focus();
        page.keyboard().type("Two");
        page.keyboard().press("Enter");
        page.keyboard().type("lines");
        page.getByLabel("Opens").focus();
        page.keyboard().type("0930AM");
        page.getByLabel("E-mail").fill("keeper@example.org");
        page.getByLabel("Phone").fill("+44 20 7946 0000");
        page.getByLabel("Tint").first().fill("#1D5");
        visitor.button("Publish").click();
        assertThat(visitor.link("See its page")).isVisible();
        assertThat(page.getByLabel("Tint").first()).hasValue("#11dd55");
        assertThat(page.getByLabel("Since")).hasValue("05/31/1890");
        assertThat(page.getByLabel("Opens")).hasValue("09:30");
        assertThat(page.getByLabel("Condition")).hasText("Poor");
        visitor.checkAccessibility();
    }

    @Test(dependsOnMethods = "k2_everyControlIsFilledByKeyboard")
    public void k3_thePageShowsEachValueInItsOwnWay() {
        visitor.open(visitor.link("See its page").getAttribute("href"));
        var page = visitor.page;
        var html = page.request().get(page.url()).text();
        assertEquals(HtmlValidator.mistakes(Map.of("the page of every kind", html)), List.of());
        for (var text : List.of("12.50\u00a0m", "low", "Poor", "Yes", "31 May 1890", "09:30", "#11dd55")) {
            assertThat(page.getByRole(AriaRole.MAIN).getByText(text)).isVisible();
        }
        assertThat(visitor.link("keeper@example.org")).hasAttribute("href", "mailto:keeper@example.org");
        assertThat(visitor.link("+44 20 7946 0000")).hasAttribute("href", "tel:+442079460000");
        assertThat(page.locator(".swatch rect")).hasCSS("fill", "rgb(17, 221, 85)");
        assertThat(page.getByText("Photo")).hasCount(0);
        visitor.checkAccessibility();
        assertEquals(visitor.errors(), List.of());
    }
}
