package org.jontrel.core.model.block;

import java.util.Locale;

/** How several rows or records are set on a page. */
public enum Arrangement {
    /** Names with commas between. */
    NAMES,
    LINES,
    CARDS,
    TABLE,
    /** By blocks of one's own for each. */
    BLOCKS;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
