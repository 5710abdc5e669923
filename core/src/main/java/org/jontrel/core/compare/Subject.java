package org.jontrel.core.compare;

/**
 * What a change is about.
 *
 * @param level what sort of thing, in words: {@code content type}, {@code field}, {@code term} …
 * @param elementId what tells the thing apart; the definition's id for a definition
 * @param before what it was called, or {@code null} where it was not there
 * @param after what it is called, or {@code null} where it is gone
 * @param mentioned whether a layout or listing mentions it
 * @param ofPages whether it is in a definition that says what pages look like
 */
public record Subject(String level, String elementId, Name before, Name after, boolean mentioned, boolean ofPages) {
    /**
     * What a thing is called.
     *
     * @param definitionId id of the definition it is in
     * @param definition name of the definition
     * @param label the thing's own label; that of the definition where it is one
     * @param owner label of the field or term that holds it, or empty
     */
    public record Name(String definitionId, String definition, String label, String owner) {}

    /** What it is called after; before, where it is gone. */
    public Name name() {
        return after == null ? before : after;
    }

    /** Id of the definition it is in (after; before, where it was removed). */
    public String definitionId() {
        return name().definitionId();
    }

    public boolean isDefinition() {
        return elementId.equals(definitionId());
    }

    Subject inverse() {
        return new Subject(level, elementId, after, before, mentioned, ofPages);
    }
}
