package org.jontrel.e2e.command;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.apache.commons.io.FileUtils;
import org.jontrel.demo.Client;
import org.jontrel.e2e.Installation;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Definitions in a folder, carried to a draft, a release and a site and back by commands, beside people at the desk. */
public class CommandsTest {
    private static final String MOORING = """
            # what the harbour master asked for
            key: mooring
            singular: Mooring
            plural: Moorings
            path: moorings

            groups:
              - title: Place
                fields:
                  - {key: length, label: Length, kind: number, unit: m}  # between the rings

                  - {key: note, label: Note, kind: text}
            """;

    private Installation installation;
    private Client anna;
    private Path root;
    private int workspaces;

    @BeforeClass
    public void start() throws IOException {
        installation = new Installation();
        anna = installation.firstArchitect("anna", "anna-password");
        root = Files.createTempDirectory("commands");
    }

    @AfterClass(alwaysRun = true)
    public void stop() throws IOException {
        installation.close();
        FileUtils.deleteDirectory(root.toFile());
    }

    /** A workspace of its own, and somebody who may do everything in it. */
    private final class Harbour {
        final String workspace = "harbour-" + ++workspaces;
        final String path = "/api/workspaces/" + workspace;
        final Terminal terminal;

        Harbour() throws IOException {
            anna.post("/api/workspaces", Map.of("title", "Harbour " + workspaces));
            terminal = Terminal.of(
                    anna, installation.address(), workspace, "desk", List.of("draft", "release", "plan", "run"));
        }

        Path folder(String name) throws IOException {
            return Files.createDirectories(root.resolve(workspace).resolve(name));
        }

        /** A folder whose only type is written by hand, in the draft too. */
        Path pushed() throws IOException {
            var folder = folder("mine");
            write(folder, "package.yaml", "name: harbour\nversion: \"1.0.0\"\n");
            write(folder, "types/mooring.yaml", MOORING);
            terminal.run("push", folder).ended(0);
            return folder;
        }

        String siteOf(String name) {
            return anna.post(path + "/sites", Map.of("name", name)).get("path").asString();
        }

        void relabel(String from, String to) {
            Terminal.relabel(anna, workspace, from, to);
        }

        String drafted() {
            return anna.get(path + "/draft").toString();
        }
    }

    private static void write(Path folder, String name, String text) throws IOException {
        var file = folder.resolve(name);
        Files.createDirectories(file.getParent());
        Files.writeString(file, text);
    }

    private static void edit(Path folder, String from, String to) throws IOException {
        var file = folder.resolve("types/mooring.yaml");
        var before = Files.readString(file);
        assertTrue(before.contains(from), before);
        Files.writeString(file, before.replace(from, to));
    }

    private static String type(Path folder) throws IOException {
        return Files.readString(folder.resolve("types/mooring.yaml"));
    }

    @Test
    public void whatIsWrittenByHandGoesIntoTheDraftAndSurvivesWhatComesBack() throws IOException {
        var place = new Harbour();
        var folder = place.pushed();
        assertEquals(type(folder), MOORING);
        assertTrue(place.drafted().contains("\"Length\""));
        place.relabel("Note", "Remarks");
        edit(folder, "label: Length", "label: Length overall");
        var pushed = place.terminal.run("push", folder).ended(0);
        assertTrue(pushed.out().contains("Length overall"), pushed.out());
        assertTrue(pushed.err().contains("Remarks"), "what others did is told: " + pushed.err());
        assertTrue(place.drafted().contains("Length overall") && place.drafted().contains("Remarks"));
        var pulled = place.terminal.run("pull", folder).ended(0);
        assertTrue(pulled.out().contains("Remarks"), pulled.out());
        var now = type(folder);
        assertTrue(now.startsWith("# what the harbour master asked for\n") && now.contains("# between the rings"), now);
        assertTrue(now.contains("Remarks") && now.contains("Length overall"), now);
        assertTrue(place.terminal.run("pull", folder).ended(0).err().contains("Nothing new"));
        assertTrue(place.terminal.run("status", folder).ended(0).out().contains("are the same"));
        assertEquals(type(folder), now, "nothing new, nothing written");
        assertTrue(Terminal.plain("check", folder).ended(0).out().isEmpty());
    }

