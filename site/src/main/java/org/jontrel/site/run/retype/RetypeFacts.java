package org.jontrel.site.run.retype;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Model;
import org.jontrel.core.plan.Step;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.plan.undo.UndoPlanner;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.core.retype.TypeMoves;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.record.read.UnconvertedValues;
import org.jontrel.site.run.move.MovedReturn;
import org.jontrel.site.run.move.RecordCarries;
import org.jontrel.site.run.move.SavedSince;
import org.jontrel.site.run.name.SiteNameLookup;
import org.jontrel.site.table.Binding;

/**
 * What a site says of records that could become those of another type.
 *
 * @param decisions answers given so far
 */
public record RetypeFacts(Connection connection, Binding binding, List<Decision> decisions) {
    private static final int CHUNK = 2_000;

    /** Answers about types that go or are new, and about all fields of those that records come to. */
    public Map<Question, Answer> answers(Model to) throws SQLException {
        var answers = new HashMap<Question, Answer>();
        var types = new TypeMoves(binding.model(), to, decisions);
        for (var id : types.asked()) {
            var likely = types.likely(id).filter(each -> each.is().id().equals(id));
            if (likely.isPresent()) {
                answers.put(
                        new Question(id, ""),
                        Answer.ofRecords(matching(likely.get().way(), to)));
            }
        }
        for (var was : types.were()) {
            new RetypeCounts(this, types, was, to)
                    .answers()
                    .forEach((question, answer) -> answers.merge(question, answer, Answer::plus));
        }
        return answers;
    }

    private long matching(TypeMove way, Model to) throws SQLException {
        var table = binding.table(way.from());
        if (table.isEmpty()) {
            return 0;
        }
        var names = new SiteNameLookup(connection, binding, to, false);
        long[] found = {0};
        each(table.get(), record -> {
            boolean meant = !record.deleted() && way.when().holds(table.get().recordType(), record.values(), names);
            found[0] += meant ? 1 : 0;
        });
        return found[0];
    }

    /** Done with each record. */
    interface RecordUse {
        void of(StoredRecord record);
    }

    void each(Binding.BoundTables table, RecordUse use) throws SQLException {
        var loader = new RecordLoader(table);
        for (long after = 0; ; ) {
            var some = loader.after(connection, after, CHUNK);
            if (some.isEmpty()) {
                return;
            }
            some.forEach(use::of);
            after = some.getLast().id();
        }
    }

    /** The values of a field that cannot be taken over; empty where it comes of none of these. */
    public Optional<UnconvertedValues.CountedValues> unconverted(Model to, String fieldId, int most)
            throws SQLException {
        var types = new TypeMoves(binding.model(), to, decisions);
        if (types.are().stream().allMatch(each -> each.field(fieldId).isEmpty())) {
            return Optional.empty();
        }
        var all = new ArrayList<UnconvertedValues.CountedValues>();
        for (var was : types.were()) {
            all.addAll(new RetypeCounts(this, types, was, to).unconverted(fieldId, most));
        }
        var values = all.stream()
                .flatMap(each -> each.values().stream())
                .sorted((a, b) -> Long.compare(b.records(), a.records()))
                .limit(most)
                .toList();
        return Optional.of(new UnconvertedValues.CountedValues(
                values,
                all.stream().mapToInt(UnconvertedValues.CountedValues::distinct).sum(),
                all.stream().anyMatch(UnconvertedValues.CountedValues::more)));
    }

    /** What was entered since a run that is to be undone. */
    public static UndoPlanner.Since since(Connection connection, Binding binding, Step.CarryRetyped carry, Model to)
            throws SQLException {
        SavedSince all = (_, ids) -> Set.copyOf(ids);
        var counts = RecordCarries.counts(
                connection, new RetypeReturn(connection, binding, to, carry, all, () -> 0L), CHUNK);
        return new UndoPlanner.Since(
                counts.stream().mapToLong(Long::longValue).sum(),
                counts.get(MovedReturn.Outcome.CARRIED.ordinal()),
                counts.get(MovedReturn.Outcome.LOST.ordinal()));
    }
}
