package org.jontrel.core.propose.kind;

import java.util.Optional;
import org.jontrel.core.model.Kind;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.spelling.Reading;
import org.jontrel.core.spelling.Spelling;
import org.jontrel.core.value.kind.KindValues;

/** Reads the text of a cell as a value of a kind; exactly, or not at all. */
public final class CellTexts {
    private CellTexts() {}

    /**
     * Empty where the text is no value of the kind. Pictures, files, relations and terms are looked up elsewhere.
     *
     * @param reading of texts that could be read in two ways; {@code null} where none is to be read so
     */
    public static Optional<Object> read(Kind kind, Reading reading, String written) {
        var text = written.strip();
        if (kind instanceof Kind.Choice choice) {
            return option(choice, text);
        }
        if (kind instanceof Kind.Numeric && Spelling.isCode(text)) {
            return Optional.empty();
        }
        return KindValues.of(kind)
                .fromText(text)
                .or(() -> Spelling.read(kind, text))
                .or(() -> reading == null
                        ? Optional.empty()
                        : Optional.ofNullable(Reading.of(kind, text).get(reading)));
    }

    /** An option by its label in whichever spelling, or by its key. */
    private static Optional<Object> option(Kind.Choice choice, String text) {
        var bare = Spellings.bare(text);
        return choice.options().stream()
                .filter(each -> Spellings.bare(each.label()).equals(bare))
                .findFirst()
                .or(() -> choice.options().stream()
                        .filter(each -> each.key().equals(text))
                        .findFirst())
                .map(Kind.Option::key);
    }
}
