package org.jontrel.server.desk;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** Edits of the draft over HTTP: what is told of them, to whom they belong, and that none is lost. */
public class DraftEditsTest extends SeedBankServerTest {
    @Test
    public void onlyWhatWasWrittenSinceIsTold() {
        var all = draft(0);
        assertEquals(all.get("definitions").size(), all.get("ids").size());
        long now = all.get("revision").asLong();
        assertEquals(draft(now).get("definitions").size(), 0);
        var vault = view(all, "vault");
        var changed = tree(vault);
        changed.put("description", "Cold.");
        put(vault, changed);
        var since = draft(now);
        assertEquals(since.get("definitions").size(), 1);
        assertTrue(since.get("changed")
                .toString()
                .contains(vault.at("/definition/id").asString()));
        anna.ok("POST", DRAFT + "/undo", null);
        assertEquals(view(draft(now), "vault").at("/definition/description"), vault.at("/definition/description"));
    }

    /** A window that sends again what is stored already is told its revision, and so does not begin from an older one the next time. */
    @Test
    public void whoeverWritesIsToldTheRevisionOfIt() {
        var seen = view(draft(0), "vault");
        var changed = tree(seen);
        changed.put("description", "Cold, dry and dark.");
        put(seen, changed);
        long revision = draft(0).get("revision").asLong();
        var path = DRAFT + "/definitions/" + seen.at("/definition/id").asString() + "?since=" + revision;
        var body = Map.of(
                "sort", "type", "base", 1, "before", seen.get("definition"), "definition", changed, "sent", List.of());
        var told = anna.ok("PUT", path, body).at("/draft");
        assertEquals(view(told, "vault").get("revision").asLong(), revision);
    }

    /** One request for one edit: the answer tells what would else be asked for, just as it would be told. */
    @Test
    public void anEditIsAnsweredWithAllThatTheDeskShowsOfIt() {
        var seen = view(draft(0), "accession");
        var changed = tree(seen);
        changed.put("singular", "Accession of seed");
        var path = DRAFT + "/definitions/" + seen.at("/definition/id").asString();
        var values = Map.of("title", "x".repeat(1_000));
        var body = new java.util.HashMap<String, Object>(
                Map.of("sort", "type", "base", seen.get("revision").asLong(), "before", seen.get("definition")));
        body.put("definition", changed);
        body.put("shown", Map.of("values", values, "look", true));
        var told = anna.ok("PUT", path, body);
        var stored = tree(view(told.get("draft"), "accession"));
        var asked = Map.of("sort", "type", "definition", stored, "values", values);
        assertEquals(told.get("proof"), anna.ok("POST", "/api/proof/seeds", asked));
        assertEquals(told.get("look"), anna.ok("POST", "/api/proof/seeds/look", asked));
        assertEquals(told.get("sites"), anna.ok("GET", "/api/workspaces/seeds/sites", null));
        assertTrue(told.get("look").get("page").asString().contains("Accession of seed 1"));
        assertFalse(told.at("/proof/problems").isEmpty());
        body.put("base", view(told.get("draft"), "accession").get("revision").asLong());
        body.put("before", stored);
        body.remove("shown");
        body.put("definition", seen.get("definition"));
        var unseen = anna.ok("PUT", path, body);
        assertFalse(unseen.path("proof").isObject() || unseen.path("look").isObject());
    }

    @Test
    public void severalDefinitionsChangeAsOneEditAndStepBackTogether() {
        var vault = view(draft(0), "vault").at("/definition/id").asString();
        var group = view(draft(0), "person").at("/definition/groups/0/id").asString();
        var person = view(draft(0), "person").at("/definition/id").asString();
        long before = draft(0).get("ids").size();
        anna.ok("POST", DRAFT + "/definitions/" + person + "/share", Map.of("group", group));
        assertEquals(draft(0).get("ids").size(), before + 1);
        assertEquals(draft(0).get("undo").asString(), "Group made shared");
        long seq = anna.ok("GET", DRAFT + "/edits", null).get(0).get("seq").asLong();
        anna.ok("POST", DRAFT + "/edits/" + (seq - 1), null);
        assertEquals(draft(0).get("ids").size(), before);
        assertEquals(view(draft(0), "person").at("/definition/groups/0/id").asString(), group);
        anna.ok("POST", DRAFT + "/edits/" + seq, null);
        assertEquals(draft(0).get("ids").size(), before + 1);
        anna.ok("POST", DRAFT + "/undo", null);
        assertEquals(
                anna.send("POST", DRAFT + "/definitions/" + vault + "/share", Map.of("group", "gnothing"))
                        .statusCode(),
                409);
    }

    @Test
    public void discardingOneLeavesTheOthers() {
        for (var key : List.of("habitat", "trait")) {
            var view = view(draft(0), key);
            var changed = tree(view);
            changed.put("plural", "Other " + key);
            put(view, changed);
        }
        var habitat = view(draft(0), "habitat").at("/definition/id").asString();
        anna.ok("POST", DRAFT + "/definitions/" + habitat + "/discard", null);
        assertEquals(view(draft(0), "habitat").at("/definition/plural").asString(), "Habitats");
        assertEquals(view(draft(0), "trait").at("/definition/plural").asString(), "Other trait");
        var changes = anna.ok("GET", DRAFT + "/changes", null);
        assertFalse(changes.toString().contains(habitat));
        assertEquals(
                anna.send("POST", DRAFT + "/definitions/tnothing/discard", null).statusCode(), 404);
        anna.ok(
                "POST",
                DRAFT + "/definitions/"
                        + view(draft(0), "trait").at("/definition/id").asString() + "/discard",
                null);
    }

    @Test
    public void manyWindowsBeatAtOnceAndSeeOneAnother() throws Exception {
        try (var threads = Executors.newFixedThreadPool(8)) {
            var beats = IntStream.range(0, 80)
                    .mapToObj(i -> threads.submit(() -> anna.send(
                                    "POST",
                                    "/api/workspaces/seeds/presence",
                                    Map.of("visit", "window" + i % 16, "definition", "t" + i % 3))
                            .statusCode()))
                    .toList();
            for (var beat : beats) {
                assertEquals(beat.get().intValue(), 200);
            }
        }
        var present = anna.ok("POST", "/api/workspaces/seeds/presence", Map.of("visit", "window0", "definition", ""));
        assertEquals(present.get("others").size(), 15);
        assertEquals(present.get("revision"), draft(0).get("revision"));
    }

    @Test
    public void manyWritersOfOneDefinitionLoseNothing() throws Exception {
        var made = anna.ok("POST", DRAFT + "/definitions", Map.of("sort", "list", "name", "Busy"));
        var id = made.get("id").asString();
        var view = view(made.get("draft"), "busy");
        try (var threads = Executors.newFixedThreadPool(6)) {
            var writes = IntStream.range(0, 24)
                    .mapToObj(i -> threads.submit(() -> {
                        var mine = tree(view);
                        mine.put(
                                "options",
                                List.of(Map.of("id", "obusy%04d".formatted(i), "key", "k" + i, "label", "L" + i)));
                        var body = Map.of(
                                "sort",
                                "list",
                                "base",
                                view.get("revision").asLong(),
                                "before",
                                tree(view),
                                "definition",
                                mine);
                        return anna.send("PUT", DRAFT + "/definitions/" + id, body)
                                .statusCode();
                    }))
                    .toList();
            for (var write : writes) {
                assertEquals(write.get().intValue(), 200);
            }
        }
        assertEquals(view(draft(0), "busy").at("/definition/options").size(), 24);
        anna.ok("DELETE", DRAFT + "/definitions/" + id, null);
    }
}
