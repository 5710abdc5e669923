package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongSupplier;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.MoveLosses;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.ValueShapes;
import org.jontrel.core.plan.Step;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.PlacedValues;
import org.jontrel.site.table.BesideTables;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.HeldTables;

/**
 * Takes what was entered into values in their new places over into those that are held, when the move is undone; or the other
 * way round. It is done for a record where the held values can say all of it, and nothing that they say is lost; what nobody
 * changed stays held to the last byte.
 */
public final class MovedReturn {
    private final boolean forth;
    private final RecordLoader inUse;
    private final RecordLoader held;
    private final MovedValues used;
    private final MovedValues kept;
    private final MovedValues toHeld;
    private final MovedValues toUsed;
    private final PlacedValues places;
    private boolean lost;

    private final class Told implements MoveLosses {
        @Override
        public void several() {
            lost = true;
        }

        @Override
        public void rowless() {
            lost = true;
        }

        @Override
        public void unconverted(String value) {
            lost = true;
        }
    }

    /** What is to be done with one record. */
    public enum Outcome {
        UNTOUCHED,
        CARRIED,
        LOST
    }

    /**
     * @param present the tables in use
     * @param goal the record type whose values come back
     */
    public MovedReturn(
            Connection connection,
            Binding.BoundTables present,
            RecordType goal,
            Step.CarryMoved step,
            NameLookup references)
            throws SQLException {
        forth = step.forth();
        var targets = step.moves().stream().map(Move::target).collect(Collectors.toSet());
        var goals = step.held().keySet();
        var source = present.recordType();
        // what the values in use are of: the fields that moves lead to, or those that they came from
        var mine = forth ? sources(step.moves(), source, targets) : targets;
        var back = Move.back(step.moves(), forth ? mine : goals, forth ? source : goal, forth ? goal : source);
        used = same(source, mine);
        kept = same(goal, goals);
        toHeld = new MovedValues(source, goal, forth ? step.moves() : back, references, MoveLosses.UNTOLD);
        toUsed = new MovedValues(goal, source, forth ? back : step.moves(), references, new Told());
        var view = HeldTables.with(
                connection, goal, present.name(), Set.copyOf(step.held().values()));
        inUse = new RecordLoader(present);
        var bound = held(view, goals);
        held = new RecordLoader(bound);
        places = new PlacedValues(bound, whole(goal, goals));
    }

    /** The older fields whose values are in use again, of those that the moves came from. */
    private static Set<String> sources(List<Move> moves, RecordType older, Set<String> targets) {
        var all = new HashSet<String>();
        for (var move : moves) {
            move.sources().stream()
                    .filter(each -> older.field(each).isPresent())
                    .filter(each -> FieldStorage.of(older.field(each).get().kind()) != FieldStorage.NOT)
                    .forEach(all::add);
        }
        // rows bring along what is in them
        all.removeIf(each -> all.contains(older.home(each).table()));
        return all;
    }

    private static MovedValues same(RecordType recordType, Set<String> fields) {
        return new MovedValues(
                recordType,
                recordType,
                fields.stream().map(each -> Move.own(each, List.of())).toList(),
                NameLookup.NONE,
                MoveLosses.UNTOLD);
    }

    /** Where the values are that come back; of the rows that they stand in only which there are. */
    static Binding.BoundTables held(Binding.BoundTables view, Set<String> goals) {
        var goal = view.recordType();
        var own = new HashMap<String, String>();
        var columns = new LinkedHashMap<String, Map<String, String>>();
        var fields = new LinkedHashMap<String, Binding.ValueTable>();
        for (var each : goals) {
            for (var above = goal.home(each).table();
                    !above.isEmpty();
                    above = goal.home(above).table()) {
                columns.computeIfAbsent(above, _ -> new HashMap<>());
            }
            if (FieldStorage.of(goal.field(each).orElseThrow().kind()) == FieldStorage.COLUMN) {
                var home = goal.home(each).table();
                var place = home.isEmpty() ? view.own() : view.fields().get(home);
                (home.isEmpty() ? own : columns.get(home))
                        .put(each, place.columns().get(each));
            } else {
                whole(goal, Set.of(each))
                        .forEach(table -> fields.put(table, view.fields().get(table)));
            }
        }
        columns.forEach((home, some) -> fields.putIfAbsent(
                home, new Binding.ValueTable(view.fields().get(home).name(), some)));
        return new Binding.BoundTables(goal, new Binding.ValueTable(view.name(), own), fields);
    }

    /** The tables that hold nothing but what comes back. */
    static Set<String> whole(RecordType goal, Set<String> goals) {
        return goals.stream()
                .filter(each -> FieldStorage.of(goal.field(each).orElseThrow().kind()) == FieldStorage.TABLE)
                .flatMap(each -> BesideTables.within(goal, each).stream())
                .collect(Collectors.toSet());
    }

    /** The next records behind an id, at most so many, as they are in use. */
    public List<StoredRecord> after(Connection connection, long id, int most) throws SQLException {
        return inUse.after(connection, id, most);
    }

    public List<StoredRecord> byIds(Connection connection, List<Long> ids) throws SQLException {
        return inUse.byIds(connection, ids);
    }

    /**
     * Carries over what was entered into these records.
     *
     * @param saved ids of those that people have saved since; what is held for others stays, but new ones have nothing held
     */
    public void carry(Connection connection, List<StoredRecord> records, Set<Long> saved, LongSupplier rowIds)
            throws SQLException {
        var values = new LinkedHashMap<Long, Map<String, Object>>();
        outcomes(connection, records, saved::contains).forEach((record, outcome) -> {
            if (outcome == Outcome.CARRIED) {
                values.put(record.id(), ValueMover.settled(toHeld.apply(record.values()), rowIds));
            }
        });
        places.write(connection, values);
    }

    /** What would become of each. */
    public Map<StoredRecord, Outcome> outcomes(Connection connection, List<StoredRecord> records) throws SQLException {
        return outcomes(connection, records, _ -> true);
    }

    private Map<StoredRecord, Outcome> outcomes(
            Connection connection, List<StoredRecord> records, Predicate<Long> saved) throws SQLException {
        var before = held
                .byIds(connection, records.stream().map(StoredRecord::id).toList())
                .stream()
                .collect(Collectors.toMap(StoredRecord::id, StoredRecord::values));
        var outcomes = new LinkedHashMap<StoredRecord, Outcome>();
        for (var record : records) {
            var values = before.getOrDefault(record.id(), Map.of());
            boolean known = saved.test(record.id()) || kept.apply(values).isEmpty();
            outcomes.put(record, known ? outcome(record.values(), values) : Outcome.UNTOUCHED);
        }
        return outcomes;
    }

    /** Whether all that is held went along when the values moved, in whatever spelling. */
    private boolean keeps(Map<String, Object> before, Map<String, Object> kept) {
        if (kept.isEmpty()) {
            return true;
        }
        lost = false;
        var there = toUsed.apply(before);
        return !lost && ValueShapes.alike(toHeld.apply(there), kept);
    }

    private Outcome outcome(Map<String, Object> now, Map<String, Object> before) {
        var mine = used.apply(now);
        var kept = this.kept.apply(before);
        if (ValueShapes.same(toUsed.apply(before), mine) || forth && ValueShapes.same(toHeld.apply(now), kept)) {
            return Outcome.UNTOUCHED;
        }
        var carried = toHeld.apply(now);
        boolean says = ValueShapes.same(toUsed.apply(carried), mine);
        return says && keeps(before, kept) ? Outcome.CARRIED : Outcome.LOST;
    }
}
