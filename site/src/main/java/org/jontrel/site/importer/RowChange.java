package org.jontrel.site.importer;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jontrel.core.importer.SheetMapping;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.ValueTexts;
import org.jontrel.core.value.Link;
import org.jontrel.site.importer.chunk.ImportPlan;
import org.jontrel.site.importer.chunk.RecordChunk;
import org.jontrel.site.importer.name.ImportWork;
import org.jontrel.site.importer.row.StagedRows;
import org.jontrel.site.run.name.SiteNameLookup;
import org.jontrel.site.table.Binding;

/**
 * What a row would change.
 *
 * @param number of the row
 * @param fields that become other than they are
 */
public record RowChange(int number, List<FieldChange> fields) {
    /** A field of the record, as people read it; an empty text for an empty value. */
    public record FieldChange(String label, String was, String becomes) {}

    static List<RowChange> of(
            Connection connection, Binding binding, ImportWork work, ImportPlan plan, int sheet, List<Integer> numbers)
            throws SQLException {
        var bound = plan.sheet(sheet).filter(each -> each.mapping().use() == SheetMapping.SheetUse.RECORDS);
        if (bound.isEmpty() || !plan.runnable()) {
            return List.of();
        }
        var chunk = new RecordChunk(connection, binding, work, plan, bound.get());
        chunk.work(new StagedRows(connection, work.id()).numbered(sheet, numbers), false);
        var names = new SiteNameLookup(connection, binding, binding.model(), false);
        var changes = new ArrayList<RowChange>();
        var fields = bound.get().recordType().fields().toList();
        chunk.changes.forEach((number, change) -> changes.add(new RowChange(
                number,
                changes(
                        names,
                        fields,
                        change.before().map(it -> it.values()).orElse(Map.of()),
                        change.after().values()))));
        return changes;
    }

    private static List<FieldChange> changes(
            SiteNameLookup names, List<Field> fields, Map<String, Object> was, Map<String, Object> becomes) {
        return fields.stream()
                .filter(field -> !Objects.equals(was.get(field.id()), becomes.get(field.id())))
                .map(field -> new FieldChange(
                        field.label(),
                        text(names, field, was.get(field.id())),
                        text(names, field, becomes.get(field.id()))))
                .toList();
    }

    private static String text(SiteNameLookup names, Field field, Object value) {
        return value == null ? "" : ValueTexts.text(field, value, (of, reference) -> shown(names, of, reference));
    }

    /** Records that come with the same import have no name on the site yet. */
    private static String shown(SiteNameLookup names, Field field, Object reference) {
        return switch (reference) {
            case Link link -> names.name(field, link).orElseGet(() -> "#" + link.id());
            case Long id
            when field.kind() instanceof Kind.TermPick -> names.name(field, id).orElseGet(() -> "#" + id);
            default -> String.valueOf(reference);
        };
    }
}
