package org.jontrel.site;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.jontrel.core.code.Decision;
import org.jontrel.core.generated.Models;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Step;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.SaveResult;
import org.jontrel.site.record.write.Write;
import org.jontrel.site.run.RunView;
import org.jontrel.site.run.Runs;
import org.jontrel.site.testing.Drawn;
import org.jontrel.site.testing.DrawnChange;
import org.jontrel.site.testing.Dump;
import org.jontrel.site.testing.MadeEdits;
import org.jontrel.site.testing.Meanwhile;
import org.jontrel.site.testing.OldTransaction;
import org.jontrel.site.testing.SameBytes;

final class UndoCase {
    private static final String EDITED = "Edited by hand";
    /** Waiting for somebody else's transaction takes a second or more. */
    private static final int OFTEN = 8;

    private static final long HELD_OPEN = 300;

    private final HikariDataSource source;
    private final Site site;
    private final Drawn drawn;
    /** What people entered, by record. */
    private final Map<Long, String> titles = new ConcurrentHashMap<>();

    private final Map<Long, String> types = new ConcurrentHashMap<>();
    private final boolean old;
    private int links;
    private int moves;
    private long added;

    /** Of records that were made and of those that they belong to, where a person has edited them. */
    private final Set<Long> edited = ConcurrentHashMap.newKeySet();

    private final DrawnChange change;
    private final Set<String> stays = ConcurrentHashMap.newKeySet();

    UndoCase(HikariDataSource source, int seed, DrawnChange.EditSort sort) {
        this.source = source;
        this.change = DrawnChange.of(new Models(seed), sort);
        this.old = seed % OFTEN == 0;
        this.site = Site.open(source, "law", Duration.ofSeconds(5));
        this.drawn = new Drawn(site);
    }

    /** How many steps took values to other places. */
    int moves() {
        return moves;
    }

    /** How many records and terms a run left in what was new. */
    long added() {
        return added;
    }

    /** How many there are between its records. */
    int links() {
        return links;
    }

    /** Whether the plan could be run; some edits no plan carries, and it says so. */
    boolean holds() throws SQLException {
        var before = change.before();
        run(site.runs().start(new Runs.RunTarget("1", before, List.of()), "anna", _ -> {}));
        links = drawn.fill(before);
        var bytes = Dump.of(source);
        var after = change.after();
        for (var each : RecordType.all(before)) {
            after.definition(each.id()).ifPresent(_ -> stays.add(each.id()));
        }
        var target = drawn.answered(after, Decision.Action.LEAVE);
        var plan = site.runs().plan(target);
        if (!plan.runnable()) {
            return false;
        }
        moves = (int) plan.steps().stream()
                .filter(planned -> planned.step() instanceof Step.MoveValues
                        || planned.step() instanceof Step.MakeRecords
                        || planned.step() instanceof Step.MakeRows
                        || planned.step() instanceof Step.RetypeRecords)
                .count();
        boolean retypes = plan.steps().stream().anyMatch(each -> each.step() instanceof Step.RetypeRecords);
        long records = drawn.records(_ -> true);
        busily(site.runs().start(target, "anna", _ -> {}));
        assertEquals(site.installed().model(), after);
        if (retypes) {
            assertEquals(drawn.records(_ -> true), records, "records of all types");
        }
        added = drawn.records(type -> before.definition(type).isEmpty())
                + drawn.terms(taxonomy -> before.definition(taxonomy).isEmpty());
        drawn.read();
        hasNotDrifted();
        edit();
        edited.addAll(new MadeEdits(site).edit(plan));
        var newer = Dump.of(source);
        busily(site.runs().undo(last().id(), "anna", _ -> {}));
        assertEquals(site.installed().model(), before);
        assertSame(Dump.of(source), bytes, "after the undo");
        entered();
        drawn.read();
        hasNotDrifted();
        undo(last());
        assertEquals(site.installed().model(), after);
        SameBytes.assertSame(Dump.of(source), newer, "after the undo of the undo", Set.of(), titles.keySet());
        drawn.read();
        undo(forward());
        assertSame(Dump.of(source), bytes, "after another undo");
        hasNotDrifted();
        broughtBack(after, bytes);
        hasNotDrifted();
        return true;
    }

