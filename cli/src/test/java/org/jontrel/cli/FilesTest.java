package org.jontrel.cli;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** Nothing is written where it should not be, nothing is deleted unasked, and a folder is somebody's work. */
public class FilesTest {
    private static final String TYPE = """
            key: mooring
            singular: Mooring
            plural: Moorings
            path: moorings
            groups:
              - title: Berth
                fields:
                  - {key: length_m, label: Length, kind: number, decimals: 1, unit: m}
                  - {key: name, label: Name, kind: text}
            """;
    private Path root;
    private Path folder;

    @BeforeMethod
    public void write() throws IOException {
        root = Files.createTempDirectory("files");
        folder = made("package", Map.of("types/mooring.yaml", TYPE));
    }

    private Path made(String name, Map<String, String> files) throws IOException {
        var made = root.resolve(name);
        put(made, "package.yaml", "format: 2\nname: tessel\nversion: \"1.0.0\"\n");
        for (var file : files.entrySet()) {
            put(made, file.getKey(), file.getValue());
        }
        return made;
    }

    private static void put(Path folder, String name, String text) throws IOException {
        Files.createDirectories(folder.resolve(name).getParent());
        Files.writeString(folder.resolve(name), text);
    }

    private static TreeMap<String, String> texts(Path folder) throws IOException {
        var texts = new TreeMap<String, String>();
        try (var walk = Files.walk(folder)) {
            for (var file : walk.filter(Files::isRegularFile).toList()) {
                texts.put(folder.relativize(file).toString(), Files.readString(file));
            }
        }
        return texts;
    }

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

    @Test
    public void aMergedFolderIsTheWholeMergedPackage() throws IOException {
        var theirs =
                made("theirs", Map.of("types/berth.yaml", TYPE.replace("key: mooring", "key: berth\nwas: mooring")));
        var ours = made("ours", Map.of("types/mooring.yaml", "# ours\n" + TYPE.replace("unit: m", "unit: metres")));
        put(ours, "notes.txt", "mine");
        var ran = CommandResult.run("merge", folder, ours, theirs, "-o", ours);
        assertEquals(ran.code(), 0, ran.out() + ran.err());
        var merged = texts(ours);
        assertEquals(merged.keySet().toString(), "[notes.txt, package.yaml, types/mooring.yaml]");
        assertTrue(merged.get("types/mooring.yaml").startsWith("# ours\nkey: berth\n"), merged.toString());
        assertTrue(merged.get("types/mooring.yaml").contains("unit: metres"));
        var gone = made(
                "gone", Map.of("types/weir.yaml", TYPE.replace("ooring", "eir").replace("key: m", "key: w")));
        var both = made("both", Map.of("types/mooring.yaml", TYPE));
        put(both, "types/weir.yaml", Files.readString(gone.resolve("types/weir.yaml")));
        var removed = CommandResult.run("merge", both, both, gone, "-o", both);
        assertEquals(removed.code(), 0, removed.out() + removed.err());
        assertTrue(removed.err().contains("Removed types/mooring.yaml"), removed.err());
        assertEquals(texts(both), texts(gone));
    }

    @Test
    public void anotherFolderIsReplacedOnlyWhenAsked() throws IOException {
        var out = made("out", Map.of("types/weir.yaml", TYPE.replace("mooring", "weir")));
        var ran = CommandResult.run("merge", folder, folder, folder, "-o", out);
        assertEquals(ran.code(), 2);
        assertTrue(ran.err().contains("types/weir.yaml") && ran.err().contains("--replace"), ran.err());
        assertEquals(
                CommandResult.run("merge", folder, folder, folder, "-o", out, "--replace")
                        .code(),
                0);
        assertEquals(texts(out), texts(folder));
    }

