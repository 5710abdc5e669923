package org.jontrel.e2e.workbook;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.demo.Client;
import org.jontrel.e2e.Desk;
import org.jontrel.e2e.Installation;
import org.jontrel.e2e.Visitor;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** From a spreadsheet on an empty workspace to a model in the draft, and back by Undo. */
public class WorkbookModelTest {
    private static final String BELLS =
            "Bell;Weight (kg);Cast on;Condition;Tower;Photo 1;Photo 2;Lent to\nGreat Ada;1200;13/05/1820;sound;North;a1.jpg;a2.jpg;Museum\n"
                    + "Old Tom;800;14/06/1790;Sound;Mill;b1.jpg;;\nLittle Bo;90;15/06/1903;soumd;North;c1.jpg;c2.jpg;\nMary;410;16/01/1911;sound;Mill;d1.jpg;;\n"
                    + "Gabriel;650;17/02/1850;sound;North;e1.jpg;;School\nHarvest;700;18/03/1888;poor;Mill;f1.jpg;f2.jpg;\n"
                    + "Curfew;320;19/04/1777;poor;North;g1.jpg;;\nStorm;1500;20/05/1699;poor;Mill;h1.jpg;;\nVesper;200;21/06/1955;poor;North;i1.jpg;;\n";
    private static final String TOWERS = "Tower;Steps;Open\nNorth;120;yes\nMill;88;no\nGate;45;yes\n";
    private Installation installation;
    private Client api;
    private Visitor anna;
    private Page page;

    @BeforeClass
    public void start() {
        installation = new Installation();
        api = installation.firstArchitect("anna", "anna-password");
        anna = new Visitor(installation.address()).signIn("anna", "anna-password");
        page = anna.page;
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        if (anna != null) {
            anna.close();
        }
        installation.close();
    }

    private void drop(FilePayload... files) {
        page.getByLabel("Workbooks: CSV, XLSX or ODS").setInputFiles(files);
    }

    private Locator becomes(String header) {
        return page.getByRole(
                AriaRole.COMBOBOX,
                new Page.GetByRoleOptions()
                        .setName("What " + header + " becomes")
                        .setExact(true));
    }

    private Locator line(String header) {
        return page.locator(".column-line").filter(new Locator.FilterOptions().setHas(becomes(header)));
    }

    private Locator sheet(String name) {
        return page.locator(".sheet-line")
                .filter(new Locator.FilterOptions().setHasText(name))
                .first();
    }

    private void choose(String header, String what) {
        becomes(header).click();
        page.keyboard().type(what);
        page.getByRole(AriaRole.OPTION).first().click();
    }

    @Test
    public void fromFilesToADraftAndBack() {
        api.post("/api/workspaces", Map.of("title", "Belfries"));
        anna.open("/w/belfries/model");
        assertThat(anna.heading("Begin your model")).isVisible();
        drop(SampleSheets.file("bells.csv", BELLS), SampleSheets.file("towers.csv", TOWERS));
        assertThat(anna.heading("bells.csv, towers.csv")).isVisible();
        assertThat(line("Bell")).containsText("no two rows have the same");
        assertThat(line("Weight (kg)")).containsText("all 9 values are whole numbers, from 90 to 1500");
        assertThat(line("Cast on")).containsText("all 9 values are dates");
        assertThat(line("Tower")).containsText("2 of its 2 values are in “towers”");
        assertThat(line("Photo 1")).containsText("of Photos");
        anna.checkAccessibility();

        // a kind that does not fit says what would stay out
        choose("Condition", "Number");
        assertThat(line("Condition")).containsText("9 values do not fit Number and would stay out");
        line("Condition").getByText("As proposed").click();
        assertThat(line("Condition")).containsText("words");
        line("Condition").getByText("Look at the spellings").click();
        assertThat(page.locator("li.word").filter(new Locator.FilterOptions().setHasText("also Sound (1)")))
                .hasCount(1);
        page.getByText("soumd (1) is sound").click();
        assertThat(page.locator("li.word")).hasCount(2);
        page.getByLabel("Label of Lent to").fill("Borrower");
        choose("Weight (kg)", "Leave out");
        line("Photo 2").getByText("Keep it apart").click();
        assertThat(line("Photo 1")).containsText("names of pictures");
        sheet("towers").click();
        Desk.choose(
                page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("The sheet becomes")),
                "Taxonomy");
        assertThat(page.locator(".made")).containsText("new taxonomy");
        anna.checkAccessibility();

