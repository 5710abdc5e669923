package org.jontrel.core.plan.undo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.plan.SearchSteps;
import org.jontrel.core.plan.Step;
import org.jontrel.core.plan.fact.Question;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.retype.TypeMove;

/** Turns what a run did around: every held value comes back, and what was entered since goes along where it fits. */
public final class UndoPlanner {
    /** What is counted of records that became those of another type stands under this, in place of a field. */
    public static final String RETYPED = "*";

    private final Ids ids;

    public UndoPlanner(Ids ids) {
        this.ids = ids;
    }

    /**
     * What changed in a field since the run.
     *
     * @param carried entries that fit the older field
     * @param lost entries that do not; they are held
     */
    public record Since(long records, long carried, long lost) {
        public static final Since NOTHING = new Since(0, 0, 0);
    }

    /** The steps that undo the done ones, without counts; what to ask about is in them. */
    public List<Step> steps(List<Step> done) {
        var moved = new MovedBack(done);
        var fills = FilledValues.of(done);
        var made = done.stream()
                .filter(step -> step instanceof Step.CreateTable
                        || step instanceof Step.RestoreTable
                        || step instanceof Step.TakeTable(String _, String fieldId) && fieldId.isEmpty())
                .map(Step::recordTypeId)
                .collect(Collectors.toSet());
        var undo = new ArrayList<Step>();
        var retyped = new ArrayList<TypeMove>();
        boolean forth = false;
        for (var step : done.reversed()) {
            switch (step) {
                case Step.CreateTable(String recordTypeId) -> undo.add(new Step.HoldTable(recordTypeId, ids.next('h')));
                case Step.AddColumn(String recordTypeId, String fieldId) -> {
                    if (!moved.taken(recordTypeId, fieldId)) {
                        undo.add(new Step.DropBeside(recordTypeId, fieldId));
                    }
                }
                case Step.SwitchColumns(String recordTypeId, String table, List<Step.ColumnSwitch> turns) ->
                    turnAround(recordTypeId, table, turns, fills, undo);
                case Step.RenameTable(String recordTypeId, String before, String after) ->
                    undo.add(new Step.RenameTable(recordTypeId, after, before));
                case Step.HoldTable(String recordTypeId, String held) ->
                    undo.add(new Step.RestoreTable(recordTypeId, held));
                case Step.RestoreTable(String recordTypeId, String held) ->
                    undo.add(new Step.HoldTable(recordTypeId, held));
                case Step.Redirect redirect -> moved.of(redirect).ifPresent(undo::add);
                case Step.TakeTable(String recordTypeId, String fieldId) ->
                    undo.add(
                            fieldId.isEmpty()
                                    ? new Step.HoldTable(recordTypeId, ids.next('h'))
                                    : new Step.HoldOwn(recordTypeId, fieldId, ids.next('h')));
                case Step.AddTableBeside(String recordTypeId, String fieldId) -> {
                    if (!done.contains(new Step.TakeTable(recordTypeId, fieldId))) {
                        undo.add(new Step.DropTableBeside(recordTypeId, fieldId));
                    }
                }
                case Step.MakeTerms(String recordTypeId, String name) -> {
                    if (!made.contains(recordTypeId)) {
                        undo.add(new Step.WithdrawTerms(recordTypeId, name));
                    }
                }
                case Step.WithdrawTerms(String recordTypeId, String name) ->
                    undo.add(new Step.MakeTerms(recordTypeId, name));
                case Step.MakeRecords make ->
                    moved.of(make.recordTypeId(), make.rule(), true).ifPresent(undo::add);
                case Step.MakeRows make ->
                    moved.of(make.recordTypeId(), make.rule(), false).ifPresent(undo::add);
                case Step.CarryRecords carry ->
                    moved.of(carry.recordTypeId(), carry.rule(), !carry.toRows())
                            .ifPresent(undo::add);
                case Step.RetypeRecords retype -> retyped.addAll(0, retype.ways());
                case Step.CarryRetyped carry -> {
                    forth = !carry.forth();
                    retyped.clear();
                    retyped.addAll(carry.ways());
                }
                case Step.MoveValues move -> moved.of(move).ifPresent(undo::add);
                case Step.CarryMoved carry -> moved.of(carry).ifPresent(undo::add);
                case Step.AddTable(String recordTypeId, String fieldId) ->
                    undo.add(new Step.HoldOwn(recordTypeId, fieldId, ids.next('h')));
                case Step.HoldOwn(String recordTypeId, String fieldId, String held) ->
                    undo.add(new Step.RestoreOwn(recordTypeId, fieldId, held));
                case Step.RestoreOwn(String recordTypeId, String fieldId, String held) ->
                    undo.add(new Step.HoldOwn(recordTypeId, fieldId, held));
                case Step.StarterTerms(String recordTypeId) -> undo.add(new Step.StarterTerms(recordTypeId));
                case Step.Indexes(String recordTypeId) -> {
                    if (!made.contains(recordTypeId)) {
                        undo.add(new Step.Indexes(recordTypeId));
                    }
                }
                case Step.CheckRecords(String recordTypeId, Step.Among _) -> {
                    if (!made.contains(recordTypeId)) {
                        undo.add(new Step.CheckRecords(recordTypeId));
                    }
                }
                case Step.CopyColumn _,
                        Step.CarryBack _,
                        Step.CarryForth _,
                        Step.IndexColumn _,
                        Step.RenewWords _,
                        Step.NoteFiles _,
                        Step.DropTableBeside _,
                        Step.DropBeside _ -> {}
            }
        }
        undo.addAll(moved.of(retyped, forth));
        undo.sort(Comparator.comparing(Step::phase).thenComparing(UndoPlanner::concernsNames));
        return undo;
    }

