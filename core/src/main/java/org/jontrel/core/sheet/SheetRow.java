package org.jontrel.core.sheet;

import java.util.List;
import java.util.Map;

/**
 * One row of a sheet.
 *
 * @param number from 1, as the program that wrote the sheet counts; of a file of text, the line on which the row begins
 * @param cells from the first column on; none of those that are empty behind the last that is not
 * @param spans over how many columns a cell stretches, by its column, of those that stretch over several
 */
public record SheetRow(int number, List<Cell> cells, Map<Integer, Integer> spans) {
    public SheetRow {
        cells = List.copyOf(cells);
        spans = Map.copyOf(spans);
    }

    public SheetRow(int number, List<Cell> cells) {
        this(number, cells, Map.of());
    }

    /** The cell of a column, counted from 0; an empty one where the row is shorter. */
    public Cell cell(int column) {
        return column < cells.size() ? cells.get(column) : Cell.EMPTY;
    }

    public boolean isEmpty() {
        return cells.stream().allMatch(Cell::isEmpty);
    }

    /** The letters of a column, counted from 0: A, B, …, Z, AA. */
    public static String letters(int column) {
        var letters = new StringBuilder();
        for (int rest = column; rest >= 0; rest = rest / 26 - 1) {
            letters.insert(0, (char) ('A' + rest % 26));
        }
        return letters.toString();
    }
}
