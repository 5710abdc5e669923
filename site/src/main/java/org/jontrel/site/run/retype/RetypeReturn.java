package org.jontrel.site.run.retype;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongSupplier;
import java.util.stream.Collectors;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Step;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.address.Placements;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.WholeRecords;
import org.jontrel.site.run.move.MovedReturn;
import org.jontrel.site.run.move.RecordCarry;
import org.jontrel.site.run.move.RecordMaker;
import org.jontrel.site.run.move.SavedSince;
import org.jontrel.site.run.move.ValueMover;
import org.jontrel.site.run.name.SiteNameLookup;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.HeldTables;

/**
 * Takes what was entered into records of a type over into the held records that they were of another, when those come back. What
 * nobody changed stays held as it is; of what the other type cannot say, the rest is carried over.
 */
public final class RetypeReturn implements RecordCarry {
    private final boolean forth;
    private final Binding.BoundTables present;
    private final RecordLoader loader;
    private final List<RetypeWay> ways = new ArrayList<>();
    private final Map<String, Binding.BoundTables> held = new LinkedHashMap<>();
    private final RecordHomes homes;
    private final RehomedLinks rehomed;
    private final SavedSince saved;
    private final LongSupplier ids;

    /**
     * @param binding the tables in use
     * @param to the model whose types come back
     */
    public RetypeReturn(
            Connection connection,
            Binding binding,
            Model to,
            Step.CarryRetyped step,
            SavedSince saved,
            LongSupplier ids)
            throws SQLException {
        this.saved = saved;
        this.ids = ids;
        forth = step.forth();
        present = binding.table(step.recordTypeId()).orElseThrow();
        loader = new RecordLoader(present);
        for (var each : step.held().entrySet()) {
            HeldTables.all(connection, RecordMaker.type(to, each.getKey()), Set.of(each.getValue()))
                    .ifPresent(tables -> held.put(each.getKey(), tables));
        }
        var names = new SiteNameLookup(connection, binding, to, forth);
        var after = new RecordHomes.HomesAfter(connection, binding, step.ways(), names);
        homes = forth
                ? new RecordHomes.HomesAgain(connection, after, step.ways(), held, saved)
                : new RecordHomes.HomesBefore(connection, step.ways(), held);
        var there = new LinkedLookup(names, homes);
        // a link that was not changed leads back to where it came from
        var others = forth
                ? new RecordHomes.HomesBefore(connection, step.ways(), binding.tables())
                : new RecordHomes.HomesAfter(connection, heldBinding(binding), step.ways(), names);
        var back = new LinkedLookup(names, others);
        rehomed = new RehomedLinks(forth ? step.ways() : List.of(), others, homes);
        for (var way : step.ways()) {
            if ((forth ? way.from() : way.to()).equals(step.recordTypeId())) {
                var older = forth ? present.recordType() : RecordMaker.type(to, way.from());
                var newer = forth ? RecordMaker.type(to, way.to()) : present.recordType();
                ways.add(new RetypeWay(way, older, newer, forth ? there : back, forth ? back : there));
            }
        }
    }

    /** With the types that come back in place of those in use. */
    private Binding heldBinding(Binding binding) {
        var all = new LinkedHashMap<>(binding.tables());
        all.putAll(held);
        return new Binding(binding.version(), binding.model(), binding.generation(), binding.provisional(), all);
    }

    @Override
    public RecordLoader loader() {
        return loader;
    }

    @Override
    public void work(Connection connection, List<StoredRecord> some, List<Long> again) throws SQLException {
        var known = new HashSet<>(again);
        known.addAll(saved.of(
                present.recordType().id(), some.stream().map(StoredRecord::id).toList()));
        var present = some.stream().collect(Collectors.toMap(StoredRecord::id, each -> each));
        var left = new ArrayList<StoredRecord>();
        for (var each : carried(connection, some, known, true)) {
            if (each.outcome() != MovedReturn.Outcome.UNTOUCHED) {
                write(connection, each);
            }
            var record = present.get(each.record().id());
            if (!record.deleted()
                    && !each.goal().equals(this.present.recordType().id())) {
                left.add(record);
            }
        }
        Placements.left(connection, this.present.recordType().id(), left);
    }

    @Override
    public List<MovedReturn.Outcome> outcomes(Connection connection, List<StoredRecord> some) throws SQLException {
        var all = some.stream().map(StoredRecord::id).collect(Collectors.toSet());
        return carried(connection, some, all, false).stream()
                .map(CarriedRecord::outcome)
                .toList();
    }

