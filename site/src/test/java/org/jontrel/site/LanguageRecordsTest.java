package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.value.Link;
import org.jontrel.core.value.Row;
import org.jontrel.site.record.RecordStore;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.RemoveResult;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Orchard;
import org.testng.annotations.Test;

/** Records that use the whole language, in real tables. */
public class LanguageRecordsTest extends OrchardSiteTest {
    @Test
    @SuppressWarnings("unchecked")
    public void everyKindComesBackAsItWentIn() {
        var person = titled("tperson", "Ada Quill");
        var other = titled("ttree", "Neighbour");
        var raw = Orchard.tree("Old Gold");
        raw.put("keeper", person.id());
        raw.put("near", List.of(other.id()));
        raw.put("parents", List.of(other.id()));
        raw.put("sort", List.of(term("Cider apple").id()));
        var saved = save("ttree", raw);
        var loaded = site.records().byId("ttree", saved.id()).orElseThrow();
        assertEquals(loaded.values(), saved.values());
        assertEquals(loaded, saved, "what saving gives is what loading gives");
        var wire = new LinkedHashMap<>(wire("ttree", loaded));
        assertEquals(wire.remove("story"), "<p>An <b>old</b> tree</p>");
        assertEquals(wire.remove("spot"), Map.of("latitude", "52.3456789", "longitude", "-1.25"));
        var rows = (List<Map<String, Object>>) wire.remove("prunings");
        assertEquals(rows.size(), 2);
        assertEquals(rows.get(0).get("day"), "2025-02-01");
        assertEquals(((List<?>) rows.get(0).get("cuts")).size(), 2);
        assertEquals(rows.get(1).get("tools"), List.of("shears", "saw"));
        assertEquals(wire.get("near"), List.of(Map.of("type", "ttree", "id", other.id())));
        assertEquals(wire.get("keeper"), Map.of("type", "tperson", "id", person.id()));
        for (var key : List.of("story", "spot", "prunings", "near", "keeper", "parents", "sort")) {
            raw.remove(key);
            wire.remove(key);
        }
        assertEquals(wire, raw);
    }

    @Test
    public void rowsThatStayKeepTheirIdsAndOnlyWhatChangedIsWritten() {
        var saved = save("ttree", Orchard.tree("Old Gold"));
        var rows = rows(saved, "fprunings");
        var wire = new HashMap<>(wire("ttree", saved));
        var list = new java.util.ArrayList<Object>((List<?>) wire.get("prunings"));
        java.util.Collections.swap(list, 0, 1);
        list.add(Map.of("day", "2026-03-03"));
        var changed = change("ttree", saved, Map.of("prunings", list));
        var now = rows(changed, "fprunings");
        assertEquals(now.get(0).id(), rows.get(1).id());
        assertEquals(now.get(1).id(), rows.get(0).id());
        assertEquals(now.get(1).values(), rows.get(0).values(), "rows within keep theirs too");
        assertEquals(site.records().byId("ttree", saved.id()).orElseThrow(), changed);
        var again = stored(site.records().save(Write.change("ttree", changed, wire("ttree", changed), true, "cleo")));
        assertEquals(again.version(), changed.version(), "nothing changed, nothing written");
        var fewer = change("ttree", changed, Map.of("prunings", List.of(), "uses", List.of("juice")));
        var loaded = site.records().byId("ttree", saved.id()).orElseThrow();
        assertEquals(loaded, fewer);
        assertFalse(loaded.values().containsKey("fprunings"));
    }

    @SuppressWarnings("unchecked")
    private static List<Row> rows(StoredRecord record, String fieldId) {
        return (List<Row>) record.values().get(fieldId);
    }

