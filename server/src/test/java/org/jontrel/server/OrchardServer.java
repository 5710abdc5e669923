package org.jontrel.server;

import static org.testng.Assert.assertEquals;

import com.zaxxer.hikari.HikariDataSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestDatabase;
import org.jontrel.site.testing.Waiting;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;

/** A server whose site Field has a model of the whole language; tags and people are kept out of the content API. */
public final class OrchardServer implements AutoCloseable {
    public final Session anna;
    private final ConfigurableApplicationContext context;
    private final String address;
    private final String database;

    private OrchardServer(ConfigurableApplicationContext context, String database) {
        this.database = database;
        this.context = context;
        this.address = "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
        this.anna = session();
    }

    /** The whole address of something. */
    public String whole(String path) {
        return address + path;
    }

    /** With other definitions: texts of their files replaced. */
    public static OrchardServer edited(Map<String, String> replacements, String... settings)
            throws InterruptedException {
        return start(replacements, settings);
    }

    /** @param settings more of them, such as {@code --jontrel.proxies=127.0.0.1} */
    static OrchardServer start(String... settings) throws InterruptedException {
        return start(
                Map.of(
                        "key: tag, label: Tag, kind: text,", "key: tag, label: Tag, kind: text, api: false,",
                        "key: person\n", "key: person\napi: false\n",
                        "index: {order: fplanted}",
                                "index: {order: fplanted, search: true,"
                                        + " filters: [sort, label, fruits, uses, mood, height, planted]}"),
                settings);
    }

    private static OrchardServer start(Map<String, String> replacements, String... settings)
            throws InterruptedException {
        var server = empty(settings);
        server.install(replacements);
        return server;
    }

    /** With an account and a workspace, and nothing in it. */
    public static OrchardServer empty(String... settings) {
        var all = new ArrayList<>(List.of(settings));
        var database = TestDatabase.shared().create();
        all.addAll(List.of(
                "--server.port=0",
                "--spring.datasource.url=" + TestDatabase.shared().url(database),
                "--spring.datasource.username=" + TestDatabase.USER,
                "--spring.datasource.password=" + TestDatabase.PASSWORD,
                "--jontrel.publish-every=PT0.2S",
                "--jontrel.setup-code=orchard-code"));
        var server = new OrchardServer(SpringApplication.run(Application.class, all.toArray(String[]::new)), database);
        server.anna.ok("GET", "/api/session", null);
        server.anna.ok(
                "POST", "/api/setup", Map.of("code", "orchard-code", "name", "anna", "password", "anna-password"));
        server.anna.signIn("anna", "anna-password");
        server.anna.ok("POST", "/api/workspaces", Map.of("title", "Orchard"));
        return server;
    }

    private void install(Map<String, String> replacements) throws InterruptedException {
        release("1.0.0", replacements);
        anna.ok("POST", "/api/workspaces/orchard/sites", Map.of("name", "Field"));
        run("1.0.0");
    }

    /** Puts the model with texts of its files replaced into the draft. */
    public void draft(Map<String, String> replacements) {
        var definitions = Orchard.edited(replacements).definitions().stream()
                .map(each -> Map.of("sort", PackageWriter.word(each.sort()), "definition", PackageWriter.tree(each)))
                .toList();
        anna.ok("POST", "/api/workspaces/orchard/draft/take", Map.of("definitions", definitions));
    }

    /** Releases the model with texts of its files replaced. */
    public void release(String version, Map<String, String> replacements) {
        draft(replacements);
        anna.ok("POST", "/api/workspaces/orchard/releases", Map.of("version", version, "notes", ""));
    }

    /** Runs a release on the site and waits for its end; the last choice is the answer to each question. */
    public JsonNode run(String version) throws InterruptedException {
        for (var asked :
                anna.ok("GET", "/api/sites/field/plan?version=" + version, null).get("asks")) {
            var choices = asked.get("choices");
            anna.ok(
                    "PUT",
                    "/api/workspaces/orchard/releases/" + version + "/decisions",
                    Map.of(
                            "field", asked.get("fieldId").asString(),
                            "about", asked.get("about").asString().toUpperCase(Locale.ROOT),
                            "answer", choices.get(choices.size() - 1).asString().toUpperCase(Locale.ROOT),
                            "value", ""));
        }
        return ended(anna.ok("POST", "/api/sites/field/runs", Map.of("version", version)));
    }

    /** A run that has ended as it should. */
    public JsonNode ended(JsonNode run) throws InterruptedException {
        var path = "/api/sites/field/runs/" + run.get("id").asLong();
        Waiting.until(
                "the run",
                () -> anna.ok("GET", path, null).get("state").asString().equals("done"));
        var ended = anna.ok("GET", path, null);
        assertEquals(ended.get("state").asString(), "done", ended.toString());
        return ended;
    }

    /** Has an import worked on, and tells how it is once it has come to a state. */
    public JsonNode worked(String at, String what, String state) throws InterruptedException {
        anna.ok("POST", at + "/" + what, null);
        Waiting.until(
                state,
                () -> anna.ok("GET", at + "/progress", null)
                        .get("state")
                        .asString()
                        .equals(state));
        return anna.ok("GET", at, null);
    }

    /** Connections to the database of the site. */
    public HikariDataSource site() {
        return TestDatabase.shared().source(database + "_site_field");
    }

    /** The name of the server's own database. */
    public String database() {
        return database;
    }

    String address() {
        return address;
    }

    public Session session() {
        return new Session(address);
    }

    /** A program with a new token. */
    public Session program(String name, String role) {
        var made = anna.ok("POST", "/api/sites/field/tokens", Map.of("name", name, "role", role));
        return session().with("Authorization", "Bearer " + made.get("secret").asString());
    }

    public long add(String type, Map<String, Object> values, String state) {
        return anna.ok(
                        "POST",
                        "/api/sites/field/types/" + type + "/records",
                        Map.of("version", 0, "state", state, "values", values))
                .at("/record/id")
                .asLong();
    }

    <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    @Override
    public void close() {
        context.close();
    }
}
