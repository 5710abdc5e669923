package org.jontrel.core.page;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.code.PackageWriter;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Look;
import org.jontrel.core.model.Model;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.kind.Insertions;
import org.testng.annotations.Test;

/** Laws of pages that hold for every model; each case's seed is in its message. */
public class PageLawTest {
    private static final int CASES = Integer.getInteger("laws", 200);
    private static final LocalDate TODAY = LocalDate.of(2026, 5, 12);

    private interface PageLaw {
        void holds(PageModel model, RecordType recordType, String seed);
    }

    private static void forAll(PageLaw law) {
        for (long seed = 1; seed <= CASES; seed++) {
            var model = new PageModel(new Models(seed).model());
            for (var recordType : RecordType.all(model.model())) {
                if (!recordType.single()) {
                    law.holds(model, recordType, "seed " + seed + ", " + recordType);
                }
            }
        }
    }

    private static List<PageNode> page(PageModel model, PageData data, RecordType recordType) {
        return new PageMaker(model, data, TODAY)
                .page(data.record(new Link(recordType.id(), 1)).orElseThrow());
    }

    private static SampleData samples(PageModel model, RecordType recordType) {
        return new SampleData(model, "Bench", model.needs(recordType.id(), Layout.LayoutUse.PAGE));
    }

    @Test
    public void noPartOfAPageIsEmpty() {
        forAll((model, recordType, seed) -> {
            var page = page(model, samples(model, recordType), recordType);
            assertEquals(PageWords.empty(page), List.of(), seed + "\n" + PageWords.of(page));
        });
    }

    @Test
    public void aPageHasOneHeadingOfTheFirstLevelAndSkipsNone() {
        forAll((model, recordType, seed) -> {
            var page = page(model, samples(model, recordType), recordType);
            var levels = PageWords.headings(page);
            assertEquals(levels.stream().filter(level -> level == 1).count(), 1, seed + "\n" + PageWords.of(page));
            for (int i = 1; i < levels.size(); i++) {
                assertTrue(levels.get(i) <= levels.get(i - 1) + 1, seed + ": " + levels + "\n" + PageWords.of(page));
            }
        });
    }

    @Test
    public void whatAPageShowsIsWhatItSaidItNeeds() {
        forAll((model, recordType, seed) -> {
            var all = samples(model, recordType);
            var needed = new NeededData(
                    model,
                    all,
                    model.needs(recordType.id(), Layout.LayoutUse.PAGE),
                    Set.of(new Link(recordType.id(), 1)));
            assertEquals(
                    PageWords.of(page(model, needed, recordType)), PageWords.of(page(model, all, recordType)), seed);
        });
    }

    /** Whatever stands in texts: all of it is shown, was asked for, and comes to an end. */
    @Test
    public void whatStandsInTextsIsShown() {
        var inserted = new AtomicInteger();
        forAll((model, recordType, seed) -> {
            var all = new TextedData(model, samples(model, recordType));
            var needed = new NeededData(
                    model,
                    all,
                    model.needs(recordType.id(), Layout.LayoutUse.PAGE),
                    Set.of(new Link(recordType.id(), 1)));
            var page = page(model, needed, recordType);
            var words = PageWords.of(page);
            assertEquals(words, PageWords.of(page(model, all, recordType)), seed);
            assertEquals(PageWords.empty(page), List.of(), seed + "\n" + words);
            assertFalse(words.contains(Insertions.VALUE) || words.contains(Insertions.LISTING), seed + "\n" + words);
            inserted.addAndGet(words.contains("<p>") ? 1 : 0);
        });
        assertTrue(inserted.get() > CASES / 10, inserted + " pages with texts");
    }

    /** Home pages and looks name values of the site alone. */
    @Test
    public void whatShowsValuesOfTheSiteSaidThatItNeedsThem() {
        for (long seed = 1; seed <= 3 * CASES; seed++) {
            var model = new PageModel(new Models(seed).model());
            var at = "seed " + seed;
            model.home().ifPresent(home -> {
                var all = new SampleData(model, "Bench", model.needs(home));
                var needed = new NeededData(model, all, model.needs(home), Set.of());
                assertEquals(
                        PageWords.of(new PageMaker(model, needed, TODAY).home(home)),
                        PageWords.of(new PageMaker(model, all, TODAY).home(home)),
                        at);
            });
            model.model().all(Look.class).forEach(look -> {
                var all = new SampleData(model, "Bench", model.needs(look));
                var needed = new NeededData(model, all, model.needs(look), Set.of());
                var around = new PageMaker(model, all, TODAY).around(look);
                assertEquals(new PageMaker(model, needed, TODAY).around(look), around, at);
                assertEquals(PageWords.empty(around.footer()), List.of(), at);
            });
        }
    }

    @Test
    public void whereNobodyHasLaidOutAPageItShowsEveryFieldThatIsFilled() {
        forAll((model, recordType, seed) -> {
            if (model.layouts(recordType.id(), Layout.LayoutUse.PAGE).size() > 1) {
                return;
            }
            var data = samples(model, recordType);
            var seen = new SeenRecords(model, data)
                    .record(new Link(recordType.id(), 1))
                    .orElseThrow();
            var page = PageWords.of(page(model, data, recordType));
            recordType.fields().filter(PageLawTest::isText).forEach(field -> {
                var value = seen.values().get(field.id());
                if (value != null) {
                    var text = Values.show(field.kind(), value);
                    assertTrue(page.contains(text), seed + ": " + field.label() + " “" + text + "” in\n" + page);
                }
            });
        });
    }

    private static boolean isText(Field field) {
        return switch (field.kind()) {
            case Kind.Text _, Kind.LongText _, Kind.Email _, Kind.Phone _, Kind.Url _, Kind.Choice _ -> true;
            default -> false;
        };
    }

    @Test
    public void keysMayBeOthersAndPagesStayTheSame() {
        forAll((model, recordType, seed) -> {
            var renamed = new PageModel(renamed(model.model()));
            var other = renamed.recordType(recordType.id()).orElseThrow();
            assertEquals(
                    PageWords.of(page(renamed, samples(renamed, other), other)),
                    PageWords.of(page(model, samples(model, recordType), recordType)),
                    seed);
            assertEquals(
                    PageWords.of(page(renamed, new TextedData(renamed, samples(renamed, other)), other)),
                    PageWords.of(page(model, new TextedData(model, samples(model, recordType)), recordType)),
                    seed + ", with values in texts");
        });
    }

    /** The model with other keys for definitions and fields. */
    private static Model renamed(Model model) {
        var findings = new ArrayList<Finding>();
        var renamed = new Model(model.definitions().stream()
                .map(definition -> PackageReader.definition(
                                Definition.class, definition.sort(), renamed(PackageWriter.tree(definition)), findings)
                        .orElseThrow())
                .toList());
        assertEquals(findings, List.of());
        return renamed;
    }

    private static Object renamed(Object tree) {
        return switch (tree) {
            case Map<?, ?> map -> {
                var other = new LinkedHashMap<Object, Object>();
                map.forEach((name, value) -> other.put(
                        name, name.equals("key") ? "r_" + value : name.equals("options") ? value : renamed(value)));
                yield other;
            }
            case List<?> list -> list.stream().map(PageLawTest::renamed).collect(Collectors.toList());
            default -> tree;
        };
    }
}
