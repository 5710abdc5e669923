package org.jontrel.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.jontrel.demo.Loader;
import org.testng.annotations.Test;

/** Makes the pictures of the documentation anew, from the demo data. Run by {@code ./jontrel screenshots}. */
public class Screenshots {
    private final String folder = System.getProperty("screenshots", "target/screenshots");

    @Test
    public void all() {
        try (var installation = new Installation()) {
            Loader.load(installation.address(), Installation.SETUP_CODE);
            try (var visitor = new Visitor(installation.address())) {
                take(visitor);
            }
        }
    }

    private void take(Visitor visitor) {
        var page = visitor.page;
        visitor.open("/sign-in").heading("Sign in").waitFor();
        visitor.picture(folder, "sign-in");
        visitor.signIn("anna", "anna-architect");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Structure"))
                .first()
                .click();
        page.getByLabel("Label of field 2").focus();
        page.locator(".proof").getByLabel("Title").waitFor();
        visitor.picture(folder, "model");
        visitor.button("Dark theme").click();
        visitor.picture(folder, "model-dark");
        visitor.button("Light theme").click();
        visitor.link("Releases").click();
        visitor.heading("Next release").waitFor();
        visitor.picture(folder, "releases");
        visitor.open("/w/tessel-waters/sites/trial")
                .heading("Needs your answer")
                .waitFor();
        visitor.picture(folder, "plan");
        page.getByLabel("Value for Depth of water").fill("1.2");
        visitor.button("Keep answer").first().click();
        page.getByText("Answered").first().waitFor();
        visitor.button("Keep answer").last().click();
        page.getByText("Answered").nth(1).waitFor();
        visitor.button("Run on Trial").click();
        page.getByText("Done", new Page.GetByTextOptions().setExact(true)).waitFor();
        visitor.button("Undo this run").waitFor();
        visitor.picture(folder, "run");
        visitor.open("/w/tessel-waters/records/towpath/structure")
                .heading("Structures")
                .waitFor();
        page.getByRole(AriaRole.ROW).nth(3).waitFor();
        visitor.picture(folder, "records");
        page.locator("tbody a").nth(1).click();
        page.getByLabel("Title").waitFor();
        page.getByText("960 by 640")
                .or(page.getByLabel("Picture for Lead image"))
                .first()
                .waitFor();
        visitor.picture(folder, "entry-form");
        visitor.link("See its page").waitFor();
        visitor.open(visitor.link("See its page").getAttribute("href")).page.waitForLoadState();
        visitor.picture(folder, "public-page");
    }
}
