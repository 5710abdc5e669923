package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What editors do all day, on a site that has the Trust's whole model. */
public class RecordsTest {
    private static final String RECORDS = Desk.WORKSPACE + "records/bench/";
    private Desk desk;
    private Page page;
    private long waterway;

    @BeforeClass
    public void start() throws InterruptedException {
        desk = new Desk();
        page = desk.page;
        var api = desk.api;
        desk.installOnBench();
        waterway = api.get("/api/sites/bench/taxonomies/waterway/records?search=Long")
                .at("/records/0/id")
                .asLong();
        for (var name : List.of("Ada Quill", "Bram Osterly", "Cora Vane")) {
            var email = name.toLowerCase(java.util.Locale.ROOT).replace(' ', '.') + "@example.org";
            add("person", Map.of("title", name, "email", email));
        }
        for (int i = 1; i <= 30; i++) {
            add("structure", structure("Lock " + i, i % 3 == 0 ? "poor" : "good", i));
        }
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        desk.close();
    }

    private Map<String, Object> structure(String title, String condition, int number) {
        return Map.of(
                "title",
                title,
                "sort",
                "lock",
                "condition",
                condition,
                "repair_note",
                "Gates leak.",
                "rise_m",
                "2." + (10 + number),
                "waterway",
                List.of(waterway));
    }

    private long add(String type, Map<String, Object> values) {
        return desk.api
                .post(
                        "/api/sites/bench/types/" + type + "/records",
                        Map.of("version", 0, "state", "published", "values", values))
                .at("/record/id")
                .asLong();
    }

    private Locator rows() {
        return page.locator("tr[data-record]");
    }

    /** Where the words of a row end, by the lines they stand on: one number where all stand on one line. */
    private static final String BASELINES = """
            row => [...row.querySelectorAll('td')].flatMap(cell => {
              const texts = document.createTreeWalker(cell, NodeFilter.SHOW_TEXT);
              const found = [];
              while (texts.nextNode()) {
                const range = document.createRange();
                range.selectNodeContents(texts.currentNode);
                if (texts.currentNode.textContent.trim()) found.push(range.getBoundingClientRect().bottom.toFixed(1));
              }
              return found;
            }).filter((each, at, all) => all.indexOf(each) === at)""";

    private Locator count(int records) {
        return page.getByRole(AriaRole.STATUS).getByText(records == 1 ? "1 record" : records + " records");
    }

