package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.Condition;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.RecordProposal;
import org.jontrel.core.move.RowView;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;

/**
 * The parts of a plan that make records of rows, or rows of records.
 *
 * @param goals what values that are names can lead to
 * @param asks takes up what is asked
 * @param findings takes up what is said
 */
record PlannedRecords(
        RecordMoves records,
        Map<Question, Answer> answers,
        List<Decision> decisions,
        NameGoals goals,
        Ids ids,
        List<PlanQuestion> asks,
        List<Finding> findings) {
    private RecordQuestions said() {
        return new RecordQuestions(records, answers, asks, findings);
    }

    /** The steps that make the records of a new content type; none where they come from nowhere. */
    List<Plan.PlannedStep> made(RecordType is) {
        long rows = answers.getOrDefault(new Question(is.id(), ""), Answer.NONE).records();
        said().ask(is.id(), is.id(), is.plural(), rows);
        said().alike(is, records.unites(is.id()));
        var proposal = records.decided(is.id());
        if (proposal.isEmpty()) {
            return List.of();
        }
        var was = proposal.get().was();
        boolean unites = records.unites(is.id());
        var rule = proposal.get().rule().uniting(unites ? ids.next('h') : "");
        said().tooMany(was, rule.link(), is);
        var steps = new ArrayList<Plan.PlannedStep>();
        var view = new RowView(was, rule).type();
        var moves = moves(proposal.get(), view, is, answers, decisions, asks, findings, rows, steps);
        steps.add(planned(new Step.AddTableBeside(is.id(), ""), 0, "Make a table beside for " + is.plural()));
        steps.add(planned(
                new Step.MakeRecords(was.id(), rule.moving(moves)),
                answers.getOrDefault(new Question(was.id(), ""), Answer.NONE).records(),
                "Make " + is.plural() + " of " + proposal.get().label()
                        + (unites ? ", one for all that say the same" : "")));
        steps.add(planned(new Step.TakeTable(is.id(), ""), 0, "Take the table of " + is.plural() + " into use"));
        // without conditions it is known of each when it is made
        var among = isPlain(is) ? Step.Among.INCOMPLETE : Step.Among.ALL;
        steps.add(planned(
                new Step.CheckRecords(is.id(), among), rows, "Find which " + is.plural() + " satisfy the definition"));
        if (is.byId().values().stream().anyMatch(PlannedRecords::holdsFiles)) {
            steps.add(planned(new Step.NoteFiles(is.id()), rows, "Note which files " + is.plural() + " use"));
        }
        return steps;
    }

    /** Whether what a record needs depends on nothing. */
    private static boolean isPlain(RecordType recordType) {
        return recordType.groups().stream().allMatch(each -> each.showWhen().equals(Condition.ALWAYS))
                && recordType.byId().values().stream()
                        .allMatch(each -> each.showWhen().equals(Condition.ALWAYS));
    }

    static boolean holdsFiles(Field field) {
        return switch (field.kind()) {
            case Kind.Image _, Kind.File _, Kind.RichText _ -> true;
            case Kind.Plain _, Kind.Reference _, Kind.Nested _, Kind.Note _ -> false;
        };
    }

    /** The steps that make new rows or a new group of records that go, their tables apart; none where they come from nowhere. */
    List<Plan.PlannedStep> rows(RecordType is, Field place) {
        var possible = records.possible(place.id());
        if (possible.isEmpty()) {
            return List.of();
        }
        var best = records.proposed(place.id()).orElseThrow();
        long rows = answers.getOrDefault(new Question(best.was().id(), ""), Answer.NONE)
                .records();
        said().ask(is.id(), place.id(), place.label(), rows);
        said().hidden(is, place, best);
        var proposal = records.decided(place.id());
        if (proposal.isEmpty()) {
            return List.of();
        }
        said().alone(is, place, proposal.get().was());
        var rule = proposal.get().rule();
        // the moves speak of fields by the ids of the records that go
        var known = new HashMap<>(answers);
        var names = new HashMap<String, String>();
        rule.matched().forEach((row, record) -> {
            names.put(record, row);
            known.put(new Question(is.id(), record), answers.getOrDefault(new Question(is.id(), row), Answer.NONE));
        });
        var given = decisions.stream()
                .map(each -> each.about(rule.matched().getOrDefault(each.fieldId(), each.fieldId())))
                .toList();
        var asked = new ArrayList<PlanQuestion>();
        var found = new ArrayList<Finding>();
        var steps = new ArrayList<Plan.PlannedStep>();
        var view = new RowView(is, rule).type();
        var moves = moves(proposal.get(), proposal.get().was(), view, known, given, asked, found, 0, steps);
        asked.forEach(each -> asks.add(each.about(names.getOrDefault(each.fieldId(), each.fieldId()))));
        found.forEach(each -> findings.add(each.at(Place.field(
                is.id(), names.getOrDefault(each.place().field(), each.place().field()), ""))));
        steps.add(planned(
                new Step.MakeRows(is.id(), rule.moving(moves)),
                answers.getOrDefault(new Question(is.id(), ""), Answer.NONE).records(),
                "Make " + place.label() + " of " + proposal.get().label()));
        return steps;
    }

    private static Plan.PlannedStep planned(Step step, long rows, String sentence) {
        return new Plan.PlannedStep(step, rows, sentence);
    }

    private List<Move> moves(
            RecordProposal proposal,
            RecordType was,
            RecordType is,
            Map<Question, Answer> known,
            List<Decision> given,
            List<PlanQuestion> asked,
            List<Finding> found,
            long rows,
            List<Plan.PlannedStep> steps) {
        var questions = new FieldQuestions(is, goals, known, given, asked, found);
        var planned = new PlannedMoves(was, is, MovePlan.ofRecords(was, is, given), questions, goals, ids, found);
        var moves = new ArrayList<Move>();
        var title = proposal.rule().title();
        is.title().filter(_ -> !title.isEmpty()).ifPresent(field -> {
            planned.check(field, title);
            planned.empty(field, questions.answer(field.id()));
        });
        for (var field : is.byId().values()) {
            boolean mine = FieldStorage.of(field.kind()) != FieldStorage.NOT
                    && is.home(field.id()).table().isEmpty();
            boolean apart =
                    field.id().equals(proposal.rule().link()) || field.id().equals("part_title") && !title.isEmpty();
            if (mine && !apart && !planned.take(field) && field.required() && rows > 0) {
                fill(planned.filled(field, rows), field).ifPresent(moves::add);
            }
        }
        moves.addAll(planned.moves());
        steps.addAll(planned.terms());
        return moves;
    }

    /** Gives a field that nothing comes to a value; none where that is empty. */
    static Optional<Move> fill(String value, Field field) {
        return value.isEmpty()
                ? Optional.empty()
                : Optional.of(Move.own(field.id(), List.of()).filling(value));
    }
}