    @Test
    public void relationsAreSeenFromBothEnds() {
        var person = titled("tperson", "Ada Quill");
        var a = titled("ttree", "A");
        var b = save(
                "ttree",
                Map.of("title", "B", "near", List.of(a.id()), "parents", List.of(a.id()), "keeper", person.id()));
        var near = site.records().byId("ttree", a.id()).orElseThrow().values().get("fnear");
        assertEquals(near, List.of(new Link("ttree", b.id())), "symmetric: the other has it too");
        var pointers = site.records().pointers("ttree", a.id());
        assertEquals(pointers, List.of(new RecordStore.Pointers("ttree", "fparents", List.of(b.id()))));
        assertEquals(site.records().pointers("tperson", person.id()).getFirst().records(), List.of(b.id()));
        change("ttree", site.records().byId("ttree", a.id()).orElseThrow(), Map.of("near", List.of()));
        assertFalse(site.records().byId("ttree", b.id()).orElseThrow().values().containsKey("fnear"));
        var taken = site.records()
                .save(Write.fresh("ttree", RecordState.DRAFT, Map.of("title", "C", "keeper", person.id()), "ben"));
        assertEquals(refused(taken), List.of(Code.VALUE_LINK_TAKEN));
        var gone = site.records()
                .save(Write.fresh("ttree", RecordState.DRAFT, Map.of("title", "C", "parents", List.of(4711)), "ben"));
        assertEquals(refused(gone), List.of(Code.VALUE_LINK_GONE));
        var wrong = Map.of("title", "C", "keeper", Map.of("type", "ttree", "id", a.id()));
        assertEquals(
                refused(site.records().save(Write.fresh("ttree", RecordState.DRAFT, wrong, "ben"))),
                List.of(Code.VALUE_LINK_TYPE));
        var named = site.records().named(List.of(new Link("ttree", a.id()), new Link("tperson", person.id())));
        assertEquals(named.get(new Link("tperson", person.id())).title(), "Ada Quill");
    }

    @Test
    public void uniqueTextsConditionsAndLimitsHoldOnEveryWayIn() {
        save("ttree", Map.of("title", "A", "tag", "X1"));
        var again =
                site.records().save(Write.fresh("ttree", RecordState.DRAFT, Map.of("title", "B", "tag", "x1"), "ben"));
        assertEquals(refused(again), List.of(Code.VALUE_NOT_UNIQUE));
        var needs = site.records()
                .save(Write.fresh("ttree", RecordState.PUBLISHED, Map.of("title", "B", "fruits", true), "ben"));
        assertEquals(refused(needs), List.of(Code.VALUE_REQUIRED), "shown, so required");
        var without = save("ttree", Map.of("title", "B", "fruits", false));
        assertTrue(without.complete(), "hidden, so not required");
        var bad = Map.of("title", "C", "prunings", List.of(Map.of("day", "soon", "axe", 1)), "sort", List.of(1, 2, 3));
        var problems = ((SaveResult.Refused) site.records().save(Write.fresh("ttree", RecordState.DRAFT, bad, "ben")))
                .problems();
        var paths = problems.stream().map(problem -> problem.path()).collect(java.util.stream.Collectors.toSet());
        assertTrue(paths.containsAll(Set.of("prunings.0.day", "prunings.0.axe", "sort")), paths.toString());
    }

    @Test
    public void whatWasWrongAlreadyKeepsNobodyFromMendingSomethingElse() {
        var tree = save("ttree", Map.of("title", "A", "height", "5"));
        var stricter = Orchard.model();
        var type = stricter.type("ttree").orElseThrow();
        var groups = type.sections().stream()
                .map(section -> section instanceof org.jontrel.core.model.Group group
                        ? group.withFields(group.fields().stream()
                                .map(field -> field.id().equals("fheight")
                                        ? field.withKind(new org.jontrel.core.model.Kind.Numeric(
                                                2, null, java.math.BigDecimal.ONE, "m"))
                                        : field)
                                .toList())
                        : section)
                .toList();
        var outcome = site.runs()
                .start(
                        new Runs.RunTarget(
                                "2.0.0",
                                stricter.with(type.withSections(groups)),
                                List.of(new Decision(
                                        "fheight", Decision.Topic.OUTSIDE_LIMITS, Decision.Action.LEAVE, ""))),
                        "anna",
                        _ -> {});
        ((Runs.RunOutcome.Started) outcome).work().run();
        var now = site.records().byId("ttree", tree.id()).orElseThrow();
        assertFalse(now.complete());
        assertEquals(site.records().problems("ttree", now).getFirst().finding().code(), Code.VALUE_TOO_LARGE);
        assertEquals(change("ttree", now, Map.of("summary", "Mended")).values().get("part_summary"), "Mended");
        var worse = site.records()
                .save(Write.change(
                        "ttree",
                        site.records().byId("ttree", tree.id()).orElseThrow(),
                        Map.of("height", "6"),
                        false,
                        "ben"));
        assertEquals(refused(worse), List.of(Code.VALUE_TOO_LARGE));
        var past = site.records().history("ttree", tree.id());
        assertEquals(past.size(), 1);
        assertEquals(past.getFirst().values().get("fheight"), new java.math.BigDecimal("5"));
    }

