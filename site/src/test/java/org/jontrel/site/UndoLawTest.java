package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TimeZone;
import java.util.TreeMap;
import org.jontrel.core.code.Decision;
import org.jontrel.core.generated.Models;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.State;
import org.jontrel.core.sample.SampleValues;
import org.jontrel.site.record.ListQuery;
import org.jontrel.site.record.RecordStore;
import org.jontrel.site.record.Saved;
import org.jontrel.site.record.Write;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.TestDatabase;
import org.testng.annotations.Test;

/**
 * For any model, its records, and any edits of it: a run and its undo leave every value, row, link, term and address as it
 * was; the undo of the undo gives back what the run had made; and all of it can be read in between.
 */
public class UndoLawTest {
    private static final int CASES = Integer.getInteger("undo.cases", 25);
    private static final int FROM = Integer.getInteger("undo.from", 1);
    private static final List<String> ZONES = List.of("UTC", "America/St_Johns", "Asia/Kathmandu");
    private static final int RECORDS = 3;
    private static final String EDITED = "Edited by hand";

    @Test
    public void aRunAndItsUndoLeaveEverythingAsItWas() throws SQLException {
        var zone = TimeZone.getDefault();
        int carriedOut = 0;
        try {
            for (int seed = FROM; seed < FROM + CASES; seed++) {
                TimeZone.setDefault(TimeZone.getTimeZone(ZONES.get(seed % ZONES.size())));
                var database = TestDatabase.shared();
                try (var source = database.source(database.create())) {
                    carriedOut += new Case(source, seed).holds() ? 1 : 0;
                } catch (RuntimeException | AssertionError e) {
                    throw new AssertionError("seed " + seed + ": " + e.getMessage(), e);
                }
            }
        } finally {
            TimeZone.setDefault(zone);
        }
        assertTrue(carriedOut * 2 > CASES, "of " + CASES + " plans " + carriedOut + " could be run");
    }

    private static final class Case {
        private final HikariDataSource source;
        private final Site site;
        private final Models models;
        private final Map<Long, String> edited = new LinkedHashMap<>();

        Case(HikariDataSource source, int seed) {
            this.source = source;
            this.models = new Models(seed);
            this.site = Site.open(source, "law", Duration.ofSeconds(5));
        }

        /** Whether the plan could be run; some edits no plan carries, and it says so. */
        boolean holds() throws SQLException {
            var before = models.model();
            run(site.runs().start(new Runs.Target("1", before, List.of()), "anna", _ -> {}));
            fill(before);
            var bytes = Dump.of(source);
            var after = before;
            for (int edits = 1 + models.pick(4); edits > 0; edits--) {
                after = models.edit(after);
            }
            var target = answered(after);
            if (!site.runs().plan(target).runnable()) {
                return false;
            }
            run(site.runs().start(target, "anna", _ -> {}));
            assertEquals(site.installed().model(), after);
            read();
            edit();
            var newer = Dump.of(source);
            undo(last());
            assertEquals(site.installed().model(), before);
            assertSame(Dump.of(source), bytes, "after the undo");
            edited.forEach((id, type) -> site.installed()
                    .table(type)
                    .filter(table -> table.holder().field("part_title").isPresent())
                    .ifPresent(_ -> assertEquals(
                            site.records().byId(type, id).orElseThrow().title(), EDITED, "what people entered")));
            read();
            undo(last());
            assertEquals(site.installed().model(), after);
            assertSame(Dump.of(source), newer, "after the undo of the undo");
            read();
            undo(forward());
            assertSame(Dump.of(source), bytes, "after another undo");
            return true;
        }

        /** One record of each type, by a person; all else of what a run and its undo leave must be what it was. */
        private void edit() {
            for (var table : site.installed().tables(Definition.Sort.TYPE)) {
                var type = table.holder().id();
                var first = site.records().all(type, 1);
                if (first.isEmpty() || table.holder().field("part_title").isEmpty()) {
                    continue;
                }
                var change = Write.change(type, first.getFirst(), Map.of("title", EDITED), false, "ben");
                if (site.records().save(change) instanceof Saved.Stored) {
                    edited.put(first.getFirst().id(), type);
                }
            }
        }

