package org.jontrel.site.record.write;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.ColumnUpdate;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.Statements;

/** Writes values of some fields into columns and tables that are not in use: made beside, or held. */
public final class PlacedValues {
    private final Binding.BoundTables places;
    private final RecordType recordType;
    private final Map<String, Binding.ValueTable> whole = new LinkedHashMap<>();

    /**
     * @param places the record type as the values are, with the columns and tables that take them
     * @param whole ids of the fields whose tables have nothing else in them
     */
    public PlacedValues(Binding.BoundTables places, Set<String> whole) {
        this.places = places;
        this.recordType = places.recordType();
        places.fields().forEach((fieldId, place) -> {
            if (whole.contains(fieldId)) {
                this.whole.put(fieldId, place);
            }
        });
    }

    /** Puts what each record has, by its id, in the place of what is there. All rows have ids. */
    public void write(Connection connection, Map<Long, Map<String, Object>> values) throws SQLException {
        if (values.isEmpty()) {
            return;
        }
        var rows = new LinkedHashMap<Long, RecordRows>();
        values.forEach((record, each) -> rows.put(record, RecordRows.of(recordType, each)));
        var ids = Jdbc.padded(rows.keySet()).toArray();
        for (var table : whole.entrySet()) {
            WholeRecords.removeEntries(connection, recordType, table.getKey(), table.getValue(), ids);
        }
        var statements = new Statements();
        var writer = new RecordTableWriter(
                new Binding.BoundTables(recordType, new Binding.ValueTable(places.name(), Map.of()), whole),
                statements);
        rows.forEach((record, each) -> writer.entries(record, RecordRows.EMPTY, each));
        statements.run(connection);
        columns(connection, "", places.own(), rows);
        for (var place : places.fields().entrySet()) {
            if (!whole.containsKey(place.getKey())) {
                columns(connection, place.getKey(), place.getValue(), rows);
            }
        }
    }

    private void columns(Connection connection, String tableId, Binding.ValueTable place, Map<Long, RecordRows> rows)
            throws SQLException {
        for (var field : recordType.columns(tableId)) {
            var column = place.columns().get(field.id());
            if (column == null || FieldStorage.of(field.kind()) != FieldStorage.COLUMN) {
                continue;
            }
            var update = new ColumnUpdate(
                    place.name(), column, tableId.isEmpty() ? List.of("id") : List.of("record_id", "id"), field.kind());
            rows.forEach((record, each) -> {
                if (tableId.isEmpty()) {
                    update.set(List.of(record), each.columns().get(field.id()));
                } else {
                    each.entries()
                            .getOrDefault(tableId, List.of())
                            .forEach(row -> update.set(
                                    List.of(record, row.id()), row.columns().get(field.id())));
                }
            });
            update.execute(connection);
        }
    }
}
