package org.jontrel.site.record.read;

import java.time.Instant;
import java.util.Map;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.RecordState;

/**
 * What a record was.
 *
 * @param version the save that made it so
 * @param holder the definitions of that time
 * @param values by field id
 */
public record PastState(
        int version,
        RecordState state,
        String slug,
        Instant at,
        String by,
        Holder holder,
        Map<String, Object> values) {}
