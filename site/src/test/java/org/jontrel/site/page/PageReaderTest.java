package org.jontrel.site.page;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.block.Arrangement;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.model.block.RecordsForm;
import org.jontrel.core.model.block.TextRole;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.page.PageMaker;
import org.jontrel.core.page.PageModel;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.value.Link;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.StatementCounter;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What pages read of a real site: in as many statements as their layouts are deep, and nothing that may not be seen. */
public class PageReaderTest {
    private Site site;
    private StatementCounter counter;
    private int blocks;

    @BeforeMethod
    public void makeSite() {
        counter = new StatementCounter(
                TestDatabase.shared().source(TestDatabase.shared().create()));
        site = Site.open(counter.source(), "test", Duration.ofSeconds(10));
    }

    private Block block(BlockKind kind) {
        return new Block("b%08d".formatted(++blocks), kind);
    }

    private Block field(String path) {
        return block(new BlockKind.FieldValue(path, Presentation.USUAL));
    }

    private Block title() {
        return block(new BlockKind.FieldValue("part_title", Presentation.HEADING));
    }

    private static RecordsForm form(Arrangement as, int limit) {
        return new RecordsForm(as, List.of(), List.of(new RecordsForm.Order("part_title", false)), limit);
    }

    private static Layout layout(String type, Block... blocks) {
        return new Layout(
                "y" + type + "1",
                "page_of_" + type.substring(1),
                "Page",
                "",
                type,
                Layout.LayoutUse.PAGE,
                Condition.ALWAYS,
                List.of(blocks));
    }

    private static Listing listing(String about, Condition where) {
        return new Listing(
                "qlist0001",
                "listed",
                "Listed",
                "",
                "ttree",
                where,
                about,
                List.of(new RecordsForm.Order("part_title", false)),
                10,
                Listing.ResultStyle.LINES,
                List.of(),
                "");
    }

    private PageModel install(org.jontrel.core.model.Definition... more) {
        Model model = Orchard.edited(Map.of("label: Keeps, many: false", "label: Keeps, many: true"));
        for (var each : more) {
            model = model.with(each);
        }
        var bad = ModelCheck.check(model);
        assertTrue(
                !Finding.blocks(bad),
                bad.stream().map(Finding::sentence).toList().toString());
        var outcome = site.runs().start(new Runs.RunTarget("1.0.0", model, List.of()), "anna", _ -> {});
        ((Runs.RunOutcome.Started) outcome).work().run();
        return new PageModel(site.installed().model());
    }

    private StoredRecord add(String type, RecordState state, Map<String, ?> raw, Link parent) {
        var write = Write.fresh(type, state, raw, "ben");
        var saved = site.records().save(parent == null ? write : write.under(parent));
        if (saved instanceof SaveResult.Stored stored) {
            return stored.record();
        }
        throw new AssertionError(saved.toString());
    }

    private StoredRecord tree(String title, Map<String, ?> more) {
        return tree(title, RecordState.PUBLISHED, more, null);
    }

    private StoredRecord tree(String title, RecordState state, Map<String, ?> more, Link parent) {
        var raw = new HashMap<String, Object>(Map.of("title", title, "tag", title, "fruits", false));
        raw.putAll(more);
        return add("ttree", state, raw, parent);
    }

    private List<PageNode> page(PageModel model, String type, StoredRecord record) {
        return page(model, type, record, Audience.VISITORS);
    }

    private List<PageNode> page(PageModel model, String type, StoredRecord record, Audience audience) {
        var data = PageReader.read(
                site, model, audience, "Field", type, List.of(record), model.needs(type, Layout.LayoutUse.PAGE));
        return data.record(new Link(type, record.id()))
                .map(each -> new PageMaker(model, data, LocalDate.of(2026, 5, 12)).page(each))
                .orElse(List.of());
    }

