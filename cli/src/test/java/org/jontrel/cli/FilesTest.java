package org.jontrel.cli;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** Nothing is written where it should not be, nothing is deleted unasked, and a folder is somebody's work. */
public class FilesTest extends PackageFolders {
    @Test
    public void noPathIsMadeOfAKeyThatIsNone() throws IOException {
        put(
                folder,
                "types/a.yaml",
                TYPE.replace("key: mooring", "key: ../../OUT/pwned").replace("path: m", "path: n"));
        var before = texts(root);
        CommandResult.run("format", folder);
        assertEquals(texts(root).keySet(), before.keySet());
        assertEquals(CommandResult.run("format", folder, "--rename").code(), 1);
        var other = made("other", Map.of("types/mooring.yaml", TYPE.replace("Berth", "Place")));
        for (var out : new Path[] {root.resolve("out"), root.resolve("x.zip")}) {
            var ran = CommandResult.run("merge", folder, folder, folder, "-o", out);
            var merged = CommandResult.run("merge", other, folder, other, "-o", out, "--replace");
            assertTrue(ran.code() == 0 || ran.err().contains("KEY_INVALID"), ran.err());
            assertEquals(merged.code(), merged.out().isEmpty() && merged.err().contains("KEY_INVALID") ? 1 : 0);
        }
        assertTrue(Files.notExists(root.resolve("OUT")));
        try (var walk = Files.walk(root)) {
            assertTrue(walk.noneMatch(file -> file.toString().contains("pwned")));
        }
    }

    @Test
    public void whatIsNoDefinitionIsLeftAlone() throws IOException {
        var beside = Map.of(
                "types/README", "why",
                "types/notes.md", "notes",
                "types/sub/deep.txt", "x",
                "README.md", "# Tessel",
                "LICENSE", "CC0",
                ".gitattributes", "* text",
                ".DS_Store", "\u0000",
                ".github/workflows/ci.yml", "on: push");
        for (var file : beside.entrySet()) {
            put(folder, file.getKey(), file.getValue());
        }
        assertEquals(
                CommandResult.run("check", folder).code(),
                0,
                CommandResult.run("check", folder).out());
        put(folder, "types/mooring.yaml", TYPE.replace("path: moorings", "path: The Moorings"));
        assertEquals(CommandResult.run("check", folder, "--fix").code(), 0);
        assertEquals(CommandResult.run("format", folder, "--rename").code(), 0);
        assertEquals(
                CommandResult.run("merge", folder, folder, folder, "-o", folder).code(), 0);
        var after = texts(folder);
        beside.forEach((name, text) -> assertEquals(after.get(name), text, name));
    }

    @Test
    public void ofTwoFilesWithOneKeyNoneIsDropped() throws IOException {
        put(folder, "types/copy.yaml", TYPE.replace("Mooring\n", "Berth\n"));
        assertEquals(CommandResult.run("format", folder, "--check").code(), 0);
        assertEquals(CommandResult.run("format", folder).code(), 0);
        assertTrue(texts(folder).get("types/copy.yaml").contains("singular: Berth"));
        var ran = CommandResult.run("format", folder, "--rename");
        assertEquals(ran.code(), 1);
        assertTrue(ran.err().contains("KEY_TWICE"), ran.err());
        assertEquals(texts(folder).size(), 3);
        put(folder, "migrations/1.0.0.yaml", "version: 1.0.0\n");
        put(folder, "migrations/first.yaml", "version: 1.0.0\n");
        assertTrue(CommandResult.run("format", folder).err().contains("MIGRATION_TWICE"));
        assertEquals(texts(folder).size(), 5);
    }

    @Test
    public void renamingIsSaidAndAskedFor() throws IOException {
        put(
                folder,
                "types/odd.json",
                "{\"key\": \"weir\", \"singular\": \"Weir\", \"plural\": \"Weirs\", \"path\": \"weirs\"}");
        assertEquals(CommandResult.run("format", folder).code(), 0);
        assertTrue(texts(folder).get("types/odd.json").startsWith("{\n  \"key\": \"weir\","));
        assertEquals(CommandResult.run("format", folder, "--check").code(), 0);
        var said = CommandResult.run("format", folder, "--rename", "--check");
        assertEquals(said.code(), 1);
        assertTrue(said.out().contains("types/weir.yaml") && said.out().contains("types/odd.json removed"), said.out());
        assertTrue(Files.exists(folder.resolve("types/odd.json")));
        assertEquals(CommandResult.run("format", folder, "--rename").code(), 0);
        assertTrue(Files.notExists(folder.resolve("types/odd.json")));
        assertEquals(CommandResult.run("format", folder, "--rename", "--check").code(), 0);
        assertEquals(CommandResult.run("check", folder).code(), 0);
    }

