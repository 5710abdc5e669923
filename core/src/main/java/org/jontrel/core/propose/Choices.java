package org.jontrel.core.propose;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What somebody chose instead of what was proposed; what is {@code null} stays as proposed. */
public record Choices(List<SheetChoice> sheets) {
    public static final Choices NONE = new Choices(List.of());

    public Choices {
        sheets = sheets == null ? List.of() : List.copyOf(sheets);
    }

    /**
     * @param sheet index of the sheet
     * @param role code of a {@link SheetRole}
     * @param name the noun, or the title of a list or of site values
     */
    public record SheetChoice(int sheet, String role, String name, List<ColumnChoice> columns) {
        public SheetChoice {
            columns = columns == null ? List.of() : List.copyOf(columns);
        }
    }

    /**
     * @param column index of the column
     * @param use code of a {@link ColumnUse}
     * @param kind code of a kind of field
     * @param many whether a cell has several values
     * @param required whether the field is required
     * @param alone whether the column is a field of its own, though it looks like one of rows
     * @param change whether a field that is there already becomes what the column says
     * @param joins spellings that are the same word as another, by the word they are
     */
    public record ColumnChoice(
            int column,
            String use,
            String kind,
            Boolean many,
            String label,
            Boolean required,
            Boolean alone,
            Boolean change,
            Map<String, String> joins) {
        private static final ColumnChoice NONE = new ColumnChoice(-1, null, null, null, null, null, null, null, null);

        public ColumnChoice {
            joins = joins == null ? Map.of() : Map.copyOf(joins);
        }
    }

    Optional<SheetChoice> sheet(int sheet) {
        return sheets.stream().filter(each -> each.sheet() == sheet).findFirst();
    }

    ColumnChoice column(int sheet, int column) {
        return sheet(sheet).stream()
                .flatMap(each -> each.columns().stream())
                .filter(each -> each.column() == column)
                .findFirst()
                .orElse(ColumnChoice.NONE);
    }
}
