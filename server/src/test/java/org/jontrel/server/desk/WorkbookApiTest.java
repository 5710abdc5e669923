package org.jontrel.server.desk;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Workbooks over HTTP: read, chosen otherwise, taken into the draft as one step. */
public class WorkbookApiTest extends SeedBankServerTest {
    private static final String KILNS =
            "Kiln;Fires (°C);Owner;Kind;Lit on\nNorth kiln;1200;Ada;wood;2020-03-01\nHill kiln;1100;Bo;gas;2019-05-02\nOld kiln;900;Ada;wood;2021-02-03\n"
                    + "New kiln;1250;Bo;gas;2018-02-03\nLong kiln;1300;Cy;Wood;2017-02-03\n";
    private static final String PEOPLE =
            "Person;Phone\nAda;+44 20 7946 0001\nBo;+44 20 7946 0002\nCy;+44 20 7946 0003\n";
    private int workspaces;

    private String workspace() {
        var title = "Kilns " + ++workspaces;
        anna.ok("POST", "/api/workspaces", Map.of("title", title));
        return "/api/workspaces/kilns-" + workspaces;
    }

    private HttpResponse<String> send(String path, String... namesAndTexts) throws IOException, InterruptedException {
        return anna.sendFiles(path, namesAndTexts);
    }

    private JsonNode read(String workspace, String... namesAndTexts) throws IOException, InterruptedException {
        var answer = send(workspace + "/workbooks", namesAndTexts);
        assertEquals(answer.statusCode(), 201, answer.body());
        return JSON.readTree(answer.body());
    }

    private static String taking(String workspace, JsonNode view) {
        return workspace + "/workbooks/" + view.get("id").asLong() + "/take?revision="
                + view.get("revision").asLong() + "&chosen="
                + view.get("chosen").asLong();
    }

    private static List<String> columns(JsonNode view, int sheet) {
        return view.at("/sheets/" + sheet + "/columns")
                .valueStream()
                .map(each -> each.get("label").asString() + " "
                        + each.get("use").asString() + " " + each.get("kind").asString())
                .map(String::strip)
                .toList();
    }

    private static List<String> keys(JsonNode draft) {
        return draft.get("definitions")
                .valueStream()
                .map(each -> each.at("/definition/key").asString())
                .toList();
    }

    @Test
    public void twoFilesAreOneWorkbookAndOneStep() throws IOException, InterruptedException {
        var workspace = workspace();
        var view = read(workspace, "kilns.csv", KILNS, "people.csv", PEOPLE);
        assertEquals(view.get("name").asString(), "kilns.csv, people.csv");
        assertEquals(
                columns(view, 0),
                List.of(
                        "Kiln title",
                        "Fires field number",
                        "Owner field relation",
                        "Kind field choice",
                        "Lit on field date"));
        assertEquals(view.at("/sheets/0/columns/2/target").asString(), "Person");
        assertEquals(view.at("/sheets/0/columns/3/words/0/others/0/text").asString(), "Wood");
        assertTrue(anna.ok("GET", workspace + "/draft", null).get("definitions").isEmpty());
        var draft = anna.ok("POST", taking(workspace, view), null);
        assertEquals(keys(draft), List.of("kiln", "person"));
        assertEquals(draft.get("undo").asString(), "Model of kilns.csv, people.csv");
        var undone = anna.ok("POST", workspace + "/draft/undo", null);
        assertTrue(undone.get("ids").isEmpty());
    }

