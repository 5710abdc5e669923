package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Part;
import org.jontrel.site.testing.Moorings;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.Waiting;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.http.server.PathContainer;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The API over HTTP: who may do what, what is refused and how it says so. */
public class ServerTest {
    private static final JsonMapper JSON = JsonMapper.shared();
    private static final String CODE = "only-for-tests";
    private static final String TYPE = "tmooring";
    private ConfigurableApplicationContext context;
    private Session anna;
    private Session ben;
    private Session cleo;

    private String address() {
        return "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
    }

    @BeforeClass
    public void start() throws InterruptedException {
        var database = TestDatabase.shared();
        context = new SpringApplicationBuilder(Application.class)
                .run(
                        "--server.port=0",
                        "--spring.datasource.url=" + database.url(database.create()),
                        "--spring.datasource.username=" + TestDatabase.USER,
                        "--spring.datasource.password=" + TestDatabase.PASSWORD,
                        "--jontrel.setup-code=" + CODE,
                        "--jontrel.run-stale-seconds=2");
        var first = new Session(address());
        first.ok("GET", "/api/session", null);
        first.ok("POST", "/api/setup", Map.of("code", CODE, "name", "anna", "password", "anna-password"));
        anna = new Session(address()).signIn("anna", "anna-password");
        anna.ok("POST", "/api/accounts", Map.of("name", "ben", "role", "editor", "password", "ben-password"));
        anna.ok("POST", "/api/accounts", Map.of("name", "cleo", "role", "viewer", "password", "cleo-password"));
        ben = new Session(address()).signIn("ben", "ben-password");
        cleo = new Session(address()).signIn("cleo", "cleo-password");
        anna.ok("POST", "/api/workspaces", Map.of("title", "Tessel"));
        var type = Moorings.standard().types().getFirst();
        anna.ok(
                "PUT",
                "/api/workspaces/tessel/draft/definitions/" + TYPE,
                Map.of("sort", "type", "base", 0, "definition", PackageWriter.tree(type)));
        anna.ok("POST", "/api/workspaces/tessel/releases", Map.of("version", "1.0.0", "notes", ""));
        anna.ok("POST", "/api/workspaces/tessel/sites", Map.of("name", "Trial"));
        var run = anna.ok("POST", "/api/sites/trial/runs", Map.of("version", "1.0.0"));
        Waiting.until(
                "the run",
                () -> !anna.ok("GET", "/api/sites/trial/runs/" + run.get("id").asLong(), null)
                        .get("state")
                        .asString()
                        .equals("running"));
        anna.ok("POST", "/api/sites/trial/types/mooring/records", record("First"));
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        context.close();
    }

    private static Map<String, Object> record(String title) {
        return Map.of("version", 0, "state", "published", "values", Map.of("title", title));
    }

