package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.move.RelatedFields;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Offer;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.retype.TypeMoves;
import org.jontrel.core.work.Deadline;

/**
 * Finds what must be done to a site to bring it from one model to another: first its questions, then, with the answers
 * and the architect's decisions, the steps. It never guesses: what needs a person is an {@link PlanQuestion}.
 */
public final class Planner {
    static final List<Decision.Action> BACK_OR_NOT = List.of(Decision.Action.BRING_BACK, Decision.Action.LEAVE);

    private final Ids ids;

    /** @param ids gives names under which values are held */
    public Planner(Ids ids) {
        this.ids = ids;
    }

    private static SequencedMap<String, RecordType> recordTypes(Model model) {
        var recordTypes = new LinkedHashMap<String, RecordType>();
        RecordType.all(model).forEach(recordType -> recordTypes.put(recordType.id(), recordType));
        return recordTypes;
    }

    /** What {@link #plan} needs to know; in a fixed order. */
    public List<Question> questions(Model from, Model to, List<Decision> decisions) {
        var types = new TypeMoves(from, to, decisions);
        var questions = new LinkedHashSet<>(questions(from, to));
        types.were().forEach(was -> questions.add(new Question(was.id(), "")));
        types.are()
                .forEach(is -> is.byId().values().stream()
                        .filter(field -> is.home(field.id()).table().isEmpty()
                                && field.kind().holdsValue())
                        .forEach(field -> questions.add(new Question(is.id(), field.id()))));
        // what the records of one type have and the other has not
        types.were()
                .forEach(was -> types.ways(was.id())
                        .forEach(way -> was.byId().keySet().stream()
                                .filter(id -> was.home(id).table().isEmpty())
                                .forEach(id -> questions.add(new Question(way.to(), id)))));
        return List.copyOf(questions);
    }

    /** The same where nothing is decided. */
    public List<Question> questions(Model from, Model to) {
        var questions = new ArrayList<Question>();
        var after = recordTypes(to);
        for (var was : recordTypes(from).values()) {
            Deadline.check();
            var is = after.remove(was.id());
            if (!was.equals(is)) {
                questions.add(new Question(was.id(), ""));
            }
            if (is != null) {
                SourceProposal.proposedRelated(RelatedFields.seen(was, from, to, List.of()), is)
                        .forEach(id -> questions.add(new Question(was.id(), id)));
                is.byId().values().stream()
                        .filter(field -> was.field(field.id())
                                .map(before -> touches(before, field) || moved(was, is, field.id()))
                                .orElse(field.kind().holdsValue()))
                        .forEach(field -> questions.add(new Question(was.id(), field.id())));
                was.byId().values().stream()
                        .filter(field -> is.field(field.id()).isEmpty())
                        .forEach(field -> questions.add(new Question(was.id(), field.id())));
            }
        }
        after.keySet().forEach(added -> questions.add(new Question(added, "")));
        for (var id : new RecordMoves(from, to, List.of()).ids()) {
            Optional.ofNullable(after.get(id))
                    .ifPresent(is -> is.byId().values().stream()
                            .filter(field -> is.home(field.id()).table().isEmpty()
                                    && field.kind().holdsValue())
                            .forEach(field -> questions.add(new Question(id, field.id()))));
        }
        return questions;
    }

    /** Whether stored values have a part in what changed: names and wordings leave them alone. */
    private static boolean touches(Field before, Field after) {
        return !before.kind().equals(after.kind()) || after.required() && !before.required();
    }

    private static boolean moved(RecordType was, RecordType is, String fieldId) {
        return !was.home(fieldId).table().equals(is.home(fieldId).table());
    }

