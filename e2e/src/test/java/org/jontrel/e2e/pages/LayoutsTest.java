package org.jontrel.e2e.pages;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
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
    private PagesDesk pages;
    private Desk desk;
    private Page page;

    @BeforeClass
    public void start() throws InterruptedException {
        pages = new PagesDesk();
        desk = pages.desk;
        page = pages.page;
        pages.record(
                "mooring", Map.of("title", "Willow Bank", "length_m", "21.5", "surface", "grass", "per_night", "12.5"));
        pages.record("mooring", Map.of("title", "Bare Bank", "length_m", "9"));
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        pages.close();
    }

    @Test
    public void whatIsDerivedIsShownAsBlocksAndBecomesOnesOwnAndBack() {
        pages.open("Work parties", "Page");
        assertThat(pages.block("Title")).isVisible();
        assertThat(pages.shown().locator("h1")).hasText("Work party 1");
        desk.anna.checkAccessibility();
        desk.anna.button("Lay it out").click();
        assertThat(pages.setting("Name")).hasValue("Page of work party");
        desk.anna.checkAccessibility();
        desk.anna.button("Back to derived").click();
        assertThat(desk.anna.button("Lay it out")).isVisible();
    }

    @Test
    public void aPageIsLaidOutByKeyboardBesideTheRealPage() {
        pages.open("Moorings", "Page");
        assertThat(pages.shown().locator("h1")).hasText("Mooring 1");
        pages.withDrafts();
        assertThat(pages.shown().locator("h1")).hasText("Bare Bank");
        pages.layOut();
        assertThat(pages.block("Summary")).isVisible();
        pages.addBelow(pages.block("Summary"), "colum");
        assertThat(pages.block("Columns")).isVisible();
        pages.addBelow(pages.block("Columns"), "length of");
        assertThat(pages.shown().locator(".columns dt")).hasText("Length of berth");
        assertThat(pages.shown().locator(".columns dd")).containsText("m");
        pages.block("Lead image").focus();
        page.keyboard().press("Alt+ArrowRight");
        assertThat(pages.inner("Lead image")).isVisible();
        page.keyboard().press("Alt+ArrowLeft");
        assertThat(pages.inner("Lead image")).hasCount(0);
        pages.inner("Length of berth").first().click();
        pages.setting("Label").fill("How long");
        assertThat(pages.shown().locator(".columns dt")).hasText("How long");
        desk.saved();
        desk.anna.checkAccessibility();
    }

    /** Lines of the outline are dragged before and behind others, and into what holds others. */
    @Test(dependsOnMethods = "aPageIsLaidOutByKeyboardBesideTheRealPage")
    public void blocksAreDragged() {
        pages.open("Moorings", "Page");
        pages.withDrafts();
        assertThat(pages.shown().locator(".columns dt")).hasText("How long");
        var columns = pages.block("Columns");
        pages.block("Summary").dragTo(columns, new Locator.DragToOptions().setTargetPosition(20, middle(columns)));
        assertThat(pages.inner("Summary")).isVisible();
        pages.block("Summary").dragTo(columns, new Locator.DragToOptions().setTargetPosition(20, 2));
        assertThat(pages.inner("Summary")).hasCount(0);
        desk.saved();
    }

    private static double middle(Locator line) {
        return line.boundingBox().height / 2;
    }

    @Test(dependsOnMethods = {"aPageIsLaidOutByKeyboardBesideTheRealPage", "blocksAreDragged"})
    public void anotherRecordShowsWhereALayoutBreaks() {
        pages.open("Moorings", "Page");
        page.locator(".view").getByText("Emptiest").click();
        assertThat(pages.shown().locator("h1")).hasText("Bare Bank");
        page.locator(".view").getByText("Fullest").click();
        assertThat(pages.shown().locator("h1")).hasText("Willow Bank");
        page.locator(".view")
                .getByText("Next", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(pages.shown().locator("h1")).hasText("Bare Bank");
    }

    /** Locks have a page of their own, and the record that is shown says so. */
    @Test
    public void someRecordsGetAnotherPage() {
        pages.record("structure", Map.of("title", "Alder Bridge", "sort", "bridge"));
        pages.record("structure", Map.of("title", "Bottom Lock", "sort", "lock"));
        pages.open("Structures", "Page");
        pages.withDrafts();
        assertThat(pages.shown().locator("h1")).hasText("Bottom Lock");
        assertThat(page.locator(".view").getByText("It is for those where Sort is Lock."))
                .isVisible();
    }

    /** A bridge gets a page of its own by its address; for each record it is said which page it gets, and why. */
    @Test(dependsOnMethods = "someRecordsGetAnotherPage")
    public void oneRecordGetsAnotherPage() {
        pages.open("Structures", "Page");
        var held = new ArrayList<Route>();
        page.route("**/pages/own*", held::add);
        desk.anna.button("Another layout").click();
        assertThat(pages.setting("Name")).isDisabled(); // what is typed now would go into the first one
        page.waitForCondition(() -> !held.isEmpty());
        held.getFirst().resume();
        page.unroute("**/pages/own*");
        pages.setting("Name").fill("Page of the Alder Bridge");
        desk.anna.button("Add comparison").click();
        pages.choose("What is compared", "last part of the address");
        pages.setting("With what").fill("alder-bridge");
        page.keyboard().press("Tab");
        assertThat(pages.shown().locator("h1")).hasText("Alder Bridge");
        assertThat(page.locator(".view").getByText("It is for those where the address is alder-bridge."))
                .isVisible();
        pages.add("text");
        pages.setting("Text, with values in braces").fill("The oldest of them all.");
        assertThat(pages.shown().locator("article")).containsText("The oldest of them all.");
        desk.saved();
    }

    /** What is done to pages is undone, is told in words, and does nothing to a database. */
    @Test
    public void layoutsArePartOfTheDraft() {
        pages.open("People", "Page");
        pages.layOut();
        pages.add("text");
        assertThat(pages.block("A text")).isVisible();
        desk.saved();
        desk.anna.button("Undo").click();
        assertThat(pages.block("A text")).hasCount(0);
        desk.anna.open(Desk.WORKSPACE + "history");
        assertThat(page.getByText("Layout Page of person added").first()).isVisible();
        desk.api.post("/api/workspaces/tessel-waters/releases", Map.of("version", "1.1.0", "notes", ""));
        desk.anna.open(Desk.WORKSPACE + "sites/bench");
        desk.anna.part("Changes");
        assertThat(page.getByText(Pattern.compile("of pages alone"))).isVisible();
    }

    @Test
    public void anIndexIsSetAndFilteredByVisitors() {
        pages.open("Moorings", "Index");
        pages.withDrafts();
        assertThat(pages.shown().locator("h1")).hasText("Moorings");
        assertThat(pages.shown().locator(".filters")).hasCount(0);
        filterBy("Surface");
        filterBy("Length of berth");
        assertThat(pages.shown().locator(".filters legend").first()).hasText("Surface");
        page.getByLabel("Visitors can search the list").check();
        assertThat(pages.shown().locator(".filters input[type=search]")).isVisible();
        page.locator(".sheet")
                .getByText("Lines", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(pages.shown().locator("ul.lines")).isVisible();
        page.getByLabel("Above the list").fill("Where you may tie up.");
        assertThat(pages.shown().locator(".lead")).hasText("Where you may tie up.");
        page.getByLabel("Link to this page").fill("Tie up");
        assertThat(pages.shown().locator("header nav")).containsText("Tie up");
        Desk.choose(page.getByLabel("Group by"), "Surface");
        assertThat(pages.shown().locator("h2")).hasText(new String[] {"Grass", "Without surface"});
        Desk.choose(page.getByLabel("Group by"), "No groups");
        page.getByLabel("Records per page").fill("1");
        assertThat(pages.shown().locator("ul.lines > li")).hasCount(1);
        page.getByLabel("When there are no records").fill("Nowhere to tie up yet.");
        page.getByLabel("Drafts too").uncheck();
        assertThat(pages.shown().locator("main")).containsText("Nowhere to tie up yet.");
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
        pages.record("heritage_boat", Map.of("title", "Kestrel", "afloat", true, "built", "1911"), "published");
        pages.record("heritage_boat", Map.of("title", "Heron", "afloat", false, "built", "1932"), "published");
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
        desk.anna.part("Site");
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
        org.testng.Assert.assertTrue(names.contains("bench/boats/feed.xml"), names.toString());
        assertThat(page.getByText(Pattern.compile("[0-9]+ pages, [0-9]+ pictures and files saved")))
                .isVisible();
        desk.anna.checkAccessibility();
    }

    @Test
    public void searchEnginesAreToldWhatPagesAreAbout() {
        pages.open("Moorings", "Search");
        pages.withDrafts();
        page.getByLabel("Title, with values in braces").fill("{title} with {length_m} to tie up");
        assertThat(page.locator(".result .name")).containsText("m to tie up · Bench");
        page.getByLabel("A record is a").fill("Place");
        desk.anna.button("Add property").click();
        pages.setting("Property").fill("width");
        pages.setting("Value").fill("{length_m}");
        assertThat(page.locator(".linked")).containsText("\"width\" : ");
        page.getByLabel("Ask search engines to leave").check();
        assertThat(page.locator(".result")).containsText("asked to leave this page out");
        desk.saved();
        desk.anna.checkAccessibility();
    }

    @Test
    public void aPartIsChangedOnceAndShownByEveryLayout() {
        pages.open("Stoppage notices", "Page");
        pages.layOut();
        page.getByLabel("New page part").fill("Whom to ask");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .containsText("Whom to ask");
        pages.add("text");
        assertThat(pages.block("A text")).isVisible();
        page.getByLabel("Text, with values in braces").fill("Ask the office of {site.name}.");
        assertThat(pages.block("Ask the office of {site.name}.")).isVisible();
        desk.saved();
        pages.open("Stoppage notices", "Page");
        pages.add("whom to");
        assertThat(pages.block("Whom to ask")).isVisible();
        assertThat(pages.shown().locator("article")).containsText("Ask the office of");
    }
}
