package org.jontrel.site.record.read;

import java.time.Instant;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.value.Link;

/**
 * A record, a term or site values as they are stored.
 *
 * @param parent what it stands under, if anything
 * @param position among those under one parent
 * @param publishAt when a scheduled record appears
 * @param retireAt when a public or scheduled record, or one that becomes so, is retired by itself
 * @param origin id of the starter term it was made from; empty for everything else
 * @param version counts saves; sent back with an edit so that nothing is overwritten unseen
 * @param complete whether it satisfies its definition with everything required
 * @param values by field id, parts included; empty ones are left out
 */
public record StoredRecord(
        long id,
        String slug,
        Optional<Link> parent,
        int position,
        RecordState state,
        boolean deleted,
        Optional<Instant> publishAt,
        Optional<Instant> retireAt,
        String origin,
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

    /** The title of a record or the label of a term; empty where there is none. */
    public String title() {
        return String.valueOf(values.getOrDefault("part_title", ""));
    }

    /** The same with another parent and other values. */
    public StoredRecord with(Optional<Link> newParent, Map<String, Object> newValues) {
        return new StoredRecord(
                id, slug, newParent, position, state, deleted, publishAt, retireAt, origin, version, complete,
                createdAt, updatedAt, createdBy, updatedBy, newValues);
    }

    public StoredRecord withSlug(String newSlug) {
        return new StoredRecord(
                id, newSlug, parent, position, state, deleted, publishAt, retireAt, origin, version, complete,
                createdAt, updatedAt, createdBy, updatedBy, values);
    }

    /** As if somebody had saved it with other values. */
    public StoredRecord rewritten(Map<String, Object> newValues) {
        return new StoredRecord(
                id,
                slug,
                parent,
                position,
                state,
                deleted,
                publishAt,
                retireAt,
                origin,
                version + 1,
                complete,
                createdAt,
                updatedAt,
                createdBy,
                updatedBy,
                newValues);
    }

    public long parentId() {
        return parent.map(Link::id).orElse(0L);
    }

    /** Whether visitors see it at a moment. */
    public boolean visible(Instant now) {
        return !deleted
                && (state == RecordState.PUBLISHED
                        || state == RecordState.SCHEDULED
                                && publishAt.map(at -> !at.isAfter(now)).orElse(false))
                && retireAt.map(at -> at.isAfter(now)).orElse(true);
    }
}