    /** The plan; questions without an answer count as no records. */
    public Plan plan(Model from, Model to, Map<Question, Answer> answers, List<Decision> decisions) {
        var steps = new ArrayList<Plan.PlannedStep>();
        var asks = new ArrayList<PlanQuestion>();
        var findings = new ArrayList<Finding>();
        var before = recordTypes(from);
        var after = recordTypes(to);
        var goals = NameGoals.of(from, to);
        var recordMoves = new RecordMoves(from, to, decisions);
        // what is held for it comes back instead, where the architect wants that
        answers.forEach((question, answer) -> {
            var id = question.fieldId().isEmpty() ? question.recordTypeId() : question.fieldId();
            if (answer.held().filter(Offer::fits).isPresent()
                    && PlanQuestion.isBack(
                            PlanQuestion.decided(decisions, id, Decision.Topic.HELD_VALUES, BACK_OR_NOT))) {
                recordMoves.leave(id);
            }
        });
        var ofTypes =
                new PlannedTypes(new TypeMoves(from, to, decisions), answers, decisions, goals, ids, asks, findings);
        ofTypes.ask();
        var ofRecords = new PlannedRecords(recordMoves, answers, decisions, goals, ids, asks, findings);
        for (var is : after.values()) {
            Deadline.check();
            var was = before.get(is.id());
            if (ofTypes.has(is.id())) {
                continue;
            }
            if (was == null) {
                add(is, answers, decisions, steps, asks, findings, ofRecords);
            } else {
                var questions = new FieldQuestions(is, goals, answers, decisions, asks, findings);
                var seen = RelatedFields.seen(was, from, to, SourceProposal.related(decisions));
                var moves =
                        new PlannedMoves(seen, is, new MovePlan(seen, is, decisions), questions, goals, ids, findings);
                new RecordTypePlan(was, is, ids, questions, moves, ofRecords, steps, findings).change();
            }
            starters(was, is, steps);
        }
        steps.addAll(ofTypes.steps(recordMoves));
        taken(before, after, findings);
        before.values().stream()
                .filter(was -> !after.containsKey(was.id()) && !ofTypes.has(was.id()))
                .forEach(was -> remove(was, answers, recordMoves, steps, findings));
        for (var step : SearchSteps.of(
                from, to, steps.stream().map(Plan.PlannedStep::step).toList())) {
            long records = answers.getOrDefault(new Question(step.recordTypeId(), ""), Answer.NONE)
                    .records();
            if (records > 0) {
                steps.add(new Plan.PlannedStep(step, records, SearchSteps.sentence(after.get(step.recordTypeId()))));
            }
        }
        steps.sort(Comparator.comparing(
                        (Plan.PlannedStep planned) -> planned.step().phase())
                .thenComparing(planned -> turn(planned.step())));
        findings.sort(Finding.WORST_FIRST);
        return new Plan(steps, asks, findings);
    }

    /**
     * What goes leaves its name first, then names move, then tables are made whose names are free by now; records are checked
     * when everything else is in its place.
     */
    private static int turn(Step step) {
        return switch (step) {
            case Step.HoldTable _, Step.HoldOwn _ -> 0;
            case Step.MakeTerms _, Step.WithdrawTerms _ -> 3;
            case Step.MakeRecords _, Step.MakeRows _ -> 2;
            case Step.CreateTable _,
                    Step.AddTable _,
                    Step.TakeTable _,
                    Step.IndexColumn _,
                    Step.RestoreTable _,
                    Step.RestoreOwn _,
                    Step.RenewWords _,
                    Step.CheckRecords _ -> 2;
            default -> 1;
        };
    }

    /** Old addresses redirect, but not where another definition has its pages at them now. */
    private static void taken(Map<String, RecordType> before, Map<String, RecordType> after, List<Finding> findings) {
        for (var is : after.values()) {
            var was = before.get(is.id());
            if (was == null || was.path().isEmpty() || was.path().equals(is.path())) {
                continue;
            }
            after.values().stream()
                    .filter(other -> other.path().equals(was.path()))
                    .forEach(other -> findings.add(Finding.of(
                            Code.PLAN_ADDRESS_TAKEN,
                            Place.definition(is.id(), "path"),
                            is.plural(),
                            was.path(),
                            other.plural())));
        }
    }

