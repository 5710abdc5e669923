package org.jontrel.site.importer.name;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.importer.row.MappingText;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.table.Jdbc;

/**
 * What an import made and changed, with what was there before; written in the transaction that does it. A record that it changes twice
 * stands there once, as it was at first.
 */
public record ImportJournal(Connection connection, long id) {
    private static final String INTO =
            "INSERT INTO jontrel_import_record (import_id, holder_id, record_id, version, generation, was)";
    private static final String AGAIN = " ON DUPLICATE KEY UPDATE version = VALUES(version)";

    /**
     * A record that was made or changed.
     *
     * @param before empty where it is new
     */
    public record BroughtRecord(Optional<StoredRecord> before, StoredRecord after) {}

    public void made(String typeId, StoredRecord record, long generation) throws SQLException {
        Jdbc.insertAll(
                connection,
                INTO,
                AGAIN,
                List.of(Arrays.asList(id, typeId, record.id(), record.version(), generation, null)));
    }

    public void add(RecordType type, Collection<BroughtRecord> brought, long generation) throws SQLException {
        var rows = new ArrayList<List<Object>>();
        for (var each : brought) {
            var was = each.before()
                    .map(record -> MappingText.raw(state(type, record)))
                    .orElse(null);
            var after = each.after();
            rows.add(Arrays.asList(id, type.id(), after.id(), after.version(), generation, was));
        }
        Jdbc.insertAll(connection, INTO, AGAIN, rows);
    }

    /** All that a save can change. */
    private static Map<String, Object> state(RecordType type, StoredRecord record) {
        var state = new LinkedHashMap<String, Object>();
        state.put("state", record.state().code());
        state.put("slug", record.slug());
        record.parent().ifPresent(parent -> state.put("parent", List.of(parent.type(), parent.id())));
        state.put("position", record.position());
        record.publishAt().ifPresent(at -> state.put("publish_at", at.toString()));
        record.retireAt().ifPresent(at -> state.put("retire_at", at.toString()));
        state.put("values", Values.wire(type.fields().toList(), record.values()));
        return state;
    }
}