    /** What was made for names comes and goes when everything that may lead to it is in its place. */
    private static boolean concernsNames(Step step) {
        return step instanceof Step.MakeTerms || step instanceof Step.WithdrawTerms;
    }

    /** The same with the words of records, which follow the values. */
    public List<Step> steps(Model from, Model to, List<Step> done) {
        var steps = new ArrayList<>(steps(done));
        steps.addAll(SearchSteps.of(from, to, steps));
        return steps;
    }

    private void turnAround(
            String recordTypeId,
            String table,
            List<Step.ColumnSwitch> turns,
            Map<String, FilledValues> fills,
            List<Step> undo) {
        var back = new ArrayList<Step.ColumnSwitch>();
        for (var turn : turns.reversed()) {
            back.add(
                    switch (turn.act()) {
                        case TAKE -> new Step.ColumnSwitch(Step.ColumnAction.HOLD, turn.fieldId(), ids.next('h'));
                        case HOLD -> new Step.ColumnSwitch(Step.ColumnAction.RESTORE, turn.fieldId(), turn.held());
                        case RESTORE -> new Step.ColumnSwitch(Step.ColumnAction.HOLD, turn.fieldId(), turn.held());
                        case RENAME -> turn;
                    });
            if (turn.act() == Step.ColumnAction.HOLD) {
                var made = fills.getOrDefault(recordTypeId + "/" + turn.fieldId(), FilledValues.NOTHING);
                if (has(turns, Step.ColumnAction.TAKE, turn.fieldId())) {
                    undo.add(new Step.CarryBack(
                            recordTypeId, turn.fieldId(), turn.held(), made.fill(), made.corrections()));
                } else if (has(turns, Step.ColumnAction.RESTORE, turn.fieldId())) {
                    undo.add(new Step.CarryForth(
                            recordTypeId, turn.fieldId(), turn.held(), made.fill(), made.corrections()));
                }
            }
        }
        undo.add(new Step.SwitchColumns(recordTypeId, table, back));
    }

    private static boolean has(List<Step.ColumnSwitch> turns, Step.ColumnAction act, String fieldId) {
        return turns.stream()
                .anyMatch(turn -> turn.act() == act && turn.fieldId().equals(fieldId));
    }

    /**
     * The undo as people read it before they do it.
     *
     * @param from the model the run led to
     * @param to the model it came from
     * @param since what {@link #steps} concern: by type and field for columns, by type alone for tables
     */
    public Plan plan(Model from, Model to, List<Step> steps, Map<Question, Since> since) {
        var planned = new ArrayList<Plan.PlannedStep>();
        var findings = new ArrayList<Finding>();
        for (var step : steps) {
            var was = from.definition(step.recordTypeId()).flatMap(each -> RecordType.of(from, each));
            var is = to.definition(step.recordTypeId()).flatMap(each -> RecordType.of(to, each));
            var type = was.or(() -> is);
            var name = type.map(RecordType::singular).orElse(step.recordTypeId());
            var whole = since.getOrDefault(new Question(step.recordTypeId(), ""), Since.NOTHING);
            switch (step) {
                case Step.CarryBack carry ->
                    findings.addAll(UndoFindings.carried(carry.recordTypeId(), carry.fieldId(), is, since));
                case Step.CarryForth carry ->
                    findings.addAll(UndoFindings.carried(carry.recordTypeId(), carry.fieldId(), is, since));
                case Step.CarryMoved carry ->
                    findings.addAll(UndoFindings.moved(carry, carry.forth() ? is : was, since));
                case Step.CarryRetyped carry ->
                    findings.addAll(UndoFindings.records(carry.recordTypeId(), was.or(() -> is), since));
                case Step.CarryRecords carry -> findings.addAll(UndoFindings.records(carry, from, to, since));
                case Step.HoldTable hold
                when whole.records() > 0 && !MovedBack.records(steps, hold.recordTypeId()) ->
                    findings.add(Finding.of(
                            Code.UNDO_RECORDS_HELD, Place.definition(hold.recordTypeId(), ""), name, whole.records()));
                case Step.HoldOwn(String recordTypeId, String fieldId, String _) -> {
                    long held = since.getOrDefault(new Question(recordTypeId, fieldId), Since.NOTHING)
                            .lost();
                    if (held > 0 && !MovedBack.copies(steps, recordTypeId, fieldId)) {
                        findings.add(Finding.of(
                                Code.UNDO_VALUES_HELD,
                                Place.field(recordTypeId, fieldId, ""),
                                UndoSentences.label(was, fieldId),
                                held));
                    }
                }
                case Step.SwitchColumns(String recordTypeId, String _, List<Step.ColumnSwitch> turns) ->
                    turns.stream()
                            .filter(turn -> turn.act() == Step.ColumnAction.HOLD)
                            .filter(turn -> !MovedBack.copies(steps, recordTypeId, turn.fieldId()))
                            .filter(turn ->
                                    is.flatMap(t -> t.field(turn.fieldId())).isEmpty())
                            .forEach(turn -> {
                                long held = since.getOrDefault(
                                                new Question(recordTypeId, turn.fieldId()), Since.NOTHING)
                                        .lost();
                                if (held > 0) {
                                    var label = was.flatMap(t -> t.field(turn.fieldId()))
                                            .map(Field::label)
                                            .orElse("");
                                    findings.add(Finding.of(
                                            Code.UNDO_VALUES_HELD,
                                            Place.field(recordTypeId, turn.fieldId(), ""),
                                            label,
                                            held));
                                }
                            });
                default -> {}
            }
            planned.add(new Plan.PlannedStep(
                    step, step.instant() ? 0 : whole.records(), UndoSentences.sentence(step, was, is, name)));
        }
        findings.sort(Finding.WORST_FIRST);
        return new Plan(planned, List.of(), findings);
    }
}
