package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.site.testing.HtmlValidator;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Defining things at the modelling desk: every sort of definition, every way to edit fields, and their proof. */
public class DeskTest {
    private static final Page.GetByLabelOptions EXACTLY = new Page.GetByLabelOptions().setExact(true);
    private Desk desk;
    private Page page;

    @BeforeClass
    public void start() {
        desk = new Desk();
        page = desk.page;
    }

    @AfterMethod(alwaysRun = true)
    public void nothingWentWrongOnThePage() {
        assertEquals(desk.anna.errors(), List.of());
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        desk.close();
    }

    private void paste(Locator into, String text) {
        into.evaluate(
                "(element, text) => { const data = new DataTransfer(); data.setData('text/plain', text);"
                        + " element.dispatchEvent(new ClipboardEvent('paste', {clipboardData: data, bubbles: true, cancelable: true})); }",
                text);
    }

    @Test
    public void theOutlineShowsCountsUsesAndFiltersWhileTyping() {
        desk.open("Mooring");
        assertThat(desk.outline("Waterway"))
                .hasAttribute("title", java.util.regex.Pattern.compile("2 fields · used \\d times"));
        assertThat(desk.outline("Counties").locator(".count")).hasText("4");
        page.getByPlaceholder("Filter").fill("sea");
        assertThat(desk.outline("Seasons")).isVisible();
        assertThat(desk.outline("Mooring")).hasCount(0);
        page.getByPlaceholder("Filter").fill("zzz");
        assertThat(page.getByText("Nothing has “zzz” in its name.")).isVisible();
        page.getByPlaceholder("Filter").fill("");
        Visitor.choose(page.getByLabel("Order"), "Most used");
        assertThat(page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Definitions"))
                        .locator("section")
                        .first()
                        .getByRole(AriaRole.LINK)
                        .first())
                .containsText("Person");
        desk.anna.checkAccessibility();
    }

    @Test
    public void everySortOfDefinitionIsMadeFromOnePlace() {
        desk.open("Mooring");
        for (var made : List.of(
                List.of("content type", "Footbridge", "footbridges"),
                List.of("taxonomy", "Era", "eras"),
                List.of("shared group", "Access", ""),
                List.of("choice list", "Materials", ""),
                List.of("site values", "Donations", ""),
                List.of("listing", "New bridges", ""),
                List.of("layout", "Page of a bridge", ""))) {
            Visitor.choose(page.getByLabel("New definition"), made.getFirst());
            if (made.getFirst().startsWith("l")) {
                Visitor.choose(page.getByLabel("Lists records of").first(), "Footbridges");
            }
            page.locator("#noun").fill(made.get(1));
            page.locator("#noun").press("Enter");
            assertThat(desk.anna.heading(made.get(1))).isVisible();
            if (!made.get(2).isEmpty()) {
                assertThat(page.getByLabel("Path", new Page.GetByLabelOptions().setExact(true)))
                        .hasValue(made.get(2));
            }
            desk.anna.checkAccessibility();
        }
    }

    @Test
    public void wordingsAreShownWhereTheyAppearAndReplacedOneByOne() {
        desk.open("Heritage boat");
        desk.anna.button("Wordings and description").click();
        assertThat(page.locator(".picture.button").first()).hasText("Add heritage boat");
        page.getByLabel("Button that adds one").fill("Enter a boat");
        assertThat(page.locator(".picture.button").first()).hasText("Enter a boat");
        desk.saved();
        page.getByLabel("Button that adds one").fill("");
        assertThat(page.locator(".picture.button").first()).hasText("Add heritage boat");
        desk.anna.checkAccessibility();
    }

