package org.jontrel.e2e.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.jontrel.demo.Client;
import org.jontrel.demo.DemoLoader;
import org.jontrel.e2e.Desk;
import org.jontrel.e2e.Installation;
import org.jontrel.e2e.Visitor;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/**
 * A site with the flaws of real content is taken to a release that moves six things at once: texts become numbers and terms,
 * numbered fields rows, a date records of a type of its own, one choice several, and widths in feet follow from those in metres.
 */
public class MovesStoryTest {
    private static final int RECORDS = 40;
    private static final String SITE = "/w/tessel-waters/sites/trial";
    private Installation installation;
    private Client api;
    private Visitor anna;
    private Page page;
    private Map<String, String> before;

    @BeforeClass
    public void start() {
        installation = new Installation();
        api = installation.firstArchitect("anna", "anna-password");
        DemoLoader.trial(api, RECORDS);
        anna = new Visitor(installation.address()).signIn("anna", "anna-password");
        page = anna.page;
        before = everything();
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        anna.close();
        installation.close();
    }

    private List<JsonNode> records(String type) {
        return api.get("/api/sites/trial/types/" + type + "/records?most=100")
                .get("records")
                .valueStream()
                .toList();
    }

    /** The values of all records by their titles. */
    private Map<String, String> everything() {
        var all = new TreeMap<String, String>();
        for (var type : List.of("structure", "mooring", "stoppage_notice")) {
            for (var record : records(type)) {
                all.put(
                        type + " " + record.get("id").asString(),
                        record.get("values").toString());
            }
        }
        return all;
    }

    private void ask(String name) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .click();
    }

    private Locator form() {
        return page.locator("form.ask");
    }

    private void save() {
        anna.button("Save answer").click();
        assertThat(form().getByText("Answered", new Locator.GetByTextOptions().setExact(true)))
                .isVisible();
    }

    private void fill(String question, String label, String value) {
        ask(question);
        form().getByLabel("Value for " + label).fill(value);
        save();
    }

    private void correct(String question, Map<String, String> corrections) {
        ask(question);
        corrections.forEach(
                (from, to) -> form().getByLabel("What “" + from + "” becomes").fill(to));
        Desk.pick(form(), "Set aside and hold what is not corrected");
        save();
    }

    @Test
    public void s1_thePlanAsksAndEachAnswerCountsAgain() {
        anna.open(SITE);
        assertThat(page.getByText("questions open")).isVisible();
        assertThat(anna.button("Run on Trial")).isDisabled();
        ask("Inspections: made from what goes");
        form().getByLabel("What Inspections comes from").fill("structure titled {structure}, {inspected}");
        save();
        fill("Depth of water is required, and empty", "Depth of water", "1.2");
        ask("Charges by season takes values of fields that go");
        save();
        fill("Widest boat is required, and empty", "Widest boat", "{width_m} * 3.28084");
        assertThat(page.getByText("get no value for Widest boat by the formula"))
                .isVisible();
        fill("Widest boat is required, and empty", "Widest boat", "round({width_m} * 3.28084, 1)");
        anna.checkAccessibility();
    }

    @Test(dependsOnMethods = "s1_thePlanAsksAndEachAnswerCountsAgain")
    public void s2_valuesAreCorrectedAndTermsMade() {
        correct("Charges by season: values that cannot be read", Map.of("July and August", "Summer"));
        correct("Rise of the lock: values that cannot be read", Map.of("8 ft 6 in", "2.59"));
        ask("Gates: values that cannot be read");
        Desk.pick(form(), "Make those that are missing");
        save();
    }

    /** What is left is the same for all of it. */
    @Test(dependsOnMethods = "s2_valuesAreCorrectedAndTermsMade")
    public void s3_theRestIsAnsweredTogether() {
        for (var question : List.of("Waterway", "Severity", "What needs doing")) {
            page.getByLabel("Choose " + question + " is required, and empty").click();
        }
        anna.button("Answer together").click();
        assertThat(page.getByText("Every question is answered.")).isVisible();
        assertThat(anna.button("Run on Trial")).isEnabled();
        anna.checkAccessibility();
    }

    @Test(dependsOnMethods = "s3_theRestIsAnsweredTogether")
    public void s4_aRehearsalShowsItOnACopy() {
        anna.button("Rehearse on a copy").click();
        assertThat(page.getByText("The copy took")).isVisible(new IsVisibleOptions().setTimeout(60_000));
        assertThat(page.getByRole(AriaRole.ROW)
                        .filter(new Locator.FilterOptions().setHasText("Rise"))
                        .first())
                .isVisible();
        anna.checkAccessibility();
        assertEquals(everything(), before, "the site itself stays as it is");
        anna.link("Records").last().click();
        assertThat(page.getByText("Copy of Trial").first()).isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Inspections")))
                .click();
        assertThat(page.getByText(Pattern.compile("^[1-9][0-9]* records")).first())
                .isVisible();
    }

    @Test(dependsOnMethods = "s4_aRehearsalShowsItOnACopy")
    public void s5_theRunGoesOnOnTheSameScreen() {
        anna.open(SITE);
        anna.button("Run on Trial").click();
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Done"))
                .isVisible(new IsVisibleOptions().setTimeout(60_000));
        assertTrue(page.url().endsWith("/sites/trial"), page.url());
        anna.checkAccessibility();
        var structures = records("structure");
        var inspected = structures.stream()
                .filter(each -> !each.at("/values/inspections").isEmpty())
                .count();
        assertEquals(records("inspection").size(), inspected);
        assertTrue(inspected > 0);
        for (var each : structures) {
            var values = each.get("values");
            var was = before.get("structure " + each.get("id").asString());
            if (was.contains("\"rise\":\"8 ft 6 in\"")) {
                assertEquals(values.get("rise_m").asString(), "2.59");
            }
            assertEquals(values.has("widest_boat"), was.contains("\"width_m\""), was);
        }
    }

    @Test(dependsOnMethods = "s5_theRunGoesOnOnTheSameScreen")
    public void s6_pagesShowWhatHasMoved() {
        var lock = records("structure").stream()
                .filter(each -> each.at("/values/rise_m").asString("").equals("2.59")
                        && each.get("state").asString().equals("published"))
                .findFirst()
                .orElseThrow();
        anna.open("/at/trial/structures/" + lock.get("slug").asString());
        assertThat(page.getByText("2.59 m").first()).isVisible();
        anna.open("/at/trial/structures");
        assertThat(page.locator("h1")).containsText("Structures");
    }

    @Test(dependsOnMethods = "s6_pagesShowWhatHasMoved")
    public void s7_undoGivesEverythingBack() {
        anna.open(SITE);
        anna.part("Runs");
        page.getByText("Run 1.0.0 to 4.0.0").click();
        anna.button("Undo this run").click();
        anna.button("Undo now").click();
        assertThat(anna.heading("Undo 4.0.0 to 1.0.0")).isVisible();
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Done"))
                .isVisible(new IsVisibleOptions().setTimeout(60_000));
        assertEquals(everything(), before);
        assertEquals(anna.errors(), List.of());
    }
}
