package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
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
import org.jontrel.core.plan.fact.Breach;
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
    /** The steps that make the records of a new content type; none where they come from nowhere. */
    List<Plan.PlannedStep> made(RecordType is) {
        long rows = answers.getOrDefault(new Question(is.id(), ""), Answer.NONE).records();
        ask(is.id(), is.id(), is.plural(), rows);
        alike(is, records.unites(is.id()));
        var proposal = records.decided(is.id());
        if (proposal.isEmpty()) {
            return List.of();
        }
        var was = proposal.get().was();
        boolean unites = records.unites(is.id());
        var rule = proposal.get().rule().uniting(unites ? ids.next('h') : "");
        tooMany(was, rule.link(), is);
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

    private long breach(RecordType is, Breach breach) {
        return answers.getOrDefault(new Question(is.id(), ""), Answer.NONE)
                .breaches()
                .getOrDefault(breach, 0L);
    }

    /** Says that one record could stand for several rows, and where records that are made so have one title. */
    private void alike(RecordType is, boolean unites) {
        long alike = breach(is, Breach.ALIKE);
        long twice = breach(is, Breach.TWICE);
        var place = Place.definition(is.id(), "");
        if (alike > 0 && !unites) {
            findings.add(Finding.of(Code.PLAN_RECORDS_ALIKE, place, is.plural(), alike));
        }
        if (twice > 0 && unites) {
            findings.add(Finding.of(Code.PLAN_TITLES_ALIKE, place, is.plural(), twice));
        }
    }

    /** Whether what a record needs depends on nothing. */
    private static boolean isPlain(RecordType recordType) {
        return recordType.groups().stream().allMatch(each -> each.showWhen().equals(Condition.ALWAYS))
                && recordType.byId().values().stream()
                        .allMatch(each -> each.showWhen().equals(Condition.ALWAYS));
    }

    private static boolean holdsFiles(Field field) {
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
        ask(is.id(), place.id(), place.label(), rows);
        hidden(is, place, best);
        var proposal = records.decided(place.id());
        if (proposal.isEmpty()) {
            return List.of();
        }
        alone(is, place, proposal.get().was());
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

    private void tooMany(RecordType was, String link, RecordType is) {
        long many = answers.getOrDefault(new Question(was.id(), link), Answer.NONE)
                .breaches()
                .getOrDefault(Breach.TOO_MANY, 0L);
        if (many > 0) {
            findings.add(Finding.of(Code.PLAN_TOO_MANY, Place.field(was.id(), link, ""), is.plural(), many));
        }
    }

    /** Rows have no state of their own: what nobody was to see yet may be seen. */
    private void hidden(RecordType is, Field place, RecordProposal proposal) {
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
    private void alone(RecordType is, Field place, RecordType records) {
        long alone = answers.getOrDefault(new Question(is.id(), place.id()), Answer.NONE)
                .breaches()
                .getOrDefault(Breach.ROWLESS, 0L);
        if (alone > 0) {
            findings.add(
                    Finding.of(Code.PLAN_RECORDS_HELD, Place.definition(records.id(), ""), records.singular(), alone));
        }
    }

    private static Plan.PlannedStep planned(Step step, long rows, String sentence) {
        return new Plan.PlannedStep(step, rows, sentence);
    }

    private void ask(String recordTypeId, String id, String label, long rows) {
        var possible = records.possible(id);
        var answer = records.answer(id);
        if (possible.isEmpty() || rows == 0 && answer.isEmpty()) {
            return;
        }
        boolean isType = recordTypeId.equals(id);
        var place = isType ? Place.definition(id, "") : Place.field(recordTypeId, id, "");
        var best = records.proposed(id).orElseThrow();
        asks.add(new PlanQuestion(
                Finding.of(isType ? Code.PLAN_RECORDS_MADE : Code.PLAN_ROWS_MADE, place, label, best.label(), rows),
                recordTypeId,
                id,
                Decision.Topic.RECORDS,
                rows,
                records.choices(
                        id,
                        isType
                                ? answers.getOrDefault(new Question(id, ""), Answer.NONE)
                                        .breaches()
                                        .getOrDefault(Breach.ALIKE, 0L)
                                : 0),
                answer,
                List.of(),
                best.answer()));
        if (records.isUnknown(id)) {
            findings.add(Finding.of(
                    Code.PLAN_RECORDS_UNKNOWN, place, label, answer.get().value(), records.paths(id)));
        }
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

    private static Optional<Move> fill(String value, Field field) {
        return value.isEmpty()
                ? Optional.empty()
                : Optional.of(Move.own(field.id(), List.of()).filling(value));
    }
}
