package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.move.FormulaCheck;
import org.jontrel.core.move.Move;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Breach;
import org.jontrel.core.recordtype.RecordType;

/** The moves of one record type's plan, as they are found and asked about. */
final class PlannedMoves {
    private final RecordType was;
    private final RecordType is;
    private final MovePlan plan;
    private final FieldQuestions questions;
    private final NameGoals goals;
    private final Ids ids;
    private final List<Finding> findings;
    private final List<Move> moves = new ArrayList<>();
    private final List<Plan.PlannedStep> terms = new ArrayList<>();

    /** @param goals what values that are names can lead to */
    PlannedMoves(
            RecordType was,
            RecordType is,
            MovePlan plan,
            FieldQuestions questions,
            NameGoals goals,
            Ids ids,
            List<Finding> findings) {
        this.was = was;
        this.is = is;
        this.plan = plan;
        this.questions = questions;
        this.goals = goals;
        this.ids = ids;
        this.findings = findings;
    }

    /** Whether values come to a field that is new in its place, with all questions about them. */
    boolean take(Field field) {
        var move = plan.to(field.id());
        // what is held for it comes back instead, where the architect wants that
        if (move.isEmpty() || questions.comingBack(field).isPresent()) {
            return false;
        }
        var answer = questions.answer(field.id());
        moves.add(
                move.get().how() == Move.How.COMPUTED
                        ? computed(field, move.get(), answer)
                        : moved(field, move.get(), answer));
        return true;
    }

    private Move moved(Field field, Move move, Answer answer) {
        questions.ofMoves().moved(field, plan.asked(field), answer);
        questions.outside(field, answer);
        var corrections =
                questions.unconverted(field, answer.unconverted(), answer.aside(), answer.unconvertedExamples());
        var fill = field.required() && answer.empty() > 0 ? filled(field, answer.empty()) : "";
        boolean all = answer.unconverted() > 0 && questions.makes(field);
        long unmade = answer.breaches().getOrDefault(Breach.UNMADE, 0L);
        if (all && unmade > 0) {
            findings.add(
                    Finding.of(Code.PLAN_NAMES_UNMADE, Place.field(is.id(), field.id(), ""), field.label(), unmade));
        }
        var goal = goals.of(field).filter(_ -> all || goals.begins(field));
        if (goal.isEmpty()) {
            return move.filling(fill).correcting(corrections);
        }
        var made = ids.next('h');
        var what = field.kind() instanceof Kind.TermPick ? "terms" : "records";
        terms.add(new Plan.PlannedStep(
                new Step.MakeTerms(goal.get(), made),
                answer.unconverted(),
                "Make the " + what + " that " + field.label() + " names"));
        return move.filling(fill).correcting(corrections).making(made, all);
    }

    /** What a field is filled with where it has no value: a value or a formula; empty for nothing. */
    String filled(Field field, long lacking) {
        var value = questions.required(field, lacking);
        plan.filling(field).ifPresent(formula -> check(field, formula));
        return plan.fallback(field).orElse(value);
    }

    /** Says what is wrong with a formula that is to fill a field, where something is. */
    void check(Field field, String formula) {
        var problem = FormulaCheck.problem(was, is, field, formula);
        if (!problem.isEmpty()) {
            findings.add(
                    Finding.of(Code.PLAN_FILL_INVALID, Place.field(is.id(), field.id(), ""), field.label(), problem));
        }
    }

    private Move computed(Field field, Move move, Answer answer) {
        questions.required(field, answer.records());
        empty(field, answer);
        return move;
    }

    /** Says where a formula has no value. */
    void empty(Field field, Answer answer) {
        if (answer.empty() > 0) {
            findings.add(Finding.of(
                    Code.PLAN_FORMULA_EMPTY,
                    Place.field(is.id(), field.id(), ""),
                    field.label(),
                    answer.empty(),
                    is.singular()));
        }
    }

    /** Says what is wrong with the formula that is to fill a field, where there is one. */
    void formula(Field field) {
        plan.filling(field)
                .map(formula -> was.field(field.id()).isPresent()
                        ? "A formula fills new fields only."
                        : FormulaCheck.problem(was, is, field, formula))
                .filter(problem -> !problem.isEmpty())
                .ifPresent(problem -> findings.add(Finding.of(
                        Code.PLAN_FILL_INVALID, Place.field(is.id(), field.id(), ""), field.label(), problem)));
    }

    /** Asks whether a new field takes the values of some that go. */
    void sources(Field field) {
        questions.ofMoves().sources(was, field);
    }

    /** Whether some move takes the values of an older field. */
    boolean takeFrom(Field field) {
        return moves.stream().anyMatch(move -> move.sources().contains(field.id()));
    }

    List<Move> moves() {
        return List.copyOf(moves);
    }

    /** The steps that make the terms which values name. */
    List<Plan.PlannedStep> terms() {
        return List.copyOf(terms);
    }

    /** What moves the values, those together that share a source, and makes the terms that they name. */
    List<Plan.PlannedStep> steps() {
        var steps = new ArrayList<>(terms);
        for (var together : together(moves)) {
            var labels = together.stream()
                    .map(each -> is.field(each.target()).map(Field::label).orElse(each.target()))
                    .collect(Collectors.joining(", "));
            steps.add(new Plan.PlannedStep(
                    new Step.MoveValues(is.id(), together),
                    questions.answer("").records(),
                    "Move values to " + labels));
        }
        return steps;
    }

    /** Moves that share a source belong together: what goes one way comes back as one. */
    private static List<List<Move>> together(List<Move> moves) {
        var groups = new ArrayList<List<Move>>();
        for (var move : moves) {
            var mine = new ArrayList<Move>(List.of(move));
            groups.removeIf(group -> {
                boolean shares = group.stream().anyMatch(each -> !Collections.disjoint(each.sources(), move.sources()));
                if (shares) {
                    mine.addAll(0, group);
                }
                return shares;
            });
            groups.add(mine);
        }
        return groups;
    }
}
