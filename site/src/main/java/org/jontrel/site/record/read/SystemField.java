package org.jontrel.site.record.read;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.condition.RecordState;
import org.jontrel.core.record.Conditions;
import org.jontrel.site.table.ColumnValues;

/** What every record has beside its fields, as fields that lists can filter and sort by. */
public enum SystemField {
    ID("own_id", "id", "Number", Kind.Numeric.PLAIN),
    SLUG("own_slug", "slug", "Address", Kind.Text.PLAIN),
    STATE("own_state", "state", "State", new Kind.Choice(states())),
    PUBLISH_AT("own_publish_at", "publish_at", "Publish at", Kind.DateTime.PLAIN),
    RETIRE_AT("own_retire_at", "retire_at", "Retire at", Kind.DateTime.PLAIN),
    POSITION("own_position", "position", "Position", Kind.Numeric.PLAIN),
    PARENT("own_parent", "parent_id", "Parent", Kind.Numeric.PLAIN),
    COMPLETE("own_complete", "complete", "Complete", Kind.YesNo.PLAIN),
    CREATED_AT("own_created_at", "created_at", "Created", Kind.DateTime.PLAIN),
    UPDATED_AT("own_updated_at", "updated_at", "Updated", Kind.DateTime.PLAIN),
    CREATED_BY("own_created_by", "created_by", "Created by", Kind.Text.PLAIN),
    UPDATED_BY("own_updated_by", "updated_by", "Updated by", Kind.Text.PLAIN);

    private final String column;
    private final Field field;

    SystemField(String id, String column, String label, Kind kind) {
        this.column = column;
        this.field = new Field(id, id, label, "", false, kind);
    }

    private static List<Kind.Option> states() {
        return Arrays.stream(RecordState.values())
                .map(state -> new Kind.Option(state.code(), state.code(), state.code(), false))
                .toList();
    }

    /** Its id and key are the same; no field of a definition can have them. */
    public Field field() {
        return field;
    }

    String column() {
        return column;
    }

    /** A text as a cell of its column. Numbers of records are longer than those of number fields may be. */
    Optional<Object> cell(String text) {
        return switch (this) {
            case ID, PARENT, POSITION ->
                text.strip().matches("-?[0-9]{1,18}") ? Optional.of(Long.valueOf(text.strip())) : Optional.empty();
            case STATE -> Optional.of(text);
            default -> Conditions.read(field.kind(), text).map(ColumnValues::toColumn);
        };
    }

    /** The one with this id or key. */
    public static Optional<SystemField> of(String id) {
        return Arrays.stream(values()).filter(own -> own.field.id().equals(id)).findFirst();
    }
}
