package org.jontrel.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jontrel.core.Samples;
import org.jontrel.core.code.Decision;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.testng.annotations.Test;

public class PlannerTest {
    private static final String TYPE = Samples.MOORING.id();
    private static final Field DEPTH =
            new Field("fdepth", "depth", "Depth", "", true, new Kind.Numeric(1, null, null, "m"));
    private final Planner planner = new Planner(new Ids(new Random(7)));

    private static Model withDepth() {
        var fields = new ArrayList<>(Samples.MOORING.fields().toList());
        fields.add(DEPTH);
        return Samples.withFields(fields);
    }

    private Plan plan(Model to, Answer answer, Decision... decisions) {
        Map<Question, Answer> answers = new HashMap<>();
        planner.questions(Samples.MODEL, to).forEach(question -> answers.put(question, answer));
        return planner.plan(Samples.MODEL, to, answers, List.of(decisions));
    }

    private static List<String> kinds(Plan plan) {
        return plan.steps().stream()
                .map(planned -> planned.step().getClass().getSimpleName())
                .toList();
    }

    @Test
    public void wordingAloneNeedsNoStep() {
        var plan = plan(
                Samples.with(Samples.NOTE.id(), f -> f.withLabel("Remarks")),
                new Answer(10, 0, 0, 0, List.of(), List.of()));
        assertEquals(plan.steps(), List.of());
        assertTrue(plan.runnable());
    }

    @Test
    public void aRenameIsOneInstantStep() {
        var plan = plan(
                Samples.with(Samples.NOTE.id(), f -> f.withKey("remarks")),
                new Answer(10, 0, 0, 0, List.of(), List.of()));
        assertEquals(kinds(plan), List.of("SwitchColumns"));
        assertTrue(plan.steps().getFirst().step().instant());
        assertEquals(plan.steps().getFirst().sentence(), "Moorings: rename note to remarks");
    }

