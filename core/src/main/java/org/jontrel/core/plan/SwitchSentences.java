package org.jontrel.core.plan;

import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.holder.Holder;
import org.jontrel.core.model.Field;

/** Switches of columns in plain English. */
final class SwitchSentences {
    private SwitchSentences() {}

    static String sentence(Holder was, Holder is, List<Step.ColumnSwitch> turns) {
        return turns.stream()
                .map(turn -> clause(was, is, turn))
                .collect(Collectors.joining("; ", is.plural() + ": ", ""));
    }

    private static String clause(Holder was, Holder is, Step.ColumnSwitch turn) {
        var before = was.field(turn.fieldId());
        var after = is.field(turn.fieldId());
        var label = after.or(() -> before).map(Field::label).orElse(turn.fieldId());
        return switch (turn.act()) {
            case TAKE -> "take " + label + " into use";
            case RENAME -> "rename " + name(was, turn.fieldId()) + " to " + name(is, turn.fieldId());
            case HOLD ->
                "hold the values of " + before.or(() -> after).map(Field::label).orElse(label);
            case RESTORE -> "bring back the values of " + label;
        };
    }

    /** The key behind those of the groups around it. */
    static String name(Holder holder, String fieldId) {
        return holder.field(fieldId)
                .map(field -> String.join("__", holder.home(fieldId).groups())
                        + (holder.home(fieldId).groups().isEmpty() ? "" : "__")
                        + field.key())
                .orElse("?");
    }
}
