package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.jontrel.site.testing.Waiting;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Accounts, their sessions, tries at signing in, and the trail; behind a proxy that the settings name. */
public class AccountsTest {
    private static final String PASSWORD = "four unrelated words";
    private static final String RUNS = "/api/sites/field/runs";
    private static final String WORKSPACES = "/api/workspaces";
    private OrchardServer server;
    private Session anna;

    @BeforeClass
    public void start() throws InterruptedException {
        server = OrchardServer.start("--jontrel.proxies=127.0.0.1", "--jontrel.requests-a-minute=30");
        anna = server.anna;
    }

    @AfterClass(alwaysRun = true)
    public void stop() {
        server.close();
    }

    private long id(String name) {
        return StreamSupport.stream(anna.ok("GET", "/api/accounts", null).spliterator(), false)
                .filter(each -> each.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
    }

    private long added(String name, String role) {
        anna.ok("POST", "/api/accounts", Map.of("name", name, "role", role, "password", PASSWORD));
        return id(name);
    }

    private Session from(String address) {
        var session = server.session().with("X-Forwarded-For", address);
        session.ok("GET", "/api/session", null);
        return session;
    }

    private static int tried(Session session, String name, String password) {
        return session.send("POST", "/api/session", Map.of("name", name, "password", password))
                .statusCode();
    }

    private Session signedIn(String name, String password) {
        return server.session().signIn(name, password);
    }

    private JsonNode trail() {
        return anna.ok("GET", "/api/trail", null);
    }

    private static int status(Session session, String path) {
        return session.send("GET", path, null).statusCode();
    }

    @Test
    public void aPasswordIsChangedByWhoKnowsTheOldOne() {
        added("dora", "editor");
        var dora = signedIn("dora", PASSWORD);
        var other = signedIn("dora", PASSWORD);
        var path = "/api/account/password";
        assertEquals(
                dora.send("PUT", path, Map.of("old", "wrong", "password", "another long one"))
                        .statusCode(),
                422);
        dora.ok("PUT", path, Map.of("old", PASSWORD, "password", "another long one"));
        assertEquals(status(dora, RUNS), 200, "this session goes on");
        assertEquals(status(other, RUNS), 401, "others end");
        signedIn("dora", "another long one");
        assertTrue(trail().toString().contains("password_changed"));
    }

    @Test
    public void aLinkLetsSomebodyChooseAPasswordOnce() {
        long id = added("emil", "viewer");
        var secret = anna.ok("POST", "/api/accounts/" + id + "/reset", null)
                .get("secret")
                .asString();
        var emil = server.session();
        emil.ok("GET", "/api/session", null);
        var weak = emil.send("POST", "/api/reset", Map.of("secret", secret, "password", "short"));
        assertEquals(weak.statusCode(), 422, "the link still works");
        emil.ok("POST", "/api/reset", Map.of("secret", secret, "password", "chosen by emil himself"));
        assertEquals(
                emil.send("POST", "/api/reset", Map.of("secret", secret, "password", "chosen by a thief"))
                        .statusCode(),
                404);
        signedIn("emil", "chosen by emil himself");
    }

    @Test
    public void whatAnAccountMayDoChangesAtOnceInRunningSessions() {
        long id = added("fred", "editor");
        var fred = signedIn("fred", PASSWORD);
        var plots = "/api/sites/field/types/plot/records";
        var write = Map.of("version", 0, "state", "draft", "values", Map.of("title", "By Fred"));
        fred.ok("POST", plots, write);
        anna.ok("PUT", "/api/accounts/" + id, Map.of("role", "viewer", "disabled", false));
        assertEquals(fred.send("POST", plots, write).statusCode(), 403);
        assertEquals(fred.ok("GET", "/api/session", null).get("role").asString(), "viewer");
        anna.ok("PUT", "/api/accounts/" + id, Map.of("role", "viewer", "disabled", true));
        assertEquals(status(fred, RUNS), 401);
        assertEquals(tried(from("192.0.2.40"), "fred", PASSWORD), 401, "disabled");
        anna.ok("PUT", "/api/accounts/" + id, Map.of("role", "editor", "disabled", false));
        var again = signedIn("fred", PASSWORD);
        anna.ok("DELETE", "/api/accounts/" + id, null);
        assertEquals(status(again, RUNS), 401);
        assertEquals(anna.send("DELETE", "/api/accounts/" + id, null).statusCode(), 404);
    }

    @Test
    public void theLastArchitectStays() {
        var path = "/api/accounts/" + id("anna");
        assertEquals(
                anna.send("PUT", path, Map.of("role", "editor", "disabled", false))
                        .statusCode(),
                409);
        assertEquals(
                anna.send("PUT", path, Map.of("role", "architect", "disabled", true))
                        .statusCode(),
                409);
        assertEquals(anna.send("DELETE", path, null).statusCode(), 409);
    }

    @Test
    public void sessionsAreListedAndEnded() {
        long id = added("gina", "editor");
        var here = signedIn("gina", PASSWORD);
        var there = signedIn("gina", PASSWORD);
        var path = "/api/account/sessions";
        var list = here.ok("GET", path, null);
        assertEquals(list.size(), 2);
        assertFalse(list.toString().contains(here.cookie("JONTREL")), "what is told is not the key");
        for (var session : list) {
            if (!session.get("present").asBoolean()) {
                here.ok("DELETE", path + "/" + session.get("id").asString(), null);
            }
        }
        assertEquals(status(there, RUNS), 401);
        assertEquals(here.ok("GET", path, null).size(), 1);
        assertEquals(here.send("DELETE", path + "/0123456789abcdef", null).statusCode(), 404);
        assertEquals(anna.ok("GET", "/api/accounts/" + id + "/sessions", null).size(), 1);
        anna.ok("DELETE", "/api/accounts/" + id + "/sessions", null);
        assertEquals(status(here, RUNS), 401);
    }

    @Test
    public void aSessionEndsHoweverMuchItIsUsed() throws InterruptedException {
        // without a site: to install one could take longer than the session of who installs it
        var other = OrchardServer.empty("--jontrel.session-lifetime=PT10S");
        try {
            var session = other.session().signIn("anna", "anna-password");
            assertEquals(status(session, WORKSPACES), 200);
            Waiting.until("the end of the session", () -> status(session, WORKSPACES) != 200);
            assertEquals(session.ok("GET", "/api/session", null).get("name").asString(), "");
        } finally {
            other.close();
        }
    }

    @DataProvider
    public Object[][] names() {
        return new Object[][] {
            {"Anna", 409}, // other case
            {"ánna", 409}, // other accents
            {"ａｎｎａ", 409}, // wide letters
            {"\u0430nna", 422}, // begins with a letter of another script
            {"\u0430\u043f\u043f\u0430", 201}, // all of it in another script, and unlike anna
            {"zed\u200b", 422}, // with a sign nobody sees
            {"zed\u202edez", 422},
            {"  zoe   ann ", 201},
            {" ", 422},
        };
    }

    @Test(dataProvider = "names")
    public void namesCannotBeConfused(String name, int status) {
        var answer = anna.send("POST", "/api/accounts", Map.of("name", name, "role", "viewer", "password", PASSWORD));
        assertEquals(answer.statusCode(), status, answer.body());
    }

    @Test
    public void aNameThatLooksLikeAnotherIsTaken() {
        added("scope", "viewer");
        var cyrillic = "\u0455\u0441\u043e\u0440\u0435";
        var answer =
                anna.send("POST", "/api/accounts", Map.of("name", cyrillic, "role", "viewer", "password", PASSWORD));
        assertEquals(answer.statusCode(), 409, answer.body());
    }

    @Test
    public void triesCountBeforeTheyAreAnswered() throws Exception {
        added("hana", "viewer");
        var session = from("192.0.2.50");
        try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
            var all = IntStream.range(0, 20)
                    .mapToObj(i -> threads.submit(() -> tried(session, "hana", "guess number " + i)))
                    .toList();
            int answered = 0;
            for (var each : all) {
                answered += each.get() == 401 ? 1 : 0;
            }
            assertTrue(answered <= 6, answered + " guesses at once were answered");
        }
        assertEquals(tried(session, "hana", PASSWORD), 429, "even the right one");
        assertEquals(tried(from("192.0.2.51"), "hana", PASSWORD), 200, "from elsewhere she comes in");
    }

