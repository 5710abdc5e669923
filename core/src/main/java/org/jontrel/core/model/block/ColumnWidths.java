package org.jontrel.core.model.block;

import java.util.Locale;

/** How wide columns are beside one another. */
public enum ColumnWidths {
    EQUAL,
    FIRST_WIDE,
    LAST_WIDE;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