    /** Every way to change something: who is let through. An odd id or body is fine; only 401 and 403 count. */
    @DataProvider
    public Object[][] ways() {
        var draft = "/api/workspaces/tessel/draft";
        return new Object[][] {
            {"POST", "/api/accounts", "architect"},
            {"GET", "/api/accounts", "architect"},
            {"PUT", "/api/accounts/1", "architect"},
            {"DELETE", "/api/accounts/1", "architect"},
            {"POST", "/api/accounts/1/reset", "architect"},
            {"GET", "/api/accounts/1/sessions", "architect"},
            {"DELETE", "/api/accounts/1/sessions", "architect"},
            {"GET", "/api/trail", "architect"},
            {"PUT", "/api/account/password", "viewer"},
            {"PUT", "/api/withdrawals/none", "viewer"},
            {"GET", "/api/account/sessions", "viewer"},
            {"DELETE", "/api/account/sessions/none", "viewer"},
            {"POST", "/api/reset", "nobody"},
            {"POST", "/api/workspaces", "architect"},
            {"POST", "/api/workspaces/import", "architect"},
            {"POST", draft + "/definitions", "architect"},
            {"PUT", draft + "/definitions/" + TYPE, "architect"},
            {"DELETE", draft + "/definitions/none", "architect"},
            {"POST", draft + "/definitions/none/discard", "architect"},
            {"POST", draft + "/definitions/none/share", "architect"},
            {"POST", draft + "/definitions/none/own", "architect"},
            {"POST", draft + "/definitions/none/code", "architect"},
            {"POST", draft + "/edits/999999", "architect"},
            {"POST", draft + "/fix", "architect"},
            {"POST", draft + "/infer", "architect"},
            {"POST", draft + "/terms", "architect"},
            {"POST", draft + "/copy", "architect"},
            {"POST", draft + "/incoming", "architect"},
            {"POST", draft + "/take", "architect"},
            {"GET", draft + "/edits", "viewer"},
            {"GET", draft + "/changes", "viewer"},
            {"GET", draft + "/package", "viewer"},
            {"POST", "/api/workspaces/tessel/presence", "viewer"},
            {"GET", "/api/sites/trial/impact", "viewer"},
            {"POST", draft + "/undo", "architect"},
            {"POST", draft + "/redo", "architect"},
            {"POST", "/api/workspaces/tessel/releases", "architect"},
            {"PUT", "/api/workspaces/tessel/releases/9.9.9/decisions", "architect"},
            {"POST", "/api/workspaces/tessel/sites", "architect"},
            {"POST", "/api/sites/trial/runs", "architect"},
            {"POST", "/api/sites/trial/runs/1/continue", "architect"},
            {"POST", "/api/sites/trial/runs/1/undo", "architect"},
            {"GET", "/api/sites/trial/held", "viewer"},
            {"GET", "/api/sites/trial/held/none", "viewer"},
            {"GET", "/api/sites/trial/held/none/export.csv", "viewer"},
            {"POST", "/api/sites/trial/held/none/bring-back", "architect"},
            {"DELETE", "/api/sites/trial/held?name=none", "architect"},
            {"POST", "/api/sites/trial/types/mooring/records", "editor"},
            {"PUT", "/api/sites/trial/types/mooring/records/1", "editor"},
            {"DELETE", "/api/sites/trial/types/mooring/records/1?version=1", "editor"},
            {"POST", "/api/sites/trial/types/mooring/records/1/back", "editor"},
            {"POST", "/api/sites/trial/types/mooring/records/1/restore", "editor"},
            {"POST", "/api/sites/trial/types/mooring/check", "editor"},
            {"POST", "/api/sites/trial/types/mooring/bulk", "editor"},
            {"POST", "/api/sites/trial/types/mooring/merge", "editor"},
            {"POST", "/api/sites/trial/types/mooring/fields/photo/files", "editor"},
            {"PUT", "/api/sites/trial/taxonomies/none/records/1", "editor"},
            {"PUT", "/api/sites/trial/values/none/records/1", "editor"},
            {"PUT", "/api/sites/trial/media/1", "editor"},
            {"DELETE", "/api/sites/trial/media/1", "editor"},
            {"GET", "/api/sites/trial/media", "viewer"},
            {"GET", "/api/sites/trial/media/1", "viewer"},
            {"GET", "/api/record-parts", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/count", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/export.csv", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/records/1", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/records/1/history", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/export.xlsx", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/views", "viewer"},
            {"PUT", "/api/sites/trial/types/mooring/views", "editor"},
            {"DELETE", "/api/sites/trial/types/mooring/views?name=none", "editor"},
            {"POST", "/api/sites/trial/types/mooring/preview", "editor"},
            {"POST", "/api/sites/trial/types/mooring/records/1/ends", "editor"},
            {"GET", "/api/sites/trial/tokens", "architect"},
            {"POST", "/api/sites/trial/tokens", "architect"},
            {"DELETE", "/api/sites/trial/tokens/1", "architect"},
            {"GET", "/at/trial/api", "nobody"},
            {"GET", "/at/trial/api/openapi.json", "nobody"},
            {"GET", "/at/trial/api/moorings", "nobody"},
            {"GET", "/at/trial/api/moorings/1", "nobody"},
            {"GET", "/at/trial/api/taxonomies/none", "nobody"},
            {"GET", "/at/trial/api/taxonomies/none/1", "nobody"},
            {"GET", "/at/trial/api/values/none", "nobody"},
            {"GET", "/at/trial/api/media/1", "nobody"},
            {"GET", "/at/trial/api/media", "program"},
            {"POST", "/at/trial/api/moorings", "program"},
            {"PUT", "/at/trial/api/moorings/1", "program"},
            {"PATCH", "/at/trial/api/moorings/1", "program"},
            {"DELETE", "/at/trial/api/moorings/1", "program"},
            {"POST", "/at/trial/api/taxonomies/none", "program"},
            {"PATCH", "/at/trial/api/taxonomies/none/1", "program"},
            {"DELETE", "/at/trial/api/taxonomies/none/1", "program"},
            {"PATCH", "/at/trial/api/values/none", "program"},
            {"GET", "/api/workspaces", "viewer"},
            {"GET", draft, "viewer"},
            {"GET", "/api/workspaces/tessel/releases", "viewer"},
            {"GET", "/api/workspaces/tessel/versions", "viewer"},
            {"GET", "/api/workspaces/tessel/releases/1.0.0/package", "viewer"},
            {"GET", "/api/workspaces/tessel/next", "viewer"},
            {"GET", "/api/sites/trial/plan?version=1.0.0", "viewer"},
            {"GET", "/api/sites/trial/runs", "viewer"},
            {"GET", "/api/sites/trial/holders", "viewer"},
            {"GET", "/api/sites/trial/types/mooring/records", "viewer"},
            {"POST", "/api/proof/tessel", "viewer"},
            {"POST", "/api/proof/tessel/look", "viewer"},
            {"GET", "/api/proof/schemas", "viewer"},
            {"GET", "/api/proof/help", "viewer"},
            {"POST", "/api/proof/names", "viewer"},
            {"GET", "/api/workspaces/tessel/sites", "viewer"},
            {"GET", "/api/sites/trial/runs/1/undo-plan", "viewer"},
            {"GET", "/api/sites/trial/runs/1/new-types", "viewer"},
            {"GET", "/api/sites/trial/runs/1", "viewer"},
            {"GET", "/api/sites/trial/runs/1/events", "viewer"},
            {"GET", "/api/session", "nobody"},
            {"GET", "/at/trial/", "nobody"},
            {"GET", "/at/trial/media/1", "nobody"},
            {"GET", "/at/trial/moorings/", "nobody"},
            {"GET", "/actuator/health", "nobody"},
        };
    }

