package org.jontrel.site.run.retype;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongSupplier;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Step;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.record.Surroundings;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.address.Placements;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.WholeRecords;
import org.jontrel.site.run.move.RecordMaker;
import org.jontrel.site.run.move.RecordWork;
import org.jontrel.site.run.name.SiteNameLookup;
import org.jontrel.site.table.BesideTables;
import org.jontrel.site.table.Binding;

/** Writes the records of a content type into the tables made beside of the types that they are of from now on. */
public final class RetypeMaker implements RecordWork {
    private final Binding.BoundTables source;
    private final RecordLoader loader;
    private final RecordHomes homes;
    private final SiteNameLookup names;
    private final List<RetypeWay> ways = new ArrayList<>();
    private final List<TypeMove> own;
    private final Map<String, Binding.BoundTables> beside = new LinkedHashMap<>();
    private final Map<String, FreeSlugs> slugs = new HashMap<>();
    private final LongSupplier ids;
    private final Optional<RowCopy> copy;

    /**
     * @param binding the tables in use
     * @param to the model that the run leads to
     * @param all the ways of all types of the run
     */
    public RetypeMaker(
            Connection connection,
            Binding binding,
            Model to,
            Step.RetypeRecords step,
            List<TypeMove> all,
            LongSupplier ids)
            throws SQLException {
        this.ids = ids;
        own = step.ways();
        source = binding.table(step.recordTypeId()).orElseThrow();
        loader = new RecordLoader(source);
        names = new SiteNameLookup(connection, binding, to, true);
        homes = new RecordHomes.HomesAfter(connection, binding, all, names);
        var lookup = new LinkedLookup(names, homes);
        for (var way : own) {
            var newer = RecordMaker.type(to, way.to());
            ways.add(new RetypeWay(way, source.recordType(), newer, lookup, lookup));
            if (!beside.containsKey(way.to())) {
                var tables = BesideTables.all(connection, newer);
                beside.put(way.to(), tables);
                slugs.put(
                        way.to(),
                        new FreeSlugs(
                                connection,
                                binding,
                                tables,
                                all.stream()
                                        .filter(each -> each.to().equals(way.to()))
                                        .toList()));
            }
        }
        var first = ways.getFirst().newer();
        copy = RowCopy.suffices(step, source.recordType(), first, all)
                ? Optional.of(new RowCopy(source, beside.get(first.id())))
                : Optional.empty();
    }

    /** Of records that are copied nothing is read but which they are. */
    @Override
    public List<StoredRecord> after(Connection connection, long id, int most) throws SQLException {
        return copy.isEmpty()
                ? RecordWork.super.after(connection, id, most)
                : new RecordLoader(source, Set.of()).own(connection, "WHERE id > ? ORDER BY id LIMIT " + most, id);
    }

    @Override
    public RecordLoader loader() {
        return loader;
    }

    @Override
    public void work(Connection connection, List<StoredRecord> records, List<Long> again) throws SQLException {
        if (!again.isEmpty()) {
            for (var tables : beside.values()) {
                var writer = new WholeRecords(connection, tables);
                if (stays(tables.recordType())) {
                    writer.remove(again);
                } else {
                    writer.removeFound(again);
                }
            }
        }
        if (copy.isPresent() && again.isEmpty() && !records.isEmpty()) {
            copy(connection, copy.get(), records);
            return;
        }
        var byWay = new LinkedHashMap<RetypeWay, List<StoredRecord>>();
        for (var record : records) {
            RecordHomes.way(own, source, record.values(), names)
                    .map(way -> ways.get(own.indexOf(way)))
                    .ifPresent(way ->
                            byWay.computeIfAbsent(way, _ -> new ArrayList<>()).add(record));
        }
        for (var each : byWay.entrySet()) {
            write(connection, each.getKey(), each.getValue());
        }
    }

    private void copy(Connection connection, RowCopy rows, List<StoredRecord> bare) throws SQLException {
        if (!rows.copied(connection, bare.getFirst().id(), bare.getLast().id())) {
            var whole =
                    loader.byIds(connection, bare.stream().map(StoredRecord::id).toList());
            write(connection, ways.getFirst(), whole);
        }
    }

    private boolean stays(RecordType goal) {
        return goal.id().equals(source.recordType().id());
    }

    private void write(Connection connection, RetypeWay way, List<StoredRecord> records) throws SQLException {
        var goal = way.newer();
        var free = slugs.get(goal.id());
        free.look(records);
        var made = new ArrayList<StoredRecord>();
        for (var record : records) {
            made.add(free.free(
                    retyped(record, goal, homes.parent(record), way.there(record.values(), ids)), way.move()));
        }
        var writer = new WholeRecords(connection, beside.get(goal.id()));
        if (way.move().stays()) {
            writer.add(made);
            return;
        }
        writer.addFound(made);
        Placements.left(
                connection,
                source.recordType().id(),
                records.stream().filter(each -> !each.deleted()).toList());
    }

    /** A record as one of another type. */
    static StoredRecord retyped(
            StoredRecord record, RecordType goal, Optional<Link> parent, Map<String, Object> values) {
        return new StoredRecord(
                record.id(),
                record.slug(),
                parent,
                record.position(),
                record.state(),
                record.deleted(),
                record.publishAt(),
                record.retireAt(),
                record.origin(),
                record.version(),
                RecordCheck.check(goal, values, Surroundings.NONE).complete(),
                record.createdAt(),
                record.updatedAt(),
                record.createdBy(),
                record.updatedBy(),
                values);
    }
}
