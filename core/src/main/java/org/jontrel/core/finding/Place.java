package org.jontrel.core.finding;

/**
 * Where a finding is: in a file, in a definition, or both.
 *
 * @param file path within a package, or empty
 * @param line from 1; 0 where there is none
 * @param column from 1; 0 where there is none
 * @param definition id of the definition, or empty
 * @param field id of the field within it, or empty
 * @param property name of the property in the code format, or empty
 */
public record Place(String file, int line, int column, String definition, String field, String property) {
    public static final Place NOWHERE = new Place("", 0, 0, "", "", "");

    public static Place file(String file) {
        return new Place(file, 0, 0, "", "", "");
    }

    public static Place in(String file, int line, int column) {
        return new Place(file, line, column, "", "", "");
    }

    public static Place definition(String id, String property) {
        return new Place("", 0, 0, id, "", property);
    }

    public static Place field(String definition, String field, String property) {
        return new Place("", 0, 0, definition, field, property);
    }

    /** {@code types/lock.yaml:12:5}, or empty where the finding is in no file. */
    public String inFile() {
        return file.isEmpty() ? "" : line == 0 ? file : file + ":" + line + ":" + column;
    }
}
