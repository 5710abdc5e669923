package org.jontrel.core.model.block;

import java.util.Locale;

/** What a text is on a page. */
public enum TextRole {
    PLAIN,
    HEADING,
    LEAD,
    NOTE;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