    @Test
    public void choicesAreKeptAndTheirConsequencesTold() throws IOException, InterruptedException {
        var workspace = workspace();
        var id = read(workspace, "kilns.csv", KILNS).get("id").asLong();
        var path = workspace + "/workbooks/" + id;
        var column = Map.of("column", 2, "kind", "number", "label", "Keeper");
        var choices = Map.of(
                "sheets",
                List.of(Map.of(
                        "sheet", 0, "name", "Oven", "columns", List.of(column, Map.of("column", 4, "use", "skip")))));
        var view = anna.ok("PUT", path + "/choices?chosen=0", choices);
        assertEquals(view.at("/sheets/0/noun").asString(), "Oven");
        assertEquals(
                columns(view, 0).subList(2, 5), List.of("Keeper field number", "Kind field choice", "Lit on skip"));
        var fits = view.at("/sheets/0/columns/2/fits")
                .valueStream()
                .filter(each -> each.get("kind").asString().equals("number"))
                .findFirst()
                .orElseThrow();
        assertEquals(fits.get("misfits").asInt(), 5);
        assertEquals(fits.at("/samples/0/text").asString(), "Ada");
        assertEquals(anna.ok("GET", path, null).at("/sheets/0/noun").asString(), "Oven");
        assertEquals(
                anna.ok("GET", path, null)
                        .at("/choices/sheets/0/columns/0/label")
                        .asString(),
                "Keeper");
        assertEquals(anna.ok("GET", workspace + "/workbooks", null).size(), 1);
        assertEquals(anna.send("DELETE", path, null).statusCode(), 204);
        var gone = anna.send("GET", path, null);
        assertEquals(gone.statusCode(), 404);
        assertTrue(gone.body().contains("Send it again"), gone.body());
    }

    @Test
    public void whatSomebodyElseChoseIsNeitherOverwrittenNorTakenUnseen() throws IOException, InterruptedException {
        var workspace = workspace();
        var seen = read(workspace, "kilns.csv", KILNS);
        var path = workspace + "/workbooks/" + seen.get("id").asLong() + "/choices?chosen=0";
        anna.ok("PUT", path, Map.of("sheets", List.of(Map.of("sheet", 0, "name", "Oven"))));
        var late = anna.send("PUT", path, Map.of("sheets", List.of(Map.of("sheet", 0, "name", "Furnace"))));
        assertEquals(late.statusCode(), 409);
        var current = JSON.readTree(late.body()).get("current");
        assertEquals(current.at("/choices/sheets/0/name").asString(), "Oven");
        assertEquals(current.get("chosen").asLong(), 1);
        assertEquals(anna.send("POST", taking(workspace, seen), null).statusCode(), 409);
        assertEquals(keys(anna.ok("POST", taking(workspace, current), null)), List.of("oven"));
    }

    @Test
    public void againstADraftOnlyWhatIsNewIsProposed() throws IOException, InterruptedException {
        var workspace = workspace();
        var first = read(workspace, "kilns.csv", KILNS);
        anna.ok("POST", taking(workspace, first), null);
        var again = read(workspace, "kilns.csv", KILNS);
        assertTrue(again.get("definitions").isEmpty(), again.get("definitions").toString());
        var nothing = anna.send("POST", taking(workspace, again), null);
        assertEquals(nothing.statusCode(), 422);
        var more = KILNS.replace("Kind;", "Chimney (m);Kind;")
                .replace(";wood;", ";12;wood;")
                .replace(";gas;", ";9;steam;")
                .replace(";Wood;", ";7;wood;");
        var view = read(workspace, "kilns.csv", more);
        assertEquals(
                view.at("/sheets/0/columns")
                        .valueStream()
                        .map(each -> each.get("label").asString() + " "
                                + each.get("state").asString())
                        .toList(),
                List.of("Kiln new", "Fires there", "Owner there", "Chimney new", "Kind differs", "Lit on there"));
        var taken = anna.ok("POST", taking(workspace, view), null);
        var kind = taken.at("/definitions/0/definition/groups/0/fields")
                .valueStream()
                .filter(each -> each.get("key").asString().equals("kind"))
                .findFirst()
                .orElseThrow();
        assertEquals(
                kind.get("options")
                        .valueStream()
                        .map(each -> each.get("label").asString())
                        .toList(),
                List.of("wood", "gas", "steam"));
    }

    @Test
    public void aDraftThatWasChangedMeanwhileIsLookedAtAgain() throws IOException, InterruptedException {
        var workspace = workspace();
        var view = read(workspace, "kilns.csv", KILNS);
        anna.ok("POST", workspace + "/draft/definitions", Map.of("sort", "type", "name", "Potter"));
        assertEquals(anna.send("POST", taking(workspace, view), null).statusCode(), 409);
        var now = anna.ok("GET", workspace + "/workbooks/" + view.get("id").asLong(), null);
        assertEquals(keys(anna.ok("POST", taking(workspace, now), null)).size(), 2);
    }

