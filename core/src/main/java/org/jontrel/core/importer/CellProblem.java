package org.jontrel.core.importer;

import org.jontrel.core.finding.Finding;

/**
 * Why a row cannot be brought.
 *
 * @param column index of the column; -1 where it is about the whole row
 * @param text of the cell
 */
public record CellProblem(int column, String text, Finding finding) {
    /** For the column of the whole row. */
    public static final int ROW = -1;
}
