package org.jontrel.site.record.read;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.table.Jdbc;

/** The words of many records at once. */
public final class WholeWords {
    private WholeWords() {}

    /**
     * Writes the words of records that nobody else saves, in place of any that are left of earlier ones: a plain insertion of many
     * takes a third of the time.
     */
    public static void write(Connection connection, RecordType recordType, List<StoredRecord> records)
            throws SQLException {
        remove(
                connection,
                recordType.id(),
                records.stream().map(StoredRecord::id).toList());
        insert(connection, recordType, records, Audience.PEOPLE);
        if (SearchWords.keepsOut(recordType)) {
            insert(connection, recordType, records, Audience.PUBLIC_API);
        }
    }

    private static void insert(
            Connection connection, RecordType recordType, List<StoredRecord> records, Audience audience)
            throws SQLException {
        Jdbc.batch(
                connection,
                "INSERT INTO " + SearchWords.table(recordType, audience)
                        + " (holder_id, record_id, words) VALUES (?, ?, ?)",
                records.stream()
                        .map(each -> List.of(
                                recordType.id(), each.id(), SearchWords.of(recordType, each.values(), audience)))
                        .toList());
    }

    public static void remove(Connection connection, String recordTypeId, Collection<Long> records)
            throws SQLException {
        if (records.isEmpty()) {
            return;
        }
        var parameters = new ArrayList<Object>(List.of(recordTypeId));
        var padded = Jdbc.padded(records);
        parameters.addAll(padded);
        for (var each : List.of(SearchWords.ALL, SearchWords.API)) {
            Jdbc.update(
                    connection,
                    "DELETE FROM " + each + " WHERE holder_id = ? AND record_id IN (" + Jdbc.marks(padded.size()) + ")",
                    parameters);
        }
    }
}
