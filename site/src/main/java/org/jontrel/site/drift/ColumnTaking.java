package org.jontrel.site.drift;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.edit.AddedField;
import org.jontrel.core.format.Replacement;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.naming.Ids;
import org.jontrel.core.record.Conversion;
import org.jontrel.core.recordtype.FieldStorage;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.ColumnUpdate;
import org.jontrel.site.table.ColumnValues;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.MendDdl;
import org.jontrel.site.table.PhysicalNames;

/** Takes columns out of use that are not what the definitions say, and keeps what is in them. */
record ColumnTaking(Connection connection, Binding binding) {
    private static final Ids IDS = Ids.secure();
    private static final int CHUNK = 2_000;

    private RecordType recordType(String id) {
        return binding.model()
                .definition(id)
                .flatMap(each -> RecordType.of(binding.model(), each))
                .orElseThrow();
    }

    /** @param place id of the field with rows in whose table it is; empty for that of the records */
    private String table(String recordTypeId, String place) {
        var table = binding.table(recordTypeId).orElseThrow();
        return place.isEmpty() ? table.name() : table.fields().get(place).name();
    }

    Optional<Kind> kind(String recordTypeId, String place, String column) throws SQLException {
        boolean rows = place.isEmpty()
                || recordType(recordTypeId).field(place).orElseThrow().kind() instanceof Kind.Repeater;
        return rows ? ColumnKind.of(connection, table(recordTypeId, place), column) : Optional.empty();
    }

    /** Holds a column that somebody added as the values of a new field; whether it could be. */
    boolean take(String recordTypeId, String place, String column, Field field, String by) throws SQLException {
        var model = new AddedField(field).to(binding.model(), recordTypeId, place);
        if (model.isEmpty() || !kind(recordTypeId, place, column).equals(Optional.of(field.kind()))) {
            return false;
        }
        var name = IDS.next('h');
        note(name, model.get(), recordTypeId, field.id(), by);
        Jdbc.execute(connection, MendDdl.hold(table(recordTypeId, place), ColumnKind.quoted(column), name, field));
        return true;
    }

    private void note(String name, Model model, String recordTypeId, String fieldId, String by) throws SQLException {
        new FoundColumns(connection).note(name, model, recordTypeId, fieldId, binding.version(), by);
    }

    /** Holds a column whose type somebody changed, and gives its values back to the field as far as it can take them. */
    boolean putBack(String recordTypeId, String fieldId, String by) throws SQLException {
        var recordType = recordType(recordTypeId);
        var is = recordType.field(fieldId).orElseThrow();
        var place = recordType.home(fieldId).table();
        var table = table(recordTypeId, place);
        if (FieldStorage.of(is.kind()) != FieldStorage.COLUMN) {
            return false;
        }
        var column = PhysicalNames.columns(recordType, place).get(fieldId);
        var kind = kind(recordTypeId, place, column);
        if (kind.isEmpty()) {
            return false;
        }
        var was = is.withKind(kind.get());
        var before = Replacement.in(binding.model(), fieldId, _ -> was);
        if (before.isEmpty()) {
            return false;
        }
        var name = IDS.next('h');
        note(name, before.get(), recordTypeId, fieldId, by);
        Jdbc.execute(connection, MendDdl.replace(table, column, name, was, is));
        fill(new FilledColumn(table, PhysicalNames.held(name), column, place.isEmpty()), was, is);
        return true;
    }

    /** @param ofRecords whether it is in the table of the records themselves */
    private record FilledColumn(String table, String held, String column, boolean ofRecords) {
        List<String> key() {
            return ofRecords ? List.of("id") : List.of("record_id", "id");
        }
    }

    private void fill(FilledColumn to, Field was, Field is) throws SQLException {
        var conversion = new Conversion(was, is, null);
        var last = new long[] {0, 0};
        // rows of several records can have one id
        var record = to.ofRecords() ? "0" : "record_id";
        var sql = "SELECT " + record + ", id, " + PhysicalNames.quoted(to.held()) + " FROM "
                + PhysicalNames.quoted(to.table()) + " WHERE (" + record + " > ? OR " + record
                + " = ? AND id > ?) AND " + PhysicalNames.quoted(to.held()) + " IS NOT NULL ORDER BY "
                + String.join(", ", to.key()) + " LIMIT " + CHUNK;
        for (int found = CHUNK; found == CHUNK; ) {
            var update = new ColumnUpdate(to.table(), to.column(), to.key(), is.kind());
            found = Jdbc.query(
                            connection,
                            sql,
                            row -> {
                                last[0] = row.getLong(1);
                                last[1] = row.getLong(2);
                                var value = ColumnValues.read(row, 3, was.kind());
                                var converted = value == null ? null : conversion.apply(value);
                                if (converted != null) {
                                    update.set(
                                            to.ofRecords() ? List.of(last[1]) : List.of(last[0], last[1]),
                                            ColumnValues.toColumn(converted));
                                }
                                return last[1];
                            },
                            last[0],
                            last[0],
                            last[1])
                    .size();
            update.execute(connection);
        }
    }
}