    @Test(dataProvider = "ways")
    public void everyRoleMayDoWhatItMayAndNoMore(String method, String path, String least) {
        var order = List.of("nobody", "viewer", "editor", "architect", "program");
        var nobody = new Session(address());
        nobody.ok("GET", "/api/session", null);
        var sessions = List.of(nobody, cleo, ben, anna);
        for (int i = 0; i < sessions.size(); i++) {
            int status = sessions.get(i)
                    .send(method, path, method.equals("GET") ? null : "{}")
                    .statusCode();
            boolean refused = status == 401 || status == 403;
            assertEquals(
                    refused, i < order.indexOf(least), order.get(i) + " got " + status + " for " + method + " " + path);
            assertTrue(status < 500, order.get(i) + " got " + status + " for " + method + " " + path);
        }
    }

    /** So that nobody adds a way in and forgets to say who may go it; signing in and setting up have their own tests. */
    @Test
    public void everyWayIsInTheTable() {
        var ways = java.util.Arrays.stream(ways())
                .map(way -> way[0] + " " + ((String) way[1]).replaceFirst("[?].*", ""))
                .toList();
        var missing = new java.util.TreeSet<String>();
        context.getBeansOfType(RequestMappingHandlerMapping.class).values().stream()
                .flatMap(mapping -> mapping.getHandlerMethods().entrySet().stream())
                .filter(each -> each.getValue().getBeanType().getName().startsWith("org.jontrel"))
                .filter(each -> !each.getKey().getPatternValues().contains("/api/session"))
                .filter(each -> !each.getKey().getPatternValues().contains("/api/setup"))
                .forEach(each -> each.getKey()
                        .getMethodsCondition()
                        .getMethods()
                        .forEach(method -> {
                            boolean covered = each.getKey().getPathPatternsCondition().getPatterns().stream()
                                    .anyMatch(pattern -> ways.stream()
                                            .anyMatch(way -> way.startsWith(method + " ")
                                                    && pattern.matches(PathContainer.parsePath(
                                                            way.substring(way.indexOf(' ') + 1)))));
                            if (!covered) {
                                missing.add(method + " " + each.getKey().getPatternValues());
                            }
                        }));
        assertTrue(missing.isEmpty(), "ways that no role was tried on: " + missing);
    }

    @Test
    public void aWriteWithoutTheTokenOfTheSessionIsRefused() {
        var session = new Session(address()).signIn("ben", "ben-password");
        session.token = false;
        assertEquals(
                session.send("POST", "/api/sites/trial/types/mooring/records", record("x"))
                        .statusCode(),
                403);
    }