    @Test
    public void whatCannotBeReadIsToldAndKeepsNothing() throws IOException, InterruptedException {
        var workspace = workspace();
        var refused = send(workspace + "/workbooks", "a.csv", "Name,Note\nMill,\"never closed\nWeir,x\n");
        assertEquals(refused.statusCode(), 422);
        assertTrue(
                JSON.readTree(refused.body())
                        .at("/findings/0/sentence")
                        .asString()
                        .contains("line 2 of “a.csv”"),
                refused.body());
        assertTrue(anna.ok("GET", workspace + "/workbooks", null).isEmpty());
        var without = anna.sendBytes(
                workspace + "/workbooks",
                "multipart/form-data; boundary=b",
                "--b--\r\n".getBytes(StandardCharsets.UTF_8));
        assertTrue(without.statusCode() >= 400 && without.statusCode() < 500, without.body());
        assertFalse(without.body().contains("exception"), without.body());
        var bad = anna.send("PUT", workspace + "/workbooks/999/choices?chosen=0", Map.of("sheets", List.of()));
        assertEquals(bad.statusCode(), 404);
    }

    @Test
    public void oddChoicesDoNoHarm() throws IOException, InterruptedException {
        var workspace = workspace();
        var id = read(workspace, "kilns.csv", KILNS, "people.csv", PEOPLE)
                .get("id")
                .asLong();
        var path = workspace + "/workbooks/" + id + "/choices?chosen=";
        int chosen = 0;
        for (var role : List.of("type", "taxonomy", "list", "values", "relation", "rows", "skip", "none")) {
            for (var use : List.of(
                    "title", "field", "terms", "parent", "address", "state", "place", "row", "owner", "skip", "none")) {
                for (var kind : List.of("image", "relation", "repeater", "group", "term", "choice", "none")) {
                    var columns = List.of(
                            Map.of("column", 2, "use", use, "kind", kind, "many", true),
                            Map.of("column", 77, "use", use));
                    var choices = Map.of(
                            "sheets",
                            List.of(
                                    Map.of("sheet", 0, "role", role, "name", " ", "columns", columns),
                                    Map.of("sheet", 9, "role", role)));
                    var answer = anna.send("PUT", path + chosen++, choices);
                    assertEquals(answer.statusCode(), 200, role + " " + use + " " + kind + ": " + answer.body());
                }
            }
        }
    }

    /** As many columns as may be, each with as many and as long words as may be. */
    private static String wide(int of) {
        var text = new StringBuilder();
        for (int row = 0; row < 60; row++) {
            for (int column = 0; column < 400; column++) {
                text.append(column == 0 ? "" : ";")
                        .append(
                                row == 0
                                        ? "Heading " + column
                                        : ("word " + of + " " + row % 30 + " of column " + column + " ").repeat(6));
            }
            text.append('\n');
        }
        return text.toString();
    }

    @Test
    public void aWideWorkbookIsKeptAndATooWideOneToldOf() throws IOException, InterruptedException {
        var workspace = workspace();
        var view = read(
                workspace, "a.csv", wide(1), "b.csv", wide(2), "c.csv", wide(3), "d.csv", wide(4), "e.csv", wide(5));
        assertEquals(view.get("sheets").size(), 5);
        assertEquals(
                anna.ok("GET", workspace + "/workbooks/" + view.get("id").asLong(), null)
                        .at("/sheets/4/columns")
                        .size(),
                400);
        var refused = send(
                workspace + "/workbooks",
                "a.csv",
                wide(1),
                "b.csv",
                wide(2),
                "c.csv",
                wide(3),
                "d.csv",
                wide(4),
                "e.csv",
                wide(5),
                "f.csv",
                wide(6));
        assertEquals(refused.statusCode(), 422);
        assertTrue(refused.body().contains("more than 2000 columns"), refused.body());
    }
}
