package org.jontrel.site.record.read;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.value.Link;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.PhysicalNames;

/** The cells of a row, by the kind of the field they are of. */
final class RowCells {
    private RowCells() {}

    static RecordLoader.LoadedRow cell(ResultSet row, Field field, List<Field> columns) throws SQLException {
        long record = row.getLong(1);
        long rowId = row.getLong(2);
        return switch (field.kind()) {
            case Kind.Repeater _ -> {
                var values = new HashMap<String, Object>();
                for (int i = 0; i < columns.size(); i++) {
                    var value = ColumnValues.read(row, 4 + i, columns.get(i).kind());
                    if (value != null) {
                        values.put(columns.get(i).id(), value);
                    }
                }
                yield new RecordLoader.LoadedRow(record, rowId, row.getLong(3), values, null);
            }
            case Kind.Relation _ ->
                new RecordLoader.LoadedRow(record, rowId, 0, Map.of(), new Link(row.getString(3), row.getLong(4)));
            case Kind.Plain _, Kind.Reference _, Kind.FieldGroup _, Kind.Note _ ->
                new RecordLoader.LoadedRow(record, rowId, 0, Map.of(), ColumnValues.read(row, 3, field.kind()));
        };
    }

    static String payload(Field field, List<Field> columns, Binding.ValueTable place) {
        return switch (field.kind()) {
            case Kind.Repeater _ ->
                "id"
                        + columns.stream()
                                .map(each -> ", "
                                        + PhysicalNames.quoted(place.columns().get(each.id())))
                                .collect(Collectors.joining());
            case Kind.Relation _ -> "target_type, target_id";
            case Kind.TermPick _ -> "term_id";
            case Kind.Plain _, Kind.Image _, Kind.File _, Kind.FieldGroup _, Kind.Note _ ->
                PhysicalNames.quoted(place.columns().get(field.id()));
        };
    }
}
