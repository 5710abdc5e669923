package org.jontrel.core.importer;

import java.util.List;
import java.util.stream.Collectors;
import org.jontrel.core.model.Field;

/**
 * A column of a sheet, and the field that it goes to.
 *
 * @param index in the sheet, from 0
 * @param fields from the outermost to the one itself; empty where the column goes to none
 * @param targets ids of what its names are names of; empty where its values are no names
 */
public record BoundColumn(int index, ColumnMapping mapping, List<Field> fields, List<String> targets) {
    public BoundColumn {
        fields = List.copyOf(fields);
        targets = List.copyOf(targets);
    }

    public ColumnMapping.Goal goal() {
        return mapping.goal();
    }

    public Field field() {
        return fields.getLast();
    }

    /** Keys of the fields, with points between. */
    public String way() {
        return fields.stream().map(Field::key).collect(Collectors.joining("."));
    }

    /** What findings call it. */
    public String name() {
        return mapping.column();
    }
}
