package org.jontrel.site.record.write;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.RecordCheck;
import org.jontrel.core.record.Surroundings;
import org.jontrel.core.record.Values;
import org.jontrel.core.recordtype.RecordType;
import org.jontrel.site.record.read.PastState;
import org.jontrel.site.record.read.RecordLoader;
import org.jontrel.site.record.read.StoredRecord;
import org.jontrel.site.table.Binding;
import org.jontrel.site.table.Jdbc;
import org.jontrel.site.table.ModelText;
import org.jontrel.site.table.Statements;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * States that records had before. The present one stands in the tables; each save puts the one before it here, with the
 * definitions it was written under, so that it stays readable however these change.
 */
public final class Histories {
    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .build();
    private static final String PAST =
            "SELECT version, generation, state, slug, at, by_whom, record_values FROM jontrel_history";

    private Histories() {}

    /** Keeps the state that a record is about to lose. */
    static void keep(Statements statements, Binding binding, RecordType recordType, StoredRecord before) {
        statements.add(
                "INSERT IGNORE INTO jontrel_history (holder_id, record_id, version, generation, state, slug, at, by_whom,"
                        + " record_values) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
                recordType.id(),
                before.id(),
                before.version(),
                binding.generation(),
                before.deleted() ? RecordLoader.DELETED : before.state().code(),
                before.slug(),
                before.updatedAt().atOffset(ZoneOffset.UTC).toLocalDateTime(),
                before.updatedBy(),
                JSON.writeValueAsString(Values.wire(recordType.fields().toList(), before.values())));
    }

    private record HistoryRow(
            int version, long generation, String state, String slug, Instant at, String by, String values) {}

    /** Past states, newest first. */
    public static List<PastState> of(Connection connection, Binding binding, String recordTypeId, long record)
            throws SQLException {
        var kept = Jdbc.query(
                connection,
                PAST + " WHERE holder_id = ? AND record_id = ? ORDER BY version DESC LIMIT 200",
                row -> new HistoryRow(
                        row.getInt(1),
                        row.getLong(2),
                        row.getString(3),
                        row.getString(4),
                        row.getObject(5, LocalDateTime.class).toInstant(ZoneOffset.UTC),
                        row.getString(6),
                        row.getString(7)),
                recordTypeId,
                record);
        var models = new java.util.HashMap<Long, Optional<RecordType>>();
        var past = new java.util.ArrayList<PastState>();
        for (var each : kept) {
            var recordType = models.get(each.generation());
            if (recordType == null) {
                recordType = recordType(connection, binding, each.generation(), recordTypeId);
                models.put(each.generation(), recordType);
            }
            if (recordType.isPresent()) {
                past.add(past(each, recordType.get()));
            }
        }
        return past;
    }

    private static PastState past(HistoryRow kept, RecordType recordType) {
        Map<String, Object> raw = JSON.readValue(kept.values(), new TypeReference<>() {});
        var values = RecordCheck.read(recordType, raw, Surroundings.NONE).values();
        boolean deleted = kept.state().equals(RecordLoader.DELETED);
        return new PastState(
                kept.version(),
                deleted ? RecordState.DRAFT : RecordState.valueOf(kept.state().toUpperCase(Locale.ROOT)),
                kept.slug(),
                kept.at(),
                kept.by(),
                recordType,
                values);
    }

    /** The definitions that were installed in a generation; the present ones where they were never kept. */
    public static Optional<RecordType> recordType(
            Connection connection, Binding binding, long generation, String recordTypeId) throws SQLException {
        if (generation == binding.generation()) {
            return binding.table(recordTypeId).map(Binding.BoundTables::recordType);
        }
        var texts = Jdbc.query(
                connection,
                "SELECT model FROM jontrel_definitions WHERE generation <= ? ORDER BY generation DESC LIMIT 1",
                row -> row.getString(1),
                generation);
        Model model = texts.isEmpty() ? binding.model() : ModelText.read(texts.getFirst());
        return model.definition(recordTypeId).flatMap(definition -> RecordType.of(model, definition));
    }
}