        // it may be left and returned to
        page.reload();
        assertThat(page.getByLabel("Label of Borrower").or(page.getByLabel("Label of Steps")))
                .isVisible();
        sheet("bells").click();
        assertThat(page.getByLabel("Label of Lent to")).hasValue("Borrower");
        assertThat(line("Tower")).containsText("Terms of a taxonomy");
        anna.button("Take into the draft").click();
        assertThat(anna.heading("Bell")).isVisible();
        assertThat(page.locator("[data-column=label]").first()).hasValue("Cast on");
        var labels = page.locator("[data-column=label]").all().stream()
                .map(Locator::inputValue)
                .toList();
        assertTrue(labels.containsAll(List.of("Condition", "Photo 1", "Photo 2", "Borrower")), labels.toString());
        anna.button("Undo").click();
        assertThat(anna.heading("Begin your model")).isVisible();
        anna.button("Redo").click();
        assertThat(anna.heading("Bell")).isVisible();
        assertEquals(anna.errors(), List.of());
    }

    @Test(dependsOnMethods = "fromFilesToADraftAndBack")
    public void againstADraftOnlyWhatIsNewIsProposed() {
        anna.open("/w/belfries/exchange");
        drop(SampleSheets.file(
                "bells.csv",
                BELLS.replace("Lent to", "Lent to;Key")
                        .replace(".jpg;;\n", ".jpg;;;C\n")
                        .replace(";Museum\n", ";Museum;D\n")));
        assertThat(anna.heading("bells.csv")).isVisible();
        assertThat(line("Cast on")).containsText("In the draft already.");
        assertThat(line("Condition")).containsText("words that the field does not offer yet are added");
        assertThat(page.locator(".made")).containsText("content type, gets more");
        anna.button("Take into the draft").click();
        assertThat(anna.heading("Bell")).isVisible();
    }

    @Test
    public void whatCannotBeReadIsTold() {
        api.post("/api/workspaces", Map.of("title", "Broken"));
        anna.open("/w/broken/model");
        drop(SampleSheets.file("broken.csv", "Name,Note\nMill,\"never closed\nWeir,x\n"));
        assertThat(page.getByText("A quotation mark in line 2 of “broken.csv” is never closed."))
                .isVisible();
        anna.checkAccessibility();
        drop(SampleSheets.file("bells.csv", BELLS));
        assertThat(anna.heading("bells.csv")).isVisible();
        anna.open("/w/broken/model");
        anna.link("bells.csv").click();
        assertThat(anna.heading("bells.csv")).isVisible();
        anna.open("/w/broken/workbooks/999999");
        assertThat(page.getByText("This workbook is not here any more. Send it again."))
                .isVisible();
        drop(SampleSheets.file("towers.csv", TOWERS));
        assertThat(anna.heading("towers.csv")).isVisible();
    }

    @Test
    public void aFileMayComeBeforeTheWorkspaceIsKnown() {
        api.post("/api/workspaces", Map.of("title", "Early"));
        var held = new ArrayList<Route>();
        page.route("**/api/workspaces", held::add);
        anna.open("/w/early/exchange");
        drop(SampleSheets.file("towers.csv", TOWERS));
        assertThat(anna.heading("towers.csv")).isVisible();
        held.forEach(Route::resume);
        page.unroute("**/api/workspaces");
        assertThat(line("Steps")).isVisible();
    }

    @Test
    public void whatSomebodyElseChoosesStays() {
        api.post("/api/workspaces", Map.of("title", "Both"));
        anna.open("/w/both/model");
        drop(SampleSheets.file("towers.csv", TOWERS));
        assertThat(line("Steps")).isVisible();
        var id = page.url().replaceFirst(".*/", "").replaceFirst("[?].*", "");
        var open =
                Map.of("sheets", List.of(Map.of("sheet", 0, "columns", List.of(Map.of("column", 2, "use", "skip")))));
        api.put("/api/workspaces/both/workbooks/" + id + "/choices?chosen=0", open);
        page.getByLabel("Label of Steps").fill("Stairs");
        assertThat(line("Open")).containsText("chosen");
        anna.button("Take into the draft").click();
        assertThat(anna.heading("Tower")).isVisible();
        assertThat(page.locator("[data-column=label]")).hasCount(1);
        assertThat(page.locator("[data-column=label]")).hasValue("Stairs");
        anna.open("/w/both/workbooks/" + id);
        anna.button("Delete this reading").click();
        anna.confirm("Delete this reading");
        assertThat(anna.heading("Import a model from a workbook")).isVisible();
        assertThat(page.locator(".earlier")).hasCount(0);
    }
}
