package org.jontrel.site.run.move;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Group;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.SiteValues;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.RecordStore;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.testing.TestSite;
import org.testng.annotations.Test;

/** What stands around records that change their type: site values, taxonomies, what is above and below, searching, the bin. */
public class MergedAroundTest extends TypesCase {
    private static SiteValues values(String... leadsTo) {
        return new SiteValues(
                "vhome",
                "home",
                "Home",
                "",
                List.of(new Group("ghome", "Home", "", List.of(own("vhome", "first", to(Kind.Amount.ONE, leadsTo))))));
    }

    private static Model both(Definition more) {
        return model(mooring(), berth(), more);
    }

    @Test
    public void siteValuesFollow() throws SQLException {
        test.install("1.0.0", both(values(MOORING, BERTH)));
        var quay = save(BERTH, "Quay", Map.of());
        var write = new Write(
                "vhome",
                Optional.of(RecordStore.SINGLE),
                0,
                RecordState.PUBLISHED,
                Optional.empty(),
                Optional.empty(),
                "",
                Optional.empty(),
                Optional.empty(),
                Map.of("first", link(BERTH, quay)),
                true,
                "ben");
        TestSite.stored(test.site().records().save(write));
        var after = model(mooring(), values(MOORING));
        assertTrue(plan(after, MERGE).runnable(), plan(after, MERGE).findings().toString());
        expect(after, null, MERGE);
        test.install("2.0.0", after, MERGE);
        assertEquals(
                test.site().records().single("vhome").orElseThrow().values().get("fhome_first"),
                new Link(MOORING, quay));
    }

    @Test
    public void taxonomiesThatLeadToThemStandAgainstIt() {
        var taxonomy = new Taxonomy(
                "xarea",
                "area",
                "Area",
                "Areas",
                "",
                "areas",
                false,
                false,
                List.of(own("xarea", "main", to(Kind.Amount.ONE, BERTH, MOORING))),
                List.of(),
                List.of());
        test.install("1.0.0", both(taxonomy));
        save(BERTH, "Quay", Map.of());
        var plan = plan(model(mooring(), taxonomy), MERGE);
        assertFalse(plan.runnable());
        assertTrue(
                plan.findings().stream().anyMatch(each -> each.code() == Code.PLAN_TYPE_LED_TO),
                plan.findings().toString());
    }

    @Test
    public void whatIsUnderThemStaysThereAndTheBinIsKept() throws SQLException {
        var before = model(
                type(MOORING, Set.of(MOORING, BERTH)), type(BERTH, Set.of(BERTH)), type(INSPECTION, Set.of(BERTH)));
        test.install("1.0.0", before);
        var top = save(BERTH, "Top", Map.of());
        var middle = under(BERTH, "Middle", new Link(BERTH, top));
        var below = under(MOORING, "Below", new Link(BERTH, middle));
        var look = under(INSPECTION, "Look", new Link(BERTH, middle));
        var bin = save(BERTH, "Bin", Map.of());
        test.site().records().remove(BERTH, bin, 1, "ben");
        var after = model(type(MOORING, Set.of(MOORING)), type(INSPECTION, Set.of(MOORING)));
        expect(after, null, MERGE);
        test.install("2.0.0", after, MERGE);
        assertEquals(find(MOORING, middle).orElseThrow().parent(), Optional.of(new Link(MOORING, top)));
        assertEquals(find(MOORING, below).orElseThrow().parent(), Optional.of(new Link(MOORING, middle)));
        assertEquals(find(INSPECTION, look).orElseThrow().parent(), Optional.of(new Link(MOORING, middle)));
        assertEquals(
                test.site()
                        .records()
                        .byAddress(MOORING, "top/middle/below")
                        .orElseThrow()
                        .record()
                        .id(),
                below);
        assertEquals(find(MOORING, bin), Optional.empty());
        // nothing of it is in the way of a new one of this name
        assertEquals(test.save(MOORING, Map.of("title", "Bin")).slug(), "bin");
    }

    @Test
    public void theyAreFoundByTheirWords() {
        test.install("1.0.0", both(inspection(MOORING, BERTH)));
        save(BERTH, "Quay", Map.of("length", "nine fathoms"));
        save(MOORING, "Bank", Map.of("length", "two fathoms"));
        assertEquals(found(MOORING, "fathoms"), List.of("Bank"));
        test.install("2.0.0", model(mooring(), inspection(MOORING)), MERGE);
        assertEquals(found(MOORING, "fathoms"), List.of("Bank", "Quay"));
        test.undo(test.last());
        assertEquals(found(MOORING, "fathoms"), List.of("Bank"));
        assertEquals(found(BERTH, "fathoms"), List.of("Quay"));
    }

    private List<String> found(String type, String words) {
        var query = ListQuery.ALL.search(words);
        return test.site().records().page(type, query).orElseThrow().records().stream()
                .map(each -> each.title())
                .sorted()
                .toList();
    }
}
