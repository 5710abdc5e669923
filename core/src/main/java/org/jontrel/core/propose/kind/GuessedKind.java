package org.jontrel.core.propose.kind;

import java.util.List;
import org.jontrel.core.model.Kind;
import org.jontrel.core.propose.word.SpelledWord;
import org.jontrel.core.spelling.Reading;

/**
 * What kind of values a column holds.
 *
 * @param terms whether they are terms of a taxonomy of their own; the kind is then a term
 * @param separator between several values of one cell; empty where each cell has one
 * @param hierarchical whether {@code >} leads from a term to one below it
 * @param words that the options or terms are, with their other spellings; empty for other kinds
 * @param reading of what could be read in two ways; {@code null} where all is plain
 * @param why in a clause
 */
public record GuessedKind(
        Kind kind,
        boolean terms,
        String separator,
        boolean hierarchical,
        List<SpelledWord> words,
        Reading reading,
        String why) {
    public GuessedKind {
        words = List.copyOf(words);
    }

    public static GuessedKind of(Kind kind, String why) {
        return new GuessedKind(kind, false, "", false, List.of(), null, why);
    }

    public GuessedKind read(Reading newReading) {
        return new GuessedKind(kind, terms, separator, hierarchical, words, newReading, why);
    }

    public GuessedKind because(String newWhy) {
        return new GuessedKind(kind, terms, separator, hierarchical, words, reading, newWhy);
    }
}
