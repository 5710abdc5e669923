package org.jontrel.core.compare;

/** How far a change goes. */
public enum Reach {
    WORDING,
    FORM,
    VALUES,
    ADDRESSES,
    API
}
