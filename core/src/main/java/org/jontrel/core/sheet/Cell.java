package org.jontrel.core.sheet;

import org.jontrel.core.naming.VisibleText;

/**
 * What a cell holds, as one text: a number with a point for its decimals, a date as in ISO 8601, anything else as it stands.
 *
 * @param unit that the cell's own format gives a number, such as {@code %} or {@code EUR}; else empty
 */
public record Cell(CellSort sort, String text, String unit) {
    public Cell {
        text = VisibleText.unbroken(text);
    }

    public static final Cell EMPTY = text("");

    public static Cell text(String text) {
        return new Cell(CellSort.TEXT, text, "");
    }

    /** Whether there is nothing to read: no text but spaces. */
    public boolean isEmpty() {
        return sort != CellSort.ERROR && text.isBlank();
    }
}
