package org.jontrel.site.page;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeSet;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Index;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.page.PageMaker;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.index.AskedList;
import org.jontrel.core.page.index.FoundList;
import org.jontrel.core.page.index.IndexFilter;
import org.jontrel.core.page.index.IndexPage;
import org.jontrel.core.page.node.FilterForm;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.StatementCounter;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What the index of a type finds and counts on a real site. */
public class IndexReaderTest {
    private static final List<String> FILTERS =
            List.of("xsort", "xlabel", "fmood", "fuses", "ffruits", "fyield", "fheight", "fplanted");
    private Site site;
    private StatementCounter counter;
    private PageModel model;
    private int number;

    @BeforeMethod
    public void makeSite() {
        number = 0;
        counter = new StatementCounter(
                TestDatabase.shared().source(TestDatabase.shared().create()));
        site = Site.open(counter.source(), "test", Duration.ofSeconds(10));
    }

    private void install(String group, int pageSize) {
        var orchard = Orchard.model();
        var type = orchard.find(ContentType.class, "ttree").orElseThrow();
        var index = new Index(
                true,
                "part_title",
                false,
                pageSize,
                Index.ListForm.CARDS,
                List.of(),
                Index.Across.FITTING,
                group,
                "",
                FILTERS,
                true);
        var changed = orchard.with(type.withIndex(index));
        var bad = ModelCheck.check(changed);
        assertTrue(
                !Finding.blocks(bad),
                bad.stream().map(Finding::sentence).toList().toString());
        var outcome = site.runs().start(new Runs.RunTarget("1.0.0", changed, List.of()), "anna", _ -> {});
        ((Runs.RunOutcome.Started) outcome).work().run();
        model = new PageModel(site.installed().model());
    }

    private void tree(RecordState state, Map<String, ?> more) {
        var title = "Tree " + ++number;
        var raw = new HashMap<String, Object>(Map.of("title", title, "tag", title, "fruits", false));
        raw.putAll(more);
        var saved = site.records().save(Write.fresh("ttree", state, raw, "ben"));
        if (!(saved instanceof SaveResult.Stored)) {
            throw new AssertionError(saved.toString());
        }
    }

