package org.jontrel.site.importer.row;

import java.util.List;

/**
 * A row of a workbook as it is kept.
 *
 * @param record number of the record that it is or becomes, or of the one that it belongs to; 0 where that is not known
 * @param fresh whether that record is new
 * @param level 0 where it stands under nothing of the same import, else one more than what it stands under
 */
public record StagedRow(
        int sheet, int number, List<String> cells, long record, boolean fresh, int level, RowOutcome outcome) {}
