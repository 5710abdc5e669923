package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.testng.annotations.Test;

/** The whole way of a content type, through the real interface: from nothing to a second site and back. */
public class StoryTest extends DefinitionStoryTest {
    @Test(dependsOnMethods = "s5_theReleaseIsInstalledOnTwoSites")
    public void s6_recordsAreFilledWithLimitsShownAtTheField() throws IOException {
        anna.open("/w/tessel-waters/records/trial/mooring");
        assertThat(page.getByText("No moorings yet")).isVisible();
        anna.checkAccessibility();
        anna.button("Add mooring").click();
        page.getByLabel("Length").fill("12.55");
        anna.button("Publish").click();
        assertThat(page.locator("[data-field=title]").getByText("Title is required. Fill it in before publishing."))
                .isVisible();
        anna.button("Title is required. Fill it in before publishing.").click();
        assertThat(page.getByLabel("Title")).isFocused();
        assertThat(page.locator("[data-field=length]").getByText("at most 1 decimal is stored"))
                .isVisible();
        page.getByLabel("Title").fill("Quay <b>of</b> 😀 \"Robert'); DROP TABLE mooring;--");
        page.getByLabel("Length").fill("12.5");
        Desk.choose(page.getByLabel("Surface"), "Grass");
        upload("notes.png", "no picture".getBytes(StandardCharsets.UTF_8), "Something");
        assertThat(page.getByText("notes.png is not a JPEG, PNG or GIF picture"))
                .isVisible();
        upload("small.png", picture(20), "Something");
        assertThat(page.getByText("Photo is 20 pixels wide; at least 50 are needed."))
                .isVisible();
        upload("quay.png", picture(120), "The quay at noon");
        assertThat(page.getByAltText("The quay at noon")).isVisible();
        anna.button("Save draft").click();
        assertThat(page.getByText("Draft", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        anna.checkAccessibility();
        anna.button("Publish").click();
        assertThat(anna.link("See its page")).isVisible();
    }

    private void upload(String name, byte[] content, String alt) {
        page.getByLabel("Picture for Photo").setInputFiles(new FilePayload(name, "image/png", content));
        page.getByLabel("Alternative text").fill(alt);
        anna.button("Upload picture").click();
    }

    private static byte[] picture(int width) throws IOException {
        var bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, 60, BufferedImage.TYPE_INT_RGB), "png", bytes);
        return bytes.toByteArray();
    }

    @Test(dependsOnMethods = "s6_recordsAreFilledWithLimitsShownAtTheField")
    public void s7_thePublicPageShowsFilledFieldsAsTextAndNoEmptyOne() {
        anna.open(anna.link("See its page").getAttribute("href"));
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("Quay <b>of</b> 😀 \"Robert'); DROP TABLE mooring;--");
        assertThat(page.getByText("12.5\u00a0m")).isVisible();
        assertThat(page.getByAltText("The quay at noon")).isVisible();
        assertThat(page.getByText("In use since")).hasCount(0);
        anna.checkAccessibility();
        anna.open("/at/trial/moorings/");
        assertThat(page.getByRole(AriaRole.MAIN).getByRole(AriaRole.LISTITEM)).hasCount(1);
        anna.checkAccessibility();
        anna.open("/at/trial/moorings/no-such-place");
        assertThat(anna.heading("Page not found")).isVisible();
    }

    private Map<String, String> everything() {
        var all = new HashMap<String, String>();
        api.get("/api/sites/trial/types/mooring/records?most=500")
                .get("records")
                .forEach(record -> all.put(
                        record.get("id").asString(), record.get("values").toString()));
        return all;
    }

