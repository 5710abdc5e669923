package org.jontrel.core.naming;

import java.text.MessageFormat;
import java.util.Locale;
import java.util.ResourceBundle;
import org.jontrel.core.model.ContentType;

/**
 * A text about a type that the product shows. How it derives from the noun is data: {@code wordings.properties} has a
 * pattern for each, and another language is another such file.
 */
public enum Wording {
    ADD,
    EDIT,
    DELETE,
    VIEW,
    ALL,
    /** The link to the list of the records. */
    INDEX,
    SEARCH,
    CHOOSE,
    EMPTY,
    NOT_FOUND,
    UNTITLED,
    SAVED,
    PUBLISHED,
    DELETED;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The text for a type: its own where it has one, else derived from its singular and plural. */
    public String of(ContentType type) {
        var own = type.wordings().get(code());
        return own != null && !own.isBlank() ? own : derive(type.singular(), type.plural());
    }

    /** The English text for a noun. */
    public String derive(String singular, String plural) {
        return derive(singular, plural, Locale.ENGLISH);
    }

    /** The text for a noun in a language that has a file of patterns; in English where it has none. */
    public String derive(String singular, String plural, Locale language) {
        var bundle = ResourceBundle.getBundle(
                "org.jontrel.core.naming.wordings",
                language,
                ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES));
        boolean small = bundle.getString("nouns_within_sentences").equals("small");
        var one = small ? Nouns.inSentence(singular) : singular;
        var many = small ? Nouns.inSentence(plural) : plural;
        return new MessageFormat(bundle.getString(code()), language).format(new Object[] {one, many, singular, plural});
    }
}