    @Test
    public void mergingWithAnUnchangedSideIsTheOtherToTheByte() throws IOException {
        var odd = "# odd\nplural:   Moorings\nkey: 'mooring'\nsingular: \"Mooring\"\n\npath: moorings # here\r\n";
        var theirs = made("theirs", Map.of("types/mooring.yaml", odd));
        for (var sides : new Path[][] {{folder, theirs}, {theirs, folder}, {theirs, theirs}}) {
            var out = root.resolve("out" + sides[0].getFileName() + sides[1].getFileName());
            assertEquals(
                    CommandResult.run("merge", folder, sides[0], sides[1], "-o", out)
                            .code(),
                    0);
            assertEquals(texts(out), texts(theirs));
        }
        var more = made("more", Map.of("types/mooring.yaml", TYPE, "lists/a.yaml", "title:  A\nkey: a\n"));
        var out = root.resolve("out");
        assertEquals(CommandResult.run("merge", folder, more, theirs, "-o", out).code(), 0);
        assertEquals(texts(out).get("lists/a.yaml"), "title:  A\nkey: a\n");
        assertEquals(texts(out).get("types/mooring.yaml"), odd);
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

    @DataProvider
    public Object[][] zips() {
        return new Object[][] {
            {new String[] {".DS_Store", "README", "LICENSE", "a b.txt", "__MACOSX/._x.yaml", ".git/x.yaml"}, ""},
            {new String[] {"../x.txt"}, "ARCHIVE_NAME_UNSAFE"},
            {new String[] {"types/../../x.yaml"}, "ARCHIVE_NAME_UNSAFE"},
        };
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

    private CommandResult driver(String base, String ours, String theirs, String path) throws IOException {
        put(root, "O", base);
        put(root, "A", ours);
        put(root, "B", theirs);
        return CommandResult.run(
                "merge",
                root.resolve("O"),
                root.resolve("A"),
                root.resolve("B"),
                "-o",
                root.resolve("A"),
                "--path",
                path);
    }

    private String merged() throws IOException {
        return Files.readString(root.resolve("A"));
    }

    @Test
    public void asVersionControlsDriverAClashKeepsBothBetweenMarkers() throws IOException {
        var ran = driver(
                TYPE,
                TYPE.replace("label: Length", "label: Long").replace("title: Berth", "title: Place"),
                TYPE.replace("label: Length", "label: Size"),
                "model/types/mooring.yaml");
        assertEquals(ran.code(), 1);
        assertTrue(
                merged().contains("<<<<<<< ours\n      - {key: length_m, label: Long,")
                        && merged().contains("=======\n      - {key: length_m, label: Size,")
                        && merged().contains(">>>>>>> theirs\n"),
                merged());
        assertTrue(merged().contains("title: Place"), "what does not clash is merged");
        put(folder, "types/mooring.yaml", merged());
        assertTrue(
                CommandResult.run("check", folder).out().contains("MERGE_MARKERS"),
                CommandResult.run("check", folder).out());
    }

    @Test
    public void aFileThatBothMadeMergesWhereTheyAgree() throws IOException {
        assertEquals(driver("", TYPE, TYPE + "# same\n", "types/mooring.yaml").code(), 0);
        assertTrue(merged().endsWith("# same\n"), merged());
        var more = TYPE + "      - {key: depth, label: Depth, kind: number}\n";
        assertEquals(driver("", TYPE, more, "types/mooring.yaml").code(), 0);
        assertEquals(merged(), more);
        var ran = driver("", TYPE, TYPE.replace("kind: text", "kind: long_text"), "types/mooring.yaml");
        assertEquals(ran.code(), 1);
        assertTrue(ran.out().contains("field Name: kind"), ran.out());
        assertFalse(ran.out().contains("f" + "0000"), ran.out());
    }

    @Test
    public void theSortIsToldByThePath() throws IOException {
        var values = "key: opening\ntitle: Opening\n";
        assertEquals(
                driver(values, values + "description: Here\n", values.replace("Opening", "Open"), "values/opening.yaml")
                        .code(),
                0);
        assertEquals(merged(), "key: opening\ntitle: Open\ndescription: Here\n");
        var manifest = "name: tessel\nversion: \"1.0.0\"\nchecksum: aaa\n";
        var ran = driver(
                manifest,
                manifest.replace("aaa", "bbb").replace("1.0.0", "1.1.0"),
                manifest.replace("aaa", "ccc") + "title: Tessel\n",
                "package.yaml");
        assertEquals(ran.code(), 0, ran.out());
        assertEquals(merged(), "format: 2\nname: tessel\nversion: \"1.1.0\"\ntitle: Tessel\n");
        assertEquals(driver(manifest, manifest, manifest, "README.md").code(), 2);
    }

    @Test
    public void whatCannotBeReadIsKeptBetweenMarkersToo() throws IOException {
        assertEquals(driver(TYPE, TYPE, "key: [\n", "types/mooring.yaml").code(), 1);
        assertTrue(merged().contains("key: [\n>>>>>>> theirs"), merged());
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
