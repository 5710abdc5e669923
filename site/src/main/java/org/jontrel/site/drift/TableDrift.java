package org.jontrel.site.drift;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Binding.ValueTable;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;

/** Tables and columns that are not what the installed definitions say: nothing can be planned on them. */
public final class TableDrift {
    private final Connection connection;
    private final Binding binding;
    private final List<Finding> findings = new ArrayList<>();

    private TableDrift(Connection connection, Binding binding) {
        this.connection = connection;
        this.binding = binding;
    }

    public static List<Finding> of(Connection connection, Binding binding) throws SQLException {
        var drift = new TableDrift(connection, binding);
        for (var recordType : RecordType.all(binding.model())) {
            drift.look(recordType);
        }
        return drift.findings;
    }

    private void look(RecordType recordType) throws SQLException {
        var table = binding.table(recordType.id());
        if (table.isEmpty()) {
            gone(recordType, "", recordType.plural());
            return;
        }
        look(recordType, "", table.get().own());
        for (var fieldId : PhysicalNames.tables(recordType).keySet()) {
            var place = table.get().fields().get(fieldId);
            if (place == null) {
                gone(
                        recordType,
                        fieldId,
                        recordType.field(fieldId).map(Field::label).orElse(recordType.plural()));
            } else {
                look(recordType, fieldId, place);
            }
        }
    }

    private void gone(RecordType recordType, String fieldId, String name) {
        findings.add(
                Finding.of(Code.DRIFT_TABLE_GONE, Place.field(recordType.id(), fieldId, ""), name, binding.version()));
    }

    private void look(RecordType recordType, String tableId, ValueTable place) throws SQLException {
        var types = types(place);
        for (var wanted : PhysicalNames.columns(recordType, tableId).entrySet()) {
            var field = recordType.field(wanted.getKey()).orElseThrow();
            var column = place.columns().get(wanted.getKey());
            var at = Place.field(recordType.id(), field.id(), "");
            // what a switch renames in this moment is gone from here: readers look again then
            if (column == null || !types.containsKey(column)) {
                findings.add(Finding.of(
                        Code.DRIFT_COLUMN_GONE,
                        at,
                        field.label(),
                        place.name(),
                        binding.version(),
                        Ddl.putBack(place.name(), wanted.getValue(), field)));
            } else if (!types.get(column).startsWith(type(field))) {
                findings.add(Finding.of(
                        Code.DRIFT_COLUMN_CHANGED,
                        at,
                        field.label(),
                        column,
                        place.name(),
                        types.get(column),
                        binding.version(),
                        type(field)));
            }
        }
    }

    private Map<String, String> types(ValueTable place) throws SQLException {
        var types = Schema.types(connection, place.name());
        if (types.keySet().containsAll(place.columns().values())) {
            return types;
        }
        Schema.await(connection, place.name());
        return Schema.types(connection, place.name());
    }

    /** As the database names it, but for the width it shows numbers with. */
    private static String type(Field field) {
        return Ddl.type(field.kind()).split(" ")[0].toLowerCase(Locale.ROOT);
    }
}
