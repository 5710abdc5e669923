package org.jontrel.site.run.move;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.RecordProposal;
import org.jontrel.core.plan.RecordMoves;
import org.jontrel.core.plan.Step;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Breach;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.plan.undo.UndoPlanner;
import org.jontrel.site.record.read.UnconvertedValues;
import org.jontrel.site.run.name.SiteNameLookup;
import org.jontrel.site.table.Binding;

/**
 * What a site says of rows that become records, and of records that become rows: as decided, or as a plan would propose it.
 *
 * @param decisions answers given so far
 */
public record RecordFacts(Connection connection, Binding binding, List<Decision> decisions) {
    private static final int CHUNK = 2_000;

    /** Answers to the questions about new content types, and about the fields of new rows. */
    public Map<Question, Answer> answers(Model to) throws SQLException {
        var answers = new HashMap<Question, Answer>();
        var moves = new RecordMoves(binding.model(), to, decisions);
        for (var id : moves.ids()) {
            var proposal = moves.proposed(id).orElseThrow();
            var rule = proposal.rule();
            var counts = counts(proposal, to);
            var counted = counts.answers();
            if (rule.toRows()) {
                var alone = RecordCarries.alone(
                        connection, binding, proposal.around().id(), rule);
                answers.put(
                        new Question(proposal.around().id(), rule.place()),
                        alone > 0 ? counted.get("").breaking(Map.of(Breach.ROWLESS, alone)) : counted.get(""));
                rule.matched()
                        .forEach((row, record) -> Optional.ofNullable(counted.get(record))
                                .ifPresent(answer -> answers.put(
                                        new Question(proposal.around().id(), row), answer)));
            } else {
                counted.forEach((field, answer) -> answers.put(new Question(id, field), answer));
                answers.put(new Question(proposal.was().id(), rule.link()), counts.ofLink());
            }
        }
        return answers;
    }

    private RecordCounts counts(RecordProposal proposal, Model to) throws SQLException {
        var rule = proposal.rule();
        var is = rule.toRows() ? proposal.around() : RecordMaker.type(to, rule.records());
        var references = new SiteNameLookup(connection, binding, to, false);
        var most = rule.toRows() || rule.linkThere()
                ? null
                : RecordMaker.type(to, proposal.was().id())
                        .field(rule.link())
                        .map(each -> each.kind().amount().max())
                        .orElse(null);
        return RecordCounts.of(connection, binding, proposal, is, most, decisions, references);
    }

    /** The values of a field that cannot be taken over; empty where it comes of none of these. */
    public Optional<UnconvertedValues.CountedValues> unconverted(Model to, String fieldId, int most)
            throws SQLException {
        var moves = new RecordMoves(binding.model(), to, decisions);
        for (var id : moves.ids()) {
            var proposal = moves.proposed(id).orElseThrow();
            var rule = proposal.rule();
            var field = rule.toRows() ? rule.matched().get(fieldId) : fieldId;
            // the parts of types and the taxonomies that they use have one id in all of them
            boolean mine = rule.toRows() ? field != null : rule.matched().containsValue(fieldId);
            if (mine) {
                var counted = counts(proposal, to).field(field).map(each -> each.values(most));
                if (counted.isPresent()) {
                    return counted;
                }
            }
        }
        return Optional.empty();
    }

    /** What was entered since a run that is to be undone. */
    public static UndoPlanner.Since since(Connection connection, Binding binding, Step.CarryRecords carry, Model to)
            throws SQLException {
        SavedSince all = (_, ids) -> Set.copyOf(ids);
        var back = RecordCarries.of(connection, binding, to, carry, all, () -> 0L);
        var counts = RecordCarries.counts(connection, back, CHUNK);
        long alone = carry.toRows() ? RecordCarries.alone(connection, binding, carry.recordTypeId(), carry.rule()) : 0;
        return new UndoPlanner.Since(
                counts.stream().mapToLong(Long::longValue).sum(),
                counts.get(MovedReturn.Outcome.CARRIED.ordinal()),
                counts.get(MovedReturn.Outcome.LOST.ordinal()) + alone);
    }
}