    @Test
    public void namesAndSettingsAreUnfoldedWhereTheyAreWanted() {
        desk.open("Structure");
        var fold = desk.anna.button("Names and settings");
        assertThat(page.locator("#def-plural")).isVisible();
        fold.click();
        assertThat(page.locator("#def-plural")).isHidden();
        assertThat(page.locator(".called")).containsText("Structures");
        assertThat(page.locator(".called")).containsText("/structures/");
        page.reload();
        assertThat(page.locator(".called")).isVisible();
        desk.anna.checkAccessibility();
        page.locator("#noun").fill("Swing bridge");
        page.locator("#noun").press("Enter");
        assertThat(page.locator("#def-plural")).hasValue("Swing bridges");
        desk.open("Structure");
        assertThat(page.locator("#def-plural")).isHidden();
        fold.focus();
        page.keyboard().press("Enter");
        assertThat(page.locator("#def-plural")).isVisible();
    }

    @Test
    public void anotherDefinitionBeginsAtItsTopAndALinkLeadsToItsField() {
        desk.open("Structure");
        page.locator("[data-row] [data-column=label]").last().scrollIntoViewIfNeeded();
        page.waitForFunction("document.querySelector('.sheet').scrollTop > 0");
        desk.outline("Towpath walk").click();
        page.waitForFunction("document.querySelector('.sheet').scrollTop === 0");
        var walk = page.url();
        var last = page.locator("[data-row]").last();
        var field = last.getAttribute("data-row");
        desk.outline("Structure").click();
        assertThat(desk.anna.heading("Structure")).isVisible();
        page.navigate(walk + "#" + field);
        assertThat(page.locator("[data-row='" + field + "'] [data-column=label]"))
                .isFocused();
    }

    @Test
    public void rareSettingsAreFoldedAndSayWhatTheyDo() {
        desk.open("Heritage boat");
        page.getByText("More settings").click();
        assertThat(page.getByText("Whether the content API returns its records."))
                .isVisible();
        Visitor.choose(page.getByLabel("Sorted by"), "Built");
        page.getByLabel("descending").check();
        desk.saved();
        desk.tab("Code");
        assertThat(desk.proof().locator(".cm-content")).containsText("index: {order: built, descending: true}");
        desk.tab("Form");
        desk.anna.checkAccessibility();
    }

    @Test
    public void fieldsMoveIntoAndOutOfRepeatersByKeyAndByDrag() {
        desk.open("Towpath walk");
        desk.label("Dogs welcome").press("Alt+ArrowDown");
        desk.label("Dogs welcome").press("Alt+ArrowRight");
        assertThat(desk.row("Dogs welcome").locator(".nest")).hasClass(java.util.regex.Pattern.compile(".*in1.*"));
        assertEquals(desk.fields().subList(2, 5), List.of("Legs", "·From", "·To"));
        desk.label("Dogs welcome").press("Alt+ArrowLeft");
        assertThat(desk.row("Dogs welcome").locator(".nest")).hasClass(java.util.regex.Pattern.compile(".*in0.*"));
        desk.row("Dogs welcome").locator(".grip").dragTo(desk.row("Grade"));
        desk.saved();
        assertEquals(desk.fields().getFirst(), "Dogs welcome");
        desk.label("Grade").press("Control+d");
        assertThat(page.getByLabel("Key of Grade").nth(1)).hasValue("grade_2");
        page.keyboard().press("Control+Delete");
        assertThat(page.getByLabel("Key of Grade")).hasCount(1);
    }

    @Test
    public void severalRowsChangeAtOnce() {
        desk.open("Heritage boat");
        desk.label("Built").press("Shift+ArrowDown");
        page.keyboard().press("Shift+ArrowDown");
        var bar = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Several fields"));
        assertThat(bar).containsText("3 fields");
        bar.getByText("Make required").click();
        for (var each : List.of("Built", "Livery", "Length")) {
            assertThat(page.getByLabel(each + " is required")).isChecked();
        }
        Visitor.choose(bar.getByLabel("Set width"), "A third");
        bar.getByText("Remove 3 fields").click();
        assertThat(desk.row("Livery")).hasCount(0);
        desk.saved();
        for (int i = 0; i < 3; i++) {
            desk.anna.button("Undo").click();
            desk.saved();
        }
        assertThat(page.getByLabel("Built is required")).not().isChecked();
        desk.anna.checkAccessibility();
    }

