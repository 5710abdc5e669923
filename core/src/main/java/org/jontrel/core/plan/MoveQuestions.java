package org.jontrel.core.plan;

import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.move.RelatedFields;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Breach;
import org.jontrel.core.recordtype.RecordType;

/**
 * What a plan asks about values that change their place.
 *
 * @param asks takes up what is asked
 * @param findings takes up what is said
 */
record MoveQuestions(
        RecordType recordType,
        FieldQuestions questions,
        List<Decision> decisions,
        List<PlanQuestion> asks,
        List<Finding> findings) {
    /** Asks which of several values is taken, and says what is too much, or has no row to stand in. */
    void moved(Field field, Field asked, Answer answer) {
        long several = answer.breaches().getOrDefault(Breach.SEVERAL, 0L);
        boolean known = asks.stream()
                .anyMatch(each -> each.fieldId().equals(asked.id()) && each.about() == Decision.Topic.SEVERAL_VALUES);
        if (several > 0 && !known) {
            questions.ask(
                    Code.PLAN_VALUES_SEVERAL,
                    asked,
                    Decision.Topic.SEVERAL_VALUES,
                    several,
                    MovePlan.choices(asked),
                    asked.label(),
                    several);
        }
        long splittable = answer.breaches().getOrDefault(Breach.SPLITTABLE, 0L);
        if (splittable > 0) {
            asks.add(new PlanQuestion(
                    Finding.of(
                            Code.PLAN_TEXTS_SPLIT,
                            Place.field(recordType.id(), field.id(), ""),
                            field.label(),
                            splittable),
                    recordType.id(),
                    field.id(),
                    Decision.Topic.SPLIT_TEXTS,
                    splittable,
                    MovePlan.SPLIT_OR_NOT,
                    PlanQuestion.decided(decisions, field.id(), Decision.Topic.SPLIT_TEXTS, MovePlan.SPLIT_OR_NOT),
                    List.of(),
                    answer.separator()));
        }
        matched(field, answer);
        long tooMany = answer.breaches().getOrDefault(Breach.TOO_MANY, 0L);
        if (tooMany > 0) {
            findings.add(Finding.of(
                    Code.PLAN_TOO_MANY, Place.field(recordType.id(), field.id(), ""), field.label(), tooMany));
        }
        long twice = answer.breaches().getOrDefault(Breach.TWICE, 0L);
        if (twice > 0) {
            findings.add(Finding.of(
                    Code.PLAN_VALUES_TWICE, Place.field(recordType.id(), field.id(), ""), field.label(), twice));
        }
        long rowless = answer.breaches().getOrDefault(Breach.ROWLESS, 0L);
        if (rowless > 0) {
            findings.add(Finding.of(
                    Code.PLAN_VALUES_ROWLESS, Place.field(recordType.id(), field.id(), ""), field.label(), rowless));
        }
    }

    /** Asks whether names are looked up in another field than the title of what they mean. */
    private void matched(Field field, Answer answer) {
        long matchable = answer.breaches().getOrDefault(Breach.MATCHABLE, 0L);
        var decision = PlanQuestion.decided(decisions, field.id(), Decision.Topic.MATCHED_BY, MovePlan.MATCH_OR_NOT);
        boolean matches =
                decision.filter(each -> each.answer() == Decision.Action.MATCH).isPresent();
        if (matchable == 0 && !matches) {
            return;
        }
        var key = matches ? decision.get().value() : answer.match();
        if (matches && !questions.hasNaming(field, key)) {
            findings.add(Finding.of(
                    Code.PLAN_MATCH_UNKNOWN, Place.field(recordType.id(), field.id(), ""), field.label(), key));
        }
        asks.add(new PlanQuestion(
                Finding.of(
                        Code.PLAN_NAMES_MATCHED,
                        Place.field(recordType.id(), field.id(), ""),
                        field.label(),
                        matchable,
                        key),
                recordType.id(),
                field.id(),
                Decision.Topic.MATCHED_BY,
                matchable,
                MovePlan.MATCH_OR_NOT,
                decision,
                List.of(),
                key));
    }

    /** Asks whether a new field takes the values of some that go. */
    void sources(RecordType was, Field field) {
        var answer = SourceProposal.answer(was, field, decisions);
        var wrong = answer.stream()
                .flatMap(each -> SourceProposal.keys(each).stream())
                .filter(key -> SourceProposal.named(was, recordType, field, key).isEmpty())
                .findFirst();
        var proposed = SourceProposal.of(was, recordType, field);
        wrong.ifPresent(key -> findings.add(Finding.of(
                Code.PLAN_SOURCE_UNKNOWN,
                Place.field(recordType.id(), field.id(), ""),
                field.label(),
                key,
                keys(proposed).isEmpty() ? "photo_1, photo_2" : keys(proposed))));
        long values = proposed.stream()
                .mapToLong(each -> questions.answer(each.id()).filled())
                .sum();
        if (values == 0 && answer.isEmpty()) {
            return;
        }
        var decision = PlanQuestion.decided(decisions, field.id(), Decision.Topic.SOURCES, SourceProposal.TAKE_OR_NOT);
        var labels = proposed.stream()
                .map(each -> RelatedFields.is(each.id()) ? each.key() : each.label())
                .collect(Collectors.joining(", "));
        asks.add(new PlanQuestion(
                Finding.of(
                        Code.PLAN_SOURCES,
                        Place.field(recordType.id(), field.id(), ""),
                        field.label(),
                        labels.isEmpty() ? answer.get().value() : labels,
                        Math.max(proposed.size(), 1),
                        values),
                recordType.id(),
                field.id(),
                Decision.Topic.SOURCES,
                values,
                SourceProposal.TAKE_OR_NOT,
                decision,
                List.of(),
                keys(proposed)));
    }

    /** Says where numbers stay what they are while their unit is another. */
    void unit(Field before, Field field, long values) {
        boolean differs = before.kind() instanceof Kind.Numeric was
                && field.kind() instanceof Kind.Numeric is
                && !was.unit().isEmpty()
                && !is.unit().isEmpty()
                && !was.unit().equals(is.unit());
        if (differs && values > 0) {
            findings.add(Finding.of(
                    Code.PLAN_UNIT_CHANGES,
                    Place.field(recordType.id(), field.id(), ""),
                    field.label(),
                    ((Kind.Numeric) before.kind()).unit(),
                    ((Kind.Numeric) field.kind()).unit(),
                    values));
        }
    }

    private static String keys(List<Field> fields) {
        return fields.stream().map(Field::key).collect(Collectors.joining(", "));
    }
}
