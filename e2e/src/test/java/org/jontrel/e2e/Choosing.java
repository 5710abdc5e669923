package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;

/** What people do with lists, radio buttons and kinds of fields. */
final class Choosing {
    private Choosing() {}

    /** Opens a list and clicks an option, as people do. */
    static void choose(Locator list, String option) {
        list.click();
        list.page()
                .getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
        assertThat(list.page().locator(".n-base-select-menu")).hasCount(0);
    }

    /** One of a few that are all seen. */
    static void pick(Locator within, String label) {
        within.locator(".n-radio")
                .filter(new Locator.FilterOptions()
                        .setHas(within.page().getByText(label, new Page.GetByTextOptions().setExact(true))))
                .click();
    }

    /** Chooses the kind of a field by typing its name, as people who know it do. */
    static void kind(Locator kind, String name) {
        kind.press("Space");
        kind.page().keyboard().type(name);
        kind.page().keyboard().press("Enter");
        assertThat(kind).hasText(name);
    }
}
