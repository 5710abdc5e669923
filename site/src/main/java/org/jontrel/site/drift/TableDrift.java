package org.jontrel.site.drift;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jontrel.core.finding.Code;
import org.jontrel.core.finding.Finding;
import org.jontrel.core.finding.Place;
import org.jontrel.core.finding.Severity;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Model;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Binding.ValueTable;
import org.jontrel.site.table.Ddl;
import org.jontrel.site.table.MendDdl;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.Schema;

/** Tables and columns that are not what the installed definitions say: nothing can be planned on them. */
public final class TableDrift {
    /** What the tables of fields have whatever their definitions say. */
    private static final Set<String> OF_FIELDS =
            Set.of("term_id", "above_id", "depth", "target_type", "target_id", "value");

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

    /** What nothing can be planned on; also columns that somebody gave a name that a release wants. */
    public static List<Finding> blocking(Connection connection, Binding binding, Model to) throws SQLException {
        return of(connection, binding).stream()
                .map(each -> each.code() == Code.DRIFT_COLUMN_UNKNOWN ? inWay(each, to) : each)
                .filter(each -> each.severity() == Severity.BLOCKER)
                .toList();
    }

    private static Finding inWay(Finding unknown, Model to) {
        var column = unknown.arguments().get(2);
        boolean wanted = to.definition(unknown.place().definition())
                .flatMap(each -> RecordType.of(to, each))
                .filter(is -> Stream.concat(Stream.of(""), PhysicalNames.tables(is).keySet().stream())
                        .anyMatch(table -> PhysicalNames.columns(is, table).containsValue(column)))
                .isPresent();
        return wanted
                ? Finding.of(
                        Code.DRIFT_COLUMN_IN_WAY,
                        unknown.place(),
                        unknown.arguments().toArray())
                : unknown;
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

    private void gone(RecordType recordType, String fieldId, String name) throws SQLException {
        var at = Place.field(recordType.id(), fieldId, "");
        var table = table(recordType, fieldId);
        findings.add(
                Schema.tables(connection).getOrDefault(table, "-").isEmpty()
                        ? Finding.of(Code.DRIFT_COMMENT_GONE, at, name, table)
                        : Finding.of(Code.DRIFT_TABLE_GONE, at, name, binding.version()));
    }

    /** The name that a table has, or should have. */
    static String table(RecordType recordType, String fieldId) {
        return fieldId.isEmpty()
                ? PhysicalNames.table(recordType)
                : PhysicalNames.tables(recordType).get(fieldId);
    }

    /** Columns that somebody added. */
    private void unknown(RecordType recordType, String tableId, ValueTable place, Map<String, String> types) {
        var names = PhysicalNames.columns(recordType, tableId);
        types.forEach((column, type) -> {
            boolean known = PhysicalNames.OWN.contains(column)
                    || OF_FIELDS.contains(column)
                    || names.containsValue(column)
                    || place.columns().containsValue(column);
            if (PhysicalNames.inUse(column) && !known) {
                findings.add(Finding.of(
                        Code.DRIFT_COLUMN_UNKNOWN,
                        Place.field(recordType.id(), tableId, column),
                        recordType.plural(),
                        place.name(),
                        column,
                        type));
            }
        });
    }

    private void look(RecordType recordType, String tableId, ValueTable place) throws SQLException {
        var types = types(place);
        unknown(recordType, tableId, place, types);
        for (var wanted : PhysicalNames.columns(recordType, tableId).entrySet()) {
            var field = recordType.field(wanted.getKey()).orElseThrow();
            var column = place.columns().get(wanted.getKey());
            var at = Place.field(recordType.id(), field.id(), "");
            // what a switch renames in this moment is gone from here: readers look again then
            if (column == null && types.getOrDefault(wanted.getValue(), "").startsWith(type(field))) {
                findings.add(
                        Finding.of(Code.DRIFT_COMMENT_GONE, at, field.label(), place.name() + "." + wanted.getValue()));
            } else if (column == null || !types.containsKey(column)) {
                findings.add(Finding.of(
                        Code.DRIFT_COLUMN_GONE,
                        at,
                        field.label(),
                        place.name(),
                        binding.version(),
                        MendDdl.putBack(place.name(), wanted.getValue(), field)));
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
