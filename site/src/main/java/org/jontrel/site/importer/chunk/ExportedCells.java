package org.jontrel.site.importer.chunk;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;
import org.jontrel.core.importer.BoundColumn;
import org.jontrel.core.importer.BoundSheet;
import org.jontrel.core.importer.ColumnMapping;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.CellForms;
import org.jontrel.core.value.Link;
import org.jontrel.site.importer.row.StagedRow;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.run.name.SiteNameLookup;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.DatabaseException;
import org.jontrel.site.table.Jdbc;

/**
 * What was exported and comes back: a cell that still says what the export would say of its record now changes nothing. So formats,
 * rows and names that more than one record has, which a cell cannot tell, stay as they are.
 */
final class ExportedCells {
    private final Connection connection;
    private final Binding binding;
    private final SiteNameLookup names;
    private final Map<Long, StoredRecord> records = new HashMap<>();
    private final Map<Long, String> files = new HashMap<>();

    ExportedCells(Connection connection, Binding binding) {
        this.connection = connection;
        this.binding = binding;
        this.names = new SiteNameLookup(connection, binding, binding.model(), false);
    }

    /** Looks at the records of rows, where the sheet names them by their numbers as exports do. */
    void look(BoundSheet sheet, List<StagedRow> rows) throws SQLException {
        boolean exported = sheet.key()
                .filter(each -> each.goal() == ColumnMapping.Goal.NUMBER)
                .isPresent();
        var table = binding.table(sheet.recordType().id());
        if (exported && table.isPresent()) {
            var ids = rows.stream()
                    .filter(row -> !row.fresh() && row.record() != 0)
                    .map(StagedRow::record)
                    .toList();
            new RecordLoader(table.get()).byIds(connection, ids).forEach(record -> records.put(record.id(), record));
        }
    }

    /** Whether a cell of a row says what its record has. */
    BiPredicate<BoundColumn, String> of(StagedRow row) {
        var record = Optional.ofNullable(records.get(row.record()));
        return (column, text) -> column.fields().size() == 1
                && column.mapping().row() == 0
                && column.mapping().part().isEmpty()
                && record.filter(each -> CellForms.same(text, exported(column.field(), each)))
                        .isPresent();
    }

    private String exported(Field field, StoredRecord record) {
        var value = record.values().get(field.id());
        return value == null ? "" : CellForms.text(field, value, this::name);
    }

    private String name(Field field, Object reference) {
        return switch (reference) {
            case Link link -> names.name(field, link).orElse("");
            case Long id
            when field.kind() instanceof Kind.TermPick -> names.name(field, id).orElse("");
            case Long id -> files.computeIfAbsent(id, this::file);
            default -> "";
        };
    }

    private String file(long id) {
        try {
            return Jdbc.first(connection, "SELECT name FROM jontrel_media WHERE id = ?", row -> row.getString(1), id)
                    .orElse("");
        } catch (SQLException e) {
            throw new DatabaseException(e);
        }
    }
}