    @Test
    public void anotherFolderGetsCommentsTooAndAGoneFieldGoesEverywhere() throws IOException {
        var place = new Harbour();
        var folder = place.pushed();
        var other = place.folder("other");
        place.terminal.run("pull", other).ended(0);
        assertTrue(type(other).contains("# between the rings"), type(other));
        edit(other, "# what the harbour master asked for\n", "");
        var lines = type(other).lines().filter(line -> !line.contains("Note")).toList();
        write(other, "types/mooring.yaml", String.join("\n", lines) + "\n");
        place.terminal.run("push", other).ended(0);
        assertFalse(place.drafted().contains("\"Note\""));
        place.terminal.run("pull", folder).ended(0);
        assertFalse(type(folder).contains("Note") || type(folder).contains("harbour master"), type(folder));
        place.terminal.run("push", folder).ended(0);
        assertFalse(place.drafted().contains("\"Note\""));
        anna.post(place.path + "/draft/undo", Map.of());
        assertTrue(place.drafted().contains("\"Note\""), "a push is one edit");
        place.terminal.run("pull", folder).ended(0);
        assertTrue(type(folder).contains("Note"), type(folder));
    }

    @Test
    public void whereBothChangedTheSameNothingIsWritten() throws IOException {
        var place = new Harbour();
        var folder = place.pushed();
        place.relabel("Length", "Span");
        edit(folder, "label: Length", "label: Reach");
        var before = type(folder);
        for (var command : List.of("push", "pull", "status")) {
            var ran = place.terminal.run(command, folder).ended(1);
            assertTrue(ran.out().contains("Span") && ran.out().contains("Reach"), ran.out());
            assertEquals(type(folder), before);
            assertFalse(place.drafted().contains("Reach"));
        }
        edit(folder, "label: Reach", "label: Span");
        place.terminal.run("push", folder).ended(0);
        place.terminal.run("status", folder).ended(0);
    }

    /** What a workspace has released is a package, and the server a shelf. */
    @Test
    public void aReleaseIsTakenIntoAnotherFolderAndAddedTo() throws IOException {
        var place = new Harbour();
        place.terminal.run("release", place.pushed(), "--notes", "First").ended(0);
        var folder = place.folder("other");
        write(folder, "package.yaml", "name: marina\nversion: \"1.0.0\"\n");
        var options = new Object[] {"--shelf", installation.address(), "--token-file", place.terminal.token()};
        var taken = Terminal.plain(arguments(options, "require", folder, place.workspace))
                .ended(0);
        assertTrue(taken.out().startsWith(place.workspace + " 1.0.0\n"), taken.out());
        assertTrue(type(folder).contains("# between the rings"), type(folder));
        write(
                folder,
                "types/mooring.yaml",
                type(folder) + "  - title: Ours\n    fields:\n      - {key: berth, label: Berth, kind: text}\n");
        Terminal.plain("check", folder).ended(0);
        place.relabel("Note", "Remarks");
        anna.post(place.path + "/releases", Map.of("version", "1.0.1", "notes", ""));
        var updated = Terminal.plain(arguments(options, "update", folder)).ended(0);
        assertTrue(updated.out().startsWith(place.workspace + " 1.0.1\n"), updated.out());
        assertTrue(type(folder).contains("Remarks") && type(folder).contains("Berth"), type(folder));
        Terminal.plain("check", folder).ended(0);
        var other = new Harbour();
        Terminal.plain(
                        "require",
                        folder,
                        place.workspace,
                        "--shelf",
                        installation.address(),
                        "--token-file",
                        other.terminal.token())
                .ended(0);
        var unknown = Terminal.plain(
                        "require",
                        folder,
                        "nothing",
                        "--shelf",
                        installation.address(),
                        "--token-file",
                        other.terminal.token())
                .ended(2);
        assertTrue(unknown.err().contains("There is no package nothing"), unknown.err());
    }

