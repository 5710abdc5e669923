package org.jontrel.core.sheet;

import java.util.List;

/**
 * A column whose values come again in a column of another sheet (or of its own) that tells its rows apart.
 *
 * @param sheet index of the sheet with the column
 * @param column its index among the sheet's columns, as {@link ColumnFacts#index()}
 * @param separator between several values of one cell; empty where each cell has one
 * @param toSheet index of the sheet that is pointed at
 * @param toColumn the column there
 * @param distinct different values
 * @param found how many of them are there
 * @param missing the first that are not, where they were counted
 */
public record SheetLink(
        int sheet,
        int column,
        String separator,
        int toSheet,
        int toColumn,
        long distinct,
        long found,
        List<CountedText> missing) {
    public SheetLink {
        missing = List.copyOf(missing);
    }
}
