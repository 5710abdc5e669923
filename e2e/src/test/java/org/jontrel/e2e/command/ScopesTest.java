package org.jontrel.e2e.command;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.commons.io.FileUtils;
import org.jontrel.demo.Client;
import org.jontrel.e2e.Installation;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Each command with each right alone: it does what the right allows, and no more. */
public class ScopesTest {
    private static final List<String> SCOPES = List.of("read", "draft", "release", "plan", "run");
    private Installation installation;
    private Client anna;
    private Path folder;

    @BeforeClass
    public void start() throws IOException {
        installation = new Installation();
        anna = installation.firstArchitect("anna", "anna-password");
        folder = Files.createTempDirectory("scopes");
        anna.post("/api/workspaces", Map.of("title", "Harbour"));
        anna.post("/api/workspaces", Map.of("title", "Orchard"));
        Files.writeString(folder.resolve("package.yaml"), "name: harbour\nversion: \"1.0.0\"\n");
        Files.createDirectories(folder.resolve("types"));
        Files.writeString(folder.resolve("types/mooring.yaml"), """
                key: mooring
                singular: Mooring
                plural: Moorings
                path: moorings
                groups:
                  - title: Facts
                    fields:
                      - {key: length, label: Length, kind: number, decimals: 1}
                      - {key: open, label: Open, kind: yes_no}
                """);
        var all = terminal("all", SCOPES);
        all.run("push", folder).ended(0);
        all.run("release", folder).ended(0);
        Files.writeString(folder.resolve("none.zip"), "no archive");
        Files.writeString(folder.resolve("moorings.csv"), "Title;Length\nQuay;12\n");
        Files.writeString(folder.resolve("boats.csv"), "Boat,Length (m)\nTeal,12\nCoot,9\n");
        anna.post("/api/workspaces/harbour/sites", Map.of("name", "Trial"));
        anna.post("/api/workspaces/orchard/sites", Map.of("name", "Field"));
        all.run("run", "trial").ended(0);
    }

    private Terminal terminal(String name, List<String> scopes) throws IOException {
        return Terminal.of(anna, installation.address(), "harbour", name, scopes);
    }

    @AfterClass(alwaysRun = true)
    public void stop() throws IOException {
        installation.close();
        FileUtils.deleteDirectory(folder.toFile());
    }

    /** A command, the right that it takes besides reading, and the exit code that it has with it. */
    @DataProvider
    public Object[][] commands() {
        var path = folder.toString();
        var commands = List.of(
                new Object[] {"read", 0, List.of("status", path)},
                new Object[] {"read", 0, List.of("pull", path)},
                new Object[] {"draft", 0, List.of("push", path)},
                new Object[] {
                    "draft", 0, List.of("propose", folder.resolve("boats.csv").toString())
                },
                new Object[] {"release", 1, List.of("release", path)},
                new Object[] {"plan", 0, List.of("plan", "trial")},
                new Object[] {"plan", 0, List.of("plan", "trial", "--draft")},
                new Object[] {"plan", 0, List.of("plan", "trial", path)},
                new Object[] {"plan", 0, List.of("drift", "trial")},
                new Object[] {"run", 2, List.of("run", "trial", "--release", "7.7.7")},
                new Object[] {
                    "run",
                    0,
                    List.of("copy", "trial", "-o", folder.resolve("trial.zip").toString())
                },
                new Object[] {
                    "run", 1, List.of("copy", folder.resolve("none.zip").toString())
                },
                new Object[] {
                    "run",
                    0,
                    List.of("import", "trial", folder.resolve("moorings.csv").toString())
                },
                new Object[] {"run", 1, List.of("undo", "trial")});
        var rows = new ArrayList<Object[]>();
        for (var scope : SCOPES) {
            commands.forEach(each -> rows.add(new Object[] {scope, each[0], each[1], each[2]}));
        }
        return rows.toArray(Object[][]::new);
    }

    @Test(dataProvider = "commands")
    public void everyCommandTakesItsRight(String scope, String needed, int code, List<String> command)
            throws IOException {
        var ran = terminal(scope + " " + command.hashCode(), List.of(scope)).run(command.toArray());
        boolean allowed = needed.equals("read") || needed.equals(scope);
        boolean refused = ran.err().contains("lacks the right “" + needed + "”");
        // nothing is left to undo once somebody may
        boolean expected = allowed ? List.of(0, code).contains(ran.code()) && !refused : ran.code() == 2 && refused;
        assertTrue(expected, ran.code() + " " + ran.out() + ran.err());
    }

