package org.jontrel.core.plan;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.move.Formula;
import org.jontrel.core.move.MoveRules;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Offer;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;

/** What a plan asks the architect about the fields of one record type, and what it has to say of their values. */
final class FieldQuestions {
    private final RecordType recordType;
    private final NameAnswers names;
    private final Map<Question, Answer> answers;
    private final List<Decision> decisions;
    private final List<PlanQuestion> asks;
    private final List<Finding> findings;

    /**
     * @param goals what values that are names can lead to
     * @param decisions what the architect has answered so far
     * @param asks takes up what is asked
     * @param findings takes up what is said
     */
    FieldQuestions(
            RecordType recordType,
            NameGoals goals,
            Map<Question, Answer> answers,
            List<Decision> decisions,
            List<PlanQuestion> asks,
            List<Finding> findings) {
        this.recordType = recordType;
        this.names = new NameAnswers(goals, decisions);
        this.answers = answers;
        this.decisions = decisions;
        this.asks = asks;
        this.findings = findings;
    }

    MoveQuestions ofMoves() {
        return new MoveQuestions(recordType, this, decisions, asks, findings);
    }

    /** What the site says of a field; with an empty id, of the records themselves. */
    Answer answer(String fieldId) {
        return answers.getOrDefault(new Question(recordType.id(), fieldId), Answer.NONE);
    }

    /** What is held for a field that comes back, where the architect wants it back. */
    Optional<Offer> comingBack(Field field) {
        var offer = answer(field.id()).held();
        if (offer.isEmpty()) {
            return Optional.empty();
        }
        if (!offer.get().fits()) {
            findings.add(Finding.of(
                    Code.PLAN_HELD_DIFFERS,
                    Place.field(recordType.id(), field.id(), ""),
                    field.label(),
                    offer.get().values()));
            return Optional.empty();
        }
        var decision = ask(
                Code.PLAN_HELD_VALUES,
                field,
                Decision.Topic.HELD_VALUES,
                offer.get().values(),
                Planner.BACK_OR_NOT,
                field.label(),
                offer.get().values());
        return PlanQuestion.isBack(decision) ? offer : Optional.empty();
    }

    /**
     * Asks what becomes of values that the field cannot take, where there are some or were some before they were corrected.
     *
     * @param values those that are not corrected
     * @param aside those that are set aside one by one
     * @return the corrections of others
     */
    Map<String, String> unconverted(Field field, long values, long aside, List<String> examples) {
        var choices = names.choices(field);
        var answer = names.answer(field);
        var given = answer.map(Decision::corrections).orElse(List.of());
        // those for an earlier kind of the field are in nobody's way where no value needs them
        var corrections = given.stream()
                .filter(each -> values > 0 || (each.isAside() ? aside > 0 : new Corrections(field).fits(each)))
                .toList();
        if (values == 0 && corrections.isEmpty()) {
            return Map.of();
        }
        new Corrections(field).check(recordType, corrections, findings);
        var place = Place.field(recordType.id(), field.id(), "");
        var kind = MoveRules.heir(field).orElse(field).kind().code().replace('_', ' ');
        asks.add(new PlanQuestion(
                values == 0
                        ? Corrections.answered(place, field, kind, corrections, aside)
                        : Finding.of(
                                Code.PLAN_VALUES_UNCONVERTED,
                                place,
                                field.label(),
                                values,
                                kind,
                                String.join("; ", examples)),
                recordType.id(),
                field.id(),
                Decision.Topic.UNCONVERTED,
                values == 0 ? aside : values,
                choices,
                // corrections answer for the values that they are of
                answer.filter(each -> values == 0 || each.answer() != Decision.Action.CORRECT),
                corrections,
                names.separator(field, examples)));
        return PlanQuestion.byValue(corrections);
    }

    /** Whether names can be looked up in a field with this key. */
    boolean hasNaming(Field field, String key) {
        return names.goals().has(field, key);
    }

    /** Whether the architect wants terms or records made for names that none has. */
    boolean makes(Field field) {
        return names.make(field);
    }

    /** Says what is stored that the definitions no longer allow; it stays until somebody changes it. */
    void breaches(Field field, Answer answer) {
        answer.breaches().forEach((breach, count) -> {
            var place = Place.field(recordType.id(), field.id(), "");
            findings.add(
                    switch (breach) {
                        case TWICE -> Finding.of(Code.PLAN_VALUES_TWICE, place, field.label(), count);
                        case TOO_MANY -> Finding.of(Code.PLAN_TOO_MANY, place, field.label(), count);
                        case FORMATTING -> Finding.of(Code.PLAN_FORMATTING_LEFT, place, field.label(), count);
                        case TARGET -> Finding.of(Code.PLAN_LINKS_OUTSIDE, place, field.label(), count);
                        case SEVERAL, SPLITTABLE, MATCHABLE, ROWLESS, PARENT, HIDDEN, ALIKE, UNMADE, LEFT, SLUG ->
                            throw new IllegalStateException("Not about values that stay: " + breach);
                    });
        });
    }

    /** The value to fill with; empty for none, and where it follows from others. */
    String required(Field field, long lacking) {
        boolean fillable =
                FieldStorage.of(field.kind()) == FieldStorage.COLUMN && !(field.kind() instanceof Kind.Reference);
        var choices = fillable ? List.of(Decision.Action.FILL, Decision.Action.LEAVE) : List.of(Decision.Action.LEAVE);
        var decision = ask(
                Code.PLAN_REQUIRED_EMPTY,
                field,
                Decision.Topic.REQUIRED_EMPTY,
                lacking,
                choices,
                field.label(),
                lacking,
                recordType.singular());
        if (decision.isEmpty() || decision.get().answer() != Decision.Action.FILL) {
            return "";
        }
        var value = decision.get().value();
        if (Formula.is(value)) {
            return "";
        }
        var parsed = Values.typed(field, value);
        if (parsed.value().isEmpty()) {
            findings.add(Finding.of(
                    Code.PLAN_FILL_INVALID,
                    Place.field(recordType.id(), field.id(), ""),
                    field.label(),
                    Corrections.why(parsed)));
        }
        return value;
    }

    Optional<Decision> ask(
            Code code,
            Field field,
            Decision.Topic about,
            long rows,
            List<Decision.Action> choices,
            Object... arguments) {
        var decision = PlanQuestion.decided(decisions, field.id(), about, choices);
        if (asks.stream().anyMatch(each -> each.fieldId().equals(field.id()) && each.about() == about)) {
            return decision;
        }
        var finding = Finding.of(code, Place.field(recordType.id(), field.id(), ""), arguments);
        asks.add(new PlanQuestion(finding, recordType.id(), field.id(), about, rows, choices, decision));
        return decision;
    }

    /** Asks what becomes of values that are outside the new limits. */
    void outside(Field field, Answer answer) {
        if (answer.outside() > 0) {
            ask(
                    Code.PLAN_VALUES_OUTSIDE,
                    field,
                    Decision.Topic.OUTSIDE_LIMITS,
                    answer.outside(),
                    List.of(Decision.Action.LEAVE),
                    field.label(),
                    answer.outside(),
                    String.join("; ", answer.outsideExamples()));
        }
    }
}
