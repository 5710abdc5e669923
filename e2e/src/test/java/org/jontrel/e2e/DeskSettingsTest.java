package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** Settings of definitions: named, unfolded where they are wanted, and explained where they are changed. */
public class DeskSettingsTest extends DeskStoryTest {
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
    public void rareSettingsAreFoldedAndSayWhatTheyDo() {
        desk.open("Heritage boat");
        page.getByText("More settings").click();
        assertThat(page.getByText("Whether the content API returns its records."))
                .isVisible();
        Desk.choose(page.getByLabel("Sorted by"), "Built");
        page.getByLabel("descending").check();
        desk.saved();
        desk.tab("Code");
        assertThat(desk.proof().locator(".cm-content")).containsText("index: {order: built, descending: true,");
        desk.anna.checkAccessibility();
        desk.tab("Form");
        desk.anna.checkAccessibility();
    }

    /** Gives the focus to everything that names a setting, and collects what is not explained then. */
    private static final String UNEXPLAINED = """
            async (within) => {
              const missing = [];
              for (const element of document.querySelectorAll(within)) {
                element.dispatchEvent(new FocusEvent('focusin', { bubbles: true }));
                const setting = element.dataset.explain ?? `field.${element.dataset.column}`;
                const anchors = [setting.replace('.', '-'), setting.replace(/.*[.]/, 'field-')];
                const isExplained = () => {
                  const link = document.querySelector('.explanation a')?.href ?? '';
                  return anchors.some((anchor) => link.endsWith('#' + anchor));
                };
                for (let frames = 0; !isExplained() && frames < 60; frames++) {
                  await new Promise((done) => requestAnimationFrame(done));
                }
                if (!isExplained()) {
                  missing.push(setting);
                }
              }
              return missing;
            }""";

    private void everythingIsExplained(String within) {
        assertEquals(page.evaluate(UNEXPLAINED, within), List.of());
    }

    @Test
    public void everySettingIsExplainedWhereItIsChangedAndInTheHelp() {
        for (var definition : List.of(
                "Waterway", "Visitor facts", "Counties", "Opening and contact", "Page of a lock", "Closed now")) {
            desk.open(definition);
            everythingIsExplained(".sheet [data-explain]");
        }
        for (var type : List.of("Structure", "Heritage boat", "Towpath walk")) {
            desk.open(type);
            page.getByText("More settings").click();
            everythingIsExplained(".sheet [data-explain]");
            var labels = page.locator("[data-row] [data-column=label]");
            for (int i = 0; i < labels.count(); i++) {
                labels.nth(i).focus();
                assertThat(page.locator("tr.selected:has(:focus)")).hasCount(1);
                everythingIsExplained(
                        "tr.selected:has(:focus) [data-column], tr.selected:has(:focus) + tr [data-explain]");
            }
        }
        desk.label("Grade").focus();
        page.keyboard().press("Tab");
        page.keyboard().press("Tab");
        assertThat(page.locator(".explanation")).containsText("Key");
        desk.anna.checkAccessibility();
        var help = page.context().waitForPage(() -> page.keyboard().press("F1"));
        assertThat(help.locator("#field-key")).isInViewport();
        assertThat(help.locator("dt.asked")).hasText("Key");
        help.close();
    }

    /** What the focus unfolds or folds would otherwise move what is clicked between press and release. */
    @Test
    public void aClickFallsOnWhatIsPressedWhateverUnfolds() {
        desk.open("Mooring");
        var rows = page.locator("tr[data-row]");
        rows.nth(0).locator("[data-column=label]").click();
        assertThat(page.locator(".beneath").first()).isVisible();
        var required = rows.nth(3).getByRole(AriaRole.CHECKBOX);
        boolean was = required.isChecked();
        required.click();
        assertThat(required).isChecked(new LocatorAssertions.IsCheckedOptions().setChecked(!was));
        assertThat(rows.nth(3)).hasClass(Pattern.compile("selected"));
        rows.nth(0).locator("[data-column=label]").click();
        assertThat(rows.nth(0)).hasClass(Pattern.compile("selected"));
        rows.nth(4).locator("[data-column=kind]").click();
        assertThat(page.getByRole(AriaRole.OPTION).first()).isVisible();
        page.keyboard().press("Escape");
        desk.anna.button("Undo").click();
        desk.saved();
    }
}
