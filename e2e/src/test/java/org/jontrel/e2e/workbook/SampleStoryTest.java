package org.jontrel.e2e.workbook;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import org.jontrel.demo.Client;
import org.jontrel.e2e.Desk;
import org.jontrel.e2e.Installation;
import org.jontrel.e2e.Visitor;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** From an empty workspace to a page with a picture, by a sample of which a part was left out. */
public class SampleStoryTest {
    private Installation installation;
    private Client api;
    private Visitor anna;

    @BeforeClass
    public void start() {
        installation = new Installation();
        api = installation.firstArchitect("anna", "anna-password");
        api.post("/api/workspaces", Map.of("title", "Loft"));
        anna = new Visitor(installation.address()).signIn("anna", "anna-password");
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        if (anna != null) {
            anna.close();
        }
        installation.close();
    }

    /** In the outline of the model. */
    private Locator puppet() {
        return anna.page.locator("nav a:has(.name:text-is(\"Puppet\"))");
    }

    private Locator foot() {
        return anna.page.locator("footer.bottom");
    }

    @Test
    public void aSampleIsTakenInPartsAndItsRecordsComeOntoASite() throws InterruptedException {
        anna.open("/w/loft/model");
        assertThat(anna.page.locator(".sample")).hasCount(5);
        anna.checkAccessibility();
        anna.link("Puppet loft").click();
        Desk.choose(
                anna.page.getByRole(
                        AriaRole.COMBOBOX,
                        new Page.GetByRoleOptions()
                                .setName("What to do with Loan")
                                .setExact(true)),
                "Leave out");
        Desk.choose(
                anna.page.getByRole(
                        AriaRole.COMBOBOX,
                        new Page.GetByRoleOptions()
                                .setName("What to do with Out now")
                                .setExact(true)),
                "Leave out");
        anna.checkAccessibility();
        anna.button("Import 5 definitions").click();
        assertThat(anna.page.getByText("5 definitions were imported.")).isVisible();
        anna.button("Undo").click();
        assertThat(puppet()).hasCount(0);
        anna.button("Redo").click();
        assertThat(puppet()).hasCount(1);

        api.post("/api/workspaces/loft/releases", Map.of("version", "1.0.0", "notes", ""));
        api.post("/api/workspaces/loft/sites", Map.of("name", "Attic"));
        Installation.install(api, "attic", "1.0.0");
        anna.open("/w/loft/records/attic/workbook-rows");
        anna.button("Puppet loft (9)").click();
        assertThat(anna.heading("Puppet loft")).isVisible();
        anna.button("Try the rows").click();
        assertThat(foot()).containsText("7 new");
        assertThat(foot()).not().containsText("cannot");
        anna.button("Bring 7 rows").click();
        assertThat(foot()).containsText("7 records made");
        anna.open("/at/attic/puppets/owl");
        assertThat(anna.page.locator("img[alt=Owl]").first()).isVisible();
        assertEquals(anna.errors(), List.of());
    }
}
