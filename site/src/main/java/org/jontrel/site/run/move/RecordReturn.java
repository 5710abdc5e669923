package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongSupplier;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.AlikeRows;
import org.jontrel.core.move.EnteredValues;
import org.jontrel.core.move.MoveLosses;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.move.RowView;
import org.jontrel.core.move.ValueShapes;
import org.jontrel.core.plan.Step;
import org.jontrel.core.record.GroupedValues;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.PlacedValues;
import org.jontrel.site.record.write.WholeRecords;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.HeldTables;

/** Takes what was entered into rows over into the held records that they were, when records come back. */
public final class RecordReturn implements RecordCarry {
    private final RecordMove rule;
    private final RowView view;
    private final String aroundId;
    private final RecordLoader around;
    private final RecordType goal;
    private final Binding.BoundTables kept;
    private final RecordLoader held;
    private final RecordLinks links;
    private final Optional<PlacedValues> link;
    private final MovedValues toRows;
    private final MovedValues toRecords;
    private final MovedValues own;
    private final SavedSince saved;
    private final LongSupplier ids;
    private final Set<Long> given = new HashSet<>();

    /**
     * @param binding the tables in use
     * @param to the model whose records come back
     */
    public RecordReturn(
            Connection connection,
            Binding binding,
            Model to,
            Step.CarryRecords step,
            NameLookup references,
            SavedSince saved,
            LongSupplier ids)
            throws SQLException {
        this.saved = saved;
        this.ids = ids;
        rule = step.rule();
        aroundId = step.recordTypeId();
        var present = binding.table(aroundId).orElseThrow();
        view = new RowView(present.recordType(), rule);
        var names = Set.copyOf(step.held().values());
        kept = HeldTables.all(connection, RecordMaker.type(to, rule.records()), names)
                .orElseThrow(() -> new IllegalStateException("No records are held as " + names));
        held = new RecordLoader(kept);
        around = new RecordLoader(present, view.read());
        toRows = RowMaker.rows(view, kept.recordType(), rule, references, MoveLosses.UNTOLD);
        toRecords = RecordMaker.made(view, kept.recordType(), rule, references, MoveLosses.UNTOLD);
        own = new MovedValues(view.type(), view.type(), view.same(view.type()), references, MoveLosses.UNTOLD);
        goal = RecordMaker.type(to, aroundId);
        if (rule.linkThere()) {
            links = new RecordLinks(connection, kept.fields().get(rule.link()).name(), true);
            link = Optional.empty();
        } else {
            var table = HeldTables.with(connection, goal, present.name(), names)
                    .fields()
                    .get(rule.link())
                    .name();
            links = new RecordLinks(connection, table, false);
            link = Optional.of(RecordMaker.link(goal, present.name(), rule, table));
        }
    }

    @Override
    public RecordLoader loader() {
        return around;
    }

    @Override
    public void work(Connection connection, List<StoredRecord> some, List<Long> again) throws SQLException {
        var known = new HashSet<>(again);
        known.addAll(saved.of(aroundId, some.stream().map(StoredRecord::id).toList()));
        var writer = new WholeRecords(connection, kept);
        var linked = new LinkedHashMap<Long, Map<String, Object>>();
        var gone = new HashSet<Long>();
        var made = new HashSet<Long>();
        for (var result : results(connection, some, known, true)) {
            if (result.outcome() == MovedReturn.Outcome.CARRIED) {
                // one that stands for rows of several is as the first of them says
                var written = result.written().stream()
                        .filter(each -> made.add(each.id()))
                        .toList();
                writer.remove(written.stream().map(StoredRecord::id).toList());
                writer.add(written);
                gone.addAll(result.gone());
                linked.put(result.around(), result.links());
            }
        }
        if (link.isPresent()) {
            link.get().write(connection, linked);
            // what others lead to stays
            gone.removeAll(links.shared(gone, 1));
        }
        writer.retract(gone);
    }

    @Override
    public List<MovedReturn.Outcome> outcomes(Connection connection, List<StoredRecord> some) throws SQLException {
        var all = some.stream().map(StoredRecord::id).toList();
        return results(connection, some, Set.copyOf(all), false).stream()
                .map(CarriedRecords::outcome)
                .toList();
    }

    /**
     * What becomes of what belongs to one record.
     *
     * @param written records that are new, or other than before
     * @param gone ids of those whose rows are gone
     */
    private record CarriedRecords(
            long around,
            MovedReturn.Outcome outcome,
            List<StoredRecord> written,
            Set<Long> gone,
            Map<String, Object> links) {}

