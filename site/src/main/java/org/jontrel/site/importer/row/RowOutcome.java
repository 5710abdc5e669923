package org.jontrel.site.importer.row;

import java.util.Locale;

/** What became of a row, or would become of it. */
public enum RowOutcome {
    NEW,
    CHANGED,
    SAME,
    /** Not brought, as the mapping says: only what is new, or only what is there. */
    LEFT,
    /** Not brought, for its problems. */
    FAILED;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static RowOutcome of(String code) {
        return code == null ? null : valueOf(code.toUpperCase(Locale.ROOT));
    }
}
