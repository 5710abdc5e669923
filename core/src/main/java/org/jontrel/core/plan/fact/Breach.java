package org.jontrel.core.plan.fact;

/** What stored values may be that the definitions no longer allow, beside a single value that breaks its limits. */
public enum Breach {
    /** Records whose value of a field that becomes unique another record has too. */
    TWICE,
    /** Records that have more of a field than it may hold. */
    TOO_MANY,
    /** Places where several values stand and one can. */
    SEVERAL,
    /** Texts that may be several values. */
    SPLITTABLE,
    /** Names that a field of what they mean says, which is not its title. */
    MATCHABLE,
    /** Records with a value that is to stand in a row and has none. */
    ROWLESS,
    /** Rich texts with formatting that a field no longer allows. */
    FORMATTING,
    /** Links to what a relation no longer leads to. */
    TARGET,
    /** Records that stand under what they no longer may stand under. */
    PARENT,
    /** Records that visitors do not see, where they become something that has no state of its own. */
    HIDDEN,
    /** Rows that say the same as another, where one record could stand for both. */
    ALIKE,
    /** Values whose name nothing can be made for: several have it already, or nothing can be called so. */
    UNMADE,
    /** Records of a type that goes and that become those of no other. */
    LEFT,
    /** Records whose address another has already, of the type that they become one of. */
    SLUG
}
