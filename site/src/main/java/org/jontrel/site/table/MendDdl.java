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

    /**
     * Takes a column out of use, whatever its name and type, and holds it as the values of a field.
     *
     * @param column its name as a statement has it
     */
    public static String hold(String table, String column, String shortName, Field field) {
        return "ALTER TABLE %s CHANGE COLUMN %s %s"
                .formatted(PhysicalNames.quoted(table), column, Ddl.column(PhysicalNames.held(shortName), field));
    }

    /** As {@link #hold}, with an empty column in its place. */
    public static String replace(String table, String column, String shortName, Field was, Field is) {
        return hold(table, "`" + column + "`", shortName, was) + ", ADD COLUMN " + Ddl.column(column, is);
    }

    /** Says again what a table is of. */
    public static String comment(String table, String mark) {
        return "ALTER TABLE %s COMMENT = %s".formatted(PhysicalNames.quoted(table), PhysicalNames.comment(mark));
    }
}
