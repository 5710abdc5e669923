package org.jontrel.site.record.read;

import java.time.Instant;
import java.util.Map;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.recordtype.RecordType;

/**
 * What a record was.
 *
 * @param version the save that made it so
 * @param recordType the definitions of that time
 * @param values by field id
 */
public record PastState(
        int version,
        RecordState state,
        String slug,
        Instant at,
        String by,
        RecordType recordType,
        Map<String, Object> values) {}
