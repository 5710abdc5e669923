package org.jontrel.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.TypeView;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.fact.Answer;
import org.jontrel.core.plan.fact.Breach;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.retype.TypeMove;
import org.jontrel.core.retype.TypeMoves;

/**
 * The parts of a plan that make records of one content type those of another.
 *
 * @param goals what values that are names can lead to
 * @param asks takes up what is asked
 * @param findings takes up what is said
 */
record PlannedTypes(
        TypeMoves types,
        Map<Question, Answer> answers,
        List<Decision> decisions,
        NameGoals goals,
        Ids ids,
        List<PlanQuestion> asks,
        List<Finding> findings) {
    /** Whether a type's tables are made anew, with all that changes in it. */
    boolean has(String recordTypeId) {
        return types.members().contains(recordTypeId);
    }

    private Answer answer(String recordTypeId, String fieldId) {
        return answers.getOrDefault(new Question(recordTypeId, fieldId), Answer.NONE);
    }

    private TypeQuestions said() {
        return new TypeQuestions(types, answers, asks, findings);
    }

    /** Asks what the records of types that go become, and whether some are records of new ones. */
    void ask() {
        said().ask();
    }

    /** The steps; what else the release would do to the same records in another way stands against it. */
    List<Plan.PlannedStep> steps(RecordMoves others) {
        if (types.isEmpty()) {
            return List.of();
        }
        said().against(others);
        var steps = new ArrayList<Plan.PlannedStep>();
        var is = types.are();
        is.forEach(each ->
                add(steps, new Step.AddTableBeside(each.id(), ""), 0, "Make a table beside for " + each.plural()));
        var moved = new LinkedHashMap<TypeMove, TypeMove>();
        is.forEach(each -> moved.putAll(into(each, steps)));
        types.were().forEach(was -> records(was, moved, steps));
        for (var each : is) {
            long records = answer(each.id(), "").records();
            add(steps, new Step.TakeTable(each.id(), ""), 0, "Take the table of " + each.plural() + " into use");
            add(
                    steps,
                    new Step.CheckRecords(each.id()),
                    records,
                    "Find which " + each.plural() + " satisfy the definition");
            if (each.byId().values().stream().anyMatch(PlannedRecords::holdsFiles)) {
                add(steps, new Step.NoteFiles(each.id()), records, "Note which files " + each.plural() + " use");
            }
        }
        return steps;
    }

    private static void add(List<Plan.PlannedStep> steps, Step step, long rows, String sentence) {
        steps.add(new Plan.PlannedStep(step, rows, sentence));
    }

    private void records(RecordType was, Map<TypeMove, TypeMove> moved, List<Plan.PlannedStep> steps) {
        var ways = types.ways(was.id()).stream().map(moved::get).toList();
        var whole = answer(was.id(), "");
        long records = whole.records();
        var to = types.are().stream()
                .filter(each -> ways.stream().anyMatch(way -> way.to().equals(each.id())))
                .toList();
        boolean stays = ways.stream().allMatch(TypeMove::stays);
        add(
                steps,
                new Step.RetypeRecords(was.id(), ways),
                records,
                stays
                        ? "Copy " + was.plural() + " to the new table"
                        : "Write " + was.plural() + " as " + TypeQuestions.labels(to));
        add(
                steps,
                new Step.HoldTable(was.id(), ids.next('h')),
                records,
                "Hold all records of " + was.singular() + " as they were");
        long left = whole.breaches().getOrDefault(Breach.LEFT, 0L);
        if (left > 0) {
            findings.add(Finding.of(Code.PLAN_RECORDS_HELD, Place.definition(was.id(), ""), was.singular(), left));
        }
        address(was, ways, steps);
    }

    private void address(RecordType was, List<TypeMove> ways, List<Plan.PlannedStep> steps) {
        var heir = ways.stream()
                .filter(TypeMove::stays)
                .findFirst()
                .or(() -> ways.isEmpty() ? Optional.empty() : Optional.of(ways.getLast()))
                .map(way -> types.is(way.to()));
        heir.filter(is -> !was.path().isEmpty()
                        && !is.path().isEmpty()
                        && !was.path().equals(is.path()))
                .ifPresent(is -> {
                    findings.add(Finding.of(
                            Code.PLAN_ADDRESS_CHANGES,
                            Place.definition(is.id(), "path"),
                            was.plural(),
                            was.path(),
                            is.path()));
                    var from = was.id().equals(is.id()) ? "" : was.id();
                    add(
                            steps,
                            new Step.Redirect(is.id(), was.path(), is.path(), from),
                            0,
                            "Redirect " + was.path() + " to " + is.path());
                });
        heir.ifPresent(is -> {
            long taken = answer(was.id(), "").breaches().getOrDefault(Breach.SLUG, 0L);
            if (taken > 0) {
                findings.add(Finding.of(
                        Code.PLAN_SLUGS_TAKEN, Place.definition(was.id(), ""), was.plural(), taken, is.plural()));
            }
        });
    }

    /** The ways into a type, each with what becomes of the values. */
    private Map<TypeMove, TypeMove> into(RecordType is, List<Plan.PlannedStep> steps) {
        var moved = new LinkedHashMap<TypeMove, TypeMove>();
        var made = new HashMap<String, String>();
        for (var was : types.were()) {
            for (var way : types.ways(was.id())) {
                if (way.to().equals(is.id())) {
                    moved.put(way, way.moving(moves(way, was, is, made, steps)));
                }
            }
        }
        return moved;
    }

    /** @param made by the ids of fields, the names under which something is made for names that none has */
    private List<Move> moves(
            TypeMove way, RecordType was, RecordType is, Map<String, String> made, List<Plan.PlannedStep> steps) {
        // what is asked of a field is asked once, of the records of all types that come
        var asked = new ArrayList<PlanQuestion>();
        var found = new ArrayList<Finding>();
        var view = new TypeView(was, way.matched()).type();
        // values that are held for a field stay so
        var known = new LinkedHashMap<Question, Answer>();
        is.byId()
                .keySet()
                .forEach(id ->
                        known.put(new Question(is.id(), id), answer(is.id(), id).offering(Optional.empty())));
        var questions = new FieldQuestions(is, goals, known, decisions, asked, found);
        var planned = new PlannedMoves(view, is, MovePlan.ofRecords(view, is, decisions), questions, goals, ids, found);
        var moves = new ArrayList<Move>();
        for (var field : is.byId().values()) {
            boolean mine = FieldStorage.of(field.kind()) != FieldStorage.NOT
                    && is.home(field.id()).table().isEmpty();
            long lacking = questions.answer(field.id()).empty();
            if (mine && !planned.take(field) && field.required() && lacking > 0) {
                PlannedRecords.fill(planned.filled(field, lacking), field).ifPresent(moves::add);
            }
        }
        // whichever type a record comes from, one term is made for one name
        planned.moves()
                .forEach(move -> moves.add(
                        move.makes().isEmpty()
                                ? move
                                : move.making(
                                        made.computeIfAbsent(move.target(), _ -> move.makes()), move.makesAll())));
        planned.terms().stream()
                .filter(each -> each.step() instanceof Step.MakeTerms terms && made.containsValue(terms.made()))
                .forEach(steps::add);
        asked.stream()
                .filter(each -> asks.stream()
                        .noneMatch(one -> one.fieldId().equals(each.fieldId()) && one.about() == each.about()))
                .toList()
                .forEach(asks::add);
        found.stream().filter(each -> !findings.contains(each)).toList().forEach(findings::add);
        held(way, was, is, moves);
        return moves;
    }

    /** Says which values nothing takes over. */
    private void held(TypeMove way, RecordType was, RecordType is, List<Move> moves) {
        var taken = new HashSet<String>();
        moves.forEach(each -> taken.addAll(each.sources()));
        for (var field : left(way, was, taken)) {
            long filled = answer(is.id(), field.id()).filled();
            if (filled > 0) {
                findings.add(Finding.of(
                        Code.PLAN_VALUES_HELD, Place.field(was.id(), field.id(), ""), field.label(), filled));
            }
        }
    }

    private static List<Field> left(TypeMove way, RecordType was, Set<String> taken) {
        return was.byId().values().stream()
                .filter(each -> FieldStorage.of(each.kind()) != FieldStorage.NOT
                        && was.home(each.id()).table().isEmpty())
                .filter(each -> !taken.contains(way.matched().getOrDefault(each.id(), each.id())))
                .toList();
    }
}