    private long term(String taxonomy, String label) {
        return site.records().all(taxonomy, 100).stream()
                .filter(term -> term.title().equals(label))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private void rename(String label, String slug) {
        var before = site.records().byId("xsort", term("xsort", label)).orElseThrow();
        var saved = site.records()
                .save(Write.change("xsort", before, Map.of("label", label), true, "ben")
                        .at(slug));
        assertTrue(saved instanceof SaveResult.Stored, saved.toString());
    }

    private void label(String title) {
        assertTrue(
                site.records().save(Write.fresh("xlabel", RecordState.PUBLISHED, Map.of("label", title), "ben"))
                        instanceof SaveResult.Stored);
    }

    private IndexReader reader() {
        return new IndexReader(site, model, Audience.VISITORS, "Field", type());
    }

    private ContentType type() {
        return model.model().find(ContentType.class, "ttree").orElseThrow();
    }

    private IndexReader.ReadIndex read(Map<String, List<String>> parameters) {
        var reader = reader();
        return reader.read(AskedList.of(reader.filters(), parameters));
    }

    private FilterForm form(IndexReader.ReadIndex read) {
        var maker = new PageMaker(model, read.data(), LocalDate.of(2026, 5, 12));
        return new IndexPage(model, type(), maker, read.asked(), read.facts())
                .of(read.found()).stream()
                        .filter(PageNode.FilteredNode.class::isInstance)
                        .map(node -> ((PageNode.FilteredNode) node).form())
                        .findFirst()
                        .orElseThrow();
    }

    /** Trees with all that can be filtered, at random, some of them where visitors may not see them. */
    private void plant(int count) {
        label("Old");
        label("Rare");
        var random = new Random(7);
        for (int i = 0; i < count; i++) {
            var raw = new HashMap<String, Object>();
            var sort = new String[] {"Apple", "Cider apple", "Pear", ""}[random.nextInt(4)];
            if (!sort.isEmpty()) {
                raw.put(
                        "sort",
                        random.nextInt(4) == 0 && !sort.equals("Pear")
                                ? List.of(term("xsort", sort), term("xsort", "Pear"))
                                : List.of(term("xsort", sort)));
            }
            if (random.nextBoolean()) {
                raw.put("label", List.of(term("xlabel", random.nextBoolean() ? "Old" : "Rare")));
            }
            boolean fruits = random.nextBoolean();
            raw.put("fruits", fruits);
            if (fruits) {
                raw.put("yield", String.valueOf(random.nextInt(50)));
            }
            if (random.nextBoolean()) {
                raw.put("mood", random.nextBoolean() ? "fine" : "ill");
            }
            raw.put("uses", random.nextBoolean() ? List.of("table", "juice") : List.of("juice"));
            raw.put("height", random.nextInt(9) + ".50");
            raw.put("planted", "20%02d-03-01".formatted(random.nextInt(20)));
            tree(i % 5 == 4 ? RecordState.DRAFT : RecordState.PUBLISHED, raw);
        }
    }

    private static Map<String, List<String>> with(Map<String, List<String>> asked, String name, String value) {
        var all = new HashMap<>(asked);
        all.put(name, List.of(value));
        return all;
    }

    @Test
    public void theNumberBesideAValueIsWhatOneGetsByChoosingIt() {
        install("", 200);
        plant(60);
        var random = new Random(3);
        int compared = 0;
        for (int round = 0; round < 12; round++) {
            Map<String, List<String>> asked = new HashMap<>();
            for (int i = 0; i < round % 4; i++) {
                var some = form(read(asked)).controls().get(random.nextInt(5));
                if (some instanceof FilterForm.TickControl ticks) {
                    var tick = ticks.ticks().get(random.nextInt(ticks.ticks().size()));
                    asked = with(asked, ticks.name(), tick.value());
                }
            }
            if (round % 3 == 2) {
                asked = with(asked, "height.from", "2");
                asked = with(asked, "q", "tree");
            }
            for (var control : form(read(asked)).controls()) {
                if (control instanceof FilterForm.TickControl ticks) {
                    for (var tick : ticks.ticks()) {
                        var chosen = read(with(asked, ticks.name(), tick.value()));
                        assertEquals(
                                chosen.found().records().size(),
                                tick.count(),
                                ticks.name() + "=" + tick.value() + " with " + asked);
                        compared++;
                    }
                }
            }
        }
        assertTrue(compared > 60, "so many were compared: " + compared);
    }

    @Test
    public void valuesOfSeveralFiltersMustAllBeThereAndOfOneAny() {
        install("", 200);
        tree(
                RecordState.PUBLISHED,
                Map.of("mood", "fine", "height", "3", "sort", List.of(term("xsort", "Cider apple"))));
        tree(RecordState.PUBLISHED, Map.of("mood", "ill", "height", "4", "sort", List.of(term("xsort", "Apple"))));
        tree(RecordState.PUBLISHED, Map.of("mood", "ill", "height", "5", "sort", List.of(term("xsort", "Pear"))));
        assertEquals(titles(Map.of("sort", List.of("apple"))), List.of("Tree 1", "Tree 2"), "what is under it too");
        assertEquals(titles(Map.of("sort", List.of("apple/cider"))), List.of("Tree 1"));
        assertEquals(titles(Map.of("sort", List.of("apple", "pear"))), List.of("Tree 1", "Tree 2", "Tree 3"));
        assertEquals(titles(Map.of("sort", List.of("apple"), "mood", List.of("ill"))), List.of("Tree 2"));
        assertEquals(titles(Map.of("height.from", List.of("4"), "height.to", List.of("4.5"))), List.of("Tree 2"));
        assertEquals(titles(Map.of("q", List.of("tree 3"))), List.of("Tree 3"));
        rename("Pear", "perry-pear");
        assertEquals(titles(Map.of("sort", List.of("pear"))), List.of("Tree 3"), "by the address that it had before");
        assertEquals(titles(Map.of("sort", List.of("perry-pear"))), List.of("Tree 3"));
        assertEquals(titles(Map.of("mood", List.of("well"))).size(), 3, "what no record can have is left out");
        var problems = form(read(
                        Map.of("mood", List.of("well"), "height.from", List.of("tall"), "sort", List.of("plum"))))
                .problems();
        assertEquals(
                problems,
                List.of(
                        "“plum” under Sorts is not known, so it was left out.",
                        "“well” under Mood is not known, so it was left out.",
                        "“tall” cannot be compared with Height, so it was left out."));
    }

    private List<String> titles(Map<String, List<String>> asked) {
        return read(asked).found().records().stream()
                .map(record -> record.title())
                .toList();
    }

    @Test
    public void whatVisitorsMayNotSeeIsInNoCount() {
        install("fmood", 200);
        tree(RecordState.PUBLISHED, Map.of("mood", "fine", "height", "2"));
        var before = read(Map.of());
        tree(RecordState.DRAFT, Map.of("mood", "ill", "height", "90", "fruits", true, "yield", "5"));
        tree(RecordState.RETIRED, Map.of("mood", "fine", "height", "1", "uses", List.of("juice")));
        var after = read(Map.of());
        assertEquals(after.facts(), before.facts());
        assertEquals(after.found(), before.found());
    }

    @Test
    public void whatHasATermThatVisitorsMayNotSeeIsNotCountedByTheTermsAbove() {
        install("xsort", 200);
        tree(RecordState.PUBLISHED, Map.of("sort", List.of(term("xsort", "Apple"))));
        var hidden = Write.fresh("xsort", RecordState.DRAFT, Map.of("label", "Secret apple"), "ben")
                .under(new Link("xsort", term("xsort", "Apple")));
        assertTrue(site.records().save(hidden) instanceof SaveResult.Stored);
        var before = read(Map.of());
        tree(RecordState.PUBLISHED, Map.of("sort", List.of(term("xsort", "Secret apple"))));
        var after = read(Map.of());
        assertEquals(
                after.facts().counts().get("xsort"), before.facts().counts().get("xsort"));
        assertEquals(
                after.found().groups().stream()
                        .map(group -> group.label() + " " + group.records().size())
                        .toList(),
                List.of("Apple 1", "Without sorts 1"),
                "for visitors it has none");
    }

    @Test
    public void everyRecordIsInAGroupOrReachedFromOne() {
        install("fmood", 3);
        plant(60);
        var all = new TreeSet<Long>();
        for (var group : read(Map.of()).found().groups()) {
            Map<String, List<String>> asked = Map.of("mood", List.of(group.value()));
            var page = read(asked);
            assertEquals(page.found().groups(), List.<FoundList.FoundGroup>of());
            page.found().records().forEach(record -> all.add(record.link().id()));
            for (var next = page.found().next();
                    next.isPresent();
                    next = page.found().next()) {
                page = read(with(asked, "after", next.get()));
                page.found().records().forEach(record -> all.add(record.link().id()));
            }
        }
        assertEquals(all.size(), 48, "four fifths of them are published");
    }

    @Test
    public void valuesThatARecordDoesNotShowAreNotCounted() {
        install("", 200);
        tree(RecordState.PUBLISHED, Map.of("fruits", true, "yield", "7"));
        tree(RecordState.PUBLISHED, Map.of("fruits", false));
        var record = site.records()
                .page("ttree", org.jontrel.site.record.read.ListQuery.ALL)
                .orElseThrow()
                .records();
        assertEquals(record.size(), 2);
        assertEquals(titles(Map.of("yield.from", List.of("1"))), List.of("Tree 1"));
        var range = form(read(Map.of())).controls().stream()
                .filter(control -> control.label().equals("Yield"))
                .map(control -> (FilterForm.RangeControl) control)
                .findFirst()
                .orElseThrow();
        assertEquals(range.least() + range.most(), "", "not every record shows it, so its bounds are not told");
    }

    @Test
    public void groupsShowTheirFirstRecordsAndHowManyThereAre() {
        install("xsort", 2);
        for (int i = 0; i < 3; i++) {
            tree(RecordState.PUBLISHED, Map.of("sort", List.of(term("xsort", "Cider apple"))));
        }
        tree(RecordState.PUBLISHED, Map.of("sort", List.of(term("xsort", "Pear"))));
        tree(RecordState.PUBLISHED, Map.of());
        var groups = read(Map.of()).found().groups();
        assertEquals(
                groups.stream()
                        .map(group -> group.label() + " " + group.records().size() + " of " + group.count())
                        .toList(),
                List.of("Apple 2 of 3", "Pear 1 of 1", "Without sorts 1 of 0"));
        assertEquals(
                read(Map.of("sort", List.of("apple/cider", "pear"))).found().groups().stream()
                        .map(group -> group.label() + " " + group.records().size())
                        .toList(),
                List.of("Pear 1", "Cider apple 2"),
                "what was chosen, wherever it stands");
        var one = read(Map.of("sort", List.of("apple"))).found();
        assertEquals(one.groups(), List.<FoundList.FoundGroup>of(), "one group alone has pages");
        assertEquals(one.records().size(), 2);
        assertTrue(one.next().isPresent());
    }

    @Test
    public void theNumberOfStatementsDoesNotDependOnTheNumberOfRecords() {
        install("", 200);
        plant(40);
        Map<String, List<String>> asked = Map.of("sort", List.of("apple"), "height.from", List.of("0"));
        read(asked);
        int few = counter.during(() -> read(asked));
        plant(80);
        assertEquals(counter.during(() -> read(asked)), few);
        assertTrue(IndexFilter.kindOf(type().field("fmood").orElseThrow()).isPresent());
    }
}
