package org.jontrel.e2e.workbook;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.util.List;
import org.jontrel.e2e.Desk;
import org.jontrel.e2e.Visitor;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Rows of a spreadsheet on a site: mapped, tried, corrected, brought, undone, and brought again by the kept mapping. */
public class WorkbookRowsTest {
    private static final String BELLS = "Bell,Weight (kg),Cast on,Condition,Tower,Notes\n"
            + "Great Ada,1200,1820-05-13,sound,North,\nOld Tom,800,1790-06-14,sound,Mill,\n"
            + "Little Bo,n/a,1903-06-15,soumd,North,cracked\nMary,heavy,03/04/1911,sound,Mill,\nStorm,90,1950-01-01,poor,Abbey,\n";
    private static final String TOWERS = "Tower,Steps\nNorth,120\nMill,88\n";
    private static final String ROWS = "/w/belfries/records/belfry/workbook-rows";
    private Belfry belfry;
    private Visitor anna;
    private Page page;

    @BeforeClass
    public void start() throws InterruptedException {
        belfry = new Belfry();
        belfry.bell("Old Tom", 0, "700");
        anna = new Visitor(belfry.installation.address()).signIn("anna", "anna-password");
        page = anna.page;
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        if (anna != null) {
            anna.close();
        }
        belfry.close();
    }

    private void drop(FilePayload... files) {
        page.getByLabel("Workbooks with rows for this site").setInputFiles(files);
    }

    private Locator choice(String name) {
        return page.getByRole(
                AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private Locator line(String column) {
        return page.locator(".column-line")
                .filter(new Locator.FilterOptions().setHas(choice("Where " + column + " goes")));
    }

    private Locator sheet(String name) {
        return page.locator(".sheet-line")
                .filter(new Locator.FilterOptions().setHasText(name))
                .first();
    }

    private Locator problem(String text) {
        return page.locator("tbody tr")
                .filter(new Locator.FilterOptions()
                        .setHas(page.locator("td.text", new Page.LocatorOptions().setHasText(text))));
    }

    private void tab(String name) {
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name)).click();
    }

    private Locator foot() {
        return page.locator("footer.bottom");
    }

    @Test
    public void fromAFileThatIsNoneToRowsThatCanBeBrought() {
        anna.open("/w/belfries/records/belfry/bell");
        anna.link("Import").click();
        assertThat(anna.heading("Rows from a workbook")).isVisible();
        anna.checkAccessibility();
        drop(new FilePayload("bells.xlsx", "application/octet-stream", new byte[] {'P', 'K', 3, 4, 1, 2}));
        assertThat(page.locator(".problem").first()).containsText("bells.xlsx");

        drop(SampleSheets.file("bells.csv", BELLS), SampleSheets.file("towers.csv", TOWERS));
        assertThat(anna.heading("bells.csv, towers.csv")).isVisible();
        assertThat(line("Weight (kg)")).containsText("Weight");
        assertThat(line("Tower")).containsText("Named by");
        assertThat(line("Notes")).containsText("Nowhere");
        assertThat(choice("Known by the column")).isVisible();
        anna.checkAccessibility();
        assertThat(line("Cast on")).containsText("day before month");
        Desk.choose(choice("How Cast on is read where that is not clear"), "only what is clear");
        Desk.choose(choice("Where Notes goes"), "Weight");
        assertThat(page.locator(".problem").first()).containsText("Notes");
        assertThat(anna.button("Try the rows")).isDisabled();
        Desk.choose(choice("Where Notes goes"), "Nowhere");
        assertThat(anna.button("Try the rows")).isEnabled();
        sheet("towers").click();
        assertThat(line("Steps")).containsText("Steps");
    }

