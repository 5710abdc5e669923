package org.jontrel.core.model.block;

import java.util.Locale;

/** How a value is shown; which of these a kind knows, {@code core.page} says. */
public enum Presentation {
    /** As its kind does by itself. */
    USUAL,
    /** The heading of the page, or of what is listed. */
    HEADING,
    /** Large, as the beginning of a page. */
    LEAD,
    /** The first few sentences. */
    EXCERPT,
    /** As plain words, led by nothing. */
    WORDS,
    /** As a label with a ground of its own. */
    LABELS,
    /** A day with the name of its weekday. */
    LONG,
    /** A day in few signs. */
    SHORT,
    /** How far from today. */
    RELATIVE,
    /** Without marks between thousands. */
    PLAIN,
    /** As marks of a rating. */
    MARKS,
    /** The label alone where it is so, nothing where it is not. */
    LABEL_ALONE,
    /** A patch of the colour. */
    SWATCH,
    /** A link with a frame. */
    BUTTON,
    /** Pictures beside one another. */
    GALLERY;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
