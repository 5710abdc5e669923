package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.StatementCounter;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Many records in one go: all of them as if each were saved for itself, or none; and few statements however many there are. */
public class ManyTest {
    private StatementCounter counting;
    private Site site;

    @BeforeMethod
    public void makeSite() {
        counting = new StatementCounter(
                TestDatabase.shared().source(TestDatabase.shared().create()));
        site = Site.open(counting.source(), "test", Duration.ofSeconds(10));
        var outcome = site.runs().start(new Runs.RunTarget("1.0.0", Orchard.model(), List.of()), "anna", _ -> {});
        ((Runs.RunOutcome.Started) outcome).work().run();
    }

    private List<Long> add(String recordTypeId, List<Map<String, Object>> all) {
        return site.records().saveAll(writes(recordTypeId, all)).stream()
                .map(saved -> ((SaveResult.Stored) saved).record().id())
                .toList();
    }

    private static List<Write> writes(String recordTypeId, List<Map<String, Object>> all) {
        return all.stream()
                .map(raw -> Write.fresh(recordTypeId, RecordState.PUBLISHED, raw, "ben"))
                .toList();
    }

    private Code refused(String recordTypeId, List<Map<String, Object>> all) {
        long before = site.count(recordTypeId);
        var saved = site.records().saveAll(writes(recordTypeId, all));
        assertEquals(site.count(recordTypeId), before, "nothing of it is kept");
        return ((SaveResult.Refused) saved.getFirst())
                .problems()
                .getFirst()
                .finding()
                .code();
    }

    private static Map<String, Object> tree(int number) {
        var raw = new HashMap<>(Orchard.tree("Tree"));
        raw.put("tag", "T-" + number);
        return raw;
    }

    @Test
    public void togetherIsTheSameAsOneByOne() {
        var alone = add("ttree", List.of(tree(0))).getFirst();
        var all = new ArrayList<Map<String, Object>>();
        for (int i = 1; i <= 60; i++) {
            all.add(tree(i));
        }
        var ids = add("ttree", all);
        var records = site.records().byIds("ttree", ids);
        var expected = site.records().byId("ttree", alone).orElseThrow();
        var slugs = new HashSet<String>();
        for (int i = 0; i < records.size(); i++) {
            var record = records.get(i);
            slugs.add(record.slug());
            assertEquals(record.values().get("ftag"), "T-" + (i + 1));
            assertEquals(record.values().get("fheight"), expected.values().get("fheight"));
            assertEquals(record.values().keySet(), expected.values().keySet());
            assertEquals(
                    ((List<?>) record.values().get("fprunings")).size(),
                    ((List<?>) expected.values().get("fprunings")).size());
        }
        assertEquals(slugs.size(), 60, "one title, sixty addresses");
        assertEquals(site.records().count("ttree", ListQuery.ALL.search("gate")).records(), 61, "words are found");
    }

    @Test
    public void whatOnlyOneMayHaveIsSeenAmongThoseThatComeTogether() {
        var twice = List.of(tree(1), tree(2), tree(3));
        twice.get(2).put("tag", "t-1");
        assertEquals(refused("ttree", twice), Code.VALUE_NOT_UNIQUE, "the database takes T-1 and t-1 for the same");
        add("ttree", List.of(tree(4)));
        assertEquals(refused("ttree", List.of(tree(5), tree(4))), Code.VALUE_NOT_UNIQUE);
        long person = add("tperson", List.of(Map.of("title", "Ada"))).getFirst();
        var kept = List.of(tree(6), tree(7));
        kept.forEach(raw -> raw.put("keeper", person));
        assertEquals(refused("ttree", kept), Code.VALUE_LINK_TAKEN);
    }

    @Test
    public void oneThatIsWrongKeepsAllOut() {
        var wrong = tree(2);
        wrong.put("height", "tall");
        assertEquals(refused("ttree", List.of(tree(1), wrong, tree(3))), Code.VALUE_NOT_NUMBER);
        var lost = tree(4);
        lost.put("parents", List.of(4711));
        assertEquals(refused("ttree", List.of(tree(1), lost)), Code.VALUE_LINK_GONE);
        var strange = tree(5);
        strange.put("sort", List.of(4711));
        assertEquals(refused("ttree", List.of(tree(1), strange)), Code.VALUE_NOT_TERM);
        var under = Write.fresh("ttree", RecordState.DRAFT, Map.of("title", "Below"), "ben")
                .under(new Link("tplot", 4711));
        var saved = site.records().saveAll(List.of(under));
        assertEquals(
                ((SaveResult.Refused) saved.getFirst())
                        .problems()
                        .getFirst()
                        .finding()
                        .code(),
                Code.RECORD_PARENT);
    }

