package org.jontrel.core.model;

import java.util.List;

/** A titled set of fields that is filled in together. */
public record Group(String id, String title, String description, List<Field> fields) {
    public Group {
        fields = List.copyOf(fields);
    }

    public Group withId(String newId) {
        return new Group(newId, title, description, fields);
    }

    public Group withFields(List<Field> newFields) {
        return new Group(id, title, description, newFields);
    }
}
