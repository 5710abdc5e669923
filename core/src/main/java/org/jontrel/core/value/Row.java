package org.jontrel.core.value;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * A row of a repeater.
 *
 * @param id that it keeps while it is edited and moved; 0 for a new one
 * @param values by field id; empty ones are left out
 */
public record Row(long id, Map<String, Object> values) {
    public Row {
        values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
    }
}