    /** @param gives whether records that are new get their numbers */
    private List<CarriedRecords> results(Connection connection, List<StoredRecord> some, Set<Long> known, boolean gives)
            throws SQLException {
        var linked = links.of(some.stream().map(StoredRecord::id).toList());
        var found = RowMaker.living(connection, held, linked);
        var shared = links.shared(found.keySet(), 2);
        var results = new ArrayList<CarriedRecords>();
        for (var record : some) {
            var rows = view.rows(record.id(), record.values());
            var mine = new LinkedHashMap<Long, StoredRecord>();
            linked.getOrDefault(record.id(), List.of()).stream()
                    .filter(found::containsKey)
                    .forEach(id -> mine.put(id, found.get(id)));
            if (known.contains(record.id()) || mine.isEmpty() && !rows.isEmpty()) {
                results.add(
                        rule.unites()
                                ? united(connection, record, rows, mine, shared, gives)
                                : result(connection, record, rows, mine, shared));
            }
        }
        return results;
    }

    private CarriedRecords result(
            Connection connection,
            StoredRecord record,
            List<RowView.SeenRow> rows,
            Map<Long, StoredRecord> mine,
            Set<Long> shared)
            throws SQLException {
        var left = new LinkedHashMap<>(mine);
        var written = new ArrayList<StoredRecord>();
        var now = new ArrayList<Long>();
        boolean lost = false;
        // those that no row is of stay as they are
        var silent = mine.values().stream()
                .filter(each -> toRows.apply(each.values()).isEmpty())
                .map(StoredRecord::id)
                .toList();
        silent.forEach(left::remove);
        for (var row : rows) {
            var was = Optional.ofNullable(left.get(row.id()))
                    .or(() -> left.values().stream()
                            .filter(each -> rows.stream().noneMatch(other -> other.id() == each.id()))
                            .filter(each -> says(each.values(), row))
                            .findFirst());
            was.ifPresent(each -> left.remove(each.id()));
            if (was.isPresent() && says(was.get().values(), row)) {
                now.add(was.get().id());
                continue;
            }
            // what several lead to does not change for all of them
            var own = was.filter(each -> !shared.contains(each.id()));
            long id = own.isPresent() ? own.get().id() : free(connection, row.id());
            now.add(id);
            var before = was.map(StoredRecord::values).orElse(Map.of());
            var entered = new EnteredValues(
                            before, toRecords.apply(toRows.apply(before)), toRecords.apply(row.values()))
                    .merged(Set.copyOf(rule.matched().values()));
            var values = new HashMap<>(
                    ValueMover.settled(was.isPresent() ? entered.orElse(before) : toRecords.apply(row.values()), ids));
            if (rule.linkThere() && was.isEmpty()) {
                values.putAll(RecordMaker.back(kept.recordType(), values, rule, aroundId, record.id()));
            }
            lost |= entered.isEmpty() || !says(values, row);
            written.add(
                    own.isPresent()
                            ? own.get().rewritten(values)
                            : RecordMaker.made(kept.recordType(), record, id, values, rule));
        }
        return carried(record, mine, silent, now, written, left.keySet(), lost);
    }

    private CarriedRecords carried(
            StoredRecord record,
            Map<Long, StoredRecord> mine,
            List<Long> silent,
            List<Long> now,
            List<StoredRecord> written,
            Set<Long> gone,
            boolean lost) {
        boolean same = written.isEmpty()
                && now.equals(mine.keySet().stream()
                        .filter(each -> !silent.contains(each))
                        .toList());
        var all = new ArrayList<>(now);
        all.addAll(silent);
        var outcome =
                same ? MovedReturn.Outcome.UNTOUCHED : lost ? MovedReturn.Outcome.LOST : MovedReturn.Outcome.CARRIED;
        return new CarriedRecords(record.id(), outcome, written, new LinkedHashSet<>(gone), links(all));
    }

    private CarriedRecords united(
            Connection connection,
            StoredRecord record,
            List<RowView.SeenRow> rows,
            Map<Long, StoredRecord> mine,
            Set<Long> shared,
            boolean gives)
            throws SQLException {
        var silent = mine.values().stream()
                .filter(each -> toRows.apply(each.values()).isEmpty())
                .map(StoredRecord::id)
                .toList();
        var open = new LinkedHashMap<>(mine);
        silent.forEach(open::remove);
        var work = new UnitedReturn(connection, rule, kept.recordType(), held, toRows, toRecords, this::says, ids);
        var united = work.of(record, rows, open, shared, gives);
        return carried(record, mine, silent, united.now(), united.written(), united.gone(), united.lost());
    }

    private Map<String, Object> links(List<Long> now) {
        var all = now.stream().map(id -> new Link(rule.records(), id)).toList();
        return all.isEmpty() ? Map.of() : GroupedValues.with(goal, Map.of(), rule.link(), all);
    }

    /** The row's own id, or another where some record has it. */
    private long free(Connection connection, long id) throws SQLException {
        return given.add(id) && held.byIds(connection, List.of(id)).isEmpty() ? id : ids.getAsLong();
    }

    /** Whether the record would become just what the row is. */
    private boolean says(Map<String, Object> record, RowView.SeenRow row) {
        if (rule.unites()) {
            var alike = new AlikeRows(view.type(), rule);
            return alike.mark(toRows.apply(record)).equals(alike.mark(own.apply(row.values())));
        }
        return ValueShapes.same(toRows.apply(record), own.apply(row.values()));
    }
}
