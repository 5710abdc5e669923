package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javax.sql.DataSource;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.Values;
import org.jontrel.core.value.Row;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Orchard;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Runs over records that use the whole language: what is renamed, added, changed and removed at any depth. */
public class LanguageRunTest {
    private DataSource source;
    private Site site;

    @BeforeMethod
    public void makeSite() {
        source = TestDatabase.shared().source(TestDatabase.shared().create());
        site = Site.open(source, "test", Duration.ofSeconds(10));
        install("1.0.0", Orchard.model());
    }

    private void install(String version, Model model, Decision... decisions) {
        var outcome = site.runs().start(new Runs.RunTarget(version, model, List.of(decisions)), "anna", _ -> {});
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
    }

    private void undo() {
        var last = site.runs().last().orElseThrow();
        ((Runs.RunOutcome.Started) site.runs().undo(last.id(), "anna", _ -> {}))
                .work()
                .run();
    }

    private StoredRecord save(String recordTypeId, Map<String, ?> raw) {
        var saved = site.records().save(Write.fresh(recordTypeId, RecordState.PUBLISHED, raw, "ben"));
        if (saved instanceof SaveResult.Refused refused) {
            throw new AssertionError(refused.problems().toString());
        }
        return ((SaveResult.Stored) saved).record();
    }

    private List<StoredRecord> trees() {
        return site.records().all("ttree", 1_000);
    }

    private List<String> tables() throws SQLException {
        var names = new ArrayList<String>();
        try (var connection = source.getConnection();
                var rows = connection.getMetaData().getTables(connection.getCatalog(), null, "tree%", null)) {
            while (rows.next()) {
                names.add(rows.getString("TABLE_NAME"));
            }
        }
        return names;
    }

    @Test
    public void renamesAtAnyDepthMoveNoValueAndTablesFollow() throws SQLException {
        save("ttree", Orchard.tree("A"));
        save("ttree", Orchard.tree("B"));
        var before = trees();
        install(
                "1.1.0",
                Orchard.edited(Map.of(
                        "key: prunings", "key: cuttings",
                        "key: branch", "key: bough",
                        "key: bark", "key: rind",
                        "key: uses, label: Uses, kind: choice", "key: good_for, label: Uses, kind: choice",
                        "key: near", "key: beside")));
        assertEquals(trees(), before, "values are found by the ids of their fields");
        assertTrue(tables().containsAll(List.of(
                "tree__cuttings", "tree__cuttings__cuts", "tree__cuttings__tools", "tree__good_for", "tree__beside")));
        assertFalse(tables().stream().anyMatch(name -> name.contains("prunings")));
        save("ttree", Map.of("title", "C", "cuttings", List.of(Map.of("day", "2026-01-01"))));
        undo();
        assertEquals(trees().subList(0, 2), before);
        assertEquals(trees().size(), 3, "what was made meanwhile stays");
        assertTrue(tables().contains("tree__prunings__cuts"));
    }

    @Test
    public void searchingFindsWhatFieldsHoldAfterARun() {
        save("ttree", Orchard.tree("A"));
        var branch = ListQuery.ALL.search("rough");
        assertEquals(site.records().count("ttree", branch).records(), 1, "the texture of the bark");
        install(
                "2.0.0",
                Orchard.edited(Map.of("          - {id: ftexture, key: texture, label: Texture, kind: text}\n", "")));
        assertEquals(site.records().count("ttree", branch).records(), 0, "the field is gone");
        assertEquals(site.records().count("ttree", ListQuery.ALL.search("gate")).records(), 1);
        undo();
        assertEquals(site.records().count("ttree", branch).records(), 1, "and back");
    }

    @Test
    @SuppressWarnings("unchecked")
    public void valuesWithinRowsAreConvertedHeldAndComeBack() {
        save("ttree", Orchard.tree("A"));
        var before = trees();
        var to = Orchard.edited(Map.of(
                "key: thick, label: Thickness, kind: number, decimals: 1", "key: thick, label: Thickness, kind: text",
                "key: branch, label: Branch, kind: text", "key: branch, label: Branch, kind: number"));
        var plan = site.runs().plan(new Runs.RunTarget("2.0.0", to, List.of()));
        assertEquals(plan.asks().getFirst().finding().code(), Code.PLAN_VALUES_UNCONVERTED);
        install("2.0.0", to, new Decision("fbranch", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, ""));
        var prunings = (List<Row>) trees().getFirst().values().get("fprunings");
        var cuts = (List<Row>) prunings.getFirst().values().get("fcuts");
        assertEquals(cuts.getFirst().values(), Map.of("fthick", "2.5"));
        undo();
        assertEquals(trees(), before, "what was set aside in rows is back in its row");
    }

