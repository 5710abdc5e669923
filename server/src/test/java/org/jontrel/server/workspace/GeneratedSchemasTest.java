package org.jontrel.server.workspace;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import graphql.parser.Parser;
import graphql.schema.GraphQLTypeUtil;
import graphql.schema.idl.SchemaParser;
import graphql.schema.idl.UnExecutableSchemaGenerator;
import graphql.validation.Validator;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jontrel.core.generate.CodeTarget;
import org.jontrel.site.testing.Orchard;
import org.testng.annotations.Test;

/** Schemas are read by their tools, and what a site gives fits them. */
public class GeneratedSchemasTest extends GeneratedCase {
    @Test
    public void recordsOfTheApiFitTheirSchemas() {
        var raw = new HashMap<>(Orchard.tree("Schema tree"));
        var mother = server.add("tree", Map.of("title", "Schema mother"), "published");
        raw.put("parents", List.of(mother));
        server.add("tree", raw, "published");
        var schemas = made("json-schema");
        var registry = SchemaRegistry.withDefaultDialect(
                SpecificationVersion.DRAFT_2020_12, builder -> builder.schemas(byAddress(schemas)));
        var checked = new ArrayList<String>();
        for (var segment : List.of("trees", "taxonomies/sort", "taxonomies/label")) {
            var schema = registry.getSchema(
                    SchemaLocation.of("https://example.org/" + segment.replace('/', '.') + ".schema.json"));
            for (var asked : List.of("", "?include=parents,keeper")) {
                for (var record : server.session()
                        .ok("GET", "/at/field/api/" + segment + asked, null)
                        .get("items")) {
                    assertEquals(
                            schema.validate(record.toString(), InputFormat.JSON).toString(), "[]", record.toString());
                    checked.add(record.get("slug").asString());
                }
            }
            assertTrue(!schema.validate("{\"id\": \"one\"}", InputFormat.JSON).isEmpty(), "the schema refuses nothing");
        }
        assertTrue(checked.contains("schema-tree") && checked.size() > 5, checked.toString());
    }

    /** What is said of a release is what a site says that has it, but for its name and address. */
    @Test
    public void theDescriptionIsWhatTheSiteSays() {
        var made = JSON.readTree(made("openapi").get("openapi.json"));
        var said = server.session().ok("GET", "/at/field/api/openapi.json", null);
        for (var part : List.of("openapi", "tags", "paths", "components")) {
            assertEquals(made.get(part), said.get(part), part);
        }
        assertEquals(made.at("/info/version").asString(), "1.0.0");
    }

    @Test
    public void descriptionsOfDrawnModelsHaveWhatLintersAskFor() throws IOException, InterruptedException {
        var folder = Files.createTempDirectory("drawn");
        var command = new ArrayList<>(List.of(
                "node",
                PROGRAMS.resolve("lint.mjs").toAbsolutePath().toString(),
                TOOLS.resolve("@redocly/openapi-core/lib/index.js").toString()));
        for (int seed = 1; seed <= DRAWN; seed++) {
            var name = "api" + seed + ".json";
            Files.writeString(
                    folder.resolve(name), drawn(CodeTarget.OPENAPI, seed).get("openapi.json"));
            command.add(name);
        }
        assertEquals(run(folder, command.toArray(String[]::new)), "");
    }

    /** Whatever the language allows; schemas are read and checked as a server would. */
    @Test
    public void schemasOfDrawnModelsAreSchemas() {
        for (int seed = 1; seed <= DRAWN; seed++) {
            var files = drawn(CodeTarget.GRAPHQL, seed);
            var registry = new SchemaParser().parse(files.get("common.graphql") + files.get("schema.graphql"));
            var schema = UnExecutableSchemaGenerator.makeUnExecutableSchema(registry);
            assertTrue(schema.getQueryType().getFieldDefinitions().size() > 0, "seed " + seed);
        }
        var made = made("graphql");
        var schema = UnExecutableSchemaGenerator.makeUnExecutableSchema(
                new SchemaParser().parse(made.get("common.graphql") + made.get("schema.graphql")));
        assertEquals(
                GraphQLTypeUtil.simplePrint(schema.getObjectType("Tree")
                        .getFieldDefinition("parents")
                        .getType()),
                "[Tree!]");
        var query = """
                { treeList(filter: {height: {at_least: "4.5"}, _not: {mood: {is: ["ill"]}}}, first: 10) {
                    edges { node { title height prunings { day cuts { thick } } parents { title } } }
                    pageInfo { endCursor } } }
                """;
        assertEquals(
                new Validator().validateDocument(schema, new Parser().parseDocument(query), Locale.ENGLISH), List.of());
    }

    private static Map<String, String> byAddress(Map<String, String> schemas) {
        var all = new HashMap<String, String>();
        schemas.forEach((name, text) -> all.put("https://example.org/" + name, text));
        return all;
    }

    @Test
    public void unknownTargetsAndVersionsAreRefused() {
        var path = "/api/workspaces/orchard/generate/";
        var answer = server.anna.send("GET", path + "cobol", null);
        assertEquals(answer.statusCode(), 404);
        assertTrue(answer.body().contains("Possible are: json-schema"), answer.body());
        assertEquals(
                server.anna.send("GET", path + "typescript?version=9.9.9", null).statusCode(), 404);
        var made = server.anna.send("GET", path + "typescript?from=1.0.0", null);
        assertEquals(made.statusCode(), 422);
        assertTrue(made.body().contains("Leave out"), made.body());
        var zip = server.anna.send("GET", path + "typescript/zip", null);
        assertEquals(
                zip.headers().firstValue("Content-Disposition").orElseThrow(),
                "attachment; filename=\"orchard-draft-typescript.zip\"");
    }

    @Test
    public void aDatabaseIsBroughtOnFromOneReleaseToTheDraft() {
        server.draft(Map.of("key: texture", "key: surface"));
        var made = server.anna.ok("GET", "/api/workspaces/orchard/generate/sql-mariadb?from=1.0.0", null);
        assertEquals(made.at("/files/1/path").asString(), "migrate.sql");
        var script = made.at("/files/1/text").asString();
        assertTrue(script.contains("RENAME COLUMN `bark_texture` TO `bark_surface`"), script);
        assertEquals(
                server.anna
                        .send("GET", "/api/workspaces/orchard/generate/sql-mariadb?from=9.9.9", null)
                        .statusCode(),
                404);
    }
}