    @Test
    public void nobodyLocksSomebodyElseOut() {
        added("ivan", "viewer");
        assertEquals(tried(from("198.51.100.7"), "ivan", PASSWORD), 200);
        for (int i = 0; i < 60; i++) {
            tried(from("203.0.113." + i), "ivan", "guess");
        }
        assertEquals(tried(from("203.0.113.77"), "ivan", PASSWORD), 429, "from an address that he never used");
        assertEquals(tried(from("198.51.100.7"), "ivan", PASSWORD), 200, "from his own");
    }

    @Test
    public void manyAddressesOfOneNetworkCountAsOne() {
        int refused = 0;
        for (int i = 0; i < 40; i++) {
            var answer = server.session()
                    .with("X-Forwarded-For", "2001:db8:1:2::" + Integer.toHexString(i + 1))
                    .send("GET", "/at/field/api", null);
            if (answer.statusCode() == 429) {
                refused++;
                assertTrue(Integer.parseInt(
                                answer.headers().firstValue("Retry-After").orElseThrow())
                        > 0);
            }
        }
        assertTrue(refused > 0);
        assertEquals(status(server.session().with("X-Forwarded-For", "2001:db8:1:3::1"), "/at/field/api"), 200);
    }

    @Test
    public void architectsReadWhatHappenedAndNobodyElse() {
        added("jana", "editor");
        tried(from("192.0.2.60"), "jana", "no");
        var text = trail().toString();
        for (var act : List.of("account_added", "sign_in_refused", "signed_in")) {
            assertTrue(text.contains(act), act);
        }
        assertTrue(text.contains("192.0.2.60"));
        var all = new StringBuilder();
        var page = trail();
        while (!page.isEmpty()) {
            all.append(page);
            page = anna.ok(
                    "GET",
                    "/api/trail?before=" + page.get(page.size() - 1).get("id").asLong(),
                    null);
        }
        assertTrue(all.toString().contains("\"released\"") && all.toString().contains("\"run_started\""));
        assertEquals(status(signedIn("jana", PASSWORD), "/api/trail"), 403);
        assertEquals(status(server.session(), "/api/trail"), 401);
    }

