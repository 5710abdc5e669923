package org.jontrel.e2e.pages;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.zip.ZipInputStream;
import org.jontrel.e2e.Desk;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Pages laid out beside the real page of a real record, by keyboard. */
public class LayoutsTest {
    private Desk desk;
    private com.microsoft.playwright.Page page;

    @BeforeClass
    public void start() throws InterruptedException {
        desk = new Desk();
        page = desk.page;
        desk.installOnBench();
        record("mooring", Map.of("title", "Willow Bank", "length_m", "21.5", "surface", "grass", "per_night", "12.5"));
        record("mooring", Map.of("title", "Bare Bank", "length_m", "9"));
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        desk.close();
    }

    private void record(String type, Map<String, Object> values) {
        record(type, values, "draft");
    }

    private void record(String type, Map<String, Object> values, String state) {
        desk.api.post(
                "/api/sites/bench/types/" + type + "/records", Map.of("version", 0, "state", state, "values", values));
    }

    private FrameLocator shown() {
        return page.locator(".page-frame iframe").first().contentFrame();
    }

    private Locator block(String words) {
        return page.locator("[data-block] .name").filter(new Locator.FilterOptions().setHasText(words));
    }

    private void open(String type, String use) {
        desk.anna.open(Desk.WORKSPACE + "pages");
        page.locator(".holder")
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByRole(
                                AriaRole.HEADING,
                                new com.microsoft.playwright.Page.GetByRoleOptions()
                                        .setName(type)
                                        .setExact(true))))
                .getByRole(AriaRole.LINK)
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^" + use)))
                .first()
                .click();
    }

    private void layOut() {
        desk.anna.button("Lay it out").click();
        assertThat(desk.anna.button("Back to derived")).isVisible();
    }

    @Test
    public void whatIsDerivedIsShownAsBlocksAndBecomesOnesOwnAndBack() {
        open("Work parties", "Page");
        assertThat(block("Title")).isVisible();
        assertThat(shown().locator("h1")).hasText("Work party 1");
        desk.anna.checkAccessibility();
        desk.anna.button("Lay it out").click();
        assertThat(page.getByLabel("Name", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true)))
                .hasValue("Page of work party");
        desk.anna.checkAccessibility();
        desk.anna.button("Back to derived").click();
        assertThat(desk.anna.button("Lay it out")).isVisible();
    }

    @Test
    public void aPageIsLaidOutByKeyboardBesideTheRealPage() {
        open("Moorings", "Page");
        assertThat(shown().locator("h1")).hasText("Mooring 1");
        page.getByLabel("Drafts too").check();
        assertThat(shown().locator("h1")).hasText("Bare Bank");
        layOut();
        assertThat(block("Summary")).isVisible();
        block("Summary").focus();
        page.keyboard().press("Enter");
        page.keyboard().type("colum");
        page.keyboard().press("Enter");
        assertThat(block("Columns")).isVisible();
        block("Columns").focus();
        page.keyboard().press("Enter");
        page.keyboard().type("length of");
        page.keyboard().press("Enter");
        assertThat(shown().locator(".columns dt")).hasText("Length of berth");
        assertThat(shown().locator(".columns dd")).containsText("m");
        block("Lead image").focus();
        page.keyboard().press("Alt+ArrowRight");
        assertThat(page.locator(".in1 .name").filter(new Locator.FilterOptions().setHasText("Lead image")))
                .isVisible();
        page.keyboard().press("Alt+ArrowLeft");
        assertThat(page.locator(".in1 .name").filter(new Locator.FilterOptions().setHasText("Lead image")))
                .hasCount(0);
        page.locator(".in1 .name")
                .filter(new Locator.FilterOptions().setHasText("Length of berth"))
                .first()
                .click();
        page.getByLabel("Label", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
                .fill("How long");
        assertThat(shown().locator(".columns dt")).hasText("How long");
        desk.saved();
        desk.anna.checkAccessibility();
    }

    /** Lines of the outline are dragged before and behind others, and into what holds others. */
    @Test(dependsOnMethods = "aPageIsLaidOutByKeyboardBesideTheRealPage")
    public void blocksAreDragged() {
        open("Moorings", "Page");
        page.getByLabel("Drafts too").check();
        assertThat(shown().locator(".columns dt")).hasText("How long");
        var columns = block("Columns");
        block("Summary").dragTo(columns, new Locator.DragToOptions().setTargetPosition(20, middle(columns)));
        assertThat(page.locator(".in1 .name").filter(new Locator.FilterOptions().setHasText("Summary")))
                .isVisible();
        block("Summary").dragTo(columns, new Locator.DragToOptions().setTargetPosition(20, 2));
        assertThat(page.locator(".in1 .name").filter(new Locator.FilterOptions().setHasText("Summary")))
                .hasCount(0);
        desk.saved();
    }

    private static double middle(Locator line) {
        return line.boundingBox().height / 2;
    }

    @Test(dependsOnMethods = {"aPageIsLaidOutByKeyboardBesideTheRealPage", "blocksAreDragged"})
    public void anotherRecordShowsWhereALayoutBreaks() {
        open("Moorings", "Page");
        page.locator(".view").getByText("Emptiest").click();
        assertThat(shown().locator("h1")).hasText("Bare Bank");
        page.locator(".view").getByText("Fullest").click();
        assertThat(shown().locator("h1")).hasText("Willow Bank");
        page.locator(".view")
                .getByText("Next", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(shown().locator("h1")).hasText("Bare Bank");
    }

    /** Locks have a page of their own, and the record that is shown says so. */
    @Test
    public void someRecordsGetAnotherPage() {
        record("structure", Map.of("title", "Alder Bridge", "sort", "bridge"));
        record("structure", Map.of("title", "Bottom Lock", "sort", "lock"));
        open("Structures", "Page");
        page.getByLabel("Drafts too").check();
        assertThat(shown().locator("h1")).hasText("Bottom Lock");
        assertThat(page.locator(".view").getByText("It is for those where Sort is Lock."))
                .isVisible();
    }

    @Test
    public void anIndexIsSetAndFilteredByVisitors() {
        open("Moorings", "Index");
        page.getByLabel("Drafts too").check();
        assertThat(shown().locator("h1")).hasText("Moorings");
        assertThat(shown().locator(".filters")).hasCount(0);
        filterBy("Surface");
        filterBy("Length of berth");
        assertThat(shown().locator(".filters legend").first()).hasText("Surface");
        page.getByLabel("Visitors can search the list").check();
        assertThat(shown().locator(".filters input[type=search]")).isVisible();
        page.locator(".sheet")
                .getByText("Lines", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(shown().locator("ul.lines")).isVisible();
        page.getByLabel("Above the list").fill("Where you may tie up.");
        assertThat(shown().locator(".lead")).hasText("Where you may tie up.");
        page.getByLabel("Link to this page").fill("Tie up");
        assertThat(shown().locator("header nav")).containsText("Tie up");
        desk.saved();
        desk.anna.checkAccessibility();
    }

    private void filterBy(String label) {
        page.locator("#index-filters").click();
        page.locator(".n-base-select-option")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^" + label + "$")))
                .click();
        page.keyboard().press("Escape");
    }

    @Test
    public void visitorsFilterAndSearchWithoutScript() {
        record("heritage_boat", Map.of("title", "Kestrel", "afloat", true, "built", "1911"), "published");
        record("heritage_boat", Map.of("title", "Heron", "afloat", false, "built", "1932"), "published");
        desk.anna.open("/at/bench/boats/");
        assertThat(page.locator(".cards > li")).hasCount(2);
        page.getByRole(AriaRole.CHECKBOX).first().check();
        page.getByLabel("From").fill("1900");
        desk.anna.button("Show").click();
        assertThat(page).hasURL(Pattern.compile(".*/at/bench/boats/[?]afloat=yes&built[.]from=1900$"));
        assertThat(page.locator(".cards > li")).hasCount(1);
        assertThat(page.locator(".cards > li")).containsText("Kestrel");
        desk.anna.checkAccessibility();
        page.locator(".narrowed li").first().getByRole(AriaRole.LINK).click();
        assertThat(page).hasURL(Pattern.compile(".*/at/bench/boats/[?]built[.]from=1900$"));
        page.setViewportSize(320, 800);
        org.testng.Assert.assertEquals(page.evaluate("document.documentElement.scrollWidth"), 320);
        page.setViewportSize(1280, 800);
        page.getByLabel("Search words").fill("heron");
        desk.anna.button("Search").click();
        assertThat(page.locator("h1")).hasText("Search for “heron”");
        assertThat(page.locator(".cards > li")).hasCount(1);
        desk.anna.checkAccessibility();
    }

    @Test(dependsOnMethods = "visitorsFilterAndSearchWithoutScript")
    public void aSiteIsSavedAsFiles() throws IOException {
        desk.anna.open(Desk.WORKSPACE + "sites/bench");
        page.getByLabel("Address where it will stand").fill("bench");
        desk.anna.button("Save files").click();
        assertThat(page.getByText("“bench” is no address of a site")).isVisible();
        page.getByLabel("Address where it will stand").fill("https://example.org/");
        var download = page.waitForDownload(() -> desk.anna.button("Save files").click());
        var names = new ArrayList<String>();
        try (var zip = new ZipInputStream(Files.newInputStream(download.path()))) {
            for (var entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        org.testng.Assert.assertTrue(names.contains("bench/boats/kestrel/index.html"), names.toString());
        org.testng.Assert.assertTrue(names.contains("bench/sitemap.xml"), names.toString());
        assertThat(page.getByText(Pattern.compile("[0-9]+ pages, [0-9]+ pictures and files saved")))
                .isVisible();
        desk.anna.checkAccessibility();
    }

    @Test
    public void searchEnginesAreToldWhatPagesAreAbout() {
        open("Moorings", "Search");
        page.getByLabel("Drafts too").check();
        page.getByLabel("Title, with values in braces").fill("{title} with {length_m} to tie up");
        assertThat(page.locator(".result .name")).containsText("m to tie up · Bench");
        page.getByLabel("A record is a").fill("Place");
        desk.anna.button("Add property").click();
        page.getByLabel("Property", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
                .fill("width");
        page.getByLabel("Value", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
                .fill("{length_m}");
        assertThat(page.locator(".linked")).containsText("\"width\" : ");
        page.getByLabel("Ask search engines to leave").check();
        assertThat(page.locator(".result")).containsText("asked to leave this page out");
        desk.saved();
        desk.anna.checkAccessibility();
    }

    @Test
    public void aPartIsChangedOnceAndShownByEveryLayout() {
        open("Stoppage notices", "Page");
        layOut();
        page.getByLabel("New page part").fill("Whom to ask");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.HEADING, new com.microsoft.playwright.Page.GetByRoleOptions().setLevel(1)))
                .containsText("Whom to ask");
        page.getByLabel(Pattern.compile("^Add a block")).fill("text");
        page.keyboard().press("Enter");
        assertThat(block("A text")).isVisible();
        page.getByLabel("Text, with values in braces").fill("Ask the office of {site.name}.");
        assertThat(block("Ask the office of {site.name}.")).isVisible();
        desk.saved();
        open("Stoppage notices", "Page");
        page.getByLabel(Pattern.compile("^Add a block")).fill("whom to");
        page.keyboard().press("Enter");
        assertThat(block("Whom to ask")).isVisible();
        assertThat(shown().locator("article")).containsText("Ask the office of");
    }
}
