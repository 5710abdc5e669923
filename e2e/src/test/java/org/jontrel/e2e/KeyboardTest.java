package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Page;
import java.util.List;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** One of the Trust's richest types, built from nothing by keyboard alone; how many keys it took is printed. */
public class KeyboardTest {
    private Desk desk;
    private Page page;
    private int keys;

    @BeforeClass
    public void start() {
        desk = new Desk();
        page = desk.page;
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        desk.close();
    }

    private void press(String... names) {
        for (var name : names) {
            page.keyboard().press(name);
            keys++;
        }
    }

    private void type(String text) {
        page.keyboard().type(text);
        keys += text.length();
    }

    /** To a place by the finder, as people do who know its name. */
    private void find(String words) {
        press("Control+k");
        type(words);
        press("Enter");
    }

    @Test
    public void aTowpathWalkIsBuiltByKeyboardAlone() {
        desk.anna.open(Desk.WORKSPACE + "model");
        desk.outline("Mooring").waitFor();
        page.locator("#noun").focus();
        type("Riverside stroll");
        press("Enter");
        assertThat(desk.anna.heading("Riverside stroll")).isVisible();
        page.locator(".quick-line input").focus();
        for (var line : List.of(
                "Grade: Easy, Some steps, Rough required",
                "Time needed number 1 decimals max 24 h",
                "Dogs welcome yes/no",
                "Legs repeater",
                "Structures passed relation to structure many",
                "Leaflet file",
                "Read more url",
                "Map position place")) {
            type(line);
            press("Enter");
            assertThat(page.locator(".quick-line input")).hasValue("");
        }
        assertEquals(
                desk.fields(),
                List.of(
                        "Grade",
                        "Time needed",
                        "Dogs welcome",
                        "Legs",
                        "Structures passed",
                        "Leaflet",
                        "Read more",
                        "Map position"));
        find("Legs Riverside");
        assertThat(desk.label("Legs")).isFocused();
        press("Control+Enter");
        assertThat(page.locator(":focus")).hasValue("");
        for (var inner : List.of("From", "To", "Waypoints")) {
            type(inner);
            assertThat(page.getByLabel("Key of " + inner)).not().hasValue("");
            press("Control+Enter");
            assertThat(page.locator(":focus")).hasValue("");
        }
        press("Control+Delete");
        assertThat(desk.label("Waypoints").or(desk.label("Structures passed")).first())
                .isVisible();
        find("Waypoints Riverside");
        press("Tab");
        type("Rep");
        press("Enter");
        assertThat(page.getByLabel("Kind of Waypoints")).hasText("Repeater");
        press("Shift+Tab", "Control+Enter");
        assertThat(page.locator(":focus")).hasValue("");
        type("What");
        assertThat(page.getByLabel("Key of What")).hasValue("what");
        press("Enter");
        find("Time needed Riverside");
        press("Alt+ArrowDown");
        desk.saved();
        assertEquals(
                desk.fields(),
                List.of(
                        "Grade",
                        "Dogs welcome",
                        "Time needed",
                        "Legs",
                        "·From",
                        "·To",
                        "·Waypoints",
                        "··What",
                        "Structures passed",
                        "Leaflet",
                        "Read more",
                        "Map position"));
        find("findings");
        assertThat(desk.anna.heading("Findings")).isVisible();
        System.out.println("Keys pressed to build a type of 12 fields, with rows within rows: " + keys);
    }
}