    @Test
    public void aLineMakesAFieldAndPastedRowsMakeManyOnceConfirmed() {
        desk.open("Work party");
        var line = page.locator(".quick-line input").first();
        line.fill("Wheelbarrows number max 20 required");
        line.press("Enter");
        assertThat(page.getByLabel("Kind of Wheelbarrows")).hasText("Number");
        assertThat(page.getByLabel("Wheelbarrows is required")).isChecked();
        paste(line, "Depth (m)\tOpen\tContact\n2,5\tyes\ta@example.org\n3,25\tno\tb@example.org\n");
        assertThat(page.getByText("3 fields found. Nothing is added until you confirm."))
                .isVisible();
        assertThat(page.getByText("its 2 samples, all numbers")).isVisible();
        assertThat(desk.row("Depth")).hasCount(0);
        page.getByLabel("Include Contact").uncheck();
        desk.anna.checkAccessibility();
        desk.anna.button("Add 2 fields").click();
        assertThat(page.getByLabel("Kind of Depth")).hasText("Number");
        assertThat(page.getByLabel("Kind of Open")).hasText("Yes or no");
        desk.label("Depth").focus();
        assertThat(page.getByLabel("Decimals")).hasValue("2");
        assertThat(page.getByLabel("Unit")).hasValue("m");
    }

    @Test
    public void aGroupBecomesSharedAndItsOwnAgain() {
        desk.open("Person");
        page.getByText("Group options").first().click();
        desk.anna.button("Make shared").click();
        assertThat(page.locator(".group").getByText("shared group").first()).isVisible();
        // a relation that people have among themselves is theirs alone
        assertThat(desk.outline("Contact").locator(".count")).hasText("5");
        assertThat(desk.row("Works with")).isVisible();
        page.getByText("Group options").first().click();
        desk.anna.button("Make its own").click();
        assertThat(desk.row("E-mail")).isVisible();
        assertThat(desk.outline("Contact")).hasCount(0);
        assertThat(desk.row("Works with")).isVisible();
    }

    @Test
    public void termsAreATreeEditedByKeyboardAndPasted() {
        desk.open("Waterway");
        var first = page.locator("[data-term] input").first();
        first.focus();
        page.keyboard().press("Enter");
        page.keyboard().type("Harbour arm");
        assertThat(page.getByLabel("Key of Harbour arm")).hasValue("harbour_arm");
        page.keyboard().press("Alt+ArrowRight");
        assertThat(page.locator(".term.in1")
                        .filter(new Locator.FilterOptions().setHas(page.getByLabel("Key of Harbour arm"))))
                .hasCount(1);
        paste(page.getByPlaceholder("or paste an indented list here"), "Wharf line\n  Upper wharf\n  Lower wharf\n");
        assertThat(page.getByLabel("Key of Upper wharf")).hasValue("upper_wharf");
        assertThat(page.locator(".term.in1")
                        .filter(new Locator.FilterOptions().setHas(page.getByLabel("Key of Lower wharf"))))
                .hasCount(1);
        Visitor.choose(page.getByLabel("Attach to a content type"), "Heritage boat");
        desk.saved();
        assertThat(page.locator(".about")).containsText("Heritage boat");
        desk.anna.checkAccessibility();
    }