    @Test
    public void aWorkbookIsProposedChosenAndTaken() throws IOException {
        var terminal = Terminal.of(anna, installation.address(), "orchard", "propose", List.of("draft"));
        var trees = folder.resolve("trees.csv");
        Files.writeString(trees, "Tree;Height (m);Kind\nA;3,5;pear\nB;4,25;plum\nC;2;pear\nD;7;plum\nE;3;pear\n");
        var proposed = terminal.run("propose", trees).ended(0);
        assertTrue(proposed.out().contains("trees.csv, trees: type Tree (5 rows, each a record)"), proposed.out());
        assertTrue(proposed.out().contains("B Height (m) → number, required"), proposed.out());
        assertTrue(proposed.out().contains("The draft would get: new type Tree."), proposed.out());
        assertTrue(proposed.err().contains("Nothing was taken."), proposed.err());
        assertEquals(anna.get("/api/workspaces/orchard/draft").get("ids").size(), 0);
        var choices = folder.resolve("choices.json");
        Files.writeString(
                choices,
                "{\"sheets\": [{\"sheet\": 0, \"name\": \"Fruit tree\", \"columns\": [{\"column\": 2, \"use\": \"skip\"}]}]}");
        var taken =
                terminal.run("propose", trees, "--choices", choices, "--take").ended(0);
        assertTrue(taken.out().contains("C Kind → skip"), taken.out());
        var draft = anna.get("/api/workspaces/orchard/draft");
        assertEquals(draft.at("/definitions/0/definition/singular").asString(), "Fruit tree");
        assertEquals(draft.get("undo").asString(), "Model of trees.csv");
        Files.writeString(trees, "Tree;Note\nA;\"never closed\n");
        var broken = terminal.run("propose", trees).ended(1);
        assertTrue(broken.err().contains("line 2 of “trees.csv”"), broken.err());
        Files.writeString(choices, "{\"sheets\": 7}");
        Files.writeString(trees, "Tree;Note\nA;x\n");
        assertTrue(terminal.run("propose", trees, "--choices", choices)
                .ended(2)
                .err()
                .startsWith("jontrel: "));
        assertTrue(terminal.run("propose", folder.resolve("absent.csv"))
                .ended(2)
                .err()
                .contains("There is no file"));
    }

    @Test
    public void rowsAreTriedBroughtKeptAndTakenBack() throws IOException {
        var terminal = Terminal.of(anna, installation.address(), "harbour", "import", List.of("read", "plan", "run"));
        anna.post("/api/workspaces/harbour/sites", Map.of("name", "Quay"));
        terminal.run("run", "quay").ended(0);
        var moorings = folder.resolve("may.csv");
        Files.writeString(moorings, "Title;Length;Open\nQuay;12,5;yes\nPier;long;no\n");
        var mapping = folder.resolve("mapping.json");
        var tried = terminal.run("import", "quay", moorings, "--write", mapping, "--keep", "Moorings of May")
                .ended(1);
        assertTrue(tried.out().contains("may: 1 new, 1 failed"), tried.out() + tried.err());
        assertTrue(tried.out().contains("Nothing was brought"), tried.out());
        assertTrue(tried.err().contains("1 row, row 3: Length"), tried.err());
        assertEquals(count(), 0);
        var failed = folder.resolve("failed.xlsx");
        var run = terminal.run("import", "quay", moorings, "--mapping", mapping, "--run", "--failed", failed)
                .ended(1);
        assertTrue(Files.size(failed) > 1_000);
        assertEquals(count(), 1);
        Files.writeString(moorings, "Title;Length;Open\nQuay;12,5;yes\nPier;9;no\n");
        var again = terminal.run("import", "quay", moorings, "--mapping", "Moorings of May", "--run")
                .ended(0);
        assertTrue(again.out().contains("may: 2 new") || again.out().contains("may: 1 new, 1 same"), again.out());
        var number = run.out().replaceAll("(?s).*--undo ([0-9]+) .*", "$1");
        var undone = terminal.run("import", "quay", "--undo", number).ended(0);
        assertTrue(undone.out().contains("Undone: 1 records went"), undone.out());
        assertTrue(terminal.run("import", "quay", moorings, "--mapping", "None such")
                .ended(2)
                .err()
                .contains("keeps no mapping"));
        assertTrue(terminal.run("import", "quay", moorings, "--pictures", "gone.zip")
                .ended(2)
                .err()
                .contains("There is no file gone.zip"));
        var zip = Files.writeString(mapping.resolveSibling("torn.zip"), "PK").toString();
        assertTrue(terminal.run("import", "quay", moorings, "--mapping", "Moorings of May", "--pictures", zip)
                .ended(0)
                .err()
                .contains("“torn.zip” cannot be read as a ZIP file"));
        Files.writeString(mapping, "{\"sheets\": [{\"sheet\": \"may\", \"to\": \"shed\"}]}");
        assertTrue(terminal.run("import", "quay", moorings, "--mapping", mapping)
                .ended(1)
                .err()
                .contains("“shed”, which this site does not have"));
    }

