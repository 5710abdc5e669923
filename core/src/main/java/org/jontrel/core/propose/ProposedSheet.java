package org.jontrel.core.propose;

import java.util.List;

/**
 * What becomes of a sheet.
 *
 * @param sheet index of the sheet
 * @param definition id of what its rows become; of the type that gets the field, for a relation or rows of another; else empty
 * @param there whether that was there before
 * @param why in a clause
 * @param notes what else somebody should know before it is taken
 */
public record ProposedSheet(
        int sheet,
        SheetRole role,
        String noun,
        String definition,
        boolean there,
        String why,
        List<ProposedColumn> columns,
        List<String> notes) {
    public ProposedSheet {
        columns = List.copyOf(columns);
        notes = List.copyOf(notes);
    }
}
