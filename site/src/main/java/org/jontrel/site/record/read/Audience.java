package org.jontrel.site.record.read;

import java.time.Instant;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;

/** Who reads, and so what there is to read: what an audience may not read influences no answer to it. */
public enum Audience {
    /** People who are signed in: everything. */
    PEOPLE(true, true),
    /** Programs with a token: records of every state, of what the API gives. */
    TOKEN(true, false),
    /** Programs without a token: what is published, of what the API gives. */
    PUBLIC_API(false, false),
    /** Visitors of pages: what is published. */
    VISITORS(false, true);

    private final boolean everyState;
    private final boolean everyField;

    Audience(boolean everyState, boolean everyField) {
        this.everyState = everyState;
        this.everyField = everyField;
    }

    /** Whether it sees drafts too. */
    public boolean everyState() {
        return everyState;
    }

    /** Whether it sees what definitions keep out of the API too. */
    public boolean everyField() {
        return everyField;
    }

    public boolean reads(Field field) {
        return everyField || field.api();
    }

    /** Whether it may read of such things at all. */
    public boolean reads(RecordType recordType) {
        return everyField
                || !(recordType.definition() instanceof ContentType type)
                || type.publishing().api();
    }

    public boolean reads(StoredRecord record, Instant now) {
        return !record.deleted() && (everyState || record.visible(now));
    }
}
