package org.jontrel.cli;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** The commands over whole packages of the whole language, and the documents they make. */
public class LanguageCommandsTest extends ExampleCommands {
    @Test
    public void aZipAndStandardInputAreReadAsFoldersAre() throws IOException {
        var zip = copy.resolveSibling(copy.getFileName() + ".zip");
        assertEquals(CommandResult.run("merge", copy, copy, copy, "-o", zip).code(), 0);
        assertEquals(CommandResult.run("check", zip).code(), 0);
        var piped = CommandResult.given(Files.readAllBytes(zip), "check", "-", "--json");
        assertEquals(piped.code(), 0, piped.out());
        var type = Files.readAllBytes(copy.resolve("types/vault.yaml"));
        assertEquals(CommandResult.given(type, "format", "-").out(), new String(type));
        assertEquals(CommandResult.given("key: x\n".getBytes(), "check", "-").code(), 1);
        assertEquals(
                CommandResult.given(new byte[] {'P', 'K', 3, 4}, "check", "-").code(), 1);
        assertEquals(CommandResult.run("compare", zip, copy).code(), 0);
    }

    @Test
    public void fixesAreMadeInPlaceAndSaid() throws IOException {
        edit("types/vault.yaml", "path: vaults", "path: The Vaults");
        var found = CommandResult.run("check", copy);
        assertEquals(found.code(), 1);
        assertTrue(
                found.out().contains("types/vault.yaml:5:1: blocker:")
                        && found.out().contains("Fix: set path to"),
                found.out());
        var fixed = CommandResult.run("check", copy, "--fix");
        assertEquals(fixed.code(), 0, fixed.out());
        assertTrue(fixed.err().contains("Mended: "), fixed.err());
        assertTrue(Files.readString(copy.resolve("types/vault.yaml")).contains("path: the-vaults"));
        assertEquals(CommandResult.run("check", copy).code(), 0);
        assertEquals(CommandResult.run("compare", SEED_BANK, copy).out().lines().count(), 2);
    }

    @Test
    public void findingsForMachinesHavePlaceAndFix() throws IOException {
        edit("types/vault.yaml", "kind: number, required: true", "kind: number, required: true, default: hot");
        var tree = JsonMapper.shared()
                .readTree(CommandResult.run("check", copy, "--json").out())
                .at("/findings/0");
        assertEquals(tree.get("code").asString(), "DEFAULT_INVALID");
        assertEquals(tree.get("severity").asString(), "blocker");
        assertEquals(tree.get("file").asString(), "types/vault.yaml");
        assertTrue(tree.get("line").asInt() > 0 && tree.get("column").asInt() > 0);
        for (var name : new String[] {"definition", "element", "property", "sentence"}) {
            assertFalse(tree.get(name).asString().isEmpty(), name);
        }
    }

    @Test
    public void comparisonIsTextMarkdownOrJsonAndAsksAboutRenames() throws IOException {
        edit("types/trip.yaml", "{key: log, label: Log,", "{key: logbook, label: Log book,");
        edit("types/vault.yaml", "max: 25", "max: 10");
        var text = CommandResult.run("compare", SEED_BANK, copy).out();
        assertTrue(text.indexOf("Vault") > 0 && text.contains("major: Vault: field Temperature: max changed"), text);
        assertTrue(text.contains("? Is the field Log book in Collecting trip the earlier Log?"), text);
        var markdown =
                CommandResult.run("compare", SEED_BANK, copy, "--markdown").out();
        assertTrue(
                markdown.startsWith("**Advised: a major release.**") && markdown.contains("\n> Is the field"),
                markdown);
        var json = JsonMapper.shared()
                .readTree(
                        CommandResult.run("compare", SEED_BANK, copy, "--json").out());
        assertEquals(json.get("advice").asString(), "major");
        assertEquals(json.at("/questions/0/was").asString(), "log");
        assertEquals(json.get("changes").size(), 3);
        edit("types/trip.yaml", "{key: logbook,", "{key: logbook, was: log,");
        var renamed = CommandResult.run("compare", SEED_BANK, copy).out();
        assertTrue(renamed.contains("renamed from log to logbook") && !renamed.contains("?"), renamed);
    }

    @Test
    public void describedModelsAreHtmlMarkdownAndAPicture() throws IOException {
        var html = copy.resolve("out/dictionary.html");
        assertEquals(CommandResult.run("describe", SEED_BANK, "-o", html).code(), 0);
        assertTrue(Files.readString(html).contains("Germination tests"));
        assertEquals(
                CommandResult.run("describe", SEED_BANK, "-o", copy.resolve("out/d.md"))
                        .code(),
                0);
        assertTrue(Files.readString(copy.resolve("out/d.md")).contains("](d.svg)"));
        assertTrue(Files.readString(copy.resolve("out/d.svg")).startsWith("<svg"));
        var wrong = CommandResult.run("describe", SEED_BANK, "-o", copy.resolve("out/d.docx"));
        assertEquals(wrong.code(), 2);
        assertTrue(wrong.err().contains(".html"), wrong.err());
        Files.writeString(copy.resolve("types/vault.yaml"), "key: [");
        assertEquals(CommandResult.run("describe", copy, "-o", html).code(), 1);
    }

    @Test
    public void mergedDefinitionsStayInVersionControlsFile() throws IOException {
        var base = Files.readString(SEED_BANK.resolve("types/vault.yaml"));
        Files.writeString(
                copy.resolve("ours"),
                base.replace("{key: humid, label: Humidity", "{key: damp, was: humid, label: Damp"));
        Files.writeString(copy.resolve("theirs"), base.replace("max: 100", "max: 99"));
        Files.writeString(copy.resolve("base"), base);
        var ran = CommandResult.run(
                "merge",
                copy.resolve("base"),
                copy.resolve("ours"),
                copy.resolve("theirs"),
                "-o",
                copy.resolve("ours"));
        assertEquals(ran.code(), 0, ran.out() + ran.err());
        var expected = base.replace("{key: humid, label: Humidity", "{key: damp, label: Damp")
                .replace("max: 100, unit: '%'}", "max: 99, unit: '%', was: humid}");
        assertEquals(Files.readString(copy.resolve("ours")), expected);
    }

    @Test
    public void wrongUseIsTwoWithASentence() {
        assertEquals(CommandResult.run("merge", "a", "b").code(), 2);
        assertEquals(CommandResult.run("describe", SEED_BANK).code(), 2);
        assertEquals(CommandResult.run("check", "/nowhere").code(), 2);
        assertEquals(CommandResult.run("compare", SEED_BANK, "/nowhere").code(), 2);
    }
}
