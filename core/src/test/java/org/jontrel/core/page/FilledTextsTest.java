package org.jontrel.core.page;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Listing;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.block.Block;
import org.jontrel.core.model.block.BlockKind;
import org.jontrel.core.model.block.Presentation;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.reach.ModelNames;
import org.jontrel.core.reach.ValueScope;
import org.jontrel.core.value.Link;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Values and listings in texts, with a few made-up records. */
public class FilledTextsTest {
    private static final String[] FILES = {
        "package.yaml", "format: 3\nname: locks\nversion: 1.0.0\n",
        "types/lock.yaml", """
                key: lock
                singular: Lock
                plural: Locks
                path: locks
                groups:
                  - title: Lock
                    fields:
                      - {key: text, label: Text, kind: rich_text, formats: [values, listings, lists, quotes, tables, links]}
                      - {key: more, label: More, kind: rich_text, formats: [values]}
                      - {key: rise, label: Rise, kind: number, decimals: 1, unit: m}
                      - {key: note, label: Note, kind: text}
                      - {key: secret, label: Secret, kind: text, show_when: {field: note, is: told}}
                      - {key: keeper, label: Keeper, kind: relation, to: [person], inverse: {key: locks, label: Locks, many: true, shown: true}}
                """,
        "types/person.yaml", """
                key: person
                singular: Person
                plural: People
                path: people
                groups:
                  - title: Person
                    fields:
                      - {key: phone, label: Phone, kind: phone}
                      - {key: about, label: About, kind: rich_text, formats: [values]}
                """,
        "listings/all.yaml", "key: all\ntitle: All locks\ntype: lock\nlimit: 9\nshown: lines\n",
    };
    private static final Model MODEL = model(file -> file);
    private static final PageModel PAGES = new PageModel(MODEL);
    private static final String LOCK = type("lock").id();
    private static final String PERSON = type("person").id();

    /** Whatever is changed in its files, the same things have the same ids. */
    private static Model model(UnaryOperator<String> change) {
        var files = new TreeMap<String, byte[]>();
        for (int i = 0; i < FILES.length; i += 2) {
            files.put(FILES[i], change.apply(FILES[i + 1]).getBytes(StandardCharsets.UTF_8));
        }
        var read = PackageReader.read(files, List.of());
        return new Identities(Model.EMPTY, new Ids(new Random(1)))
                .complete(
                        read.content()
                                .orElseThrow(() -> new AssertionError(read.findings()))
                                .model(),
                        read.was());
    }

    private static ContentType type(String key) {
        return MODEL.typeByKey(key).orElseThrow();
    }

    private static String id(String type, String keys) {
        return ValueScope.records(new ModelNames(MODEL), List.of(type(type))).toIds(keys);
    }

    /** With {@code {keeper.phone}} for a value and {@code {{all}}} for a listing. */
    private static String text(String type, String words) {
        var listing = MODEL.all(Listing.class).getFirst().id();
        return Pattern.compile("\\{([a-z_.]+)}")
                .matcher(words.replace("{{all}}", "<div data-listing=\"" + listing + "\"></div>"))
                .replaceAll(found -> "<span data-value=\"" + id(type, found.group(1)) + "\"></span>");
    }

    private static PageRecord record(String type, long number, String title, Object... pairs) {
        var values = new LinkedHashMap<String, Object>();
        values.put("part_title", title);
        for (int i = 0; i < pairs.length; i += 2) {
            values.put(id(type, (String) pairs[i]), pairs[i + 1]);
        }
        return new PageRecord(
                new Link(type(type).id(), number),
                title,
                "r" + number,
                type + "s/r" + number,
                Optional.empty(),
                RecordState.PUBLISHED,
                "",
                Instant.EPOCH,
                values);
    }

    private static GivenRecords with(String words) {
        var keeper = record(
                "person", 1, "Ann <Lee>", "phone", "+44 20 1", "about", text("person", "<p>Of {title}, {phone}.</p>"));
        return GivenRecords.of(
                LOCK,
                record(
                        "lock",
                        1,
                        "Top",
                        "rise",
                        new java.math.BigDecimal("2.5"),
                        "secret",
                        "hidden words",
                        "keeper",
                        new Link(PERSON, 1),
                        "more",
                        text("lock", "<p>More of {title}</p>"),
                        "text",
                        text("lock", words)),
                record("lock", 2, "Bottom"),
                keeper);
    }

