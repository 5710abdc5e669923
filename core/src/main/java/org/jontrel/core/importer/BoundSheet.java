package org.jontrel.core.importer;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.sheet.SheetFacts;
import org.jontrel.core.spelling.Reading;

/**
 * A sheet with its mapping, and what of the model both are about.
 *
 * @param index of the sheet
 * @param columns that go somewhere
 * @param findings what keeps it from being brought, and what somebody should know
 */
public record BoundSheet(
        int index, SheetMapping mapping, RecordType recordType, List<BoundColumn> columns, List<Finding> findings) {
    public BoundSheet {
        columns = List.copyOf(columns);
        findings = List.copyOf(findings);
    }

    /** Empty where nothing of the sheet is brought. */
    public static Optional<BoundSheet> of(int index, SheetFacts facts, SheetMapping mapping, Model model) {
        return mapping.use() == SheetMapping.SheetUse.SKIP
                ? Optional.empty()
                : Optional.of(new SheetBinder(index, facts, mapping, model).bind());
    }

    /** The content type or taxonomy with an id or a key. */
    public static Optional<RecordType> recordType(Model model, String to) {
        return model.definition(to)
                .or(() -> model.definitions().stream()
                        .map(Definition.class::cast)
                        .filter(each -> each.key().equals(to))
                        .filter(each -> each.sort() == Definition.Sort.TYPE || each.sort() == Definition.Sort.TAXONOMY)
                        .findFirst())
                .flatMap(each -> RecordType.of(model, each))
                .filter(each -> !each.single());
    }

    static Optional<Reading> reading(ColumnMapping mapping) {
        return Arrays.stream(Reading.values())
                .filter(each -> each.code().equals(mapping.reading()))
                .findFirst();
    }

    /** The first column with a goal other than a field. */
    public Optional<BoundColumn> column(ColumnMapping.Goal goal) {
        return columns.stream().filter(each -> each.goal() == goal).findFirst();
    }

    /** The column that tells which record a row is. */
    public Optional<BoundColumn> key() {
        return mapping.key().isBlank()
                ? Optional.empty()
                : columns.stream()
                        .filter(each -> ColumnNames.folded(each.name()).equals(ColumnNames.folded(mapping.key())))
                        .findFirst();
    }

    /** By what the key tells records, as in {@link ColumnMapping#by()}. */
    public Optional<String> keyBy() {
        return key().map(each -> by(recordType, each));
    }

    /** By what the values of a column tell the records of their own sheet; empty where they do not. */
    public static String by(RecordType recordType, BoundColumn column) {
        return switch (column.goal()) {
            case NUMBER -> ColumnMapping.BY_NUMBER;
            case ADDRESS -> ColumnMapping.BY_ADDRESS;
            case FIELD ->
                recordType
                                .title()
                                .filter(each -> each.id().equals(column.field().id()))
                                .isPresent()
                        ? ColumnMapping.BY_TITLE
                        : column.fields().size() == 1 ? column.field().key() : "";
            default -> "";
        };
    }

    /** The field whose rows or links the sheet has, where its rows are no records. */
    public Optional<Field> rowsOf() {
        return mapping.use() == SheetMapping.SheetUse.ROWS
                ? columns.stream()
                        .filter(each -> each.goal() == ColumnMapping.Goal.FIELD)
                        .map(each -> each.fields().getFirst())
                        .findFirst()
                : Optional.empty();
    }
}
