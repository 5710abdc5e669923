package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.jontrel.demo.Client;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The first half of the story: an architect arrives, defines, releases and installs. */
abstract class DefinitionStoryTest {
    static final int RECORDS = 200;
    Installation installation;
    Visitor anna;
    Page page;
    Client api;
    Map<String, String> before;
    Path exported;

    @BeforeClass
    public void start() {
        installation = new Installation();
        anna = new Visitor(installation.address());
        page = anna.page;
        api = new Client(installation.address());
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        if (anna != null) {
            anna.close();
        }
        installation.close();
    }

    @Test
    public void s1_theFirstVisitMakesTheFirstArchitect() {
        anna.open("/");
        assertThat(anna.heading("Set up Jontrel")).isVisible();
        anna.checkAccessibility();
        page.getByLabel("Set-up code").fill("wrong");
        page.getByLabel("Name").fill("anna");
        page.getByLabel("Password").fill("a good password");
        page.keyboard().press("Enter");
        assertThat(page.getByText("The set-up code is wrong.")).isVisible();
        page.getByLabel("Set-up code").fill(Installation.SETUP_CODE);
        page.keyboard().press("Enter");
        assertThat(anna.heading("Start a workspace")).isVisible();
        anna.checkAccessibility();
        anna.account("Sign out");
        assertThat(anna.heading("Sign in")).isVisible();
        anna.checkAccessibility();
        page.getByLabel("Name").fill("anna");
        page.getByLabel("Password").fill("not this one");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Name or password is wrong.")).isVisible();
        anna.signIn("anna", "a good password");
        api.signIn("anna", "a good password");
    }

    @Test(dependsOnMethods = "s1_theFirstVisitMakesTheFirstArchitect")
    public void s2_aWorkspaceOpensWithTheFrame() {
        page.getByLabel("Title").fill("Tessel waters");
        anna.button("Create workspace").click();
        assertThat(anna.heading("Begin your model")).isVisible();
        assertThat(page.getByText("No sites yet.")).isVisible();
        anna.checkAccessibility();
        anna.account("Dark theme");
        anna.checkAccessibility();
        anna.account("Light theme");
    }

