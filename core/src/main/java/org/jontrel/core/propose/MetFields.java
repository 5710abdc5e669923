package org.jontrel.core.propose;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.naming.Keys;
import org.jontrel.core.propose.kind.GuessedKind;
import org.jontrel.core.propose.kind.KindFit;
import org.jontrel.core.propose.word.SpelledWord;
import org.jontrel.core.propose.word.Spellings;
import org.jontrel.core.sheet.ColumnFacts;

/** Columns for fields that are there already. */
final class MetFields {
    private final TypeDraft draft;
    private final Proposing making;

    MetFields(TypeDraft draft) {
        this.draft = draft;
        this.making = draft.making;
    }

    /** A column for a field that is there. */
    void meets(ColumnFacts column, Field before, GuessedKind kind) {
        boolean same = before.kind().getClass().equals(kind.kind().getClass()) || holds(before, column);
        if (same) {
            var more = moreOptions(before, kind);
            if (more.isPresent()) {
                draft.changed.add(more.get());
                draft.put(ProposedColumn.field(
                        column,
                        more.get(),
                        kind.because("words that the field does not offer yet are added"),
                        ProposedColumn.State.DIFFERS));
                return;
            }
            draft.put(ProposedColumn.field(column, before, kind, ProposedColumn.State.THERE));
            return;
        }
        boolean change = Boolean.TRUE.equals(draft.choice(column).change());
        var field = change ? before.withKind(kind.kind()) : before;
        if (change) {
            draft.changed.add(field);
        }
        draft.put(ProposedColumn.field(
                column,
                field,
                kind.because("the field is a " + words(before.kind()) + "; here " + kind.why()),
                ProposedColumn.State.DIFFERS));
    }

    private static String words(Kind kind) {
        return kind.code().replace('_', ' ');
    }

    /** Whether the field as it is can hold every value. */
    private static boolean holds(Field field, ColumnFacts column) {
        return KindFit.of(column).stream()
                        .anyMatch(each -> each.code().equals(field.kind().code()) && each.misfits() == 0)
                && !(field.kind() instanceof Kind.Choice)
                && !(field.kind() instanceof Kind.TermPick);
    }

    private Optional<Field> moreOptions(Field before, GuessedKind kind) {
        if (!(before.kind() instanceof Kind.Choice has) || !has.list().isEmpty()) {
            return Optional.empty();
        }
        var known =
                has.options().stream().map(each -> Spellings.bare(each.label())).toList();
        var more = kind.words().stream()
                .map(SpelledWord::label)
                .filter(each -> !known.contains(Spellings.bare(each)))
                .toList();
        if (more.isEmpty()) {
            return Optional.empty();
        }
        var options = new ArrayList<>(has.options());
        var keys = new HashSet<>(has.options().stream().map(Kind.Option::key).toList());
        for (var option : making.kinds.words().options(more)) {
            var key = Keys.free(option.key(), keys);
            keys.add(key);
            options.add(new Kind.Option(option.id(), key, option.label(), false));
        }
        return Optional.of(before.withKind(new Kind.Choice(options, "", has.amount(), has.shown())));
    }
}
