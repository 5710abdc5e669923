package org.jontrel.site.record.write;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.value.Row;

/**
 * The values of one record as they go into tables.
 *
 * @param columns of the record's own table, by field id
 * @param entries of the fields' own tables, by field id, in order
 */
record RecordRows(Map<String, Object> columns, Map<String, List<FieldRow>> entries) {
    static final RecordRows EMPTY = new RecordRows(Map.of(), Map.of());

    /**
     * A row of a field's own table.
     *
     * @param row id of the row it stands in; 0 for the record itself
     * @param id of a repeater's row; 0 for everything else
     * @param payload a value, a link or the id of a term; {@code null} for a repeater's row
     * @param columns of a repeater's row, by field id
     */
    record FieldRow(long row, long id, int position, Object payload, Map<String, Object> columns) {}

    /** @param values with ids for all rows */
    static RecordRows of(RecordType recordType, Map<String, Object> values) {
        var flat = new RecordRows(new LinkedHashMap<>(), new LinkedHashMap<>());
        recordType.byId().values().stream()
                .filter(field -> FieldStorage.of(field.kind()) == FieldStorage.TABLE)
                .forEach(field -> flat.entries.put(field.id(), new ArrayList<>()));
        flat.take(recordType.fields().toList(), values, flat.columns, 0);
        return flat;
    }

    private void take(List<Field> fields, Map<String, Object> values, Map<String, Object> columnsOfRow, long row) {
        for (var field : fields) {
            var value = values.get(field.id());
            if (value == null) {
                continue;
            }
            switch (FieldStorage.of(field.kind())) {
                case NOT -> take(field.inner(), inner(value), columnsOfRow, row);
                case COLUMN -> columnsOfRow.put(field.id(), value);
                case TABLE -> {
                    var into = entries.get(field.id());
                    int position = 0;
                    for (var each : value instanceof List<?> list ? list : List.of(value)) {
                        if (each instanceof Row(long id, Map<String, Object> inner)
                                && field.kind() instanceof Kind.Repeater rows) {
                            var columns = new LinkedHashMap<String, Object>();
                            into.add(new FieldRow(row, id, position++, null, columns));
                            take(rows.fields(), inner, columns, id);
                        } else {
                            into.add(new FieldRow(row, 0, position++, each, Map.of()));
                        }
                    }
                }
            }
        }
    }

    @SuppressWarnings("unchecked") // groups are maps by field id
    private static Map<String, Object> inner(Object group) {
        return (Map<String, Object>) group;
    }
}
