package org.jontrel.e2e.pages;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.e2e.Desk;
import org.testng.annotations.Test;

/**
 * How soon an edit of a layout shows on the real page beside it: from the key that is typed into a label to the frame in which the
 * page has it. Prints figures and asserts none; run by {@code ./jontrel bench desk}.
 */
public class PagesBenchmark {
    private static final int EDITS = 40;
    private static final int WARM_UP = 5;
    private static final int PAUSE = 400;

    /** Notes the time from each typed letter until the page within the frame has the whole label. */
    private static final String WATCH = """
            input => {
              window.marks = [];
              input.addEventListener('input', () => {
                const begun = performance.now();
                const wanted = input.value;
                const look = () => {
                  const shown = document.querySelector('.page-frame iframe').contentDocument?.body?.textContent ?? '';
                  if (shown.includes(wanted)) {
                    window.marks.push(performance.now() - begun);
                  } else {
                    requestAnimationFrame(look);
                  }
                };
                requestAnimationFrame(look);
              }, true);
            }""";

    @Test
    public void measure() throws InterruptedException {
        try (var desk = new Desk()) {
            var page = desk.page;
            desk.installOnBench();
            for (int i = 0; i < 20; i++) {
                desk.api.post(
                        "/api/sites/bench/types/mooring/records",
                        Map.of(
                                "version",
                                0,
                                "state",
                                "draft",
                                "values",
                                Map.of(
                                        "title",
                                        "Bank " + i,
                                        "length_m",
                                        "21.5",
                                        "surface",
                                        "grass",
                                        "per_night",
                                        "12")));
            }
            desk.anna.open(Desk.WORKSPACE + "pages");
            page.locator(".holder")
                    .filter(new Locator.FilterOptions()
                            .setHas(page.getByRole(
                                    AriaRole.HEADING,
                                    new Page.GetByRoleOptions()
                                            .setName("Moorings")
                                            .setExact(true))))
                    .getByRole(AriaRole.LINK)
                    .first()
                    .click();
            page.getByLabel("Drafts too").check();
            desk.anna.button("Lay it out").click();
            page.locator("[data-block] .name")
                    .filter(new Locator.FilterOptions().setHasText("Length of berth"))
                    .first()
                    .click();
            var label = page.getByLabel("Label", new Page.GetByLabelOptions().setExact(true));
            label.fill("Length");
            page.waitForTimeout(2_000);
            label.evaluate(WATCH);
            label.focus();
            page.keyboard().press("End");
            for (int i = 0; i < WARM_UP + EDITS; i++) {
                page.keyboard().press("x");
                page.waitForTimeout(PAUSE);
            }
            report(page.evaluate("window.marks"));
        }
    }

    private static void report(Object marks) {
        var all = new ArrayList<Double>();
        ((List<?>) marks).stream().skip(WARM_UP).forEach(each -> all.add(((Number) each).doubleValue()));
        var sorted = all.stream().sorted().toList();
        System.out.printf(
                "an edit of a layout until the real page has it: median %.0f ms, 95 of 100 within %.0f ms (%d edits)%n",
                sorted.get(sorted.size() / 2), sorted.get(sorted.size() * 95 / 100), sorted.size());
    }
}
