package org.jontrel.core.propose;

import java.util.List;
import org.jontrel.core.model.Field;
import org.jontrel.core.propose.kind.GuessedKind;
import org.jontrel.core.propose.kind.KindFit;
import org.jontrel.core.propose.word.Header;
import org.jontrel.core.propose.word.SpelledWord;
import org.jontrel.core.sheet.ColumnFacts;
import org.jontrel.core.spelling.Reading;

/**
 * What becomes of a column.
 *
 * @param column index of the column
 * @param state whether what it becomes is new, there already, or there as something else
 * @param field that it becomes, or has a part in; {@code null} where it becomes none
 * @param target name of the type, taxonomy or list that its values are of; else empty
 * @param separator between several values of one cell; else empty
 * @param reading of texts that could be read in two ways; {@code null} where all are plain
 * @param required whether every record must have a value
 * @param rowsOf what the rows are called that it is a value of; else empty
 * @param why in a clause
 * @param words that its options or terms are, with their spellings
 * @param fits how it would do as each other kind
 */
public record ProposedColumn(
        int column,
        ColumnUse use,
        State state,
        Field field,
        String label,
        String target,
        String separator,
        Reading reading,
        boolean required,
        String rowsOf,
        String why,
        List<SpelledWord> words,
        List<KindFit> fits) {
    /** How what a column becomes stands to the model that is there. */
    public enum State {
        NEW,
        /** There already, as it would be proposed. */
        THERE,
        /** There, as another kind of value. */
        DIFFERS
    }

    public ProposedColumn {
        words = List.copyOf(words);
        fits = List.copyOf(fits);
    }

    static ProposedColumn skipped(ColumnFacts facts, String why) {
        return plain(facts, ColumnUse.SKIP, why);
    }

    static ProposedColumn plain(ColumnFacts facts, ColumnUse use, String why) {
        return new ProposedColumn(
                facts.index(),
                use,
                State.NEW,
                null,
                Header.of(facts.title()).label(),
                "",
                "",
                null,
                false,
                "",
                why,
                List.of(),
                KindFit.of(facts));
    }

    static ProposedColumn field(ColumnFacts facts, Field field, GuessedKind kind, State state) {
        return new ProposedColumn(
                facts.index(),
                ColumnUse.FIELD,
                state,
                field,
                field.label(),
                "",
                kind.separator(),
                kind.reading(),
                field.required(),
                "",
                kind.why(),
                kind.words(),
                KindFit.of(facts));
    }

    static ProposedColumn to(
            ColumnFacts facts,
            ColumnUse use,
            Field field,
            String target,
            String separator,
            boolean required,
            String why) {
        return new ProposedColumn(
                facts.index(),
                use,
                State.NEW,
                field,
                field == null ? Header.of(facts.title()).label() : field.label(),
                target,
                separator,
                null,
                required,
                "",
                why,
                List.of(),
                KindFit.of(facts));
    }

    /** One that an earlier column's field takes in. */
    static ProposedColumn part(ColumnFacts facts, ColumnUse use, Field field, String rowsOf, String why) {
        return new ProposedColumn(
                facts.index(),
                use,
                State.NEW,
                field,
                Header.of(facts.title()).label(),
                "",
                "",
                null,
                false,
                rowsOf,
                why,
                List.of(),
                KindFit.of(facts));
    }
}
