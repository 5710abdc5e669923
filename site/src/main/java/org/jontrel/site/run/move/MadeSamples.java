package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.AlikeRows;
import org.jontrel.core.move.MoveLosses;
import org.jontrel.core.move.NameLookup;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.move.RowView;
import org.jontrel.core.plan.Step;
import org.jontrel.core.record.GroupedValues;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.table.Binding;

/** What a plan would make of rows as records, and of records as rows, computed without writing anything. */
final class MadeSamples {
    private final Connection connection;
    private final Binding binding;
    private final Model to;
    private final List<Step> steps;
    private final NameLookup names;
    private final BiConsumer<Link, String> called;

    /**
     * @param steps of the plan
     * @param called takes up what records would be called that are not there
     */
    MadeSamples(
            Connection connection,
            Binding binding,
            Model to,
            List<Step> steps,
            NameLookup names,
            BiConsumer<Link, String> called) {
        this.connection = connection;
        this.binding = binding;
        this.to = to;
        this.steps = steps;
        this.names = names;
        this.called = called;
    }

    /**
     * A record that would be made.
     *
     * @param was the type of its row, seen as a record
     * @param row its values, by the fields of that type
     * @param record as it would be
     */
    record MadeRecord(RecordType was, Map<String, Object> row, RecordType is, StoredRecord record) {}

    /** Those that would be made of the rows of these records, which are of one type. */
    List<MadeRecord> records(Binding.BoundTables table, List<StoredRecord> around) {
        var all = new ArrayList<MadeRecord>();
        for (var make : made(table)) {
            of(make, table, around, (_, made) -> all.add(made));
        }
        return all;
    }

    private List<RecordMove> made(Binding.BoundTables table) {
        return steps.stream()
                .filter(Step.MakeRecords.class::isInstance)
                .map(Step.MakeRecords.class::cast)
                .filter(step -> step.recordTypeId().equals(table.recordType().id()))
                .map(Step.MakeRecords::rule)
                .toList();
    }

    /** @param taker of each one, with the record whose row it is */
    private void of(
            RecordMove rule,
            Binding.BoundTables table,
            List<StoredRecord> around,
            BiConsumer<StoredRecord, MadeRecord> taker) {
        var view = new RowView(table.recordType(), rule);
        var is = RecordMaker.type(to, rule.records());
        var moved = RecordMaker.made(view, is, rule, names, MoveLosses.UNTOLD);
        for (var record : around) {
            for (var row : view.rows(record.id(), record.values())) {
                var values = moved.apply(row.values());
                if (rule.linkThere()) {
                    values = RecordMaker.back(
                            is, values, rule, table.recordType().id(), record.id());
                }
                var made = RecordMaker.made(is, record, row.id(), values, rule);
                taker.accept(record, new MadeRecord(view.type(), row.values(), is, made));
            }
        }
    }

    /** By the ids of these records, what comes to them by what is made: relations to new records, or rows of records that go. */
    Map<Long, Map<String, Object>> around(Binding.BoundTables table, RecordType is, List<StoredRecord> around)
            throws SQLException {
        var all = new HashMap<Long, Map<String, Object>>();
        for (var rule : made(table)) {
            if (!rule.linkThere()) {
                links(rule, table, around)
                        .forEach((id, links) -> all.merge(
                                id, GroupedValues.with(is, Map.of(), rule.link(), links), MadeSamples::merged));
            }
        }
        for (var step : steps) {
            if (step instanceof Step.MakeRows rows && rows.recordTypeId().equals(is.id())) {
                rows(rows.rule(), table, is, around)
                        .forEach((id, values) -> all.merge(id, values, MadeSamples::merged));
            }
        }
        return all;
    }

    private Map<Long, List<Link>> links(RecordMove rule, Binding.BoundTables table, List<StoredRecord> around) {
        var links = new LinkedHashMap<Long, List<Link>>();
        var alike = new HashMap<String, Link>();
        of(rule, table, around, (record, made) -> {
            var link = new Link(rule.records(), made.record().id());
            if (rule.unites()) {
                var mark = new AlikeRows(made.is(), rule).mark(made.record().values());
                link = alike.computeIfAbsent(
                        mark, _ -> new Link(rule.records(), made.record().id()));
            }
            called.accept(link, made.record().title());
            var mine = links.computeIfAbsent(record.id(), _ -> new ArrayList<>());
            if (!mine.contains(link)) {
                mine.add(link);
            }
        });
        return links;
    }

    private Map<Long, Map<String, Object>> rows(
            RecordMove rule, Binding.BoundTables table, RecordType is, List<StoredRecord> around) throws SQLException {
        var theirs = binding.table(rule.records()).orElseThrow();
        var view = new RowView(is, rule);
        var moved = RowMaker.rows(view, theirs.recordType(), rule, names, MoveLosses.UNTOLD);
        var linked = RowMaker.links(connection, table, theirs, rule)
                .of(around.stream().map(StoredRecord::id).toList());
        var found = RowMaker.living(connection, new RecordLoader(theirs), linked);
        var all = new HashMap<Long, Map<String, Object>>();
        linked.forEach((id, records) -> {
            var rows = records.stream()
                    .filter(found::containsKey)
                    .map(each -> new RowView.SeenRow(
                            each, moved.apply(found.get(each).values())))
                    .filter(row -> !row.values().isEmpty())
                    .toList();
            all.put(id, view.around(rows));
        });
        return all;
    }

    /** Both, also where they stand in one group. */
    static Map<String, Object> merged(Map<?, ?> some, Map<?, ?> more) {
        var all = new LinkedHashMap<String, Object>();
        some.forEach((id, value) -> all.put((String) id, value));
        more.forEach((id, value) -> all.merge(
                (String) id,
                value,
                (before, after) ->
                        before instanceof Map<?, ?> a && after instanceof Map<?, ?> b ? merged(a, b) : after));
        return all;
    }
}
