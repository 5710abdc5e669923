package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
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
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.PlacedValues;
import org.jontrel.site.table.Binding;

/** Makes rows of records, in columns and tables made beside. */
public final class RowMaker implements RecordWork {
    private final RowView view;
    private final MovedValues moved;
    private final RecordLoader loader;
    private final RecordLoader records;
    private final RecordLinks links;
    private final PlacedValues beside;
    private final LongSupplier ids;

    /** @param to the model that the run leads to */
    public RowMaker(
            Connection connection,
            Binding binding,
            String aroundId,
            Model to,
            RecordMove rule,
            NameLookup references,
            LongSupplier ids)
            throws SQLException {
        this.ids = ids;
        var around = binding.table(aroundId).orElseThrow();
        var theirs = binding.table(rule.records()).orElseThrow();
        var is = RecordMaker.type(to, aroundId);
        view = new RowView(is, rule);
        moved = rows(view, theirs.recordType(), rule, references, MoveLosses.UNTOLD);
        loader = new RecordLoader(around, Set.of());
        records = new RecordLoader(theirs);
        links = links(connection, around, theirs, rule);
        beside = ValueMover.places(connection, around, is, Set.copyOf(view.homes()));
    }

    /** What records become as rows. */
    static MovedValues rows(
            RowView view, RecordType records, RecordMove rule, NameLookup references, MoveLosses losses) {
        var moves = rule.toRows() ? rule.moves() : view.same(view.type());
        return new MovedValues(records, view.type(), moves, references, losses);
    }

    /** The relation as it is in use. */
    public static RecordLinks links(
            Connection connection, Binding.BoundTables around, Binding.BoundTables records, RecordMove rule) {
        var place = (rule.linkThere() ? records : around).fields().get(rule.link());
        return new RecordLinks(connection, place.name(), rule.linkThere());
    }

    @Override
    public RecordLoader loader() {
        return loader;
    }

    @Override
    public void work(Connection connection, List<StoredRecord> some, List<Long> again) throws SQLException {
        var linked = links.of(some.stream().map(StoredRecord::id).toList());
        var found = living(connection, records, linked);
        var values = new LinkedHashMap<Long, Map<String, Object>>();
        again.forEach(id -> values.put(id, Map.of()));
        for (var record : some) {
            var rows = new ArrayList<RowView.SeenRow>();
            for (var id : linked.getOrDefault(record.id(), List.of())) {
                var one = found.get(id);
                var row = one == null ? Map.<String, Object>of() : moved.apply(one.values());
                if (!row.isEmpty()) {
                    rows.add(new RowView.SeenRow(id, row));
                }
            }
            values.put(record.id(), ValueMover.settled(view.around(rows), ids));
        }
        beside.write(connection, values);
    }

    /** The records that others lead to, by id; those that were deleted are not among them. */
    static Map<Long, StoredRecord> living(Connection connection, RecordLoader records, Map<Long, List<Long>> linked)
            throws SQLException {
        var wanted = linked.values().stream().flatMap(List::stream).distinct().toList();
        var found = new HashMap<Long, StoredRecord>();
        for (var each : records.byIds(connection, wanted)) {
            if (!each.deleted()) {
                found.put(each.id(), each);
            }
        }
        return found;
    }
}
