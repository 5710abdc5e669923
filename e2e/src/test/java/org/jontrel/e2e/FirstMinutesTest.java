package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ReducedMotion;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jontrel.demo.Client;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A new architect's first minutes, with every click and key counted: the focus is where work goes on. */
public class FirstMinutesTest {
    private static final int MOST_CLICKS = 12;
    private static final int MOST_KEYS = 60;
    private Installation installation;
    private Client api;
    private Visitor anna;
    private Page page;
    private int clicks;
    private int keys;

    @BeforeClass
    public void start() {
        installation = new Installation();
        api = installation.firstArchitect("anna", "anna-password");
        anna = new Visitor(installation.address(), ReducedMotion.NO_PREFERENCE).signIn("anna", "anna-password");
        page = anna.page;
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        if (anna != null) {
            anna.close();
        }
        installation.close();
    }

    private void click(Locator what) {
        what.click();
        clicks++;
    }

    /** Types where the focus is, which must be there already. */
    private void type(Locator where, String text) {
        assertThat(where).isFocused();
        page.keyboard().type(text);
        keys += text.length();
    }

    private void enter() {
        page.keyboard().press("Enter");
        keys++;
    }

    @Test
    public void fromSigningInToAPublicPageInAFewClicksAndKeys() {
        type(page.getByLabel("Title"), "Belfries");
        enter();
        assertThat(anna.heading("Begin your model")).isVisible();
        anna.checkAccessibility();
        type(page.locator("#first-noun"), "Bell");
        enter();
        assertThat(anna.heading("Bell")).isVisible();
        type(page.locator(".quick-line input"), "Weight number kg");
        enter();
        assertThat(page.locator("[data-column=label]")).hasValue("Weight");
        click(anna.link("Releases"));
        click(anna.button("Release 1.0.0"));
        assertThat(anna.heading("1.0.0")).isVisible();
        click(anna.link("Sites"));
        type(page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)), "Trial");
        enter();
        click(anna.button("Run on Trial"));
        var records = anna.link("Records of Trial");
        assertThat(records).isFocused();
        enter();
        click(anna.button("Add bell"));
        type(page.locator("[data-field=title] input"), "Great bell");
        click(anna.button("Publish"));
        var seen = page.waitForPopup(() -> click(anna.link("See its page")));
        assertThat(seen.getByRole(
                        com.microsoft.playwright.options.AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName("Great bell")))
                .isVisible();
        System.out.println("From signing in to the first public page: " + clicks + " clicks, " + keys + " keys");
        assertTrue(clicks <= MOST_CLICKS, clicks + " clicks");
        assertTrue(keys <= MOST_KEYS, keys + " keys");
        assertEquals(anna.errors(), List.of());
    }

    @Test(dependsOnMethods = "fromSigningInToAPublicPageInAFewClicksAndKeys")
    public void aPlanOfFieldsBecomesAType() {
        page.navigate(installation.address() + "/?new");
        type(page.getByLabel("Title"), "Orchards");
        enter();
        page.getByLabel("Paste rows here")
                .fill("Label\tType\tRequired\tHelp\tOptions\nHeight\tNumber (1 decimal m)\tyes\tFrom the ground\t\n"
                        + "Shape\tDropdown\t\t\tTall, Wide\n");
        anna.button("Read fields").click();
        assertThat(anna.button("Add 2 fields")).isDisabled();
        page.getByLabel("What is one record called?").fill("Tree");
        anna.checkAccessibility();
        anna.button("Add 2 fields").click();
        assertThat(anna.heading("Tree")).isVisible();
        var labels = page.locator("[data-column=label]");
        assertThat(labels).hasCount(2);
        assertThat(labels.nth(0)).hasValue("Height");
        assertThat(page.locator("[data-column=help]").nth(0)).hasValue("From the ground");
        labels.nth(1).click();
        assertThat(page.getByLabel("Label of option 2")).hasValue("Wide");
        page.getByLabel("Options to add, separated by commas, or a pasted list").fill("Weeping, Wide, Dwarf");
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("Label of option 4")).hasValue("Dwarf");
        assertThat(page.getByLabel("Key of option 4")).hasValue("dwarf");
        anna.account("Sign out");
        page.waitForURL(Pattern.compile("sign-in"));
    }

    @Test(dependsOnMethods = "aPlanOfFieldsBecomesAType")
    public void editorsLandInRecords() {
        api.post("/api/accounts", Map.of("name", "ben", "role", "editor", "password", "ben-the-editor"));
        anna.signIn("ben", "ben-the-editor");
        page.waitForURL(Pattern.compile("/w/belfries/records/trial/bell$"));
        assertThat(anna.heading("Bells")).isVisible();
        assertEquals(anna.errors(), List.of());
    }
}
