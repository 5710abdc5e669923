package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.LongSupplier;
import java.util.stream.Stream;
import org.jontrel.core.move.AlikeRows;
import org.jontrel.core.move.EnteredValues;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.move.RowView;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;

/**
 * What was entered into rows, taken over into held records that each stand for all rows which say the same.
 *
 * @param records their type
 * @param says whether a record would become just what a row is
 */
record UnitedReturn(
        Connection connection,
        RecordMove rule,
        RecordType records,
        RecordLoader held,
        MovedValues toRows,
        MovedValues toRecords,
        BiPredicate<Map<String, Object>, RowView.SeenRow> says,
        LongSupplier ids) {
    /**
     * @param now ids of the records that the rows are now, each once
     * @param written records that are new, or other than before
     * @param gone ids of those that no row is any more
     */
    record UnitedRows(List<Long> now, List<StoredRecord> written, Set<Long> gone, boolean lost) {}

    /** A record with what its row says; nothing is known of it yet where it has the number 0. */
    private record WrittenRecord(StoredRecord record, boolean lost) {}

    private AlikeRows alike() {
        return new AlikeRows(records, rule);
    }

    /**
     * What says it already is found first, also among the records of others; what is left becomes what a row says.
     *
     * @param mine the records that the rows were
     * @param shared ids of those that others lead to too
     * @param gives whether records that are new get their numbers
     */
    UnitedRows of(
            StoredRecord around,
            List<RowView.SeenRow> rows,
            Map<Long, StoredRecord> mine,
            Set<Long> shared,
            boolean gives)
            throws SQLException {
        var became = rows.stream().map(row -> toRecords.apply(row.values())).toList();
        var now = said(rows, became, mine);
        var left = new LinkedHashMap<>(mine);
        Arrays.stream(now).forEach(left::remove);
        var written = new ArrayList<StoredRecord>();
        var fresh = new HashMap<String, Long>();
        boolean lost = false;
        for (int at = 0; at < now.length; at++) {
            var mark = alike().mark(became.get(at));
            if (now[at] == 0 && fresh.containsKey(mark)) {
                now[at] = fresh.get(mark);
            } else if (now[at] == 0) {
                var was = left.values().stream()
                        .filter(each -> !shared.contains(each.id()))
                        .findFirst();
                was.ifPresent(each -> left.remove(each.id()));
                var one = written(around, rows.get(at), became.get(at), was, gives);
                now[at] = one.record().id();
                lost |= one.lost();
                fresh.put(mark, now[at]);
                written.add(one.record());
            }
        }
        return new UnitedRows(Arrays.stream(now).distinct().boxed().toList(), written, left.keySet(), lost);
    }

    /** The records that say already what rows say, each at the place of its row; 0 where none does. */
    private long[] said(List<RowView.SeenRow> rows, List<Map<String, Object>> became, Map<Long, StoredRecord> mine)
            throws SQLException {
        var standing = new AlikeNotes(connection, alike()).known(became);
        var others = new HashMap<Long, StoredRecord>();
        held.byIds(connection, standing).stream()
                .filter(each -> !each.deleted())
                .forEach(each -> others.put(each.id(), each));
        var said = new long[rows.size()];
        for (int at = 0; at < said.length; at++) {
            var row = rows.get(at);
            said[at] = Stream.concat(mine.values().stream(), Stream.ofNullable(others.get(standing.get(at))))
                    .filter(each -> says.test(each.values(), row))
                    .findFirst()
                    .map(StoredRecord::id)
                    .orElse(0L);
        }
        return said;
    }

    private WrittenRecord written(
            StoredRecord around,
            RowView.SeenRow row,
            Map<String, Object> became,
            Optional<StoredRecord> was,
            boolean gives)
            throws SQLException {
        if (was.isEmpty()) {
            var values = ValueMover.settled(became, ids);
            long id = gives
                    ? new AlikeNotes(connection, alike())
                            .numbers(List.of(became))
                            .getFirst()
                    : 0;
            return new WrittenRecord(RecordMaker.made(records, around, id, values, rule), !says.test(values, row));
        }
        var before = was.get().values();
        var entered = new EnteredValues(before, toRecords.apply(toRows.apply(before)), became)
                .merged(Set.copyOf(rule.matched().values()));
        var values = ValueMover.settled(entered.orElse(before), ids);
        return new WrittenRecord(was.get().rewritten(values), entered.isEmpty() || !says.test(values, row));
    }
}
