package org.jontrel.site.generated;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.generate.CodeTarget;
import org.jontrel.core.generate.GeneratedCode;
import org.jontrel.site.testing.Orchard;
import org.testng.annotations.Test;

/** Rows of a generated database come along when it is brought on to a later release. */
public class SqlMigrationTest {
    private static final String ROWS = """
            INSERT INTO person (id, slug, title) VALUES (10, 'ada', 'Ada'), (11, 'ben', 'Ben');
            INSERT INTO sort_term (id, slug, label) VALUES (20, 'apple', 'Apple'), (21, 'pear', 'Pear');
            INSERT INTO media (id, url) VALUES (30, 'https://example.org/a.pdf'), (31, 'https://example.org/b.png');
            INSERT INTO plot (id, title) VALUES (5, 'North');
            INSERT INTO tree (id, parent_id, title, tag, planted, seen, height, mood, papers_id, keeper_id, story)
              VALUES (1, 5, 'Old Tom', 'A-1', '1998-03-01', '2026-05-01 09:30:00', 4.5, 'fine', 30, 10, '<p>Old</p>'),
                (2, 5, 'Young Tom', 'A-2', NULL, NULL, 4.25, 'ill', NULL, NULL, NULL);
            INSERT INTO tree_uses (record_id, position, value) VALUES (1, 1, 'table'), (1, 2, 'juice');
            INSERT INTO tree_sort (record_id, position, term_id) VALUES (1, 1, 20), (1, 2, 21);
            INSERT INTO tree_photos (record_id, position, media_id) VALUES (1, 1, 31);
            INSERT INTO tree_prunings (record_id, position, day, done_by_id) VALUES (1, 1, '2025-02-01', 11);
            INSERT INTO tree_prunings_cuts (record_id, position, position_2, branch, thick) VALUES (1, 1, 1, 'Low', 2.5);
            """;

    private static ModelPackage release(String version, Map<String, String> replacements) {
        return new ModelPackage(
                Manifest.of("orchard", version, "Orchard", List.of(), "CC0-1.0", ""),
                Orchard.edited(replacements),
                List.of());
    }

    private static String installed(SqlServer server) {
        var place = server.fresh();
        var target = CodeTarget.of(server.target()).orElseThrow();
        server.run(place, target.of(release("1.0.0", Map.of())).files().get("schema.sql"))
                .checked();
        server.run(place, ROWS).checked();
        return place;
    }

    private static GeneratedCode code(SqlServer server, Map<String, String> replacements) {
        return CodeTarget.of(server.target())
                .orElseThrow()
                .since(release("1.0.0", Map.of()), release("2.0.0", replacements))
                .orElseThrow();
    }

    private static String asked(SqlServer server, String place, String query) {
        return server.run(place, query + ";").checked().strip().replace("\t", " | ");
    }

    @Test(dataProvider = "servers", dataProviderClass = SqlServers.class)
    public void viewsNameWhatRowsLeadTo(SqlServer server) {
        var place = installed(server);
        assertEquals(
                asked(server, place, "SELECT title, keeper_name, sort, uses FROM tree_view WHERE id = 1"),
                "Old Tom | Ada | Apple, Pear | table, juice");
    }

    @Test(dataProvider = "servers", dataProviderClass = SqlServers.class)
    public void rowsKeepTheRules(SqlServer server) {
        var place = installed(server);
        for (var bad : List.of(
                "UPDATE tree SET mood = 'merry' WHERE id = 1",
                "UPDATE tree SET height = -1 WHERE id = 1",
                "UPDATE tree SET height = 1.234 WHERE id = 1",
                "UPDATE tree SET tag = 'A-2' WHERE id = 1",
                "UPDATE tree SET tag = 'a tag of more than twenty letters' WHERE id = 1",
                "UPDATE tree SET spot_latitude = 52 WHERE id = 1",
                "UPDATE tree SET keeper_id = 99 WHERE id = 1",
                "INSERT INTO tree_sort (record_id, position, term_id) VALUES (99, 1, 20)")) {
            assertTrue(server.run(place, bad + ";").code() != 0, bad);
        }
        server.run(place, "DELETE FROM person WHERE id = 10; DELETE FROM tree WHERE id = 2;")
                .checked();
        assertEquals(asked(server, place, "SELECT COUNT(*), COUNT(keeper_id) FROM tree"), "1 | 0");
    }

