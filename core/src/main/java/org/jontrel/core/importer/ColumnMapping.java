package org.jontrel.core.importer;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;

/**
 * Where the cells of a column go.
 *
 * @param column its name, as {@link ColumnNames} tells it
 * @param field id of the field; or its keys from the outermost on, as {@code chamber.length}, in a file that somebody wrote; empty for
 *     other goals than {@link Goal#FIELD}
 * @param row of rows of a repeater, or values of a field with several, which one the column is, from 1; 0 for all
 * @param part of a place, {@code latitude} or {@code longitude}; else empty
 * @param separator between several values of one cell; else empty
 * @param by how records and terms are named: {@code title}, {@code address}, {@code number}, {@code path} for the way to a term from
 *     the outermost one on, with {@code >} between, or the key of a field
 * @param missing what becomes of a name that nothing has
 * @param reading code of a {@link org.jontrel.core.spelling.Reading} for texts that could be read in two ways; else empty
 * @param replace texts that are read as others; as an empty one, where nothing is meant
 */
public record ColumnMapping(
        String column,
        Goal goal,
        String field,
        int row,
        String part,
        String separator,
        String by,
        WhenMissing missing,
        String reading,
        Map<String, String> replace) {
    public static final String BY_TITLE = "title";
    public static final String BY_ADDRESS = "address";
    public static final String BY_NUMBER = "number";
    public static final String BY_PATH = "path";

    /** What the cells of a column are. */
    public enum Goal {
        FIELD,
        /** The number by which the site knows the record. */
        NUMBER,
        /** The address segment of the record's page. */
        ADDRESS,
        /** Draft, published, scheduled or retired. */
        STATE,
        /** The record or term that it stands under. */
        PARENT,
        /** When it appears. */
        PUBLISH_AT,
        /** When it goes. */
        RETIRE_AT,
        /** The record that the row belongs to, where rows are no records themselves. */
        OWNER,
        /** Nothing. */
        SKIP
    }

    /** What becomes of a name that no record or term has. */
    public enum WhenMissing {
        /** The row is not brought. */
        PROBLEM,
        /** A record or term of that name is made. */
        MAKE,
        /** The row is brought without it. */
        LEAVE
    }

    public ColumnMapping {
        column = Objects.requireNonNullElse(column, "");
        goal = Objects.requireNonNullElse(goal, Goal.FIELD);
        field = Objects.requireNonNullElse(field, "");
        part = Objects.requireNonNullElse(part, "");
        separator = Objects.requireNonNullElse(separator, "");
        by = by == null || by.isBlank() ? BY_TITLE : by;
        missing = Objects.requireNonNullElse(missing, WhenMissing.PROBLEM);
        reading = Objects.requireNonNullElse(reading, "");
        replace = replace == null ? Map.of() : Map.copyOf(replace);
    }

    public static ColumnMapping of(String column, Goal goal) {
        return new ColumnMapping(column, goal, "", 0, "", "", "", WhenMissing.PROBLEM, "", Map.of());
    }

    public static ColumnMapping field(String column, String field) {
        return new ColumnMapping(column, Goal.FIELD, field, 0, "", "", "", WhenMissing.PROBLEM, "", Map.of());
    }

    public ColumnMapping row(int newRow) {
        return new ColumnMapping(column, goal, field, newRow, part, separator, by, missing, reading, replace);
    }

    public ColumnMapping part(String newPart) {
        return new ColumnMapping(column, goal, field, row, newPart, separator, by, missing, reading, replace);
    }

    public ColumnMapping separated(String newSeparator) {
        return new ColumnMapping(column, goal, field, row, part, newSeparator, by, missing, reading, replace);
    }

    public ColumnMapping by(String newBy) {
        return new ColumnMapping(column, goal, field, row, part, separator, newBy, missing, reading, replace);
    }

    public ColumnMapping missing(WhenMissing newMissing) {
        return new ColumnMapping(column, goal, field, row, part, separator, by, newMissing, reading, replace);
    }

    public ColumnMapping reading(String newReading) {
        return new ColumnMapping(column, goal, field, row, part, separator, by, missing, newReading, replace);
    }

    /** With a text read as another; as it stands, where both are the same. */
    public ColumnMapping replacing(String text, String as) {
        var all = new HashMap<>(replace);
        all.put(text, as);
        all.remove(as, as);
        return new ColumnMapping(column, goal, field, row, part, separator, by, missing, reading, all);
    }
}
