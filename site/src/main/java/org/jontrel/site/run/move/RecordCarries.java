package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongSupplier;
import java.util.stream.Stream;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.plan.Step;
import org.jontrel.core.record.GroupedValues;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.write.Histories;
import org.jontrel.site.run.name.SiteNameLookup;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;

/** What is carried over before rows or records come back that a run had made of each other. */
public final class RecordCarries {
    private RecordCarries() {}

    /** @param to the model that comes back */
    public static RecordCarry of(
            Connection connection,
            Binding binding,
            Model to,
            Step.CarryRecords step,
            SavedSince saved,
            LongSupplier ids)
            throws SQLException {
        var references = new SiteNameLookup(connection, binding, to, false);
        return step.toRows()
                ? new RowReturn(connection, binding, to, step, references, saved, ids)
                : new RecordReturn(connection, binding, to, step, references, saved, ids);
    }

    /** By what rule a step follows records beside those that it goes through; empty for all others. */
    public static Optional<RecordMove> followed(Step step) {
        return switch (step) {
            case Step.MakeRows make -> Optional.of(make.rule());
            case Step.CarryRecords carry when carry.toRows() -> Optional.of(carry.rule());
            default -> Optional.empty();
        };
    }

    /**
     * The records whose rows follow from others that were saved: those that lead to them now, and those that led to them before
     * they were saved.
     *
     * @param records ids of records that were saved
     */
    public static Set<Long> around(
            Connection connection, Binding binding, String aroundId, RecordMove rule, Set<Long> records)
            throws SQLException {
        var around = binding.table(aroundId);
        var theirs = binding.table(rule.records());
        if (around.isEmpty() || theirs.isEmpty() || records.isEmpty()) {
            return Set.of();
        }
        var links = RowMaker.links(connection, around.get(), theirs.get(), rule);
        var all = new LinkedHashSet<>(links.around(records));
        if (rule.linkThere()) {
            for (long id : records) {
                Histories.of(connection, binding, rule.records(), id)
                        .forEach(past -> linked(GroupedValues.get(theirs.get().recordType(), past.values(), rule.link())
                                        .orElse(null))
                                .forEach(all::add));
            }
        }
        return all;
    }

    private static Stream<Long> linked(Object value) {
        return switch (value) {
            case Link link -> Stream.of(link.id());
            case List<?> several -> several.stream().flatMap(RecordCarries::linked);
            case null, default -> Stream.empty();
        };
    }

    /** Records that nothing leads to, so that no row could be one of them. */
    public static long alone(Connection connection, Binding binding, String aroundId, RecordMove rule)
            throws SQLException {
        var around = binding.table(aroundId).orElseThrow();
        var theirs = binding.table(rule.records()).orElseThrow();
        var links = RowMaker.links(connection, around, theirs, rule);
        var mine = rule.linkThere() ? "record_id" : "target_id";
        return Jdbc.number(
                connection,
                "SELECT COUNT(*) FROM " + PhysicalNames.quoted(theirs.name())
                        + " r WHERE state <> 'deleted' AND NOT EXISTS (SELECT 1 FROM "
                        + PhysicalNames.quoted(links.table()) + " l WHERE l." + mine + " = r.id)");
    }

    /** What would become of all records, without doing it. */
    public static List<Long> counts(Connection connection, RecordCarry carry, int chunk) throws SQLException {
        var counts = new ArrayList<>(List.of(0L, 0L, 0L));
        for (long after = 0; ; ) {
            var some = carry.after(connection, after, chunk);
            if (some.isEmpty()) {
                return counts;
            }
            carry.outcomes(connection, some)
                    .forEach(each -> counts.set(each.ordinal(), counts.get(each.ordinal()) + 1));
            after = some.getLast().id();
        }
    }
}
