package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;

/** Tables of fields that runs make beside those in use; their comments say what they are of. */
public final class BesideTables {
    private static final String BESIDE = PhysicalNames.next("");

    private BesideTables() {}

    /**
     * Ids of the field and of those within it that have tables of their own, outer ones first.
     *
     * @param fieldId empty for all tables of the record type: that of its records is the first, under an empty id
     */
    public static List<String> within(RecordType recordType, String fieldId) {
        var tables = PhysicalNames.tables(recordType).keySet();
        if (fieldId.isEmpty()) {
            return Stream.concat(Stream.of(""), tables.stream()).toList();
        }
        return recordType.field(fieldId).stream()
                .flatMap(Field::withInner)
                .map(Field::id)
                .filter(tables::contains)
                .toList();
    }

    public static String name(int number) {
        return BESIDE + number;
    }

    /** The table beside of a field. */
    public static Optional<String> find(Connection connection, RecordType recordType, String fieldId)
            throws SQLException {
        var mark = PhysicalNames.mark(recordType.id(), fieldId);
        return Schema.tables(connection).entrySet().stream()
                .filter(each -> each.getValue().equals(mark) && each.getKey().startsWith(BESIDE))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** All tables of a record type that is made beside. */
    public static Binding.BoundTables all(Connection connection, RecordType recordType) throws SQLException {
        var names = new HashMap<String, String>();
        Schema.tables(connection).forEach((name, mark) -> {
            if (name.startsWith(BESIDE)) {
                names.put(mark, name);
            }
        });
        var fields = new LinkedHashMap<String, Binding.ValueTable>();
        for (var each : within(recordType, "")) {
            var name = names.get(PhysicalNames.mark(recordType.id(), each));
            if (name == null) {
                throw new IllegalStateException("No table beside for " + recordType.plural());
            }
            fields.put(each, new Binding.ValueTable(name, PhysicalNames.columns(recordType, each)));
        }
        var own = fields.remove("");
        return new Binding.BoundTables(recordType, own, fields);
    }

    /** The statement that makes one. */
    public static String create(RecordType recordType, String fieldId, String name) {
        return fieldId.isEmpty()
                ? TableDdl.createTable(recordType, name)
                : TableDdl.createOwn(recordType, fieldId, name);
    }
}
