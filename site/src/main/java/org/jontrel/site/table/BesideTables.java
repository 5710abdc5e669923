package org.jontrel.site.table;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;

/** Tables of fields that runs make beside those in use; their comments say what they are of. */
public final class BesideTables {
    private static final String BESIDE = PhysicalNames.next("");

    private BesideTables() {}

    /** Ids of the field and of those within it that have tables of their own, outer ones first. */
    public static List<String> within(RecordType recordType, String fieldId) {
        var tables = PhysicalNames.tables(recordType).keySet();
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

    /** The statement that makes one. */
    public static String create(RecordType recordType, String fieldId, String name) {
        return TableDdl.createOwn(recordType, fieldId, name);
    }
}
