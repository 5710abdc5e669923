package org.jontrel.core.page;

import static org.testng.Assert.assertEquals;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import org.jontrel.core.check.ModelCheck;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.value.Link;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What each kind of block shows, with made-up records. */
public class PageBlocksTest {
    private static final String[] FILES = {
        "package.yaml", "format: 3\nname: locks\nversion: 1.0.0\n",
        "types/lock.yaml", """
                key: lock
                singular: Lock
                plural: Locks
                path: locks
                parts: [title, summary]
                nested: {under: [lock]}
                groups:
                  - title: Size
                    fields:
                      - {key: rise, label: Rise, kind: number, decimals: 1, min: 2.5, max: 2.5, unit: m}
                      - {key: gates, label: Gates, kind: number, min: 3, max: 5, shown: marks}
                      - {key: manned, label: Manned, kind: yes_no}
                      - {key: built, label: Built, kind: date}
                      - {key: paint, label: Paint, kind: colour}
                      - {key: site, label: Read more, kind: url}
                      - {key: condition, label: Condition, kind: choice, options: [{key: good, label: Good}]}
                      - {key: old, label: Old name, kind: text, show_when: {field: manned, is: false}}
                      - {key: keeper, label: Keeper, kind: relation, to: [person], inverse: {key: looks_after, label: Looks after, many: true, shown: true}}
                      - key: works
                        label: Works
                        kind: repeater
                        max_rows: 1
                        fields:
                          - {key: year, label: Year, kind: number, min: 1900, max: 1900}
                          - {key: what, label: What, kind: text}
                taxonomies: [{use: water}]
                """,
        "types/person.yaml", """
                key: person
                singular: Person
                plural: People
                path: people
                groups:
                  - title: Contact
                    fields:
                      - {key: phone, label: Phone, kind: phone}
                """,
        "taxonomies/water.yaml", """
                key: water
                singular: Water
                plural: Waters
                path: waters
                fields: [{key: tint, label: Tint, kind: colour}]
                terms: [{key: main, label: Main Line, values: {tint: "#112233"}}]
                """,
        "values/office.yaml", """
                key: office
                title: Office
                groups:
                  - title: Office
                    fields:
                      - {key: staffed, label: Staffed, kind: yes_no}
                      - {key: desk, label: Desk, kind: text, show_when: {field: staffed, is: true}}
                """,
        "listings/all.yaml",
                "key: all\ntitle: All locks\ntype: lock\nlimit: 3\nshown: table\nfields: [title, keeper.phone]\n",
        "parts/office.yaml",
                "key: office\ntitle: Office\nblocks: [{block: text, text: 'Ask {site.office.desk} of {site.name}.'}]\n",
    };

    private static Model model(String blocks) {
        var files = new TreeMap<String, byte[]>();
        for (int i = 0; i < FILES.length; i += 2) {
            files.put(FILES[i], FILES[i + 1].getBytes(StandardCharsets.UTF_8));
        }
        files.put(
                "layouts/page.yaml",
                ("key: page\ntitle: Page\ntype: lock\nblocks:\n" + blocks.indent(2)).getBytes(StandardCharsets.UTF_8));
        var read = PackageReader.read(files, List.of());
        var model = new Identities(Model.EMPTY, new Ids(new Random(1)))
                .complete(
                        read.content()
                                .orElseThrow(() -> new AssertionError(read.findings()))
                                .model(),
                        read.was());
        assertEquals(
                ModelCheck.check(model).stream()
                        .filter(finding -> Finding.blocks(List.of(finding)))
                        .map(Finding::sentence)
                        .toList(),
                List.of());
        return model;
    }

