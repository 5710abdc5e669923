package org.jontrel.e2e.command;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import org.jontrel.e2e.Desk;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** An architect makes a token on the page of releases, somebody works with it, and it ends when it is revoked. */
public class TokenPageTest {
    private Desk desk;
    private Page page;

    @BeforeClass
    public void start() {
        desk = new Desk();
        page = desk.page;
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        desk.close();
    }

    @Test
    public void aTokenIsMadeUsedAndRevoked() throws IOException {
        desk.anna.open(Desk.WORKSPACE + "releases");
        page.locator("#token-name").fill("Pipeline");
        page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("change the draft"))
                .check();
        desk.anna.checkAccessibility();
        desk.anna.button("Create token").click();
        var secret = page.locator(".secret code").textContent().strip();
        assertThat(page.locator(".secret")).containsText("never again");
        assertThat(page.locator(".secret")).isInViewport();
        assertThat(page.locator("table tbody tr")).containsText("read, change the draft");
        desk.anna.checkAccessibility();

        var terminal = new Terminal(desk.anna.page.url().replaceFirst("(https?://[^/]+).*", "$1"), secret);
        var folder = Files.createTempDirectory("token");
        terminal.run("pull", folder).ended(0);
        terminal.run("status", folder).ended(0);
        assertTrue(terminal.run("plan", "bench").ended(2).err().contains("lacks the right “plan”")
                || terminal.run("plan", "bench").err().contains("has no site"));

        page.locator("#token-name").fill("Pipeline");
        desk.anna.button("Create token").click();
        assertThat(page.getByText("This workspace already has a token named Pipeline."))
                .isVisible();
        desk.anna.button("Revoke").click();
        desk.anna.confirm("Revoke");
        assertThat(page.locator("table tbody tr")).hasCount(0);
        terminal.run("status", folder).ended(2);
        assertEquals(desk.anna.errors(), List.of());
    }
}
