package org.jontrel.cli;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.Test;

/** The published reference is true of the reader, and leads somewhere. */
public class PublishedReferenceTest extends ExampleCommands {
    @Test
    public void thePublishedReferenceIsWhatTheReaderReads() throws IOException {
        var out = Files.createTempDirectory("reference");
        assertEquals(CommandResult.run("schema", "-o", out, "--pages", EXAMPLE).code(), 0);
        var made = texts(out);
        var published = texts(DOCS);
        published.keySet().removeIf(name -> name.startsWith("example/") || name.equals("README.md"));
        var how = "Run ./jontrel schema -o docs/format --pages docs/format/example";
        assertEquals(published.keySet(), made.keySet(), how);
        made.forEach((name, text) -> assertEquals(published.get(name), text, name + ". " + how));
    }

    @Test
    public void linksOfTheReferenceLeadSomewhere() throws IOException {
        var link = java.util.regex.Pattern.compile("]\\(([^)#:]*)(#[^)]*)?\\)");
        for (var page : texts(DOCS).entrySet()) {
            var matcher = link.matcher(page.getValue());
            while (page.getKey().endsWith(".md") && matcher.find()) {
                var target = matcher.group(1).isEmpty() ? page.getKey() : matcher.group(1);
                assertTrue(Files.exists(DOCS.resolve(target)), page.getKey() + " leads to " + target);
                if (matcher.group(2) != null) {
                    var heading = "## " + matcher.group(2).substring(1);
                    assertTrue(
                            Files.readString(DOCS.resolve(target)).contains(heading), page.getKey() + ": " + heading);
                }
            }
        }
    }

    @Test(dataProvider = "packages")
    public void everyFileOfTheExamplesFitsItsSchemaAndNoOther(Path folder) throws IOException {
        var registry = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12);
        for (var file : texts(folder).entrySet()) {
            var sort = file.getKey().contains("/")
                    ? file.getKey().substring(0, file.getKey().indexOf('/'))
                    : "package";
            var name =
                    sort.equals("taxonomies") ? "taxonomy" : sort.equals("values") ? sort : sort.replaceAll("s$", "");
            var schema = registry.getSchema(Files.readString(DOCS.resolve("schema/" + name + ".schema.json")));
            assertEquals(schema.validate(file.getValue(), InputFormat.YAML).toString(), "[]", file.getKey());
            assertFalse(
                    schema.validate(file.getValue() + "colour: red\n", InputFormat.YAML)
                            .isEmpty(),
                    file.getKey());
        }
    }
}