    private static String page(GivenRecords records, String field) {
        var block = new Block("b", new BlockKind.FieldValue(id("lock", field), Presentation.USUAL));
        var model = MODEL.with(
                new Layout("y1", "page", "Page", "", LOCK, Layout.LayoutUse.PAGE, Condition.ALWAYS, List.of(block)));
        return PageWords.of(new PageMaker(new PageModel(model), records, LocalDate.EPOCH)
                .page(records.record(new Link(LOCK, 1)).orElseThrow()));
    }

    @DataProvider
    public Object[][] texts() {
        return new Object[][] {
            {"<p>Rises {rise}.</p>", "<p>Rises 2.5&nbsp;m.</p>"},
            {"<p>Ask {keeper} at {keeper.phone}, {site.name}.</p>", "<p>Ask Ann &lt;Lee&gt; at +44 20 1, Bench.</p>"},
            // empty values: the line goes when all of them are, and nothing below it
            {"<p>Noted: {note}.</p><p>Rest</p>", "<p>Rest</p>"},
            {"<p>{note} and {rise}</p>", "<p> and 2.5&nbsp;m</p>"},
            {"<ul><li>{note}</li><li>Two</li></ul>", "<ul><li>Two</li></ul>"},
            {"<ul><li><p>{note}</p></li></ul><p>Rest</p>", "<p>Rest</p>"},
            {"<ul><li>{note}<ul><li>Sub</li></ul></li></ul>", "<ul><li><ul><li>Sub</li></ul></li></ul>"},
            {"<ul><li>{note}<ul><li>{note}</li></ul></li></ul><p>Rest</p>", "<p>Rest</p>"},
            {"<blockquote><p>{note}</p></blockquote><p>Rest</p>", "<p>Rest</p>"},
            {
                "<table><tbody><tr><td>{note}</td><td>Two</td></tr></tbody></table>",
                "<table><tbody><tr><td></td><td>Two</td></tr></tbody></table>"
            },
            {"<p>{note}</p>", ""},
            // what is hidden, texts within texts, lists and what leads nowhere show nothing
            {"<p>It is {secret}</p><p>Rest</p>", "<p>Rest</p>"},
            {"<p>{keeper.about}</p><p>Rest</p>", "<p>Rest</p>"},
            {"<p>{text}{more}</p><p>Rest</p>", "<p>Rest</p>"},
            {"<p>{keeper.locks}</p><p>Rest</p>", "<p>Rest</p>"},
            {"<p>{keeper.rise}</p><p>Rest</p>", "<p>Rest</p>"},
            {"<p>One</p>{{all}}<p>Two</p>", "<p>One</p>\n- ## <Top>\n- ## <Bottom>\n<p>Two</p>"},
            {"{{all}}", "- ## <Top>\n- ## <Bottom>"},
        };
    }

    @Test(dataProvider = "texts")
    public void aTextShows(String words, String expected) {
        assertEquals(page(with(words), "text").replaceFirst("^# Top\n?(Text: )?", ""), expected);
    }

    /** Each text speaks of the record that it stands in. */
    @Test
    public void aTextOfAnotherRecordSpeaksOfThatOne() {
        assertEquals(page(with("<p>x</p>"), "keeper.about"), "# Top\nAbout: <p>Of Ann &lt;Lee&gt;, +44 20 1.</p>");
    }

    /** A release withdrew {@code values} from every text of a type: what was inserted before is shown until it is saved again. */
    @Test
    public void aTextThatMayHoldNoneAnyMoreShowsThoseItHas() {
        var records = with("<p>x</p>");
        var pages = new PageModel(model(file -> file.replace("formats: [values]", "formats: []")));
        var keeper = records.record(new Link(PERSON, 1)).orElseThrow();
        var page = PageWords.of(new PageMaker(pages, records, LocalDate.EPOCH).page(keeper));
        assertTrue(page.contains("\nAbout: <p>Of Ann &lt;Lee&gt;, +44 20 1.</p>\n"), page);
    }

    @Test
    public void programsGetTheWordsWithinTheReferences() {
        var records = with("<p>Ask {keeper}.</p><p>Noted: {note}.</p>{{all}}");
        var record = records.record(new Link(LOCK, 1)).orElseThrow();
        var marked = (String) FilledTexts.of(PAGES, records, LocalDate.EPOCH)
                .marked(record, "/at/bench/")
                .values()
                .get(id("lock", "text"));
        assertEquals(
                marked.replaceAll(" data-(value|listing)=\"[a-z0-9_.]+\"", ""),
                "<p>Ask <span>Ann &lt;Lee&gt;</span>.</p><p hidden>Noted: <span></span>.</p>"
                        + "<div><ul><li><a href=\"/at/bench/locks/r1\">Top</a></li>"
                        + "<li><a href=\"/at/bench/locks/r2\">Bottom</a></li></ul></div>");
    }
}
