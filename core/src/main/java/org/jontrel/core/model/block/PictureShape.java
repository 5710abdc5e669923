package org.jontrel.core.model.block;

import java.util.Locale;

/** To which shape pictures are cut, around the point that matters in them. */
public enum PictureShape {
    ORIGINAL,
    SQUARE,
    WIDE,
    TALL,
    ROUND;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