    @Test
    public void aTokenMayExpire() throws InterruptedException {
        var made = anna.ok(
                "POST",
                "/api/sites/field/tokens",
                Map.of(
                        "name",
                        "Short",
                        "role",
                        "viewer",
                        "expiresAt",
                        Instant.now().plusSeconds(3).toString()));
        var program = server.session()
                .with("X-Forwarded-For", "192.0.2.90")
                .with("Authorization", "Bearer " + made.get("secret").asString());
        assertEquals(status(program, "/at/field/api"), 200);
        Waiting.until("the end of the token", Duration.ofMillis(300), () -> status(program, "/at/field/api") != 200);
        assertEquals(status(program, "/at/field/api"), 401);
        var past = Map.of("name", "Past", "role", "viewer", "expiresAt", "2020-01-01T00:00:00Z");
        assertEquals(anna.send("POST", "/api/sites/field/tokens", past).statusCode(), 422);
    }

    @Test
    public void cookiesAndPoliciesAreAsStrictAsTheyCanBe() {
        var page = server.session().send("GET", "/at/field/", null);
        assertEquals(page.headers().allValues("Set-Cookie"), List.of(), "no cookie on public pages");
        var policy = page.headers().firstValue("Content-Security-Policy").orElse("");
        assertFalse(policy.contains("unsafe"), policy);
        assertTrue(page.headers().firstValue("Strict-Transport-Security").isEmpty(), "this is plain HTTP");
        var https = server.session().with("X-Forwarded-For", "192.0.2.1").with("X-Forwarded-Proto", "https");
        var session = https.send("GET", "/api/session", null);
        assertTrue(session.headers().firstValue("Strict-Transport-Security").isPresent());
        var cookies = session.headers().allValues("Set-Cookie");
        assertFalse(cookies.isEmpty());
        cookies.forEach(cookie -> assertTrue(cookie.contains("Secure") && cookie.contains("SameSite=Lax"), cookie));
        for (var path : List.of("/v3/api-docs", "/v3/api-docs.yaml", "/v3/api-docs/swagger-config")) {
            assertEquals(status(server.session(), path), 401, path);
        }
    }
}
