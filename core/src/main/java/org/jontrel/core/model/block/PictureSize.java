package org.jontrel.core.model.block;

import java.util.Locale;

/** How wide pictures are. */
public enum PictureSize {
    SMALL,
    MEDIUM,
    LARGE,
    FULL;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
