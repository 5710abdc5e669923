package org.jontrel.core.model;

import java.util.List;
import org.jontrel.core.model.condition.Condition;

/** A titled set of fields that is filled in together, of one definition's own. */
public record Group(String id, String title, String description, List<Field> fields, Condition showWhen)
        implements Section {
    public Group {
        fields = List.copyOf(fields);
    }

    /** A group that is always shown. */
    public Group(String id, String title, String description, List<Field> fields) {
        this(id, title, description, fields, Condition.ALWAYS);
    }

    public Group withId(String newId) {
        return new Group(newId, title, description, fields, showWhen);
    }

    public Group withFields(List<Field> newFields) {
        return new Group(id, title, description, newFields, showWhen);
    }
}