    private long count() {
        return anna.get("/api/sites/quay/types/mooring/count").get("records").asLong();
    }

    @Test
    public void aTokenIsForItsWorkspaceAloneAndForNothingThatPeopleDo() throws IOException {
        var terminal = terminal("alone", SCOPES);
        var site = terminal.run("plan", "field").ended(2);
        assertTrue(site.err().contains("no site field"), site.err());
        for (var path : List.of(
                "/api/workspaces/orchard/draft",
                "/api/sites/field/plan?version=1.0.0",
                "/api/sites/none/plan?version=1.0.0",
                "/api/workspaces",
                "/api/accounts",
                "/api/trail",
                "/api/workspaces/harbour/access-tokens",
                "/api/sites/trial/types/mooring/records",
                "/api/sites/trial/tokens",
                "/api/session",
                "/api/workspaces/harbour/draft/edits")) {
            assertEquals(status(terminal, "GET", path), 403, path);
        }
        assertEquals(status(terminal, "POST", "/api/workspaces/harbour/access-tokens"), 403);
        assertEquals(status(terminal, "POST", "/api/workspaces"), 403);
        assertEquals(status(terminal, "GET", "/api/access"), 200);
    }

    private int status(Terminal terminal, String method, String path) throws IOException {
        var request = HttpRequest.newBuilder(URI.create(installation.address() + path))
                .header(
                        "Authorization",
                        "Bearer " + Files.readString(terminal.token()).strip())
                .method(method, HttpRequest.BodyPublishers.noBody())
                .build();
        try (var http = HttpClient.newHttpClient()) {
            return http.send(request, HttpResponse.BodyHandlers.discarding()).statusCode();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    @Test
    public void aTokenDoesNothingOnceItOrItsMakerIsGone() throws IOException {
        anna.post("/api/accounts", Map.of("name", "bob", "role", "architect", "password", "bob-password-1"));
        var bob = new Client(installation.address());
        bob.signIn("bob", "bob-password-1");
        var ofBob = Terminal.of(bob, installation.address(), "harbour", "of bob", List.of());
        ofBob.run("status", folder).ended(0);
        var account = anna.get("/api/accounts")
                .valueStream()
                .filter(each -> each.get("name").asString().equals("bob"))
                .findFirst()
                .orElseThrow();
        anna.put("/api/accounts/" + account.get("id").asString(), Map.of("role", "editor", "disabled", false));
        assertTrue(ofBob.run("status", folder).ended(2).err().contains("no architect any more"));
        var mine = terminal("short", List.of());
        var tokens = anna.get("/api/workspaces/harbour/access-tokens").toString();
        assertTrue(tokens.contains("\"short\""), tokens);
        anna.get("/api/workspaces/harbour/access-tokens")
                .valueStream()
                .filter(each -> each.get("name").asString().equals("short"))
                .forEach(each -> anna.delete("/api/workspaces/harbour/access-tokens/"
                        + each.get("id").asString()));
        mine.run("status", folder).ended(2);
        var trail = anna.get("/api/trail").toString();
        assertTrue(trail.contains("short of workspace harbour: read"), trail);
        assertTrue(trail.contains("all (token)"), "a release by a token is told under its name");
    }
}