    private Object term(String label) {
        return site.records().all("xsort", 100).stream()
                .filter(term -> term.title().equals(label))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private static Map<String, Object> link(String type, StoredRecord to) {
        return Map.of("type", type, "id", to.id());
    }

    @Test
    public void theNumberOfStatementsDependsOnTheLayoutOnly() {
        var model = install(layout(
                "tperson",
                title(),
                block(new BlockKind.Related(
                        "ikeeps",
                        form(Arrangement.BLOCKS, 200),
                        List.of(
                                title(),
                                field("fheight"),
                                field("fkeeper.part_title"),
                                block(new BlockKind.Related(
                                        "ichildren",
                                        form(Arrangement.BLOCKS, 5),
                                        List.of(title(), field("fkeeper"), field("xsort")))))))));
        var sort = List.of(term("Apple"));
        var counts = new ArrayList<Integer>();
        var shown = new ArrayList<Integer>();
        for (int many : new int[] {1, 20, 200}) {
            var keeper = add("tperson", RecordState.PUBLISHED, Map.of("title", "Keeper of " + many), null);
            for (int i = 0; i < many; i++) {
                var kept = tree(many + "-" + i, Map.of("keeper", link("tperson", keeper), "sort", sort));
                if (i < 3) {
                    tree(many + "+" + i, Map.of("parents", List.of(link("ttree", kept)), "sort", sort));
                }
            }
            var record = site.records().byId("tperson", keeper.id()).orElseThrow();
            page(model, "tperson", record);
            counts.add(counter.during(() -> page(model, "tperson", record)));
            shown.add(items(page(model, "tperson", record)));
        }
        assertEquals(shown, List.of(1, 20, 200));
        assertEquals(counts.get(1), counts.get(0), counts.toString());
        assertEquals(counts.get(2), counts.get(0), counts.toString());
    }

    /** All sorts, the trees of each below it, each tree with its keeper: terms in their order, those below a term left out. */
    @Test
    public void aListingOfTermsHasRecordsBelowEach() {
        var trees = block(new BlockKind.Related(
                "ttree", form(Arrangement.BLOCKS, 200), List.of(title(), field("fkeeper.part_title"))));
        var sorts = new Layout(
                "ysorts001",
                "trees_of_sort",
                "Trees of a sort",
                "",
                "xsort",
                Layout.LayoutUse.CARD,
                Condition.ALWAYS,
                List.of(title(), trees));
        var listing = new Listing(
                "qsorts001",
                "sorts",
                "Sorts",
                "",
                "xsort",
                new Condition.Not(new Condition.ParentIs(List.of())),
                "",
                List.of(),
                10,
                Listing.ResultStyle.LAYOUT,
                List.of(),
                "ysorts001");
        var model = install(sorts, listing, layout("tplot", title(), block(new BlockKind.ListingUse("qsorts001"))));
        var counts = new ArrayList<Integer>();
        var plot = add("tplot", RecordState.PUBLISHED, Map.of("title", "Plot"), null);
        for (int many : new int[] {1, 20, 100}) {
            var keeper = add("tperson", RecordState.PUBLISHED, Map.of("title", "Keeper of " + many), null);
            for (int i = 0; i < many; i++) {
                var more = Map.of(
                        "keeper", link("tperson", keeper), "sort", List.of(term(i == 0 ? "Cider apple" : "Pear")));
                tree("Tree " + many + "-" + i, more);
            }
            page(model, "tplot", plot);
            counts.add(counter.during(() -> page(model, "tplot", plot)));
            var words = words(page(model, "tplot", plot));
            assertTrue(words.contains("Tree " + many + "-0") && words.contains("Keeper of " + many), words);
            assertTrue(words.indexOf("text=Apple") < words.indexOf("text=Pear"), words);
            assertTrue(!words.contains("text=Cider apple"), words);
        }
        assertEquals(counts.get(1), counts.get(0), counts.toString());
        assertEquals(counts.get(2), counts.get(0), counts.toString());
    }

    private static String value(String path) {
        return "<p>" + path + ": <span data-value=\"" + path + "\"></span></p>";
    }

    /** Values and listings in the texts of many records are read for all of them together. */
    @Test
    public void neitherDoesItDependOnTheNumberOfTexts() {
        var model = install(
                listing("xsort", Condition.ALWAYS),
                layout(
                        "tperson",
                        title(),
                        block(new BlockKind.Related(
                                "ikeeps", form(Arrangement.BLOCKS, 200), List.of(title(), field("fstory"))))));
        var story = value("fheight") + value("fkeeper") + value("fkeeper.part_title") + value("own_site.voffice.fdesk")
                + value("xsort") + "<div data-listing=\"qlist0001\"></div>";
        var sort = List.of(term("Apple"));
        var counts = new ArrayList<Integer>();
        for (int many : new int[] {2, 20, 200}) {
            var keeper = add("tperson", RecordState.PUBLISHED, Map.of("title", "Keeper of " + many), null);
            for (int i = 0; i < many; i++) {
                var more = Map.of(
                        "keeper", link("tperson", keeper), "sort", sort, "height", String.valueOf(i), "story", story);
                tree(many + "-" + i, more);
            }
            var record = site.records().byId("tperson", keeper.id()).orElseThrow();
            page(model, "tperson", record);
            counts.add(counter.during(() -> page(model, "tperson", record)));
            var words = words(page(model, "tperson", record));
            assertTrue(words.contains("fkeeper: Keeper of " + many), words);
            assertTrue(words.contains("xsort: Apple") && words.contains("fheight: 0"), words);
        }
        assertEquals(counts.get(1), counts.get(0), counts.toString());
        assertEquals(counts.get(2), counts.get(0), counts.toString());
    }

    /** Texts whose listings show records with such texts, and so on. */
    @Test
    public void textsThatLeadToOneAnotherComeToAnEnd() {
        var model = install(
                listing("", Condition.ALWAYS),
                layout("ttree", title(), field("fstory")),
                new Layout(
                        "yrow00001",
                        "row_of_tree",
                        "Row",
                        "",
                        "ttree",
                        Layout.LayoutUse.ROW,
                        Condition.ALWAYS,
                        List.of(title(), field("fstory"))));
        var story = value("fheight") + "<div data-listing=\"qlist0001\"></div>";
        var one = tree("One", Map.of("story", story, "height", "1"));
        tree("Two", Map.of("story", story, "height", "2"));
        var words = words(page(model, "ttree", one));
        assertTrue(words.contains("fheight: 2"), words);
        assertTrue(words.length() < 1_000_000, words.length() + " characters");
    }

    private static int items(List<PageNode> nodes) {
        return nodes.stream()
                .mapToInt(node -> switch (node) {
                    case PageNode.SectionNode section -> items(section.shown());
                    case PageNode.ItemsNode items -> items.items().size();
                    default -> 0;
                })
                .sum();
    }

    private static String words(List<PageNode> nodes) {
        return nodes.toString();
    }

    @Test
    public void whatVisitorsMayNotSeeIsInNoList() {
        var model = install(
                listing("", Condition.ALWAYS),
                layout(
                        "tperson",
                        title(),
                        block(new BlockKind.Related("ikeeps", form(Arrangement.NAMES, 200), List.of())),
                        block(new BlockKind.ListingUse("qlist0001"))),
                layout(
                        "tplot",
                        title(),
                        block(new BlockKind.Children(form(Arrangement.LINES, 200), List.of())),
                        field("own_parent.part_title")),
                layout(
                        "ttree",
                        title(),
                        block(new BlockKind.Related("fparents", form(Arrangement.CARDS, 9), List.of())),
                        block(new BlockKind.Neighbours()),
                        block(new BlockKind.Prose("Kept by {fkeeper.part_title}.", TextRole.PLAIN))));
        var keeper = add("tperson", RecordState.PUBLISHED, Map.of("title", "Keeper"), null);
        var secret = add("tperson", RecordState.DRAFT, Map.of("title", "Secret keeper"), null);
        var hiddenPlot = add("tplot", RecordState.DRAFT, Map.of("title", "Hidden plot"), null);
        var plot = add("tplot", RecordState.PUBLISHED, Map.of("title", "Plot"), new Link("tplot", hiddenPlot.id()));
        var in = new Link("tplot", plot.id());
        var sort = Map.of("sort", List.of(term("Apple")));
        var with = new HashMap<String, Object>(sort);
        with.put("keeper", link("tperson", keeper));
        tree("Seen", RecordState.PUBLISHED, with, in);
        var draft = tree("Hidden draft", RecordState.DRAFT, with, in);
        var retired = tree("Hidden retired", RecordState.RETIRED, with, in);
        var graft = new HashMap<String, Object>(sort);
        graft.put("parents", List.of(link("ttree", draft), link("ttree", retired)));
        graft.put("keeper", link("tperson", secret));
        var last = tree("Zeta", RecordState.PUBLISHED, graft, null);
        for (var page :
                List.of(page(model, "tperson", keeper), page(model, "tplot", plot), page(model, "ttree", last))) {
            var words = words(page);
            assertTrue(!words.contains("Hidden") && !words.contains("Secret"), words);
        }
        assertTrue(words(page(model, "tperson", keeper)).contains("Seen"));
        assertTrue(words(page(model, "tplot", plot)).contains("Seen"));
        assertEquals(page(model, "tperson", secret), List.of(), "a page of its own has it neither");
        var asPeople = words(page(model, "tperson", keeper, Audience.PEOPLE));
        assertTrue(asPeople.contains("Hidden draft"), "people who are signed in see it: " + asPeople);
    }

    @Test
    public void aListingMayBeAboutTheRecordThatIsShown() {
        var model = install(
                listing("xsort", new Condition.FieldIs("ffruits", Condition.Test.IS, List.of("false"))),
                layout("ttree", title(), block(new BlockKind.ListingUse("qlist0001"))));
        var apple = Map.of("sort", List.of(term("Apple")));
        var one = tree("One", apple);
        tree("Two", apple);
        tree("Other", Map.of("sort", List.of(term("Pear"))));
        var words = words(page(model, "ttree", one));
        assertTrue(words.contains("Two") && !words.contains("Other"), words);
        assertEquals(words.split("text=One").length, 2, "itself only in its heading: " + words);
    }

    @Test
    public void aListingFindsByStarterTerms() {
        var model = install(
                listing("", new Condition.TermIs("xsort", Condition.Test.UNDER, List.of("wapple"))),
                layout("tperson", title(), block(new BlockKind.ListingUse("qlist0001"))));
        tree("One", Map.of("sort", List.of(term("Apple"))));
        tree("Other", Map.of("sort", List.of(term("Pear"))));
        var words = words(page(model, "tperson", add("tperson", RecordState.PUBLISHED, Map.of("title", "P"), null)));
        assertTrue(words.contains("One") && !words.contains("Other"), words);
    }

    @Test
    public void whatStandsBelowIsInTheOrderOfItsPlaces() {
        var model = install(layout(
                "tplot",
                title(),
                block(new BlockKind.Children(
                        new RecordsForm(Arrangement.NAMES, List.of(), List.of(), 10), List.of()))));
        var plot = add("tplot", RecordState.PUBLISHED, Map.of("title", "Plot"), null);
        var in = new Link("tplot", plot.id());
        tree("Zeta", RecordState.PUBLISHED, Map.of(), in);
        tree("Alpha", RecordState.PUBLISHED, Map.of(), in);
        var words = words(page(model, "tplot", plot));
        assertTrue(words.contains("Alpha") && words.indexOf("Zeta") < words.indexOf("Alpha"), words);
    }

    @Test
    public void neighboursAreThoseOfTheIndex() {
        var model = install(layout("ttree", title(), block(new BlockKind.Neighbours())));
        var sort = Map.of("sort", List.of(term("Apple")));
        var all = new ArrayList<StoredRecord>();
        for (int i = 1; i <= 3; i++) {
            var raw = new HashMap<String, Object>(sort);
            raw.put("planted", "200" + i + "-01-01");
            all.add(tree("Tree " + i, raw));
        }
        var beside = (PageNode.NeighboursNode) page(model, "ttree", all.get(1)).getLast();
        assertTrue(beside.before().orElseThrow().toString().contains("Tree 1"), beside.toString());
        assertTrue(beside.after().orElseThrow().toString().contains("Tree 3"), beside.toString());
        var first =
                (PageNode.NeighboursNode) page(model, "ttree", all.getFirst()).getLast();
        assertTrue(first.before().isEmpty() && first.after().isPresent(), first.toString());
    }
}
