package org.jontrel.core.propose;

import java.util.Locale;

/** What a column becomes. */
public enum ColumnUse {
    /** The title of the record, or the label of the term or option. */
    TITLE,
    /** A field. */
    FIELD,
    /** SheetTerms by which records are classified. */
    TERMS,
    /** The record or term under which it stands. */
    PARENT,
    /** The address of the record's page. */
    ADDRESS,
    /** Whether the record is published, or when; records have that without a field. */
    STATE,
    /** Latitude or longitude of a field that another column begins. */
    PLACE,
    /** A value of rows that an earlier column begins. */
    ROW,
    /** Which record a row is of, where the sheet is a relation or rows of another. */
    OWNER,
    /** Nothing. */
    SKIP;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