    @Test(dataProvider = "servers", dataProviderClass = SqlServers.class)
    public void renamedFieldsOptionsAndTypesKeepTheirValues(SqlServer server) {
        var place = installed(server);
        var code = code(
                server,
                Map.of(
                        "key: tag, label: Tag", "key: number, label: Number of the 'Trust' \\\\",
                        "field: tag", "field: number",
                        "fplanted, key: planted", "fplanted, key: seen",
                        "fseen, key: seen", "fseen, key: planted",
                        "ofine, key: fine", "ofine, key: ill",
                        "oill, key: ill", "oill, key: fine",
                        "key: plot", "key: bed",
                        "[plot]", "[bed]"));
        server.run(place, code.files().get("migrate.sql")).checked();
        assertEquals(
                asked(server, place, "SELECT number, seen, planted, mood, parent_name FROM tree_view WHERE id = 1"),
                "A-1 | 1998-03-01 | 2026-05-01 09:30:00 | ill | North");
        assertEquals(asked(server, place, "SELECT title FROM bed"), "North");
        assertEquals(asked(server, place, "SELECT mood FROM tree WHERE id = 2"), "fine");
        assertEquals(asked(server, place, "SELECT COUNT(*) FROM held_value"), "0");
        assertEquals(code.notes(), List.of());
    }

    @Test(dataProvider = "servers", dataProviderClass = SqlServers.class)
    public void oneBecomesSeveralAndSeveralOne(SqlServer server) {
        var place = installed(server);
        var code = code(
                server,
                Map.of(
                        "label: Papers, kind: file,", "label: Papers, kind: file, many: true,",
                        "kind: choice, list: uses, many: true", "kind: choice, list: uses",
                        "label: Keeper, kind: relation, to: [person]",
                                "label: Keeper, kind: relation, to: [person, plot]"));
        server.run(place, code.files().get("migrate.sql")).checked();
        assertEquals(asked(server, place, "SELECT record_id, position, media_id FROM tree_papers"), "1 | 1 | 30");
        assertEquals(
                asked(server, place, "SELECT uses, keeper_type, keeper_id, keeper_name FROM tree_view WHERE id = 1"),
                "table | person | 10 | Ada");
        assertEquals(
                asked(server, place, "SELECT from_release, table_name, column_name, record_key, value FROM held_value"),
                "orchard 1.0.0 | tree_uses | value | 1.2 | juice");
    }

    @Test(dataProvider = "servers", dataProviderClass = SqlServers.class)
    public void whatHasNoPlaceIsHeld(SqlServer server) {
        var place = installed(server);
        var code = code(
                server,
                Map.of(
                        ", {id: oill, key: ill, label: Ill}", "",
                        "key: story, label: Story, kind: rich_text,",
                                "key: story, label: Story, kind: rich_text, api: false,",
                        "key: done_by, label: Done by, kind: relation, to: [person]",
                                "key: done_by, label: Done by, kind: relation, to: [plot]",
                        "key: cuts", "api: false\n            key: cuts"));
        server.run(place, code.files().get("migrate.sql")).checked();
        assertEquals(
                asked(server, place, "SELECT table_name, column_name, record_key, value FROM held_value ORDER BY 1, 2"),
                String.join(
                        "\n",
                        "tree | mood | 2 | ill",
                        "tree | story | 1 | <p>Old</p>",
                        "tree_prunings | done_by_id | 1.1 | 11",
                        "tree_prunings_cuts | branch | 1.1.1 | Low",
                        "tree_prunings_cuts | thick | 1.1.1 | 2.500000"));
        assertEquals(asked(server, place, "SELECT COUNT(*) FROM tree WHERE mood IS NULL"), "1");
        assertTrue(
                code.notes().contains("All values of tree.story are held in held_value."),
                code.notes().toString());
    }

    @Test(dataProvider = "servers", dataProviderClass = SqlServers.class)
    public void valuesThatBreakNewRulesStopItBeforeAnythingChanges(SqlServer server) {
        var place = installed(server);
        var before = server.structure(place);
        var files = code(
                        server,
                        Map.of(
                                "kind: number, decimals: 2, min: 0, unit: m",
                                        "kind: number, decimals: 1, min: 0, unit: m",
                                "key: tag, label: Tag", "key: number, label: Number",
                                "field: tag", "field: number"))
                .files();
        var answer = server.run(place, files.get("migrate.sql"));
        assertTrue(answer.code() != 0 && answer.errors().contains("migration_check"), answer.errors());
        assertEquals(server.structure(place), before);
        server.run(place, "UPDATE tree SET height = 4.3 WHERE id = 2;").checked();
        server.run(place, files.get("migrate.sql")).checked();
        assertEquals(asked(server, place, "SELECT number FROM tree WHERE id = 2"), "A-2");
    }
}