    @Test
    public void aRequiredFieldAsksOnlyWhereThereAreRecords() {
        assertEquals(plan(withDepth(), Answer.NONE).asks(), List.of());
        var asked = plan(withDepth(), new Answer(34, 34, 0, 0, List.of(), List.of()));
        assertFalse(asked.runnable());
        assertEquals(asked.asks().getFirst().rows(), 34);
        assertEquals(asked.asks().getFirst().finding().code(), Code.PLAN_REQUIRED_EMPTY);
        var filled = plan(
                withDepth(),
                new Answer(34, 34, 0, 0, List.of(), List.of()),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "2"));
        assertTrue(filled.runnable());
        assertEquals(kinds(filled), List.of("AddColumn", "CopyColumn", "SwitchColumns", "CheckRecords"));
        var left = plan(
                withDepth(),
                new Answer(34, 34, 0, 0, List.of(), List.of()),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.LEAVE, ""));
        assertEquals(kinds(left), List.of("AddColumn", "SwitchColumns", "CheckRecords"));
    }

    @Test
    public void anAnswerToAnotherQuestionDoesNotCount() {
        var plan = plan(
                withDepth(),
                new Answer(1, 1, 0, 0, List.of(), List.of()),
                new Decision("fdepth", Decision.Topic.UNCONVERTED, Decision.Action.SET_ASIDE, ""));
        assertFalse(plan.runnable());
    }

    @Test
    public void theLaterOfTwoAnswersStands() {
        var plan = plan(
                withDepth(),
                new Answer(1, 1, 0, 0, List.of(), List.of()),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "nonsense"),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, "2"));
        assertTrue(plan.runnable());
    }

    @Test
    public void aFillThatDoesNotFitBlocks() {
        var plan = plan(
                withDepth(),
                new Answer(1, 1, 0, 0, List.of(), List.of()),
                new Decision("fdepth", Decision.Topic.REQUIRED_EMPTY, Decision.Action.FILL, ""));
        assertEquals(plan.findings().getFirst().code(), Code.PLAN_FILL_INVALID);
        assertFalse(plan.runnable());
    }

    @Test
    public void aChangeOfKindKeepsTheOldColumn() {
        var to = Samples.with(Samples.NAME.id(), f -> f.withKind(new Kind.Numeric(2, null, null, "m")));
        var plan = plan(to, new Answer(10, 1, 3, 0, List.of("8 ft 6 in"), List.of()));
        assertEquals(kinds(plan), List.of("AddColumn", "CopyColumn", "SwitchColumns", "CheckRecords", "RenewWords"));
        var turns = ((Step.SwitchColumns) plan.steps().get(2).step()).turns();
        assertEquals(
                turns.stream().map(Step.ColumnSwitch::act).toList(),
                List.of(Step.ColumnAction.HOLD, Step.ColumnAction.TAKE));
        assertEquals(plan.asks().getFirst().finding().code(), Code.PLAN_VALUES_UNCONVERTED);
        assertTrue(plan.asks().getFirst().finding().sentence().contains("8 ft 6 in"));
        assertEquals(plan.asks().getFirst().choices(), List.of(Decision.Action.SET_ASIDE));
    }

    @Test
    public void removalsSayHowMuchIsHeld() {
        var plan = plan(Model.EMPTY, new Answer(12, 0, 0, 0, List.of(), List.of()));
        assertEquals(plan.findings().getFirst().code(), Code.PLAN_RECORDS_HELD);
        assertEquals(kinds(plan), List.of("HoldTable"));
        assertTrue(plan.runnable());
    }

    @Test
    public void talliesCountEachValueOnce() {
        var to = Samples.NAME.withKind(new Kind.Numeric(1, null, BigDecimal.TEN, ""));
        var tally = new Tally(Samples.NAME, to);
        tally.add("7", 3);
        tally.add("12", 2);
        tally.add("about 9ft", 4);
        tally.add(null, 5);
        var answer = tally.answer();
        assertEquals(List.of(answer.records(), answer.empty(), answer.unconverted()), List.of(14L, 5L, 4L));
        assertEquals(answer.unconvertedExamples(), List.of("about 9ft"));
    }

    @Test
    public void undoTurnsEveryStepAround() {
        var done = List.<Step>of(
                new Step.CreateTable("tnew"),
                new Step.AddColumn(TYPE, "fa"),
                new Step.CopyColumn(TYPE, "fa", "1", ""),
                new Step.AddColumn(TYPE, "fb"),
                new Step.SwitchColumns(
                        TYPE,
                        "",
                        List.of(
                                new Step.ColumnSwitch(Step.ColumnAction.HOLD, "fa", "hold"),
                                        new Step.ColumnSwitch(Step.ColumnAction.TAKE, "fa", ""),
                                new Step.ColumnSwitch(Step.ColumnAction.HOLD, "fc", "hgone"),
                                        new Step.ColumnSwitch(Step.ColumnAction.RENAME, "fd", ""))),
                new Step.RenameTable(TYPE, "a", "b"),
                new Step.Redirect(TYPE, "as", "bs"),
                new Step.CheckRecords(TYPE));
        var undo = new UndoPlanner(new Ids(new Random(7))).steps(done);
        assertEquals(
                undo.stream().map(step -> step.getClass().getSimpleName()).toList(),
                List.of(
                        "CarryBack",
                        "DropBeside",
                        "Redirect",
                        "RenameTable",
                        "SwitchColumns",
                        "HoldTable",
                        "CheckRecords"));
        assertEquals(undo.getFirst(), new Step.CarryBack(TYPE, "fa", "hold", "1"));
        var acts = ((Step.SwitchColumns) undo.get(4))
                .turns().stream().map(turn -> turn.act() + " " + turn.fieldId()).toList();
        assertEquals(acts, List.of("RENAME fd", "RESTORE fc", "HOLD fa", "RESTORE fa"));
        assertTrue(new UndoPlanner(new Ids(new Random(7))).steps(List.of()).isEmpty());
    }
}
