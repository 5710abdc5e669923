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
import org.jontrel.core.move.MoveLosses;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.move.RowView;
import org.jontrel.core.record.GroupedValues;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.record.Surroundings;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.write.PlacedValues;
import org.jontrel.site.record.write.WholeRecords;
import org.jontrel.site.table.BesideTables;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** Makes records of rows in tables made beside, with the relation between both. */
public final class RecordMaker implements RecordWork {
    private final RecordMove rule;
    private final RowView view;
    private final Binding.BoundTables around;
    private final RecordType goal;
    private final Binding.BoundTables beside;
    private final MovedValues moved;
    private final RecordLoader loader;
    private final RecordLinks links;
    private final Optional<PlacedValues> link;
    private final LongSupplier ids;

    /**
     * @param around the record type whose rows they are, as it is in use
     * @param to the model that the run leads to
     */
    public RecordMaker(
            Connection connection,
            Binding.BoundTables around,
            Model to,
            RecordMove rule,
            NameLookup references,
            LongSupplier ids)
            throws SQLException {
        this.rule = rule;
        this.around = around;
        this.ids = ids;
        view = new RowView(around.recordType(), rule);
        var records = type(to, rule.records());
        beside = BesideTables.all(connection, records);
        moved = made(view, records, rule, references, MoveLosses.UNTOLD);
        loader = new RecordLoader(around, view.read());
        goal = type(to, around.recordType().id());
        if (rule.linkThere()) {
            links = new RecordLinks(connection, beside.fields().get(rule.link()).name(), true);
            link = Optional.empty();
        } else {
            var table = BesideTables.find(connection, goal, rule.link())
                    .orElseThrow(() -> new IllegalStateException("No table beside for " + rule.link()));
            links = new RecordLinks(connection, table, false);
            link = Optional.of(link(goal, around.name(), rule, table));
        }
    }

    /** A record type that a model has. */
    public static RecordType type(Model model, String id) {
        return model.definition(id)
                .flatMap(each -> RecordType.of(model, each))
                .orElseThrow(() -> new IllegalStateException("No definition " + id));
    }

    /** Takes the links of records into a table that is not in use. */
    static PlacedValues link(RecordType holder, String name, RecordMove rule, String table) {
        var place = new Binding.BoundTables(
                holder,
                new Binding.ValueTable(name, Map.of()),
                Map.of(rule.link(), new Binding.ValueTable(table, Map.of())));
        return new PlacedValues(place, Set.of(rule.link()));
    }

    /** What rows become as records. */
    static MovedValues made(
            RowView view, RecordType records, RecordMove rule, NameLookup references, MoveLosses losses) {
        var moves = new ArrayList<>(rule.toRows() ? view.same(records) : rule.moves());
        view.titles().ifPresent(moves::add);
        return new MovedValues(view.type(), records, moves, references, losses);
    }

    @Override
    public RecordLoader loader() {
        return loader;
    }

    @Override
    public void work(Connection connection, List<StoredRecord> records, List<Long> some) throws SQLException {
        if (rule.unites()) {
            var rows = new ArrayList<UnitedRecords.UnitedRow>();
            records.forEach(record -> view.rows(record.id(), record.values())
                    .forEach(row -> rows.add(new UnitedRecords.UnitedRow(record, values(row, record)))));
            new UnitedRecords(connection, rule, goal, around.name(), beside, links)
                    .write(rows, some, link.orElseThrow());
            return;
        }
        var writer = new WholeRecords(connection, beside);
        if (!some.isEmpty()) {
            var before = new LinkedHashSet<Long>();
            links.of(some).values().forEach(before::addAll);
            writer.removeFound(before);
        }
        var made = new ArrayList<StoredRecord>();
        var linked = new LinkedHashMap<Long, Map<String, Object>>();
        some.forEach(id -> linked.put(id, Map.of()));
        var known = taken(connection, records);
        for (var record : records) {
            var mine = new ArrayList<Link>();
            for (var row : view.rows(record.id(), record.values())) {
                // rows that came of one record for several have one id
                long id = known.add(row.id()) ? row.id() : ids.getAsLong();
                mine.add(new Link(rule.records(), id));
                made.add(made(beside.recordType(), record, id, values(row, record), rule));
            }
            linked.put(record.id(), mine.isEmpty() ? Map.of() : GroupedValues.with(goal, Map.of(), rule.link(), mine));
        }
        writer.addFound(made);
        if (link.isPresent()) {
            link.get().write(connection, linked);
        }
    }

    private Map<String, Object> values(RowView.SeenRow row, StoredRecord record) {
        var values = new HashMap<>(ValueMover.settled(moved.apply(row.values()), ids));
        if (rule.linkThere()) {
            values.putAll(
                    back(beside.recordType(), values, rule, around.recordType().id(), record.id()));
        }
        return values;
    }

    /** The values of such a record, with the relation to what it belongs to. */
    static Map<String, Object> back(
            RecordType records, Map<String, Object> values, RecordMove rule, String type, long id) {
        var link = new Link(type, id);
        boolean many = records.field(rule.link()).orElseThrow().kind().amount().many();
        return GroupedValues.with(records, values, rule.link(), many ? List.of(link) : link);
    }

    /** A record as new as its row, with the state of what the row stood in. */
    static StoredRecord made(
            RecordType records, StoredRecord around, long id, Map<String, Object> values, RecordMove rule) {
        return new StoredRecord(
                id,
                "",
                Optional.empty(),
                0,
                around.state(),
                around.deleted(),
                around.publishAt(),
                around.retireAt(),
                "",
                1,
                RecordCheck.check(records, values, Surroundings.NONE).complete(),
                around.createdAt(),
                around.updatedAt(),
                around.createdBy(),
                around.updatedBy(),
                values);
    }

    /** Ids that records beside have which come of others. */
    private Set<Long> taken(Connection connection, List<StoredRecord> records) throws SQLException {
        var wanted = new HashSet<Long>();
        records.forEach(record -> view.rows(record.id(), record.values()).forEach(row -> wanted.add(row.id())));
        var taken = new HashSet<Long>();
        if (!wanted.isEmpty()) {
            var padded = Jdbc.padded(wanted).toArray();
            Jdbc.each(
                    connection,
                    "SELECT id FROM " + PhysicalNames.quoted(beside.name()) + " WHERE id IN ("
                            + Jdbc.marks(padded.length) + ")",
                    row -> taken.add(row.getLong(1)),
                    padded);
        }
        return taken;
    }
}
