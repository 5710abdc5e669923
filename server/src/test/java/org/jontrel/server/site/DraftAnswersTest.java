package org.jontrel.server.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.server.OrchardServer;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What the draft would ask is answered while it is still being modelled, and the release has the answers. */
public class DraftAnswersTest {
    private static final String NUMBER = "key: height, label: Height, kind: number, decimals: 2, min: 0, unit: m";
    private static final String TEXT = "key: height, label: Height, kind: text";
    private static final String SITE = "/api/sites/field/";
    private static final String WORKSPACE = "/api/workspaces/orchard/";
    private OrchardServer server;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.edited(Map.of(NUMBER, TEXT));
        for (var height : List.of("7", "about 9", "high")) {
            var values = new HashMap<String, Object>(Orchard.tree("Tree " + height));
            values.put("height", height);
            server.add("tree", values, "published");
        }
        server.draft(Map.of());
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private JsonNode get(String path) {
        return server.anna.ok("GET", SITE + path, null);
    }

    private static Map<String, Object> answer(String field, String from, String to) {
        return Map.of(
                "field",
                field,
                "about",
                "UNCONVERTED",
                "answer",
                "CORRECT",
                "value",
                "",
                "corrections",
                List.of(Map.of("from", from, "to", to)));
    }

    private static List<String> answers(JsonNode plan) {
        return plan.get("asks")
                .valueStream()
                .filter(ask -> ask.get("fieldId").asString().equals("fheight"))
                .map(ask -> ask.path("answer").asString(""))
                .toList();
    }

    @Test
    public void whatTheDraftAsksIsAnsweredWithItsValues() {
        assertEquals(answers(get("impact")), List.of(""));
        assertEquals(
                get("impact").at("/asks/0/definition").asString(),
                get("impact").at("/asks/0/finding/place/definition").asString("ttree"));
        var values = get("plan/values?version=draft&field=fheight").get("values");
        assertEquals(
                values.valueStream()
                        .map(each -> each.get("text").asString())
                        .sorted()
                        .toList(),
                List.of("about 9", "high"));
        server.anna.ok("PUT", WORKSPACE + "draft/decisions", answer("fheight", "about 9", "9"));
        var asks = get("impact").get("asks").toString();
        assertTrue(asks.contains("about 9") && asks.contains("high"), asks);
        var refused = server.anna.send("PUT", WORKSPACE + "draft/decisions", answer("fnever", "a", "1"));
        assertEquals(refused.statusCode(), 422);
        assertTrue(refused.body().contains("The draft has no field fnever."), refused.body());
    }

    /** It stays while other edits are made, and what is answered for a field that goes before the release is forgotten. */
    @Test(dependsOnMethods = "whatTheDraftAsksIsAnsweredWithItsValues")
    public void theReleaseHasTheAnswers() {
        server.anna.ok("PUT", WORKSPACE + "draft/decisions", answer("fplanted", "a", "1998-01-01"));
        server.draft(Map.of("fplanted", "fplanted2"));
        server.anna.ok("POST", WORKSPACE + "releases", Map.of("version", "2.0.0", "notes", ""));
        var plan = get("plan?version=2.0.0");
        assertTrue(plan.get("asks").toString().contains("\"from\":\"about 9\""), plan.toString());
        var files = PackageFiles.zip(server.anna.bytes(WORKSPACE + "releases/2.0.0/package"), new ArrayList<>());
        var migration = new String(files.get("migrations/2.0.0.yaml"), StandardCharsets.UTF_8);
        assertTrue(migration.contains("about 9"), migration);
        assertFalse(migration.contains("fplanted"), migration);
        server.draft(Map.of(NUMBER, TEXT));
        assertEquals(answers(get("impact")), List.of(), "a new draft begins without");
    }

    /** Without a copy, also while questions are open. */
    @Test(dependsOnMethods = "theReleaseHasTheAnswers")
    public void recordsAreToldBeforeAndAfter() {
        var samples = get("plan/samples?version=2.0.0");
        var told = samples.valueStream()
                .filter(each -> each.get("title").asString().equals("Tree about 9"))
                .flatMap(each -> each.get("values").valueStream())
                .map(Object::toString)
                .toList();
        assertTrue(
                told.contains("{\"label\":\"Height\",\"before\":\"about 9\",\"after\":\"9.00\u00a0m\"}"),
                samples.toString());
        assertTrue(get("types/tree/records?most=9").toString().contains("about 9"), "the site itself stays as it is");
    }

    /** Whoever does not wait is told what is known, and all of it before long. */
    @Test(dependsOnMethods = "theReleaseHasTheAnswers")
    public void aPlanIsToldInPartsToWhoAsksSo() {
        var whole = get("plan?version=2.0.0");
        Waiting.until("all counts", () -> {
            var partly = get("plan?version=2.0.0&partly=true");
            return partly.get("counted").asInt() == partly.get("questions").asInt();
        });
        var partly = get("plan?version=2.0.0&partly=true");
        assertEquals(partly.get("asks"), whole.get("asks"));
        assertEquals(partly.get("findings"), whole.get("findings"));
        assertEquals(partly.get("runnable"), whole.get("runnable"));
    }

    /** What was answered on the way to a release is no answer to what comes behind it. */
    @Test(dependsOnMethods = {"aPlanIsToldInPartsToWhoAsksSo", "recordsAreToldBeforeAndAfter"})
    public void answersOfReleasesThatTheSiteHasDoNotCount() throws InterruptedException {
        server.run("2.0.0");
        server.draft(Map.of(NUMBER, "key: height, label: Height, kind: yes_no"));
        assertEquals(answers(get("impact")), List.of(""));
    }
}
