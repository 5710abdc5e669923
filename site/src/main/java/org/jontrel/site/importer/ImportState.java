package org.jontrel.site.importer;

import java.util.Locale;

/** How far an import is. */
public enum ImportState {
    /** Its rows are being read; one that stays so was interrupted, and is sent again. */
    READING,
    /** It can be mapped and tried. */
    READY,
    TRYING,
    /** It is known what would become of each row. */
    TRIED,
    RUNNING,
    /** Stopped by somebody, or by a switch of definitions; it can go on or be undone. */
    PAUSED,
    DONE,
    UNDOING,
    UNDONE;

    /** Whether a process works on it, or was interrupted. */
    public boolean working() {
        return this == TRYING || this == RUNNING || this == UNDOING;
    }

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
