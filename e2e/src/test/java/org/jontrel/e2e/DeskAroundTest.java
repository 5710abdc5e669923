package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.finding.Finding;
import org.testng.annotations.Test;

/** What stands around the sheet: map, findings, history, packages in and out, other people, the finder. */
public class DeskAroundTest extends DeskStoryTest {
    private Locator node(String name) {
        return page.locator("svg [role=link]").filter(new Locator.FilterOptions().setHas(page.locator("text=" + name)));
    }

    @Test
    public void theMapIsLaidOutFilteredOpenedAndSaved() throws IOException {
        desk.anna.open(Desk.WORKSPACE + "map");
        assertThat(page.locator("svg [role=link]")).hasCount(12);
        assertThat(page.locator("svg").getByText("Structures passed")).isVisible();
        desk.anna.checkAccessibility();
        Desk.choose(page.getByLabel("Neighbours"), "Around Skill");
        assertThat(page.locator("svg [role=link]")).hasCount(3);
        Desk.choose(page.getByLabel("Neighbours"), "Everything");
        page.getByLabel("Taxonomies").uncheck();
        assertThat(page.locator("svg [role=link]")).hasCount(8);
        page.getByLabel("Taxonomies").check();
        assertThat(page.locator("svg [role=link]")).hasCount(12);
        var svg = page.waitForDownload(() -> desk.anna.button("SVG").click());
        assertTrue(Files.readString(svg.path()).contains("Heritage boat"));
        var png = page.waitForDownload(() -> desk.anna.button("PNG").click());
        assertEquals(new String(Files.readAllBytes(png.path()), 1, 3, StandardCharsets.US_ASCII), "PNG");
        node("Heritage boat").click();
        assertThat(desk.anna.heading("Heritage boat")).isVisible();
    }