    @Test(dependsOnMethods = "s7_thePublicPageShowsFilledFieldsAsTextAndNoEmptyOne")
    public void s8_theModelChangesAndTheAdviceSaysWhy() {
        for (int i = 0; i < RECORDS; i++) {
            var values = Map.of("title", "Mooring " + i, "rise", "rise " + i, "length", String.valueOf(i));
            api.post(
                    "/api/sites/trial/types/mooring/records",
                    Map.of("version", 0, "state", "published", "values", values));
        }
        before = everything();
        assertEquals(before.size(), RECORDS + 1);
        anna.open("/w/tessel-waters/model");
        page.getByLabel("Label of field 7").fill("Rise of the lock");
        page.getByLabel("Key of Rise of the lock").fill("rise_of_lock");
        page.getByLabel("Label of field 5").fill("Notes for boaters");
        page.getByLabel("Label of field 7").focus();
        page.keyboard().press("Enter");
        type("Depth");
        assertThat(page.getByLabel("Key of Depth")).hasValue("depth");
        Desk.kind(page.getByLabel("Kind of Depth"), "Number");
        page.getByLabel("Depth is required").check();
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Draft saved")).isVisible();
        anna.link("Releases").click();
        assertThat(page.getByLabel("Version")).hasValue("2.0.0");
        assertThat(page.locator("#advice")).containsText("field Rise of the lock renamed from rise to rise_of_lock");
        assertThat(page.locator("#advice")).containsText("field Depth added");
        anna.button("Release 2.0.0").click();
        assertThat(anna.heading("2.0.0")).isVisible();
    }

    @Test(dependsOnMethods = "s8_theModelChangesAndTheAdviceSaysWhy")
    public void s8b_thePlanAsksAndRunsAndNothingIsLost() {
        anna.open("/w/tessel-waters/sites/trial");
        assertThat(page.getByText("201 records of Mooring have no value for Depth"))
                .isVisible();
        assertThat(anna.button("Run on Trial")).isDisabled();
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Value for Depth"))
                .fill("deep");
        anna.button("Save answer").click();
        assertThat(page.getByText("The value to fill Depth with cannot be used"))
                .isVisible();
        assertThat(anna.button("Run on Trial")).isDisabled();
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Value for Depth"))
                .fill("2");
        anna.button("Save answer").click();
        assertThat(anna.button("Run on Trial")).isEnabled();
        anna.checkAccessibility();
        anna.button("Run on Trial").click();
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Done")).isVisible();
        everything().forEach((id, values) -> {
            assertEquals(
                    values.replace("\"rise_of_lock\"", "\"rise\"").replace(",\"depth\":\"2\"", ""), before.get(id));
            assertTrue(values.contains("\"depth\":\"2\""), values);
        });
        anna.open("/w/tessel-waters/sites/bench");
        anna.part("Changes");
        assertThat(page.getByText("Depth added")).isVisible();
        assertThat(anna.button("Run on Bench")).isEnabled();
    }

    @Test(dependsOnMethods = "s8b_thePlanAsksAndRunsAndNothingIsLost")
    public void s8c_undoGivesEveryValueBack() {
        anna.open("/w/tessel-waters/sites/trial");
        page.getByText("Run 1.0.0 to 2.0.0").click();
        anna.button("Undo this run").click();
        assertThat(page.getByText("Every value goes back to what it was.")).isVisible();
        anna.checkAccessibility();
        anna.button("Undo now").click();
        assertThat(anna.heading("Undo 2.0.0 to 1.0.0")).isVisible();
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Done")).isVisible();
        assertEquals(everything(), before);
        anna.open("/w/tessel-waters/records/trial/mooring");
        assertThat(page.getByText("201 records")).isVisible();
    }

    @Test(dependsOnMethods = "s8c_undoGivesEveryValueBack")
    public void s8d_whatTheUndoHoldsIsLookedAtAndPurged() {
        anna.open("/w/tessel-waters/sites/trial");
        anna.part("Runs");
        anna.link("Held values").click();
        assertThat(anna.heading("Held values on Trial")).isVisible();
        assertThat(page.getByText("Depth of Moorings")).isVisible();
        assertThat(page.getByText("201 values").first()).isVisible();
        assertThat(page.getByText("Once the field is installed again")).isVisible();
        anna.checkAccessibility();
        anna.button("Look").first().click();
        var drawer = page.getByRole(AriaRole.DIALOG);
        assertThat(drawer.getByText("Mooring 0")).isVisible();
        assertThat(drawer.getByRole(AriaRole.ROW)).hasCount(51);
        anna.button("Show more").click();
        assertThat(drawer.getByRole(AriaRole.ROW)).hasCount(101);
        anna.checkAccessibility();
        page.keyboard().press("Escape");
        assertThat(drawer).hasCount(0);
        page.getByLabel("Purge Depth of Moorings").click();
        assertThat(page.getByText("can then no longer be undone")).isVisible();
        page.getByText("Purge", new Page.GetByTextOptions().setExact(true))
                .last()
                .click();
        assertThat(page.getByText("201 values of Depth of Moorings")).hasCount(0);
        assertThat(anna.heading("Purged")).isVisible();
        assertEquals(everything(), before);
    }

