package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.jontrel.demo.DemoLoader;
import org.jontrel.e2e.workbook.SampleSheets;
import org.testng.annotations.Test;

/** Makes the pictures of the documentation anew, from the demo data. Run by {@code ./jontrel screenshots}. */
public class Screenshots {
    private final String folder = System.getProperty("screenshots", "target/screenshots");

    @Test
    public void all() {
        try (var installation = new Installation()) {
            DemoLoader.load(installation.address(), Installation.SETUP_CODE);
            try (var visitor = new Visitor(installation.address())) {
                take(visitor);
                drift(visitor, installation);
            }
        }
    }

    /** What a site looks like whose tables somebody has changed. */
    private void drift(Visitor visitor, Installation installation) {
        installation.say(
                "bench",
                "ALTER TABLE structure MODIFY width_m DECIMAL(20,6), MODIFY built VARCHAR(20) COMMENT 'fk5y8h2j4',"
                        + " ADD COLUMN surveyor_ref VARCHAR(40)");
        visitor.open("/w/tessel-waters/sites/bench");
        visitor.page
                .getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Site"))
                .click();
        visitor.button("Look now").click();
        visitor.page.getByText("differences were found").waitFor();
        assertThat(visitor.button("Take into the draft")).isEnabled();
        visitor.picture(folder, "drift");
    }

    /** The rest of the Model area. */
    private void desk(Visitor visitor) {
        var page = visitor.page;
        open(visitor, "Waterway");
        page.locator("[data-term] input").nth(2).scrollIntoViewIfNeeded();
        page.locator("[data-term] input").nth(2).focus();
        visitor.picture(folder, "taxonomy");
        workbook(visitor);
        visitor.open("/w/tessel-waters/map")
                .page
                .locator("svg [role=link]")
                .nth(11)
                .waitFor();
        visitor.picture(folder, "map");
        visitor.open("/w/tessel-waters/exchange").heading("Import definitions").waitFor();
        page.locator("input[type=file]").first().setInputFiles(new Path[] {
            Path.of("../demo/src/main/resources/org/jontrel/demo/release-1.0.0/types/mooring.yaml"),
            Path.of("../examples/seed-bank/types/vault.yaml")
        });
        page.getByText("Content type Vault added").waitFor();
        visitor.picture(folder, "in-out");
    }

    /** Sheets of boats and yards as a client would send them. */
    private void workbook(Visitor visitor) {
        var page = visitor.page;
        visitor.open("/w/tessel-waters/exchange")
                .heading("Import a model from a workbook")
                .waitFor();
        page.getByLabel("Workbooks: CSV, XLSX or ODS").setInputFiles(new FilePayload[] {
            SampleSheets.file("heritage-boats.csv", SampleSheets.BOATS),
            SampleSheets.file("yards.csv", SampleSheets.YARDS)
        });
        visitor.heading("heritage-boats.csv, yards.csv").waitFor();
        page.getByText("Look at the spellings").first().click();
        visitor.picture(folder, "workbook");
    }

    /** Rows of a client's sheet, where their columns go and what would become of them. */
    private void rows(Visitor visitor) {
        var page = visitor.page;
        visitor.open("/w/tessel-waters/records/trial/workbook-rows")
                .heading("Rows from a workbook")
                .waitFor();
        page.getByLabel("Workbooks with rows for this site").setInputFiles(new FilePayload[] {
            SampleSheets.file("moorings.csv", SampleSheets.MOORINGS),
            SampleSheets.file("notices.csv", SampleSheets.NOTICES)
        });
        visitor.heading("moorings.csv, notices.csv").waitFor();
        visitor.picture(folder, "mapping");
        visitor.button("Try the rows").click();
        visitor.button("Try again").waitFor();
        visitor.picture(folder, "trial");
    }

    private static void open(Visitor visitor, String name) {
        visitor.page
                .locator("nav a:has(.name:text-is(\"" + name + "\"))")
                .first()
                .click();
        visitor.heading(name).waitFor();
    }

