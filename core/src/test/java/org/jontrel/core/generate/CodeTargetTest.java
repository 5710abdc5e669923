package org.jontrel.core.generate;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.code.Manifest;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.generate.api.CodeNames;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Part;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.Width;
import org.jontrel.core.model.condition.Condition;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Code is the same for the same model, and names that mean something else in it are changed and told. */
public class CodeTargetTest {
    private static final int DRAWN = Integer.getInteger("laws", 100);

    private static ModelPackage content(Model model) {
        return new ModelPackage(Manifest.of("orchard", "1.2.0", "Orchard", List.of(), "CC0-1.0", ""), model, List.of());
    }

    private static ContentType type(String key, String label, Field... fields) {
        return new ContentType(
                "t" + key.replace("_", ""),
                key,
                label,
                label + "s",
                "",
                "",
                key.replace('_', '-') + "s",
                Map.of(),
                List.of(Part.TITLE),
                List.of(new Group("g" + key.replace("_", ""), "Facts", "", List.of(fields))));
    }

    private static Field field(String key, String label, Kind kind) {
        return new Field("f" + key, key, label, "", false, kind);
    }

    @DataProvider
    public Object[][] targets() {
        return java.util.stream.Stream.of(CodeTarget.values())
                .map(each -> new Object[] {each})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "targets")
    public void theSameModelGivesTheSameBytes(CodeTarget target) {
        for (int seed = 1; seed <= DRAWN; seed++) {
            var model = new Models(seed).model();
            var backwards = new ArrayList<Definition>(model.definitions()).reversed();
            var made = target.of(content(model));
            assertEquals(target.of(content(new Models(seed).model())), made);
            assertEquals(target.of(content(new Model(backwards))), made, "definitions have no order");
            assertFalse(made.files().isEmpty());
            made.files().forEach((path, text) -> {
                assertTrue(text.contains("orchard 1.2.0"), path + " says what it was made of");
                assertTrue(text.endsWith("\n"), path);
            });
        }
    }

    @Test(dataProvider = "targets")
    public void whatBringsAReleaseOnIsTheSameToo(CodeTarget target) {
        for (int seed = 1; seed <= DRAWN; seed++) {
            var before = content(new Models(seed).model());
            var after = content(new Models(seed + 1L).edit(before.model()));
            var made = target.since(before, after);
            assertEquals(target.since(before, after), made);
            assertEquals(made.isPresent(), target.migrates());
            made.ifPresent(code -> assertTrue(code.files().containsKey("migrate.sql")));
        }
    }

    @Test(dataProvider = "targets")
    public void targetsAreKnownByTheirCodes(CodeTarget target) {
        assertEquals(CodeTarget.of(target.code()).orElseThrow(), target);
    }

    @Test
    public void namesThatMeanSomethingElseAreChangedAndTold() {
        var link = type("link", "Link", field("name", "Name", Kind.Text.PLAIN));
        var term = type("habitat_term", "Habitat term");
        var habitat = new Taxonomy(
                "xhabitat",
                "habitat",
                "Habitat",
                "Habitats",
                "",
                "habitats",
                false,
                false,
                List.of(),
                List.of(),
                List.of());
        var code = CodeTarget.TYPESCRIPT.of(content(new Model(List.of(link, term, habitat))));
        assertEquals(
                code.notes(),
                List.of(
                        "Link (links) is called Link_, since Link means something else here.",
                        "Habitat (taxonomies/habitat) is called HabitatTerm2, since HabitatTerm means something else here.",
                        "Habitat (taxonomies/habitat) is called habitatTerms2, since habitatTerms means something else here."));
        var text = code.files().get("model.ts");
        assertTrue(text.contains("export interface Link_ extends Stored"), text);
        assertTrue(text.contains("new Terms<HabitatTerm2, HabitatTerm2Change"), text);
    }

    @Test
    public void labelsCannotEndAComment() {
        var type = type("lock", "Lock */ alert(1) /*", field("rise", "Rise\n*/ x /*", Kind.Numeric.PLAIN));
        var text = CodeTarget.TYPESCRIPT
                .of(content(new Model(List.of(type))))
                .files()
                .get("model.ts");
        assertFalse(text.contains("*/ alert"), text);
        assertFalse(text.contains("*/ x"), text);
    }

    @Test
    public void whatTheApiKeepsBackIsInNoFile() {
        var secret = new Field(
                "fsecret", "secret", "Secret", "", false, Kind.Text.PLAIN, Condition.ALWAYS, Width.FULL, false, "");
        var type = type("lock", "Lock", field("rise", "Rise", Kind.Numeric.PLAIN), secret);
        for (var target : CodeTarget.values()) {
            var all = String.join(
                    "", target.of(content(new Model(List.of(type)))).files().values());
            assertTrue(all.contains("rise"), target.code());
            assertFalse(all.contains("secret"), target.code());
        }
    }

    @Test
    public void namesBeginWithALetterOrASign() {
        var names = new CodeNames(Set.of("Date"));
        assertEquals(names.take(CodeNames.pascal("2024-things"), "Things"), "_2024Things");
        assertEquals(names.take("Date", "Date"), "Date_");
        assertEquals(names.take("Date", "Another"), "Date2");
        assertEquals(CodeNames.camel("stoppage-notices"), "stoppageNotices");
        assertEquals(names.notes().size(), 3);
    }
}
