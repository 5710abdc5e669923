package org.jontrel.site.generated;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.generate.CodeTarget;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.naming.Ids;
import org.testng.annotations.Test;

/** Databases that hold what the content API gives: made and brought on by real servers, for models drawn at random. */
public class GeneratedSqlTest {
    private static final int DRAWN = 200;
    /** How many scripts one command is given. */
    private static final int TOGETHER = 25;

    private static final int BROUGHT_ON = Integer.getInteger("sql.cases", 8);
    private static final int FIRST = Integer.getInteger("sql.from", 1);

    private static ModelPackage content(Model model, String version) {
        return new ModelPackage(Manifest.of("drawn", version, "Drawn", List.of(), "", ""), model, List.of());
    }

    @Test(dataProvider = "servers", dataProviderClass = SqlServers.class)
    public void drawnModelsAreInstalled(SqlServer server) {
        var target = CodeTarget.of(server.target()).orElseThrow();
        for (int first = 1; first <= DRAWN; first += TOGETHER) {
            var script = new StringBuilder();
            var place = server.fresh();
            for (int seed = first; seed < first + TOGETHER; seed++) {
                script.append(server.enter(server.fresh()))
                        .append(target.of(content(new Models(seed).model(), "1.0.0"))
                                .files()
                                .get("schema.sql"));
            }
            server.run(place, script.toString()).checked();
        }
    }

    /** The example, and the releases of the demo, each brought on to the next. */
    @Test(dataProvider = "servers", dataProviderClass = SqlServers.class)
    public void modelsOfPeopleAreInstalledAndBroughtOn(SqlServer server) throws IOException {
        var demo = "../demo/src/main/resources/org/jontrel/demo/";
        var target = CodeTarget.of(server.target()).orElseThrow();
        server.run(
                        server.fresh(),
                        target.of(read("../examples/seed-bank", Model.EMPTY))
                                .files()
                                .get("schema.sql"))
                .checked();
        var first = read(demo + "release-1.0.0", Model.EMPTY);
        var place = server.fresh();
        server.run(place, target.of(first).files().get("schema.sql")).checked();
        fill(server, place);
        var second = read(demo + "release-2.0.0", first.model());
        assertTrue(broughtOn(
                server, place, target.since(first, second).orElseThrow().files()));
        var third = read(demo + "draft", second.model());
        assertTrue(broughtOn(
                server, place, target.since(second, third).orElseThrow().files()));
    }

