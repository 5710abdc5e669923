package org.jontrel.server.desk;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipInputStream;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Packages and files that come into the draft, and go out of it. */
public class DeskPackagesTest extends SeedBankServerTest {
    @Test
    public void filesDroppedTogetherReferToEachOtherAndOverwriteNothingUnseen() throws Exception {
        var incoming = incoming(Map.of(
                "shore.yaml",
                "key: shore\nsingular: Shore\nplural: Shores\npath: shores\ntaxonomies:\n  - use: tide\n",
                "tide.yaml",
                "key: tide\nsingular: Tide\nplural: Tides\npath: tides\nhierarchical: false\n"));
        var definitions = incoming.get("definitions");
        assertEquals(definitions.size(), 2, incoming.toString());
        var shore = named(definitions, "Shore");
        var tide = named(definitions, "Tide");
        assertEquals(shore.at("/definition/taxonomies/0/use"), tide.get("id"), shore.toString());
        var taken = List.of(taken(shore), taken(tide));
        anna.ok("POST", DRAFT + "/take", Map.of("definitions", taken));
        var again = anna.send("POST", DRAFT + "/take", Map.of("definitions", taken));
        assertEquals(again.statusCode(), 409, again.body());
        assertTrue(again.body().contains("was changed since it was compared"), again.body());
        anna.ok("POST", DRAFT + "/undo", null);
        assertFalse(draft(0).toString().contains("shores"));
    }

