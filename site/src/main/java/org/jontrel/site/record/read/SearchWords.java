package org.jontrel.site.record.read;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.StringJoiner;
import java.util.stream.Stream;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.core.recordtype.SearchedFields;
import org.jontrel.core.value.Row;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Database;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.PhysicalNames;
import org.jontrel.site.table.RowsOfValues;
import org.jontrel.site.table.Statements;

/** The words of a record that searching finds. */
public final class SearchWords {
    private static final int LONGEST = 200_000;
    private static final int CHUNK = 2_000;
    static final String ALL = "jontrel_text";
    /** Words of what the API gives, of record types that keep something out of it. */
    static final String API = "jontrel_api_text";

    private SearchWords() {}

    static String of(RecordType recordType, Map<String, Object> values, Audience audience) {
        var words = new StringJoiner("\n");
        add(recordType.fields().toList(), values, audience, words);
        var all = words.toString();
        return all.length() > LONGEST ? all.substring(0, LONGEST) : all;
    }

    @SuppressWarnings("unchecked") // groups are maps by field id
    private static void add(List<Field> fields, Map<String, Object> values, Audience audience, StringJoiner words) {
        for (var field : fields) {
            var value = values.get(field.id());
            if (value == null || !audience.reads(field)) {
                continue;
            }
            switch (field.kind()) {
                case Kind.FieldGroup group -> add(group.fields(), (Map<String, Object>) value, audience, words);
                case Kind.Repeater rows ->
                    ((List<Row>) value).forEach(row -> add(rows.fields(), row.values(), audience, words));
                case Kind.Text _,
                        Kind.LongText _,
                        Kind.RichText _,
                        Kind.Email _,
                        Kind.Phone _,
                        Kind.Url _,
                        Kind.Choice _ -> words.add(Values.show(field.kind(), value));
                case Kind.Numeric _,
                        Kind.YesNo _,
                        Kind.Date _,
                        Kind.Time _,
                        Kind.DateTime _,
                        Kind.Colour _,
                        Kind.Icon _,
                        Kind.Coordinates _,
                        Kind.Image _,
                        Kind.File _,
                        Kind.Relation _,
                        Kind.TermPick _,
                        Kind.Note _ -> {}
            }
        }
    }

    /** Where the words are that an audience may find records by. */
    static String table(RecordType recordType, Audience audience) {
        return audience.everyField() || !keepsOut(recordType) ? ALL : API;
    }

    /** Whether something that has words is kept out of the API, so that the words of the rest are a text of their own. */
    static boolean keepsOut(RecordType recordType) {
        return SearchedFields.of(recordType).values().stream().anyMatch(source -> !source.api());
    }

    /**
     * How far renewing came.
     *
     * @param reached id of the last record
     */
    public record Renewed(long reached, int records) {}

    /**
     * Brings the words of some records up to date, for definitions that have changed; of a record that is saved meanwhile,
     * those of the save stay.
     *
     * @param after id of the record before the first
     * @return how far it came; no records where there are no more
     */
    public static Renewed renew(Connection connection, Binding.BoundTables table, long after) throws SQLException {
        var records =
                new RecordLoader(table, SearchedFields.of(table.recordType()).keySet()).after(connection, after, CHUNK);
        renew(connection, table, records);
        return new Renewed(records.isEmpty() ? after : records.getLast().id(), records.size());
    }

    /** Brings the words of these records up to date. */
    public static void renew(Connection connection, Binding.BoundTables table, Collection<Long> ids)
            throws SQLException {
        renew(
                connection,
                table,
                new RecordLoader(table, SearchedFields.of(table.recordType()).keySet()).byIds(connection, ids));
    }

    private static void renew(Connection connection, Binding.BoundTables table, List<StoredRecord> records)
            throws SQLException {
        var present = records.stream().filter(record -> !record.deleted()).toList();
        renew(connection, table, present, Audience.PEOPLE);
        if (keepsOut(table.recordType())) {
            renew(connection, table, present, Audience.PUBLIC_API);
        }
    }

    /** Whether a site has the words of what the API gives apart from all words; sites made before have not. */
    public static boolean keptApart(Database database) {
        return database.transaction(session -> !Jdbc.query(
                        session.getConnection(),
                        "SELECT 1 FROM " + API + " WHERE holder_id = '' AND record_id = 0",
                        row -> row.getInt(1))
                .isEmpty());
    }

    public static void keepApart(Database database) {
        database.transaction(session -> Jdbc.update(
                session.getConnection(),
                "INSERT IGNORE INTO " + API + " (holder_id, record_id, words) VALUES ('', 0, '')"));
    }

    /** Words of the API for all records of a table, where it keeps something apart. */
    public static void renewAll(Database database, Binding.BoundTables table) {
        long[] reached = {keepsOut(table.recordType()) ? 0 : -1};
        while (reached[0] >= 0) {
            database.transaction(session -> {
                var renewed = renew(session.getConnection(), table, reached[0]);
                reached[0] = renewed.records() == 0 ? -1 : renewed.reached();
                return null;
            });
        }
    }

    private static void renew(
            Connection connection, Binding.BoundTables table, List<StoredRecord> records, Audience audience)
            throws SQLException {
        if (records.isEmpty()) {
            return;
        }
        var rows = new RowsOfValues(List.of("id", "version", "words"));
        records.forEach(record ->
                rows.add(List.of(record.id(), record.version(), of(table.recordType(), record.values(), audience))));
        var sql = "INSERT INTO " + table(table.recordType(), audience)
                + " (holder_id, record_id, words) SELECT ?, t.id, v.words FROM " + PhysicalNames.quoted(table.name())
                + " AS t JOIN " + rows.table("v") + " ON t.id = v.id AND t.version = v.version"
                + " ON DUPLICATE KEY UPDATE words = VALUES(words)";
        var parameters = rows.parameters();
        parameters.addFirst(table.recordType().id());
        Jdbc.update(connection, sql, parameters);
    }

    public static void store(Statements statements, RecordType recordType, long record, Map<String, Object> values) {
        store(statements, recordType, record, values, Audience.PEOPLE);
        if (keepsOut(recordType)) {
            store(statements, recordType, record, values, Audience.PUBLIC_API);
        }
    }

    private static void store(
            Statements statements, RecordType recordType, long record, Map<String, Object> values, Audience audience) {
        statements.add(
                "INSERT INTO " + table(recordType, audience) + " (holder_id, record_id, words) VALUES (?, ?, ?)"
                        + " ON DUPLICATE KEY UPDATE words = VALUES(words)",
                recordType.id(),
                record,
                of(recordType, values, audience));
    }

    /** Stores the words of what was saved, where they are others than before. */
    public static void changed(Statements statements, RecordType recordType, StoredRecord before, StoredRecord after) {
        boolean same = Stream.of(Audience.PEOPLE, Audience.PUBLIC_API)
                .allMatch(each -> of(recordType, before.values(), each).equals(of(recordType, after.values(), each)));
        if (!same) {
            store(statements, recordType, after.id(), after.values());
        }
    }

    public static void remove(Statements statements, String recordTypeId, long record) {
        for (var each : List.of(ALL, API)) {
            statements.add("DELETE FROM " + each + " WHERE holder_id = ? AND record_id = ?", recordTypeId, record);
        }
    }
}