    @Test
    public void termsOfDefinitionsAreThereAndFoundWithWhatStandsUnderThem() {
        var cider = term("Cider apple");
        assertEquals(cider.parentId(), term("Apple").id());
        assertEquals(cider.origin(), "wcider");
        assertEquals(term("Apple").values().get("ftint"), "#aa2211");
        var a = save("ttree", Map.of("title", "A", "sort", List.of(cider.id())));
        save("ttree", Map.of("title", "B", "sort", List.of(term("Pear").id())));
        var apple = String.valueOf(term("Apple").id());
        assertEquals(count(new Condition.TermIs("xsort", Condition.Test.UNDER, List.of(apple))), 1);
        assertEquals(count(new Condition.TermIs("xsort", Condition.Test.IS, List.of(apple))), 0);
        assertEquals(count(new Condition.TermIs("xsort", Condition.Test.IS_NOT, List.of(apple))), 2);
        var hidden = site.records()
                .check(Write.fresh("ttree", RecordState.DRAFT, wire("ttree", a), "ben"))
                .orElseThrow();
        assertFalse(hidden.hidden().contains("glinks"), "a condition on terms of the definitions sees the site's");
        var pear = site.records()
                .check(Write.fresh(
                        "ttree",
                        RecordState.DRAFT,
                        Map.of("sort", List.of(term("Pear").id())),
                        "ben"))
                .orElseThrow();
        assertTrue(pear.hidden().contains("glinks"));
        var added = save("xsort", Map.of("label", "Dessert apple", "tint", "#00ff00"));
        var moved = stored(site.records()
                .save(Write.change("xsort", added, Map.of(), false, "ben").under(new Link("xsort", cider.id()))));
        assertEquals(moved.parentId(), cider.id());
        save("ttree", Map.of("title", "C", "sort", List.of(added.id())));
        assertEquals(count(new Condition.TermIs("xsort", Condition.Test.UNDER, List.of(apple))), 2);
        var circle = site.records()
                .save(Write.change("xsort", term("Apple"), Map.of(), false, "ben")
                        .under(new Link("xsort", added.id())));
        assertEquals(refused(circle), List.of(Code.RECORD_PARENT_CIRCLE));
        assertEquals(site.records().mergeTerms("xsort", cider.id(), term("Pear").id(), "ben"), Optional.of(1L));
        assertEquals(count(new Condition.TermIs("xsort", Condition.Test.UNDER, List.of(apple))), 0);
        assertEquals(
                count(new Condition.TermIs(
                        "xsort",
                        Condition.Test.UNDER,
                        List.of(String.valueOf(term("Pear").id())))),
                3);
    }

