package org.jontrel.server.desk;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.server.Application;
import org.jontrel.server.Session;
import org.jontrel.site.testing.TestDatabase;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A server whose draft is the seed bank's whole model, released once. */
abstract class SeedBankServerTest {
    static final JsonMapper JSON = JsonMapper.shared();
    static final String DRAFT = "/api/workspaces/seeds/draft";
    ConfigurableApplicationContext context;
    String address;
    Session anna;

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

    JsonNode draft(long since) {
        return anna.ok("GET", DRAFT + "?since=" + since, null);
    }

    JsonNode view(JsonNode draft, String key) {
        return draft.get("definitions")
                .valueStream()
                .filter(each -> each.at("/definition/key").asString().equals(key))
                .findFirst()
                .orElseThrow();
    }

    @SuppressWarnings("unchecked")
    static Map<String, Object> tree(JsonNode view) {
        return new LinkedHashMap<String, Object>(JSON.convertValue(view.get("definition"), Map.class));
    }

    JsonNode put(JsonNode view, Map<String, Object> definition) {
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

    static Map<String, Object> taken(JsonNode incoming) {
        return Map.of(
                "sort",
                incoming.get("sort").asString(),
                "revision",
                incoming.get("revision").asLong(),
                "definition",
                JSON.convertValue(incoming.get("definition"), Map.class));
    }

    static JsonNode named(JsonNode definitions, String name) {
        return definitions
                .valueStream()
                .filter(each -> each.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }
}