    @Test(dependsOnMethods = "fromAFileThatIsNoneToRowsThatCanBeBrought")
    public void problemsAreAnsweredTogetherAndCellsCorrectedInPlace() {
        sheet("bells").click();
        anna.button("Try the rows").click();
        assertThat(foot()).containsText("rows cannot be brought");
        assertEquals(belfry.titles(), List.of("Old Tom"), "a trial brings nothing");
        assertThat(problem("Abbey")).containsText("Abbey");
        anna.checkAccessibility();
        Desk.choose(choice("Another text for “soumd”"), "Sound");
        problem("soumd").getByText("Read so").click();
        assertThat(problem("soumd")).containsText("Read as “Sound” from now on.");
        problem("n/a").getByText("As empty").click();
        assertThat(problem("n/a")).containsText("Read as empty from now on.");
        problem("03/04/1911").getByText("day before month").click();
        assertThat(foot()).containsText("Changed since the trial");
        problem("heavy").getByText("Row 5").click();
        page.getByLabel("Correct Weight (kg) in row 5").click();
        page.getByLabel("Weight (kg) in row 5", new Page.GetByLabelOptions().setExact(true))
                .fill("410");
        page.keyboard().press("Enter");
        assertThat(page.locator("td.cell").filter(new Locator.FilterOptions().setHasText("410")))
                .hasCount(1);
        anna.button("Try the rows").click();
        assertThat(foot()).containsText("1 row cannot be brought");
        assertThat(foot()).containsText("1 changes its record");
        tab("Rows");
        assertThat(page.locator(".changes")).containsText("700");
        assertThat(page.locator(".changes")).containsText("800");
        anna.checkAccessibility();
    }

    @Test(dependsOnMethods = "problemsAreAnsweredTogetherAndCellsCorrectedInPlace")
    public void whatIsBroughtCanBeUndoneButForWhatSomebodyChangedSince() {
        anna.button("Mapping").click();
        page.getByLabel("Name for this mapping").fill("Bells");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Kept as Bells.")).isVisible();
        page.keyboard().press("Escape");
        anna.button("Bring 6 rows").click();
        assertThat(foot()).containsText("1 row was not brought");
        anna.open(ROWS);
        assertThat(page.locator("tbody tr")).containsText("Brought");
        anna.link("bells.csv, towers.csv").click();
        assertThat(foot()).containsText("5 records made, 1 record changed");
        assertEquals(belfry.titles(), List.of("Great Ada", "Little Bo", "Mary", "Old Tom"));
        belfry.bell("Mary", belfry.found("Mary").path("version").asInt(), "411");
        anna.button("Undo this import").click();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("1 record was changed by somebody since");
        anna.checkAccessibility();
        anna.button("Undo now").click();
        assertThat(foot()).containsText("What was brought is gone");
        assertEquals(belfry.titles(), List.of("Mary", "Old Tom"));
        assertEquals(belfry.found("Old Tom").at("/values/weight").asString(), "700");
    }

    @Test(dependsOnMethods = "whatIsBroughtCanBeUndoneButForWhatSomebodyChangedSince")
    public void theKeptMappingBringsTheNextFile() {
        anna.open(ROWS);
        Desk.choose(choice("Columns go"), "Bells");
        drop(
                SampleSheets.file("bells.csv", BELLS.replace("heavy", "411").replace("Abbey", "North")),
                SampleSheets.file("towers.csv", TOWERS));
        assertThat(anna.heading("bells.csv, towers.csv")).isVisible();
        anna.button("Try the rows").click();
        assertThat(anna.button("Bring 7 rows").or(anna.button("Bring 6 rows"))).isVisible();
        assertThat(foot()).not().containsText("cannot be brought");
        page.locator("footer.bottom .n-button--primary-type").click();
        assertThat(foot()).containsText("records made");
        assertEquals(belfry.titles(), List.of("Great Ada", "Little Bo", "Mary", "Old Tom", "Storm"));
        anna.button("Delete").click();
        anna.confirm("Delete");
        assertThat(anna.heading("Rows from a workbook")).isVisible();
        assertEquals(belfry.titles(), List.of("Great Ada", "Little Bo", "Mary", "Old Tom", "Storm"));
        assertEquals(anna.errors(), List.of());
    }
}