    /** A definition that was not there, or that comes back with what is held for it. */
    private static void add(
            RecordType is,
            Map<Question, Answer> answers,
            List<Decision> decisions,
            List<Plan.PlannedStep> steps,
            List<PlanQuestion> asks,
            List<Finding> findings,
            PlannedRecords records) {
        var offer = answers.getOrDefault(new Question(is.id(), ""), Answer.NONE).held();
        if (offer.filter(Offer::fits).isEmpty()) {
            offer.ifPresent(other -> findings.add(
                    Finding.of(Code.PLAN_HELD_DIFFERS, Place.definition(is.id(), ""), is.plural(), other.values())));
            steps.addAll(begun(is, records.made(is)));
            return;
        }
        var held = offer.get();
        var decision = PlanQuestion.decided(decisions, is.id(), Decision.Topic.HELD_VALUES, BACK_OR_NOT);
        asks.add(new PlanQuestion(
                Finding.of(Code.PLAN_HELD_RECORDS, Place.definition(is.id(), ""), is.plural(), held.values()),
                is.id(),
                is.id(),
                Decision.Topic.HELD_VALUES,
                held.values(),
                BACK_OR_NOT,
                decision));
        if (PlanQuestion.isBack(decision)) {
            steps.add(new Plan.PlannedStep(
                    new Step.RestoreTable(is.id(), held.held()), 0, "Bring back the records of " + is.singular()));
            steps.add(new Plan.PlannedStep(new Step.Indexes(is.id()), 0, "Make lists of " + is.plural() + " quick"));
            steps.add(new Plan.PlannedStep(
                    new Step.CheckRecords(is.id()),
                    held.values(),
                    "Find which " + is.plural() + " satisfy the definition"));
        } else {
            steps.addAll(begun(is, records.made(is)));
        }
    }

    /** Without records, or with those that are made of others. */
    private static List<Plan.PlannedStep> begun(RecordType is, List<Plan.PlannedStep> made) {
        return made.isEmpty()
                ? List.of(new Plan.PlannedStep(new Step.CreateTable(is.id()), 0, "Make a table for " + is.plural()))
                : made;
    }

    private static void starters(RecordType was, RecordType is, List<Plan.PlannedStep> steps) {
        if (is.definition() instanceof Taxonomy taxonomy
                && !taxonomy.terms().isEmpty()
                && !(was != null
                        && was.definition() instanceof Taxonomy known
                        && known.terms().equals(taxonomy.terms()))) {
            steps.add(new Plan.PlannedStep(
                    new Step.StarterTerms(is.id()),
                    taxonomy.allTerms().count(),
                    "Make the terms that " + is.plural() + " begin with"));
        }
    }

    private void remove(
            RecordType was,
            Map<Question, Answer> answers,
            RecordMoves moves,
            List<Plan.PlannedStep> steps,
            List<Finding> findings) {
        long records =
                answers.getOrDefault(new Question(was.id(), ""), Answer.NONE).records();
        if (records > 0 && !moves.takes(was.id())) {
            findings.add(Finding.of(Code.PLAN_RECORDS_HELD, Place.definition(was.id(), ""), was.singular(), records));
        }
        steps.add(new Plan.PlannedStep(
                new Step.HoldTable(was.id(), ids.next('h')), records, "Hold all records of " + was.singular()));
    }

    /** Whether a value goes over by a conversion of its own kind, in the place where it stands. */
    static boolean convertible(RecordType was, RecordType is, String fieldId) {
        var before = was.field(fieldId).orElseThrow();
        var after = is.field(fieldId).orElseThrow();
        var kept = FieldStorage.of(after.kind());
        return !moved(was, is, fieldId)
                && kept == FieldStorage.of(before.kind())
                && (kept != FieldStorage.TABLE
                        || before.kind().code().equals(after.kind().code()));
    }
}
