package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import java.util.zip.ZipInputStream;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.site.testing.TestDatabase;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The draft over HTTP: what the modelling desk asks, with the seed bank's whole model. */
public class DeskApiTest {
    private static final JsonMapper JSON = JsonMapper.shared();
    private static final String DRAFT = "/api/workspaces/seeds/draft";
    private ConfigurableApplicationContext context;
    private String address;
    private Session anna;

    @BeforeClass
    public void start() throws Exception {
        var database = TestDatabase.shared();
        context = new SpringApplicationBuilder(Application.class)
                .run(
                        "--server.port=0",
                        "--spring.datasource.url=" + database.url(database.create()),
                        "--spring.datasource.username=" + TestDatabase.USER,
                        "--spring.datasource.password=" + TestDatabase.PASSWORD,
                        "--jontrel.setup-code=only-for-tests");
        address = "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
        anna = new Session(address);
        anna.ok("GET", "/api/session", null);
        anna.ok("POST", "/api/setup", Map.of("code", "only-for-tests", "name", "anna", "password", "anna-password"));
        anna.signIn("anna", "anna-password");
        anna.ok("POST", "/api/workspaces", Map.of("title", "Seeds"));
        var files = PackageFiles.read(Path.of("../examples/seed-bank"), new ArrayList<>());
        var model = PackageReader.read(files, List.of())
                .completed(Model.EMPTY, Ids.secure())
                .content()
                .orElseThrow()
                .model();
        var definitions = model.definitions().stream()
                .map(each -> Map.of("sort", PackageWriter.word(each.sort()), "definition", PackageWriter.tree(each)))
                .toList();
        anna.ok("POST", DRAFT + "/take", Map.of("definitions", definitions));
        anna.ok("POST", "/api/workspaces/seeds/releases", Map.of("version", "1.0.0", "notes", ""));
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        context.close();
    }

    private JsonNode draft(long since) {
        return anna.ok("GET", DRAFT + "?since=" + since, null);
    }

    private JsonNode view(JsonNode draft, String key) {
        return draft.get("definitions")
                .valueStream()
                .filter(each -> each.at("/definition/key").asString().equals(key))
                .findFirst()
                .orElseThrow();
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> tree(JsonNode view) {
        return new LinkedHashMap<String, Object>(JSON.convertValue(view.get("definition"), Map.class));
    }

    private JsonNode put(JsonNode view, Map<String, Object> definition) {
        var id = view.at("/definition/id").asString();
        return anna.ok(
                "PUT",
                DRAFT + "/definitions/" + id,
                Map.of(
                        "sort",
                        view.get("sort").asString(),
                        "base",
                        view.get("revision").asLong(),
                        "definition",
                        definition));
    }

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

    private static Map<String, Object> taken(JsonNode incoming) {
        return Map.of(
                "sort",
                incoming.get("sort").asString(),
                "revision",
                incoming.get("revision").asLong(),
                "definition",
                JSON.convertValue(incoming.get("definition"), Map.class));
    }

    private static JsonNode named(JsonNode definitions, String name) {
        return definitions
                .valueStream()
                .filter(each -> each.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
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

    /** Every field of a release may be what a plan asks about: in rows, in shared groups, of terms, of site values. */
    @Test
    public void answersAreTakenForFieldsOfEveryHolder() throws Exception {
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

    /** The ids of all fields within, however deep. */
    private static void ids(JsonNode node, List<String> ids) {
        if (node.has("kind") && node.has("id")) {
            ids.add(node.get("id").asString());
        }
        node.forEach(each -> ids(each, ids));
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

    private static Map<String, Object> broken(Map<String, Object> taken) {
        var broken = new LinkedHashMap<>(taken);
        broken.put("comments", "{[");
        broken.remove("revision");
        return broken;
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
