package org.jontrel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.fail;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ReducedMotion;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Pattern;
import org.jontrel.demo.Client;
import org.jontrel.site.testing.Orchard;
import org.testng.ITestResult;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * No keystroke is lost: somebody types at random speeds, in the model and in records, over a network that is slow, loses requests and
 * answers and brings them twice and out of order; reloads, leaves and comes back, uses a second tab, and finds the session ended.
 * Whatever was typed is there in the end. The seed is printed; {@code ./jontrel typing STEPS SEED} draws more, or the same again.
 */
public class TypingLaw {
    /** As many as all the tests have time for; the command draws more. */
    private static final int STEPS = Integer.getInteger("typing.steps", 12);

    private static final long SEED = Long.getLong("typing.seed", 15);
    private static final LocatorAssertions.IsVisibleOptions PATIENT =
            new LocatorAssertions.IsVisibleOptions().setTimeout(30_000);
    /** No field of the model or of a record that is typed into takes less. */
    private static final int FITS = Integer.getInteger("typing.fits", 100);

    private static final int TOLD = 60;
    private static final List<String> TYPES = List.of("Tree", "Person", "Plot");

    private final Random random = new Random(SEED);
    private Installation installation;
    private UnsteadyNetwork network;
    private Client api;
    private Visitor anna;
    private Page page;
    private int word;
    /** What was done, for whoever wants to understand a failure. */
    private final List<String> acts = new ArrayList<>();

    @BeforeClass
    public void start() throws InterruptedException {
        System.out.println("Typing with -Dtyping.steps=" + STEPS + " -Dtyping.seed=" + SEED);
        installation = new Installation();
        api = installation.firstArchitect("anna", "anna-password");
        api.post("/api/workspaces", Map.of("title", "Orchard"));
        api.post(
                "/api/workspaces/orchard/draft/take",
                Map.of("definitions", Desk.definitions(Orchard.edited(Map.of()))));
        api.post("/api/workspaces/orchard/releases", Map.of("version", "1.0.0", "notes", ""));
        api.post("/api/workspaces/orchard/sites", Map.of("name", "Field"));
        Installation.install(api, "field", "1.0.0");
        network = new UnsteadyNetwork(installation.address(), SEED);
        anna = new Visitor(network.address(), ReducedMotion.NO_PREFERENCE).signIn("anna", "anna-password");
        page = anna.page;
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        if (anna != null) {
            anna.close();
        }
        if (network != null) {
            network.close();
        }
        installation.close();
    }

    @AfterMethod
    public void tell(ITestResult result) {
        if (!result.isSuccess()) {
            acts.stream().skip(Math.max(0, acts.size() - TOLD)).forEach(System.out::println);
        }
        acts.clear();
    }

    private void note(String act) {
        acts.add(LocalTime.now() + " " + act);
    }

    /** Appends a word nobody else types, letter by letter, and sees it where it was typed; what is full is emptied first. */
    private String type(Locator input, int fits) {
        var before = input.inputValue();
        if (before.length() + 8 > fits) {
            input.fill("");
            before = "";
        }
        var typed = (before.isEmpty() ? "" : " ") + "w" + (++word) + "x";
        input.focus();
        input.press("End");
        int pause = random.nextInt(4) == 0 ? 120 : random.nextInt(40);
        for (var letter : typed.split("")) {
            input.page().keyboard().type(letter);
            input.page().waitForTimeout(random.nextInt(pause + 1));
        }
        assertThat(input).hasValue(before + typed);
        note("  " + before + "|" + typed);
        return before + typed;
    }

    /** The session ends behind the back of whoever types, who is asked to sign in again sooner or later. */
    private void endSession() {
        page.context().clearCookies(new BrowserContext.ClearCookiesOptions().setName("JONTREL"));
    }

    private void signInAgain() {
        page.waitForURL(url -> url.contains("/sign-in"), new Page.WaitForURLOptions().setTimeout(60_000));
        page.getByLabel("Name").fill("anna");
        page.getByLabel("Password").fill("anna-password");
        page.keyboard().press("Enter");
        page.waitForURL(url -> !url.contains("/sign-in"));
    }

