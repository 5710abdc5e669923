package org.jontrel.site.table;

import java.util.Optional;
import org.jontrel.core.record.Conversion;

/** Values that the database itself can see to be taken over as they are: they never leave it. */
public final class SureValues {
    private SureValues() {}

    /**
     * The condition under which a column holds such a value; unknown where it holds none. Empty where every value must be
     * looked at.
     *
     * @param column quoted
     */
    public static Optional<String> condition(String column, Conversion conversion) {
        return conversion
                .sure()
                .map(pattern -> column + " REGEXP '" + ("\\A" + pattern + "\\z").replace("\\", "\\\\") + "'");
    }

    /** The new value, for a conversion that has sure ones: those are numbers written out. */
    public static String converted(String column) {
        return "CAST(" + column + " AS DECIMAL(20, 6))";
    }
}