    /** A process can be killed between any two of its steps: what it leaves, the next command takes back. */
    @Test
    public void aKilledWriteLeavesTheOldState() throws Exception {
        var before = texts(folder);
        var classes = System.getProperty("java.class.path");
        var java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        for (int step = 0; step < 5; step++) {
            var process = new ProcessBuilder(
                            java, "-cp", classes, KilledWriter.class.getName(), folder.toString(), String.valueOf(step))
                    .inheritIO()
                    .start();
            assertEquals(process.waitFor(), 137, "killed at step " + step);
            assertEquals(CommandResult.run("check", folder).code(), 0, "step " + step);
            assertEquals(texts(folder), before, "step " + step);
        }
    }

    @Test(dataProvider = "zips")
    public void zipsMayHaveWhatPeoplePutBeside(String[] names, String code) throws IOException {
        var bytes = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(bytes)) {
            for (var file : texts(folder).entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue().getBytes());
            }
            for (var name : names) {
                zip.putNextEntry(new ZipEntry(name));
                zip.write('x');
            }
        }
        var ran = CommandResult.given(bytes.toByteArray(), "check", "-");
        assertEquals(ran.code(), code.isEmpty() ? 0 : 1, ran.out());
        assertTrue(ran.out().contains(code), ran.out());
    }

    @Test
    public void aFolderFullOfHiddenFilesIsStillAPackage() throws IOException {
        var hidden = Files.createDirectories(folder.resolve(".objects"));
        var pictures = Files.createDirectories(folder.resolve("pictures"));
        for (int i = 0; i < 5_001; i++) {
            Files.createFile(hidden.resolve(i + ".yaml"));
            Files.createFile(pictures.resolve(i + ".jpg"));
        }
        assertEquals(CommandResult.run("check", folder).out(), "");
    }

    @Test
    public void unreadablePackagesAreNeitherSameNorDifferent() throws IOException {
        var broken = made("broken", Map.of("types/mooring.yaml", "key: ["));
        var ran = CommandResult.run("compare", folder, broken, "--json");
        assertEquals(ran.code(), 2);
        var findings = JsonMapper.shared().readTree(ran.out()).at("/findings/after/0");
        assertEquals(findings.get("code").asString(), "NOT_CLOSED");
        assertEquals(
                CommandResult.run("merge", folder, folder, broken, "-o", root.resolve("x"))
                        .code(),
                2);
    }

    @Test
    public void anEarlierKeyThatNothingHadIsTold() throws IOException {
        var other =
                made("other", Map.of("types/mooring.yaml", TYPE.replace("{key: name,", "{key: title_of, was: nam,")));
        var ran = CommandResult.run("compare", folder, other);
        assertTrue(ran.err().contains("types/mooring.yaml:9:") && ran.err().contains("[WAS_UNKNOWN]"), ran.err());
        put(other, "types/mooring.yaml", TYPE.replace("{key: name,", "{key: title_of, was: name,"));
        assertFalse(CommandResult.run("compare", folder, other).err().contains("WAS_UNKNOWN"));
        assertFalse(CommandResult.run("compare", other, other).err().contains("WAS_UNKNOWN"), "it may stay for good");
    }

    @Test
    public void idsAreAddedWithoutMakingAllNew() throws IOException {
        var withIds = made("ids", Map.of("types/mooring.yaml", TYPE));
        assertEquals(CommandResult.run("format", withIds, "--ids").code(), 0);
        assertTrue(texts(withIds).get("types/mooring.yaml").contains("id: t"));
        assertEquals(
                CommandResult.run("compare", folder, withIds).code(),
                0,
                CommandResult.run("compare", folder, withIds).out());
        assertEquals(CommandResult.run("compare", withIds, folder).code(), 0);
        var edited = made("edited", Map.of("types/mooring.yaml", TYPE.replace("unit: m", "unit: metres")));
        var out = root.resolve("out");
        for (var sides : new Path[][] {{withIds, edited}, {edited, withIds}}) {
            var ran = CommandResult.run("merge", folder, sides[0], sides[1], "-o", out, "--replace");
            assertEquals(ran.code(), 0, ran.out());
            assertEquals(
                    texts(out).get("types/mooring.yaml"),
                    texts(withIds).get("types/mooring.yaml").replace("unit: m", "unit: metres"));
        }
        var again = made("again", Map.of("types/mooring.yaml", TYPE));
        assertEquals(CommandResult.run("format", again, "--ids").code(), 0);
        var clash = CommandResult.run("merge", folder, withIds, again, "-o", out, "--replace");
        assertEquals(clash.code(), 1);
        assertTrue(clash.out().contains("different ones") && clash.out().contains("Length"), clash.out());
        assertEquals(clash.out().lines().count(), 1);
    }
}
