package org.jontrel.core.propose;

import java.util.Locale;

/** What a sheet becomes. */
public enum SheetRole {
    /** A content type; each row is a record. */
    TYPE,
    /** A taxonomy; each row is a term. */
    TAXONOMY,
    /** A choice list; each row is an option. */
    LIST,
    /** Site values; each row is a field with its value. */
    VALUES,
    /** A relation between the records of two other sheets, a row for each pair. */
    RELATION,
    /** Rows of a repeater of another sheet's records. */
    ROWS,
    /** Nothing. */
    SKIP;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
