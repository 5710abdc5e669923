package org.jontrel.e2e;

import static org.testng.Assert.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.jontrel.demo.Client;
import org.jontrel.site.testing.Orchard;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import tools.jackson.databind.JsonNode;

/** A browser before a site whose model has the whole language. */
abstract class OrchardBrowserTest {
    static final String TREES = "/w/orchard/records/field/tree/";
    Installation installation;
    Client api;
    Visitor anna;
    Page page;

    @BeforeClass
    public void start() throws InterruptedException {
        installation = new Installation();
        api = installation.firstArchitect("anna", "anna-password");
        api.post("/api/workspaces", Map.of("title", "Orchard"));
        var model = Orchard.edited(
                Map.of(
                        "kind: number, required: true,",
                                "kind: number, shown: slider, min: 0, max: 100, required: true,",
                        "label: Mood, kind: choice,", "label: Mood, kind: choice, shown: buttons,",
                        "label: Height, kind: number, decimals: 2, min: 0, unit: m}",
                                "label: Height, kind: number, decimals: 2, min: 0, unit: m}\n"
                                        + "      - {id: fstars, key: stars, label: Stars, kind: number, shown: marks, max: 5}"));
        api.post("/api/workspaces/orchard/draft/take", Map.of("definitions", Desk.definitions(model)));
        api.post("/api/workspaces/orchard/releases", Map.of("version", "1.0.0", "notes", ""));
        api.post("/api/workspaces/orchard/sites", Map.of("name", "Field"));
        Installation.install(api, "field", "1.0.0");
        for (var name : List.of("Ada", "Bram")) {
            add("person", Map.of("title", name));
        }
        for (var title : List.of("Old oak", "Young oak", "Lime")) {
            add("tree", Map.of("title", title, "summary", "By the gate."));
        }
        anna = new Visitor(installation.address()).signIn("anna", "anna-password");
        page = anna.page;
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        if (anna != null) {
            anna.close();
        }
        installation.close();
    }

    long add(String type, Map<String, Object> values) {
        var body = Map.of("version", 0, "state", "published", "values", values);
        return api.post("/api/sites/field/types/" + type + "/records", body)
                .at("/record/id")
                .asLong();
    }

    Locator field(String key) {
        return page.locator("[data-field=\"" + key + "\"]");
    }

    Locator input(String key) {
        return field(key)
                .locator("input, textarea, [role=combobox], [role=slider], [contenteditable=true]")
                .first();
    }

    void typed(String key, String text) {
        input(key).focus();
        var parts = text.split("\t");
        page.keyboard().type(parts[0]);
        for (int i = 1; i < parts.length; i++) {
            page.keyboard().press("Tab");
            page.keyboard().type(parts[i]);
        }
    }

    JsonNode stored() {
        page.locator("#record-problems, .state").first().waitFor();
        assertEquals(String.join(" ", page.locator("#record-problems li").allTextContents()), "");
        page.waitForURL(Pattern.compile("/tree/[0-9]+$"));
        var id = page.url().substring(page.url().lastIndexOf('/') + 1);
        return api.get("/api/sites/field/types/tree/records/" + id).at("/record/values");
    }

    static byte[] picture() throws IOException {
        var out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(80, 60, BufferedImage.TYPE_INT_RGB), "png", out);
        return out.toByteArray();
    }

    void moved(BooleanSupplier has) {
        try {
            page.waitForCondition(has, new Page.WaitForConditionOptions().setTimeout(2_000));
        } catch (TimeoutError _) {
            // the browser has not noticed the drag
        }
    }
}