    @DataProvider
    public Object[][] blocks() {
        return new Object[][] {
            {"- {block: field, field: title, as: heading}", "# Lock 1"},
            {"- {block: field, field: rise}", "Rise: 2.5\u00a0m"},
            {
                "- {block: field, field: rise, label: It rises, before: 'by ', after: ' in all'}",
                "It rises: by 2.5\u00a0m in all"
            },
            {"- {block: field, field: rise, labelled: false}", "2.5\u00a0m"},
            {"- {block: field, field: gates}", "Gates: 4/5"},
            {"- {block: field, field: gates, as: plain}", "Gates: 4"},
            {"- {block: field, field: manned}", "Manned: Yes"},
            {"- {block: field, field: manned, as: label_alone}", "Manned"},
            {"- {block: field, field: built}", "Built: 2 May 2026"},
            {"- {block: field, field: built, as: long}", "Built: Saturday 2 May 2026"},
            {"- {block: field, field: built, as: relative}", "Built: 10 days ago"},
            {"- {block: field, field: paint}", "Paint: ■#1d5a6b #1d5a6b"},
            {"- {block: field, field: site, wording: More}", "Read more: <More>"},
            {"- {block: field, field: condition, as: labels}", "Condition: (Good)"},
            {"- {block: field, field: keeper}", "Keeper: Person 2"},
            {"- {block: field, field: keeper.phone, label: Call}", "Call: <+44 20 7946 0002>"},
            {"- {block: field, field: water}", "Waters: (Main Line)#112233"},
            {"- {block: terms}", "(Main Line)#112233"},
            {"- {block: field, field: old, empty: None}", "Old name: None"},
            {"- {block: field, field: old}\n- {block: field, field: rise}", "Rise: 2.5\u00a0m"},
            {
                "- {block: text, text: 'Rises {rise}, looked after by {keeper.phone else \"nobody\"}.'}",
                "Rises 2.5\u00a0m, looked after by +44 20 7946 0002."
            },
            {"- {block: text, text: 'Once called {old}.'}", ""},
            {"- {block: text, text: 'Called {old else \"just this\"} {{so}}.'}", "Called just this {so}."},
            {
                "- {block: rows, field: works}",
                "§2 Works\n| Year | What\n| 1\u202f900 | Some what".replace("1\u202f900", "1900")
            },
            {"- {block: rows, field: works, as: lines, columns: [what, rise]}", "§2 Works\n- Some what, 2.5\u00a0m"},
            {
                "- {block: rows, field: works, as: blocks, blocks: [{block: text, text: '{what} in {year}'}]}",
                "§2 Works\n- Some what in 1900"
            },
            {
                "- {block: related, field: keeper, as: table, columns: [title, phone]}",
                "§2 Keeper\n| Title | Phone\n| Person 2 | <+44 20 7946 0002>"
            },
            {"- {block: related, field: keeper.looks_after}", "Looks after: Lock 1, Lock 2, Lock 3"},
            {
                "- {block: children, as: blocks, label: Below, blocks: [{block: field, field: title, as: heading}]}",
                "§2 Below\n- ### Lock 1\n- ### Lock 2\n- ### Lock 3"
            },
            {
                "- {block: listing, listing: all}",
                "§2 All locks\n| Title | Phone\n| Lock 1 | <+44 20 7946 0002>\n| Lock 2 | <+44 20 7946 0003>\n| Lock 3 | <+44 20 7946 0004>"
            },
            {"- {block: part, part: office}", "Ask Some desk of Bench."},
            {"- block: columns\n  blocks:\n  - {block: field, field: old}\n  - {block: text, text: Right}", "‖ Right"},
            {"- {block: section, label: Facts, blocks: [{block: field, field: old}]}", ""},
            {
                "- {block: section, label: Facts, anchor: facts, blocks: [{block: field, field: rise}]}",
                "§2 Facts\nRise: 2.5\u00a0m"
            },
            {"- {block: fold, label: More, blocks: [{block: field, field: rise}]}", "▸ More\nRise: 2.5\u00a0m"},
            {"- {block: text, text: Hello, show_when: {field: manned, is: false}}", ""},
            {"- {block: text, text: Hello, show_when: {taxonomy: water, is: main}}", "Hello"},
            {"- {block: index_link}", "^ <Locks>"},
            {"- {block: neighbours}", " <> Lock 2"},
        };
    }

    @Test(dataProvider = "blocks")
    public void aBlockShows(String blocks, String expected) {
        assertEquals(page(model(blocks)), expected.startsWith("# ") ? expected : ("# Lock 1\n" + expected).strip());
    }

    private static String page(Model model) {
        var pages = new PageModel(model);
        var type = model.typeByKey("lock").orElseThrow().id();
        var needs = pages.needs(type, Layout.LayoutUse.PAGE);
        var data = new SampleData(pages, "Bench", needs);
        var needed = new NeededData(pages, data, needs, java.util.Set.of(new Link(type, 1)));
        return PageWords.of(new PageMaker(pages, needed, LocalDate.of(2026, 5, 12))
                .page(needed.record(new Link(type, 1)).orElseThrow()));
    }

    @Test
    public void everythingElseIsWhatNoOtherBlockNames() {
        var page =
                page(model("- {block: field, field: rise}\n- {block: terms}\n- {block: everything_else, label: More}"));
        assertEquals(
                page.lines().toList().subList(0, 5),
                List.of("# Lock 1", "Rise: 2.5\u00a0m", "(Main Line)#112233", "§2 More", "Title: Lock 1"));
    }

    /** Made-up records, with changes. */
    private record AlteredData(SampleData samples, String withoutType, int perList, String listed) implements PageData {
        @Override
        public String siteName() {
            return samples.siteName();
        }

        @Override
        public java.util.Optional<PageRecord> record(Link link) {
            return samples.record(link).filter(_ -> !link.type().equals(withoutType));
        }

        @Override
        public List<Link> list(Link of, String list) {
            return java.util.stream.IntStream.rangeClosed(1, perList)
                    .mapToObj(number -> new Link(listed, number))
                    .toList();
        }

        @Override
        public java.util.Optional<PageFile> file(long id) {
            return samples.file(id);
        }
    }

