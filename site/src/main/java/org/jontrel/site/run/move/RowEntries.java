package org.jontrel.site.run.move;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.move.AlikeRows;
import org.jontrel.core.move.EnteredValues;
import org.jontrel.core.move.MovedValues;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.move.RowView;
import org.jontrel.core.move.ValueShapes;
import org.jontrel.core.record.GroupedValues;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.StoredRecord;

/**
 * What was entered into records, said in the rows that they were.
 *
 * @param records as they are now
 */
record RowEntries(RecordType records, RecordMove rule, MovedValues toRows, MovedValues toRecords) {
    private static final String TITLE = "part_title";

    AlikeRows alike() {
        return new AlikeRows(records, rule);
    }

    /** @param lost whether the row cannot say all of it */
    record EnteredRow(RowView.SeenRow row, boolean lost) {}

    /** @param was the row that the record was; empty for a record that is new */
    EnteredRow of(Optional<RowView.SeenRow> was, StoredRecord record) {
        if (was.isPresent() && says(was.get(), record)) {
            return new EnteredRow(was.get(), false);
        }
        var kept = was.map(RowView.SeenRow::values).orElse(Map.of());
        var came = toRows.apply(toRecords.apply(kept));
        var now = toRows.apply(record.values());
        var entered = new EnteredValues(kept, came, rule.unites() ? alike().spelledAs(now, came) : now)
                .merged(Set.copyOf(rule.matched().values()));
        var row = new RowView.SeenRow(was.map(RowView.SeenRow::id).orElse(record.id()), entered.orElse(kept));
        return new EnteredRow(row, entered.isEmpty() || !says(row, record));
    }

    /** Whether the row would become just what the record is. */
    boolean says(RowView.SeenRow row, StoredRecord record) {
        var made = new HashMap<>(toRecords.apply(row.values()));
        var is = new HashMap<>(GroupedValues.without(records, record.values(), rule.link()));
        if (rule.unites()) {
            boolean titled =
                    record.version() == 1 || rule.title().isEmpty() || Objects.equals(made.get(TITLE), is.get(TITLE));
            return titled && alike().mark(made).equals(alike().mark(is));
        }
        if (record.version() == 1 && !rule.title().isEmpty()) {
            // what it is called after may have changed since
            made.remove(TITLE);
            is.remove(TITLE);
        }
        return ValueShapes.same(made, is);
    }

    private record PlacedRow(int place, EnteredRow entry) {}

    /** Each row as the record says that stands for it, in the order of the records where that is another by now. */
    List<EnteredRow> united(List<StoredRecord> mine, List<RowView.SeenRow> before, List<Long> became) {
        var order = mine.stream().map(StoredRecord::id).toList();
        var all = new ArrayList<PlacedRow>();
        for (int at = 0; at < before.size(); at++) {
            int place = order.indexOf(became.get(at));
            if (place >= 0) {
                all.add(new PlacedRow(place, of(Optional.of(before.get(at)), mine.get(place))));
            }
        }
        for (int place = 0; place < order.size(); place++) {
            if (!became.contains(order.get(place))) {
                all.add(new PlacedRow(place, of(Optional.empty(), mine.get(place))));
            }
        }
        var places = all.stream().map(PlacedRow::place).distinct().toList();
        if (!places.equals(places.stream().sorted().toList())) {
            all.sort(Comparator.comparingInt(PlacedRow::place));
        }
        return all.stream().map(PlacedRow::entry).toList();
    }

    /** Each record as the row that it was, by its id or by what it says. */
    List<EnteredRow> single(List<StoredRecord> mine, List<RowView.SeenRow> before) {
        var left = new ArrayList<>(before);
        var all = new ArrayList<EnteredRow>();
        for (var record : mine) {
            var was = left.stream()
                    .filter(row -> row.id() == record.id())
                    .findFirst()
                    .or(() -> left.stream()
                            .filter(row -> mine.stream().noneMatch(each -> each.id() == row.id()))
                            .filter(row -> says(row, record))
                            .findFirst());
            was.ifPresent(left::remove);
            all.add(of(was, record));
        }
        return all;
    }
}
