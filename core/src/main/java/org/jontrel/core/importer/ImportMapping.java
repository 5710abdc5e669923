package org.jontrel.core.importer;

import java.util.List;
import java.util.Optional;

/** Where the rows and columns of the sheets of a workbook go; kept with a site under a name, and as a file. */
public record ImportMapping(List<SheetMapping> sheets) {
    public static final ImportMapping EMPTY = new ImportMapping(List.of());

    public ImportMapping {
        sheets = sheets == null ? List.of() : List.copyOf(sheets);
    }

    /** For the sheet of this name; where a workbook has one sheet and this one mapping, its name does not matter. */
    public Optional<SheetMapping> sheet(String name, boolean only) {
        return sheets.stream()
                .filter(each -> each.sheet().strip().equalsIgnoreCase(name.strip()))
                .findFirst()
                .or(() -> only && sheets.size() == 1 ? Optional.of(sheets.getFirst()) : Optional.empty());
    }

    /**
     * The same with a text of a column read as another.
     *
     * @param only whether the workbook has one sheet
     */
    public ImportMapping replacing(String sheet, boolean only, String column, String text, String as) {
        var here = sheet(sheet, only);
        return new ImportMapping(sheets.stream()
                .map(each -> here.filter(found -> found == each).isPresent() ? each.replacing(column, text, as) : each)
                .toList());
    }
}