    @Test
    public void packagesComeInDefinitionByDefinitionAndGoOutWithWhatTheyNeed() throws Exception {
        var incoming = incoming(Map.of("trip.yaml", "key: trip\nsingular: Trip\nplural: Trips\npath: trips\n"))
                .at("/definitions/0");
        assertEquals(incoming.get("state").asString(), "takes");
        assertEquals(incoming.get("id"), view(draft(0), "trip").at("/definition/id"));
        assertTrue(incoming.get("changes").toString().contains("group The trip removed"));
        var trip = view(draft(0), "trip").at("/definition/id").asString();
        var zip = anna.http.send(
                HttpRequest.newBuilder(URI.create(address + DRAFT + "/package?only=" + trip))
                        .build(),
                HttpResponse.BodyHandlers.ofByteArray());
        var names = new ArrayList<String>();
        try (var in = new ZipInputStream(new ByteArrayInputStream(zip.body()), StandardCharsets.UTF_8)) {
            for (var entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        assertEquals(names, List.of("package.yaml", "taxonomies/origin.yaml", "types/person.yaml", "types/trip.yaml"));
    }

    @Test
    public void commentsComeInStayAndGoOut() throws Exception {
        var text =
                "# agreed with the client\nkey: pier\nsingular: Pier\nplural: Piers\npath: piers\n\n# sizes\ngroups:\n"
                        + "  - title: Size\n    fields:\n      # how far out\n      - {key: reach, label: Reach, kind: number} # metres\n";
        var incoming = incoming(Map.of("pier.yaml", text)).at("/definitions/0");
        assertEquals(incoming.get("state").asString(), "new");
        var taken = new LinkedHashMap<String, Object>(taken(incoming));
        taken.put("comments", incoming.get("comments").asString());
        anna.ok("POST", DRAFT + "/take", Map.of("definitions", List.of(taken)));
        var id = incoming.get("id").asString();
        var export = DRAFT + "/package?only=" + id;
        var withoutIds = packaged(export)
                .get("types/pier.yaml")
                .replaceAll("(?m)^( *-? ?)id: [a-z0-9]+\n *", "$1")
                .replaceAll("id: [a-z0-9]+, ", "");
        assertEquals(withoutIds.replace("# agreed with the client\nkey", "# agreed with the client\nkey"), text);

        // an edit in the form leaves them, and a field that moves takes its own along
        var view = view(draft(0), "pier");
        var edited = tree(view);
        edited.put("description", "Into the sea.");
        put(view, edited);
        assertTrue(packaged(export).get("types/pier.yaml").contains("      # how far out\n      - {id: "));

        // the code is shown with them, and what is written there is kept
        var proof = Map.of("sort", "type", "definition", tree(view(draft(0), "pier")), "values", Map.of());
        var code = anna.ok("POST", "/api/proof/seeds", proof).get("code").asString();
        assertTrue(code.contains("# how far out") && code.contains("# metres"), code);
        var changed = code.replace("# how far out", "# from the shore").replace("Into the sea.", "Into the water.");
        anna.ok(
                "POST",
                DRAFT + "/definitions/" + id + "/code",
                Map.of("text", changed, "before", tree(view(draft(0), "pier"))));
        assertEquals(
                anna.ok(
                                "POST",
                                "/api/proof/seeds",
                                Map.of("sort", "type", "definition", tree(view(draft(0), "pier")), "values", Map.of()))
                        .get("code")
                        .asString(),
                changed);
        anna.ok("POST", DRAFT + "/undo", null);
        assertTrue(packaged(export).get("types/pier.yaml").contains("# how far out"));
        anna.ok("POST", DRAFT + "/redo", null);

        // a release has them, and so has a workspace that is made of it
        anna.ok("POST", "/api/workspaces/seeds/releases", Map.of("version", "9.0.0", "notes", ""));
        var released = packaged("/api/workspaces/seeds/releases/9.0.0/package");
        assertTrue(released.get("types/pier.yaml").contains("# from the shore"), released.get("types/pier.yaml"));
        assertTrue(anna.send("POST", DRAFT + "/take", Map.of("definitions", List.of(broken(taken))))
                .body()
                .contains("The comments cannot be read"));
    }

    /** What taking these files in would do. */
    private JsonNode incoming(Map<String, String> files) throws Exception {
        var form = new StringBuilder();
        files.forEach((name, text) -> form.append("--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"")
                .append(name)
                .append("\"\r\n\r\n")
                .append(text)
                .append("\r\n"));
        var request = HttpRequest.newBuilder(URI.create(address + DRAFT + "/incoming"))
                .POST(HttpRequest.BodyPublishers.ofString(form + "--b--\r\n"))
                .header("Content-Type", "multipart/form-data; boundary=b")
                .header("X-XSRF-TOKEN", anna.cookie("XSRF-TOKEN"))
                .build();
        var answer = anna.http.send(request, HttpResponse.BodyHandlers.ofString());
        assertEquals(answer.statusCode(), 200, answer.body());
        return JSON.readTree(answer.body());
    }

    /** The files of a package by name, as texts. */
    private Map<String, String> packaged(String path) throws Exception {
        var zip = anna.http.send(
                HttpRequest.newBuilder(URI.create(address + path)).build(), HttpResponse.BodyHandlers.ofByteArray());
        assertEquals(zip.statusCode(), 200);
        var texts = new LinkedHashMap<String, String>();
        try (var in = new ZipInputStream(new ByteArrayInputStream(zip.body()), StandardCharsets.UTF_8)) {
            for (var entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                texts.put(entry.getName(), new String(in.readAllBytes(), StandardCharsets.UTF_8));
            }
        }
        return texts;
    }

    private static Map<String, Object> broken(Map<String, Object> taken) {
        var broken = new LinkedHashMap<>(taken);
        broken.put("comments", "{[");
        broken.remove("revision");
        return broken;
    }

    /** Every field of a release may be what a plan asks about: in rows, in shared groups, of terms, of site values. */
    @Test
    public void answersAreTakenForFieldsOfEveryRecordType() throws Exception {
        var tests = new ArrayList<String>();
        for (var view : draft(0).get("definitions")) {
            var sort = view.get("sort").asString();
            if (List.of("type", "taxonomy", "group", "values").contains(sort)) {
                ids(view.get("definition"), tests);
            }
        }
        assertTrue(tests.size() > 30, tests.toString());
        for (var id : tests) {
            var answer = Map.of("field", id, "about", "UNCONVERTED", "answer", "SET_ASIDE", "value", "");
            var sent = anna.send("PUT", "/api/workspaces/seeds/releases/1.0.0/decisions", answer);
            boolean released = packaged("/api/workspaces/seeds/releases/1.0.0/package")
                    .toString()
                    .contains(id);
            assertEquals(sent.statusCode(), released ? 204 : 422, id + sent.body());
        }
    }

    /** What was corrected for one site is in the package, for the next. */
    @Test(dependsOnMethods = "answersAreTakenForFieldsOfEveryRecordType")
    public void correctionsTravelWithTheRelease() throws Exception {
        var decisions = "/api/workspaces/seeds/releases/1.0.0/decisions";
        var released = packaged("/api/workspaces/seeds/releases/1.0.0/package").toString();
        var all = new ArrayList<String>();
        draft(0).get("definitions").forEach(view -> ids(view.get("definition"), all));
        var id = all.stream().filter(released::contains).findFirst().orElseThrow();
        var one = Map.of("from", "about 12: “a”", "to", "12");
        assertEquals(anna.send("PUT", decisions, corrected(id, List.of(one))).statusCode(), 204);
        var files = packaged("/api/workspaces/seeds/releases/1.0.0/package").toString();
        assertTrue(files.contains("about 12: “a”") && files.contains("answer: correct"), files);
        assertEquals(
                anna.send("PUT", decisions, corrected(id, java.util.Collections.nCopies(2_001, one)))
                        .statusCode(),
                400);
        assertEquals(
                anna.send("PUT", decisions, corrected(id, List.of(Map.of("from", "x"))))
                        .statusCode(),
                400);
    }

    private static Map<String, Object> corrected(String field, List<Map<String, String>> corrections) {
        return Map.of(
                "field", field, "about", "UNCONVERTED", "answer", "CORRECT", "value", "", "corrections", corrections);
    }

    /** The ids of all fields within, however deep. */
    private static void ids(JsonNode node, List<String> ids) {
        if (node.has("kind") && node.has("id")) {
            ids.add(node.get("id").asString());
        }
        node.forEach(each -> ids(each, ids));
    }
}
