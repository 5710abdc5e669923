package org.jontrel.server.desk;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Windows whose answers were lost, or that others wrote beside. */
public class DraftWindowsTest extends SeedBankServerTest {
    @Test
    public void whatAWindowSentWithoutAnAnswerIsItsOwn() {
        var seen = view(draft(0), "vault");
        var first = tree(seen);
        first.put("description", "Cold and d");
        put(seen, first);
        var second = tree(seen);
        second.put("description", "Cold and dry.");
        var body = new java.util.HashMap<String, Object>(Map.of(
                "sort",
                "type",
                "base",
                seen.get("revision").asLong(),
                "before",
                seen.get("definition"),
                "definition",
                second));
        var path = DRAFT + "/definitions/" + seen.at("/definition/id").asString();
        assertEquals(anna.send("PUT", path, body).statusCode(), 409, "it could be somebody else's");
        body.put("sent", List.of(tree(seen)));
        assertEquals(anna.send("PUT", path, body).statusCode(), 409, "that was sent, and is not what is stored");
        body.put("sent", List.of(tree(seen), first));
        assertFalse(anna.ok("PUT", path, body).get("merged").asBoolean());
        assertEquals(view(draft(0), "vault").at("/definition/description").asString(), "Cold and dry.");
    }

    @Test
    public void somebodyElseMayHaveGoneOnFromWhatWasSentWithoutAnAnswer() {
        var seen = view(draft(0), "trait");
        var first = tree(seen);
        first.put("description", "What i");
        put(seen, first);
        var between = view(draft(0), "trait");
        var theirs = tree(between);
        theirs.put("plural", "Traits of theirs");
        put(between, theirs);
        var second = tree(seen);
        second.put("description", "What it is like.");
        assertTrue(takenUp(seen, first, second).get("merged").asBoolean());
        var now = view(draft(0), "trait").get("definition");
        assertEquals(now.get("description").asString(), "What it is like.");
        assertEquals(now.get("plural").asString(), "Traits of theirs");
        put(view(draft(0), "trait"), tree(seen));
    }

    /** One person types on in another window, so soon that all of it is one step of undo. */
    @Test
    public void whatWasStoredIsKnownAlsoWhereTypingWentOnFromIt() {
        var seen = view(draft(0), "trait");
        for (var text : List.of("What", "What it", "What it is")) {
            var next = tree(view(draft(0), "trait"));
            next.put("description", text);
            put(view(draft(0), "trait"), next);
        }
        var kept = tree(seen);
        kept.put("description", "What it");
        assertTrue(takenUp(seen, kept, kept).get("merged").asBoolean());
        assertEquals(view(draft(0), "trait").at("/definition/description").asString(), "What it is");
        put(view(draft(0), "trait"), tree(seen));
    }

    /** What stood there before a window was opened says nothing of what the window sent. */
    @Test
    public void whatIsChangedBackIsNotTakenForStored() {
        var first = view(draft(0), "trait");
        var other = tree(first);
        other.put("description", "Something else");
        put(first, other);
        var seen = view(draft(0), "trait");
        var theirs = tree(seen);
        theirs.put("plural", "Traits of theirs");
        put(seen, theirs);
        assertTrue(takenUp(seen, tree(first), tree(first)).get("merged").asBoolean());
        var now = view(draft(0), "trait").get("definition");
        assertEquals(
                now.path("description").asString(""),
                first.at("/definition/description").asString(""));
        assertEquals(now.get("plural").asString(), "Traits of theirs");
        put(view(draft(0), "trait"), tree(first));
    }

    /** Sends what a window had kept that was closed before its answer came. */
    private JsonNode takenUp(JsonNode seen, Map<String, Object> sent, Map<String, Object> kept) {
        var body = Map.of(
                "sort",
                "taxonomy",
                "base",
                seen.get("revision").asLong(),
                "before",
                seen.get("definition"),
                "sent",
                List.of(sent),
                "definition",
                kept);
        return anna.ok(
                "PUT", DRAFT + "/definitions/" + seen.at("/definition/id").asString(), body);
    }
}