    private void open(String type) {
        page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Definitions"))
                .getByText(type, new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName(type).setExact(true)))
                .isVisible(PATIENT);
    }

    private void model() {
        page.navigate(network.address() + "/w/orchard/model");
        page.locator("nav .name").first().waitFor(new Locator.WaitForOptions().setTimeout(60_000));
    }

    @Test
    public void whatIsTypedInTheModelIsStoredOrKept() {
        var expected = new HashMap<String, String>();
        network.calm();
        model();
        network.rough();
        var type = TYPES.getFirst();
        open(type);
        for (int i = 0; i < STEPS; i++) {
            int act = random.nextInt(Integer.getInteger("typing.acts", 20));
            settle(expected);
            note(i + ": " + act + " in " + type + ", "
                    + page.getByRole(AriaRole.STATUS).allTextContents());
            if (act == 0) {
                page.reload();
                waitForSheet();
            } else if (act == 1) {
                type = TYPES.get(random.nextInt(TYPES.size()));
                open(type);
            } else if (act == 2) {
                inASecondTab(type, expected);
            } else if (act == 3) {
                var plural = page.locator("#def-plural");
                expected.put(type + "/plural", type(plural, FITS));
                endSession();
                signInAgain();
                waitForSheet();
            } else {
                var rows = page.locator("[data-column=help]");
                int at = random.nextInt(rows.count() + 1);
                var input = at == rows.count() ? page.locator("#def-plural") : rows.nth(at);
                var name = at == rows.count()
                        ? type + "/plural"
                        : type + "/" + rows.nth(at).evaluate("input => input.closest('tr').dataset.row");
                if (expected.containsKey(name)) {
                    assertThat(input).hasValue(expected.get(name));
                }
                expected.put(name, type(input, FITS));
            }
        }
        network.calm();
        model();
        waitForSheet();
        settle(expected);
        var isSaved = page.getByRole(AriaRole.STATUS).getByText("Draft saved");
        assertThat(isSaved).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(30_000));
        var stored = stored();
        expected.forEach((name, text) -> assertEquals(stored.get(name), text, name + " with seed " + SEED));
        assertEquals(anna.errors(), List.of());
    }

    private void waitForSheet() {
        assertThat(page.locator("#def-plural")).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(60_000));
    }

    /** Another tab of the same person: the plural of another definition, while this one goes on. */
    private void inASecondTab(String type, Map<String, String> expected) {
        var other = TYPES.get((TYPES.indexOf(type) + 1) % TYPES.size());
        var tab = anna.tab();
        tab.navigate(page.url());
        var link = tab.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Definitions"))
                .getByText(other, new Locator.GetByTextOptions().setExact(true));
        link.waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        link.click();
        var input = tab.locator("#def-plural");
        assertThat(tab.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName(other).setExact(true)))
                .isVisible(PATIENT);
        note("  in the tab " + other);
        expected.put(other + "/plural", type(input, FITS));
        // a little later than the browser keeps it, and then it is gone like a window that crashed
        tab.waitForTimeout(200 + random.nextInt(1_500));
        tab.close(new Page.CloseOptions().setRunBeforeUnload(false));
    }

    /** Two windows have typed into the same text, neither of which knew of the other: what came last is chosen of the two. */
    private void settle(Map<String, String> expected) {
        var clash = page.locator(".conflict");
        if (!clash.isVisible()) {
            return;
        }
        var why = clash.textContent();
        note("  a clash: " + why);
        for (var type : TYPES) {
            var last = "“" + expected.get(type + "/plural") + "”";
            if (why.contains("theirs " + last)) {
                anna.button("Take the other version").click();
                return;
            }
            if (why.contains("ours makes it " + last)) {
                anna.button("Keep mine").click();
                return;
            }
        }
        fail("Neither is what was typed last, " + expected + ": " + why);
    }

    private Map<String, String> stored() {
        var found = new HashMap<String, String>();
        for (var each : api.get("/api/workspaces/orchard/draft").get("definitions")) {
            var definition = each.get("definition");
            var name = definition.path("singular").asString("");
            found.put(name + "/plural", definition.path("plural").asString(""));
            definition.path("groups").forEach(group -> helps(name, group, found));
        }
        return found;
    }

    private static void helps(String name, tools.jackson.databind.JsonNode recordType, Map<String, String> found) {
        for (var field : recordType.path("fields")) {
            found.put(
                    name + "/" + field.get("id").asString(), field.path("help").asString(""));
            helps(name, field, found);
        }
    }

    @Test
    public void whatIsTypedInARecordIsStoredOrKept() {
        network.calm();
        page.navigate(network.address() + "/w/orchard/records/field/tree/new");
        page.locator("[data-field=title] input").waitFor();
        page.locator("[data-field=title] input").fill("An oak");
        anna.button("Save draft").click();
        page.waitForURL(Pattern.compile("/tree/[0-9]+$"));
        var id = page.url().substring(page.url().lastIndexOf('/') + 1);
        network.rough();
        var expected = new HashMap<String, String>(Map.of("title", "An oak"));
        var fields = List.of("title", "summary", "tag");
        for (int i = 0; i < STEPS; i++) {
            int act = random.nextInt(12);
            if (act == 0) {
                page.waitForTimeout(400);
                page.reload();
                comeBack();
            } else if (act <= 3) {
                anna.button("Save draft").click();
            } else if (act == 4) {
                endSession();
                page.keyboard().press("Control+s");
                signInAgain();
                comeBack();
            } else {
                var key = fields.get(random.nextInt(fields.size()));
                var input = page.locator("[data-field=" + key + "]")
                        .locator("input, textarea")
                        .first();
                assertThat(input).hasValue(expected.getOrDefault(key, ""));
                expected.put(key, type(input, key.equals("tag") ? 20 : FITS));
            }
        }
        network.calm();
        anna.button("Save draft").click();
        assertThat(page.getByText("Unsaved changes"))
                .isHidden(new LocatorAssertions.IsHiddenOptions().setTimeout(30_000));
        var values = api.get("/api/sites/field/types/tree/records/" + id).at("/record/values");
        expected.forEach((key, text) ->
                assertEquals(values.path(key).asString("").strip(), text.strip(), key + " with seed " + SEED));
        assertEquals(anna.errors(), List.of());
    }

    /** After a reload: what was not stored is offered, and taken. */
    private void comeBack() {
        var title = page.locator("[data-field=title] input");
        for (int i = 0; i < 5 && !comes(title); i++) {
            page.reload();
        }
        title.waitFor();
        page.waitForTimeout(300);
        var offer = anna.button("Continue with them");
        if (offer.count() > 0) {
            offer.click();
        }
    }

    private static boolean comes(Locator what) {
        try {
            what.waitFor(new Locator.WaitForOptions().setTimeout(2_000));
            return true;
        } catch (TimeoutError _) {
            return false;
        }
    }
}