    private void take(Visitor visitor) {
        var page = visitor.page;
        visitor.signIn("anna", "anna-architect");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Structure"))
                .first()
                .click();
        visitor.button("Names and settings").click();
        page.getByLabel("Label of field 2").focus();
        page.locator(".proof").getByLabel("Title").waitFor();
        visitor.picture(folder, "model");
        pages(visitor);
        desk(visitor);
        visitor.link("Releases").click();
        visitor.heading("Next release").waitFor();
        visitor.picture(folder, "releases");
        rows(visitor);
        visitor.open("/w/tessel-waters/sites/trial");
        page.getByText("questions open").waitFor();
        page.getByText("Charges by season: values that cannot be read").click();
        page.getByText("Type what each value becomes").waitFor();
        visitor.picture(folder, "plan");
        page.reload();
        Desk.choose(page.getByLabel("to", new Page.GetByLabelOptions().setExact(true)), "2.0.0");
        page.getByText("of 2 questions open").waitFor();
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Value for Depth of water"))
                .fill("1.2");
        visitor.button("Save answer").click();
        page.getByText("Answered").first().waitFor();
        page.getByText("Rise of the lock: values that cannot be read").click();
        page.getByLabel("What “about 9ft” becomes").fill("2.74");
        page.getByLabel("What “8 ft 6 in” becomes").fill("2.59");
        Desk.pick(page.locator("form.ask"), "Set aside and hold what is not corrected");
        visitor.button("Save answer").click();
        page.getByText("Every question is answered.").waitFor();
        visitor.button("Rehearse on a copy").click();
        page.getByText("The copy took").waitFor();
        visitor.picture(folder, "rehearsal");
        visitor.button("Run on Trial").click();
        page.getByText("Done", new Page.GetByTextOptions().setExact(true)).waitFor();
        visitor.button("Undo this run").waitFor();
        visitor.picture(folder, "run");
        visitor.link("Values this run holds").click();
        page.getByText("Rise of Structures").waitFor();
        visitor.picture(folder, "held");
        visitor.open("/w/tessel-waters/records/bench/structure")
                .heading("Structures")
                .waitFor();
        page.getByRole(AriaRole.ROW).nth(3).waitFor();
        visitor.picture(folder, "records");
        visitor.open("/w/tessel-waters/records/bench/media-files")
                .page
                .locator(".thumb img")
                .last()
                .waitFor();
        page.locator(".thumb").first().click();
        page.getByText("Used by").waitFor();
        visitor.picture(folder, "media");
        visitor.open("/w/tessel-waters/records/bench/structure");
        visitor.link("Lock 1").first().click();
        page.locator("[data-field=title] input").waitFor();
        page.getByText("960 by 640").first().waitFor();
        visitor.picture(folder, "entry-form");
        visitor.open("/at/towpath/").heading("Locks, walks and quiet moorings").waitFor();
        visitor.picture(folder, "home-page");
    }

    /** The page of a lock, which has a layout of its own, with a record of Towpath; and the look of the site. */
    private void pages(Visitor visitor) {
        var page = visitor.page;
        visitor.open("/w/tessel-waters/pages");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("Page of a lock")))
                .click();
        Desk.choose(page.getByLabel("Site", new Page.GetByLabelOptions().setExact(true)), "Towpath");
        page.locator("[data-block] .name")
                .filter(new Locator.FilterOptions().setHasText("Summary"))
                .click();
        page.locator(".page-frame iframe").first().contentFrame().locator("h1").waitFor();
        visitor.picture(folder, "pages");
        page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Types and their pages"))
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Towpath"))
                .click();
        page.locator(".page-frame iframe")
                .first()
                .contentFrame()
                .locator(".cards")
                .first()
                .waitFor();
        visitor.picture(folder, "look");
        visitor.open("/w/tessel-waters/model");
    }
}
