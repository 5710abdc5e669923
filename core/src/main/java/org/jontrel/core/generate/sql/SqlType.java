package org.jontrel.core.generate.sql;

/** What a column holds; each database has its own word for it. */
enum SqlType {
    /** The id of a record, a term or a file. */
    ID,
    /** A small whole number: a place in a list, pixels. */
    COUNT,
    /** A key, the name of an icon or a colour: at most 64 letters without accents, digits and signs. */
    WORD,
    /** One line, at most 255 characters. */
    TEXT,
    LONG_TEXT,
    /** A number without decimals. */
    WHOLE,
    /** A number with at most six decimals. */
    DECIMAL,
    FLAG,
    DATE,
    TIME,
    /** A day and a time without a zone. */
    DATE_TIME,
    /** A moment, in UTC where the database knows no zones. */
    MOMENT,
    /** Degrees of latitude or longitude. */
    DEGREES;

    /** Whether values of a column can be kept where it becomes one of another type. */
    boolean becomes(SqlType other) {
        return this == other
                || switch (other) {
                    case LONG_TEXT ->
                        switch (this) {
                            case WORD, TEXT, WHOLE, DECIMAL, DATE, TIME, DATE_TIME -> true;
                            default -> false;
                        };
                    case TEXT ->
                        switch (this) {
                            case WORD, LONG_TEXT, WHOLE, DECIMAL, DATE, TIME, DATE_TIME -> true;
                            default -> false;
                        };
                    case DECIMAL -> this == WHOLE;
                    case WHOLE -> this == DECIMAL;
                    default -> false;
                };
    }
}