    /** Nobody but runs and writers has been at the tables. */
    private void hasNotDrifted() {
        assertEquals(site.drift().look().stream().map(Object::toString).toList(), List.of(), "drift");
    }

    /** Once more forward, with all that is held brought back, and undone. */
    private void broughtBack(Model after, Map<String, List<Map<String, String>>> bytes) throws SQLException {
        var target = drawn.answered(after, Decision.Action.BRING_BACK);
        assertTrue(site.runs().plan(target).runnable(), "what is held can be brought back");
        run(site.runs().start(target, "anna", _ -> {}));
        assertEquals(site.installed().model(), after);
        drawn.read();
        for (var held : site.held().list()) {
            assertTrue(site.held().look(held.name(), 0, 10).isPresent(), held.toString());
        }
        undo(last());
        assertSame(Dump.of(source), bytes, "after the undo of what was brought back");
    }

    /** Carries it out while somebody writes, and at times while somebody's old transaction is in the way. */
    private void busily(Runs.RunOutcome outcome) {
        var round = new AtomicInteger();
        Meanwhile.goesOn(
                () -> run(outcome),
                () -> old ? OldTransaction.hold(source, HELD_OPEN) : null,
                () -> write(1, "Written " + round.getAndIncrement()),
                this::readLists);
    }

    /** Lists of types that stay are read at every moment. */
    private void readLists() {
        stays.stream()
                .filter(type -> site.installed().table(type).isPresent())
                .forEach(type -> site.records().page(type, ListQuery.ALL).orElseThrow());
    }

    /** What people entered is there. */
    private void entered() {
        titles.forEach((id, title) -> {
            var type = types.get(id);
            boolean titled = site.installed()
                    .table(type)
                    .filter(table -> table.recordType().field("part_title").isPresent())
                    .isPresent();
            if (titled) {
                // it may be a record of another type again
                var now = site.installed().tables(Definition.Sort.TYPE).stream()
                        .flatMap(table -> site.records().byId(table.recordType().id(), id).stream())
                        .map(StoredRecord::title)
                        .toList();
                assertEquals(now, List.of(title), "what people entered");
            }
        });
    }

    /** One record of each type, by a person; all else of what a run and its undo leave must be what it was. */
    private void edit() {
        write(0, EDITED);
    }

    /** Gives one record of each type another title. */
    private void write(int which, String title) {
        for (var table : site.installed().tables(Definition.Sort.TYPE)) {
            var type = table.recordType().id();
            if (!stays.contains(type)) {
                continue;
            }
            var some = site.records().all(type, which + 1);
            if (some.size() <= which || table.recordType().field("part_title").isEmpty()) {
                continue;
            }
            var id = some.get(which).id();
            if (site.records().save(Write.change(type, some.get(which), Map.of("title", title), false, "ben"))
                    instanceof SaveResult.Stored) {
                titles.put(id, title);
                types.put(id, type);
            }
        }
    }

    private void assertSame(
            Map<String, List<Map<String, String>>> actual,
            Map<String, List<Map<String, String>>> expected,
            String when) {
        SameBytes.assertSame(actual, expected, when, edited, titles.keySet());
    }

    private static void run(Runs.RunOutcome outcome) {
        assertTrue(outcome instanceof Runs.RunOutcome.Started, outcome.toString());
        ((Runs.RunOutcome.Started) outcome).work().run();
    }

    private RunView last() {
        return site.runs().last().orElseThrow();
    }

    private RunView forward() {
        return site.runs().history().stream()
                .filter(each -> each.kind() == RunView.RunKind.FORWARD && each.canUndo())
                .findFirst()
                .orElseThrow();
    }

    private void undo(RunView run) {
        run(site.runs().undo(run.id(), "anna", _ -> {}));
    }
}