    @Test
    public void findingsLeadToTheirPlaceAndOfferTheirFix() {
        desk.open("Person");
        page.getByLabel("Path", new Page.GetByLabelOptions().setExact(true)).fill("Our People");
        desk.saved();
        assertThat(page.getByText("The path Our People is not valid")).isVisible();
        desk.anna.link("Findings 1").click();
        assertThat(page.getByText("1 blocker")).isVisible();
        desk.anna.checkAccessibility();
        page.getByRole(AriaRole.MAIN)
                .getByRole(
                        AriaRole.LINK,
                        new Locator.GetByRoleOptions().setName("Person").setExact(true))
                .last()
                .click();
        assertThat(desk.anna.heading("Person")).isVisible();
        desk.anna.link("Findings 1").click();
        desk.anna.button("Fix: set path to our-people").click();
        assertThat(page.getByText("The path Our People is not valid")).hasCount(0);
        desk.open("Person");
        assertThat(page.getByLabel("Path", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("our-people");
    }

    @Test
    public void theDraftStepsBackAndOneDefinitionIsDiscardedAlone() {
        desk.open("Skill");
        page.getByLabel("Plural").fill("Abilities");
        desk.saved();
        desk.open("Feature");
        page.getByLabel("Plural").fill("Amenities");
        desk.saved();
        desk.anna.link("History").click();
        var edit = page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions()
                        .setHasText("Taxonomy Skill: plural changed from “Skills” to “Abilities”"));
        assertThat(edit.first()).isVisible();
        desk.anna.checkAccessibility();
        edit.getByText("Return to here").first().click();
        assertThat(page.getByText("undone").first()).isVisible();
        desk.open("Feature");
        assertThat(page.getByLabel("Plural")).hasValue("Features");
        desk.anna.button("Redo").click();
        assertThat(page.getByLabel("Plural")).hasValue("Amenities");
        desk.anna.link("History").click();
        page.getByRole(AriaRole.ARTICLE)
                .filter(new Locator.FilterOptions().setHasText("Skill"))
                .getByText("Discard")
                .first()
                .click();
        assertThat(desk.outline("Skill")).hasCount(0);
        desk.anna.button("Undo").click();
        assertThat(desk.outline("Skill")).isVisible();
    }

    @Test
    public void filesAreComparedBeforeTheyAreTakenInAndClashesAreResolved() {
        desk.open("Seasons");
        desk.anna.link("Import and export").click();
        var broken = new FilePayload(
                "lists/x.yaml", "text/yaml", "key: x\ntitel: X\noptions: []\n".getBytes(StandardCharsets.UTF_8));
        page.locator("input[type=file]").first().setInputFiles(broken);
        assertThat(page.getByText("No property titel in choice list. Did you mean"))
                .isVisible();
        var changed =
                "key: seasons\ntitle: Times of the year\noptions: [{key: summer, label: Summer}, {key: autumn, label: Autumn}]\n";
        var fresh = "key: tools\ntitle: Tools\noptions: [{key: spade, label: Spade}]\n";
        page.locator("input[type=file]").first().setInputFiles(new FilePayload[] {
            new FilePayload("seasons.yaml", "text/yaml", changed.getBytes(StandardCharsets.UTF_8)),
            new FilePayload("tools.yaml", "text/yaml", fresh.getBytes(StandardCharsets.UTF_8))
        });
        assertThat(page.getByText("Choice list Tools added")).isVisible();
        desk.anna.checkAccessibility();
        Desk.choose(page.getByLabel("What to do with Times of the year"), "Keep ours");
        desk.anna.button("Import 1 definition").click();
        assertThat(page.getByText("1 definition was imported.")).isVisible();
        assertThat(desk.outline("Tools")).isVisible();
        assertThat(desk.outline("Seasons")).isVisible();
    }

    @Test
    public void definitionsGoOutWithAllTheyNeed() throws IOException {
        desk.open("Heritage boat");
        desk.anna.link("Import and export").click();
        page.getByLabel("Heritage boat").check();
        var saved = page.waitForDownload(
                () -> page.getByText("Export 1 definition and what it needs").click());
        var findings = new ArrayList<Finding>();
        var files = PackageFiles.zip(Files.readAllBytes(saved.path()), findings).keySet();
        assertTrue(
                files.containsAll(List.of(
                        "types/heritage_boat.yaml",
                        "types/mooring.yaml",
                        "lists/counties.yaml",
                        "taxonomies/feature.yaml")),
                files.toString());
        assertTrue(!files.contains("types/work_party.yaml"), files.toString());
    }

    @Test
    public void twoPeopleSeeEachOtherAndBothEditsAreKept() {
        try (var bob = new Visitor(desk.installation.address()).signIn("bob", "bob-password")) {
            desk.open("Work party");
            bob.open(Desk.WORKSPACE + "model");
            bob.page
                    .getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Definitions"))
                    .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Work party"))
                    .click();
            assertThat(page.getByText("bob is here too"))
                    .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(20_000));
            bob.page.getByLabel("Help for Leader").fill("Whom to call in the morning");
            assertThat(bob.page.getByRole(AriaRole.STATUS).getByText("Draft saved"))
                    .isVisible();
            assertThat(page.getByLabel("Help for Leader")).hasValue("Whom to call in the morning");
            page.route("**/presence", route -> route.abort());
            bob.page.getByLabel("Help for Most people").fill("With tools for each");
            assertThat(bob.page.getByRole(AriaRole.STATUS).getByText("Draft saved"))
                    .isVisible();
            page.getByLabel("Plural").fill("Working parties");
            assertThat(page.getByText("An edit from another window was merged with yours."))
                    .isVisible();
            assertThat(page.getByLabel("Help for Most people")).hasValue("With tools for each");
            bob.page.waitForResponse(
                    response -> response.request().method().equals("PUT"),
                    () -> bob.page.locator("#def-singular").fill("Volunteer day"));
            page.locator("#def-singular").fill("Work day");
            assertThat(page.getByText("ours makes it “Work day”, theirs “Volunteer day”"))
                    .isVisible();
            desk.anna.checkAccessibility();
            desk.anna.button("Take the other version").click();
            assertThat(page.locator("#def-singular")).hasValue("Volunteer day");
            page.unroute("**/presence");
        }
    }

    @Test
    public void theFinderFindsDefinitionsFieldsAndCommandsAndKeysAreListed() {
        desk.open("Mooring");
        page.keyboard().press("Control+k");
        page.getByLabel("Find anything").last().waitFor();
        page.keyboard().type("waypoints");
        desk.anna.checkAccessibility();
        page.keyboard().press("Enter");
        assertThat(desk.anna.heading("Towpath walk")).isVisible();
        page.keyboard().press("Control+k");
        page.keyboard().type("go map");
        page.keyboard().press("Enter");
        assertThat(desk.anna.heading("Map")).isVisible();
        desk.anna.heading("Map").click();
        page.keyboard().press("?");
        assertThat(page.getByText("Into the repeater or group above")).isVisible();
        desk.anna.checkAccessibility();
        page.keyboard().press("Escape");
        assertThat(page.getByText("Into the repeater or group above")).hasCount(0);
    }

    /** A field says where visitors read it, as far as somebody laid that out. */
    @Test
    public void aFieldSaysOnWhichPagesItStands() {
        desk.open("Structure");
        desk.label("Rise of the lock").focus();
        assertThat(page.getByText("Stands on one page that somebody laid out:")).isVisible();
        page.locator(".on-pages").getByRole(AriaRole.LINK).click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .containsText("Page of a lock");
    }
}
