package org.jontrel.core.plan;

import java.util.List;
import java.util.Map;
import org.jontrel.core.move.Move;
import org.jontrel.core.move.RecordMove;
import org.jontrel.core.retype.TypeMove;

/** One thing a run does, in the terms of definitions; the site engine knows the tables and columns. */
public sealed interface Step {
    String recordTypeId();

    /** When it is done: {@code BESIDE} while everybody works on, {@code SWITCH} all at once, {@code AFTER} behind it. */
    enum Phase {
        BESIDE,
        SWITCH,
        AFTER
    }

    default Phase phase() {
        return switch (this) {
            case AddColumn _,
                    CopyColumn _,
                    CarryBack _,
                    CarryForth _,
                    IndexColumn _,
                    DropBeside _,
                    AddTableBeside _,
                    MoveValues _,
                    CarryMoved _,
                    MakeRecords _,
                    MakeRows _,
                    CarryRecords _,
                    RetypeRecords _,
                    CarryRetyped _,
                    DropTableBeside _ -> Phase.BESIDE;
            case CreateTable _,
                    AddTable _,
                    TakeTable _,
                    MakeTerms _,
                    WithdrawTerms _,
                    SwitchColumns _,
                    RenameTable _,
                    HoldTable _,
                    RestoreTable _,
                    HoldOwn _,
                    RestoreOwn _,
                    Redirect _ -> Phase.SWITCH;
            case StarterTerms _, Indexes _, RenewWords _, NoteFiles _, CheckRecords _ -> Phase.AFTER;
        };
    }

    /** Whether it takes the same blink of time however many records there are. */
    default boolean instant() {
        return switch (this) {
            case CreateTable _,
                    AddColumn _,
                    AddTable _,
                    AddTableBeside _,
                    TakeTable _,
                    MakeTerms _,
                    WithdrawTerms _,
                    DropTableBeside _,
                    DropBeside _,
                    SwitchColumns _,
                    RenameTable _,
                    HoldTable _,
                    RestoreTable _,
                    HoldOwn _,
                    RestoreOwn _,
                    StarterTerms _,
                    IndexColumn _,
                    Indexes _,
                    Redirect _ -> true;
            case CopyColumn _,
                    CarryBack _,
                    CarryForth _,
                    MoveValues _,
                    CarryMoved _,
                    MakeRecords _,
                    MakeRows _,
                    CarryRecords _,
                    RetypeRecords _,
                    CarryRetyped _,
                    RenewWords _,
                    NoteFiles _,
                    CheckRecords _ -> false;
        };
    }

    /** Makes the tables of a content type, a taxonomy or site values. */
    record CreateTable(String recordTypeId) implements Step {}

    /** Adds an empty column for a field, beside the one it may replace. */
    record AddColumn(String recordTypeId, String fieldId) implements Step {}

    /**
     * Fills the column beside, from the field's present column through its conversion, or with one value.
     *
     * @param fill value for records without one, as text in the field's form; empty for none
     * @param held short name of held values that come back instead; empty for those of the present column
     * @param corrections as those of a conversion
     */
    record CopyColumn(String recordTypeId, String fieldId, String fill, String held, Map<String, String> corrections)
            implements Step {
        public CopyColumn {
            held = held == null ? "" : held;
            corrections = orNone(corrections);
        }

        /** Without corrections. */
        public CopyColumn(String recordTypeId, String fieldId, String fill, String held) {
            this(recordTypeId, fieldId, fill, held, Map.of());
        }
    }

    /** Journals of earlier versions have none. */
    private static Map<String, String> orNone(Map<String, String> corrections) {
        return corrections == null ? Map.of() : Map.copyOf(corrections);
    }

    /** Makes the table of a field that has one of its own, and those of the fields within it. */
    record AddTable(String recordTypeId, String fieldId) implements Step {}

    /**
     * Makes the tables of a field, and those of the fields within it, beside those in use.
     *
     * @param fieldId empty for all tables of the record type
     */
    record AddTableBeside(String recordTypeId, String fieldId) implements Step {}

    /** Writes the values that change their place into the columns and tables made beside. */
    record MoveValues(String recordTypeId, List<Move> moves) implements Step {
        public MoveValues {
            moves = List.copyOf(moves);
        }
    }

    /**
     * Makes records of rows, a group or fields, in the tables made beside, with what leads from one to the other.
     *
     * @param recordTypeId of what the rows are in
     */
    record MakeRecords(String recordTypeId, RecordMove rule) implements Step {}

    /**
     * Makes rows, or the values of a group, of records that go.
     *
     * @param recordTypeId of what the rows are in
     */
    record MakeRows(String recordTypeId, RecordMove rule) implements Step {}

    /**
     * Before such a run is undone, or its undo: writes what was entered since into what is held.
     *
     * @param held the short names under which the values are held that come back, by their fields; those of records by their type
     * @param toRows whether rows come back, rather than records
     */
    record CarryRecords(String recordTypeId, RecordMove rule, Map<String, String> held, boolean toRows)
            implements Step {
        public CarryRecords {
            held = Map.copyOf(held);
        }
    }

    /**
     * Writes the records of a content type into the tables made beside of those types that they are of from now on.
     *
     * @param ways in the order in which they are tried
     */
    record RetypeRecords(String recordTypeId, List<TypeMove> ways) implements Step {
        public RetypeRecords {
            ways = List.copyOf(ways);
        }
    }

