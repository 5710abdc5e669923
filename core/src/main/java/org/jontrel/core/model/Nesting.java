package org.jontrel.core.model;

import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;

/**
 * Under which records the records of a type may stand.
 *
 * @param under ids of content types, also the type itself; empty where records stand alone
 * @param required whether each record must stand under another
 * @param parentsInAddress whether the address of a record carries those above it
 */
public record Nesting(Set<String> under, boolean required, boolean parentsInAddress) {
    public static final Nesting NONE = new Nesting(Set.of(), false, true);

    public Nesting {
        under = Collections.unmodifiableSet(new TreeSet<>(under));
    }
}