    private static Object[] arguments(Object[] options, Object... first) {
        return Stream.concat(Stream.of(first), Stream.of(options)).toArray();
    }

    @Test
    public void aFreshCloneComesFromTheReleaseThatItNames() throws IOException {
        var place = new Harbour();
        var folder = place.pushed();
        place.terminal.run("release", folder, "--notes", "First").ended(0);
        place.relabel("Note", "Remarks");
        var clone = place.folder("clone");
        write(clone, "package.yaml", Files.readString(folder.resolve("package.yaml")));
        write(clone, "types/mooring.yaml", type(folder).replace("label: Length", "label: Length overall"));
        var pushed = place.terminal.run("push", clone).ended(0);
        assertTrue(pushed.err().contains("release 1.0.0"), pushed.err());
        assertTrue(place.drafted().contains("Length overall") && place.drafted().contains("Remarks"));
        assertEquals(Files.readString(clone.resolve(".jontrel/.gitignore")), "*\n");
    }

    @Test
    public void onlyWhatAFolderHasIsReleased() throws IOException {
        var place = new Harbour();
        var folder = place.pushed();
        place.relabel("Note", "Remarks");
        var refused = place.terminal.run("release", folder).ended(1);
        assertTrue(refused.out().contains("Remarks") && refused.err().contains("Push and pull first"), refused.err());
        place.terminal.run("pull", folder).ended(0);
        assertTrue(place.terminal.run("release", folder).ended(0).out().contains("Released 1.0.0"));
        var again = place.terminal.run("release", folder, "1.1.0").ended(1);
        assertTrue(again.err().contains("Nothing has changed since 1.0.0"), again.err());
        edit(folder, "label: Length", "label: Length overall");
        place.terminal.run("push", folder).ended(0);
        assertTrue(place.terminal.run("release", folder).ended(1).err().contains("above 1.0.0"));
        assertTrue(place.terminal.run("release", folder, "next").ended(0).out().contains("Released 1.0.1"));
    }

    @Test
    public void aPlanAsksAndTheFolderAnswers() throws IOException {
        var place = new Harbour();
        var folder = place.pushed();
        place.terminal.run("release", folder).ended(0);
        var site = place.siteOf("Trial" + workspaces);
        assertTrue(place.terminal.run("run", site).ended(0).out().contains("Done: 1.0.0"));
        anna.post(
                "/api/sites/" + site + "/types/mooring/records",
                Map.of("version", 0, "state", "published", "values", Map.of("title", "Ring 7")));
        place.terminal.run("pull", folder).ended(0);
        edit(folder, "key: note, label: Note, kind: text", "key: note, label: Note, kind: text, required: true");
        write(
                folder,
                "package.yaml",
                Files.readString(folder.resolve("package.yaml")).replace("1.0.0", "1.1.0"));
        var asked = place.terminal.run("plan", site, folder).ended(3);
        assertTrue(asked.out().contains("1 question is open."), asked.out());
        var markdown =
                place.terminal.run("plan", site, folder, "--markdown").ended(3).out();
        assertTrue(markdown.contains("- [ ] ") && markdown.contains("```yaml\nversion: \"1.1.0\""), markdown);
        var answers = markdown.substring(markdown.indexOf("version: \"1.1.0\""), markdown.lastIndexOf("```"));
        write(
                folder,
                "migrations/1.1.0.yaml",
                answers.replaceAll("answer: \\w+(, value: \"[^\"]*\")?", "answer: fill, value: none"));
        var planned = place.terminal.run("plan", site, folder).ended(0).out();
        assertTrue(planned.contains("This can be run.") && planned.contains("Answered: fill “none”"), planned);
        var unpushed = place.terminal.run("release", folder).ended(1);
        assertTrue(unpushed.err().contains("nothing was released"), unpushed.err());
        place.terminal.run("push", folder).ended(0);
        var answered = Files.readString(folder.resolve("migrations/1.1.0.yaml"));
        write(folder, "migrations/1.1.0.yaml", answered.replace("value: none", "value: other"));
        var other = place.terminal.run("release", folder).ended(1);
        assertTrue(other.err().contains("The answers in migrations/"), other.err());
        write(folder, "migrations/1.1.0.yaml", answered);
        place.terminal.run("pull", folder).ended(0);
        assertEquals(Files.readString(folder.resolve("migrations/1.1.0.yaml")), answered, "as it was written");
        assertEquals(folder.resolve("migrations").toFile().list().length, 1);
        place.terminal.run("release", folder).ended(0);
        place.terminal.run("plan", "TRIAL" + workspaces).ended(0);
        var ran = place.terminal.run("run", site).ended(0).out();
        assertTrue(ran.contains("[1/") && ran.contains("Done: 1.1.0"), ran);
        assertTrue(record(site).contains("\"note\":\"none\""), record(site));
        assertTrue(place.terminal.run("run", site).ended(0).out().contains("already"));
        assertTrue(place.terminal.run("undo", site).ended(0).out().contains("Done: 1.0.0"));
        assertFalse(record(site).contains("\"note\":\"none\""), record(site));
        place.terminal.run("drift", site).ended(0);
        installation.say(site, "ALTER TABLE mooring ADD COLUMN stray INT");
        assertTrue(place.terminal.run("drift", site).ended(1).out().contains("stray"));
        var unknown = place.terminal.run("run", "nowhere").ended(2);
        assertTrue(unknown.err().contains("It has: Trial" + workspaces), unknown.err());
    }

