package org.jontrel.core.plan;

import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Field;

/** Switches of columns in plain English. */
final class Turns {
    private Turns() {}

    static String sentence(ContentType was, ContentType is, List<Step.Turn> turns) {
        return turns.stream()
                .map(turn -> clause(was, is, turn))
                .collect(Collectors.joining("; ", is.plural() + ": ", ""));
    }

    private static String clause(ContentType was, ContentType is, Step.Turn turn) {
        var before = was.field(turn.fieldId());
        var after = is.field(turn.fieldId());
        var label = after.or(() -> before).map(Field::label).orElse(turn.fieldId());
        return switch (turn.act()) {
            case TAKE -> "take " + label + " into use";
            case RENAME ->
                "rename " + before.map(Field::key).orElse("?") + " to "
                        + after.map(Field::key).orElse("?");
            case HOLD ->
                "hold the values of " + before.or(() -> after).map(Field::label).orElse(label);
            case RESTORE -> "bring back the values of " + label;
        };
    }
}
