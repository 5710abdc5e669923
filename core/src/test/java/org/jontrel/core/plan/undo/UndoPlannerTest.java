package org.jontrel.core.plan.undo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jontrel.core.Samples;
import org.jontrel.core.finding.Code;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.plan.Step;
import org.jontrel.core.plan.fact.Question;
import org.testng.annotations.Test;

/** A run turned around. */
public class UndoPlannerTest {
    private static final String TYPE = Samples.MOORING.id();
    private static final String NOTE = Samples.NOTE.id();
    private final UndoPlanner planner = new UndoPlanner(new Ids(new Random(7)));

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
        assertEquals(undo.getFirst(), new Step.CarryBack(TYPE, "fa", "hold", "1", Map.of()));
        var acts = ((Step.SwitchColumns) undo.get(4))
                .turns().stream().map(turn -> turn.act() + " " + turn.fieldId()).toList();
        assertEquals(acts, List.of("RENAME fd", "RESTORE fc", "HOLD fa", "RESTORE fa"));
        assertTrue(new UndoPlanner(new Ids(new Random(7))).steps(List.of()).isEmpty());
    }

    @Test
    public void anUndoOfAnUndoCarriesForth() {
        var done = List.<Step>of(
                new Step.RestoreTable("told", "hold"),
                new Step.CarryBack(TYPE, NOTE, "hnew", "none", Map.of()),
                new Step.SwitchColumns(
                        TYPE,
                        "",
                        List.of(
                                new Step.ColumnSwitch(Step.ColumnAction.HOLD, NOTE, "hnew"),
                                new Step.ColumnSwitch(Step.ColumnAction.RESTORE, NOTE, "hold"))),
                new Step.HoldOwn(TYPE, "frows", "hrows"),
                new Step.StarterTerms(TYPE),
                new Step.Indexes(TYPE),
                new Step.Indexes("told"),
                new Step.CheckRecords("told"),
                new Step.RenewWords(TYPE));
        assertEquals(
                planner.steps(Samples.MODEL, Samples.MODEL, done),
                List.of(
                        new Step.CarryForth(TYPE, NOTE, "hnew", "none", Map.of()),
                        new Step.RestoreOwn(TYPE, "frows", "hrows"),
                        new Step.SwitchColumns(
                                TYPE,
                                "",
                                List.of(
                                        new Step.ColumnSwitch(Step.ColumnAction.HOLD, NOTE, "hold"),
                                        new Step.ColumnSwitch(Step.ColumnAction.RESTORE, NOTE, "hnew"))),
                        new Step.HoldTable("told", "hold"),
                        new Step.Indexes(TYPE),
                        new Step.StarterTerms(TYPE),
                        new Step.RenewWords(TYPE)));
    }

    private Plan plan(Map<Question, UndoPlanner.Since> since, Model from, Step... steps) {
        return planner.plan(from, Samples.MODEL, List.of(steps), since);
    }

    @Test
    public void whatWasEnteredSinceIsSaidBeforeItIsDone() {
        var newer = Samples.with(NOTE, f -> f.withLabel("Remarks"));
        var since = Map.of(
                new Question(TYPE, ""), new UndoPlanner.Since(12, 0, 0),
                new Question(TYPE, NOTE), new UndoPlanner.Since(12, 5, 2));
        var carried = plan(since, newer, new Step.CarryBack(TYPE, NOTE, "h", "", Map.of()));
        assertEquals(
                carried.findings().stream().map(finding -> finding.code()).toList(),
                List.of(Code.UNDO_VALUES_NOT_CARRIED, Code.UNDO_VALUES_CARRIED));
        assertEquals(carried.steps().getFirst().rows(), 12);
        assertEquals(carried.steps().getFirst().sentence(), "Carry over what changed in Note since");
        assertTrue(carried.findings().getFirst().sentence().contains("long text"));
        var held = plan(since, newer, new Step.HoldTable(TYPE, "h"));
        assertEquals(held.findings().getFirst().code(), Code.UNDO_RECORDS_HELD);
        assertTrue(held.findings().getFirst().sentence().contains("12"));
        assertEquals(held.steps().getFirst().rows(), 0);
        var own = plan(since, newer, new Step.HoldOwn(TYPE, NOTE, "h"));
        assertEquals(own.findings().getFirst().code(), Code.UNDO_VALUES_HELD);
        assertTrue(own.findings().getFirst().sentence().contains("Remarks"));
        assertEquals(own.steps().getFirst().sentence(), "Hold the values of Remarks");
        var nothing = plan(
                Map.of(),
                newer,
                new Step.CarryForth(TYPE, NOTE, "h", "", Map.of()),
                new Step.HoldTable(TYPE, "h"),
                new Step.HoldOwn(TYPE, NOTE, "h"));
        assertEquals(nothing.findings(), List.of());
    }

    @Test
    public void valuesOfAFieldThatGoesAreHeld() {
        var more = new ArrayList<>(Samples.MOORING.fields().toList());
        more.add(new Field("fnew", "fresh", "Fresh", "", false, Kind.Email.PLAIN));
        var hold = new Step.SwitchColumns(
                TYPE,
                "",
                List.of(
                        new Step.ColumnSwitch(Step.ColumnAction.HOLD, "fnew", "h"),
                        new Step.ColumnSwitch(Step.ColumnAction.RENAME, NOTE, "")));
        var since = Map.of(
                new Question(TYPE, "fnew"), new UndoPlanner.Since(3, 0, 3),
                new Question(TYPE, NOTE), new UndoPlanner.Since(3, 0, 3));
        var plan = plan(since, Samples.withFields(more), hold);
        assertEquals(plan.findings().size(), 1);
        assertEquals(plan.findings().getFirst().code(), Code.UNDO_VALUES_HELD);
        assertTrue(plan.findings().getFirst().sentence().contains("Fresh"));
        assertEquals(plan(Map.of(), Samples.withFields(more), hold).findings(), List.of());
    }
}
