package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Part;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Hard days at the desk: long and right-to-left texts, very many fields, no network, a restarted server, an ended session. */
public class HardshipTest {
    private static final String LONG = "Donaudampfschifffahrtsgesellschaftskapitänsmützenabzeichen "
            .repeat(3)
            .strip();
    private static final String HEBREW = "שם המעגן";
    private Desk desk;
    private Page page;

    @BeforeClass
    public void start() {
        desk = new Desk();
        page = desk.page;
        var fields = new ArrayList<Field>();
        for (int i = 0; i < 200; i++) {
            var label = i == 0 ? LONG : i == 1 ? HEBREW : "Field " + i;
            fields.add(new Field("fmany" + i + "x", "field_" + i, label, "", false, Kind.Text.PLAIN));
        }
        var type = new ContentType(
                "tmanyfields",
                "many",
                "Many",
                "Many of them",
                "",
                "",
                "many",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("gmanyfields", "All of them", "", fields)));
        desk.api.post(
                "/api/workspaces/tessel-waters/draft/take",
                Map.of("definitions", List.of(Map.of("sort", "type", "definition", PackageWriter.tree(type)))));
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        desk.close();
    }

    @Test
    public void twoHundredFieldsWithLongAndRightToLeftLabelsAreUsable() {
        desk.open("Many");
        assertThat(page.locator("tr[data-row]")).hasCount(200);
        assertThat(page.getByLabel("Label of field 2", new Page.GetByLabelOptions().setExact(true)))
                .hasValue(HEBREW);
        assertEquals(
                page.getByLabel("Label of field 2", new Page.GetByLabelOptions().setExact(true))
                        .evaluate("input => getComputedStyle(input).direction"),
                "rtl");
        page.getByLabel("Label of field 199", new Page.GetByLabelOptions().setExact(true))
                .fill("Nearly last");
        desk.saved();
        assertThat(desk.proof().getByText("Nearly last")).isVisible();
        desk.anna.checkAccessibility();
    }

    private static void outline(Page on, String name) {
        on.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Definitions"))
                .getByText(name, new Locator.GetByTextOptions().setExact(true))
                .click();
    }

    @Test
    public void withoutNetworkEditsAreKeptSaidAndSentLater() {
        desk.open("Skill");
        page.context().setOffline(true);
        page.getByLabel("Plural").fill("Crafts");
        assertThat(page.getByText("Not saved: The server cannot be reached. What you typed is kept here."))
                .isVisible();
        page.locator("#def-singular").fill("Craft");
        page.context().setOffline(false);
        desk.saved();
        page.reload();
        assertThat(page.getByLabel("Plural")).hasValue("Crafts");
        assertThat(page.locator("#def-singular")).hasValue("Craft");
    }

    @Test(dependsOnMethods = {"whatWasTypedOutlivesTheWindow", "withoutNetworkEditsAreKeptSaidAndSentLater"})
    public void aRestartedServerGetsWhatWasTypedMeanwhile() {
        desk.open("Waterway");
        desk.installation.restart(() -> {
            page.getByLabel("Plural").fill("Rivers and canals");
            assertThat(page.getByText("Not saved: The server cannot be reached. What you typed is kept here."))
                    .isVisible();
        });
        desk.saved();
        page.reload();
        assertThat(page.getByLabel("Plural")).hasValue("Rivers and canals");
    }

    @Test
    public void whatWasTypedOutlivesTheWindow() {
        var first = desk.anna.tab();
        first.navigate(desk.installation.address() + Desk.WORKSPACE + "model");
        outline(first, "Feature");
        first.route("**/draft/definitions/**", route -> route.abort());
        first.getByLabel("Plural").fill("Sights");
        assertThat(first.getByText("Not saved:")).isVisible();
        first.close();
        var again = desk.anna.tab();
        again.navigate(desk.installation.address() + Desk.WORKSPACE + "model");
        outline(again, "Feature");
        assertThat(again.getByLabel("Plural")).hasValue("Sights");
        assertThat(again.getByRole(AriaRole.STATUS).getByText("Draft saved")).isVisible();
        again.close();
    }

    @Test(
            dependsOnMethods = {
                "aRestartedServerGetsWhatWasTypedMeanwhile",
                "twoHundredFieldsWithLongAndRightToLeftLabelsAreUsable"
            })
    public void anEndedSessionLosesNothing() {
        page.navigate(desk.installation.address() + Desk.WORKSPACE + "model");
        outline(page, "Seasons");
        page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true)).waitFor();
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Draft saved")).isVisible();
        page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
        // only the edit itself may find out that the session has ended
        page.route(
                url -> url.contains("/api/") && !url.contains("/draft/definitions/") && !url.endsWith("/api/session"),
                route -> route.abort());
        page.context().clearCookies();
        page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true)).fill("Times of the year");
        page.getByLabel("Password").waitFor();
        page.unrouteAll();
        page.getByLabel("Password").fill("anna-password");
        page.getByLabel("Name").fill("anna");
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("Times of the year");
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Draft saved")).isVisible();
        page.reload();
        assertThat(page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("Times of the year");
    }
}
