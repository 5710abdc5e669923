package org.jontrel.core.page;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.generated.Models;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.page.index.AskedList;
import org.jontrel.core.page.index.IndexFilters;
import org.jontrel.core.page.index.IndexPage;
import org.jontrel.core.page.index.SampleFacts;
import org.jontrel.core.page.node.PageNode;
import org.jontrel.core.value.Link;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What the index of a type shows, and what its addresses mean. */
public class IndexPageTest {
    private static final int CASES = Integer.getInteger("laws", 300);
    static final String TYPE = """
            key: lock
            singular: Lock
            plural: Locks
            path: locks
            description: What boats climb by.
            %s
            groups:
              - title: Size
                fields:
                  - {key: rise, label: Rise, kind: number, decimals: 1, unit: m}
                  - {key: manned, label: Manned, kind: yes_no}
                  - {key: built, label: Built, kind: date}
                  - {key: q, label: Question, kind: choice, options: [{key: good, label: Good}, {key: bad, label: Bad}]}
            taxonomies: [{use: water}]
            """;
    private static final String WATER = """
            key: water
            singular: Water
            plural: Waters
            path: waters
            hierarchical: true
            fields: [{key: tint, label: Tint, kind: colour}]
            terms: [{key: main, label: Main Line, values: {tint: "#112233"}, children: [{key: flight, label: Flight}]}]
            """;

    static PageModel model(String index) {
        return modelOf(TYPE.formatted(index));
    }

    static PageModel modelOf(String type) {
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", bytes("format: 3\nname: locks\nversion: 1.0.0\n"));
        files.put("types/lock.yaml", bytes(type));
        files.put("taxonomies/water.yaml", bytes(WATER));
        var read = PackageReader.read(files, List.of());
        return new PageModel(new Identities(Model.EMPTY, new Ids(new java.util.Random(1)))
                .complete(
                        read.content()
                                .orElseThrow(() -> new AssertionError(read.findings()))
                                .model(),
                        read.was()));
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static List<PageNode> index(PageModel model, ContentType type, PageData data, AskedList asked) {
        var records = new SampleData(model, "Bench", model.indexNeeds(type))
                .some(type.id(), 2).stream()
                        .flatMap(record -> data.record(record.link()).stream())
                        .toList();
        return new IndexPage(
                        model,
                        type,
                        new PageMaker(model, data, LocalDate.of(2026, 5, 12)),
                        asked,
                        SampleFacts.of(model, type, asked.filters()))
                .of(SampleFacts.found(records));
    }

    private static String words(String index, Map<String, List<String>> asked) {
        var model = model(index);
        var type = model.model().types().getFirst();
        var data = new SampleData(model, "Bench", model.indexNeeds(type));
        return PageWords.of(index(model, type, data, AskedList.of(IndexFilters.of(model, type), asked)));
    }

    @DataProvider
    public Object[][] indexes() {
        return new Object[][] {
            {"", Map.of(), "# Locks\nWhat boats climb by.\n- ## Lock 1\n(Main Line)#112233\n- ## Lock 2\n(Flight)"},
            {
                "index: {intro: Ours., as: table, columns: [title, rise]}",
                Map.of(),
                "# Locks\nOurs.\n| Title | Rise\n| Lock 1 | 8.0\u00a0m\n| Lock 2 | 15.0\u00a0m"
            },
            {
                "index: {as: lines, filters: [water, q, manned, rise], search: true}",
                Map.of(),
                "? 2 locks\n? Search locks []\n? Waters: [ ](Main Line)#112233 1, >[ ]Flight 2\n"
                        + "? Question: [ ]Good 1, [ ]Bad 2\n? Manned: [ ]Yes 1, [ ]No 2\n? Rise: []-[] of -m"
            },
            {
                "index: {as: lines, filters: [q, rise], search: true}",
                Map.of(
                        "water", List.of("flight"),
                        "q_", List.of("good", "worse"),
                        "q", List.of(" steep "),
                        "rise.from", List.of("2"),
                        "rise.to", List.of("high"),
                        "manned", List.of("yes"),
                        "utm", List.of("x")),
                "? 2 locks\n! “worse” under Question is not known, so it was left out.\n"
                        + "! “high” cannot be compared with Rise, so it was left out.\n"
                        + "x Question: Good\nx Rise from 2 m\nx Water: Flight\nx “steep”\n"
                        + "~ water=flight\n? Search locks [steep]\n? Question: [x]Good 1, [ ]Bad 2\n"
                        + "? Rise: [2]-[high] of -m"
            },
        };
    }

    @Test(dataProvider = "indexes")
    public void anIndexShowsWhatItsDefinitionAndAddressSay(
            String index, Map<String, List<String>> asked, String wanted) {
        var words = words(index, asked);
        assertTrue(words.contains(wanted), words);
    }

    @Test
    public void noPartOfAnIndexIsEmptyAndItShowsWhatItSaidItNeeds() {
        for (long seed = 1; seed <= CASES; seed++) {
            var model = new PageModel(new Models(seed).model());
            for (var type : model.model().types()) {
                var needs = model.indexNeeds(type);
                var all = new SampleData(model, "Bench", needs);
                var asked = AskedList.nothing(IndexFilters.of(model, type));
                var page = index(model, type, all, asked);
                var about = "seed " + seed + ", " + type.key() + "\n" + PageWords.of(page);
                assertEquals(PageWords.empty(page), List.of(), about);
                assertEquals(
                        PageWords.headings(page).stream()
                                .filter(level -> level == 1)
                                .count(),
                        1,
                        about);
                var roots = Set.of(new Link(type.id(), 1), new Link(type.id(), 2));
                var needed = new NeededData(model, all, needs, roots);
                assertEquals(PageWords.of(index(model, type, needed, asked)), PageWords.of(page), about);
            }
        }
    }
}
