package org.jontrel.core.compare;

/** Which part of the version number a change advises to raise, mildest first. */
public enum Advice {
    /** Only wording, help or order. */
    PATCH,
    /** Something was added, renamed or widened: every stored value keeps its meaning. */
    MINOR,
    /** A stored value can go out of use or stop satisfying its definition. */
    MAJOR
}