    @Test
    public void tooManyWrongPasswordsAreStoppedEvenForTheRightOne() {
        anna.ok("POST", "/api/accounts", Map.of("name", "dora", "role", "viewer", "password", "dora-password"));
        var session = new Session(address());
        session.ok("GET", "/api/session", null);
        for (int i = 0; i < 5; i++) {
            var wrong = session.send("POST", "/api/session", Map.of("name", "dora", "password", "guess " + i));
            assertEquals(wrong.statusCode(), 401);
        }
        var right = session.send("POST", "/api/session", Map.of("name", "dora", "password", "dora-password"));
        assertEquals(right.statusCode(), 429);
        assertTrue(right.headers().firstValue("Retry-After").isPresent(), right.body());
        assertFalse(
                anna.send("GET", "/api/session", null).body().contains("\"name\":\"\""), "others are not locked out");
    }

    @Test
    public void theSetUpCannotBeRepeated() {
        var session = new Session(address());
        session.ok("GET", "/api/session", null);
        var again = session.send("POST", "/api/setup", Map.of("code", CODE, "name", "eve", "password", "eve-password"));
        assertEquals(again.statusCode(), 409);
    }

    @DataProvider
    public Object[][] passwords() {
        return new Object[][] {{"eleven-long"}, {"ü".repeat(37)}, {"qwertyqwerty"}, {"Password1234"}, {"aaaaaaaaaaaaab"}
        };
    }

    @Test(dataProvider = "passwords")
    public void passwordsThatAreTooShortOrCutOrCommonAreRefused(String password) {
        var answer = anna.send("POST", "/api/accounts", Map.of("name", "zed", "role", "viewer", "password", password));
        assertEquals(answer.statusCode(), 422);
    }