        private void assertSame(
                Map<String, List<Map<String, String>>> actual,
                Map<String, List<Map<String, String>>> expected,
                String when) {
            assertEquals(actual.keySet(), expected.keySet(), when);
            expected.forEach((table, rows) -> {
                var was = comparable(table, rows);
                var is = comparable(table, actual.get(table));
                assertEquals(is.size(), was.size(), when + ", rows of " + table);
                for (int i = 0; i < was.size(); i++) {
                    assertEquals(is.get(i), was.get(i), when + ", table " + table);
                }
            });
        }

        /** Terms that definitions begin with are made anew where they come and go: their numbers and times are others. */
        private List<String> comparable(String table, List<Map<String, String>> rows) {
            var made = List.of(
                    "id", "parent_id", "term_id", "above_id", "version", "created_at", "updated_at", "updated_by");
            return rows.stream()
                    .filter(row -> !edited.containsKey(Long.valueOf(row.getOrDefault("id", "0"))))
                    .map(row -> {
                        var left = new TreeMap<>(row);
                        if (table.startsWith("terms__")) {
                            left.keySet().removeAll(made);
                        }
                        return left.toString();
                    })
                    .sorted()
                    .toList();
        }

        private static void run(Runs.Outcome outcome) {
            assertTrue(outcome instanceof Runs.Outcome.Started, outcome.toString());
            ((Runs.Outcome.Started) outcome).work().run();
        }

        private RunView last() {
            return site.runs().last().orElseThrow();
        }

        private RunView forward() {
            return site.runs().history().stream()
                    .filter(each -> each.kind().equals("forward") && each.canUndo())
                    .findFirst()
                    .orElseThrow();
        }

        private void undo(RunView run) {
            run(site.runs().undo(run.id(), "anna", _ -> {}));
        }

        /** Every question with the answer that fills nothing in. */
        private Runs.Target answered(Model to) {
            var decisions = new ArrayList<Decision>();
            site.runs().plan(new Runs.Target("2", to, List.of())).asks().forEach(ask -> {
                var answer = ask.choices().contains(Decision.Answer.LEAVE)
                        ? Decision.Answer.LEAVE
                        : ask.choices().getFirst();
                decisions.add(new Decision(ask.fieldId(), ask.about(), answer, ""));
            });
            return new Runs.Target("2", to, decisions);
        }

        private void fill(Model model) {
            for (var holder : Holder.all(model)) {
                boolean single = holder.single();
                for (int number = 1; number <= (single ? 1 : RECORDS); number++) {
                    save(holder, number, single, model);
                }
            }
        }

        /** With whatever of made-up values can be stored; what leads to records that are not there is left out. */
        private void save(Holder holder, int number, boolean single, Model model) {
            var raw = new LinkedHashMap<String, Object>();
            for (var group : holder.groups()) {
                for (var field : group.fields()) {
                    var value = new SampleValues(model).of(List.of(field), List.of(), number);
                    var alone = write(holder, single, value);
                    boolean fits = site.records()
                            .check(alone)
                            .map(checked -> checked.problems().stream()
                                    .allMatch(problem -> problem.required()
                                            || !problem.path().startsWith(field.key())))
                            .orElse(false);
                    if (fits) {
                        raw.putAll(value);
                    }
                }
            }
            var saved = site.records().save(write(holder, single, raw));
            if (saved instanceof Saved.Refused && !single) {
                site.records().save(write(holder, false, Map.of("title", "Record " + number)));
            }
        }

        private static Write write(Holder holder, boolean single, Map<String, Object> raw) {
            return new Write(
                    holder.id(),
                    single ? Optional.of(RecordStore.SINGLE) : Optional.empty(),
                    0,
                    State.DRAFT,
                    Optional.empty(),
                    "",
                    Optional.empty(),
                    Optional.empty(),
                    raw,
                    true,
                    "ben");
        }

        /** Everything can be read, whatever the definitions are. */
        private void read() {
            for (var table : site.installed().tables().values()) {
                var id = table.holder().id();
                var page = site.records().page(id, ListQuery.ALL).orElseThrow();
                page.records().forEach(record -> site.records().history(id, record.id()));
                if (table.holder().definition().sort() == Definition.Sort.TYPE) {
                    var type = (ContentType) table.holder().definition();
                    site.records().page(id, ListQuery.ALL.search(type.singular()));
                }
            }
        }
    }
}
