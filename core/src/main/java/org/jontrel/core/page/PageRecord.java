package org.jontrel.core.page;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.value.Link;

/**
 * A record, a term or site values as a page may show them.
 *
 * @param link its type, and its number on the site
 * @param title what people call it, never empty
 * @param slug the last part of its address
 * @param address of its page below the site; empty where it has none
 * @param parent what it stands under, where that may be seen
 * @param origin id of the starter term it was made from; empty for everything else
 * @param values by field id, as far as they were asked for
 */
public record PageRecord(
        Link link,
        String title,
        String slug,
        String address,
        Optional<Link> parent,
        RecordState state,
        String origin,
        Instant updatedAt,
        Map<String, Object> values) {
    PageRecord withValues(Map<String, Object> other) {
        return new PageRecord(link, title, slug, address, parent, state, origin, updatedAt, other);
    }
}
