package org.jontrel.core.code;

/** What a change of a property means for records and readers. */
public enum Sense {
    /** The identity; never changes. */
    IDENTITY,
    /** Parts that are compared one by one. */
    PARTS,
    /** Only what people read. */
    WORDING,
    /** How the entry form looks. */
    FORM,
    /** The name in code. */
    NAME,
    /** Where pages are. */
    ADDRESS,
    /** A bound that narrows when it rises or appears. */
    LOWER_BOUND,
    /** A bound that narrows when it falls or appears. */
    UPPER_BOUND,
    /** A rule that narrows whenever it changes to anything but its default. */
    RULE
}
