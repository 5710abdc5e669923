package org.jontrel.core.model.condition;

import java.util.Locale;

/** Where a record stands between being written and being taken back. */
public enum RecordState {
    DRAFT,
    PUBLISHED,
    SCHEDULED,
    RETIRED;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
