package org.jontrel.core.plan;

import java.util.List;

/** One thing a run does, in the terms of definitions; the site engine knows the tables and columns. */
public sealed interface Step {
    String typeId();

    /** When it is done: {@code BESIDE} while everybody works on, {@code SWITCH} all at once, {@code AFTER} behind it. */
    enum Phase {
        BESIDE,
        SWITCH,
        AFTER
    }

    default Phase phase() {
        return switch (this) {
            case CreateTable _, AddColumn _, CopyColumn _, CarryBack _, DropBeside _ -> Phase.BESIDE;
            case SwitchColumns _, RenameTable _, HoldTable _, RestoreTable _, Redirect _ -> Phase.SWITCH;
            case CheckRecords _ -> Phase.AFTER;
        };
    }

    /** Whether it takes the same blink of time however many records there are. */
    default boolean instant() {
        return switch (this) {
            case CreateTable _,
                    AddColumn _,
                    DropBeside _,
                    SwitchColumns _,
                    RenameTable _,
                    HoldTable _,
                    RestoreTable _,
                    Redirect _ -> true;
            case CopyColumn _, CarryBack _, CheckRecords _ -> false;
        };
    }

    /** Makes the table of a type. */
    record CreateTable(String typeId) implements Step {}

    /** Adds an empty column for a field, beside the one it may replace. */
    record AddColumn(String typeId, String fieldId) implements Step {}

    /**
     * Fills the column beside, from the field's present column through its conversion, or with one value.
     *
     * @param fill value for records without one, as text in the field's form; empty for none
     */
    record CopyColumn(String typeId, String fieldId, String fill) implements Step {}

    /** Removes a column made beside that never came into use; it holds nothing but copies. */
    record DropBeside(String typeId, String fieldId) implements Step {}

    /**
     * Before an undo: writes what was entered since into the held column, as far as the older field can hold it.
     *
     * @param fill the value the run had filled with; it is no entry of a person's
     */
    record CarryBack(String typeId, String fieldId, String held, String fill) implements Step {}

    /** Gives all columns of a table their new names at once. */
    record SwitchColumns(String typeId, List<Turn> turns) implements Step {
        public SwitchColumns {
            turns = List.copyOf(turns);
        }
    }

    record RenameTable(String typeId, String before, String after) implements Step {}

    /** Takes a type's table out of use and keeps it under a name of its own. */
    record HoldTable(String typeId, String held) implements Step {}

    record RestoreTable(String typeId, String held) implements Step {}

    /** Old addresses of a type's pages lead to the new ones. */
    record Redirect(String typeId, String before, String after) implements Step {}

    /** Finds which records satisfy their definition and marks the others incomplete. */
    record CheckRecords(String typeId) implements Step {}

    /**
     * What becomes of one column in a switch.
     *
     * @param held short name under which its values are held or were held; empty where that does not matter
     */
    record Turn(Act act, String fieldId, String held) {}

    /** What a turn does. */
    enum Act {
        /** The column made beside becomes the field's. */
        TAKE,
        /** The field's column gets the name of its new key. */
        RENAME,
        /** The field's column goes out of use and keeps its values. */
        HOLD,
        /** The held column becomes the field's again. */
        RESTORE
    }
}
