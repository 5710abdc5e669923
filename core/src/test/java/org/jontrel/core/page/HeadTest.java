package org.jontrel.core.page;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.jontrel.core.code.PackageReader;
import org.jontrel.core.generated.Models;
import org.jontrel.core.identity.Identities;
import org.jontrel.core.model.Layout;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.page.node.PageAddress;
import org.jontrel.core.page.node.RecordHead;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.testng.annotations.Test;

/** What the heads of pages say. */
public class HeadTest {
    private static final int CASES = Integer.getInteger("laws", 300);
    private static final String LOCK = """
            key: lock
            singular: Lock
            plural: Locks
            path: locks
            parts: [title, summary]
            %s
            groups:
              - title: Size
                fields:
                  - {key: rise, label: Rise, kind: number, decimals: 1, min: 2.5, max: 2.5, unit: m}
                  - {key: manned, label: Manned, kind: yes_no}
                  - {key: opened, label: Opened, kind: date}
                  - {key: short_title, label: Short title, kind: text, show_when: {field: manned, is: false}}
                  - {key: story, label: Story, kind: long_text}
                  - {key: keeper, label: Keeper, kind: relation, to: [lock], inverse: {key: keeps, label: Keeps, many: true}}
            """;

    private static RecordHead head(String settings) {
        var files = new TreeMap<String, byte[]>();
        files.put("package.yaml", "format: 3\nname: locks\nversion: 1.0.0\n".getBytes(StandardCharsets.UTF_8));
        files.put("types/lock.yaml", LOCK.formatted(settings).getBytes(StandardCharsets.UTF_8));
        var read = PackageReader.read(files, List.of());
        var model = new PageModel(new Identities(Model.EMPTY, new Ids(new Random(1)))
                .complete(
                        read.content()
                                .orElseThrow(() -> new AssertionError(read.findings()))
                                .model(),
                        read.was()));
        return head(model, model.model().types().getFirst().id());
    }

    private static RecordHead head(PageModel model, String type) {
        var data = new SampleData(model, "Bench", model.needs(type, Layout.LayoutUse.PAGE));
        return head(model, type, data);
    }

    private static RecordHead head(PageModel model, String type, PageData data) {
        return new PageMaker(model, data, LocalDate.of(2026, 5, 12))
                .head(data.record(new Link(type, 1)).orElseThrow());
    }

    @Test
    public void aPageIsCalledByItsTitleAndDescribedByItsSummaryUnlessSaidOtherwise() {
        var plain = head("");
        assertEquals(plain.title(), "Lock 1");
        assertFalse(plain.description().isEmpty());
        assertEquals(plain.linked().size(), 0);
        assertFalse(plain.hidden());
        var own = head("head: {title: '{short_title else title} ({rise})', description: 'Rises {rise}.'}");
        assertEquals(own.title(), "Lock 1 (2.5\u00a0m)", "what a condition hides is in no head");
        assertEquals(own.description(), "Rises 2.5\u00a0m.");
        assertEquals(head("head: {title: '{short_title}'}").title(), "Lock 1", "a page is never without a title");
    }

    @Test
    public void pagesAreLeftOutWhereADefinitionOrARecordSaysSo() {
        assertTrue(head("head: {hidden: true}").hidden());
        assertTrue(head("head: {hidden_when: {field: manned, is: true}}").hidden());
        assertFalse(head("head: {hidden_when: {field: manned, is: false}}").hidden());
    }

    @Test
    public void valuesAloneAreGivenAsTheyAre() {
        var linked = head("head: {schema: Place, properties: [{name: height, value: '{rise}'},"
                        + " {name: foundingDate, value: '{opened}'}, {name: isOpen, value: '{manned}'},"
                        + " {name: address.name, value: 'By {title}'}, {name: knows, value: '{keeper}'},"
                        + " {name: nothing, value: '{short_title}'}]}")
                .linked();
        assertEquals(linked.get("@type"), "Place");
        assertEquals(linked.get("height").toString(), "2.5");
        assertEquals(linked.get("foundingDate"), "2026-05-02");
        assertEquals(linked.get("isOpen"), true);
        assertEquals(linked.get("address").toString(), "{name=By Lock 1}");
        assertEquals(linked.get("knows").toString(), "{@type=Thing, name=Lock 2}");
        assertFalse(linked.containsKey("nothing"));
        assertFalse(linked.values().stream().anyMatch(PageAddress.class::isInstance), "it has no page here");
    }

    @Test
    public void aHeadSaysWhatItSaidItNeeds() {
        for (long seed = 1; seed <= CASES; seed++) {
            var model = new PageModel(new Models(seed).model());
            for (var recordType : RecordType.all(model.model())) {
                if (!recordType.single()) {
                    var type = recordType.id();
                    var all = new SampleData(model, "Bench", model.headNeeds(type));
                    var needed = new NeededData(model, all, model.headNeeds(type), Set.of(new Link(type, 1)));
                    var about = "seed " + seed + ", " + recordType;
                    assertEquals(head(model, type, needed), head(model, type, all), about);
                    assertFalse(head(model, type).title().isBlank(), about);
                }
            }
        }
    }
}
