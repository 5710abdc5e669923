package org.jontrel.e2e.pages;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.List;
import java.util.regex.Pattern;
import org.jontrel.e2e.Desk;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What blocks show of a small canal: values from elsewhere, pictures, rows, related records, terms and lists within lists. */
public class BlocksTest {
    private PagesDesk pages;
    private Page page;

    @BeforeClass
    public void start() throws InterruptedException, IOException {
        pages = new PagesDesk();
        page = pages.page;
        new SmallCanal(pages).fill();
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        pages.close();
    }

    private Locator article() {
        return pages.shown().locator("main");
    }

    @Test
    public void valuesFromElsewhereStandOnAPage() {
        pages.open("Structures", "Page");
        assertThat(pages.shown().locator("h1")).hasText("Low Lock");
        pages.add("keeper ph");
        assertThat(pages.block("Keeper › Phone")).isVisible();
        assertThat(article()).containsText("+44 20 7946 0077");
        pages.select(pages.block("Keeper › Phone"));
        pages.setting("Text before").fill("ring ");
        pages.setting("Text behind").fill(" by day");
        assertThat(article().locator("dt", new Locator.LocatorOptions().setHasText("Phone")))
                .isVisible();
        assertThat(article()).containsText("ring +44 20 7946 0077 by day");
        pages.setting("Show the label").uncheck();
        assertThat(article().locator("dt", new Locator.LocatorOptions().setHasText("Phone")))
                .hasCount(0);
        pages.add("front desk");
        assertThat(article()).containsText("+44 20 7946 0011");
        pages.add("above titl");
        assertThat(article()).containsText("Tarn Flight");
        pages.add("text");
        pages.setting("Text, with values in braces")
                .fill("{title}, {repair_note else summary else keeper.title}, of {site.name}");
        assertThat(article()).containsText("Low Lock, Kit Marsh, of Bench");
        pages.setting("Text, with values in braces").fill("Needs {repair_note}!");
        assertThat(article()).not().containsText("Needs");
        pages.desk.saved();
        pages.desk.anna.checkAccessibility();
    }

    @Test(dependsOnMethods = "valuesFromElsewhereStandOnAPage")
    public void eachKindIsShownInItsWays() {
        pages.open("Structures", "Page");
        pages.add("last insp");
        pages.select(pages.block("Last inspected").last());
        pages.choose("Display as", "With the weekday");
        assertThat(article()).containsText("Tuesday 12 May 2026");
        pages.select(pages.block("Lead image"));
        pages.choose("Shape of pictures", "Round");
        assertThat(article().locator("img").first()).hasClass(Pattern.compile("full round"));
        pages.desk.saved();
    }

    /** A section and a fold, filled by keyboard alone, and the page at three widths and on paper. */
    @Test(dependsOnMethods = "eachKindIsShownInItsWays")
    public void blocksStandInSectionsAndFolds() {
        pages.open("Structures", "Page");
        pages.addBelow(pages.block("Summary"), "fold");
        pages.addBelow(pages.block("More"), "built");
        var fold = article().locator("details");
        assertThat(fold.locator("summary")).hasText("More");
        assertThat(fold).not().hasAttribute("open", "");
        pages.select(pages.block("More"));
        pages.setting("Open at first").check();
        assertThat(fold).hasAttribute("open", "");
        assertThat(fold).containsText("1796");
        var frame = page.locator(".page-frame iframe").first();
        for (var device : List.of("Tablet 800px", "Computer 1280px", "Paper 794px", "Phone 360px")) {
            var words = device.split(" ");
            page.getByText(words[0], new Page.GetByTextOptions().setExact(true)).click();
            assertThat(frame).hasCSS("width", words[1]);
        }
        assertThat(pages.shown().locator("header")).isVisible();
    }

    @Test
    public void rowsAndFilesAreShownInTheirForms() {
        pages.open("Heritage boats", "Page");
        pages.layOut();
        assertThat(article().locator("table")).containsText("Ruth");
        var rows = pages.block("Former names");
        pages.select(rows);
        pages.choose("Display as", "Lines");
        assertThat(article().locator("ul.lines > li").first()).hasText("Ann, 1920");
        pages.choose("Display as", "Cards");
        assertThat(article().locator(".cards > li").first()).containsText("Ann");
        pages.choose("Display as", "Blocks of their own");
        pages.addBelow(rows, "until");
        assertThat(pages.inner("Until")).isVisible();
        assertThat(article()).containsText("1950");
        assertThat(article()).not().containsText("Ruth");
        assertThat(article()).containsText(Pattern.compile("survey[.]pdf.*3.kB"));
        pages.desk.saved();
    }

    /** In the colour that the term holds, with ink that can be read on it. */
    @Test
    public void termsHaveTheirColours() {
        for (var address :
                List.of("/at/bench/stoppages/", "/at/bench/stoppages/low-lock-closed", "/at/bench/severity/closed")) {
            pages.desk.anna.open(address);
            if (!address.endsWith("severity/closed")) {
                var label = page.locator(".label", new Page.LocatorOptions().setHasText("Closed"))
                        .first();
                assertThat(label.locator("rect")).hasAttribute("fill", "#a63a24");
                assertThat(label).hasCSS("color", "rgb(255, 255, 255)");
            }
            pages.desk.anna.checkAccessibility();
        }
    }

    /** All waters that are below no other, the structures of each below it, each with its keeper. */
    @Test
    public void theHomePageListsThreeLevels() {
        pages.open("Waterways", "Card");
        pages.layOut();
        pages.add("structures");
        pages.select(pages.block("Structures"));
        pages.choose("Display as", "Blocks of their own");
        pages.addBelow(pages.block("Structures"), "title");
        pages.addBelow(pages.inner("Title"), "keeper");
        pages.desk.saved();
        pages.desk.anna.open(Desk.WORKSPACE + "model");
        Desk.choose(page.locator("#making"), "listing");
        Desk.choose(page.getByLabel("Lists records of"), "Waterways");
        page.locator("#noun").fill("All waters");
        page.keyboard().press("Enter");
        assertThat(pages.desk.anna.heading("All waters")).isVisible();
        pages.choose("Display as", "Cards");
        pages.desk.anna.button("Add comparison").click();
        pages.choose("What is compared", "parent");
        page.getByLabel("not", new Page.GetByLabelOptions().setExact(true)).check();
        pages.desk.saved();
        pages.desk.anna.checkAccessibility();
        pages.desk.anna.open(Desk.WORKSPACE + "pages");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Home page")))
                .click();
        pages.desk.anna.button("Lay out the home page").click();
        pages.add("all waters");
        var waters = article().locator(".cards").first().locator("> li");
        assertThat(waters.first()).containsText("Tessel Main Line");
        assertThat(waters.first()).containsText(Pattern.compile("Low Lock.*Kit Marsh", Pattern.DOTALL));
        assertThat(waters).hasCount(3);
        pages.desk.saved();
    }
}
