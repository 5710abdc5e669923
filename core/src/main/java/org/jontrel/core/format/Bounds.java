package org.jontrel.core.format;

import java.math.BigDecimal;
import java.util.List;

/** Limits as they are written: numbers by value, days and times by their ISO text, what is allowed as lists. */
final class Bounds {
    private Bounds() {}

    static int compare(Object a, Object b) {
        return a instanceof Number && b instanceof Number
                ? new BigDecimal(a.toString()).compareTo(new BigDecimal(b.toString()))
                : a.toString().compareTo(b.toString());
    }

    /** Whether something that was allowed is no longer. */
    static boolean loses(Object before, Object after, boolean emptyIsAll) {
        var was = before instanceof List<?> list ? list : List.of();
        var is = after instanceof List<?> list ? list : List.of();
        boolean all = emptyIsAll && is.isEmpty();
        return !all && ((emptyIsAll && was.isEmpty()) || !is.containsAll(was));
    }
}
