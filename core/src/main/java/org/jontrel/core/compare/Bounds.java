package org.jontrel.core.compare;

import java.math.BigDecimal;

/** Bounds as they are written: numbers by value, days by their ISO text. */
final class Bounds {
    private Bounds() {}

    static int compare(Object a, Object b) {
        return a instanceof Number && b instanceof Number
                ? new BigDecimal(a.toString()).compareTo(new BigDecimal(b.toString()))
                : a.toString().compareTo(b.toString());
    }
}
