package org.jontrel.core.plan;

import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;
import org.jontrel.core.recordtype.RecordType;

/** Switches of columns in plain English. */
public final class SwitchSentences {
    private SwitchSentences() {}

    public static String sentence(RecordType was, RecordType is, List<Step.ColumnSwitch> turns) {
        return turns.stream()
                .map(turn -> clause(was, is, turn))
                .collect(Collectors.joining("; ", is.plural() + ": ", ""));
    }

    private static String clause(RecordType was, RecordType is, Step.ColumnSwitch turn) {
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
    public static String name(RecordType recordType, String fieldId) {
        return recordType
                .field(fieldId)
                .map(field -> String.join("__", recordType.home(fieldId).groups())
                        + (recordType.home(fieldId).groups().isEmpty() ? "" : "__")
                        + field.key())
                .orElse("?");
    }
}
