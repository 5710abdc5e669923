package org.jontrel.site.record.write;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.value.Link;
import org.jontrel.site.record.read.StoredRecord;

/**
 * What a form, the API or an import wants to be stored.
 *
 * @param recordTypeId of the content type, taxonomy or site values
 * @param id of the record to change; empty for a new one
 * @param version that the sender had seen; of no meaning for a new one
 * @param slug the address segment, or empty to keep it or make one from the title
 * @param parent what it shall stand under; empty for nothing
 * @param position among those under one parent; empty to keep it or put it last
 * @param raw values by field key
 * @param whole whether values that are not sent are emptied, or kept as they are
 */
public record Write(
        String recordTypeId,
        Optional<Long> id,
        int version,
        RecordState state,
        Optional<Instant> publishAt,
        Optional<Instant> retireAt,
        String slug,
        Optional<Link> parent,
        Optional<Integer> position,
        Map<String, ?> raw,
        boolean whole,
        String author) {
    /** A new record with nothing but values. */
    public static Write fresh(String recordTypeId, RecordState state, Map<String, ?> raw, String author) {
        return new Write(
                recordTypeId,
                Optional.empty(),
                0,
                state,
                Optional.empty(),
                Optional.empty(),
                "",
                Optional.empty(),
                Optional.empty(),
                raw,
                true,
                author);
    }

    /** A change of a record's values that leaves everything else as it is. */
    public static Write change(
            String recordTypeId, StoredRecord before, Map<String, ?> raw, boolean whole, String author) {
        return new Write(
                recordTypeId,
                Optional.of(before.id()),
                before.version(),
                before.state(),
                before.publishAt(),
                before.retireAt(),
                "",
                before.parent(),
                Optional.empty(),
                raw,
                whole,
                author);
    }

    public Write withState(RecordState newState) {
        return new Write(
                recordTypeId, id, version, newState, publishAt, retireAt, slug, parent, position, raw, whole, author);
    }

    /** A new record with a number of its own choice. */
    public Write numbered(long newId) {
        return new Write(
                recordTypeId,
                Optional.of(newId),
                version,
                state,
                publishAt,
                retireAt,
                slug,
                parent,
                position,
                raw,
                whole,
                author);
    }

    public Write withVersion(int newVersion) {
        return new Write(
                recordTypeId, id, newVersion, state, publishAt, retireAt, slug, parent, position, raw, whole, author);
    }

    public Write under(Link newParent) {
        return new Write(
                recordTypeId,
                id,
                version,
                state,
                publishAt,
                retireAt,
                slug,
                Optional.of(newParent),
                position,
                raw,
                whole,
                author);
    }

    public Write at(String newSlug) {
        return new Write(
                recordTypeId, id, version, state, publishAt, retireAt, newSlug, parent, position, raw, whole, author);
    }
}
