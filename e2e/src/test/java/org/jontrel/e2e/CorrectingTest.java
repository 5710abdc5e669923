package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.node.ObjectNode;

/** Values that a new kind cannot take, corrected where the plan asks about them. */
public class CorrectingTest {
    private Desk desk;
    private Page page;

    @BeforeClass
    public void start() throws InterruptedException {
        desk = new Desk();
        page = desk.page;
        desk.installOnBench();
        for (var gates : List.of("about 3", "4", "about 3", "1 000")) {
            desk.api.post(
                    "/api/sites/bench/types/structure/records",
                    Map.of("version", 0, "state", "draft", "values", Map.of("title", gates, "gates", gates)));
        }
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        desk.close();
    }

    @Test
    public void valuesAreCorrectedAndTheRunTakesThemSo() {
        desk.open("Structure");
        Desk.kind(page.getByLabel("Kind of Gates"), "Number");
        desk.saved();
        desk.api.post("/api/workspaces/tessel-waters/releases", Map.of("version", "2.0.0", "notes", ""));
        desk.anna.open(Desk.WORKSPACE + "sites/bench");
        assertThat(page.getByText("2 values of Gates cannot be read as number (for example about 3)"))
                .isVisible();
        var becomes = page.getByLabel("What “about 3” becomes");
        becomes.fill("three");
        desk.anna.button("Save answer").click();
        assertThat(page.getByText("“about 3” of Gates cannot become “three”.")).isVisible();
        assertThat(desk.anna.button("Run on Bench")).isDisabled();
        desk.anna.checkAccessibility();
        becomes.fill("3");
        desk.anna.button("Save answer").click();
        assertThat(page.getByText("All values of Gates can be read as number, with 1 correction."))
                .isVisible();
        desk.anna.checkAccessibility();
        desk.anna.button("Run on Bench").click();
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Done")).isVisible();
        var gates = new ArrayList<String>();
        desk.api
                .get("/api/sites/bench/types/structure/records?most=9")
                .get("records")
                .forEach(record -> gates.add(record.at("/values/gates").asString()));
        assertEquals(gates.stream().sorted().toList(), List.of("1000", "3", "3", "4"));
    }

    /** Of several values one is taken, as the architect says; the undo gives all of them back. */
    @Test(dependsOnMethods = "valuesAreCorrectedAndTheRunTakesThemSo")
    public void ofSeveralValuesOneIsTaken() {
        release("3.0.0", true);
        desk.anna.open(Desk.WORKSPACE + "sites/bench");
        desk.anna.button("Run on Bench").click();
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Done")).isVisible();
        desk.api.post(
                "/api/sites/bench/types/structure/records",
                Map.of(
                        "version",
                        0,
                        "state",
                        "draft",
                        "values",
                        Map.of("title", "Both", "gates", "7", "condition", List.of("good", "poor"))));
        release("4.0.0", false);
        desk.anna.open(Desk.WORKSPACE + "sites/bench");
        assertThat(page.getByText("State of repair has several values in 1 place and can keep one."))
                .isVisible();
        assertThat(desk.anna.button("Run on Bench")).isDisabled();
        desk.anna.checkAccessibility();
        Desk.pick(page.locator("form.ask"), "Take the last");
        desk.anna.button("Save answer").click();
        rehearse();
        desk.anna.button("Run on Bench").click();
        assertThat(page.getByRole(AriaRole.STATUS).getByText("Done")).isVisible();
        assertEquals(condition(), "\"poor\"");
        desk.anna.button("Undo this run").click();
        desk.anna.button("Undo now").click();
        Waiting.until("the values as they were", () -> condition().startsWith("["));
        assertEquals(condition(), "[\"good\",\"poor\"]");
    }

    /** On a copy, which is looked at and removed; the site has not changed meanwhile. */
    private void rehearse() {
        desk.anna.button("Rehearse on a copy").click();
        assertThat(page.getByText("The copy took")).isVisible(new IsVisibleOptions().setTimeout(60_000));
        var change = page.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHasText("State of repair"))
                .first();
        assertThat(change).containsText("Good, Poor");
        desk.anna.checkAccessibility();
        assertEquals(condition(), "[\"good\",\"poor\"]");
        desk.anna.link("Records").last().click();
        assertThat(page.getByText("Copy of Bench").first()).isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Structures")))
                .click();
        desk.anna.link("Both").click();
        assertThat(page.locator("[data-field=condition]")).containsText("Poor");
        desk.anna.open(Desk.WORKSPACE + "sites/bench");
        assertThat(page.getByText("Copy of Bench")).hasCount(0);
        desk.anna.part("Before and after");
        desk.anna.button("Remove the copy").click();
        assertThat(page.getByText("The copy is removed; this report stays.")).isVisible();
    }

    private String condition() {
        for (var record :
                desk.api.get("/api/sites/bench/types/structure/records?most=9").get("records")) {
            if (record.at("/values/title").asString().equals("Both")) {
                return record.at("/values/condition").toString();
            }
        }
        throw new AssertionError("no record");
    }

    private void release(String version, boolean many) {
        var workspace = "/api/workspaces/tessel-waters";
        for (var drafted : desk.api.get(workspace + "/draft").get("definitions")) {
            var definition = drafted.get("definition");
            if (definition.path("key").asString().equals("structure")) {
                definition
                        .get("groups")
                        .forEach(group -> group.path("fields").forEach(field -> {
                            if (field.get("key").asString().equals("condition")) {
                                ((ObjectNode) field).put("many", many);
                            }
                        }));
                desk.api.put(
                        workspace + "/draft/definitions/" + definition.get("id").asString(),
                        Map.of("sort", "type", "base", drafted.get("revision").asLong(), "definition", definition));
            }
        }
        desk.api.post(workspace + "/releases", Map.of("version", version, "notes", ""));
    }
}
