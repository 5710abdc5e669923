package org.jontrel.core.generate.sql;

/**
 * @param mark what it is for, for life: the id of a field, with what part of its value it holds where there are several
 *     columns for it
 * @param required whether every row has a value; those of people's fields never are, since a record may lack them
 */
record SqlColumn(String mark, String name, SqlType type, boolean required, String comment) {
    /** Ends the mark of the column that says to which type a value leads. */
    static final String TYPE = ":type";

    /** The field that it is for. */
    String of() {
        int parts = mark.indexOf(':');
        return parts < 0 ? mark : mark.substring(0, parts);
    }

    SqlColumn optional() {
        return new SqlColumn(mark, name, type, false, comment);
    }
}