    private void choose(String label, String words, String option) {
        var input =
                page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^" + label)));
        input.fill(words);
        assertThat(page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(option))
                        .first())
                .isVisible();
        input.press("Enter");
    }

    private void save(String button) {
        desk.anna.button(button).click();
        assertThat(page.getByText(Pattern.compile("^Saved")).first()).isVisible();
    }

    @Test
    public void listsAreSearchedFilteredByPickingSortedAndExported() {
        desk.anna.open(RECORDS + "structure");
        assertThat(count(30)).isVisible();
        assertThat(rows().first()).containsText("Published");
        var baselines = (List<?>) rows().first().evaluate(BASELINES);
        assertEquals(baselines.size(), 1, baselines.toString());
        page.getByLabel("Search structures").fill("lock 12");
        assertThat(count(1)).isVisible();
        page.getByLabel("Search structures").fill("");
        desk.anna.button("Filter").click();
        desk.anna.button("Add comparison").click();
        Desk.choose(page.getByLabel("What is compared"), "State of repair");
        Desk.choose(page.getByLabel("With what"), "Poor");
        assertThat(count(10)).isVisible();
        assertThat(page.getByText("Where State of repair is Poor")).isVisible();
        desk.anna.checkAccessibility();
        desk.anna.button("Add comparison").click();
        Desk.choose(page.getByLabel("What is compared").nth(1), "Rise of the lock");
        Desk.choose(page.getByLabel("How it is compared").nth(1), "is at least");
        page.getByLabel("With what").nth(1).fill("2.30");
        assertThat(count(4)).isVisible();
        desk.anna.button("Clear").click();
        desk.anna.button("Rise of the lock").click();
        assertThat(rows().first()).containsText("Lock 1");
        desk.anna.button("Rise of the lock").click();
        assertThat(rows().first()).containsText("Lock 30");
        var download = page.waitForDownload(() -> desk.anna.link("CSV").click());
        assertEquals(download.suggestedFilename(), "bench-structure.csv");
        desk.anna.button("Columns").click();
        page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Keeper"))
                .uncheck();
        page.getByLabel("Name of this view").fill("By rise");
        desk.anna.button("Save view").click();
        page.reload();
        Desk.choose(page.getByLabel("Views"), "By rise");
        assertThat(rows().first()).containsText("Lock 30");
        assertThat(page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Keeper")))
                .hasCount(0);
    }

    @Test(dependsOnMethods = "listsAreSearchedFilteredByPickingSortedAndExported")
    public void severalRecordsAreChangedAtOnceByKeyboardAndWhatIsDeletedComesBack() {
        desk.anna.open(RECORDS + "structure");
        assertThat(count(30)).isVisible();
        rows().first().focus();
        page.keyboard().press("Space");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("Space");
        assertThat(page.getByText("2 picked")).isVisible();
        Desk.choose(page.getByLabel("Set a field"), "Keeper");
        choose("Keeper", "Ada", "Ada Quill");
        desk.anna.button("Set").click();
        assertThat(page.getByText("2 records changed.")).isVisible();
        assertThat(rows().getByText("Ada Quill")).hasCount(2);
        desk.anna.checkAccessibility();
        desk.anna.button("Delete").click();
        assertThat(count(28)).isVisible();
        desk.anna.button("Bring back").click();
        assertThat(count(30)).isVisible();
    }

    @Test(dependsOnMethods = "severalRecordsAreChangedAtOnceByKeyboardAndWhatIsDeletedComesBack")
    public void everyControlOfAWalkIsFilledAndItsPageShowsIt() {
        desk.anna.open(RECORDS + "towpath_walk/new");
        page.getByLabel("Title").fill("Round the Long Pound");
        Desk.pick(page.locator("main"), "Easy");
        page.getByLabel("Time needed").press("End");
        desk.anna.button("Add a row to Legs").click();
        var leg = page.getByLabel("Legs 1", new Page.GetByLabelOptions().setExact(true));
        leg.getByLabel(Pattern.compile("^From\\b")).fill("The basin");
        leg.getByLabel(Pattern.compile("^To\\b")).fill("Alder Bridge");
        desk.anna.button("Add a row to Waypoints").click();
        page.getByLabel(Pattern.compile("^What\\b")).first().fill("Seat");
        page.getByPlaceholder("Latitude").fill("53.41");
        page.getByPlaceholder("Longitude").fill("-1.84");
        choose("Structures passed", "lock 23", "Lock 23");
        choose("Structures passed", "lock 17", "Lock 17");
        assertThat(page.locator("[data-field=passes] li a")).hasText(new String[] {"Lock 23", "Lock 17"});
        desk.anna.button("Move 2 up").first().click();
        assertThat(page.locator("[data-field=passes] li a")).hasText(new String[] {"Lock 17", "Lock 23"});
        choose("Waterways", "Tarn", "Tarn Flight");
        desk.anna.checkAccessibility();
        save("Publish");
        desk.anna.open(desk.anna.link("See its page").getAttribute("href"));
        assertThat(page.getByText("The basin")).isVisible();
        assertThat(page.getByText("53.41, -1.84")).isVisible();
        assertThat(desk.anna.link("Lock 17")).isVisible();
        desk.anna.checkAccessibility();
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Lock 23").setExact(true))
                .click();
        assertThat(page.getByText("Walks that pass")).isVisible();
        desk.anna.link("Round the Long Pound").click();
        desk.anna.link("Tarn Flight").first().click();
        assertThat(desk.anna.link("Round the Long Pound")).isVisible();
    }

    /** After the others, which count the structures that there are. */
    @Test(priority = 1)
    public void aMomentToRetireIsTypedKeptAndRefusedWhereItIsNone() {
        var id = desk.api
                .get("/api/sites/bench/types/structure/records?most=1&order=own_id")
                .at("/records/0/id")
                .asString();
        desk.anna.open(RECORDS + "structure/" + id);
        var retires = page.getByLabel("Retire at (UTC)").first();
        for (var wrong : List.of("next summer", "01/01/2020 09:00")) {
            retires.fill(wrong);
            desk.anna.button("Save").click();
            var problem = page.locator("#record-retire-problems");
            assertThat(problem)
                    .containsText(
                            wrong.startsWith("next") ? "cannot be read as a date and time" : "must be in the future");
            assertThat(retires).hasAttribute("aria-invalid", "true");
            page.locator("#record-problems button").click();
            assertThat(retires).isFocused();
            desk.anna.checkAccessibility();
        }
        retires.fill("31 May 2199 18:30");
        assertThat(page.getByText("Unsaved changes are kept")).isVisible();
        page.reload();
        desk.anna.button("Continue with them").click();
        assertThat(retires).hasValue(Pattern.compile("2199"));
        save("Save");
        assertThat(page.getByText("Unsaved changes")).isHidden();
        var stored = desk.api.get("/api/sites/bench/types/structure/records/" + id);
        assertEquals(stored.at("/record/retireAt").asString(), "2199-05-31T18:30:00Z");
        retires.fill("");
        desk.anna.button("Save").click();
        assertThat(page.getByText("Unsaved changes")).isHidden();
        var without = desk.api.get("/api/sites/bench/types/structure/records/" + id);
        assertEquals(without.at("/record/retireAt").asString(""), "");
    }

    /** After the others as well. */
    @Test(priority = 1)
    public void childrenStandWithTheirParentAndTheParentWithThem() {
        var lock = desk.api
                .get("/api/sites/bench/types/structure/records?most=1&order=own_id")
                .at("/records/0");
        var title = lock.get("title").asString();
        var flight = lock.get("id").asString();
        desk.anna.open(RECORDS + "structure/" + flight);
        var aside = page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("About this record"));
        assertThat(aside.getByText("Structures under it")).isVisible();
        assertThat(aside.getByText("None yet.")).isVisible();
        aside.getByText("Add structure").click();
        page.waitForURL(Pattern.compile("/new\\?under="));
        page.getByLabel("Title").first().fill("Its upper lock");
        assertThat(aside.getByText(title)).isVisible();
        desk.anna.button("Save draft").click();
        page.waitForURL(Pattern.compile("/structure/[0-9]+$"));
        desk.anna.open(RECORDS + "structure/" + flight);
        aside.getByText("Its upper lock").click();
        assertThat(desk.anna.heading("Its upper lock")).isVisible();
        desk.anna.checkAccessibility();
    }

    @Test
    public void formattedTextKeepsWhatItsFieldAllowsAndNothingElse() {
        desk.anna.open(RECORDS + "stoppage_notice/new");
        page.getByLabel("Title").fill("Gates");
        Desk.choose(page.getByLabel("Towpath stays open"), "No");
        var editor =
                page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^Way round")));
        editor.click();
        page.keyboard().type("Follow the signs");
        page.keyboard().press("Control+a");
        desk.anna.button("Bold").click();
        assertThat(desk.anna.button("Heading")).hasCount(0);
        desk.anna.button("Save draft").click();
        assertThat(page.getByText(Pattern.compile("^Saved")).first()).isVisible();
        page.reload();
        assertThat(editor.locator("strong")).hasText("Follow the signs");
    }

    @Test(dependsOnMethods = "severalRecordsAreChangedAtOnceByKeyboardAndWhatIsDeletedComesBack")
    public void whatIsTypedIsKeptAndTwoEditorsMergeTheirWork() {
        long id = add("structure", structure("Twin lock", "good", 3));
        desk.anna.open(RECORDS + "structure/" + id);
        page.getByLabel("Summary").fill("Typed and not saved");
        assertThat(page.getByText("Unsaved changes are kept in this browser.")).isVisible();
        page.reload();
        desk.anna.button("Continue with them").click();
        assertThat(page.getByLabel("Summary")).hasValue("Typed and not saved");
        var now = desk.api.get("/api/sites/bench/types/structure/records/" + id).at("/record/values");
        var theirs = new java.util.HashMap<String, Object>();
        now.propertyNames().forEach(key -> theirs.put(key, now.get(key)));
        theirs.put("built", "1801");
        theirs.put("title", "Their lock");
        page.getByLabel("Title").fill("My lock");
        desk.api.put(
                "/api/sites/bench/types/structure/records/" + id,
                Map.of("version", 1, "state", "published", "values", theirs));
        desk.anna.button("Save").click();
        assertThat(page.getByText("anna changed:")).isVisible();
        desk.anna.checkAccessibility();
        Desk.pick(page.locator("main"), "Theirs: Their lock");
        desk.anna.button("Merge both").click();
        assertThat(page.getByLabel("Title")).hasValue("Their lock");
        assertThat(page.getByLabel("Built")).hasValue("1801");
        assertThat(page.getByLabel("Summary")).hasValue("Typed and not saved");
        desk.anna.button("Save").click();
        assertThat(page.getByText("as it is now")).isVisible();
        assertThat(page.getByRole(AriaRole.COMPLEMENTARY).getByText("Typed and not saved"))
                .isVisible();
        desk.anna.button("Bring back").last().click();
        assertThat(page.getByLabel("Title")).hasValue("Twin lock");
        page.getByLabel("Address").fill("the-twin");
        desk.anna.button("Save").click();
        assertThat(desk.anna.link("See its page")).hasAttribute("href", Pattern.compile("/the-twin$"));
        desk.anna.open("/at/bench/structures/twin-lock");
        assertTrue(page.url().endsWith("/structures/the-twin"), page.url());
    }

    @Test(
            dependsOnMethods = {
                "whatIsTypedIsKeptAndTwoEditorsMergeTheirWork",
                "everyControlOfAWalkIsFilledAndItsPageShowsIt"
            })
    public void termsAreAddedMovedMergedAndSiteValuesFilled() {
        desk.anna.open(RECORDS + "taxonomies-waterway");
        page.getByLabel("New term").fill("Cray Arm");
        desk.anna.button("Add").click();
        var cray = page.locator(".terms li").filter(new Locator.FilterOptions().setHasText("Cray Arm"));
        assertThat(cray).isVisible();
        desk.anna.checkAccessibility();
        cray.getByRole(AriaRole.LINK).focus();
        page.keyboard().press("Alt+ArrowRight");
        assertThat(cray).hasAttribute("style", Pattern.compile("20px"));
        Desk.choose(page.getByLabel("Merge this term"), "Long Pound");
        Desk.choose(page.getByLabel("into this one"), "Ashlow Pound");
        desk.anna.button("Merge").click();
        assertThat(page.getByText(Pattern.compile("Merged; \\d+ records have the other now.")))
                .isVisible();
        assertThat(page.locator(".terms").getByText("Long Pound")).hasCount(0);
        cray.getByRole(AriaRole.LINK).click();
        page.getByLabel("Colour on maps").first().fill("#123456");
        save("Save");
        desk.anna.open(RECORDS + "values-opening/1");
        page.getByLabel("Front desk").fill("+44 20 7946 0000");
        save("Save");
        page.reload();
        assertThat(page.getByLabel("Front desk")).hasValue("+44 20 7946 0000");
        desk.anna.checkAccessibility();
        assertEquals(desk.anna.errors(), List.of());
    }
}
