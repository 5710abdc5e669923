package org.jontrel.core.plan;

import java.util.List;
import java.util.Map;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.move.RecordProposal;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Breach;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.recordtype.RecordType;

/**
 * What a plan asks, and says, of records that are made of rows, and of rows that are made of records.
 *
 * @param asks takes up what is asked
 * @param findings takes up what is said
 */
record RecordQuestions(
        RecordMoves records, Map<Question, Answer> answers, List<PlanQuestion> asks, List<Finding> findings) {
    private long breach(RecordType is, Breach breach) {
        return answers.getOrDefault(new Question(is.id(), ""), Answer.NONE)
                .breaches()
                .getOrDefault(breach, 0L);
    }

    /** Says that one record could stand for several rows, and where records that are made so have one title. */
    void alike(RecordType is, boolean unites) {
        long alike = breach(is, Breach.ALIKE);
        long twice = breach(is, Breach.TWICE);
        var place = Place.definition(is.id(), "");
        if (alike > 0 && records.answer(is.id()).isEmpty()) {
            findings.add(Finding.of(Code.PLAN_RECORDS_ALIKE, place, is.plural(), alike));
        }
        records.decided(is.id())
                .filter(each -> unites && each.namesAround())
                .ifPresent(each -> findings.add(Finding.of(
                        Code.PLAN_TITLE_SHARED,
                        place,
                        is.singular(),
                        each.around().plural(),
                        "{" + each.around().key() + "}")));
        if (twice > 0 && unites) {
            findings.add(Finding.of(Code.PLAN_TITLES_ALIKE, place, is.plural(), twice));
        }
    }

    /** Says where a record would lead to more than it may. */
    void tooMany(RecordType was, String link, RecordType is) {
        long many = answers.getOrDefault(new Question(was.id(), link), Answer.NONE)
                .breaches()
                .getOrDefault(Breach.TOO_MANY, 0L);
        if (many > 0) {
            findings.add(Finding.of(Code.PLAN_TOO_MANY, Place.field(was.id(), link, ""), is.plural(), many));
        }
    }

    /** Rows have no state of their own: what nobody was to see yet may be seen. */
    void hidden(RecordType is, Field place, RecordProposal proposal) {
        long hidden = answers.getOrDefault(new Question(is.id(), place.id()), Answer.NONE)
                .breaches()
                .getOrDefault(Breach.HIDDEN, 0L);
        if (hidden > 0) {
            findings.add(Finding.of(
                    Code.PLAN_ROWS_HIDDEN,
                    Place.field(is.id(), place.id(), ""),
                    proposal.label(),
                    hidden,
                    place.label()));
        }
    }

    /** Those that belong to nothing become no rows. */
    void alone(RecordType is, Field place, RecordType records) {
        long alone = answers.getOrDefault(new Question(is.id(), place.id()), Answer.NONE)
                .breaches()
                .getOrDefault(Breach.ROWLESS, 0L);
        if (alone > 0) {
            findings.add(
                    Finding.of(Code.PLAN_RECORDS_HELD, Place.definition(records.id(), ""), records.singular(), alone));
        }
    }

    /** Asks whether what goes becomes what is new. */
    void ask(String recordTypeId, String id, String label, long rows) {
        var possible = records.possible(id);
        var answer = records.answer(id);
        if (possible.isEmpty() || rows == 0 && answer.isEmpty()) {
            return;
        }
        boolean isType = recordTypeId.equals(id);
        var place = isType ? Place.definition(id, "") : Place.field(recordTypeId, id, "");
        var best = records.proposed(id).orElseThrow();
        long alike = isType
                ? answers.getOrDefault(new Question(id, ""), Answer.NONE)
                        .breaches()
                        .getOrDefault(Breach.ALIKE, 0L)
                : 0;
        asks.add(new PlanQuestion(
                Finding.of(isType ? Code.PLAN_RECORDS_MADE : Code.PLAN_ROWS_MADE, place, label, best.label(), rows),
                recordTypeId,
                id,
                Decision.Topic.RECORDS,
                rows,
                records.choices(id, alike),
                answer,
                List.of(),
                alike > 0 ? best.unitedAnswer() : best.answer()));
        if (records.isUnknown(id)) {
            findings.add(Finding.of(
                    Code.PLAN_RECORDS_UNKNOWN, place, label, answer.get().value(), records.paths(id)));
        }
    }
}