    @Test
    public void nestedRecordsCarryTheirParentsAndOldAddressesLeadToNewOnes() {
        var north = titled("tplot", "North field");
        var row = stored(site.records()
                .save(Write.fresh("tplot", RecordState.PUBLISHED, Map.of("title", "Row 1"), "ben")
                        .under(new Link("tplot", north.id()))));
        var tree = stored(site.records()
                .save(Write.fresh("ttree", RecordState.PUBLISHED, Map.of("title", "Bäumchen Ελιά"), "ben")
                        .under(new Link("tplot", row.id()))));
        assertEquals(tree.slug(), "baumchen-elia");
        var found = site.records()
                .byAddress("ttree", "north-field/row-1/baumchen-elia")
                .orElseThrow();
        assertEquals(found.record(), tree);
        assertFalse(found.moved());
        var renamed = stored(site.records()
                .save(Write.change("ttree", tree, Map.of(), false, "ben").at("olive")));
        var old = site.records()
                .byAddress("ttree", "north-field/row-1/baumchen-elia")
                .orElseThrow();
        assertTrue(old.moved());
        assertEquals(old.address(), "north-field/row-1/olive");
        assertEquals(
                refused(site.records()
                        .save(Write.change("ttree", renamed, Map.of(), false, "ben")
                                .at("Not one"))),
                List.of(Code.RECORD_SLUG));
        var taken = Write.fresh("ttree", RecordState.DRAFT, Map.of("title", "X"), "ben")
                .under(new Link("tplot", row.id()))
                .at("olive");
        assertEquals(refused(site.records().save(taken)), List.of(Code.RECORD_SLUG_TAKEN));
        var astray = Write.fresh("ttree", RecordState.DRAFT, Map.of("title", "X"), "ben")
                .under(new Link("ttree", tree.id()));
        assertEquals(refused(site.records().save(astray)), List.of(Code.RECORD_PARENT));
        var second = stored(site.records()
                .save(Write.fresh("ttree", RecordState.PUBLISHED, Map.of("title", "Olive"), "ben")
                        .under(new Link("tplot", row.id()))));
        assertEquals(second.slug(), "olive-2");
        assertEquals(titled("ttree", "Olive").slug(), "olive", "another place");
        assertTrue(site.records().remove("tplot", row.id(), row.version(), "ben") instanceof RemoveResult.HasChildren);
        assertEquals(site.records().under("ttree", row.id()).size(), 2);
    }

    @Test
    public void removedRecordsAreOutOfSightAndComeBackWhole() {
        var tree = save("ttree", Orchard.tree("Old Gold"));
        assertTrue(site.records().remove("ttree", tree.id(), 99, "ben") instanceof SaveResult.Conflict);
        assertTrue(site.records().remove("ttree", tree.id(), 1, "ben") instanceof RemoveResult.RemovedRecord);
        assertTrue(site.records().byId("ttree", tree.id()).isEmpty());
        assertEquals(site.records().count("ttree", ListQuery.ALL).records(), 0);
        assertTrue(site.records().byAddress("ttree", "old-gold").isEmpty());
        titled("ttree", "Old Gold");
        var back = stored(site.records().bringBack("ttree", tree.id(), "ben"));
        assertEquals(back.values(), tree.values());
        assertEquals(back.state(), RecordState.PUBLISHED);
        assertEquals(back.slug(), "old-gold-2");
    }