    @Test
    public void addedAndRemovedTablesAndTaxonomies() {
        var kept = save("ttree", Orchard.tree("A"));
        var before = trees();
        var to = Orchard.edited(Map.of(
                "  - {use: label}\n", "",
                "      - {id: fspot, key: spot, label: Where it stands, kind: place}\n",
                        "      - {id: fvisits, key: visits, label: Visits, kind: repeater, fields: [{id: fwhen, key: when, label: When, kind: date}]}\n",
                "      - {id: fuses, key: uses, label: Uses, kind: choice, list: uses, many: true}\n", ""));
        var plan = site.runs().plan(new Runs.RunTarget("2.0.0", to, List.of()));
        var held = plan.findings().stream()
                .filter(finding -> finding.code() == Code.PLAN_VALUES_HELD)
                .map(finding -> finding.place().field())
                .toList();
        assertEquals(held.stream().sorted().toList(), List.of("fspot", "fuses"));
        install("2.0.0", to);
        var wire = new LinkedHashMap<String, Object>();
        wire.put("visits", List.of(Map.of("when", "2026-05-05")));
        var now = site.records().byId("ttree", kept.id()).orElseThrow();
        assertTrue(site.records().save(Write.change("ttree", now, wire, false, "ben")) instanceof SaveResult.Stored);
        assertEquals(
                site.runs()
                        .undoPlan(site.runs().last().orElseThrow().id())
                        .orElseThrow()
                        .findings()
                        .getFirst()
                        .code(),
                Code.UNDO_VALUES_HELD,
                "one visit was entered since");
        undo();
        var values = trees().getFirst().values();
        assertEquals(values, before.getFirst().values());
    }

    @Test
    public void whatNoRuleCarriesBlocksOnlyWhereItHasValues() {
        var to = Orchard.edited(Map.of(
                "label: Last seen, kind: date_time}", "label: Last seen, kind: file, many: true, formats: [pdf]}"));
        assertTrue(site.runs().plan(new Runs.RunTarget("2.0.0", to, List.of())).runnable());
        save("ttree", Orchard.tree("A"));
        var plan = site.runs().plan(new Runs.RunTarget("2.0.0", to, List.of()));
        assertFalse(plan.runnable());
        assertEquals(plan.findings().getFirst().code(), Code.PLAN_NOT_CARRIED);
        assertTrue(
                site.runs().start(new Runs.RunTarget("2.0.0", to, List.of()), "anna", _ -> {})
                        instanceof Runs.RunOutcome.NotRunnable);
    }

    @Test
    public void starterTermsFollowTheDefinitionsAndNobodysOwnAreTouched() {
        var pear = site.records().all("xsort", 100).stream()
                .filter(term -> term.title().equals("Pear"))
                .findFirst()
                .orElseThrow();
        site.records().save(Write.change("xsort", pear, Map.of("label", "Pears"), false, "ben"));
        install(
                "1.1.0",
                Orchard.edited(Map.of(
                        "label: Apple,", "label: Apples,",
                        "{id: wpear, key: pear, label: Pear}",
                                "{id: wpear, key: pear, label: Birne}\n  - {id: wplum, key: plum, label: Plum}")));
        var titles = site.records().all("xsort", 100).stream()
                .map(StoredRecord::title)
                .sorted()
                .toList();
        assertEquals(titles, List.of("Apples", "Cider apple", "Pears", "Plum"));
    }

    @Test
    public void recordsThatMustStandUnderAnotherAreRefusedAlone() {
        install(
                "1.1.0",
                Orchard.edited(
                        Map.of("nested: {under: [plot], parents", "nested: {under: [plot], required: true, parents")));
        var alone = site.records().save(Write.fresh("ttree", RecordState.DRAFT, Map.of("title", "A"), "ben"));
        assertEquals(
                ((SaveResult.Refused) alone).problems().getFirst().finding().code(), Code.RECORD_PARENT_REQUIRED);
    }

    @Test
    public void historyWrittenUnderOlderDefinitionsStaysReadable() {
        var tree = save("ttree", Orchard.tree("A"));
        var wire = Map.of("summary", "Later");
        site.records().save(Write.change("ttree", tree, wire, false, "cleo"));
        install(
                "2.0.0",
                Orchard.edited(Map.of(
                        "      - {id: fspot, key: spot, label: Where it stands, kind: place}\n", "",
                        "key: height, label: Height", "key: tallness, label: Tallness")));
        var past = site.records().history("ttree", tree.id()).getFirst();
        assertEquals(past.by(), "ben");
        var spot = past.recordType().field("fspot").orElseThrow();
        assertEquals(Values.show(spot.kind(), past.values().get("fspot")), "52.3456789, -1.25");
        assertEquals(past.recordType().field("fheight").orElseThrow().label(), "Height");
    }
}
