package org.jontrel.core.model;

import java.util.Locale;

/** A text about a type that the product shows, and how it derives from the noun. */
public enum Wording {
    ADD("Add %1$s"),
    EDIT("Edit %1$s"),
    EMPTY("No %2$s yet"),
    SEARCH("Search %2$s");

    private final String pattern;

    Wording(String pattern) {
        this.pattern = pattern;
    }

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The text for a type: its own where it has one, else derived from its singular and plural. */
    public String of(ContentType type) {
        var own = type.wordings().get(code());
        return own != null && !own.isBlank() ? own : derive(type.singular(), type.plural());
    }

    public String derive(String singular, String plural) {
        return String.format(Locale.ROOT, pattern, Nouns.inSentence(singular), Nouns.inSentence(plural));
    }
}
