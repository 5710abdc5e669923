package org.jontrel.core.plan.undo;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jontrel.core.Samples;
import org.jontrel.core.model.Model;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.plan.Plan;
import org.jontrel.core.plan.Step;
import org.jontrel.core.retype.TypeCondition;
import org.jontrel.core.retype.TypeMove;
import org.testng.annotations.Test;

/** What steps say, and when they are done. */
public class StepTest {
    private static final String TYPE = Samples.MOORING.id();
    private static final String NOTE = Samples.NOTE.id();
    private final UndoPlanner planner = new UndoPlanner(new Ids(new Random(7)));

    /** One of each. */
    private static final RecordMove RULE =
            new RecordMove("tnote", NOTE, "flink", false, Map.of(), "", false, "", List.of());

    private static final TypeMove WAY = new TypeMove(TYPE, "tother", TypeCondition.ALL, Map.of(), List.of());

    private static final List<Step> ALL = List.of(
            new Step.CreateTable(TYPE),
            new Step.AddColumn(TYPE, NOTE),
            new Step.CopyColumn(TYPE, NOTE, "", ""),
            new Step.AddTable(TYPE, NOTE),
            new Step.IndexColumn(TYPE, NOTE),
            new Step.DropBeside(TYPE, NOTE),
            new Step.AddTableBeside(TYPE, NOTE),
            new Step.DropTableBeside(TYPE, NOTE),
            new Step.MoveValues(TYPE, List.of(Move.own(NOTE, List.of(NOTE)))),
            new Step.CarryMoved(TYPE, List.of(Move.own(NOTE, List.of(NOTE))), Map.of(NOTE, "h"), false),
            new Step.MakeRecords(TYPE, RULE),
            new Step.MakeRows(TYPE, RULE),
            new Step.CarryRecords(TYPE, RULE, Map.of(), true),
            new Step.RetypeRecords(TYPE, List.of(WAY)),
            new Step.CarryRetyped(TYPE, List.of(WAY), Map.of(), false),
            new Step.NoteFiles(TYPE),
            new Step.TakeTable(TYPE, NOTE),
            new Step.MakeTerms(TYPE, "h"),
            new Step.WithdrawTerms(TYPE, "h"),
            new Step.CarryBack(TYPE, NOTE, "h", "", Map.of()),
            new Step.CarryForth(TYPE, NOTE, "h", "", Map.of()),
            new Step.SwitchColumns(TYPE, "", List.of(new Step.ColumnSwitch(Step.ColumnAction.HOLD, NOTE, "h"))),
            new Step.RenameTable(TYPE, "a", "b"),
            new Step.HoldTable(TYPE, "h"),
            new Step.RestoreTable(TYPE, "h"),
            new Step.HoldOwn(TYPE, NOTE, "h"),
            new Step.RestoreOwn(TYPE, NOTE, "h"),
            new Step.StarterTerms(TYPE),
            new Step.Indexes(TYPE),
            new Step.Redirect(TYPE, "a", "b"),
            new Step.RenewWords(TYPE),
            new Step.CheckRecords(TYPE));

    @Test
    public void everyStepHasItsTime() {
        assertEquals(ALL.size(), Step.class.getPermittedSubclasses().length);
        Map<String, List<String>> phases = new java.util.TreeMap<>();
        ALL.forEach(step -> phases.computeIfAbsent(
                        step.phase() + (step.instant() ? " at once" : " for each record"), _ -> new ArrayList<>())
                .add(step.getClass().getSimpleName()));
        assertEquals(
                phases,
                Map.of(
                        "BESIDE at once",
                                List.of("AddColumn", "IndexColumn", "DropBeside", "AddTableBeside", "DropTableBeside"),
                        "BESIDE for each record",
                                List.of(
                                        "CopyColumn",
                                        "MoveValues",
                                        "CarryMoved",
                                        "MakeRecords",
                                        "MakeRows",
                                        "CarryRecords",
                                        "RetypeRecords",
                                        "CarryRetyped",
                                        "CarryBack",
                                        "CarryForth"),
                        "SWITCH at once",
                                List.of(
                                        "CreateTable",
                                        "AddTable",
                                        "TakeTable",
                                        "MakeTerms",
                                        "WithdrawTerms",
                                        "SwitchColumns",
                                        "RenameTable",
                                        "HoldTable",
                                        "RestoreTable",
                                        "HoldOwn",
                                        "RestoreOwn",
                                        "Redirect"),
                        "AFTER at once", List.of("StarterTerms", "Indexes"),
                        "AFTER for each record", List.of("NoteFiles", "RenewWords", "CheckRecords")));
    }

    @Test
    public void everyStepIsASentenceOfTheModelsWords() {
        var plan = planner.plan(Samples.MODEL, Samples.MODEL, ALL, Map.of());
        assertEquals(
                plan.steps().stream().map(Plan.PlannedStep::sentence).toList(),
                List.of(
                        "Make a table for Mooring",
                        "Add a column for Note",
                        "Copy Note",
                        "Make a table for Note",
                        "Make lists of Mooring quick",
                        "Remove the unused copy of Note",
                        "Make a table beside for Note",
                        "Remove the unused copy of Note",
                        "Move values to Note",
                        "Carry over what changed in Note since",
                        "Make records of Note",
                        "Make Note of records",
                        "Carry over what changed in Note since",
                        "Write records of Mooring as what they are from now on",
                        "Carry over what changed in records of Mooring since",
                        "Note which files records of Mooring use",
                        "Take the table of Note into use",
                        "Bring back the records of Mooring that the run made",
                        "Take away the records of Mooring that the run made",
                        "Carry over what changed in Note since",
                        "Carry over what changed in Note since",
                        "Moorings: hold the values of Note",
                        "Rename the table a to b",
                        "Hold all records of Mooring",
                        "Bring back the records of Mooring",
                        "Hold the values of Note",
                        "Bring back the values of Note",
                        "Put back the labels of the terms of Mooring",
                        "Make lists of Mooring quick",
                        "Redirect a to b",
                        "Let searching find what Moorings hold now",
                        "Find which records of Mooring satisfy the definition"));
        var gone = planner.plan(Model.EMPTY, Model.EMPTY, List.of(new Step.RenewWords("tgone")), Map.of());
        assertEquals(gone.steps().getFirst().sentence(), "tgone");
    }
}
