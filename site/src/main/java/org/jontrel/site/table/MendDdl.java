package org.jontrel.site.table;

import org.jontrel.core.model.Field;

/** Statements that put back what somebody took from tables. */
public final class MendDdl {
    private MendDdl() {}

    /** Gives a field its column again, empty. */
    public static String putBack(String table, String name, Field field) {
        return "ALTER TABLE %s ADD COLUMN %s".formatted(PhysicalNames.quoted(table), Ddl.column(name, field));
    }

    /** Says again which field a column is of. */
    public static String comment(String table, String name, Field field) {
        return "ALTER TABLE %s MODIFY COLUMN %s".formatted(PhysicalNames.quoted(table), Ddl.column(name, field));
    }

    /** Says again what a table is of. */
    public static String comment(String table, String mark) {
        return "ALTER TABLE %s COMMENT = %s".formatted(PhysicalNames.quoted(table), PhysicalNames.comment(mark));
    }
}