    @Test
    public void termsComeInTheirOrderAndUnderTheirParents() {
        long root = add("xsort", List.of(Map.of("label", "Nut"))).getFirst();
        var below = site.records()
                .saveAll(List.of("Hazel", "Walnut", "Almond").stream()
                        .map(label -> Write.fresh("xsort", RecordState.PUBLISHED, Map.of("label", label), "ben")
                                .under(new Link("xsort", root)))
                        .toList());
        assertEquals(
                site.records().under("xsort", root).stream()
                        .map(record -> record.title())
                        .toList(),
                List.of("Hazel", "Walnut", "Almond"));
        var raw = tree(1);
        raw.put("sort", List.of(((SaveResult.Stored) below.getLast()).record().id()));
        long tree = add("ttree", List.of(raw)).getFirst();
        var nuts =
                ListQuery.ALL.where(new Condition.TermIs("xsort", Condition.Test.UNDER, List.of(String.valueOf(root))));
        assertEquals(
                site.records()
                        .page("ttree", nuts)
                        .orElseThrow()
                        .records()
                        .getFirst()
                        .id(),
                tree);
    }

    @Test
    public void newAndChangedOnesGoInOneTransaction() {
        long first = add("ttree", List.of(tree(1))).getFirst();
        var before = site.records().byId("ttree", first).orElseThrow();
        var change = Write.change("ttree", before, Map.of("summary", "Changed."), false, "ben");
        var late = change.withVersion(before.version() + 7);
        long count = site.count("ttree");
        var refused =
                site.records().saveAll(List.of(writes("ttree", List.of(tree(2))).getFirst(), late));
        assertTrue(refused.getFirst() instanceof SaveResult.Conflict, refused.toString());
        assertEquals(site.count("ttree"), count);
        var saved =
                site.records().saveAll(List.of(writes("ttree", List.of(tree(3))).getFirst(), change));
        assertEquals(saved.size(), 2);
        assertEquals(site.records().byId("ttree", first).orElseThrow().values().get("part_summary"), "Changed.");
        assertEquals(site.records().history("ttree", first).size(), 1);
    }

    @Test
    public void statementsDoNotGrowWithRecords() {
        var ids = new ArrayList<Long>();
        for (int i = 0; i < 120; i += 40) {
            var some = new ArrayList<Map<String, Object>>();
            for (int j = 0; j < 40; j++) {
                some.add(tree(i + j));
            }
            ids.addAll(add("ttree", some));
        }
        int one = counting.during(() -> site.records().byIds("ttree", ids.subList(0, 1)));
        int many = counting.during(() -> site.records().byIds("ttree", ids));
        assertEquals(many, one, "one statement for each table");
        int page = counting.during(() -> site.records().page("ttree", ListQuery.ALL.most(100)));
        assertEquals(page, one + 1);
        var few = List.of(tree(201), tree(202));
        var lots = new ArrayList<Map<String, Object>>();
        for (int i = 300; i < 380; i++) {
            lots.add(tree(i));
        }
        int two = counting.during(() -> add("ttree", few));
        int eighty = counting.during(() -> add("ttree", lots));
        assertTrue(eighty <= two + 2, eighty + " statements for eighty records, " + two + " for two");
    }

    @Test
    public void numbersOfRecordsAreComparedWhole() {
        var ids = add("ttree", List.of(tree(1), tree(2), tree(3)));
        var above = ListQuery.ALL.where(
                new Condition.FieldIs("own_id", Condition.Test.ABOVE, List.of(String.valueOf(ids.getFirst()))));
        assertEquals(site.records().count("ttree", above).records(), 2);
        var exactly = ListQuery.ALL.where(
                new Condition.FieldIs("own_id", Condition.Test.IS, List.of(String.valueOf(ids.get(1)))));
        assertEquals(
                site.records()
                        .page("ttree", exactly)
                        .orElseThrow()
                        .records()
                        .getFirst()
                        .id(),
                ids.get(1));
    }
}
