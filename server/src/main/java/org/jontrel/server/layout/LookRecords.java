package org.jontrel.server.layout;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Leaves;
import org.jontrel.site.Site;
import org.jontrel.site.record.read.Audience;
import org.jontrel.site.record.read.BadQuery;
import org.jontrel.site.record.read.ListQuery;
import org.jontrel.site.record.read.StoredRecord;

/** Which record of a site a layout is shown with: one that was asked for, or one that makes layouts break. */
final class LookRecords {
    /** The fullest, emptiest and longest are looked for among so many of those that were changed last. */
    private static final int LOOKED_AT = 300;

    private LookRecords() {}

    /** The record that is asked for, or that the pick finds; those that may not be seen are passed over. */
    static Optional<StoredRecord> one(
            Site engine,
            RecordType recordType,
            LookController.LookOfLayout wanted,
            Audience audience,
            Condition where) {
        var pick = wanted.pick() == null ? "" : wanted.pick();
        if (pick.isEmpty() && wanted.record() != null) {
            var one = engine.records()
                    .byId(recordType.id(), wanted.record())
                    .filter(record -> audience.reads(record, Instant.now()));
            if (one.isPresent()) {
                return one;
            }
        }
        var last = last(engine, recordType, ListQuery.ALL.as(audience).most(pick.isEmpty() ? 1 : LOOKED_AT), where);
        return switch (pick) {
            case "fullest" -> last.stream().max(Comparator.comparingInt(record -> filled(recordType, record)));
            case "emptiest" -> last.stream().min(Comparator.comparingInt(record -> filled(recordType, record)));
            case "longest" -> last.stream().max(Comparator.comparingInt(record -> letters(recordType, record)));
            case "next" -> next(last, wanted.record());
            default -> last.stream().findFirst();
        };
    }

    /** Those that were changed last; any of them where the layout asks for what the site does not have. */
    private static List<StoredRecord> last(Site engine, RecordType recordType, ListQuery query, Condition where) {
        try {
            return engine.records()
                    .page(recordType.id(), query.where(where))
                    .orElseThrow()
                    .records();
        } catch (BadQuery _) {
            return engine.records().page(recordType.id(), query).orElseThrow().records();
        }
    }

    private static Optional<StoredRecord> next(List<StoredRecord> records, Long after) {
        for (int i = 0; i < records.size(); i++) {
            if (after != null && records.get(i).id() == after) {
                return Optional.of(records.get((i + 1) % records.size()));
            }
        }
        return records.stream().findFirst();
    }

    private static int filled(RecordType recordType, StoredRecord record) {
        var values = new int[1];
        Leaves.of(recordType.fields().toList(), record.values(), (_, _) -> values[0]++);
        return values[0];
    }

    private static int letters(RecordType recordType, StoredRecord record) {
        var letters = new int[1];
        Leaves.of(
                recordType.fields().toList(),
                record.values(),
                (field, value) -> letters[0] += Values.show(field.kind(), value).length());
        return letters[0];
    }
}
