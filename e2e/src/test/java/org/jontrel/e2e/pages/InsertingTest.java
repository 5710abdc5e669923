package org.jontrel.e2e.pages;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.jontrel.e2e.Desk;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** An editor puts values and a listing into a formatted text, by keyboard alone. */
public class InsertingTest {
    private Desk desk;
    private Page page;

    @BeforeClass
    public void start() throws InterruptedException {
        desk = new Desk();
        page = desk.page;
        desk.installOnBench();
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        desk.close();
    }

    private Locator editor() {
        return page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Way round"));
    }

    private void insert(String typed, String first) {
        desk.anna.button("Insert…").focus();
        page.keyboard().press("Enter");
        assertThat(page.getByRole(
                        AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Insert a value or a listing")))
                .isFocused();
        page.keyboard().type(typed);
        assertThat(page.getByRole(AriaRole.OPTION).first()).hasText(first);
        page.keyboard().press("Enter");
        assertThat(editor()).isFocused();
    }

    @Test
    public void aTextHoldsValuesAndAListing() {
        desk.anna.open(Desk.WORKSPACE + "records/bench/stoppage_notice/new");
        page.getByLabel("Title").first().fill("Lock closed");
        page.getByLabel("Reference").fill("S-0042");
        page.getByLabel("Starts").first().fill("2026-12-01");
        Desk.choose(page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Towpath stays open")), "No");
        page.locator("#v-phone").fill("+44 20 7946 0011");
        editor().click();
        page.keyboard().type("Ring ");
        insert("phone", "Phone");
        page.keyboard().type(" before you come.");
        page.keyboard().press("Enter");
        insert("closed now", "Closed now");
        assertThat(editor().locator(".insertion")).hasText(new String[] {"Phone", "Listing: Closed now"});
        desk.anna.button("Save draft").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("Lock closed");
        page.reload();
        assertThat(editor().locator(".insertion")).hasText(new String[] {"Phone", "Listing: Closed now"});
        desk.anna.button("Preview").click();
        var shown = page.locator(".page-frame iframe").first().contentFrame();
        assertThat(shown.getByText("Ring +44 20 7946 0011 before you come.")).isVisible();
        // as it is typed, before it is saved
        page.locator("#v-phone").fill("+44 20 7946 0099");
        assertThat(shown.getByText("Ring +44 20 7946 0099 before you come.")).isVisible();
        // a value goes like a letter
        editor().locator(".insertion").first().click();
        page.keyboard().press("Delete");
        assertThat(editor().locator(".insertion")).hasText(new String[] {"Listing: Closed now"});
        assertThat(shown.getByText("Ring before you come.")).isVisible();
    }
}
