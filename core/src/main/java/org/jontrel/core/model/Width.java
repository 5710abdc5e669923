package org.jontrel.core.model;

import java.util.Locale;

/** How much of a line a field takes on the form. */
public enum Width {
    FULL,
    TWO_THIRDS,
    HALF,
    THIRD;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
