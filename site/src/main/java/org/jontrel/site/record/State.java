package org.jontrel.site.record;

import java.util.Locale;

/** Whether visitors see a record. */
public enum State {
    DRAFT,
    PUBLISHED;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    static State of(String code) {
        return valueOf(code.toUpperCase(Locale.ROOT));
    }
}
