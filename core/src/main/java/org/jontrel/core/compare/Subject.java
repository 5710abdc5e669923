package org.jontrel.core.compare;

/**
 * What a change is about.
 *
 * @param type singular name of the content type, as it is after (before, where it was removed)
 * @param label label, title or part as it is after; empty for a type
 * @param elementId id of the group, field or option; empty for a type
 * @param owner label of the field an option belongs to; else empty
 */
public record Subject(Level level, String typeId, String type, String elementId, String label, String owner) {
    /** What sort of thing. */
    public enum Level {
        TYPE,
        GROUP,
        FIELD,
        OPTION
    }
}
