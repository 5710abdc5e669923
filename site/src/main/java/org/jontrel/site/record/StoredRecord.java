package org.jontrel.site.record;

import java.time.Instant;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * A record as it is stored.
 *
 * @param version counts saves; sent back with an edit so that nothing is overwritten unseen
 * @param complete whether it satisfies its type with everything required
 * @param values by field id, parts included; empty ones are left out
 */
public record StoredRecord(
        long id,
        String slug,
        State state,
        int version,
        boolean complete,
        Instant createdAt,
        Instant updatedAt,
        String createdBy,
        String updatedBy,
        Map<String, Object> values) {
    public StoredRecord {
        values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
    }
}
