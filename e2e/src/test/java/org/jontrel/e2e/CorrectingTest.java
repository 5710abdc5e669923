package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

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
        desk.anna.button("Look at the values").click();
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
}
