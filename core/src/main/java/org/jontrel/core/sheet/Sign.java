package org.jontrel.core.sheet;

/** What a text can be read as. */
public enum Sign {
    /** Read as a number in one way. */
    NUMBER,
    /** Read as a number, or could be with its comma before decimals. */
    NUMBER_WITH_COMMA,
    /** Read as a number, or could be with its comma before thousands. */
    NUMBER_WITH_THOUSANDS,
    /** A number with its unit. */
    MEASURE,
    WHOLE,
    /** Figures with zeros before them, which mean something. */
    CODE,
    DATE,
    DATE_DAY_FIRST,
    DATE_MONTH_FIRST,
    TIME,
    MOMENT,
    MOMENT_DAY_FIRST,
    MOMENT_MONTH_FIRST,
    YES_NO,
    EMAIL,
    WEB_ADDRESS,
    PHONE,
    COLOUR,
    PLACE,
    PICTURE_NAME,
    FILE_NAME,
    FORMATTED,
    /** Words such as "n/a", which stand where nothing is known. */
    NOTHING;

    long bit() {
        return 1L << ordinal();
    }

    boolean in(long signs) {
        return (signs & bit()) != 0;
    }
}
