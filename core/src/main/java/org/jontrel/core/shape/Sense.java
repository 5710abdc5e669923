package org.jontrel.core.shape;

/** What a property means for people and records when it changes. */
public enum Sense {
    /** What makes the thing the same thing; it never changes. */
    IDENTITY,
    /** Things within it, compared on their own; or the kind of a field. */
    PARTS,
    /** A name in code and in the database. */
    NAME,
    /** A text that people read. */
    WORDING,
    /** How forms, lists and pages look. */
    FORM,
    /** What editors are offered and when; no stored value is touched. */
    BEHAVIOUR,
    /** What a stored value means, such as its unit: whoever reads it reads something else. */
    MEANING,
    /** A public address. */
    ADDRESS,
    /** An address in the content API. */
    API_ADDRESS,
    /** Narrows when it rises or appears. */
    LOWER_BOUND,
    /** Narrows when it falls or appears. */
    UPPER_BOUND,
    /** Narrows when it is switched on, set, or changed. */
    RULE,
    /** Narrows when it is switched off. */
    PERMISSION,
    /** What is allowed; narrows when something goes. Empty allows nothing. */
    ALLOWED,
    /** What is allowed; narrows when something goes, or the first comes. Empty allows everything. */
    ALLOWED_OR_ALL,
    /** One or many, and of what: who reads it must be changed either way. */
    STRUCTURE
}