    @DataProvider
    public Object[][] hostileTexts() {
        return List.of(
                        "Robert'); DROP TABLE mooring;--",
                        "${7*7} #{title} `x`",
                        "<script>alert(1)</script>",
                        "😀 مرحبا \u202e",
                        "SELECT",
                        "../../etc/passwd",
                        "x".repeat(200))
                .stream()
                .map(text -> new Object[] {text})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "hostileTexts")
    public void textIsTextEverywhere(String text) {
        var stored = ben.ok("POST", "/api/sites/trial/types/mooring/records", record(text));
        assertEquals(stored.at("/record/values/title").asString(), text);
        var page =
                new Session(address()).send("GET", stored.at("/record/address").asString(), null);
        assertEquals(page.statusCode(), 200);
        assertFalse(page.body().contains("<script>alert"), page.body());
        var found = cleo.ok(
                "GET",
                "/api/sites/trial/types/mooring/records?search="
                        + java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8),
                null);
        assertTrue(found.get("records").size() >= 1, text);
        anna.ok("POST", "/api/workspaces/tessel/draft/definitions", Map.of("sort", "type", "name", text));
    }

    @DataProvider
    public Object[][] badRecords() {
        return new Object[][] {
            {Map.of("title", "x", "length", "1e400"), "VALUE_NOT_NUMBER"},
            {Map.of("title", "x", "length", List.of(1)), "VALUE_NOT_NUMBER"},
            {Map.of("title", "x", "length", Map.of("a", 1)), "VALUE_NOT_NUMBER"},
            {Map.of("title", "x", "length", "-1"), "VALUE_TOO_SMALL"},
            {Map.of("title", "x", "length", "123456789012345"), "VALUE_TOO_LARGE"},
            {Map.of("title", "x", "since", "2026-02-30"), "VALUE_NOT_DATE"},
            {Map.of("title", "x", "open", "perhaps"), "VALUE_NOT_YES_NO"},
            {Map.of("title", "x", "state", "excellent"), "VALUE_NOT_OPTION"},
            {Map.of("title", "x", "photo", 424242), "VALUE_NOT_IMAGE"},
            {Map.of("title", "x", "nothing", 1), "VALUE_FIELD_UNKNOWN"},
            {Map.of("title", "x".repeat(256)), "VALUE_TOO_LONG"},
            {Map.of("title", "two\nlines"), "VALUE_ONE_LINE"},
            {Map.of("title", "nul\u0000"), "VALUE_NOT_TEXT"},
            {Map.of("length", "1"), "VALUE_REQUIRED"},
        };
    }

    @Test(dataProvider = "badRecords")
    public void badValuesAreRefusedWithACodeAndNothingIsStored(Map<String, Object> values, String code) {
        long before = total();
        var answer = ben.send(
                "POST",
                "/api/sites/trial/types/mooring/records",
                Map.of("version", 0, "state", "published", "values", values));
        assertEquals(answer.statusCode(), 422, answer.body());
        assertEquals(JSON.readTree(answer.body()).at("/findings/0/code").asString(), code);
        assertEquals(total(), before);
    }

    @Test
    public void halfACharacterIsRefused() {
        var body = "{\"version\":0,\"state\":\"draft\",\"values\":{\"title\":\"half \\ud800 pair\"}}";
        var answer = ben.send("POST", "/api/sites/trial/types/mooring/records", body);
        assertEquals(answer.statusCode(), 422, answer.body());
        assertTrue(answer.body().contains("VALUE_NOT_TEXT"), answer.body());
    }

    private long total() {
        return cleo.ok("GET", "/api/sites/trial/types/mooring/count", null)
                .get("records")
                .asLong();
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {
            {"POST", "/api/sites/trial/types/mooring/records", "{", 400},
            {"POST", "/api/sites/trial/types/mooring/records", "[]", 400},
            {"POST", "/api/sites/trial/types/mooring/records", "{}", 400},
            {
                "POST",
                "/api/sites/nowhere/types/mooring/records",
                "{\"version\":0,\"state\":\"draft\",\"values\":{}}",
                404
            },
            {"POST", "/api/sites/trial/types/mooring/records", "{\"version\":0,\"state\":\"gone\",\"values\":{}}", 422},
            {"GET", "/api/sites/trial/types/mooring/records/notanumber", null, 400},
            {"GET", "/api/sites/trial/types/mooring/records?most=-5", null, 200},
            {"GET", "/api/sites/trial/types/mooring/records?where=%7B", null, 422},
            {"GET", "/api/sites/trial/types/mooring/records?where=%7B%22sea%22%3A1%7D", null, 422},
            {
                "GET",
                "/api/sites/trial/types/mooring/records?where=%7B%22field%22%3A%22nope%22%2C%22is%22%3A1%7D",
                null,
                422
            },
            {"GET", "/api/sites/trial/types/mooring/records?order=1%3BDROP", null, 422},
            {"GET", "/api/sites/trial/types/mooring/records?after=xyz", null, 422},
            {"GET", "/api/sites/trial/lists/mooring/records", null, 404},
            {"GET", "/api/sites/trial/types/lighthouse/records", null, 404},
            {"GET", "/api/sites/trial/types/mooring/export.exe", null, 404},
            {"GET", "/api/nothing", null, 404},
            {"GET", "/assets/nothing.js", null, 404},
            {"GET", "/at/nowhere/", null, 404},
            {"GET", "/at/trial/media/1", null, 404},
            {"GET", "/w/tessel/model", null, 200},
        };
    }

    @Test(dataProvider = "nonsense")
    public void nonsenseGetsAClearAnswerAndNeverAnErrorOfTheServers(
            String method, String path, String body, int status) {
        assertEquals(anna.send(method, path, body).statusCode(), status, method + " " + path);
    }

    @Test
    public void aDraftOfTwoWritersIsNeverOverwrittenUnseen() {
        var made = anna.ok("POST", "/api/workspaces/tessel/draft/definitions", Map.of("sort", "type", "name", "Weir"));
        var id = made.get("id").asString();
        var view = made.at("/draft/definitions")
                .valueStream()
                .filter(each -> each.at("/definition/id").asString().equals(id))
                .findFirst()
                .orElseThrow();
        long base = view.get("revision").asLong();
        var path = "/api/workspaces/tessel/draft/definitions/" + id;
        @SuppressWarnings("unchecked")
        Map<String, Object> before = JSON.convertValue(view.get("definition"), Map.class);
        var mine = new java.util.LinkedHashMap<>(before);
        mine.put("plural", "All weirs");
        anna.ok("PUT", path, Map.of("sort", "type", "base", base, "definition", mine));
        var other = new java.util.LinkedHashMap<>(before);
        other.put("description", "Holds water back.");
        var edit = Map.of("sort", "type", "base", base, "before", before, "definition", other);
        var joined = anna.ok("PUT", path, edit);
        assertTrue(joined.get("merged").asBoolean(), "edits of different things go together");
        var now = joined.at("/draft/definitions")
                .valueStream()
                .filter(each -> each.at("/definition/id").asString().equals(id))
                .findFirst()
                .orElseThrow();
        assertEquals(now.at("/definition/plural").asString(), "All weirs");
        assertEquals(now.at("/definition/description").asString(), "Holds water back.");
        mine.put("plural", "Other weirs");
        var clash = Map.of("sort", "type", "base", base, "before", before, "definition", mine);
        var late = anna.send("PUT", path, clash);
        assertEquals(late.statusCode(), 409);
        assertTrue(JSON.readTree(late.body()).get("detail").asString().contains("“All weirs”"), late.body());
        assertEquals(JSON.readTree(late.body()).at("/current/definition/plural").asString(), "All weirs");
    }

    @Test
    public void aBrokenDefinitionIsRefusedWithTheNearestWord() {
        var body = Map.of(
                "sort",
                "type",
                "base",
                0,
                "definition",
                Map.of("id", "tnewone", "key", "x", "singular", "X", "plurall", "Xs", "path", "x"));
        var answer = anna.send("PUT", "/api/workspaces/tessel/draft/definitions/tnewone", body);
        assertEquals(answer.statusCode(), 422);
        assertTrue(answer.body().contains("Did you mean \\\"plural\\\"?"), answer.body());
    }

    @Test
    public void definitionsOfHostileTextsAndSqlWordsMakeTablesFormsAndPages() throws InterruptedException {
        var markup = "\"><img src=x onerror=alert(1)> 😀 `';--";
        var fields = new ArrayList<Field>();
        for (var key :
                List.of("select", "order", "group", "table", "from", "id", "slug", "version", "fts_doc_id", "next")) {
            fields.add(new Field(
                    "fx" + key.replace("_", ""),
                    key,
                    markup + key,
                    markup,
                    false,
                    new Kind.Text(null, null, "", markup)));
        }
        fields.add(new Field(
                "fxchoice",
                "where",
                markup + "where",
                "",
                false,
                new Kind.Choice(List.of(new Kind.Option("oxdrop", "drop", markup, false)))));
        var type = new ContentType(
                "txhostile",
                "trigger",
                markup,
                markup + "s",
                markup,
                "",
                "hostile",
                Map.of("add", markup),
                List.of(Part.TITLE),
                List.of(new Group("gxhostile", markup, markup, fields)));
        anna.ok("POST", "/api/workspaces", Map.of("title", "Hostile"));
        anna.ok(
                "PUT",
                "/api/workspaces/hostile/draft/definitions/txhostile",
                Map.of("sort", "type", "base", 0, "definition", PackageWriter.tree(type)));
        anna.ok("POST", "/api/workspaces/hostile/releases", Map.of("version", "1.0.0", "notes", markup));
        anna.ok("POST", "/api/workspaces/hostile/sites", Map.of("name", "Odd"));
        runAndWait("odd", "1.0.0");
        var values = Map.of("title", markup, "select", markup, "id", markup, "fts_doc_id", markup, "where", "drop");
        var stored = ben.ok(
                "POST",
                "/api/sites/odd/types/trigger/records",
                Map.of("version", 0, "state", "published", "values", values));
        assertEquals(stored.at("/record/values/id").asString(), markup);
        assertEquals(stored.at("/record/shown/where").asString(), markup);
        for (var path : List.of(stored.at("/record/address").asString(), "/at/odd/hostile/", "/at/odd/")) {
            var page = new Session(address()).send("GET", path, null);
            assertEquals(page.statusCode(), 200, path);
            assertFalse(page.body().contains("<img src=x"), path);
            assertTrue(page.body().contains("&lt;img src=x"), path);
        }
        var long10000 = type.withSections(List.of(
                type.groups().getFirst().withFields(List.of(fields.getFirst().withLabel("x".repeat(10_000))))));
        anna.ok(
                "PUT",
                "/api/workspaces/hostile/draft/definitions/txhostile",
                Map.of(
                        "sort",
                        "type",
                        "base",
                        anna.ok("GET", "/api/workspaces/hostile/draft", null)
                                .at("/definitions/0/revision")
                                .asLong(),
                        "definition",
                        PackageWriter.tree(long10000)));
        var refused = anna.send("POST", "/api/workspaces/hostile/releases", Map.of("version", "2.0.0", "notes", ""));
        assertEquals(refused.statusCode(), 422);
        assertTrue(refused.body().contains("TEXT_TOO_LONG"), refused.body());
    }

    private void runAndWait(String site, String version) throws InterruptedException {
        var run = anna.ok("POST", "/api/sites/" + site + "/runs", Map.of("version", version))
                .get("id")
                .asLong();
        var path = "/api/sites/" + site + "/runs/" + run;
        Waiting.until(
                "the run",
                () -> !anna.ok("GET", path, null).get("state").asString().equals("running"));
        assertEquals(anna.ok("GET", path, null).get("state").asString(), "done");
    }

    @Test
    public void aBrokenPackageSaysWhereAndChangesNothing() throws IOException, InterruptedException {
        long before = anna.ok("GET", "/api/workspaces", null).size();
        var files = new java.util.TreeMap<String, byte[]>();
        files.put(
                "package.yaml",
                "name: x\nversion: 1.0.0\ntitle: Broken\n".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        files.put(
                "types/lock.yaml",
                "key: lock\nsingular: Lock\nplurall: Locks\npath: locks\n"
                        .getBytes(java.nio.charset.StandardCharsets.UTF_8));
        var zip = org.jontrel.core.code.PackageFiles.toZip(files);
        var head = "--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"x.zip\"\r\n\r\n"
                .getBytes(java.nio.charset.StandardCharsets.UTF_8);
        var body = new java.io.ByteArrayOutputStream();
        body.write(head);
        body.write(zip);
        body.write("\r\n--b--\r\n".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        var request = HttpRequest.newBuilder(URI.create(address() + "/api/workspaces/import"))
                .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray()))
                .header("Content-Type", "multipart/form-data; boundary=b")
                .header("X-XSRF-TOKEN", anna.cookie("XSRF-TOKEN"))
                .build();
        var answer = anna.http.send(request, HttpResponse.BodyHandlers.ofString());
        assertEquals(answer.statusCode(), 422, answer.body());
        var findings = JSON.readTree(answer.body()).get("findings").toString();
        assertTrue(findings.contains("types/lock.yaml:3:1"), findings);
        assertTrue(findings.contains("Did you mean \\\"plural\\\"?"), findings);
        assertEquals(anna.ok("GET", "/api/workspaces", null).size(), before);
    }

    @Test
    public void pagesAndPicturesForbidFramesAndForeignScripts() {
        var page = new Session(address()).send("GET", "/at/trial/", null);
        var policy = page.headers().firstValue("Content-Security-Policy").orElse("");
        assertTrue(
                policy.contains("default-src 'none'")
                        && !policy.contains("unsafe")
                        && policy.contains("frame-ancestors 'none'"),
                policy);
        assertEquals(page.headers().firstValue("X-Content-Type-Options").orElse(""), "nosniff");
    }

    @Test
    public void theRecordedDescriptionOfTheApiIsTheServers() throws IOException {
        var recorded = Path.of("../web/openapi.json");
        var now = anna.ok("GET", "/v3/api-docs", null);
        assertNotNull(now.get("paths"));
        if (System.getenv("JONTREL_RECORD_API") != null) {
            Files.writeString(recorded, JSON.writerWithDefaultPrettyPrinter().writeValueAsString(ordered(now)) + "\n");
        }
        assertEquals(
                sorted(JSON.readTree(Files.readString(recorded))),
                sorted(now),
                "web/openapi.json is not what the server says: see CONTRIBUTING.md");
    }

    /** The same with names in order, so that a new record differs only where the API does. */
    private static Object ordered(JsonNode node) {
        if (node.isObject()) {
            var sorted = new java.util.TreeMap<String, Object>();
            node.properties().forEach(entry -> sorted.put(entry.getKey(), ordered(entry.getValue())));
            return sorted;
        }
        return node.isArray() ? node.valueStream().map(ServerTest::ordered).toList() : node;
    }

    private static List<String> sorted(JsonNode node) {
        var lines = new ArrayList<String>();
        collect("", node, lines);
        lines.sort(String::compareTo);
        return lines;
    }

    private static void collect(String path, JsonNode node, List<String> lines) {
        if (node.isObject()) {
            node.properties().forEach(entry -> collect(path + "/" + entry.getKey(), entry.getValue(), lines));
        } else if (node.isArray()) {
            node.forEach(item -> collect(path + "[]", item, lines));
        } else {
            lines.add(path + "=" + node);
        }
    }
}