    /**
     * What becomes of a record.
     *
     * @param goal id of the type that it is of again; empty where it is of none
     * @param was id of the type that it is held as; empty where it is new
     */
    private record CarriedRecord(StoredRecord record, String goal, String was, MovedReturn.Outcome outcome) {}

    private void write(Connection connection, CarriedRecord carried) throws SQLException {
        var id = List.of(carried.record().id());
        var own = present.recordType().id();
        for (var each : new HashSet<>(List.of(carried.was(), carried.goal()))) {
            if (!each.isEmpty()) {
                var writer = new WholeRecords(connection, held.get(each));
                if (each.equals(own)) {
                    writer.remove(id);
                } else {
                    writer.removeFound(id);
                }
            }
        }
        if (carried.goal().isEmpty()) {
            return;
        }
        var writer = new WholeRecords(connection, held.get(carried.goal()));
        if (carried.goal().equals(own)) {
            writer.add(List.of(carried.record()));
        } else {
            writer.addFound(List.of(carried.record()));
        }
    }

    /** @param gives whether rows that are new get their numbers */
    private List<CarriedRecord> carried(Connection connection, List<StoredRecord> some, Set<Long> known, boolean gives)
            throws SQLException {
        var before = new HashMap<Long, HeldRecord>();
        var all = some.stream().map(StoredRecord::id).toList();
        for (var each : ways.stream().map(this::goal).distinct().toList()) {
            if (held.containsKey(each)) {
                new RecordLoader(held.get(each))
                        .byIds(connection, all)
                        .forEach(record -> before.put(record.id(), new HeldRecord(each, record)));
            }
        }
        var carried = new ArrayList<CarriedRecord>();
        for (var record : some) {
            var was = Optional.ofNullable(before.get(record.id()));
            boolean differs = was.filter(each -> rehomed.differ(each.record())).isPresent();
            if (known.contains(record.id()) || differs || was.isEmpty() && !forth) {
                carried.add(carried(connection, record, was, gives));
            } else {
                var type = was.map(HeldRecord::type).orElse("");
                carried.add(new CarriedRecord(record, type, type, MovedReturn.Outcome.UNTOUCHED));
            }
        }
        return carried;
    }

    private record HeldRecord(String type, StoredRecord record) {}

    private String goal(RetypeWay way) {
        return forth ? way.move().to() : way.move().from();
    }

    private Optional<RetypeWay> way(StoredRecord record, Optional<HeldRecord> was) {
        if (forth) {
            var home = homes.of(new Link(present.recordType().id(), record.id()));
            return ways.stream()
                    .filter(each -> home.equals(Optional.of(goal(each))))
                    .findFirst();
        }
        var type = was.map(HeldRecord::type)
                .orElseGet(() -> ((RecordHomes.HomesBefore) homes)
                        .fresh(present.recordType().id()));
        return ways.stream().filter(each -> goal(each).equals(type)).findFirst();
    }

    private CarriedRecord carried(Connection connection, StoredRecord record, Optional<HeldRecord> was, boolean gives)
            throws SQLException {
        var way = way(record, was);
        var type = was.map(HeldRecord::type).orElse("");
        if (way.isEmpty() || !held.containsKey(goal(way.get()))) {
            return new CarriedRecord(
                    record, "", type, was.isEmpty() ? MovedReturn.Outcome.UNTOUCHED : MovedReturn.Outcome.CARRIED);
        }
        var goal = goal(way.get());
        var same = was.filter(each -> each.type().equals(goal)).map(HeldRecord::record);
        var kept = same.map(each -> rehomed.of(each.values())).orElse(Map.of());
        var merge = new RetypeMerge(way.get(), forth);
        boolean says = merge.says(kept, record.values());
        var values = says ? kept : merge.entered(kept, record.values());
        var tables = held.get(goal);
        var slug = new HeldSlugs(connection, present.recordType().id(), tables, forth).of(record, same);
        var made = RetypeMaker.retyped(
                        record,
                        tables.recordType(),
                        homes.parent(record),
                        gives ? ValueMover.settled(values, ids) : values)
                .withSlug(slug);
        boolean still = same.filter(each -> RetypeMerge.isSame(each, made)).isPresent();
        if (says && still && same.filter(rehomed::differ).isEmpty()) {
            return new CarriedRecord(record, goal, type, MovedReturn.Outcome.UNTOUCHED);
        }
        boolean all = says || merge.says(values, record.values());
        return new CarriedRecord(made, goal, type, all ? MovedReturn.Outcome.CARRIED : MovedReturn.Outcome.LOST);
    }
}
