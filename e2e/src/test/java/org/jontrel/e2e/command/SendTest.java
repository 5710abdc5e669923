package org.jontrel.e2e.command;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.apache.commons.io.FileUtils;
import org.jontrel.demo.Client;
import org.jontrel.e2e.Installation;
import org.jontrel.e2e.Visitor;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A release goes from one installation to another, by a command and from the page, beside what people there do. */
public class SendTest {
    private static final String TYPE = """
            # where boats lie
            key: mooring
            singular: Mooring
            plural: Moorings
            path: moorings
            groups:
              - title: Place
                fields:
                  - {key: length, label: Length, kind: number, unit: m}
            """;
    private static final String NOTE = "      - {key: note, label: Note, kind: text}\n";
    private static final int KILLS = 20;

    private Installation here;
    private Installation there;
    private Client anna;
    private Client otto;
    private Path root;
    private int workspaces;

    @BeforeClass
    public void start() throws IOException {
        here = new Installation();
        there = new Installation();
        anna = here.firstArchitect("anna", "anna-password");
        otto = there.firstArchitect("otto", "otto-password");
        root = Files.createTempDirectory("send");
    }

    @AfterClass(alwaysRun = true)
    public void stop() throws IOException {
        here.close();
        there.close();
        FileUtils.deleteDirectory(root.toFile());
    }

    /** A workspace on both sides, of which the first has a release 1.0.0. */
    private final class Pair {
        final String workspace = "canal-" + ++workspaces;
        final String other = "copy-" + workspaces;
        final Path folder = root.resolve(workspace);
        final Terminal mine;
        final Terminal theirs;

        Pair() throws IOException {
            anna.post("/api/workspaces", Map.of("title", "Canal " + workspaces));
            otto.post("/api/workspaces", Map.of("title", "Copy " + workspaces));
            mine = Terminal.of(anna, here.address(), workspace, "mine", List.of("draft", "release"));
            theirs = Terminal.of(otto, there.address(), other, "from canal", List.of("draft"));
            release("1.0.0", TYPE);
        }

        void release(String version, String type) throws IOException {
            Files.createDirectories(folder.resolve("types"));
            Files.writeString(folder.resolve("package.yaml"), "name: canal\nversion: \"" + version + "\"\n");
            Files.writeString(folder.resolve("types/mooring.yaml"), type);
            mine.run("push", folder).ended(0);
            mine.run("release", folder).ended(0);
        }

        Terminal.CommandOutcome send(String version, Object... more) {
            var arguments = new java.util.ArrayList<Object>(
                    List.of("send", version, "--to", there.address(), "--to-token-file", theirs.token()));
            arguments.addAll(List.of(more));
            return mine.run(arguments.toArray());
        }

        String draft() {
            return otto.get("/api/workspaces/" + other + "/draft")
                    .get("definitions")
                    .toString();
        }

        void relabel(String from, String to) {
            Terminal.relabel(otto, other, from, to);
        }
    }

    @Test
    public void whatChangedSinceTheLastTimeGoesTogetherWithWhatOthersDidThere() throws IOException {
        var pair = new Pair();
        assertTrue(pair.send("latest", "--look").ended(0).err().contains("Nothing was sent"));
        assertEquals(pair.draft(), "[]");
        assertTrue(pair.send("1.0.0").ended(0).out().contains("Mooring added"));
        pair.relabel("Length", "Length overall");
        pair.release("1.1.0", TYPE + NOTE);
        var sent = pair.send("1.1.0").ended(0);
        assertTrue(sent.out().contains("Note") && !sent.out().contains("Length"), sent.out());
        assertTrue(pair.draft().contains("Length overall") && pair.draft().contains("\"Note\""), pair.draft());
        var before = pair.draft();
        assertTrue(pair.send("1.1.0").ended(0).err().contains("Nothing changes"));
        assertEquals(pair.draft(), before, "to send it again changes nothing");
        assertTrue(pair.send("1.0.0").ended(1).err().contains("which is later"));
        var exported = root.resolve("exported" + workspaces);
        Terminal.of(otto, there.address(), pair.other, "reader", List.of())
                .run("pull", exported)
                .ended(0);
        assertTrue(Files.readString(exported.resolve("types/mooring.yaml")).startsWith("# where boats lie"));

        pair.release("1.2.0", TYPE.replace("label: Length", "label: Reach") + NOTE);
        var clash = pair.send("1.2.0").ended(1);
        assertTrue(clash.err().contains("Reach") && clash.err().contains("Length overall"), clash.err());
        assertEquals(pair.draft(), before);
        pair.relabel("Length overall", "Reach");
        pair.send("1.2.0").ended(0);
    }

    @Test
    public void fromThePageItIsComparedFirst() throws IOException {
        var pair = new Pair();
        try (var visitor = new Visitor(here.address()).signIn("anna", "anna-password")) {
            visitor.open("/w/" + pair.workspace + "/releases");
            visitor.button("Send").click();
            visitor.page.locator("#send-address").fill(there.address());
            visitor.page.locator("#send-token").fill("wrong");
            visitor.button("Compare").click();
            assertThat(visitor.page.getByText("This token is not known here")).isVisible();
            visitor.page
                    .locator("#send-token")
                    .fill(Files.readString(pair.theirs.token()).strip());
            visitor.button("Compare").click();
            assertThat(visitor.page.getByText("In the draft of Copy " + workspaces + " this would change:"))
                    .isVisible();
            assertEquals(pair.draft(), "[]", "nothing is sent before it was looked at");
            visitor.checkAccessibility();
            visitor.button("Send to Copy " + workspaces).click();
            assertThat(visitor.page.getByText("1.0.0 is in the draft of Copy " + workspaces))
                    .isVisible();
            assertTrue(pair.draft().contains("Mooring"), pair.draft());
            assertEquals(visitor.errors(), List.of());
        }
        var trail = anna.get("/api/trail").toString();
        assertTrue(trail.contains(pair.workspace + " 1.0.0 to " + there.address()), trail);
        assertFalse(trail.contains(Files.readString(pair.theirs.token()).strip()));
    }

    /** Wherever the command is killed, the other side has all of it or nothing, and sending it again ends well. */
    @Test
    public void aKilledSendLeavesBothSidesWhole() throws Exception {
        var pair = new Pair();
        pair.send("1.0.0").ended(0);
        int whole = 0;
        for (int i = 1; i <= KILLS; i++) {
            var version = "1." + i + ".0";
            pair.release(version, TYPE + NOTE.replace("Note", "Note " + i).replace("note", "note_" + i));
            var before = pair.draft();
            var process = pair.mine.started(
                    root.resolve("killed.log"),
                    "send",
                    version,
                    "--to",
                    there.address(),
                    "--to-token-file",
                    pair.theirs.token());
            boolean ended = process.waitFor(200 + 100L * i, TimeUnit.MILLISECONDS);
            process.destroyForcibly().waitFor();
            var after = pair.draft();
            boolean taken = after.contains("Note " + i);
            assertTrue(taken || after.equals(before), "half of " + version + " has arrived: " + after);
            whole += taken ? 1 : 0;
            if (ended) {
                assertEquals(process.exitValue(), 0, Files.readString(root.resolve("killed.log")));
            }
            pair.send(version).ended(0);
            assertTrue(pair.draft().contains("Note " + i), pair.draft());
        }
        assertTrue(whole < KILLS, "no kill came before the end");
    }
}
