package org.jontrel.server.desk;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;

/** What the modelling desk asks of a draft over HTTP beside edits: code, packages, comments, proofs. */
public class DeskApiTest extends SeedBankServerTest {
    @Test
    public void whatNoSharedGroupCanHaveStaysBehindOrIsToldOf() {
        var seen = view(draft(0), "trip");
        var trip = seen.get("definition");
        var group = trip.at("/groups/0");
        var path = DRAFT + "/definitions/" + trip.get("id").asString() + "/share";
        var body = Map.of("group", group.get("id").asString());
        var shared = view(anna.ok("POST", path, body), "trip").at("/definition/groups");
        assertTrue(shared.get(0).has("use"));
        assertEquals(shared.get(1).get("id"), group.get("id"));
        assertEquals(
                shared.get(1)
                        .get("fields")
                        .valueStream()
                        .map(field -> field.get("key").asString())
                        .toList(),
                List.of("leader"));
        anna.ok("POST", DRAFT + "/undo", null);

        var alone = tree(view(draft(0), "trip"));
        var leader = group.get("fields")
                .valueStream()
                .filter(field -> field.get("key").asString().equals("leader"))
                .toList();
        alone.put("groups", List.of(Map.of("id", group.get("id"), "title", "Who", "fields", leader)));
        put(view(draft(0), "trip"), alone);
        var before = draft(0);
        var refused = anna.send("POST", path, body);
        assertEquals(refused.statusCode(), 422);
        assertTrue(refused.body().contains("Leader stands in a row, a term, a shared group"), refused.body());
        assertFalse(refused.body().contains("\"fix\":{"), refused.body());
        assertEquals(draft(0), before);
        anna.ok("POST", DRAFT + "/undo", null);
    }

    @Test
    public void codeIsTakenWithItsIdsOrRefusedWithLines() {
        var list = view(draft(0), "conditions");
        var id = list.at("/definition/id").asString();
        var text =
                "key: conditions\ntitle: Conditions\noptions:\n  - {key: clean, label: Spotless}\n  - {key: wet, was: mouldy, label: Wet}\n";
        var path = DRAFT + "/definitions/" + id + "/code";
        var bad = anna.ok("POST", path, Map.of("text", text + "titel: x\n", "before", tree(list)));
        assertEquals(bad.at("/findings/0/place").asString(), "lists/conditions.yaml:6:1");
        assertTrue(bad.path("draft").isMissingNode() || bad.get("draft").isNull());
        var good = anna.ok("POST", path, Map.of("text", text, "before", tree(list)));
        var now = view(good.get("draft"), "conditions");
        assertEquals(now.at("/definition/options/0/id"), list.at("/definition/options/0/id"), "known by its key");
        assertEquals(
                now.at("/definition/options/1/id"), list.at("/definition/options/2/id"), "known by the key it had");
        anna.ok("POST", DRAFT + "/undo", null);
        var renamed = text.replace("key: conditions", "id: lother000\nkey: conditions");
        var other = anna.ok("POST", path, Map.of("text", renamed, "before", tree(list)));
        assertEquals(other.at("/findings/0/code").asString(), "ID_CHANGED");
    }

    @Test
    public void codeKeepsWhatOthersChangedSinceItWasOpened() {
        var made = anna.ok("POST", DRAFT + "/definitions", Map.of("sort", "list", "name", "Shapes"));
        var seen = view(made.get("draft"), "shapes");
        var path = DRAFT + "/definitions/" + made.get("id").asString();
        var theirs = tree(seen);
        theirs.put("description", "Written meanwhile.");
        anna.ok("PUT", path, Map.of("sort", "list", "base", seen.get("revision").asLong(), "definition", theirs));
        var taken = anna.ok(
                "POST",
                path + "/code",
                Map.of("text", "key: shapes\ntitle: Forms\noptions: []\n", "before", tree(seen)));
        var both = view(taken.get("draft"), "shapes").get("definition");
        assertEquals(both.get("title").asString(), "Forms");
        assertEquals(both.get("description").asString(), "Written meanwhile.");
        var clash = anna.send(
                "POST",
                path + "/code",
                Map.of("text", "key: shapes\ntitle: Shells\noptions: []\n", "before", tree(seen)));
        assertEquals(clash.statusCode(), 409, clash.body());
        assertEquals(view(draft(0), "shapes").at("/definition/title").asString(), "Forms");
        anna.ok("DELETE", path, null);
    }

    @Test
    public void proofsShowWhatIsNotSavedYet() {
        var view = view(draft(0), "accession");
        var body =
                Map.of("sort", "type", "definition", tree(view), "values", Map.of("wild", false, "altitude", "high"));
        var proof = anna.ok("POST", "/api/proof/seeds", body);
        assertTrue(proof.get("hidden").toString().contains("permit"));
        assertTrue(proof.get("problems").toString().contains("Altitude must be a number"));
        assertEquals(proof.at("/first/0/field/label").asString(), "Accession number");
        assertTrue(proof.get("conditions").toString().contains("Collected from the wild is from cultivation"));
        assertEquals(proof.at("/groups/2/title").asString(), "Provenance");
        var look = anna.ok("POST", "/api/proof/seeds/look", Map.of("sort", "type", "definition", tree(view)));
        assertTrue(look.get("page").asString().contains("Accession 1"));
        assertTrue(look.get("index").asString().contains("Accession 6"));
        assertTrue(look.at("/schema/properties").has("quantity"));
        var hostile = tree(view);
        hostile.put("singular", "<img src=x onerror=alert(1)>");
        var shown = anna.ok("POST", "/api/proof/seeds/look", Map.of("sort", "type", "definition", hostile));
        assertFalse(shown.get("page").asString().contains("<img src=x"));
        assertEquals(
                anna.send(
                                "POST",
                                "/api/proof/seeds",
                                Map.of("sort", "nonsense", "definition", Map.of(), "values", Map.of()))
                        .statusCode(),
                422);
    }

    @Test
    public void aTypingErrorInAReferenceIsMendedByTheWordThatWasMeant() {
        var made = anna.ok("POST", DRAFT + "/definitions", Map.of("sort", "type", "name", "Landing"));
        var id = made.get("id").asString();
        var view = view(made.get("draft"), "landing");
        var wrong = tree(view);
        wrong.put("taxonomies", List.of(Map.of("use", "orgin")));
        put(view, wrong);
        var finding = draft(0).get("findings")
                .valueStream()
                .filter(each -> each.get("definition").asString().equals(id)
                        && each.get("code").asString().equals("REFERENCE_UNKNOWN"))
                .findFirst()
                .orElseThrow();
        assertEquals(finding.at("/fix/sentence").asString(), "write origin for orgin in taxonomies");
        var fix = JSON.convertValue(finding.get("fix"), Map.class);
        fix.remove("sentence");
        var mended = anna.ok("POST", DRAFT + "/fix", fix);
        assertEquals(
                view(mended, "landing").at("/definition/taxonomies/0/use"),
                view(draft(0), "origin").at("/definition/id"));
        anna.ok("DELETE", DRAFT + "/definitions/" + id, null);
    }
}