    /**
     * Before such a run is undone, or its undo: writes what was entered since into the records that are held.
     *
     * @param recordTypeId of the type whose records are in use
     * @param ways all that the run takes, or took
     * @param held by the ids of the types whose records come back, the short names under which they are held
     * @param forth whether the newer types are those that come back
     */
    record CarryRetyped(String recordTypeId, List<TypeMove> ways, Map<String, String> held, boolean forth)
            implements Step {
        public CarryRetyped {
            ways = List.copyOf(ways);
            held = Map.copyOf(held);
        }
    }

    /** Notes which files the records use, so that none is removed which they need. */
    record NoteFiles(String recordTypeId) implements Step {}

    /** Takes the tables made beside for a field into use. */
    record TakeTable(String recordTypeId, String fieldId) implements Step {}

    /**
     * Makes the terms or records that moved values name and that are not there, or brings them back.
     *
     * @param recordTypeId of the taxonomy or content type
     * @param made name under which they were noted while values moved
     */
    record MakeTerms(String recordTypeId, String made) implements Step {}

    /** Takes away again that were made so, where nobody has changed them since. */
    record WithdrawTerms(String recordTypeId, String made) implements Step {}

    /** Removes tables made beside that never came into use; they hold nothing but copies. */
    record DropTableBeside(String recordTypeId, String fieldId) implements Step {}

    /**
     * Before an undo, or the undo of one: writes what was entered since into the columns and tables that are held, where nothing
     * is lost by it.
     *
     * @param moves what the run does, or did
     * @param held the short names under which the values are held that come back, by their fields
     * @param forth whether the newer values are those that come back
     */
    record CarryMoved(String recordTypeId, List<Move> moves, Map<String, String> held, boolean forth) implements Step {
        public CarryMoved {
            moves = List.copyOf(moves);
            held = Map.copyOf(held);
        }
    }

    /** Gives a column made beside the indexes that lists want of it, before it comes into use. */
    record IndexColumn(String recordTypeId, String fieldId) implements Step {}

    /** Removes a column made beside that never came into use; it holds nothing but copies. */
    record DropBeside(String recordTypeId, String fieldId) implements Step {}

    /**
     * Before an undo: writes what was entered since into the held column, as far as the older field can hold it.
     *
     * @param fill the value the run had filled with; it is no entry of a person's
     * @param corrections what the run made of values that it could not take over
     */
    record CarryBack(String recordTypeId, String fieldId, String held, String fill, Map<String, String> corrections)
            implements Step {
        public CarryBack {
            corrections = orNone(corrections);
        }
    }

    /**
     * Before the undo of an undo: writes what was entered since into the held column of the newer field, as the run did.
     *
     * @param fill the value that the run filled with
     * @param corrections what the run made of values that it could not take over
     */
    record CarryForth(String recordTypeId, String fieldId, String held, String fill, Map<String, String> corrections)
            implements Step {
        public CarryForth {
            corrections = orNone(corrections);
        }
    }

    /**
     * Gives all columns of a table their new names at once.
     *
     * @param table id of the field whose own table it is; empty for the records' table
     */
    record SwitchColumns(String recordTypeId, String table, List<ColumnSwitch> turns) implements Step {
        public SwitchColumns {
            turns = List.copyOf(turns);
        }
    }

    /** Gives the tables of a record type, also those of its fields, the names of its present keys. */
    record RenameTable(String recordTypeId, String before, String after) implements Step {}

    /** Takes all tables of a record type out of use and keeps them under names of their own. */
    record HoldTable(String recordTypeId, String held) implements Step {}

    record RestoreTable(String recordTypeId, String held) implements Step {}

    /** Takes the tables of a field out of use and keeps them under names of their own. */
    record HoldOwn(String recordTypeId, String fieldId, String held) implements Step {}

    record RestoreOwn(String recordTypeId, String fieldId, String held) implements Step {}

    /** Makes the terms that a taxonomy begins with where they are missing; labels that nobody changed follow. */
    record StarterTerms(String recordTypeId) implements Step {}

    /** Makes and drops indexes so that lists and filters are quick; nobody waits for it. */
    record Indexes(String recordTypeId) implements Step {}

    /**
     * Old addresses of pages lead to the new ones.
     *
     * @param from id of the type that had its pages at the old ones, where it was another; empty where it was the same
     */
    record Redirect(String recordTypeId, String before, String after, String from) implements Step {
        public Redirect {
            // journals of earlier versions have none
            from = from == null ? "" : from;
        }

        /** Of a type that stays. */
        public Redirect(String recordTypeId, String before, String after) {
            this(recordTypeId, before, after, "");
        }
    }

    /** Brings the words that searching finds records by up to date. */
    record RenewWords(String recordTypeId) implements Step {}

    /**
     * Finds which records satisfy their definition and marks the others incomplete.
     *
     * @param among in journals of before there was a choice it is missing, which means all
     */
    record CheckRecords(String recordTypeId, Among among) implements Step {
        public CheckRecords {
            among = among == null ? Among.ALL : among;
        }

        public CheckRecords(String recordTypeId) {
            this(recordTypeId, Among.ALL);
        }
    }

    /** Which records are looked at. */
    enum Among {
        ALL,
        /** Those that were incomplete, and those saved while the run was under way: of the others it is known. */
        INCOMPLETE
    }

    /**
     * What becomes of one column in a switch.
     *
     * @param held short name under which its values are held or were held; empty where that does not matter
     */
    record ColumnSwitch(ColumnAction act, String fieldId, String held) {}

    /** What a turn does. */
    enum ColumnAction {
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
