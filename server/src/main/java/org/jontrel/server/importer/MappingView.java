package org.jontrel.server.importer;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jontrel.core.importer.ColumnMapping;
import org.jontrel.core.importer.ImportMapping;
import org.jontrel.core.importer.SheetMapping;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.serve.web.Refusal;

/** Where the rows of a workbook go, as it is sent, kept and written to files. */
record MappingView(List<MappedSheet> sheets) {
    MappingView {
        sheets = sheets == null ? List.of() : List.copyOf(sheets);
    }

    /** Where the rows of one sheet go. */
    @Schema(requiredProperties = {"sheet"})
    record MappedSheet(
            @Schema(description = "Name of the sheet; of no meaning where the workbook and the mapping have one each")
            String sheet,

            @Schema(description = "records (the usual), rows of records that another column names, or skip")
            String use,

            @Schema(description = "Id or key of the content type or taxonomy")
            String to,

            @Schema(description = "Name of the column that tells which record a row is; empty where each is a new one")
            String key,

            @Schema(description = "all (the usual), new or changed")
            String mode,

            @Schema(
                    description =
                            "Of new records, where no column says another: draft (the usual), published, scheduled or retired")
            String state,

            @Schema(description = "Whether an empty cell empties its field in a record that is there")
            Boolean clears,

            List<MappedColumn> columns) {
        MappedSheet {
            columns = columns == null ? List.of() : List.copyOf(columns);
        }

        static MappedSheet of(SheetMapping sheet) {
            return new MappedSheet(
                    sheet.sheet(),
                    word(sheet.use()),
                    sheet.to(),
                    sheet.key(),
                    word(sheet.mode()),
                    sheet.state().code(),
                    sheet.clears(),
                    sheet.columns().stream().map(MappedColumn::of).toList());
        }

        SheetMapping mapping() {
            return new SheetMapping(
                    sheet,
                    read(SheetMapping.SheetUse.class, "use", use),
                    to,
                    key,
                    read(SheetMapping.Mode.class, "mode", mode),
                    read(RecordState.class, "state", state),
                    Boolean.TRUE.equals(clears),
                    columns.stream().map(MappedColumn::mapping).toList());
        }
    }

    /** Where the cells of one column go. */
    @Schema(requiredProperties = {"column"})
    record MappedColumn(
            @Schema(description = "Its header, with that of its group before it: Chamber / Length; or Column C")
            String column,

            @Schema(
                    description =
                            "field (the usual), number, address, state, parent, publish_at, retire_at, owner or skip")
            String goal,

            @Schema(description = "Id of the field, or its keys from the outermost on: chamber.length")
            String field,

            @Schema(
                    description =
                            "Which row of a repeater, or which of several values, the column is, from 1; 0 for all")
            Integer row,

            @Schema(description = "latitude or longitude of a place; else empty")
            String part,

            @Schema(description = "Between several values of one cell; else empty")
            String separator,

            @Schema(
                    description =
                            "How records and terms are named: title (the usual), address, number, path, or the key of a field")
            String by,

            @Schema(description = "What becomes of a name that nothing has: problem (the usual), make or leave")
            String missing,

            @Schema(
                    description =
                            "day_first, month_first, decimal_comma or thousands_comma, for texts that can be read in two ways")
            String reading,

            @Schema(description = "Texts that are read as others; as an empty one, where nothing is meant")
            Map<String, String> replace) {
        static MappedColumn of(ColumnMapping column) {
            return new MappedColumn(
                    column.column(),
                    word(column.goal()),
                    column.field(),
                    column.row(),
                    column.part(),
                    column.separator(),
                    column.by(),
                    word(column.missing()),
                    column.reading(),
                    column.replace());
        }

        ColumnMapping mapping() {
            return new ColumnMapping(
                    column,
                    read(ColumnMapping.Goal.class, "goal", goal),
                    field,
                    row == null ? 0 : row,
                    part,
                    separator,
                    by,
                    read(ColumnMapping.WhenMissing.class, "missing", missing),
                    reading,
                    replace);
        }
    }

    static MappingView of(ImportMapping mapping) {
        return new MappingView(mapping.sheets().stream().map(MappedSheet::of).toList());
    }

    /** @throws Refusal where a word is none of those that are meant */
    ImportMapping mapping() {
        return new ImportMapping(sheets.stream().map(MappedSheet::mapping).toList());
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }

    /** {@code null} where nothing is said. */
    private static <E extends Enum<E>> E read(Class<E> words, String property, String text) {
        if (text == null || text.isBlank()) {
            return null;
        }
        return Arrays.stream(words.getEnumConstants())
                .filter(each -> word(each).equals(text.strip().toLowerCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() -> Refusal.invalid(
                        "The mapping says “" + text + "” for “" + property + "”. Write one of "
                                + String.join(
                                        ", ",
                                        Arrays.stream(words.getEnumConstants())
                                                .map(MappingView::word)
                                                .toList())
                                + ".",
                        List.of()));
    }

    /** One of these words. */
    static <E extends Enum<E>> E one(Class<E> words, String property, String text) {
        return read(words, property, text);
    }
}