    @Test(dependsOnMethods = "s8c_undoGivesEveryValueBack")
    public void s9_thePackageReadsBackInASecondInstallation() throws IOException {
        anna.open("/w/tessel-waters/releases");
        var download =
                page.waitForDownload(() -> anna.link("Export package").first().click());
        exported = Files.createTempFile("jontrel", ".zip");
        download.saveAs(exported);
        try (var second = new Installation();
                var visitor = new Visitor(second.address())) {
            var client = second.firstArchitect("dora", "another password");
            visitor.signIn("dora", "another password");
            visitor.page
                    .getByLabel("Package (zip)")
                    .setInputFiles(
                            new FilePayload("x.zip", "application/zip", "broken".getBytes(StandardCharsets.UTF_8)));
            visitor.button("Import package").click();
            assertThat(visitor.page.getByText("This is not a readable zip archive"))
                    .isVisible();
            visitor.page.getByLabel("Package (zip)").setInputFiles(exported);
            visitor.button("Import package").click();
            assertThat(visitor.page.getByLabel("Plural")).hasValue("Moorings");
            visitor.addSite("Elsewhere");
            visitor.button("Run on Elsewhere").click();
            assertThat(visitor.page.getByRole(AriaRole.STATUS).getByText("Done"))
                    .isVisible();
            client.signIn("dora", "another password");
            api.signIn("anna", "a good password");
            var there = client.get("/api/workspaces/tessel-waters/releases").get(0);
            var here = api.get("/api/workspaces/tessel-waters/releases").get(0);
            assertEquals(there.get("checksum"), here.get("checksum"));
            assertEquals(there.get("version").asString(), "2.0.0");
            assertEquals(visitor.errors(), List.of());
        }
    }

    @Test(dependsOnMethods = "s8c_undoGivesEveryValueBack")
    public void s8d_editorsAndViewersSeeNoWayToDoWhatTheyMayNot() {
        anna.open("/help");
        assertThat(anna.heading("First steps")).isVisible();
        anna.checkAccessibility();
        page.getByLabel("Search the help").fill("held values");
        anna.link("Held values").click();
        assertThat(page).hasURL(Pattern.compile("/help/sites#held$"));
        assertThat(anna.heading("Held values")).isInViewport();
        anna.open("/accounts");
        for (var role : List.of("editor", "viewer")) {
            page.getByLabel("Name").fill(role);
            page.getByLabel("Password").fill("a long password");
            Desk.choose(
                    page.locator("#new-role"),
                    role.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + role.substring(1));
            anna.button("Add account").click();
            assertThat(page.getByRole(
                                    AriaRole.CELL,
                                    new Page.GetByRoleOptions().setName(role).setExact(true))
                            .first())
                    .isVisible();
        }
        anna.checkAccessibility();
        for (var role : List.of("editor", "viewer")) {
            try (var visitor = new Visitor(installation.address()).signIn(role, "a long password")) {
                visitor.open("/w/tessel-waters/model");
                assertThat(visitor.page.getByText("an architect changes them")).isVisible();
                assertThat(visitor.page.getByLabel("Label of field 1")).isDisabled();
                assertThat(visitor.page.getByLabel("New content type")).hasCount(0);
                visitor.open("/w/tessel-waters/sites/trial");
                assertThat(visitor.page.getByText("An architect runs plans.")).isVisible();
                assertThat(visitor.button("Run on Trial")).hasCount(0);
                visitor.open("/w/tessel-waters/records/trial/mooring");
                assertThat(visitor.button("Add mooring")).hasCount(role.equals("editor") ? 1 : 0);
                visitor.page.locator("tbody a").first().click();
                assertThat(visitor.button("Save")).hasCount(role.equals("editor") ? 1 : 0);
                assertEquals(visitor.errors(), List.of());
            }
        }
    }

    @Test(
            dependsOnMethods = {
                "s8d_editorsAndViewersSeeNoWayToDoWhatTheyMayNot",
                "s9_thePackageReadsBackInASecondInstallation"
            })
    public void s10_noScriptFailedOnAnyPage() {
        assertEquals(anna.errors(), List.of());
    }
}