    @Test
    public void aRelationIsReadAtBothEndsBeforeItIsSaved() {
        desk.open("Heritage boat");
        desk.label("Home mooring").focus();
        var ends = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("How it reads at both ends"));
        assertThat(ends).containsText("one Mooring");
        assertThat(ends).containsText("Boats at home here");
        page.getByLabel("Multiple values").check();
        assertThat(ends).containsText("several Moorings");
        page.getByLabel("shown on its form and page").uncheck();
        assertThat(ends).containsText("does not show");
        desk.anna.checkAccessibility();
    }

    @Test
    public void conditionsArePickedReadAsSentencesAndTriedInTheForm() {
        desk.open("Mooring");
        assertThat(desk.proof().getByText("Where the tap is")).hasCount(0);
        Visitor.choose(desk.proof().getByLabel("Drinking water"), "Yes");
        assertThat(desk.proof().getByText("Where the tap is")).isVisible();
        desk.label("Remarks").focus();
        page.getByText("Width, default, API, condition").click();
        desk.anna.button("Add comparison").click();
        Visitor.choose(page.getByLabel("What is compared"), "Open to visitors");
        assertThat(page.getByText("Shown when Open to visitors is yes.")).isVisible();
        assertThat(desk.proof().getByLabel("Remarks")).hasCount(0);
        Visitor.choose(desk.proof().getByLabel("Open to visitors"), "Yes");
        assertThat(desk.proof().getByLabel("Remarks")).isVisible();
        desk.anna.button("Add comparison").click();
        Visitor.choose(page.getByLabel("What is compared").nth(1), "Open to visitors");
        Visitor.choose(page.getByLabel("With what").nth(1), "no");
        assertThat(page.getByText("so it is never shown").first()).isVisible();
        page.getByLabel("not", EXACTLY).nth(1).check();
        assertThat(page.getByText("so it is never shown")).hasCount(0);
        desk.anna.button("Add list within").click();
        var within = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Comparisons within"));
        Visitor.choose(within.getByLabel("What is compared"), "Length of berth");
        Visitor.choose(within.getByLabel("How it is compared"), "is above");
        within.getByLabel("With what").fill("20");
        within.getByText("Add comparison").click();
        Visitor.choose(within.getByLabel("How comparisons are combined"), "none is true");
        desk.saved();
        desk.anna.checkAccessibility();
        page.reload();
        desk.label("Remarks").focus();
        assertThat(within.getByLabel("With what").first()).hasValue("20");
        assertThat(within.getByLabel("How comparisons are combined")).hasText("none is true");
        assertThat(page.getByLabel("not", EXACTLY).nth(1)).isChecked();
        for (int i = 0; i < 3; i++) {
            page.getByLabel("Remove comparison").last().click();
        }
        desk.saved();
    }

    @Test
    public void rowsOfRowsAreTriedInTheFormWithTheirLimits() {
        desk.open("Towpath walk");
        desk.anna.button("Add a row to Legs").click();
        assertThat(desk.proof().getByText("From is required. Fill it in before publishing."))
                .isVisible();
        desk.proof().getByLabel("Length").fill("far");
        assertThat(desk.proof().getByText("Length must be a number such as 12 or 2.5"))
                .isVisible();
        desk.anna.button("Add a row to Waypoints").click();
        desk.proof().getByPlaceholder("Latitude").fill("95");
        desk.proof().getByPlaceholder("Longitude").fill("0");
        assertThat(desk.proof().getByText("Where must be a latitude from -90 to 90"))
                .isVisible();
        desk.anna.checkAccessibility();
    }

    @Test
    public void typesAreMovedInTheNavigationByHand() {
        desk.open("Mooring");
        page.getByText("More settings").click();
        var names = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Order in the navigation"))
                .locator(".name");
        var before = names.allTextContents();
        int at = before.indexOf("Moorings");
        assertTrue(at > 0, before.toString());
        var up = desk.anna.button("Move Moorings up in the navigation");
        up.focus();
        for (int i = at; i > 0; i--) {
            page.keyboard().press("Alt+ArrowUp");
            assertThat(names.nth(i - 1)).hasText("Moorings");
        }
        assertThat(up).isDisabled();
        assertThat(desk.anna.button("Move Moorings down in the navigation")).isFocused();
        desk.tab("Page");
        assertThat(page.frameLocator("iframe[title=Page]").locator("nav a").first())
                .hasText("Moorings");
        desk.anna.checkAccessibility();
        desk.saved();
        page.reload();
        page.getByText("More settings").click();
        assertThat(names.first()).hasText("Moorings");
        desk.tab("Form");
    }

    /** Beside the beats that tell who is there, and the strip of sites that is renewed now and then. */
    @Test
    public void anEditCostsOneRequest() {
        desk.open("Structure");
        desk.tab("Page");
        var heading = page.frameLocator("iframe[title=Page]").locator("h1");
        assertThat(heading).hasText("Structure 1");
        var asked = new ArrayList<String>();
        page.onRequest(
                request -> asked.add(request.method() + " " + request.url().replaceFirst(".*/api/", "")));
        page.locator("#def-singular").focus();
        page.keyboard().press("End");
        page.keyboard().type(" of stone");
        assertThat(heading).hasText("Structure of stone 1");
        desk.saved();
        desk.anna.rest();
        asked.removeIf(each -> each.contains("/presence") || each.contains("/public/") || each.endsWith("/sites"));
        assertEquals(asked.size(), 1, asked.toString());
        assertTrue(asked.getFirst().startsWith("PUT workspaces/tessel-waters/draft/definitions/"), asked.toString());
        desk.anna.button("Undo").click();
        assertThat(heading).hasText("Structure 1");
        desk.tab("Form");
    }

    @Test
    public void everyPageOfTheTrustsModelIsValidHtml() {
        var pages = new java.util.LinkedHashMap<String, String>();
        for (var type : Desk.definitions(Desk.model())) {
            if (type.get("sort").equals("type")) {
                var look = desk.api.post("/api/proof/tessel-waters/look", type);
                var key = ((Map<?, ?>) type.get("definition")).get("key");
                pages.put("page of " + key, look.get("page").asString());
                pages.put("index of " + key, look.get("index").asString());
            }
        }
        assertEquals(HtmlValidator.mistakes(pages), List.of());
    }

    @Test
    public void pageIndexAndApiAreShownWithMadeUpValues() {
        desk.open("Structure");
        desk.tab("Page");
        var frame = page.frameLocator("iframe[title=Page]");
        assertThat(frame.locator("h1")).hasText("Structure 1");
        assertThat(frame.getByText("State of repair")).isVisible();
        desk.tab("Index");
        assertThat(page.frameLocator("iframe[title=Index]").getByText("Structure 6"))
                .isVisible();
        desk.tab("API");
        assertThat(desk.proof().locator("pre").first()).containsText("\"condition\": \"fair\"");
        assertThat(desk.proof().locator("pre").first()).not().containsText("warden_email");
        assertThat(desk.proof().locator("pre").nth(1)).containsText("\"maximum\": 30");
        desk.anna.checkAccessibility();
        desk.tab("Form");
    }

    @Test
    public void codeIsEditedWithProblemsAtTheLineAndAppliedAsOneStep() {
        desk.open("Seasons");
        var code = desk.proof().locator(".cm-content");
        assertThat(code).containsText("title: Seasons");
        code.click();
        page.keyboard().press("Control+End");
        page.keyboard().type("colour: red\n");
        page.keyboard().press("Control+Enter");
        assertThat(desk.proof().getByText("No property colour in choice list.")).isVisible();
        assertThat(desk.proof().locator(".cm-lint-marker-error")).hasCount(1);
        desk.anna.checkAccessibility();
        page.keyboard().press("Control+z");
        desk.anna.button("Revert").click();
        code.click();
        page.keyboard().press("Control+Home");
        page.keyboard().type("description: When boats move.\n");
        page.keyboard().press("Control+Enter");
        desk.anna.button("Description").click();
        assertThat(page.locator("#def-description")).hasValue("When boats move.");
        desk.anna.button("Undo").click();
        assertThat(page.locator("#def-description")).hasValue("");
        code.click();
        page.keyboard().press("Control+Home");
        page.keyboard().type("des");
        page.keyboard().press("Control+Space");
        assertThat(page.locator(".cm-tooltip-autocomplete")).containsText("description");
        page.keyboard().press("Escape");
        desk.anna.button("Revert").click();
    }

    @Test
    public void theDarkThemeIsReadableTooAndWideAndNarrowScreensWork() {
        desk.open("Mooring");
        desk.anna.account("Dark theme");
        desk.label("Surface").focus();
        desk.anna.checkAccessibility();
        page.setViewportSize(1920, 1080);
        desk.anna.checkAccessibility();
        page.setViewportSize(900, 800);
        desk.anna.checkAccessibility();
        page.getByText("Proof", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(desk.proof()).isVisible();
        assertThat(page.locator("tr[data-row]")).hasCount(0);
        page.setViewportSize(1280, 800);
        desk.anna.account("Light theme");
    }
}