    /** As wide as the checker lets a type be, mostly of what cannot be kept outside its row. */
    @Test(dataProvider = "servers", dataProviderClass = SqlServers.class)
    public void wideTypesFit(SqlServer server) {
        var fields = new ArrayList<Field>();
        for (int i = 0; i < 100; i++) {
            var options = List.of(new Kind.Option("o" + (10 + i), "word", "Word", false));
            fields.add(new Field("fc" + i, "choice_" + i, "Choice", "", false, new Kind.Choice(options)));
        }
        for (int i = 0; i < 55; i++) {
            fields.add(new Field("ft" + i, "text_" + i, "Text", "", false, Kind.Text.PLAIN));
        }
        var type = new ContentType(
                "twide",
                "wide",
                "Wide",
                "Wides",
                "",
                "",
                "wides",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("gwide", "Facts", "", fields)));
        var model = new Model(List.of(type));
        assertFalse(
                Finding.blocks(ModelCheck.check(model)), ModelCheck.check(model).toString());
        var target = CodeTarget.of(server.target()).orElseThrow();
        server.run(server.fresh(), target.of(content(model, "1.0.0")).files().get("schema.sql"))
                .checked();
    }

    private static ModelPackage read(String folder, Model earlier) throws IOException {
        var findings = new ArrayList<Finding>();
        return PackageReader.read(PackageFiles.read(Path.of(folder), findings), findings)
                .completed(earlier, Ids.secure())
                .content()
                .orElseThrow();
    }

    @Test(dataProvider = "servers", dataProviderClass = SqlServers.class)
    public void drawnModelsAreBroughtOn(SqlServer server) {
        var target = CodeTarget.of(server.target()).orElseThrow();
        var refused = new ArrayList<Integer>();
        for (int seed = FIRST; seed < FIRST + BROUGHT_ON; seed++) {
            var models = new Models(seed);
            var old = content(models.model(), "1.0.0");
            var place = server.fresh();
            server.run(place, target.of(old).files().get("schema.sql")).checked();
            var next = content(edited(models, old.model(), seed), "2.0.0");
            fill(server, place);
            if (!broughtOn(server, place, target.since(old, next).orElseThrow().files())) {
                refused.add(seed);
            }
        }
        assertTrue(refused.size() < BROUGHT_ON / 4, "refused for their values: " + refused);
    }

    private static Model edited(Models models, Model model, int seed) {
        var edited = model;
        for (int i = 0; i < 1 + seed % 7; i++) {
            edited = models.edit(edited);
        }
        return seed % 3 == 0 ? models.reshape(edited) : edited;
    }

    /** Whether it was brought on; else its values do not keep the rules of the new release, and nothing has changed. */
    private static boolean broughtOn(SqlServer server, String place, Map<String, String> files) {
        var before = server.structure(place);
        long values = values(server, place);
        var answer = server.run(place, files.get("migrate.sql"));
        if (answer.code() != 0) {
            assertTrue(answer.errors().contains("migration_check"), answer.errors() + files.get("migrate.sql"));
            assertEquals(server.structure(place), before);
            return false;
        }
        var fresh = server.fresh();
        server.run(fresh, files.get("schema.sql")).checked();
        assertEquals(server.structure(place), server.structure(fresh), files.get("migrate.sql"));
        assertTrue(values(server, place) >= values, "values were lost by " + files.get("migrate.sql"));
        return true;
    }

    private static Map<String, List<String[]>> tables(SqlServer server, String place) {
        return server.columns(place).stream()
                .collect(Collectors.groupingBy(each -> each[0], LinkedHashMap::new, Collectors.toList()));
    }

    /** How many values there are beside keys; of values that are held each counts as one. */
    private static long values(SqlServer server, String place) {
        var counts = tables(server, place).entrySet().stream()
                .flatMap(table -> table.getValue().stream()
                        .filter(each -> table.getKey().equals("held_value")
                                ? each[1].equals("value")
                                : each[3].equals("YES") || each[1].matches("value|target_id|term_id|media_id"))
                        .map(each ->
                                "SELECT COUNT(%s) FROM %s;".formatted(server.quoted(each[1]), server.quoted(each[0]))))
                .collect(Collectors.joining("\n"));
        return server.run(place, counts)
                .checked()
                .lines()
                .mapToLong(Long::parseLong)
                .sum();
    }

    /** A row in each table, and a value in each column, as far as the rules allow. */
    private static void fill(SqlServer server, String place) {
        var tables = tables(server, place);
        var script = new StringBuilder();
        for (int pass = 0; pass < 3; pass++) {
            tables.forEach((table, columns) -> {
                var needed =
                        columns.stream().filter(each -> each[3].equals("NO")).toList();
                script.append("INSERT INTO %s (%s) VALUES (%s);\n"
                        .formatted(
                                server.quoted(table),
                                needed.stream()
                                        .map(each -> server.quoted(each[1]))
                                        .collect(Collectors.joining(", ")),
                                needed.stream().map(each -> value(each[2])).collect(Collectors.joining(", "))));
            });
        }
        for (var column : server.columns(place)) {
            if (column[3].equals("YES")) {
                script.append("UPDATE %s SET %s = %s;\n"
                        .formatted(server.quoted(column[0]), server.quoted(column[1]), value(column[2])));
            }
        }
        server.attempt(place, script.toString());
    }

    private static String value(String type) {
        return switch (type) {
            case "date" -> "'2026-05-01'";
            case "time", "time without time zone" -> "'07:30:00'";
            case "datetime", "timestamp without time zone", "timestamp with time zone" -> "'2026-05-01 07:30:00'";
            case "boolean" -> "true";
            case "varchar", "longtext", "character varying", "text" -> "'draft'";
            default -> "1";
        };
    }
}
