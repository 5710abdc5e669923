package org.jontrel.core.propose.word;

import java.util.List;
import org.jontrel.core.sheet.CountedText;

/**
 * A word as most write it, and its other spellings.
 *
 * @param others that differ in capitals, accents, spaces and signs only, or that somebody has said are the same; they are taken for the word
 * @param perhaps that differ by a letter and are rare; they are words of their own unless somebody says otherwise
 */
public record SpelledWord(CountedText text, List<CountedText> others, List<CountedText> perhaps) {
    public SpelledWord {
        others = List.copyOf(others);
        perhaps = List.copyOf(perhaps);
    }

    /** How many values are the word, in whichever spelling. */
    public long times() {
        return text.times() + others.stream().mapToLong(CountedText::times).sum();
    }

    /** The word itself. */
    public String label() {
        return text.text();
    }
}