    private static String page(Model model, boolean withoutPeople, int perList) {
        var pages = new PageModel(model);
        var type = model.typeByKey("lock").orElseThrow().id();
        var people = model.typeByKey("person").orElseThrow().id();
        var samples = new SampleData(pages, "Bench", pages.needs(type, Layout.LayoutUse.PAGE));
        var data = new AlteredData(samples, withoutPeople ? people : "", perList, type);
        return PageWords.of(new PageMaker(pages, data, LocalDate.EPOCH)
                .page(data.record(new Link(type, 1)).orElseThrow()));
    }

    @Test
    public void whatIsEmptyOverARelationKeepsItsLabel() {
        assertEquals(
                page(model("- {block: field, field: keeper.phone, empty: Nobody yet}"), true, 0),
                "# Lock 1\nPhone: Nobody yet");
    }

    @Test
    public void listsThatLeadBackAndForthEnd() {
        var within = "{block: children, as: blocks, blocks: [{block: text, text: x}, %s]}";
        var blocks = within.formatted(within.formatted(within.formatted("{block: text, text: y}")));
        long items = page(model("- " + blocks), false, 200)
                .lines()
                .filter(line -> line.contains("- x") || line.equals("x"))
                .count();
        assertEquals(items, ListNodes.MOST_ITEMS);
    }

    @Test
    public void addressesThatRunSomethingAreNotFollowed() {
        for (var safe : List.of("https://example.org/", "HTTP://example.org", "mailto:a@example.org", "tel:+44")) {
            assertEquals(FieldNodes.isSafe(safe), true, safe);
        }
        for (var unsafe : List.of(
                "javascript:alert(1)", " java\tscript:x", "data:text/html,x", "vbscript:x", "//example.org", "")) {
            assertEquals(FieldNodes.isSafe(unsafe), false, unsafe);
        }
    }

    @Test
    public void everythingElseAlsoShowsWhatLeadsHere() {
        var model = model("- {block: field, field: rise}");
        var pages = new PageModel(model);
        var type = model.typeByKey("person").orElseThrow().id();
        var own = model.with(new Layout(
                "yperson01",
                "person_page",
                "Page",
                "",
                type,
                Layout.LayoutUse.PAGE,
                org.jontrel.core.model.condition.Condition.ALWAYS,
                List.of(new org.jontrel.core.model.block.Block(
                        "brest0001", new org.jontrel.core.model.block.BlockKind.Rest()))));
        assertEquals(pages.shownInverses(type).size(), 1);
        var laidOut = new PageModel(own);
        var needs = laidOut.needs(type, Layout.LayoutUse.PAGE);
        var data = new NeededData(
                laidOut, new SampleData(laidOut, "Bench", needs), needs, java.util.Set.of(new Link(type, 1)));
        var page = PageWords.of(new PageMaker(laidOut, data, LocalDate.EPOCH)
                .page(data.record(new Link(type, 1)).orElseThrow()));
        assertEquals(page.lines().toList().getLast(), "Looks after: Lock 1, Lock 2, Lock 3");
    }

    @Test
    public void ofSeveralLayoutsTheMostParticularIsTaken() {
        var model = model("- {block: text, text: For all}");
        var base = model.all(Layout.class).getFirst();
        var more = model;
        int number = 0;
        for (var where : List.of(
                new org.jontrel.core.model.condition.Condition.StateIs(
                        org.jontrel.core.model.condition.RecordState.PUBLISHED),
                new org.jontrel.core.model.condition.Condition.AddressIs(List.of("", "other")),
                new org.jontrel.core.model.condition.Condition.AddressIs(List.of("elsewhere")))) {
            number++;
            more = more.with(new Layout(
                    "y0000000" + number,
                    "l" + number,
                    "Layout " + number,
                    "",
                    base.type(),
                    base.use(),
                    where,
                    List.of()));
        }
        var pages = new PageModel(more);
        var data = new SampleData(pages, "Bench", pages.needs(base.type(), Layout.LayoutUse.PAGE));
        var choice = new PageMaker(pages, data, LocalDate.EPOCH)
                .choice(data.record(new Link(base.type(), 1)).orElseThrow(), Layout.LayoutUse.PAGE);
        assertEquals(choice.layout().title(), "Layout 2");
        assertEquals(
                choice.why(),
                "It is for those where the address is  or other. Others fit too and are for more records, or come later.");
    }

    @Test
    public void thereIsALayoutForEveryUseOfEverythingThatHasPages() {
        var pages = new PageModel(model("- {block: everything_else}"));
        for (var definition : pages.model().definitions()) {
            if (definition.sort() == Definition.Sort.TYPE || definition.sort() == Definition.Sort.TAXONOMY) {
                for (var use : Layout.LayoutUse.values()) {
                    assertEquals(pages.layouts(definition.id(), use).getLast().use(), use);
                }
            }
        }
    }
}
