package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongSupplier;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.MoveLosses;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.move.RowView;
import org.jontrel.core.plan.Step;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.PlacedValues;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.HeldTables;

/** Takes what was entered into records over into the held rows that they were, when rows come back. */
public final class RowReturn implements RecordCarry {
    private final RecordMove rule;
    private final RowView view;
    private final RecordLoader around;
    private final RecordLoader records;
    private final RecordLoader held;
    private final RecordLinks links;
    private final MovedValues toRecords;
    private final RowEntries entries;
    private final PlacedValues places;
    private final SavedSince saved;
    private final LongSupplier ids;

    /**
     * @param binding the tables in use
     * @param to the model whose rows come back
     */
    public RowReturn(
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
        var present = binding.table(step.recordTypeId()).orElseThrow();
        var theirs = binding.table(rule.records()).orElseThrow();
        var goal = RecordMaker.type(to, step.recordTypeId());
        view = new RowView(goal, rule);
        var toRows = RowMaker.rows(view, theirs.recordType(), rule, references, MoveLosses.UNTOLD);
        toRecords = RecordMaker.made(view, theirs.recordType(), rule, references, MoveLosses.UNTOLD);
        entries = new RowEntries(theirs.recordType(), rule, toRows, toRecords);
        around = new RecordLoader(present, Set.of("part_title"));
        records = new RecordLoader(theirs);
        links = RowMaker.links(connection, present, theirs, rule);
        var goals = new HashSet<>(view.homes());
        goals.retainAll(step.held().keySet());
        var bound = MovedReturn.held(
                HeldTables.with(
                        connection, goal, present.name(), Set.copyOf(step.held().values())),
                goals);
        held = new RecordLoader(bound);
        places = new PlacedValues(bound, MovedReturn.whole(goal, goals));
    }

    @Override
    public RecordLoader loader() {
        return around;
    }

    @Override
    public void work(Connection connection, List<StoredRecord> some, List<Long> again) throws SQLException {
        var values = new LinkedHashMap<Long, Map<String, Object>>();
        var results = results(connection, some, Set.copyOf(again), false);
        results.forEach((id, result) -> {
            if (result.outcome() == MovedReturn.Outcome.CARRIED) {
                values.put(id, ValueMover.settled(view.around(result.rows()), ids));
            }
        });
        places.write(connection, values);
    }

    @Override
    public List<MovedReturn.Outcome> outcomes(Connection connection, List<StoredRecord> some) throws SQLException {
        return results(connection, some, Set.of(), true).values().stream()
                .map(CarriedRows::outcome)
                .toList();
    }

    /** @param rows as they are to be, the silent ones last */
    private record CarriedRows(MovedReturn.Outcome outcome, List<RowView.SeenRow> rows) {
        static final CarriedRows UNTOUCHED = new CarriedRows(MovedReturn.Outcome.UNTOUCHED, List.of());
    }

    private Map<Long, CarriedRows> results(Connection connection, List<StoredRecord> some, Set<Long> again, boolean all)
            throws SQLException {
        var ids = some.stream().map(StoredRecord::id).toList();
        var linked = links.of(ids);
        var found = RowMaker.living(connection, records, linked);
        var before = new HashMap<Long, StoredRecord>();
        held.byIds(connection, ids).forEach(each -> before.put(each.id(), each));
        var known = new HashSet<>(again);
        var changed = new HashSet<Long>();
        if (!all) {
            changed.addAll(saved.of(rule.records(), List.copyOf(found.keySet())));
        }
        var results = new LinkedHashMap<Long, CarriedRows>();
        for (var record : some) {
            var mine = linked.getOrDefault(record.id(), List.of()).stream()
                    .filter(found::containsKey)
                    .map(found::get)
                    .toList();
            var values = new HashMap<String, Object>(
                    before.containsKey(record.id()) ? before.get(record.id()).values() : Map.of());
            values.putAll(record.values());
            var rows = view.rows(record.id(), values);
            var now = ids(connection, rows);
            boolean touched = all
                    || known.contains(record.id())
                    || mine.stream().anyMatch(each -> changed.contains(each.id()))
                    || !now.stream()
                            .distinct()
                            .toList()
                            .equals(mine.stream().map(StoredRecord::id).toList());
            results.put(record.id(), touched ? result(mine, rows, now, view.silent(values)) : CarriedRows.UNTOUCHED);
        }
        return results;
    }

    /** The ids of the records that these rows became. */
    private List<Long> ids(Connection connection, List<RowView.SeenRow> rows) throws SQLException {
        if (!rule.unites()) {
            return rows.stream().map(RowView.SeenRow::id).toList();
        }
        var became = rows.stream().map(row -> toRecords.apply(row.values())).toList();
        return new AlikeNotes(connection, entries.alike()).known(became);
    }

    private CarriedRows result(
            List<StoredRecord> mine, List<RowView.SeenRow> before, List<Long> became, List<RowView.SeenRow> silent) {
        var said = rule.unites() ? entries.united(mine, before, became) : entries.single(mine, before);
        var rows = new ArrayList<>(said.stream().map(RowEntries.EnteredRow::row).toList());
        if (rows.equals(before)) {
            return CarriedRows.UNTOUCHED;
        }
        boolean lost = !view.several() && mine.size() > 1 || said.stream().anyMatch(RowEntries.EnteredRow::lost);
        rows.addAll(silent);
        return new CarriedRows(lost ? MovedReturn.Outcome.LOST : MovedReturn.Outcome.CARRIED, rows);
    }
}
