package org.jontrel.core.importer;

import java.util.Arrays;
import java.util.List;

/**
 * What a cell calls a record, a term or a file, which somebody has to look up.
 *
 * @param column index of the column
 * @param targets ids of the types or of the taxonomy; empty for a file
 * @param by how it is named, as in {@link ColumnMapping#by()}
 */
public record CellName(int column, List<String> targets, String by, ColumnMapping.WhenMissing missing, String text) {
    /** Labels from the outermost term on; the text alone where it is no way. */
    public List<String> path() {
        return by.equals(ColumnMapping.BY_PATH)
                ? Arrays.stream(text.split(">", -1)).map(String::strip).toList()
                : List.of(text);
    }
}
