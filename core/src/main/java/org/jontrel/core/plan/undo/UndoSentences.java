package org.jontrel.core.plan.undo;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Taxonomy;
import org.jontrel.core.move.Move;
import org.jontrel.core.plan.SearchSteps;
import org.jontrel.core.plan.Step;
import org.jontrel.core.plan.SwitchSentences;
import org.jontrel.core.recordtype.RecordType;

/** What the steps of an undo say. */
final class UndoSentences {
    private UndoSentences() {}

    static String sentence(Step step, Optional<RecordType> was, Optional<RecordType> is, String name) {
        var field = is.or(() -> was);
        return switch (step) {
            case Step.CreateTable _ -> "Make a table for " + name;
            case Step.AddColumn add -> "Add a column for " + label(field, add.fieldId());
            case Step.CopyColumn copy -> "Copy " + label(field, copy.fieldId());
            case Step.CarryBack carry -> "Carry over what changed in " + label(field, carry.fieldId()) + " since";
            case Step.CarryForth carry -> "Carry over what changed in " + label(field, carry.fieldId()) + " since";
            case Step.AddTableBeside add -> "Make a table beside for " + label(field, add.fieldId(), name);
            case Step.TakeTable take -> "Take the table of " + label(field, take.fieldId(), name) + " into use";
            case Step.DropTableBeside drop -> "Remove the unused copy of " + label(field, drop.fieldId(), name);
            case Step.MakeTerms _ -> "Bring back the " + made(was.or(() -> is)) + " of " + name + " that the run made";
            case Step.WithdrawTerms _ ->
                "Take away the " + made(was.or(() -> is)) + " of " + name + " that the run made";
            case Step.MoveValues move -> "Move values to " + labels(field, move.moves());
            case Step.CarryMoved carry ->
                "Carry over what changed in " + labels(was.or(() -> is), carry.moves()) + " since";
            case Step.MakeRecords make ->
                "Make records of " + label(field, make.rule().place());
            case Step.MakeRows make -> "Make " + label(field, make.rule().place()) + " of records";
            case Step.CarryRecords carry ->
                "Carry over what changed in "
                        + label(was.or(() -> is), carry.rule().place()) + " since";
            case Step.RetypeRecords _ -> "Write records of " + name + " as what they are from now on";
            case Step.CarryRetyped _ -> "Carry over what changed in records of " + name + " since";
            case Step.NoteFiles _ -> "Note which files records of " + name + " use";
            case Step.DropBeside drop -> "Remove the unused copy of " + label(field, drop.fieldId());
            case Step.SwitchColumns columns ->
                was.isPresent() && is.isPresent()
                        ? SwitchSentences.sentence(was.get(), is.get(), columns.turns())
                        : "Switch the columns of " + name;
            case Step.RenameTable rename -> "Rename the table " + rename.before() + " to " + rename.after();
            case Step.HoldTable _ -> "Hold all records of " + name;
            case Step.RestoreTable _ -> "Bring back the records of " + name;
            case Step.Redirect redirect -> "Redirect " + redirect.before() + " to " + redirect.after();
            case Step.AddTable add -> "Make a table for " + label(field, add.fieldId());
            case Step.HoldOwn hold -> "Hold the values of " + label(was.or(() -> is), hold.fieldId());
            case Step.RestoreOwn restore -> "Bring back the values of " + label(field, restore.fieldId());
            case Step.StarterTerms _ -> "Put back the labels of the terms of " + name;
            case Step.Indexes _, Step.IndexColumn _ -> "Make lists of " + name + " quick";
            case Step.RenewWords _ ->
                was.or(() -> is).map(SearchSteps::sentence).orElse(name);
            case Step.CheckRecords _ -> "Find which records of " + name + " satisfy the definition";
        };
    }

    private static String made(Optional<RecordType> type) {
        return type.filter(each -> each.definition() instanceof Taxonomy).isPresent() ? "terms" : "records";
    }

    private static String labels(Optional<RecordType> type, List<Move> moves) {
        return moves.stream().map(each -> label(type, each.target())).collect(Collectors.joining(", "));
    }

    private static String label(Optional<RecordType> type, String fieldId, String name) {
        return fieldId.isEmpty() ? name : label(type, fieldId);
    }

    static String label(Optional<RecordType> type, String fieldId) {
        return type.flatMap(t -> t.field(fieldId)).map(Field::label).orElse(fieldId);
    }
}
