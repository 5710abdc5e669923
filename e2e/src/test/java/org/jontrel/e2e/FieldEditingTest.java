package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.testng.annotations.Test;

/** Fields, terms, relations and conditions, edited in their tables by keyboard and by hand. */
public class FieldEditingTest extends DeskStoryTest {
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
        Desk.choose(bar.getByLabel("Set width"), "A third");
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
        Desk.choose(page.getByLabel("Attach to a content type"), "Heritage boat");
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
        Desk.choose(desk.proof().getByLabel("Drinking water"), "Yes");
        assertThat(desk.proof().getByText("Where the tap is")).isVisible();
        desk.label("Remarks").focus();
        page.getByText("Width, default, API, condition").click();
        desk.anna.button("Add comparison").click();
        Desk.choose(page.getByLabel("What is compared"), "Open to visitors");
        assertThat(page.getByText("Shown when Open to visitors is yes.")).isVisible();
        assertThat(desk.proof().getByLabel("Remarks")).hasCount(0);
        Desk.choose(desk.proof().getByLabel("Open to visitors"), "Yes");
        assertThat(desk.proof().getByLabel("Remarks")).isVisible();
        desk.anna.button("Add comparison").click();
        Desk.choose(page.getByLabel("What is compared").nth(1), "Open to visitors");
        Desk.choose(page.getByLabel("With what").nth(1), "no");
        assertThat(page.getByText("so it is never shown").first()).isVisible();
        page.getByLabel("not", EXACTLY).nth(1).check();
        assertThat(page.getByText("so it is never shown")).hasCount(0);
        desk.anna.button("Add list within").click();
        var within = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Comparisons within"));
        Desk.choose(within.getByLabel("What is compared"), "Length of berth");
        Desk.choose(within.getByLabel("How it is compared"), "is above");
        within.getByLabel("With what").fill("20");
        within.getByText("Add comparison").click();
        Desk.choose(within.getByLabel("How comparisons are combined"), "none is true");
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
}
