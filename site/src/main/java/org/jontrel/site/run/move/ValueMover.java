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
import org.jontrel.core.move.Move;
import org.jontrel.core.move.MoveLosses;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.RelatedFields;
import org.jontrel.core.plan.MovePlan;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.RowIds;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.PlacedValues;
import org.jontrel.site.run.name.SiteNameLookup;
import org.jontrel.site.table.BesideTables;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.PhysicalNames;

/** Writes what becomes of the values of records into the columns and tables made beside. */
public final class ValueMover {
    private final RecordLoader loader;
    private final MovedValues moved;
    private final PlacedValues beside;
    private final LongSupplier rowIds;

    private final RelatedValues related;

    /**
     * @param before the tables in use
     * @param is the record type as it becomes
     * @param rowIds gives new rows their ids
     */
    public ValueMover(
            Connection connection,
            Binding binding,
            Binding.BoundTables before,
            RecordType is,
            List<Move> moves,
            SiteNameLookup references,
            LongSupplier rowIds)
            throws SQLException {
        var sources = moves.stream().flatMap(move -> move.sources().stream()).toList();
        var was = RelatedFields.seen(before.recordType(), binding.model(), sources);
        this.related = new RelatedValues(binding, before.recordType(), sources);
        this.loader = new RecordLoader(before, MovePlan.read(before.recordType(), is, moves));
        this.moved = new MovedValues(was, is, moves, references, MoveLosses.UNTOLD);
        this.rowIds = rowIds;
        var targets = new HashSet<String>();
        moves.forEach(move -> targets.add(move.target()));
        this.beside = places(connection, before, is, targets);
    }

    /** The columns and tables beside that the values of these fields go to. */
    static PlacedValues places(Connection connection, Binding.BoundTables before, RecordType is, Set<String> targets)
            throws SQLException {
        var own = new HashMap<String, String>();
        var columns = new HashMap<String, Map<String, String>>();
        var fields = new LinkedHashMap<String, Binding.ValueTable>();
        var whole = new HashSet<String>();
        for (var target : targets) {
            var field = is.field(target).orElseThrow();
            if (FieldStorage.of(field.kind()) == FieldStorage.COLUMN) {
                var home = is.home(target).table();
                (home.isEmpty() ? own : columns.computeIfAbsent(home, _ -> new HashMap<>()))
                        .put(target, PhysicalNames.next(target));
                continue;
            }
            for (var each : BesideTables.within(is, target)) {
                var name = BesideTables.find(connection, is, each)
                        .orElseThrow(() -> new IllegalStateException("No table beside for " + each));
                whole.add(each);
                fields.put(each, new Binding.ValueTable(name, PhysicalNames.columns(is, each)));
            }
        }
        columns.forEach((home, some) -> fields.put(
                home, new Binding.ValueTable(before.fields().get(home).name(), some)));
        return new PlacedValues(new Binding.BoundTables(is, new Binding.ValueTable(before.name(), own), fields), whole);
    }

    /** The next records behind an id, at most so many; those that were deleted too. */
    public List<StoredRecord> after(Connection connection, long id, int most) throws SQLException {
        return related.with(connection, loader.after(connection, id, most));
    }

    public List<StoredRecord> byIds(Connection connection, List<Long> ids) throws SQLException {
        return related.with(connection, loader.byIds(connection, ids));
    }

    /**
     * Moves the values of these records; once more where they were moved before.
     *
     * @param ids of records whose moved values go where the record is gone by now
     */
    public void move(Connection connection, List<StoredRecord> records, List<Long> ids) throws SQLException {
        var values = new LinkedHashMap<Long, Map<String, Object>>();
        ids.forEach(id -> values.put(id, Map.of()));
        for (var record : records) {
            values.put(record.id(), settled(moved.apply(record.values()), rowIds));
        }
        beside.write(connection, values);
    }

    /** The values with ids for rows that are new. */
    public static Map<String, Object> settled(Map<String, Object> values, LongSupplier rowIds) {
        var known = RowIds.ids(values);
        known.remove(0L);
        return RowIds.settled(values, known, rowIds);
    }
}