    @Test
    public void listsFilterByEveryKindSortAndPageWithoutGapsOrRepeats() {
        for (int i = 0; i < 60; i++) {
            var raw = new HashMap<String, Object>(
                    Map.of("title", "Tree " + i, "planted", "19%02d-01-01".formatted(10 + i % 7)));
            if (i % 3 == 0) {
                raw.put("height", i / 2.0 + "");
            }
            if (i % 5 == 0) {
                raw.put(
                        "prunings",
                        List.of(Map.of("day", "2026-01-0" + (1 + i % 9), "cuts", List.of(Map.of("branch", "B" + i)))));
                raw.put("uses", List.of("juice"));
                raw.put("spot", "52.1, 1." + i);
            }
            save("ttree", raw);
        }
        assertEquals(count(is("fheight", Condition.Test.AT_LEAST, 15)), 10);
        assertEquals(count(is("fheight", Condition.Test.FILLED, false)), 40);
        assertEquals(count(is("fplanted", Condition.Test.IS, "1910-01-01", "1911-01-01")), 18);
        assertEquals(count(is("part_title", Condition.Test.HAS, "TREE 5")), 11);
        assertEquals(count(is("fuses", Condition.Test.IS, "ojuice")), 12);
        assertEquals(count(is("fuses", Condition.Test.IS_NOT, "juice")), 48);
        assertEquals(count(is("fbranch", Condition.Test.IS, "B55")), 1);
        assertEquals(count(is("fbranch", Condition.Test.FILLED, true)), 12);
        assertEquals(count(is("fprunings", Condition.Test.FILLED, false)), 48);
        assertEquals(count(is("fspot", Condition.Test.FILLED, true)), 12);
        assertEquals(count(new Condition.StateIs(RecordState.DRAFT)), 0);
        assertEquals(count(is("own_created_by", Condition.Test.IS, "ben")), 60);
        assertEquals(count(is("own_updated_at", Condition.Test.BELOW, "2020-01-01T00:00")), 0);
        var either = new Condition.Any(List.of(
                is("fheight", Condition.Test.FILLED, true),
                new Condition.Not(is("fuses", Condition.Test.FILLED, false))));
        assertEquals(count(either), 28);
        assertEquals(
                site.records().count("ttree", ListQuery.ALL.search("tree 17")).records(), 1);
        for (var by : List.of("fheight", "fplanted", "part_title", "own_updated_at", "own_complete", "fseen")) {
            for (boolean down : List.of(false, true)) {
                var query = ListQuery.ALL.sortedBy(by, down).most(7);
                var seen = new java.util.ArrayList<Long>();
                for (var page = site.records().page("ttree", query).orElseThrow();
                        ;
                        page = site.records()
                                .page("ttree", query.after(page.next()))
                                .orElseThrow()) {
                    page.records().forEach(record -> seen.add(record.id()));
                    if (page.next().isEmpty()) {
                        break;
                    }
                }
                assertEquals(seen.size(), 60, by);
                assertEquals(Set.copyOf(seen).size(), 60, by);
                var whole = site.records()
                        .page("ttree", ListQuery.ALL.sortedBy(by, down).most(100))
                        .orElseThrow();
                assertEquals(whole.records().stream().map(StoredRecord::id).toList(), seen, by);
            }
        }
    }

    @Test
    public void siteValuesExistOnceAndSchedulesComeDue() {
        var office = site.records()
                .save(new Write(
                        "voffice",
                        Optional.of(RecordStore.SINGLE),
                        0,
                        RecordState.PUBLISHED,
                        Optional.empty(),
                        Optional.empty(),
                        "",
                        Optional.empty(),
                        Optional.empty(),
                        Map.of("opens", "09:00"),
                        true,
                        "ben"));
        var again = change("voffice", stored(office), Map.of("desk", "+44 20 7946 0000"));
        assertEquals(site.records().single("voffice").orElseThrow(), again);
        assertEquals(wire("voffice", again), Map.of("opens", "09:00", "desk", "+44 20 7946 0000"));
        var without = site.records().save(Write.fresh("ttree", RecordState.SCHEDULED, Map.of("title", "S"), "ben"));
        assertEquals(refused(without), List.of(Code.RECORD_SCHEDULE));
        var past = java.time.Instant.parse("2026-01-01T00:00:00Z");
        for (var at : List.of(past, java.time.Instant.parse("2199-01-01T00:00:00Z"))) {
            stored(site.records()
                    .save(new Write(
                            "ttree",
                            Optional.empty(),
                            0,
                            RecordState.SCHEDULED,
                            Optional.of(at),
                            Optional.empty(),
                            "",
                            Optional.empty(),
                            Optional.empty(),
                            Map.of("title", "S"),
                            true,
                            "ben")));
        }
        assertEquals(
                site.records()
                        .count("ttree", ListQuery.ALL.as(Audience.VISITORS))
                        .records(),
                1);
        assertEquals(site.records().publishDue(), 1);
        assertEquals(count(new Condition.StateIs(RecordState.PUBLISHED)), 1);
        assertEquals(count(new Condition.StateIs(RecordState.SCHEDULED)), 1);
        assertNotEquals(again.version(), 1);
    }
}
