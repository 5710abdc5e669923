package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A request that is sent again with its key is carried out once and answered as the first time. */
public class RepeatedRequestsTest {
    private static final String TREES = "/api/sites/field/types/tree/records";
    private OrchardServer server;
    private Session anna;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.start();
        anna = server.anna;
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private static Map<String, Object> tree(int version, String title) {
        return Map.of("version", version, "state", "draft", "values", Map.of("title", title));
    }

    private long trees() {
        return anna.ok("GET", "/api/sites/field/types/tree/count", null)
                .get("records")
                .asLong();
    }

    private static JsonNode json(String text) {
        return JsonMapper.shared().readTree(text);
    }

    @Test
    public void aNewRecordIsMadeOnceHoweverOftenItIsSent() {
        long before = trees();
        anna.with("Idempotency-Key", "new-tree");
        var first = anna.send("POST", TREES, tree(0, "Once"));
        var again = anna.send("POST", TREES, tree(0, "Once"));
        anna.with("Idempotency-Key", null);
        assertEquals(first.statusCode(), 201);
        assertEquals(again.statusCode(), 201);
        assertEquals(json(again.body()), json(first.body()));
        assertEquals(again.headers().firstValue("Content-Type"), first.headers().firstValue("Content-Type"));
        assertEquals(trees(), before + 1);
    }

    @Test
    public void aSaveThatWasStoredDoesNotClashWithItself() {
        long id = server.add("tree", Map.of("title", "First"), "draft");
        anna.with("Idempotency-Key", "save-tree");
        var versions = new HashSet<Integer>();
        for (int i = 0; i < 3; i++) {
            versions.add(anna.ok("PUT", TREES + "/" + id, tree(1, "Second"))
                    .at("/record/version")
                    .asInt());
        }
        anna.with("Idempotency-Key", null);
        assertEquals(versions.size(), 1);
        assertEquals(anna.send("PUT", TREES + "/" + id, tree(1, "Third")).statusCode(), 409);
    }

    @Test
    public void manyAtOnceAreOne() throws Exception {
        long before = trees();
        anna.with("Idempotency-Key", "at-once");
        try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
            var answers = threads.invokeAll(IntStream.range(0, 5)
                    .<java.util.concurrent.Callable<Integer>>mapToObj(_ ->
                            () -> anna.send("POST", TREES, tree(0, "At once")).statusCode())
                    .toList());
            for (var answer : answers) {
                assertEquals((int) answer.get(), 201);
            }
        } finally {
            anna.with("Idempotency-Key", null);
        }
        assertEquals(trees(), before + 1);
    }

    @Test
    public void aKeyBelongsToOneRequestOfOnePerson() {
        var ben = server.session();
        anna.ok("POST", "/api/accounts", Map.of("name", "ben", "role", "editor", "password", "ben-the-editor"));
        ben.signIn("ben", "ben-the-editor");
        anna.with("Idempotency-Key", "shared");
        ben.with("Idempotency-Key", "shared");
        long hers = anna.ok("POST", TREES, tree(0, "Hers")).at("/record/id").asLong();
        long his = ben.ok("POST", TREES, tree(0, "His")).at("/record/id").asLong();
        assertTrue(hers != his);
        var other = anna.send("POST", TREES, tree(0, "Another"));
        var elsewhere = anna.send("POST", "/api/sites/field/types/person/records", tree(0, "Hers"));
        anna.with("Idempotency-Key", null);
        for (var refused : List.of(other, elsewhere)) {
            assertEquals(refused.statusCode(), 422);
            assertTrue(refused.body().contains("sent with another request"), refused.body());
        }
    }

    @Test
    public void refusalsThatPassAreNotKept() {
        anna.with("Idempotency-Key", "forbidden-first");
        anna.token = false;
        assertEquals(anna.send("POST", TREES, tree(0, "Later")).statusCode(), 403);
        anna.token = true;
        assertEquals(anna.send("POST", TREES, tree(0, "Later")).statusCode(), 201);
        anna.with("Idempotency-Key", "k".repeat(101));
        assertEquals(anna.send("POST", TREES, tree(0, "Long key")).statusCode(), 422);
        anna.with("Idempotency-Key", null);
    }

    /** Also where the body is of no use to whoever answers, and is not read. */
    @Test
    public void aRequestIsKnownByAllOfIt() {
        anna.with("Idempotency-Key", "undo-nothing");
        var path = "/api/workspaces/orchard/draft/undo";
        var first = anna.send("POST", path, Map.of("why", "a slip"));
        var again = anna.send("POST", path, Map.of("why", "a slip"));
        var other = anna.send("POST", path, Map.of("why", "another"));
        anna.with("Idempotency-Key", null);
        assertEquals(again.statusCode(), first.statusCode());
        assertEquals(again.body(), first.body());
        assertEquals(other.statusCode(), 422);
    }

    @Test
    public void whatHasNotArrivedCanBeWithdrawnAndWhatWasDoneIsTold() {
        long before = trees();
        var nothing = anna.ok("PUT", "/api/withdrawals/late-tree", null);
        assertEquals(nothing.get("carriedOut").asBoolean(), false);
        anna.with("Idempotency-Key", "late-tree");
        assertEquals(anna.send("POST", TREES, tree(0, "Late")).statusCode(), 409);
        anna.with("Idempotency-Key", "done-tree");
        long id = anna.ok("POST", TREES, tree(0, "Done")).at("/record/id").asLong();
        anna.with("Idempotency-Key", null);
        var done = anna.ok("PUT", "/api/withdrawals/done-tree", null);
        assertEquals(done.get("carriedOut").asBoolean(), true);
        assertEquals(done.at("/answer/record/id").asLong(), id);
        assertEquals(trees(), before + 1);
    }
}