    private String record(String site) {
        return anna.get("/api/sites/" + site + "/types/mooring/records").toString();
    }

    @Test
    public void whatCannotBeReadIsToldByItsPlaceAndNotSent() throws IOException {
        var place = new Harbour();
        var folder = place.pushed();
        var draft = place.drafted();
        edit(folder, "kind: number", "kind: nubmer");
        var ran = place.terminal.run("push", folder).ended(1);
        assertTrue(ran.err().contains("types/mooring.yaml:"), ran.err());
        assertEquals(place.drafted(), draft);
        var empty = place.terminal.run("push", place.folder("empty")).ended(2);
        assertTrue(empty.err().contains("it has no package.yaml"), empty.err());
    }

    @Test
    public void definitionsOfNoPackageAreNotLost() throws IOException {
        var place = new Harbour();
        place.pushed();
        var folder = place.folder("stray");
        write(folder, "types/berth.yaml", "key: berth\n");
        var ran = place.terminal.run("pull", folder).ended(2);
        assertTrue(ran.err().contains("types/berth.yaml"), ran.err());
        assertEquals(Files.readString(folder.resolve("types/berth.yaml")), "key: berth\n");
        assertFalse(Files.exists(folder.resolve("types/mooring.yaml")));
    }

    /** Wrong ways to reach a server, each with what it says; none tells the token. */
    @DataProvider
    public Object[][] wrongWays() {
        var secret = "wrongwrongwrongwrongwrongwrongwrongwrongwro";
        return new Object[][] {
            {installation.address(), secret, "This token is not known here"},
            {"http://127.0.0.1:1", secret, "There is no answer from"},
            {"ftp://example.org", secret, "no address of a server"},
            {"no address", secret, "is no address"},
            {"http://models.example.org", secret, "over plain HTTP"},
            {installation.address(), "", "There is no token in"},
            {installation.address(), "two words", "There is no token in"},
        };
    }

    @Test(dataProvider = "wrongWays")
    public void aServerThatCannotBeUsedIsToldWithoutTheToken(String server, String secret, String told)
            throws IOException {
        var ran = new Terminal(server, secret).run("status", root).ended(2);
        assertTrue(ran.err().contains(told), ran.err());
        assertFalse(!secret.isEmpty() && (ran.out() + ran.err()).contains(secret), ran.err());
    }
}