    @Test(dependsOnMethods = "s2_aWorkspaceOpensWithTheFrame")
    public void s3_aContentTypeIsDefinedByKeyboardAlone() {
        page.locator("#first-noun").focus();
        type("Mooring");
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("Plural")).hasValue("Moorings");
        assertThat(page.getByLabel("Path")).hasValue("moorings");
        anna.button("Add field").focus();
        page.keyboard().press("Enter");
        field(1, "Length", "Number");
        field(2, "Surface", "Choice");
        field(3, "Open to visitors", "Yes or no");
        field(4, "In use since", "Date");
        field(5, "Remarks", "Long text");
        field(6, "Photo", "Image");
        field(7, "Rise", "Text");
        page.keyboard().press("Control+Delete");
        assertThat(page.getByLabel("Label of field 8")).hasCount(0);
        settings();
        assertThat(page.getByLabel("Key of Open to visitors")).hasValue("open_to_visitors");
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Draft saved")).isVisible();
        anna.checkAccessibility();
    }

    @Test(dependsOnMethods = "s3_aContentTypeIsDefinedByKeyboardAlone")
    public void s3a_onANarrowScreenThePanesAreShownOneAtATime() {
        page.setViewportSize(880, 800);
        assertThat(page.getByLabel("Label of field 1")).isVisible();
        assertThat(page.getByLabel("Its singular name")).hasCount(0);
        page.getByText("Proof", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByRole(AriaRole.COMPLEMENTARY).getByLabel("Length")).isVisible();
        assertThat(page.getByLabel("Label of field 1")).hasCount(0);
        anna.checkAccessibility();
        page.setViewportSize(1280, 800);
        assertThat(page.getByLabel("Label of field 1")).isVisible();
    }

    void type(String text) {
        page.keyboard().type(text);
    }

    /** Types a label, picks the kind by its first letters, and goes on with Enter to a new row. */
    void field(int number, String label, String kind) {
        var input = page.getByLabel("Label of field " + number);
        assertThat(input).isFocused();
        type(label);
        assertThat(page.getByLabel("Key of " + label)).not().hasValue("");
        page.keyboard().press("Tab");
        type(kind);
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("Kind of " + label)).hasText(kind);
        page.getByLabel("Label of field " + number).focus();
        page.keyboard().press("Enter");
    }

    void settings() {
        page.getByLabel("Label of field 1").focus();
        page.getByLabel("Decimals").fill("1");
        page.getByLabel("Unit").fill("m");
        page.getByLabel("Unit").press("Tab");
        page.getByLabel("Label of field 2").focus();
        anna.button("Add option").click();
        type("Grass");
        page.keyboard().press("Enter");
        type("Hard standing");
        page.keyboard().press("Tab");
        assertThat(page.getByLabel("Key of option 2")).hasValue("hard_standing");
        page.getByLabel("Label of field 6").focus();
        page.getByLabel("Minimum width (pixels)").fill("50");
        page.getByLabel("Minimum width (pixels)").press("Tab");
    }

    @Test(dependsOnMethods = "s3a_onANarrowScreenThePanesAreShownOneAtATime")
    public void s3b_theProofIsLive() {
        var proof = page.getByRole(AriaRole.COMPLEMENTARY);
        proof.getByLabel("Length").fill("twelve");
        assertThat(proof.getByText("Length must be a number such as 12 or 2.5, and this is \"twelve\"."))
                .isVisible();
        proof.getByLabel("Length").fill("12.55");
        assertThat(proof.getByText("Length is 12.55; at most 1 decimal is stored. Round it."))
                .isVisible();
        page.getByLabel("Label of field 1").fill("Length of berth");
        assertThat(proof.getByLabel("Length of berth")).isVisible();
        proof.getByText("Code", new Locator.GetByTextOptions().setExact(true)).click();
        assertThat(proof.locator(".cm-content"))
                .containsText("label: Length of berth, kind: number, decimals: 1, unit: m");
    }

    @Test(dependsOnMethods = "s3b_theProofIsLive")
    public void s3c_undoAndRedoReachBackThroughTheDraft() {
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Draft saved")).isVisible();
        anna.button("Undo").click();
        assertThat(page.getByLabel("Label of field 1")).hasValue("Length");
        anna.button("Redo").click();
        assertThat(page.getByLabel("Label of field 1")).hasValue("Length of berth");
        anna.button("Undo").click();
        assertThat(page.getByLabel("Label of field 1")).hasValue("Length");
    }

    @Test(dependsOnMethods = "s3c_undoAndRedoReachBackThroughTheDraft")
    public void s3d_twoTabsDoNotOverwriteEachOther() {
        var other = anna.tab();
        other.navigate(page.url());
        page.route("**/presence", route -> route.abort());
        other.waitForResponse(
                response -> response.request().method().equals("PUT"),
                () -> other.getByLabel("Help for Rise").fill("From the other tab"));
        page.getByLabel("Help for Remarks").fill("From this tab");
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Draft saved")).isVisible();
        assertThat(page.getByLabel("Help for Rise")).hasValue("From the other tab");
        other.reload();
        assertThat(other.getByLabel("Help for Remarks")).hasValue("From this tab");
        other.waitForResponse(
                response -> response.request().method().equals("PUT"),
                () -> other.getByLabel("Help for Photo").fill("Theirs"));
        page.getByLabel("Help for Photo").fill("Ours");
        assertThat(page.getByText("Mooring was changed in another window.")).isVisible();
        anna.button("Keep mine").click();
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Draft saved")).isVisible();
        assertThat(page.getByLabel("Help for Photo")).hasValue("Ours");
        page.unroute("**/presence");
        other.close();
    }

    @Test(dependsOnMethods = "s3d_twoTabsDoNotOverwriteEachOther")
    public void s4_releaseOneIsMade() {
        anna.link("Releases").click();
        assertThat(page.getByLabel("Version")).hasValue("1.0.0");
        anna.checkAccessibility();
        page.getByLabel("Notes").fill("The first one.");
        anna.button("Release 1.0.0").click();
        assertThat(anna.heading("1.0.0")).isVisible();
        assertThat(page.getByText("The draft is the same as 1.0.0; there is nothing to release."))
                .isVisible();
    }

    @Test(dependsOnMethods = "s4_releaseOneIsMade")
    public void s5_theReleaseIsInstalledOnTwoSites() {
        for (var site : List.of("Bench", "Trial")) {
            anna.addSite(site);
            anna.link("Sites").click();
            assertThat(page.getByRole(
                            AriaRole.CELL,
                            new Page.GetByRoleOptions().setName(site).setExact(true)))
                    .isVisible();
            assertThat(page.locator("td.num").first()).hasText("0");
        }
        anna.checkAccessibility();
        install("trial", "Trial");
        install("bench", "Bench");
    }

    void install(String path, String name) {
        anna.open("/w/tessel-waters/sites/" + path);
        anna.part("Steps");
        assertThat(page.getByText("Make a table for Moorings")).isVisible();
        anna.checkAccessibility();
        anna.button("Run on " + name).click();
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Done")).isVisible();
        anna.checkAccessibility();
    }
}
