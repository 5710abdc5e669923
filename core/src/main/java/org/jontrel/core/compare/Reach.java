package org.jontrel.core.compare;

/** How far a change goes. */
public enum Reach {
    /** What people read on forms and pages. */
    WORDING,
    /** The entry form. */
    FORM,
    /** Values that records hold. */
    VALUES,
    /** Public addresses. */
    ADDRESSES,
    /** Those who read the content API. */
    API,
    /** Layouts and listings that mention it. */
    LAYOUTS
}
