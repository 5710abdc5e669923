package org.jontrel.core.importer;

import java.util.List;
import java.util.Objects;
import org.jontrel.core.model.condition.RecordState;

/**
 * Where the rows of a sheet go.
 *
 * @param sheet its name
 * @param use what its rows are
 * @param to id of the content type or taxonomy, or its key in a file that somebody wrote
 * @param key the column that tells which record a row is; empty where each row is a new one
 * @param mode which rows are brought
 * @param state of records that are new, unless a column says another
 * @param clears whether an empty cell empties its field in a record that is there; else it is left as it is
 */
public record SheetMapping(
        String sheet,
        SheetUse use,
        String to,
        String key,
        Mode mode,
        RecordState state,
        boolean clears,
        List<ColumnMapping> columns) {
    /** What the rows of a sheet are. */
    public enum SheetUse {
        /** Each row is a record or a term. */
        RECORDS,
        /** Rows of a repeater, or links, of records that a column names. */
        ROWS,
        /** Nothing. */
        SKIP
    }

    /** Which rows are brought. */
    public enum Mode {
        /** New records and changes of those that are there. */
        ALL,
        /** Only what is not there yet. */
        NEW,
        /** Only what is there already. */
        CHANGED
    }

    public SheetMapping {
        sheet = Objects.requireNonNullElse(sheet, "");
        use = Objects.requireNonNullElse(use, SheetUse.RECORDS);
        to = Objects.requireNonNullElse(to, "");
        key = Objects.requireNonNullElse(key, "");
        mode = Objects.requireNonNullElse(mode, Mode.ALL);
        state = Objects.requireNonNullElse(state, RecordState.DRAFT);
        columns = columns == null ? List.of() : List.copyOf(columns);
    }

    SheetMapping replacing(String column, String text, String as) {
        return new SheetMapping(
                sheet,
                use,
                to,
                key,
                mode,
                state,
                clears,
                columns.stream()
                        .map(each -> each.column().equals(column) ? each.replacing(text, as) : each)
                        .toList());
    }

    public SheetMapping state(RecordState newState) {
        return new SheetMapping(sheet, use, to, key, mode, newState, clears, columns);
    }

    /** One of which nothing is brought. */
    public static SheetMapping skipped(String sheet) {
        return new SheetMapping(sheet, SheetUse.SKIP, "", "", Mode.ALL, RecordState.DRAFT, false, List.of());
    }
}
