package org.jontrel.core.sheet;

import java.util.List;

/**
 * What a sheet was seen to hold.
 *
 * @param file that it is of
 * @param name of the sheet
 * @param hidden whether the program that wrote it does not show it
 * @param header row of the names of its columns, from 1; 0 where it has none
 * @param above rows that stand above the names and were left out
 * @param rows with values
 * @param columns that have a name or a value, in order
 * @param kept the texts of its rows, where it is small: few columns and no more than {@value SheetProfile#MOST_KEPT} rows; else empty
 * @param leftOut columns behind the most that are looked at
 */
public record SheetFacts(
        String file,
        String name,
        boolean hidden,
        int header,
        int above,
        long rows,
        List<ColumnFacts> columns,
        List<List<String>> kept,
        int leftOut) {
    public SheetFacts {
        columns = List.copyOf(columns);
        kept = kept.stream().map(List::copyOf).toList();
    }
}
